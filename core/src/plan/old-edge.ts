import type { OwnedAbrasive } from '../abrasive/abrasive.js';
import type { StonesRecord } from '../abrasive/at-work.js';
import { isWheel } from '../abrasive/wheel.js';
import { FOUR_IN_FIVE_SD } from '../base/normal.js';
import { insist, unlessRefused } from '../base/refusal.js';
import { backStrategy } from '../blade/back-strategy.js';
import type { Condition } from '../blade/dulling.js';
import type { SingleBevelEdge } from '../blade/edge.js';
import { type Family, familyFacts } from '../blade/families.js';
import type { Steel, Tool } from '../blade/tool.js';
import { usualEdge } from '../blade/usual-tool.js';
import { wheelAtWork, GRINDING_PUSH_N, STOP_SHORT_MM } from '../grinding/grinding-work.js';
import { hollowedBack } from '../grinding/hollowed-back.js';
import { planOf } from './compose.js';
import { defaultRequest } from './default-request.js';
import { backFlattened, backHollowed } from './hollowing.js';
import type { HoningPlan } from './honing-plan.js';
import type { PlanRequest } from './plan-request.js';

export const OLD_HANDLES = ['sound', 'loose', 'broken'] as const;
export const OLD_BLADES = ['whole', 'hammered', 'bent'] as const;
export const OLD_RUSTS = ['none', 'skin', 'scale'] as const;
export const OLD_LINES = ['straight', 'swept', 'two-planes'] as const;

/** An old edge as eyes, a thumb and a pocket rule find it, before money. */
export interface OldEdge {
  readonly family: Family;
  readonly steel: Steel;
  readonly handles: (typeof OLD_HANDLES)[number];
  /** Struck on its far side with a hammer, or bent or cracked. */
  readonly blade: (typeof OLD_BLADES)[number];
  readonly rust: (typeof OLD_RUSTS)[number];
  /** Its edge seen from above and from the end. */
  readonly line: (typeof OLD_LINES)[number];
  readonly edgeMm: number;
  readonly thicknessMm: number;
  /** The flat back, from the edge to its far side. */
  readonly backMm: number;
  /** Steel behind the edge that may be ground away before what was hardened ends. */
  readonly hardMm: number;
  /** How far back the deepest nick or hollow of the edge reaches. */
  readonly nickMm: number;
  /** The deepest pit anywhere on the back, and within a few millimetres of the edge. */
  readonly pitsMm: number;
  readonly rimPitsMm: number;
}

export const OLD_VERDICTS = ['user', 'project', 'leave'] as const;
export type OldVerdict = (typeof OLD_VERDICTS)[number];

/** Why it is what it is said to be. */
export type OldReason =
  | 'hammered'
  | 'bent'
  | 'steel-gone'
  | 'too-long'
  | 'no-plan'
  | 'broken-handles'
  | 'loose-handles'
  | 'scale'
  | 'swept'
  | 'two-planes'
  | 'short'
  | 'long';

/** One part of making it a user, min. */
interface OldWork {
  readonly what: 'rust' | 'handles' | 'hollow' | 'back' | 'nick' | 'edge';
  readonly minutes: number;
}

/** What an old edge comes to on one’s own stones and wheel. */
export interface OldEdgeFound {
  readonly verdict: OldVerdict;
  readonly reasons: readonly OldReason[];
  readonly work: readonly OldWork[];
  readonly minutes: number;
  readonly lowMin: number;
  readonly highMin: number;
  /** How far the edge goes back, and how much of the hard steel is left then, mm. */
  readonly recessionMm: number;
  readonly leftMm: number;
  /** Years of edge left, in four of five cases. */
  readonly years: { readonly low: number; readonly high: number };
  /** The tool as it would hang on the rack, and what its plan would be asked; nothing where no plan can be made. */
  readonly taken?: { readonly tool: Tool; readonly request: PlanRequest };
}

/** Beside the stones, min (estimates). */
const RUST_MIN = { none: 0, skin: 10, scale: 40 } as const;
const HANDLES_MIN = { sound: 0, loose: 20, broken: 120 } as const;
/** More than so much of it is left to those who like a long winter, min; less is a user (estimates). */
const MOST_MIN = 480;
const USER_MIN = 60;
/** Less hard steel than this is none, mm (estimate). */
const LEAST_LEFT_MM = 2;
/** Drawknives most people get on with, 6 to 8 inches of edge (common practice, no source). */
const SUITS_MM = { least: 150, most: 205 } as const;
/** Flat at the edge and at the far side, behind which an old back is hollowed, mm (estimates). */
const RIM_MM = { edge: 3, far: 3, registering: 10 } as const;
/** No hollow is deeper than this share of the blade (estimate). */
const DEEPEST_SHARE = 0.1;
/** A pit that is felt and seen by eye, mm: less is the unevenness of any old back (estimate). */
const LEAST_PIT_MM = 0.02;

