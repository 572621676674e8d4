import type { ChipRecord } from '../record/edge-chips.js';
import { THIN_CLEARANCE_DEG } from '../blade/plane-angles.js';
import { familyFacts, type Family } from '../blade/families.js';
import { STEELS, type HostPlane, type Steel } from '../blade/tool.js';

export const JOBS = ['paring', 'carving', 'smoothing', 'jointing', 'chopping', 'roughing'] as const;
export type Job = (typeof JOBS)[number];

/** What a tool's own edges say: how they fared, at which angle, in what wood. */
interface EdgeEvidence extends ChipRecord {
  /** Their included angle. */
  readonly includedDeg: number;
  /** Side hardness of the wood they cut, on average. */
  readonly sideHardnessLbf: number;
  readonly steel: Steel;
}

export interface AngleAdviceInput {
  readonly family: Family;
  readonly steel: Steel;
  readonly sideHardnessLbf: number;
  readonly job: Job;
  /** Wild, knotty or figured grain. */
  readonly figured?: boolean;
  readonly record?: EdgeEvidence | undefined;
  readonly host?: HostPlane | undefined;
}

/** What speaks for a figure, by how much it moves it, and on what footing. */
interface AdviceReason {
  readonly text: string;
  readonly byDeg: number;
  readonly footing: 'common practice' | 'estimate' | 'record' | 'geometry';
}

interface AngleAdvice {
  /** Included angle, to half a degree. */
  readonly angleDeg: number;
  readonly leastDeg: number;
  readonly mostDeg: number;
  readonly reasons: readonly AdviceReason[];
}

/** Medium hardwood: the footing of the usual angles (common practice: near 31° for plane irons). */
const MEDIUM_HARDNESS_LBF = 1000;
/** Degrees for wood twice as hard (estimate). */
const PER_DOUBLING_DEG = 2;
/** Edges it takes for the record to weigh as much as the table (estimate). */
const EDGES_TO_TRUST = 4;
/** How much steeper to go by the share of edges that chipped, up to each share (estimates). */
const CHIPPED_DEG = [
  [0, -1],
  [0.05, 0],
  [0.15, 1],
  [0.5, 2],
  [1, 3],
] as const;
/** Half the width of the range an advice is good to (estimate). */
const GOOD_TO_DEG = 2;

const JOB_DEG: Readonly<Record<Job, number>> = {
  paring: -3,
  carving: -1,
  smoothing: 0,
  jointing: 0,
  chopping: 1.5,
  roughing: 2,
};

/** The job each family's usual angles are meant for. */
const USUAL_JOB: Partial<Readonly<Record<Family, Job>>> = {
  'bench-chisel': 'chopping',
  'paring-chisel': 'paring',
  'mortise-chisel': 'chopping',
  'scrub-iron': 'roughing',
  drawknife: 'roughing',
  'carving-chisel': 'carving',
  skew: 'carving',
  gouge: 'carving',
  'v-tool': 'carving',
  'whittling-knife': 'carving',
  'chip-knife': 'carving',
  'hooked-blade': 'carving',
};

export const usualJob = (family: Family): Job => USUAL_JOB[family] ?? 'smoothing';

/** How much steeper a steel wants to stand than plain carbon. */
const STEEL_DEG: Readonly<Record<Steel, number>> = {
  'high-carbon': 0,
  laminated: 1,
  'air-hardening': 2,
  'high-chromium': 3,
  'powder-metallurgy': 1.5,
  'high-speed': 0.5,
};

/**
 * As acute an edge as holds: the family's usual included angle, moved for wood, job and steel, and by
 * what the tool's own edges say. A record counts as an offset: where its edges should stand by their
 * chips, less where the table puts an edge of that wood and steel at the family's usual job; the more
 * edges, the more of it. So each input still moves the advice its own way. A bevel-down plane sets a
 * ceiling by clearance.
 */
