import { ROUTES, type LongWorkNow } from '@mellow-anvil/contract';
import type { Progress } from './task.js';
import { type Served, serving } from './serve.js';

/** What takes seconds, how far each of it has come, for whoever waits for it. */
export class LongWork {
  private readonly going = new Map<object, LongWorkNow>();

  /** Does a work, and lists it meanwhile. */
  async during<T>(what: string, work: (progress: Progress) => Promise<T>): Promise<T> {
    const key = {};
    this.going.set(key, { what, done: 0, of: 0 });
    try {
      // What a work that was stopped still had to say comes late, and is passed over.
      return await work((done, of) => this.going.has(key) && this.going.set(key, { what, done, of }));
    } finally {
      this.going.delete(key);
    }
  }

  list(): readonly LongWorkNow[] {
    return [...this.going.values()];
  }
}

/** `GET /api/work`: what takes seconds and is under way. */
export const longWorkRoute = (works: LongWork): Served => serving(ROUTES.work, async () => works.list());
