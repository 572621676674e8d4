import { inject, Injectable } from '@angular/core';
import {
  catchError,
  combineLatest,
  distinctUntilChanged,
  filter,
  map,
  of,
  shareReplay,
  startWith,
  switchMap,
  type Observable,
} from 'rxjs';
import type { Abrasive } from '@mellow-anvil/core/abrasive';
import { unlessRefused } from '@mellow-anvil/core/base';
import type { Tool } from '@mellow-anvil/core/blade';
import {
  GRINDING_PUSH_N,
  wheelAtWork,
  type WedgeHeat,
  type WedgeHeatInput,
  type WheelAtWork,
} from '@mellow-anvil/core/grinding';
import {
  type BackHollow,
  type GrindingStep,
  hollowHeat,
  hollowInPasses,
  inPasses,
  passHeat,
  type RunGrinding,
} from '@mellow-anvil/core/plan';
import { HeavyWork } from '../platform/heavy-work';
import { AbrasivesStore } from './abrasives.store';
import { Desk } from './desk';

/** The grinding a plan begins with, and the passes it falls into. */
export interface AtWheel {
  readonly wheel: Abrasive;
  readonly grinding: GrindingStep;
  readonly work: WheelAtWork;
  /** What is taken to the bench of it; its passes once the heat model has answered. */
  readonly run: RunGrinding;
}

type Question = Omit<AtWheel, 'run'> & { readonly heat?: WedgeHeatInput };

/** The wheel's part of the plan at hand, in passes no longer than the heat allows: for its page and for the bench. */
@Injectable({ providedIn: 'root' })
export class WheelPasses {
  private readonly heavy = inject(HeavyWork);
  private readonly desk = inject(Desk);

  private readonly at$ = combineLatest([this.desk.tool$, this.desk.answer$, inject(AbrasivesStore).inOrder$]);

  readonly atWheel$: Observable<AtWheel | undefined> = this.at$.pipe(
    map(([tool, answer, stones]) => {
      const grinding = answer?.plan?.grinding;
      const wheel = stones.find(({ id }) => id === grinding?.wheelId);
      return tool && grinding && wheel ? questionOf(tool, grinding, wheel) : undefined;
    }),
    distinctUntilChanged((one, other) => JSON.stringify(one) === JSON.stringify(other)),
    switchMap((question) => (question ? this.answer(question) : of(undefined))),
    shareReplay({ bufferSize: 1, refCount: true }),
  );

  /** The hollow of an old back, as it is taken to the bench. */
  readonly hollow$: Observable<BackHollow | undefined> = this.at$.pipe(
    map(([tool, answer, stones]) => {
      const hollowing = answer?.plan?.hollowing;
      const wheel = stones.find(({ id }) => id === hollowing?.wheelId);
      const work = wheel && unlessRefused(() => wheelAtWork(wheel, GRINDING_PUSH_N));
      if (!hollowing || !work || tool?.edge.form !== 'single-bevel') return undefined;
      return { hollowing, work, heat: hollowHeat(tool.edge, tool.steel, hollowing, work) };
    }),
    distinctUntilChanged((one, other) => JSON.stringify(one) === JSON.stringify(other)),
    switchMap((question) => {
      if (!question) return of(undefined);
      const { hollowing, work, heat } = question;
      return this.heated(heat, (value) => hollowInPasses(hollowing, work, value), undefined);
    }),
    shareReplay({ bufferSize: 1, refCount: true }),
  );

  private answer({ heat, ...question }: Question): Observable<AtWheel> {
    const { grinding, work } = question;
    const { wheelId, stopShortMm } = grinding;
    return this.heated(heat, (value) => ({ ...question, run: inPasses(grinding, work, value) }), {
      ...question,
      run: { wheelId, stopShortMm },
    });
  }

  /** What the heat allows, once its model has answered; until then, and where it cannot, what stands without. */
  private heated<T>(
    heat: WedgeHeatInput | undefined,
    withHeat: (value?: Pick<WedgeHeat, 'passS' | 'dipS'>) => T,
    unanswered: T,
  ): Observable<T> {
    if (!heat) return of(withHeat());
    return this.heavy.run('wedgeHeat', heat).pipe(
      filter((news) => 'value' in news),
      map(({ value }) => withHeat(value)),
      startWith(unanswered),
      catchError(() => of(unanswered)),
    );
  }
}

function questionOf(
  { edge, steel }: Pick<Tool, 'edge' | 'steel'>,
  grinding: GrindingStep,
  wheel: Abrasive,
): Question | undefined {
  const work = unlessRefused(() => wheelAtWork(wheel, grinding.pushN));
  if (!work || edge.form !== 'single-bevel') return undefined;
  const heat = passHeat(edge, steel, grinding, work);
  return { wheel, grinding, work, ...(heat && { heat }) };
}
