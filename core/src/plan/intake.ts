import {
  GRIND_NICK_MM,
  REPAIR_NICK_MM,
  TIP_RADIUS_UM,
  faultMm,
  type Condition,
  type FaultKind,
} from '../blade/dulling.js';
import { includedDeg, type Edge } from '../blade/edge.js';
import { insist } from '../base/refusal.js';
import { cosDeg, sinDeg } from '../base/trig.js';
import { isForeign, PROUD, type Proud } from '../curve/uneven.js';
import type { EdgeAtWork } from '../work/edge-at-work.js';
import { asFound } from '../work/found.js';
import { sidesOf, taperDeg } from '../work/sides.js';
import { recessionForTipMm } from '../work/tip.js';
import { mayBeUnsharpened, unsharpenedWork } from '../work/unsharpened.js';
import { honingJobFrom, sinkMm, startOf, type HoningJob } from './honing-job.js';

/** What is to be done about an edge, from least to most work. */
export const TREATMENTS = ['strop', 'hone', 'regrind', 'repair'] as const;
export type Treatment = (typeof TREATMENTS)[number];

/** One line of the arithmetic: what it is about, and how far it sends the edge back. */
export type IntakeLine =
  | {
      readonly what: 'tip';
      readonly radiusUm: number;
      readonly includedDeg: number;
      readonly recessionMm: number;
      /** The radius is the user's own, not the word's. */
      readonly measured: boolean;
    }
  | { readonly what: 'nick' | 'pits' | 'overheated'; readonly recessionMm: number; readonly counts: boolean }
  | { readonly what: 'out-of-square'; readonly recessionMm: number }
  | { readonly what: 'rounded-over'; readonly overMm: number; readonly sinkMm: number }
  | {
      readonly what: 'wrong-angle';
      readonly foundDeg: number;
      readonly wantedDeg: number;
      readonly mm3: number;
    }
  | { readonly what: 'wide-land' }
  | { readonly what: Proud; readonly aheadMm: number }
  | {
      readonly what: 'unsharpened';
      readonly thickMm: number;
      readonly facetMm: number;
      readonly mm3: number;
    };

/** A condition taken in: its arithmetic, what it comes to, and what is to be done. */
interface Intake {
  readonly lines: readonly IntakeLine[];
  readonly job: HoningJob;
  readonly treatment: Treatment;
  readonly why: string;
}

/** A tip no rounder than this comes back on a strop (estimate). */
const STROP_TIP_UM = 2.5;

/**
 * What a condition asks for. Every fault becomes millimetres the edge goes back and cubic millimetres of
 * steel; strop only while the tip is barely round and nothing else is wrong; grind first what is a quarter
 * of a millimetre or more, a wide land, a bevel too steep and what nobody knows; a millimetre or more is a
 * repair. The limits are estimates.
 * @throws Refusal as {@link honingJob}
 */
export function intake(edge: Edge, condition: Condition, landMm?: number): Intake {
  return intakeFrom(edge, asFound(edge, startOf(edge, landMm), condition), condition);
}

/** {@link intake} of an edge as it was found, or as work left it since. */
export function intakeFrom(edge: Edge, start: EdgeAtWork, condition: Condition): Intake {
  insist(
    faultMm(condition, 'unsharpened') === 0 || mayBeUnsharpened(edge),
    'condition.faults',
    'Only a knife with two plain facets, steeper than its blade tapers, can be said to have no edge yet: take that off.',
  );
  insist(
    edge.form !== 'knife' || faultMm(condition, 'unsharpened') < edge.spineMm,
    'condition.faults',
    'The blade is said to be as thick at its edge as at its spine: measure it where the edge will be.',
  );
  const foreign = condition.faults?.find(({ kind }) => isForeign(kind, edge));
  insist(
    foreign === undefined,
    'condition.faults',
    'Corners or a middle ahead are said of a gouge; a tooth, a notch or a hook at the apex of a V-tool: take that off.',
  );
  const job = honingJobFrom(edge, start, condition);
  const lines = intakeLines(edge, condition);
  const { treatment, why } = judged(edge, condition, job);
  return { lines, job, treatment, why };
}

