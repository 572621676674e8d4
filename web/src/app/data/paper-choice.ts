import { Injectable } from '@angular/core';
import { BehaviorSubject } from 'rxjs';
import type { Paper } from '@mellow-anvil/contract';

const KEY = 'mellow-anvil.paper';

/** The paper in this desk's printer, remembered by the browser. */
@Injectable({ providedIn: 'root' })
export class PaperChoice {
  private readonly chosen = new BehaviorSubject<Paper>(
    localStorage.getItem(KEY) === 'letter' ? 'letter' : 'a4',
  );
  readonly paper$ = this.chosen.asObservable();

  choose(paper: Paper): void {
    localStorage.setItem(KEY, paper);
    this.chosen.next(paper);
  }
}
