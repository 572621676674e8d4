import { kindFacts, servesShape, standsIn } from '../abrasive/abrasive.js';
import type { StoneAtWork } from '../abrasive/at-work.js';
import type { Tool } from '../blade/tool.js';
import { hasInside, insideMm2 } from '../work/inside.js';
import { cuttingMm } from '../work/pace.js';
import { takenMm3 } from '../work/worked.js';
import { unevenUmOf } from './back-work.js';
import { roundFits } from './fits.js';
import { itemOn } from './left-by-steps.js';
import type { PlanRequest } from './plan-request.js';

/** Strokes of something round in a gouge’s hollow, on the small bevel there. */
export interface InsideStep {
  readonly id: string;
  readonly strokes: number;
  readonly minutes: number;
  readonly forceN: number;
}

/** Once it is there a few light strokes keep it, and take the burr off (common practice, no source). */
const KEPT_STROKES = 10;
/** More strokes than these nobody gives it at one honing (estimate). */
const MOST_STROKES = 120;
/** A slip is held between finger and thumb, N (estimate). */
const SLIP_N = 5;

/** What of a bench goes into a gouge’s hollow and may be used now, the finest first. */
function slipsOf(tool: Tool, atHand: readonly StoneAtWork[], request: PlanRequest): readonly StoneAtWork[] {
  const usable = atHand.filter(
    (stone) =>
      servesShape(stone, 'inside-curve') &&
      !kindFacts(stone.kind).strop &&
      standsIn(stone, request.set) &&
      !request.laidAside.includes(stone.id),
  );
  const fitting = roundFits(tool.edge, usable).filter(({ fit }) => fit !== 'large');
  return fitting.map(({ stone }) => stone).sort((a, b) => a.sizeUm - b.sizeUm);
}

/**
 * The small bevel inside a gouge, honed on the finest thing that goes into its hollow, after the outside: a few strokes
 * keep it; one that is new, or of unknown history, is first made even.
 * @returns the strokes and what they are made on; nothing of an edge without such a bevel, or where nothing goes in
 */
export function insideStep(
  tool: Tool,
  atHand: readonly StoneAtWork[],
  request: PlanRequest,
): { readonly step: InsideStep; readonly stone: StoneAtWork } | undefined {
  const { edge } = tool;
  const [slip] = hasInside(edge) ? slipsOf(tool, atHand, request) : [];
  if (!hasInside(edge) || !slip) return undefined;
  const stone = { ...slip, strokeMm: cuttingMm(slip.strokeMm, request.way ?? 'pull') };
  const perStrokeMm3 = takenMm3({ ...itemOn(tool, { ...stone, forceN: SLIP_N }, request), strokes: 1 });
  const evenMm3 = (insideMm2(edge) * (unevenUmOf(request.condition) ?? 0)) / 1000;
  const strokes = Math.min(MOST_STROKES, Math.max(KEPT_STROKES, Math.ceil(evenMm3 / perStrokeMm3)));
  return {
    step: {
      id: slip.id,
      strokes,
      minutes: strokes / request.strokesPerMin + slip.overheadMin,
      forceN: SLIP_N,
    },
    stone,
  };
}