export function angleAdvice(input: AngleAdviceInput): AngleAdvice {
  const { family, host, record } = input;
  const table = tableReasons(input);
  const told = record && record.edges > 0 ? [recordReason(family, record)] : [];
  const reasons = [...table, ...told];
  const wanted = sum(reasons);
  const ceiling = host?.orientation === 'bevel-down' ? host.bedDeg - THIN_CLEARANCE_DEG : Infinity;
  const angleDeg = toHalf(Math.min(wanted, ceiling));
  const [least, most] = [angleDeg - GOOD_TO_DEG, Math.min(angleDeg + GOOD_TO_DEG, ceiling)];
  if (wanted <= ceiling) return { angleDeg, leastDeg: least, mostDeg: most, reasons };
  const text = `On a ${host?.bedDeg}° bed, bevel down, more than ${ceiling}° leaves less than ${THIN_CLEARANCE_DEG}° of clearance.`;
  return {
    angleDeg,
    leastDeg: least,
    mostDeg: most,
    reasons: [...reasons, { text, byDeg: ceiling - wanted, footing: 'geometry' }],
  };
}

function tableReasons({
  family,
  steel,
  sideHardnessLbf,
  job,
  figured = false,
}: AngleAdviceInput): readonly AdviceReason[] {
  const [least, most] = usualIncluded(family);
  const wood = PER_DOUBLING_DEG * Math.log2(sideHardnessLbf / MEDIUM_HARDNESS_LBF);
  const byJob = JOB_DEG[job] - JOB_DEG[usualJob(family)];
  const given: AdviceReason[] = [
    {
      text: `${familyFacts(family).label}: usually ${least === most ? `${least}°` : `${least}° to ${most}°`} where bevel and back meet, in a medium hardwood.`,
      byDeg: (least + most) / 2,
      footing: 'common practice',
    },
    {
      text: `Side hardness ${Math.round(sideHardnessLbf)} lbf against ${MEDIUM_HARDNESS_LBF}: ${wood < 0 ? 'softer wood lets it be finer' : 'harder wood asks for more behind the edge'}; ${PER_DOUBLING_DEG}° for each doubling.`,
      byDeg: wood,
      footing: 'estimate',
    },
    {
      text: `${titled(job)}${byJob === 0 ? ', what it is meant for' : byJob < 0 ? ' is gentler on the edge' : ' is harder on the edge'}.`,
      byDeg: byJob,
      footing: 'estimate',
    },
    {
      text: `${STEELS[steel].label}${STEEL_DEG[steel] === 0 ? ' takes the finest angle' : ' chips sooner when it is thin'}.`,
      byDeg: STEEL_DEG[steel],
      footing: steel === 'air-hardening' ? 'common practice' : 'estimate',
    },
  ];
  return figured
    ? [
        ...given,
        {
          text: 'Figured or knotty grain works on the edge from all sides.',
          byDeg: 1,
          footing: 'common practice',
        },
      ]
    : given;
}

function recordReason(family: Family, record: EdgeEvidence): AdviceReason {
  const { edges, chipped, includedDeg, sideHardnessLbf, steel } = record;
  const share = chipped / edges;
  const step = CHIPPED_DEG.find(([upTo]) => share <= upTo)?.[1] ?? 3;
  const table = sum(tableReasons({ family, steel, sideHardnessLbf, job: usualJob(family) }));
  const says = {
    '-1': 'try a degree less',
    '0': 'it holds there',
    '1': 'a degree steeper',
    '2': 'two degrees steeper',
    '3': 'three degrees steeper',
  }[`${step}`];
  const counted = chipped === 0 ? `None of ${edges} edges chipped` : `${chipped} of ${edges} edges chipped`;
  return {
    text: `${counted} at ${Number(includedDeg.toFixed(1))}°, in wood of about ${Math.round(sideHardnessLbf)} lbf: ${says}. ${edges < EDGES_TO_TRUST ? 'Few edges, so it weighs little.' : 'The record goes before the table.'}`,
    byDeg: (includedDeg + step - table) * (edges / (edges + EDGES_TO_TRUST)),
    footing: 'record',
  };
}

/** A family's usual included angles: both sides of a double bevel, the honed bevel of a flat back. */
export function usualIncluded(family: Family): readonly [least: number, most: number] {
  const { form, primaryDeg, secondaryDeg } = familyFacts(family);
  const [least, most] = secondaryDeg ?? primaryDeg;
  const sides = form === 'double-bevel' || form === 'knife' ? 2 : 1;
  return [least * sides, most * sides];
}

const toHalf = (deg: number): number => Math.round(deg * 2) / 2;
const titled = (word: string): string => word.charAt(0).toUpperCase() + word.slice(1);
const sum = (reasons: readonly AdviceReason[]): number =>
  reasons.reduce((total, { byDeg }) => total + byDeg, 0);
