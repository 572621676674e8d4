import { THIN_CLEARANCE_DEG } from '../edge/plane-angles.js';
import { familyFacts, type Family } from '../tool/families.js';
import { STEELS, type HostPlane, type Steel } from '../tool/tool.js';

export const JOBS = ['paring', 'carving', 'smoothing', 'jointing', 'chopping', 'roughing'] as const;
export type Job = (typeof JOBS)[number];

/** What became of the edges a tool wore so far. */
export interface ChipRecord {
  /** Edges sharpened and used. */
  readonly edges: number;
  /** Those that chipped. */
  readonly chipped: number;
}

export interface AngleAdviceInput {
  readonly family: Family;
  readonly steel: Steel;
  readonly sideHardnessLbf: number;
  readonly job: Job;
  /** Wild, knotty or figured grain. */
  readonly figured?: boolean;
  readonly chips?: ChipRecord;
  /** The included angle the record's edges had. */
  readonly presentDeg?: number;
  readonly host?: HostPlane;
}

/** What speaks for a figure, by how much it moves it, and on what footing. */
export interface AdviceReason {
  readonly text: string;
  readonly byDeg: number;
  readonly footing: 'common practice' | 'estimate' | 'record' | 'geometry';
}

export interface AngleAdvice {
  /** Included angle, to half a degree. */
  readonly angleDeg: number;
  readonly leastDeg: number;
  readonly mostDeg: number;
  readonly reasons: readonly AdviceReason[];
}

/** Medium hardwood: the footing of the usual angles (common practice: near 31° for plane irons). */
export const MEDIUM_HARDNESS_LBF = 1000;
/** Degrees for wood twice as hard (estimate). */
const PER_DOUBLING_DEG = 2;
/** Fewer edges than this say nothing of chips (estimate). */
export const EDGES_TO_TRUST = 4;
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
 * As acute an edge as holds: the family's usual included angle, moved for wood, job, steel and what
 * the record says of chips. Harder wood and coarser work ask for steeper, chips for steeper still; a
 * tool that never chips is told to try a degree less. A bevel-down plane sets a ceiling by clearance.
 */
export function angleAdvice(input: AngleAdviceInput): AngleAdvice {
  const { family, steel, sideHardnessLbf, job, figured = false, host } = input;
  const [least, most] = usualIncluded(family);
  const usualJob = USUAL_JOB[family] ?? 'smoothing';
  const wood = PER_DOUBLING_DEG * Math.log2(sideHardnessLbf / MEDIUM_HARDNESS_LBF);
  const byJob = JOB_DEG[job] - JOB_DEG[usualJob];
  const { label } = familyFacts(family);
  const given: AdviceReason[] = [
    {
      text: `${label}: usually ${least === most ? `${least}°` : `${least}° to ${most}°`} where bevel and back meet, in a medium hardwood.`,
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
  if (figured) {
    given.push({
      text: 'Figured or knotty grain works on the edge from all sides.',
      byDeg: 1,
      footing: 'common practice',
    });
  }
  const table = given.reduce((sum, { byDeg }) => sum + byDeg, 0);
  const said = fromRecord(input, table);
  const reasons = said ? [...given, said] : given;
  const wanted = table + (said?.byDeg ?? 0);
  const ceiling = host?.orientation === 'bevel-down' ? host.bedDeg - THIN_CLEARANCE_DEG : Infinity;
  const angleDeg = toHalf(Math.min(wanted, ceiling));
  return {
    angleDeg,
    leastDeg: angleDeg - GOOD_TO_DEG,
    mostDeg: Math.min(angleDeg + GOOD_TO_DEG, ceiling),
    reasons:
      wanted > ceiling
        ? [
            ...reasons,
            {
              text: `On a ${host?.bedDeg}° bed, bevel down, more than ${ceiling}° leaves less than ${THIN_CLEARANCE_DEG}° of clearance.`,
              byDeg: ceiling - wanted,
              footing: 'geometry',
            },
          ]
        : reasons,
  };
}

/** What the tool's own edges say against the table: more where they chip, less where they never do. */
function fromRecord({ chips, presentDeg }: AngleAdviceInput, table: number): AdviceReason | undefined {
  if (!chips || (chips.edges < EDGES_TO_TRUST && chips.chipped === 0)) return undefined;
  const { edges, chipped } = chips;
  const counted = `${chipped} of ${edges} edges`;
  const share = chipped / Math.max(edges, 1);
  if (chipped === 0) {
    // What holds as it is needs to be no steeper, whatever a table says.
    const byDeg = Math.min(-1, (presentDeg ?? Infinity) - table);
    const text =
      presentDeg !== undefined && presentDeg < table - 1
        ? `None of ${edges} edges chipped at ${presentDeg}°: it holds there.`
        : `None of ${edges} edges chipped: try a degree less.`;
    return { text, byDeg, footing: 'record' };
  }
  const step = share > 0.5 ? 3 : share > 0.15 ? 2 : 1;
  const byDeg = Math.max(step, (presentDeg ?? -Infinity) + step - table);
  const at = presentDeg === undefined ? '' : ` at ${presentDeg}°`;
  return {
    text: `${titled(counted)} chipped${at}: go ${step === 1 ? 'a degree' : `${step}°`} steeper.`,
    byDeg,
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
