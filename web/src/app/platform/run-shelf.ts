import { Injectable } from '@angular/core';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { RunEvent } from '@mellow-anvil/core/run';

interface Shelf extends DBSchema {
  events: {
    key: string;
    value: { readonly id: string; readonly runId: string; readonly event: RunEvent };
    indexes: { byRun: string };
  };
}

/**
 * The device's own copy of runs not yet ended, so that no stroke depends on the server answering
 * or on this page staying open.
 */
@Injectable({ providedIn: 'root' })
export class RunShelf {
  private readonly opened: Promise<IDBPDatabase<Shelf> | undefined> = openDB<Shelf>('mellow-anvil', 1, {
    upgrade(db) {
      db.createObjectStore('events', { keyPath: 'id' }).createIndex('byRun', 'runId');
    },
    // A browser that keeps nothing still has the server.
  }).catch(() => undefined);

  /** Keeps events, over those of the same ids; durable once it resolves. */
  async keep(runId: string, events: readonly RunEvent[]): Promise<void> {
    const db = await this.opened;
    const transaction = db?.transaction('events', 'readwrite', { durability: 'strict' });
    if (!transaction) return;
    for (const event of events) void transaction.store.put({ id: event.id, runId, event });
    await transaction.done;
  }

  /** A run's events in order. */
  async read(runId: string): Promise<readonly RunEvent[]> {
    const db = await this.opened;
    const kept = (await db?.getAllFromIndex('events', 'byRun', runId)) ?? [];
    return kept.map(({ event }) => event).sort((a, b) => a.seq - b.seq);
  }

  /** Runs some of whose events are here. */
  async runIds(): Promise<readonly string[]> {
    const db = await this.opened;
    const kept = (await db?.getAll('events')) ?? [];
    return [...new Set(kept.map(({ runId }) => runId))];
  }

  /** Clears a run that has ended and is on the server. */
  async clear(runId: string): Promise<void> {
    const db = await this.opened;
    const transaction = db?.transaction('events', 'readwrite');
    if (!transaction) return;
    for (const id of await transaction.store.index('byRun').getAllKeys(runId)) {
      void transaction.store.delete(id);
    }
    await transaction.done;
  }
}