/**
 * An old edge before money: left alone, a user as it is, or a project of so many minutes and so much steel. The minutes
 * are those of the plan that would be walked, on the stones and the wheel at hand: its back hollowed or flattened whole,
 * whichever is sooner, its nicks ground or honed out, its first edge; what is done with neither is estimated beside.
 * Years are the hard steel left over what the honings of a year take.
 * @param honingsPerYear how often such an edge is honed here
 * @throws Refusal for families without a flat back, and for pits or steel that cannot be
 */
export function oldEdge(
  old: OldEdge,
  bench: readonly OwnedAbrasive[],
  honingsPerYear: number,
  record: StonesRecord = {},
): OldEdgeFound {
  insist(
    familyFacts(old.family).form === 'single-bevel',
    'family',
    'Only edges with a flat back are looked over so.',
  );
  insist(
    old.rimPitsMm <= old.pitsMm,
    'rimPitsMm',
    'The deepest pit is at least as deep as the deepest at the edge.',
  );
  insist(honingsPerYear > 0, 'honingsPerYear', 'Say how often such an edge is honed in a year.');
  const [soonest] = waysFor(old, bench, record).sort((a, b) => a.plan.totalMin - b.plan.totalMin);
  const around = RUST_MIN[old.rust] + HANDLES_MIN[old.handles];
  if (!soonest) {
    const years = { low: 0, high: 0 };
    const reasons = [...asFound(old), 'no-plan' as const];
    const nothing = { minutes: around, lowMin: around, highMin: around, recessionMm: 0, leftMm: old.hardMm };
    return { verdict: 'leave', reasons, work: beside(old), ...nothing, years };
  }
  const { plan, tool, request } = soonest;
  // What the wheel sets it back by, and what the stones do.
  const recessionMm = plan.job.recessionMm + (plan.grinding?.backMm ?? 0);
  const leftMm = Math.max(0, old.hardMm - recessionMm);
  const minutes = plan.totalMin + around;
  const reasons = [
    ...asFound(old),
    ...(leftMm < LEAST_LEFT_MM ? ['steel-gone' as const] : []),
    ...(minutes > MOST_MIN ? ['too-long' as const] : []),
  ];
  return {
    verdict: verdictOn(reasons, minutes),
    reasons,
    work: [...beside(old), ...atBench(plan)],
    minutes,
    lowMin: around + (plan.lowMin ?? plan.totalMin),
    highMin: around + (plan.highMin ?? plan.totalMin),
    recessionMm,
    leftMm,
    years: yearsOf(leftMm, yearlyMm(tool, bench, record) * honingsPerYear),
    taken: { tool, request },
  };
}

const LEFT_FOR: readonly OldReason[] = ['hammered', 'bent', 'steel-gone', 'too-long', 'no-plan'];

function verdictOn(reasons: readonly OldReason[], minutes: number): OldVerdict {
  if (reasons.some((reason) => LEFT_FOR.includes(reason))) return 'leave';
  return minutes <= USER_MIN ? 'user' : 'project';
}

/** What is told of it as it lies there, whatever it takes. */
function asFound({ family, handles, blade, rust, line, edgeMm }: OldEdge): readonly OldReason[] {
  const drawn = family === 'drawknife';
  return [
    ...(blade === 'whole' ? [] : [blade]),
    ...(handles === 'sound' ? [] : [`${handles}-handles` as const]),
    ...(rust === 'scale' ? ['scale' as const] : []),
    ...(line === 'straight' ? [] : [line]),
    ...(drawn && edgeMm < SUITS_MM.least ? ['short' as const] : []),
    ...(drawn && edgeMm > SUITS_MM.most ? ['long' as const] : []),
  ];
}

const beside = ({ rust, handles }: OldEdge): readonly OldWork[] =>
  [
    { what: 'rust' as const, minutes: RUST_MIN[rust] },
    { what: 'handles' as const, minutes: HANDLES_MIN[handles] },
  ].filter(({ minutes }) => minutes > 0);

function atBench({ hollowing, grinding, back = [], totalMin }: HoningPlan): readonly OldWork[] {
  const backMin = back.reduce((sum, { minutes, prepares }) => sum + (prepares ? minutes : 0), 0);
  const parts = [
    { what: 'hollow' as const, minutes: hollowing?.minutes ?? 0 },
    { what: 'back' as const, minutes: backMin },
    { what: 'nick' as const, minutes: grinding?.minutes ?? 0 },
  ];
  const edge = totalMin - parts.reduce((sum, { minutes }) => sum + minutes, 0);
  return [...parts, { what: 'edge' as const, minutes: edge }].filter(({ minutes }) => minutes > 0);
}

interface Way {
  readonly tool: Tool;
  readonly request: PlanRequest;
  readonly plan: HoningPlan;
}

