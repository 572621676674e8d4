import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import { EMPTY, catchError, map, shareReplay, startWith, switchMap, type Observable } from 'rxjs';
import type { Stored } from '@mellow-anvil/contract';
import type { LifeEntry, Session, ToolRecord } from '@mellow-anvil/core';
import { Undo } from '../shared/undo.store';

export type Records = Readonly<Record<string, ToolRecord>>;
export type Entry = LifeEntry<Stored<Session>>;

export interface Life {
  readonly record: ToolRecord;
  readonly entries: readonly Entry[];
}

/** What the tools' records come to, as the server reckons it; asked again after every change. */
@Injectable({ providedIn: 'root' })
export class RecordsStore {
  private readonly http = inject(HttpClient);
  private readonly undo = inject(Undo);

  /** By tool id. Stays as it was while the server does not answer. */
  readonly records$: Observable<Records> = this.afterEveryChange(() =>
    this.http.get<Records>('/api/records'),
  ).pipe(startWith({}), shareReplay({ bufferSize: 1, refCount: true }));

  of(toolId: string): Observable<ToolRecord | undefined> {
    return this.records$.pipe(map((records) => records[toolId]));
  }

  /** One tool's record with every entry of it, oldest first. */
  life(toolId: string): Observable<Life> {
    return this.afterEveryChange(() => this.http.get<Life>(`/api/records/${encodeURIComponent(toolId)}`));
  }

  private afterEveryChange<T>(ask: () => Observable<T>): Observable<T> {
    return this.undo.changed$.pipe(
      startWith(undefined),
      switchMap(() => ask().pipe(catchError(() => EMPTY))),
    );
  }
}
