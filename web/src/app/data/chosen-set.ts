import { Injectable, inject } from '@angular/core';
import { BehaviorSubject, map } from 'rxjs';
import { AbrasivesStore } from './abrasives.store';

const KEY = 'mellow-anvil.set';

/** The set one is working from: the whole bench, or one by name; remembered by this browser. */
@Injectable({ providedIn: 'root' })
export class ChosenSet {
  private readonly chosen = new BehaviorSubject<string | undefined>(localStorage.getItem(KEY) ?? undefined);
  readonly set$ = this.chosen.asObservable();
  /** The whole bench and every set by name, to choose from. */
  readonly options$ = inject(AbrasivesStore).sets$.pipe(
    map((names) => [
      { value: '', label: 'The whole bench' },
      ...names.map((name) => ({ value: name, label: name })),
    ]),
  );

  choose(set: string | undefined): void {
    if (set === undefined) localStorage.removeItem(KEY);
    else localStorage.setItem(KEY, set);
    this.chosen.next(set);
  }
}
