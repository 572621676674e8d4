import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import {
  BehaviorSubject,
  ReplaySubject,
  Subject,
  catchError,
  concatMap,
  of,
  type Observable,
  tap,
} from 'rxjs';
import type { Stored } from '@mellow-anvil/contract';
import { DEFAULT_SETTINGS, type Settings } from '@mellow-anvil/core/workshop';
import { Undo } from '../platform/undo.store';
import { contentOf } from './collection.store';

type KeptSettings = Settings & { readonly version: number };

/** How the workshop is called and how its figures are written; kept on the server. */
@Injectable({ providedIn: 'root' })
export class SettingsStore {
  private readonly http = inject(HttpClient);
  private readonly undo = inject(Undo);
  private readonly kept = new BehaviorSubject<KeptSettings>({ ...DEFAULT_SETTINGS, version: 0 });
  readonly settings$ = this.kept.asObservable();

  /** Changes go out one at a time, each made from what the one before it left. */
  private readonly changes = new Subject<{
    readonly change: Partial<Settings>;
    readonly done: Subject<KeptSettings>;
  }>();

  constructor() {
    this.undo.turned$.subscribe(() => this.load());
    this.changes.pipe(concatMap(({ change, done }) => this.send(change, done))).subscribe();
    this.load();
  }

  load(): void {
    this.http
      .get<KeptSettings>('/api/settings')
      .subscribe({ next: (settings) => this.kept.next(settings), error: () => undefined });
  }

  change(change: Partial<Settings>): Observable<KeptSettings> {
    const done = new ReplaySubject<KeptSettings>(1);
    this.changes.next({ change, done });
    return done;
  }

  private send(change: Partial<Settings>, done: Subject<KeptSettings>): Observable<unknown> {
    const { version } = this.kept.value;
    const settings = contentOf<Settings>(this.kept.value as Stored<Settings>);
    return this.http
      .put<KeptSettings>(
        '/api/settings',
        { ...settings, ...change, version },
        // It is stored although the page is left before the answer.
        { keepalive: true },
      )
      .pipe(
        tap((settings) => {
          this.kept.next(settings);
          this.undo.refresh();
          done.next(settings);
          done.complete();
        }),
        catchError((reason: unknown) => {
          done.error(reason);
          return of(undefined);
        }),
      );
  }
}
