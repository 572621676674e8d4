import { kindFacts, servesShape, type Abrasive, type OwnedAbrasive } from '../abrasive/abrasive.js';
import { grit } from '../abrasive/grit.js';
import { abrasiveByLook, feelsOf, LOOKED_AT } from '../abrasive/looks.js';
import { unlessRefused } from '../base/refusal.js';
import { shapeOfEdge } from '../blade/edge.js';
import { familyFacts } from '../blade/families.js';
import type { ToolAtWork } from '../work/edge-at-work.js';
import { planOf } from './compose.js';
import { defaultRequest } from './default-request.js';
import type { HoningPlan } from './honing-plan.js';
import { PLAN_DEFAULTS, type PlanRequest } from './plan-request.js';
import { planHoning } from './ways-out.js';

/** What one more stone would change, beside the stones that are there. */
export interface SecondStone {
  readonly stone: Abrasive;
  /** A finer edge than these reach, or a nick ground out sooner. */
  readonly for: 'finish' | 'nick';
  /** The finest grain that touches the edge, µm, without it and with it. */
  readonly finishUm: readonly [without: number, with_: number];
  /** Minutes of that work without it and with it. */
  readonly minutes: readonly [without: number, with_: number];
}

/** A nick that a bench meets now and then, mm, to tell what a coarse stone is worth (estimate). */
const A_NICK_MM = 0.2;
/** One that is still to be honed out on the one stone there is, mm (estimate). */
const A_SMALL_NICK_MM = 0.1;
/** Another stone is worth telling of once it is so many times finer, or saves so many minutes (estimates). */
const WORTH_TIMES = 1.6;
const WORTH_MIN = 2;

/**
 * What a second stone would add to a bench of one: a finer edge where the family asks for one, else the minutes a
 * coarse one saves on a nick. Nothing where there are more stones already, none that hones this edge, or another
 * would change little. The stones it thinks of are those told by their looks, so sizes are estimates.
 * @example
 * secondStone(usualTool('bench-chisel'), [waterStone1000])?.finishUm; // [11.5, 1.84]
 */
export function secondStone(tool: ToolAtWork, bench: readonly OwnedAbrasive[]): SecondStone | undefined {
  const { finishUm } = familyFacts(tool.family);
  const [only, ...others] = bench.filter((stone) => hones(tool, stone));
  if (!only || others.length > 0) return undefined;
  const ownUm = grit(only.grade).sizeUm;
  const known = knownFor(tool);
  // One of the same kind first: it is wetted and kept alike.
  const alike = (a: Abrasive, b: Abrasive): number =>
    Number(b.kind === only.kind) - Number(a.kind === only.kind);
  const minutes = (stones: readonly OwnedAbrasive[], asked: Partial<PlanRequest>): number =>
    unlessRefused(
      () =>
        planOf(tool, stones, defaultRequest({ tool, bench: stones }, { ...asked, stropOnly: false }))
          .totalMin,
    ) ?? Infinity;
  const beside = (stone: Abrasive): readonly OwnedAbrasive[] => [
    ...bench,
    { ...stone, id: 'second', name: 'Second' },
  ];

  const finer = known
    .filter(({ grade }) => grit(grade).sizeUm * WORTH_TIMES <= ownUm)
    .sort((a, b) => alike(a, b) || near(a, finishUm) - near(b, finishUm))[0];
  if (finer && ownUm >= finishUm * WORTH_TIMES) {
    const reachedUm = grit(finer.grade).sizeUm;
    const dull = { condition: { kind: 'dull' } } as const;
    const [alone, both] = [minutes(bench, dull), minutes(beside(finer), { ...dull, finishUm: reachedUm })];
    if (Number.isFinite(both))
      return { stone: finer, for: 'finish', finishUm: [ownUm, reachedUm], minutes: [alone, both] };
  }
  const nicked = { condition: { kind: 'nicked', nickMm: A_NICK_MM }, grind: undefined } as const;
  const alone = minutes(bench, nicked);
  const [coarser] = known
    .filter(({ grade }) => grit(grade).sizeUm >= ownUm * WORTH_TIMES)
    .map((stone) => ({ stone, both: minutes(beside(stone), nicked) }))
    .filter(({ both }) => alone - both >= WORTH_MIN)
    .sort((a, b) => alike(a.stone, b.stone) || a.both - b.both);
  return (
    coarser && { stone: coarser.stone, for: 'nick', finishUm: [ownUm, ownUm], minutes: [alone, coarser.both] }
  );
}

/** Whether a stone hones a tool, and no finer than its kind may be. */
function hones({ family, edge }: ToolAtWork, { kind, serves, grade }: Abrasive): boolean {
  const { finestUm = 0 } = familyFacts(family);
  return (
    servesShape({ kind, ...(serves && { serves }) }, shapeOfEdge(edge)) &&
    !kindFacts(kind).strop &&
    grit(grade).sizeUm >= finestUm
  );
}

/** The stones told by their looks that hone a tool. */
const knownFor = (tool: ToolAtWork): readonly Abrasive[] =>
  LOOKED_AT.flatMap((kind) => feelsOf(kind).map((feel) => abrasiveByLook(kind, feel))).filter((stone) =>
    hones(tool, stone),
  );

/** A stone to begin with, and what an edge takes on it alone. */
export interface OneStone {
  readonly stone: Abrasive;
  readonly strokes: number;
  /** Of a very dull edge, and of one with a nick of a tenth of a millimetre. */
  readonly minutes: readonly [blunt: number, nicked: number];
}

/**
 * The one stone for somebody who has none yet: the finest of those told by their looks on which a very dull edge
 * takes no more strokes than people make on one stone, and a small nick is work for it still; where none is so, the one
 * a nick is soonest gone on.
 * @example oneStone(usualTool('bench-chisel'))?.stone.kind // 'diamond-plate'
 */
export function oneStone(tool: ToolAtWork): OneStone | undefined {
  const tried = knownFor(tool).flatMap((stone) => {
    const bench = [{ ...stone, id: 'one' }];
    const on = (condition: PlanRequest['condition']): HoningPlan | undefined =>
      unlessRefused(() =>
        planHoning(
          tool,
          bench,
          defaultRequest({ tool, bench }, { condition, stropOnly: false, grind: undefined }),
        ),
      );
    const [blunt, nicked] = [on({ kind: 'very-dull' }), on({ kind: 'nicked', nickMm: A_SMALL_NICK_MM })];
    if (!blunt || !nicked) return [];
    const strokes = blunt.steps.reduce((sum, step) => sum + step.strokes, 0);
    const serves = strokes <= PLAN_DEFAULTS.mostStrokes && !nicked.tooMuch;
    return [{ stone, strokes, serves, minutes: [blunt.totalMin, nicked.totalMin] as const }];
  });
  const serving = tried.filter(({ serves }) => serves);
  const sizeUm = ({ stone }: { readonly stone: Abrasive }): number => grit(stone.grade).sizeUm;
  const [best] =
    serving.length > 0
      ? [...serving].sort((a, b) => sizeUm(a) - sizeUm(b) || a.minutes[0] - b.minutes[0])
      : [...tried].sort((a, b) => a.minutes[1] - b.minutes[1]);
  return best && { stone: best.stone, strokes: best.strokes, minutes: best.minutes };
}

/** How far a stone is from a finish, as a ratio’s logarithm. */
const near = ({ grade }: Abrasive, finishUm: number): number =>
  Math.abs(Math.log(grit(grade).sizeUm / finishUm));
