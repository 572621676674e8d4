import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import { Subject, catchError, merge, of, shareReplay, startWith, switchMap, type Observable } from 'rxjs';
import type { RunSummary } from '@mellow-anvil/contract';
import type { RunPlan } from '@mellow-anvil/core/run';
import { Undo } from '../platform/undo.store';
import { BenchRun } from './bench-run';
import { RunShelf } from '../platform/run-shelf';

/** The runs at the bench. */
@Injectable({ providedIn: 'root' })
export class RunsStore {
  private readonly http = inject(HttpClient);
  private readonly shelf = inject(RunShelf);
  private readonly undo = inject(Undo);
  private readonly runs = new Map<string, BenchRun>();
  private readonly moved = new Subject<void>();

  /** Runs begun and not ended. */
  readonly open$: Observable<readonly RunSummary[]> = merge(this.undo.changed$, this.moved).pipe(
    startWith(undefined),
    switchMap(() => this.http.get<readonly RunSummary[]>('/api/runs').pipe(catchError(() => of([])))),
    shareReplay({ bufferSize: 1, refCount: true }),
  );

  constructor() {
    // What a page that was closed had not delivered goes out now.
    void this.shelf.runIds().then((ids) => ids.forEach((id) => void this.run(id).load()));
  }

  run(id: string): BenchRun {
    let run = this.runs.get(id);
    if (!run) {
      run = new BenchRun(id, this.http, this.shelf);
      run.ended$.subscribe(() => this.undo.refresh());
      this.runs.set(id, run);
    }
    return run;
  }

  /** Begins a run and returns its id. */
  begin(plan: RunPlan): string {
    const id = crypto.randomUUID();
    this.run(id).begin(plan);
    return id;
  }

  /** Looks again which runs are open. */
  look(): void {
    this.moved.next();
  }
}