function intakeLines(edge: Edge, condition: Condition): readonly IntakeLine[] {
  const { kind, nickMm, tipRadiusUm, faults = [] } = condition;
  const angle = includedDeg(edge);
  const radiusUm = tipRadiusUm ?? TIP_RADIUS_UM[kind];
  const deep = [
    ...(nickMm ? [{ what: 'nick' as const, recessionMm: nickMm }] : []),
    ...faults.flatMap(({ kind: what, mm = 0 }) =>
      what === 'pits' || what === 'overheated' ? [{ what, recessionMm: mm }] : [],
    ),
  ];
  const deepest = Math.max(0, ...deep.map(({ recessionMm }) => recessionMm));
  const rest = faults.flatMap(({ kind: what, mm = 0, foundDeg }): readonly IntakeLine[] => {
    if (what === 'out-of-square') return [{ what, recessionMm: mm }];
    if (what === 'rounded-over') return [{ what, overMm: mm, sinkMm: sinkMm(condition) }];
    if (what === 'wide-land') return [{ what }];
    if (isProud(what)) return [{ what, aheadMm: mm }];
    if (what === 'unsharpened') return unsharpenedLine(edge, mm);
    if (what !== 'wrong-angle' || foundDeg === undefined) return [];
    return [{ what, foundDeg, wantedDeg: groundDeg(edge), mm3: reshapeMm3(edge, foundDeg) }];
  });
  return [
    {
      what: 'tip',
      radiusUm,
      includedDeg: angle,
      recessionMm: recessionForTipMm(radiusUm, angle, sidesOf(edge).other ? 2 : 1),
      measured: tipRadiusUm !== undefined,
    },
    ...deep.map((line) => ({ ...line, counts: line.recessionMm === deepest })),
    ...rest,
  ];
}

function judged(edge: Edge, condition: Condition, job: HoningJob): { treatment: Treatment; why: string } {
  const { kind, faults = [], tipRadiusUm } = condition;
  if (faultMm(condition, 'unsharpened') > 0) {
    return {
      treatment: 'hone',
      why: 'It has no edge yet: the coarsest stone makes its facets until they meet, the others only finish them.',
    };
  }
  const has = (fault: FaultKind): boolean => faults.some((each) => each.kind === fault);
  const found = faults.find((fault) => fault.kind === 'wrong-angle')?.foundDeg;
  const back = job.recessionMm;
  if (back >= REPAIR_NICK_MM) {
    return {
      treatment: 'repair',
      why: `The edge has to go back ${REPAIR_NICK_MM} mm or more: that is a repair on the grinder, not a honing.`,
    };
  }
  const first =
    edge.form !== 'single-bevel'
      ? undefined
      : back >= GRIND_NICK_MM
        ? 'So deep, it is sooner ground away than honed away, where there is a wheel.'
        : has('wide-land')
          ? 'A wide land takes long to hone: bring the primary back first.'
          : found !== undefined && found > groundDeg(edge)
            ? 'The bevel is steeper than it should be: grind it back to its angle first.'
            : undefined;
  if (first) return { treatment: 'regrind', why: first };
  if (faults.length === 0 && kind === 'fading' && (tipRadiusUm ?? 0) <= STROP_TIP_UM) {
    return { treatment: 'strop', why: 'It only fades: a strop brings it back, without giving up steel.' };
  }
  const backed = edge.form === 'single-bevel';
  const why =
    kind === 'unknown'
      ? `Nobody knows what was done to it: deep marks and a round tip are reckoned with${backed ? ', and the back is made first' : ''}. Measure its bevel: a wrong angle changes the plan.`
      : kind === 'new'
        ? backed
          ? 'New from the maker: the back is polished first, then the bevel is honed.'
          : 'New from the maker: its marks are honed away with its roundness.'
        : kind === 'rolled'
          ? 'A rolled edge is weak steel: hone it off, the strop only stands it up again.'
          : back >= GRIND_NICK_MM
            ? 'The stones take this off, but it is long work.'
            : 'The stones take this off; no grinding is needed.';
  return { treatment: 'hone', why };
}

const isProud = (kind: FaultKind): kind is Proud => (PROUD as readonly FaultKind[]).includes(kind);

const groundDeg = (edge: Edge): number =>
  edge.form === 'single-bevel' ? edge.primaryDeg : includedDeg(edge);

/** What the facets of a knife without an edge take; the flatter of two unlike ones is the longer. */
function unsharpenedLine(edge: Edge, thickMm: number): readonly IntakeLine[] {
  if (edge.form !== 'knife') return [];
  const bodyDeg = taperDeg(edge);
  const sides = [edge.leftDeg, edge.rightDeg].map((facetDeg) =>
    unsharpenedWork({ thickMm, facetDeg, bodyDeg }),
  );
  return [
    {
      what: 'unsharpened',
      thickMm,
      facetMm: Math.max(...sides.map(({ facetMm }) => facetMm)),
      mm3: edge.lengthMm * sides.reduce((sum, { steelMm2 }) => sum + steelMm2, 0),
    },
  ];
}

/** Steel between a bevel found too steep and as it should be, mm³, the edge staying where it is: ½·t²·(cot θ − cot φ)·w. */
export function reshapeMm3(edge: Edge, foundDeg: number): number {
  if (edge.form !== 'single-bevel') return 0;
  const cot = (deg: number): number => cosDeg(deg) / sinDeg(deg);
  const between = Math.max(0, cot(edge.primaryDeg) - cot(foundDeg));
  return (edge.thicknessMm ** 2 * between * edge.widthMm) / 2;
}