/** Its plans: the back hollowed on each wheel, or flattened whole; the edge on each wheel, or on stones alone. */
function waysFor(old: OldEdge, bench: readonly OwnedAbrasive[], record: StonesRecord): Way[] {
  const condition: Condition =
    old.nickMm > 0 ? { kind: 'nicked', nickMm: old.nickMm } : { kind: 'very-dull' };
  const wheels = bench.filter(isWheel);
  const backs =
    old.pitsMm < LEAST_PIT_MM
      ? [rimAlone(old)]
      : [...overShim(old), wholeBack(old), ...wheels.flatMap((wheel) => hollowedOn(old, wheel) ?? [])];
  const grinds = [
    undefined,
    ...(old.nickMm > 0
      ? wheels.map(({ id }) => ({ wheelId: id, stopShortMm: STOP_SHORT_MM, pushN: GRINDING_PUSH_N }))
      : []),
  ];
  return backs.flatMap(({ tool, oldBack }) =>
    grinds.flatMap((grind) => {
      const way = unlessRefused(() => {
        const asked = { condition, grind, stropOnly: false, ...(oldBack && { oldBack }) };
        const ground = grind ? groundOn(tool, wheels, grind.wheelId) : tool;
        const request = defaultRequest({ tool: ground, bench, stones: record }, asked);
        return { tool: ground, request, plan: planOf(ground, bench, request, record) };
      });
      return way ? [way] : [];
    }),
  );
}

/** A bevel ground on a wheel is hollow by its radius from then on. */
function groundOn(tool: Tool, wheels: readonly OwnedAbrasive[], wheelId: string): Tool {
  const wheel = wheels.find(({ id }) => id === wheelId);
  const { radiusMm: grindRadiusMm } = wheelAtWork(wheel, GRINDING_PUSH_N);
  const edge = { ...(tool.edge as SingleBevelEdge), grind: 'hollow' as const, grindRadiusMm };
  return { ...tool, edge };
}

interface Backed {
  readonly tool: Tool;
  readonly oldBack?: PlanRequest['oldBack'];
}

/** A plane iron’s back is bevelled over a shim, whatever lies behind. */
function overShim(old: OldEdge): readonly Backed[] {
  const advised = backStrategy(old.family).some(({ back, advised }) => back === 'shim' && advised);
  return advised ? [{ tool: toolOf(old, { back: 'shim' }), oldBack: { pitsMm: old.rimPitsMm } }] : [];
}

/** A back without a pit is only polished behind its edge. */
function rimAlone(old: OldEdge): Backed {
  return {
    tool: toolOf(old, { back: 'rim', polishedMm: RIM_MM.edge }),
    oldBack: { pitsMm: old.pitsMm },
  };
}

function wholeBack(old: OldEdge): Backed {
  const { backMm, pitsMm } = old;
  return { tool: toolOf(old, backFlattened({ backMm })), oldBack: { pitsMm } };
}

/** Its back hollowed on a wheel, in as few hollows as are not too deep; nothing where none would fit. */
function hollowedOn(old: OldEdge, wheel: OwnedAbrasive): Backed | undefined {
  const { backMm, thicknessMm, rimPitsMm, family } = old;
  const edgeRimMm = familyFacts(family).backRegisters ? RIM_MM.registering : RIM_MM.edge;
  const { radiusMm: wheelRadiusMm } = wheelAtWork(wheel, GRINDING_PUSH_N);
  for (let passes = 1; passes <= backMm; passes++) {
    const input = { wheelRadiusMm, backMm, edgeRimMm, farRimMm: RIM_MM.far, passes };
    const hollow = unlessRefused(() => hollowedBack(input));
    if (!hollow || hollow.depthMm > DEEPEST_SHARE * thicknessMm) continue;
    return {
      tool: toolOf(old, backHollowed({ backMm, edgeRimMm, farRimMm: RIM_MM.far, passes }, hollow.depthMm)),
      oldBack: { pitsMm: rimPitsMm, wheelId: wheel.id },
    };
  }
  return undefined;
}

function toolOf({ family, steel, edgeMm, thicknessMm }: OldEdge, back: Partial<SingleBevelEdge>): Tool {
  const edge = { ...(usualEdge(family) as SingleBevelEdge), widthMm: edgeMm, thicknessMm, ...back };
  return { name: `Old ${familyFacts(family).label.toLowerCase()}`, family, steel, edge };
}

/** How far back one ordinary honing sends it, mm. */
function yearlyMm(tool: Tool, bench: readonly OwnedAbrasive[], record: StonesRecord): number {
  const asked = { condition: { kind: 'dull' } as const, stropOnly: false };
  const plan = unlessRefused(() =>
    planOf(tool, bench, defaultRequest({ tool, bench, stones: record }, asked), record),
  );
  return plan?.job.recessionMm ?? 0;
}

/** How sure a year of steel is, in ln: how dull it is let get, and how often it is honed (estimate). */
const YEAR_SD = 0.5;

/** Years of steel, in four of five cases. */
function yearsOf(leftMm: number, yearMm: number): { readonly low: number; readonly high: number } {
  if (yearMm <= 0) return { low: 0, high: 0 };
  const times = Math.exp(FOUR_IN_FIVE_SD * YEAR_SD);
  return { low: leftMm / yearMm / times, high: (leftMm / yearMm) * times };
}
