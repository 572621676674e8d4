import { TIP_RADIUS_UM, depthOfMm, faultMm, type Condition } from '../blade/dulling.js';
import type { Edge } from '../blade/edge.js';
import { STOP_SHORT_MM } from '../grinding/grinding-work.js';
import { sinDeg } from '../base/trig.js';
import { facetsNow, withTip, type EdgeAtWork, type TipsFound } from './edge-at-work.js';
import { primaryShaping } from './primary-shaping.js';
import { sidesOf } from './sides.js';
import { recessionForTipMm } from './tip.js';
import { mayBeUnsharpened, withoutEdge } from './unsharpened.js';

/** Marks a maker, or nobody knows who, left on every face of an edge, µm (estimates, replaced by what is seen). */
export const FOUND_MARKS_UM: Partial<Record<Condition['kind'], number>> = { new: 6, unknown: 12 };

/** Words for a tip that use has rounded. */
const SAID_OF_USE: ReadonlySet<Condition['kind']> = new Set(['dull', 'very-dull', 'nicked']);

/** What a tool’s own burrs have shown of its tips, where a condition only says so in a word. */
export const tipsFor = (
  { kind, tipRadiusUm }: Condition,
  tips: TipsFound | undefined,
): TipsFound | undefined => (SAID_OF_USE.has(kind) && tipRadiusUm === undefined ? tips : undefined);

/** A condition said in a word, its tip as round as this tool’s own burrs have shown it. */
export function asRound(condition: Condition, found: TipsFound | undefined): Condition {
  const tips = tipsFor(condition, found);
  return tips ? { ...condition, tipRadiusUm: TIP_RADIUS_UM[condition.kind] * tips.times } : condition;
}

/** An edge as somebody found it before honing. */
export function asFound(edge: Edge, work: EdgeAtWork, condition: Condition | undefined): EdgeAtWork {
  if (!condition) return work;
  const steepMm2 = steepPrimaryMm2(edge, condition);
  const blankMm = faultMm(condition, 'unsharpened');
  const begun = blankMm > 0 && mayBeUnsharpened(edge) ? withoutEdge(edge, work, blankMm) : work;
  const tipped = withTip(
    { ...begun, nickMm: depthOfMm(condition), ...(steepMm2 > 0 && { steepMm2 }) },
    condition.tipRadiusUm ?? TIP_RADIUS_UM[condition.kind],
  );
  const found = FOUND_MARKS_UM[condition.kind];
  if (found === undefined) return tipped;
  const facets = [...facetsNow(edge, work).map(({ facet }) => facet), 'back' as const];
  return { ...tipped, marksUm: Object.fromEntries(facets.map((facet) => [facet, found])) };
}

/** Most of a bevel is shaped even where what should be left standing would be more. */
const LEAST_SHAPED = 0.5;

/** What has to come off a primary found too steep before it has its angle, a land left where one is honed, mm². */
function steepPrimaryMm2(edge: Edge, { faults = [] }: Condition): number {
  const foundDeg = faults.find(({ kind }) => kind === 'wrong-angle')?.foundDeg;
  if (edge.form !== 'single-bevel' || foundDeg === undefined || foundDeg <= edge.primaryDeg) return 0;
  const { thicknessMm, primaryDeg, secondaryDeg } = edge;
  const longest = ((1 - LEAST_SHAPED) * thicknessMm) / sinDeg(foundDeg);
  const landLeftMm = secondaryDeg === undefined ? 0 : Math.min(STOP_SHORT_MM, longest);
  return primaryShaping({ thicknessMm, foundDeg, wantedDeg: primaryDeg, landLeftMm }).steelMm2;
}

/** How far an edge has to go back for what was wrong with it, mm: the nick, then the tip. */
export function clearingMm(edge: Edge, condition: Condition | undefined): number {
  if (!condition) return 0;
  const { includedDeg, other } = sidesOf(edge);
  const tipUm = condition.tipRadiusUm ?? TIP_RADIUS_UM[condition.kind];
  return recessionForTipMm(tipUm, includedDeg, other ? 2 : 1) + depthOfMm(condition);
}
