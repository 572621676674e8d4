import { servesShape, standsIn } from '../abrasive/abrasive.js';
import type { StoneAtWork } from '../abrasive/at-work.js';
import { edgeLengthMm, shapeOfEdge } from '../blade/edge.js';
import { familyFacts } from '../blade/families.js';
import type { Tool } from '../blade/tool.js';
import { layLowerDeg } from '../work/strop-wrap.js';
import { strokesOf } from './counting.js';
import { channelFits } from './fits.js';
import type { PlanRequest } from './plan-request.js';

/**
 * What a strop does for an edge: cut on, polish its marks, take their tops off, or only lay the tip straight; `draws` is
 * the finest stone used as one.
 */
export const STROP_PURPOSES = ['polishes', 'aligns', 'tops', 'draws'] as const;
export type StropPurpose = (typeof STROP_PURPOSES)[number];

/** The strop at the end, all strokes of both sides. */
export interface StropStep {
  readonly id: string;
  readonly strokes: number;
  readonly minutes: number;
  readonly purpose?: StropPurpose;
  /** Push at the first stroke and at the last, N. */
  readonly firstN?: number;
  readonly lastN?: number;
  /** Laid so much lower than its bevel, degrees, since the strop gives; absent where it does not. */
  readonly lowerDeg?: number;
}

/** Strokes on the strop: about ten a side (common practice, no source); on a bare one after it, half as many. */
export const STROP_STROKES = 20;
const BARE_STROKES = 10;
/** Heavier to lighter: some twenty newtons to work, five to tidy (common practice, no source). */
const WORKING_N = 20;
const TIDYING_N = 5;

/** A compound no coarser than this works after stones; a finer one only aligns (common practice, no source). */
const WORKING_UM = 1.5;
/** Past so many times its own grain a compound only polishes the tops of what the last stone left (estimate). */
const TOPS_RATIO = 15;

/**
 * The strops of a plan: one that follows the edge, profiled where it is curved, charged before bare; of several
 * charged ones the coarsest that still is no coarser than the last stone. None for edges that are left off the
 * stone.
 * @param lastUm the last stone’s grain; absent where it is only stropped
 */
export function stropSteps(
  { edge, family, counts = {} }: Tool,
  atHand: readonly StoneAtWork[],
  request: PlanRequest,
  lastUm: number | undefined,
): readonly StropStep[] {
  if (!isStropped({ edge, family }) || (request.strop === false && !request.stropOnly)) return [];
  const shape = shapeOfEdge(edge);
  const serving = atHand.filter(
    (stone) =>
      (stone.kind === 'strop' || stone.kind === 'profiled-strop') &&
      servesShape(stone, shape) &&
      standsIn(stone, request.set) &&
      !request.laidAside.includes(stone.id),
  );
  const profiled = serving.filter((stone) => stone.kind === 'profiled-strop' && channelFits(edge, stone));
  const plain = serving.filter(({ kind }) => kind !== 'profiled-strop');
  const fitting = shape === 'straight' ? serving : profiled.length === 0 ? plain : profiled;
  const charged = fitting.filter((strop) => !isBare(strop));
  const worked = charged.find(({ sizeUm }) => sizeUm <= (lastUm ?? Infinity)) ?? charged.at(-1);
  const bare = fitting.findLast(isBare);
  const step = (strop: StoneAtWork, usual: number, firstN: number): StropStep => {
    const strokes = strokesOf(counts.strop ?? 'half', usual);
    const lowerDeg = layLowerDeg(strop.strop, edgeLengthMm(edge));
    return {
      id: strop.id,
      strokes,
      minutes: strokes / request.strokesPerMin + strop.overheadMin,
      purpose: purposeOf(strop, lastUm),
      firstN,
      lastN: TIDYING_N,
      ...(lowerDeg !== undefined && { lowerDeg }),
    };
  };
  return [
    ...(worked ? [step(worked, STROP_STROKES, WORKING_N)] : []),
    ...(bare ? [step(bare, worked ? BARE_STROKES : STROP_STROKES, worked ? TIDYING_N : WORKING_N)] : []),
  ];
}

/** On a stone as on a strop: few strokes, from as light as tidying down to the blade’s own weight (estimates). */
const STONE_STROKES = 10;
const WEIGHT_N = 1;

/** The finest stone used as a strop: how hard is always told. */
export type StoneStropStep = StropStep & Required<Pick<StropStep, 'firstN' | 'lastN'>>;

/**
 * The finest stone as a strop, where it is asked for: pulled, edge trailing, ever lighter, counted as its user
 * counts there. None for edges that are left off it.
 */
export function stoneStropStep(
  { edge, family, counts = {} }: Tool,
  request: Pick<PlanRequest, 'stropOnStone' | 'strokesPerMin'>,
  finestId: string | undefined,
): StoneStropStep | undefined {
  if (!request.stropOnStone || finestId === undefined || !isStropped({ edge, family })) return undefined;
  const strokes = strokesOf(counts.onStone ?? 'half', STONE_STROKES);
  return {
    id: finestId,
    strokes,
    minutes: strokes / request.strokesPerMin,
    purpose: 'draws',
    firstN: TIDYING_N,
    lastN: WEIGHT_N,
  };
}

/** Machine knives would be too fine for their work, and a scraping edge would lose its burr. */
export const isStropped = ({ edge, family }: Pick<Tool, 'edge' | 'family'>): boolean =>
  edge.form !== 'scraping' && familyFacts(family).finestUm === undefined;

const isBare = ({ strop, lubricant }: StoneAtWork): boolean =>
  strop?.compound === undefined && lubricant !== 'compound';

function purposeOf(strop: StoneAtWork, lastUm: number | undefined): StropPurpose {
  if (isBare(strop) || lastUm === undefined) return 'aligns';
  if (lastUm > TOPS_RATIO * strop.sizeUm) return 'tops';
  return strop.sizeUm >= WORKING_UM ? 'polishes' : 'aligns';
}
