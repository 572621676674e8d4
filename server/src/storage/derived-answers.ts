import { isDeepStrictEqual } from 'node:util';
import type { StoredThing } from './commands.js';

/** An answer reckoned of stored rows, and the ids of what else it rests on. */
export interface Derived<T> {
  readonly answer: T;
  readonly restsOn: ReadonlySet<string>;
}

/** Who tells what was stored. */
export interface Changes {
  onStored(listener: (stored: readonly StoredThing[]) => void): void;
}

/**
 * Answers reckoned of what is stored, each by the id of its subject, kept until something they rest on is stored. An
 * answer that comes out the same again stays the very same object, so that what rests on it stands too.
 * @example
 * const lives = new DerivedAnswers<Life>(commands, ({ kind, id }) => (kind === 'tools' ? [id] : []));
 * await lives.of(['t1', 't2'], (missing) => reckonLives(missing));
 */
export class DerivedAnswers<T> {
  private readonly kept = new Map<string, Derived<T>>();
  /** Answers no longer sure, by subject. */
  private readonly before = new Map<string, T>();
  /** Rises with everything stored, so that what was read before is not kept as what is so after. */
  private stored = 0;

  /** @param touches the subjects whose answers rest on a stored thing itself */
  constructor(changes: Changes, touches: (stored: StoredThing) => readonly string[]) {
    changes.onStored((all) => {
      this.stored += 1;
      for (const stored of all) for (const id of touches(stored)) this.forget(id);
    });
  }

  /**
   * The answers for some subjects; those not known are reckoned.
   * @param reckon answers for those subjects that are there
   */
  async of(
    ids: readonly string[],
    reckon: (missing: readonly string[]) => Promise<ReadonlyMap<string, Derived<T>>>,
  ): Promise<ReadonlyMap<string, T>> {
    const { stored } = this;
    const fresh = new Map<string, Derived<T>>();
    for (const [id, derived] of await reckon(ids.filter((each) => !this.kept.has(each)))) {
      const before = this.before.get(id);
      const same = before !== undefined && isDeepStrictEqual(before, derived.answer);
      fresh.set(id, same ? { ...derived, answer: before } : derived);
    }
    if (stored === this.stored) {
      for (const [id, derived] of fresh) {
        this.kept.set(id, derived);
        this.before.delete(id);
      }
    }
    return new Map(
      ids.flatMap((id): [string, T][] => {
        const derived = fresh.get(id) ?? this.kept.get(id);
        return derived ? [[id, derived.answer]] : [];
      }),
    );
  }

  /** Forgets every answer that rests on one of these. */
  forgetResting(on: readonly string[]): void {
    if (on.length === 0) return;
    for (const [id, { restsOn }] of this.kept) if (on.some((each) => restsOn.has(each))) this.forget(id);
  }

  private forget(id: string): void {
    const derived = this.kept.get(id);
    if (!derived) return;
    this.kept.delete(id);
    this.before.set(id, derived.answer);
  }
}
