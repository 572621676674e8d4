import { Injectable } from '@angular/core';
import { BehaviorSubject, map, timer, combineLatest } from 'rxjs';

const KEY = 'mellow-anvil.carving';

/** A spell of carving under way: with which tool, since when, and how often it is to be stropped. */
export interface Carving {
  readonly toolId: string;
  /** Epoch milliseconds. */
  readonly since: number;
  readonly everyMin: number;
}

/** The carving timer: it goes by the clock, so that it outlives a reload and a tablet asleep. */
@Injectable({ providedIn: 'root' })
export class StropTimer {
  private readonly state = new BehaviorSubject<Carving | undefined>(kept());
  readonly carving$ = this.state.asObservable();
  /** Minutes cut since it began, told every second. */
  readonly minutes$ = combineLatest([this.state, timer(0, 1000)]).pipe(
    map(([carving]) => (carving ? (Date.now() - carving.since) / 60_000 : undefined)),
  );

  begin(toolId: string, everyMin: number): void {
    this.keep({ toolId, everyMin, since: Date.now() });
  }

  every(everyMin: number): void {
    const carving = this.state.value;
    if (carving) this.keep({ ...carving, everyMin });
  }

  end(): void {
    localStorage.removeItem(KEY);
    this.state.next(undefined);
  }

  private keep(carving: Carving): void {
    localStorage.setItem(KEY, JSON.stringify(carving));
    this.state.next(carving);
  }
}

function kept(): Carving | undefined {
  try {
    const found = JSON.parse(localStorage.getItem(KEY) ?? 'null') as Carving | null;
    return found && Number.isFinite(found.since) && found.everyMin > 0 ? found : undefined;
  } catch {
    return undefined;
  }
}
