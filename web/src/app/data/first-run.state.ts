import { Injectable, inject } from '@angular/core';
import { combineLatest, map, shareReplay } from 'rxjs';
import { servesShape } from '@mellow-anvil/core/abrasive';
import { AbrasivesStore } from './abrasives.store';
import { GuidesStore } from './guides.store';
import { ToolsStore } from './tools.store';

/** Flat abrasives a first plan wants: one to work with and one to finish on. */
export const STONES_WANTED = 2;

/** How far a new workshop has come towards its first plan. */
@Injectable({ providedIn: 'root' })
export class FirstRunState {
  readonly steps$ = combineLatest([
    inject(ToolsStore).ready$,
    inject(GuidesStore).ready$,
    inject(AbrasivesStore).ready$,
  ]).pipe(
    map(([tools, guides, abrasives]) => ({
      tool: tools[0],
      guide: guides[0],
      stones: abrasives.filter((stone) => servesShape(stone, 'straight')),
    })),
    shareReplay({ bufferSize: 1, refCount: true }),
  );

  readonly unfinished$ = this.steps$.pipe(
    map(({ tool, guide, stones }) => !tool || !guide || stones.length < STONES_WANTED),
  );
}
