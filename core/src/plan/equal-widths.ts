import { stonesAtWork, type StonesRecord } from '../abrasive/at-work.js';
import type { OwnedAbrasive } from '../abrasive/abrasive.js';
import { insist } from '../base/refusal.js';
import type { KnifeSetEdge } from '../blade/edge.js';
import type { Tool } from '../blade/tool.js';
import type { HoningPlan } from './honing-plan.js';
import type { PlanRequest } from './plan-request.js';
import { strokeMm3 } from './step-removal.js';

/** A set of knives as they measure, edge to far side. */
interface EqualWidths {
  /** From the narrowest to the widest, mm. */
  readonly spreadMm: number;
  /** What each is over the narrowest, and the strokes that even it, alone in the jig. */
  readonly knives: readonly { readonly overMm: number; readonly strokes: number }[];
}

/**
 * How far the knives of a set lie apart, and what evens them: alone in the jig a knife bears the whole push, and goes
 * back by e for e·thickness·length of steel. An estimate, as strokes are.
 * @param widthsMm of every knife, in their order
 * @param perStrokeMm3 what a stroke takes under the whole push
 * @throws Refusal on `widthsMm` unless there is one above 0 for each
 * @example equalWidths({ count: 2, lengthMm: 150, thicknessMm: 3 }, [19.9, 20], 1) // spread 0.1 mm, 0 and 45 strokes
 */
export function equalWidths(
  { count, lengthMm, thicknessMm }: Pick<KnifeSetEdge, 'count' | 'lengthMm' | 'thicknessMm'>,
  widthsMm: readonly number[],
  perStrokeMm3: number,
): EqualWidths {
  insist(
    widthsMm.length === count && widthsMm.every((width) => width > 0),
    'widthsMm',
    `Measure each of the ${count} knives, from its edge to its far side.`,
  );
  const narrowest = Math.min(...widthsMm);
  return {
    spreadMm: Math.max(...widthsMm) - narrowest,
    knives: widthsMm.map((width) => {
      const overMm = width - narrowest;
      const strokes = Math.ceil((overMm * thicknessMm * lengthMm) / perStrokeMm3 - 1e-9);
      return { overMm, strokes: Math.max(0, strokes) };
    }),
  };
}

/**
 * {@link equalWidths} on the first abrasive of a plan.
 * @throws Refusal on `edge.form` for what is no set, on `steps` where the plan has no abrasive, and as equalWidths
 */
export function evenedByPlan(
  tool: Tool,
  widthsMm: readonly number[],
  { steps: [first] }: Pick<HoningPlan, 'steps'>,
  request: PlanRequest,
  bench: readonly OwnedAbrasive[],
  record: StonesRecord = {},
): EqualWidths & { readonly id: string } {
  const { edge } = tool;
  insist(edge.form === 'knife-set', 'edge.form', 'Only the knives of a set are evened.');
  const stone = stonesAtWork(bench, record).find(({ id }) => id === first?.id);
  insist(
    first !== undefined && stone !== undefined,
    'steps',
    'There is no paper in this plan to even them on.',
  );
  return { id: stone.id, ...equalWidths(edge, widthsMm, strokeMm3(tool, stone, first, request)) };
}
