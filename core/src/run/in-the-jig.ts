import { purposeOf } from '../plan/bench-step.js';
import { visitAt, visitsOf } from '../plan/counting.js';
import { changeTo, type Change } from '../plan/rota.js';
import type { Run, RunStep } from './run-state.js';

/** The rounds of a step, and again those of what was wanted beyond the plan. */
function visitsIn({ planned, target, rounds }: RunStep): ReturnType<typeof visitsOf> {
  return [planned, target - planned].flatMap((strokes) =>
    strokes > 0 ? visitsOf('through', strokes, { rounds }) : [],
  );
}

/** What each knife of a set has had of a step, the first of them first; nothing of a step that has no rounds. */
export function knivesMade(step: RunStep): readonly number[] {
  if (!step.rounds) return [];
  const tally = Array.from({ length: Math.max(...step.rounds.flat()) }, () => 0);
  let left = step.strokes;
  for (const { knives = [], strokes } of visitsIn(step)) {
    const here = Math.min(left, strokes);
    for (const knife of knives) tally[knife - 1] = (tally[knife - 1] ?? 0) + here;
    left -= here;
  }
  return tally;
}

/** What each knife is still owed of a step. */
export function knivesOwed(step: RunStep): readonly number[] {
  const made = knivesMade(step);
  const all = knivesMade({ ...step, strokes: step.target });
  return all.map((each, i) => each - (made[i] ?? 0));
}

/** The knives at work, and how many strokes of this round are left. */
interface Round {
  readonly knives: readonly number[];
  readonly index: number;
  readonly left: number;
  /** At its first stroke: which come out of the jig and which go in; neither where a knife is only laid down. */
  readonly change?: Change;
}

/** The round a step of a set is in; nothing once its strokes are made. */
export function roundAt(run: Run, index: number): Round | undefined {
  const step = run.steps[index];
  if (!step?.rounds || step.strokes >= step.target) return undefined;
  const visits = visitsIn(step);
  const visit = visitAt(visits, step.strokes);
  if (!visit?.knives) return undefined;
  const { knives, left } = visit;
  const round = { knives, index: visit.index, left };
  if (left < (visits[visit.index]?.strokes ?? 0)) return round;
  const before = visits[visit.index - 1]?.knives ?? lastIn(run, index);
  return {
    ...round,
    change: changeTo(knives, before),
  };
}

/** The knives that the last step of the same kind left in the jig. */
function lastIn(run: Run, index: number): readonly number[] {
  const here = run.plan.steps[index];
  const before = run.plan.steps.slice(0, index).findLast(({ rounds }) => rounds);
  return here && before && purposeOf(before) === purposeOf(here) ? (before.rounds?.at(-1) ?? []) : [];
}
