import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import { combineLatest, map, shareReplay, tap, type Observable } from 'rxjs';
import type { Beginning, Begun } from '@mellow-anvil/contract';
import { isWheel, kindFacts } from '@mellow-anvil/core/abrasive';
import { Undo } from '../platform/undo.store';
import { AbrasivesStore } from './abrasives.store';
import { ToolsStore } from './tools.store';

/** Whether a workshop is still to begin, and beginning it. */
@Injectable({ providedIn: 'root' })
export class FirstRunState {
  private readonly http = inject(HttpClient);
  private readonly undo = inject(Undo);

  /** There is no tool, and nothing to hone one on. */
  readonly unfinished$ = combineLatest([inject(ToolsStore).ready$, inject(AbrasivesStore).ready$]).pipe(
    map(([tools, abrasives]) => {
      const hones = abrasives.some((each) => !isWheel(each) && !kindFacts(each.kind).strop);
      return tools.length === 0 && !hones;
    }),
    shareReplay({ bufferSize: 1, refCount: true }),
  );

  /** Puts all of it in place in one change. */
  begin(beginning: Beginning): Observable<Begun> {
    return this.http.post<Begun>('/api/beginnings', beginning).pipe(tap(() => this.undo.reloadAll()));
  }
}
