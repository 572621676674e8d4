import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import { EMPTY, catchError, shareReplay, startWith, switchMap, type Observable } from 'rxjs';
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

  /** By tool id, once they are known. Stay as they were while the server does not answer. */
  readonly known$: Observable<Records> = this.afterEveryChange(() =>
    this.http.get<Records>('/api/records'),
  ).pipe(shareReplay({ bufferSize: 1, refCount: true }));

  /** The same, and nothing until then. */
  readonly records$: Observable<Records> = this.known$.pipe(startWith({}));

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
