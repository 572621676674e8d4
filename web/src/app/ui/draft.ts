import { inject, signal, type WritableSignal } from '@angular/core';
import type { Observable } from 'rxjs';
import type { Stored } from '@mellow-anvil/contract';
import { contentOf } from '../data/collection.store';
import { Notices } from '../platform/notices';
import { told } from '../platform/problem';
import { Checks, sentencesOf, type SchemaName, type Sentences } from './checks';
import type { FieldChange } from '../platform/change';
import { changed } from '../platform/change';

/** Where a draft goes. */
interface Keeper<T extends object> {
  create(thing: object): Observable<Stored<T>>;
  change(id: string, version: number, thing: object): Observable<Stored<T>>;
  remove(stored: Stored<T>): Observable<void>;
  /** Reads everything anew, after somebody else changed it. */
  load?(): void;
}

/** What a kind of draft is: where it goes, by which rules, and what is said of it. */
interface DraftOptions<T extends object, D extends object> {
  readonly keeper: Keeper<T>;
  readonly schema: SchemaName;
  readonly begin: D;
  /** A stored thing as a draft; as it is unless said. */
  readonly draftOf?: (thing: T) => D;
  /** What is sent of a draft; all of it unless said. `stored` is what it was made from. */
  readonly sent?: (draft: D, stored: Stored<T> | undefined) => object;
  /** Told once it is kept, and once it is removed; a form that saves as one types says nothing. */
  readonly kept?: (thing: Stored<T>, isNew: boolean) => string;
  readonly removed?: (thing: Stored<T>) => string;
  readonly notKept?: string;
}

/** What is said of a named thing that has a place in the shed. */
export const placed = (
  place: string,
): Required<Pick<DraftOptions<{ readonly name: string }, object>, 'kept' | 'removed'>> => ({
  kept: ({ name }) => `${name} is on the ${place}.`,
  removed: ({ name }) => `${name} is off the ${place}. Undo brings it back.`,
});

/**
 * A thing being written: the draft (`D`, which may still lack figures), what is wrong with it, and keeping or
 * removing it. It is checked by the contract before it is sent; it is sent once at a time, in order, and never where
 * nothing was changed; what comes in meanwhile is merged field by field, what was typed stays. To be made where
 * things may be injected.
 */
export class Draft<T extends object, D extends object = T> {
  readonly stored = signal<Stored<T> | undefined>(undefined);
  readonly draft: WritableSignal<D>;
  readonly sentences = signal<Sentences>({});
  readonly refusal = signal('');
  readonly sending = signal(false);
  private readonly notices = inject(Notices);
  private readonly checks = inject(Checks);
  /** Asked to be kept once more while it was being sent. */
  private again = false;

  constructor(private readonly options: DraftOptions<T, D>) {
    this.draft = signal(options.begin);
  }

  /** Takes in the thing as stored; over one of the same identity, what was typed stays. */
  load(found: Stored<T> | undefined): void {
    const before = this.stored();
    if (!found || (found.id === before?.id && found.version === before.version)) return;
    this.stored.set(found);
    const draft = this.draftOf(found);
    if (before?.id === found.id) {
      this.draft.set(merged(draft, this.draft(), this.draftOf(before)));
      return;
    }
    this.sentences.set({});
    this.refusal.set('');
    this.draft.set(draft);
  }

  set(change: FieldChange<D>): void {
    this.draft.update((draft) => changed(draft, change));
  }

  /** Whether the contract has nothing against the draft; its sentences are shown. */
  async check(): Promise<boolean> {
    this.sentences.set(await this.checks.sentencesFor(this.options.schema, this.sent()));
    return Object.keys(this.sentences()).length === 0;
  }

  /** Stores the draft; resolves with what is stored, or with nothing once the reason is shown. Asked twice, it is sent once. */
  async keep(): Promise<Stored<T> | undefined> {
    if (this.sending()) return undefined;
    this.refusal.set('');
    const { notKept = 'Not kept yet: change what is marked above.' } = this.options;
    this.sending.set(true);
    const right = await this.check();
    if (!right) this.refusal.set(notKept);
    const kept = right ? await this.send() : undefined;
    this.sending.set(false);
    return kept;
  }

  /** {@link keep} for a form that saves as one types: what was typed while it was sent is sent after it. */
  async keepChanges(): Promise<void> {
    const stored = this.stored();
    if (!stored) return;
    if (this.sending()) {
      this.again = true;
      return;
    }
    if (same(this.draft(), this.draftOf(stored))) {
      this.refusal.set('');
      this.sentences.set({});
      return;
    }
    await this.keep();
    if (!this.again) return;
    this.again = false;
    await this.keepChanges();
  }

  /** Removes the stored thing; resolves with whether it is gone. */
  remove(): Promise<boolean> {
    const stored = this.stored();
    if (!stored) return Promise.resolve(false);
    return new Promise((resolve) => {
      this.options.keeper.remove(stored).subscribe({
        next: () => {
          this.say(this.options.removed?.(stored));
          resolve(true);
        },
        error: (reason: unknown) => {
          this.notices.refused(reason);
          resolve(false);
        },
      });
    });
  }

  private send(): Promise<Stored<T> | undefined> {
    const { keeper, kept: words } = this.options;
    const stored = this.stored();
    const sending = stored
      ? keeper.change(stored.id, stored.version, this.sent())
      : keeper.create(this.sent());
    return new Promise((resolve) => {
      sending.subscribe({
        next: (kept) => {
          // What is new goes to a page of its own, or away.
          if (stored) this.load(kept);
          this.say(words?.(kept, stored === undefined));
          resolve(kept);
        },
        error: (reason: unknown) => {
          const { detail, fields, stale } = told(reason);
          this.again = false;
          this.sentences.set(sentencesOf(fields));
          this.refusal.set(detail);
          if (stale && keeper.load) {
            this.notices.refused(reason);
            keeper.load();
          }
          resolve(undefined);
        },
      });
    });
  }

  private say(words: string | undefined): void {
    if (words !== undefined) this.notices.done(words);
  }

  private draftOf(found: Stored<T>): D {
    const content = contentOf<T>(found);
    return this.options.draftOf?.(content) ?? (content as unknown as D);
  }

  private sent(): object {
    return this.options.sent?.(this.draft(), this.stored()) ?? this.draft();
  }
}

type Fields = Readonly<Record<string, unknown>>;

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);
const isFields = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** What is stored, with what was typed since `base` left as typed, field by field. */
function merged<D extends object>(stored: D, typed: D, base: D): D {
  const [now, then, before] = [stored, typed, base] as unknown as readonly [Fields, Fields, Fields];
  const fields = [...new Set([...Object.keys(now), ...Object.keys(then)])].flatMap((key) => {
    const [s, t, b] = [now[key], then[key], before[key]];
    if (same(t, b)) return key in now ? [[key, s]] : [];
    if (isFields(s) && isFields(t) && isFields(b)) return [[key, merged(s, t, b)]];
    return key in then ? [[key, t]] : [];
  });
  return Object.fromEntries(fields) as D;
}
