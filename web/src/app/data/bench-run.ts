import type { HttpClient } from '@angular/common/http';
import { HttpErrorResponse } from '@angular/common/http';
import type { Observable } from 'rxjs';
import {
  BehaviorSubject,
  EMPTY,
  Subject,
  catchError,
  defer,
  exhaustMap,
  expand,
  firstValueFrom,
  fromEvent,
  map,
  of,
  race,
  retry,
  switchMap,
  tap,
  throwError,
  timer,
} from 'rxjs';
import type { RunSummary, StoredRun } from '@mellow-anvil/contract';
import { type Run, type RunEvent, type RunFact, runOf, type RunPlan } from '@mellow-anvil/core/run';
import { told } from '../platform/problem';
import type { RunShelf } from '../platform/run-shelf';

/** Events sent in one go; the server takes more. */
const AT_ONCE = 200;
const FIRST_WAIT_MS = 500;
const LONGEST_WAIT_MS = 5000;

/** A run as the page shows it. */
export interface BenchView {
  /** Absent until its beginning is found. */
  readonly run?: Run | undefined;
  /** Events the server has not acknowledged yet. */
  readonly unsent: number;
  /** Why the server could not store the last of them, while it is asked again and again. */
  readonly trouble?: string | undefined;
  /** Why the run cannot go on, in words. */
  readonly refusal?: string | undefined;
}

interface Held {
  readonly events: readonly RunEvent[];
  /** How many of them, from the first, the server has. */
  readonly stored: number;
  readonly trouble?: string | undefined;
  readonly refusal?: string | undefined;
}

/**
 * One run: every event goes to the device first and to the server as soon as it answers, in order,
 * each under an id of its own, so that sending twice stores once.
 */
export class BenchRun {
  private readonly held = new BehaviorSubject<Held>({ events: [], stored: 0 });
  private readonly kicks = new Subject<void>();
  private loading: Promise<void> | undefined;

  readonly view$: Observable<BenchView> = this.held.pipe(
    map(({ events, stored, ...words }) => ({
      run: runOf(events),
      unsent: events.length - stored,
      ...words,
    })),
  );
  /** Emits when the server has the end of the run. */
  readonly ended$ = new Subject<RunSummary>();

  constructor(
    readonly id: string,
    private readonly http: HttpClient,
    private readonly shelf: RunShelf,
  ) {
    this.kicks.pipe(exhaustMap(() => this.deliver())).subscribe();
  }

  /** Looks on the device and on the server for what there is of the run. */
  load(): Promise<void> {
    this.loading ??= (async () => {
      this.held.next({ ...this.held.value, events: await this.shelf.read(this.id) });
      await this.compare();
      this.kicks.next();
    })();
    return this.loading;
  }

  /** Begins it: there is nothing of it anywhere yet. */
  begin(plan: RunPlan): void {
    this.loading = Promise.resolve();
    this.add({ kind: 'begun', plan });
  }

  /** Adds what happened just now. */
  add(fact: RunFact): void {
    const { events } = this.held.value;
    const event: RunEvent = {
      ...fact,
      id: crypto.randomUUID(),
      seq: events.length,
      at: new Date().toISOString(),
    };
    this.held.next({ ...this.held.value, events: [...events, event] });
    void this.shelf.keep(this.id, [event]);
    this.kicks.next();
  }

  private get unsent(): readonly RunEvent[] {
    const { events, stored } = this.held.value;
    return events.slice(stored, stored + AT_ONCE);
  }

  /** Sends what is unsent until nothing is; waits and tries again while the server is away. */
  private deliver(): Observable<unknown> {
    return defer(() => (this.unsent.length > 0 ? this.send() : EMPTY)).pipe(
      expand(() => (this.unsent.length > 0 ? this.send() : EMPTY)),
      retry({
        delay: (reason: unknown, times) => {
          if (!isAway(reason)) return throwError(() => reason);
          this.held.next({ ...this.held.value, trouble: told(reason).detail });
          const wait = Math.min(FIRST_WAIT_MS * 2 ** (times - 1), LONGEST_WAIT_MS);
          return race(timer(wait), fromEvent(window, 'online'));
        },
        resetOnSuccess: true,
      }),
      catchError((reason: unknown) => {
        this.held.next({ ...this.held.value, refusal: told(reason).detail });
        return EMPTY;
      }),
    );
  }

  private send(): Observable<unknown> {
    return this.http.post<RunSummary>(`/api/runs/${this.id}/events`, { events: this.unsent }).pipe(
      tap((summary) => this.acknowledged(summary)),
      catchError((reason: unknown) =>
        reason instanceof HttpErrorResponse && reason.status === 409
          ? defer(() => this.compare()).pipe(
              switchMap(() => (this.held.value.refusal ? EMPTY : of(undefined))),
            )
          : throwError(() => reason),
      ),
    );
  }

  private acknowledged(summary: RunSummary): void {
    this.held.next({ ...this.held.value, stored: summary.next, trouble: undefined });
    if (summary.state === 'open') return;
    void this.shelf.clear(this.id);
    this.ended$.next(summary);
  }

  /**
   * Puts what happened here after what the server has: another page may have gone on with the run,
   * or an answer may have been lost on its way.
   */
  private async compare(): Promise<void> {
    let there: StoredRun;
    try {
      there = await firstValueFrom(this.http.get<StoredRun>(`/api/runs/${this.id}`));
    } catch (reason) {
      this.held.next({
        ...this.held.value,
        stored: 0,
        trouble: isAway(reason) ? told(reason).detail : undefined,
      });
      return;
    }
    const stored = new Set(there.events.map(({ id }) => id));
    const own = this.held.value.events.filter(({ id }) => !stored.has(id));
    const moved = own.map((event, i) => ({ ...event, seq: there.events.length + i }));
    const ended = there.state !== 'open' && moved.length > 0;
    this.held.next({
      events: [...there.events, ...(ended ? [] : moved)],
      stored: there.events.length,
      trouble: undefined,
      ...(ended && {
        refusal: 'This run was ended on another page; what was counted here since is not part of it.',
      }),
    });
    if (there.state === 'open') await this.shelf.keep(this.id, moved);
    else await this.shelf.clear(this.id);
  }
}

/** No answer at all, or one from a server that cannot just now. */
function isAway(reason: unknown): boolean {
  return reason instanceof HttpErrorResponse && (reason.status === 0 || reason.status >= 500);
}
