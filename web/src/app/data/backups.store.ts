import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import {
  BehaviorSubject,
  Subject,
  catchError,
  merge,
  of,
  shareReplay,
  switchMap,
  tap,
  timer,
  type Observable,
} from 'rxjs';
import type { BackupList } from '@mellow-anvil/contract';

/** As often as the program looks whether a backup is due. */
const LOOK_EVERY_MS = 10 * 60_000;

/** The backups there are, and whether the workshop's own file is sound: looked at now and then, and on request. */
@Injectable({ providedIn: 'root' })
export class BackupsStore {
  private readonly http = inject(HttpClient);
  private readonly wanted = new Subject<void>();
  private readonly latest = new BehaviorSubject<BackupList | undefined>(undefined);

  /** The newest answer; what was there before stands while there is none. */
  readonly list$: Observable<BackupList | undefined> = merge(timer(0, LOOK_EVERY_MS), this.wanted).pipe(
    switchMap(() => this.http.get<BackupList>('/api/backups').pipe(catchError(() => of(this.latest.value)))),
    tap((list) => this.latest.next(list)),
    shareReplay({ bufferSize: 1, refCount: true }),
  );

  look(): void {
    this.wanted.next();
  }

  make(): Observable<unknown> {
    return this.http.post('/api/backups', {});
  }

  restore(name: string): Observable<unknown> {
    return this.http.post('/api/backups/restore', { name });
  }

  openAsItIs(): Observable<unknown> {
    return this.http.post('/api/backups/open-as-it-is', {});
  }

  beginAnew(): Observable<unknown> {
    return this.http.post('/api/backups/begin-anew', {});
  }
}
