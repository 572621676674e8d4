import { DOCUMENT, Injectable, inject } from '@angular/core';
import { combineLatest, map, shareReplay, startWith, Subject, type Observable } from 'rxjs';
import type { CommandSummary } from '@mellow-anvil/contract';
import { RACK_STATES, type RackState } from '@mellow-anvil/core/blade';
import { Undo } from '../platform/undo.store';
import { inOrderOfNeed, type RackTool } from './rack-order';
import { RecordsStore } from './records.store';
import { ToolsStore } from './tools.store';

const KEY = 'mellow-anvil.last-look';
/** Away for less than this is the same sitting, ms (estimate). */
const AWAY_MS = 4 * 3_600_000;

/** What was seen when the page was last left, on this device. */
interface Look {
  /** ISO 8601 instant. */
  readonly at: string;
  /** By tool id. */
  readonly states: Readonly<Record<string, RackState>>;
}

/** What is not as it was when one left. */
export interface Since {
  /** ISO 8601 instant. */
  readonly at: string;
  /** Tools that want more than they did, those in most need first. */
  readonly wantMore: readonly RackTool[];
  /** Those that were seen to meanwhile. */
  readonly seenTo: readonly RackTool[];
  /** What was stored meanwhile, on whichever device, the newest first. */
  readonly changes: readonly CommandSummary[];
}

/** Remembers how the rack stood when the page was left, and tells what changed since when one comes back. */
@Injectable({ providedIn: 'root' })
export class LastLook {
  private readonly document = inject(DOCUMENT);
  private readonly before = this.remembered();
  private readonly told = new Subject<void>();
  private readonly tools$ = combineLatest([inject(ToolsStore).ready$, inject(RecordsStore).known$]).pipe(
    map(([tools, records]) => inOrderOfNeed(tools, records)),
    shareReplay({ bufferSize: 1, refCount: true }),
  );
  private latest: readonly RackTool[] = [];

  /** What changed since one was here last; nothing in the same sitting, where nothing did, or once it was seen. */
  readonly since$: Observable<Since | undefined> = combineLatest([
    this.tools$,
    inject(Undo).undoable$,
    this.told.pipe(
      map(() => true),
      startWith(false),
    ),
  ]).pipe(
    map(([tools, commands, told]) => {
      this.latest = tools;
      return told || !this.before ? undefined : sinceThen(this.before, tools, commands);
    }),
  );

  constructor() {
    // A page hidden on a tablet may never be heard of again.
    this.document.addEventListener('visibilitychange', () => {
      if (this.document.visibilityState === 'hidden') this.remember();
    });
  }

  /** It was seen. */
  seen(): void {
    this.told.next();
  }

  private remember(): void {
    if (this.latest.length === 0) return;
    const states = Object.fromEntries(
      this.latest.flatMap(({ id, ready }) => (ready ? [[id, ready.state]] : [])),
    );
    localStorage.setItem(KEY, JSON.stringify({ at: new Date().toISOString(), states } satisfies Look));
  }

  private remembered(): Look | undefined {
    try {
      const { at, states } = JSON.parse(localStorage.getItem(KEY) ?? '') as Partial<Look>;
      const away = Date.now() - Date.parse(at ?? '');
      return at !== undefined && states && away >= AWAY_MS ? { at, states } : undefined;
    } catch {
      return undefined;
    }
  }
}

/** What stands otherwise than it did; nothing where all stands as it did. */
export function sinceThen(
  { at, states }: Look,
  tools: readonly RackTool[],
  commands: readonly CommandSummary[],
): Since | undefined {
  const need = (state: RackState | undefined): number => (state ? RACK_STATES.indexOf(state) : 0);
  const moved = (way: 1 | -1): readonly RackTool[] =>
    tools.filter(({ id, ready }) => {
      const then = states[id];
      return then !== undefined && ready && way * (need(ready.state) - need(then)) > 0;
    });
  const since: Since = {
    at,
    wantMore: moved(1),
    seenTo: moved(-1),
    changes: commands.filter(({ createdAt }) => Date.parse(createdAt) > Date.parse(at)),
  };
  return since.wantMore.length + since.seenTo.length + since.changes.length > 0 ? since : undefined;
}
