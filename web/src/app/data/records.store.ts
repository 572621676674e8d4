import { HttpClient, type HttpResponse } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import {
  combineLatest,
  distinctUntilChanged,
  EMPTY,
  expand,
  map,
  shareReplay,
  startWith,
  switchMap,
  timer,
  type Observable,
} from 'rxjs';
import type { RecordsAnswer, STILL_RECKONING as Header, ToolLife } from '@mellow-anvil/contract';
import { besideOthers } from '@mellow-anvil/core/record';
import { Undo } from '../platform/undo.store';
import { SettingsStore } from './settings.store';
import { ToolsStore } from './tools.store';

export type Records = RecordsAnswer;
export type Life = ToolLife;
export type Entry = Life['entries'][number];

/** How long the rack waits for what is being reckoned, and when it asks again for the rest. */
const WAIT_MS = 400;
const ASK_AGAIN_MS = 1000;
/** The contract's word for an answer that is not complete; a header, so that it is not loaded for it. */
const STILL_RECKONING: typeof Header = 'X-Still-Reckoning';

/** What the tools' records come to, as the server reckons it; asked again after every change. */
@Injectable({ providedIn: 'root' })
export class RecordsStore {
  private readonly http = inject(HttpClient);
  private readonly undo = inject(Undo);
  private readonly tools = inject(ToolsStore);
  private readonly lateCosts$ = inject(SettingsStore).settings$.pipe(
    map(({ lateCosts }) => lateCosts),
    distinctUntilChanged(),
  );

  /** By tool id, once they are known. Stay as they were while the server does not answer. */
  readonly known$: Observable<Records> = combineLatest([
    this.undo.afterEveryChange(() =>
      this.rack().pipe(
        expand((answer) =>
          answer.headers.has(STILL_RECKONING)
            ? timer(ASK_AGAIN_MS).pipe(switchMap(() => this.rack()))
            : EMPTY,
        ),
        map(({ body }) => body ?? {}),
      ),
    ),
    this.tools.items$,
    this.lateCosts$,
  ]).pipe(
    map(([records, tools, lateCosts]) => besideOthers(records, tools, lateCosts)),
    // Kept between one who asks and the next: it is the longest answer the page loads.
    shareReplay({ bufferSize: 1, refCount: false }),
  );

  /** The same, and nothing until then. */
  readonly records$: Observable<Records> = this.known$.pipe(startWith({}));

  /** Within the time nobody minds, what is known by then. */
  private rack(): Observable<HttpResponse<Records>> {
    return this.http.get<Records>('/api/records', { params: { withinMs: WAIT_MS }, observe: 'response' });
  }

  /** One tool's record with every entry of it, oldest first. */
  life(toolId: string): Observable<Life> {
    return this.undo.afterEveryChange(() =>
      this.http.get<Life>(`/api/records/${encodeURIComponent(toolId)}`),
    );
  }
}
