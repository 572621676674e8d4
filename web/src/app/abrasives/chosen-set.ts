import { Injectable } from '@angular/core';
import { BehaviorSubject } from 'rxjs';

const KEY = 'mellow-anvil.set';

/** The set one is working from: the whole bench, or one by name; remembered by this browser. */
@Injectable({ providedIn: 'root' })
export class ChosenSet {
  private readonly chosen = new BehaviorSubject<string | undefined>(localStorage.getItem(KEY) ?? undefined);
  readonly set$ = this.chosen.asObservable();

  choose(set: string | undefined): void {
    if (set === undefined) localStorage.removeItem(KEY);
    else localStorage.setItem(KEY, set);
    this.chosen.next(set);
  }
}
