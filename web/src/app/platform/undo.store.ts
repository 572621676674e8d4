import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import {
  BehaviorSubject,
  EMPTY,
  Subject,
  catchError,
  map,
  startWith,
  switchMap,
  tap,
  type Observable,
} from 'rxjs';
import type { CommandList, CommandSummary } from '@mellow-anvil/contract';

/** Before the first answer. */
const NOTHING: CommandList = { undo: [], redo: [], kept: { commands: 0, bytes: 0 } };

/** What can be taken back, and taking it back; `turned$` tells every store to load again. */
@Injectable({ providedIn: 'root' })
export class Undo {
  private readonly http = inject(HttpClient);
  private readonly commands = new BehaviorSubject<CommandList>(NOTHING);
  private readonly turned = new Subject<void>();
  private readonly changed = new Subject<void>();

  readonly undoable$ = this.commands.pipe(map(({ undo }) => undo));
  readonly redoable$ = this.commands.pipe(map(({ redo }) => redo));
  /** How far back it goes. */
  readonly kept$ = this.commands.pipe(map(({ kept }) => kept));
  readonly turned$ = this.turned.asObservable();
  /** Something was stored, by whichever hand. */
  readonly changed$ = this.changed.asObservable();

  /** To be called after anything was stored. */
  refresh(): void {
    this.changed.next();
    this.load();
  }

  /** Asks what can be taken back. */
  load(): void {
    this.http.get<CommandList>('/api/undo').subscribe({
      next: (commands) => this.commands.next(commands),
      error: () => this.commands.next(NOTHING),
    });
  }

  /** What a question is answered now, and again after every change; it stays as it was while there is no answer. */
  afterEveryChange<T>(ask: () => Observable<T>): Observable<T> {
    return this.changed$.pipe(
      startWith(undefined),
      switchMap(() => ask().pipe(catchError(() => EMPTY))),
    );
  }

  undo(): Observable<CommandSummary> {
    return this.turn('undo', this.commands.value.undo[0]);
  }

  redo(): Observable<CommandSummary> {
    return this.turn('redo', this.commands.value.redo[0]);
  }

  /** After something outside the stores changed everything, such as opening a file. */
  reloadAll(): void {
    this.refresh();
    this.turned.next();
  }

  private turn(way: 'undo' | 'redo', command: CommandSummary | undefined): Observable<CommandSummary> {
    return this.http
      .post<CommandSummary>(`/api/undo/${way}`, { id: command?.id ?? 1 })
      .pipe(tap({ next: () => this.reloadAll(), error: () => this.reloadAll() }));
  }
}
