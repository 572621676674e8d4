import { inject, signal, type WritableSignal } from '@angular/core';
import type { Stored } from '@mellow-anvil/contract';
import { contentOf, type CollectionStore } from '../data/collection.store';
import { sentencesFor, sentencesOf, type SchemaName, type Sentences } from './checks';
import { Notices } from '../platform/notices';
import { told } from '../platform/problem';

/**
 * A thing on a page of its own: its draft (`D`, which may still lack figures), what is wrong with
 * it, and keeping or removing it. To be made where things may be injected.
 */
export class Editor<T extends { readonly name: string }, D extends object = T> {
  readonly stored = signal<Stored<T> | undefined>(undefined);
  readonly draft: WritableSignal<D>;
  readonly sentences = signal<Sentences>({});
  readonly refusal = signal('');
  readonly sending = signal(false);
  private readonly notices = inject(Notices);

  constructor(
    private readonly store: CollectionStore<T>,
    private readonly schema: SchemaName,
    begin: D,
    private readonly place: string,
    private readonly forms: {
      /** A stored thing as a draft. */
      readonly draftOf: (thing: T) => D;
      /** What is sent of a draft. */
      readonly sent: (draft: D) => object;
    } = { draftOf: (thing) => thing as unknown as D, sent: (draft) => draft },
  ) {
    this.draft = signal(begin);
  }

  /** Takes in the thing as stored, when there is one and it is news. */
  load(found: Stored<T> | undefined): void {
    if (!found || found.version === this.stored()?.version) return;
    this.stored.set(found);
    this.draft.set(this.forms.draftOf(contentOf<T>(found)));
  }

  set(change: Partial<D>): void {
    this.draft.update((draft) => ({ ...draft, ...change }));
  }

  /** Whether the contract has nothing against the draft; its sentences are shown. */
  async check(): Promise<boolean> {
    this.sentences.set(await sentencesFor(this.schema, this.forms.sent(this.draft())));
    return Object.keys(this.sentences()).length === 0;
  }

  /** Stores the draft; resolves with what is stored, or with nothing once the reason is shown. */
  async keep(): Promise<Stored<T> | undefined> {
    this.refusal.set('');
    if (!(await this.check())) {
      this.refusal.set('Not kept yet: change what is marked above.');
      return undefined;
    }
    const stored = this.stored();
    const sending = stored
      ? this.store.change(stored.id, stored.version, this.forms.sent(this.draft()))
      : this.store.create(this.forms.sent(this.draft()));
    this.sending.set(true);
    return new Promise((resolve) => {
      sending.subscribe({
        next: (kept) => {
          this.sending.set(false);
          this.notices.done(`${kept.name} is on the ${this.place}.`);
          resolve(kept);
        },
        error: (reason: unknown) => {
          const { detail, fields } = told(reason);
          this.sending.set(false);
          this.sentences.set(sentencesOf(fields));
          this.refusal.set(detail);
          resolve(undefined);
        },
      });
    });
  }

  /** Removes the stored thing; resolves with whether it is gone. */
  remove(): Promise<boolean> {
    const stored = this.stored();
    if (!stored) return Promise.resolve(false);
    return new Promise((resolve) => {
      this.store.remove(stored).subscribe({
        next: () => {
          this.notices.done(`${stored.name} is off the ${this.place}. Undo brings it back.`);
          resolve(true);
        },
        error: (reason: unknown) => {
          this.notices.refused(reason);
          resolve(false);
        },
      });
    });
  }
}
