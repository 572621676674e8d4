import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import { map, shareReplay, startWith, tap, type Observable } from 'rxjs';
import type { StoneAnswer, StonesAnswer, Stored } from '@mellow-anvil/contract';
import type { StonesRecord, Care } from '@mellow-anvil/core/abrasive';
import { Undo } from '../platform/undo.store';

export type StoneLife = StoneAnswer;

const NOTHING: StonesAnswer = { stones: {}, gone: [] };

/** How the stones stand, as the server reckons it from everything done on them and for them; and that care itself. */
@Injectable({ providedIn: 'root' })
export class StonesStore {
  private readonly http = inject(HttpClient);
  private readonly undo = inject(Undo);

  private readonly stones$ = this.undo
    .afterEveryChange(() => this.http.get<StonesAnswer>('/api/stones'))
    .pipe(startWith(NOTHING), shareReplay({ bufferSize: 1, refCount: true }));
  /** By abrasive id; nothing until the first answer. */
  readonly record$: Observable<StonesRecord> = this.stones$.pipe(map(({ stones }) => stones));
  /** Names of abrasives off the bench that the record may name. */
  readonly gone$ = this.stones$.pipe(map(({ gone }) => gone));

  /** One stone's readings and care. */
  life(id: string): Observable<StoneLife> {
    return this.undo.afterEveryChange(() =>
      this.http.get<StoneLife>(`/api/stones/${encodeURIComponent(id)}`),
    );
  }

  /** Puts care of a stone on record. */
  note(care: Care): Observable<Stored<Care>> {
    return this.http.post<Stored<Care>>('/api/cares', care).pipe(tap({ next: () => this.undo.refresh() }));
  }

  takeBack({ id, version }: Stored<Care>): Observable<void> {
    return this.http
      .delete<void>(`/api/cares/${id}`, { params: { version } })
      .pipe(tap({ next: () => this.undo.refresh() }));
  }
}
