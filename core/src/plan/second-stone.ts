import { kindFacts, servesShape, type Abrasive, type OwnedAbrasive } from '../abrasive/abrasive.js';
import { grit } from '../abrasive/grit.js';
import { abrasiveByLook, feelsOf, LOOKED_AT } from '../abrasive/looks.js';
import { unlessRefused } from '../base/refusal.js';
import { shapeOfEdge } from '../blade/edge.js';
import { familyFacts } from '../blade/families.js';
import type { ToolAtWork } from '../work/edge-at-work.js';
import { planOf } from './compose.js';
import { defaultRequest } from './default-request.js';
import type { PlanRequest } from './plan-request.js';

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
  const { finishUm, finestUm = 0 } = familyFacts(tool.family);
  const hones = (stone: Abrasive): boolean =>
    servesShape(stone, shapeOfEdge(tool.edge)) &&
    !kindFacts(stone.kind).strop &&
    grit(stone.grade).sizeUm >= finestUm;
  const [only, ...others] = bench.filter(hones);
  if (!only || others.length > 0) return undefined;
  const ownUm = grit(only.grade).sizeUm;
  const known = LOOKED_AT.flatMap((kind) => feelsOf(kind).map((feel) => abrasiveByLook(kind, feel))).filter(
    hones,
  );
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

/** How far a stone is from a finish, as a ratio’s logarithm. */
const near = ({ grade }: Abrasive, finishUm: number): number =>
  Math.abs(Math.log(grit(grade).sizeUm / finishUm));
