import type { Lubricant } from '../abrasive/abrasive.js';
import type { HoningPlan, PlanCare, PlanStep } from './honing-plan.js';
import type { ShapingStep } from './shaping-work.js';
import type { StropStep } from './strop-work.js';
import type { BackStep } from './back-work.js';
import type { CamberStep } from './camber-work.js';

/** One line of the work, in its place. */
export type WorkLine =
  | { readonly what: 'care'; readonly care: PlanCare }
  | { readonly what: 'grind' }
  | { readonly what: 'shape'; readonly step: ShapingStep }
  | { readonly what: 'set' }
  | { readonly what: 'back'; readonly step: BackStep }
  | { readonly what: 'hone'; readonly step: PlanStep }
  | { readonly what: 'burr' }
  /** The curve ground to its template. */
  | { readonly what: 'curve' }
  | { readonly what: 'camber'; readonly step: CamberStep }
  /** Wash stone, guide and blade; the oil wiped off first where the one before was oiled. */
  | { readonly what: 'wash'; readonly oil: boolean }
  | { readonly what: 'burr-off'; readonly step: BackStep }
  | { readonly what: 'strop'; readonly step: StropStep }
  | { readonly what: 'wipe' };

/**
 * A plan as it is worked: the stones made ready, the wheel, the back of a new blade, the guide set, the
 * stones with a wash between two, the burr looked for after the first and taken off after the last, the
 * strop, the steel wiped.
 */
export function orderOfWork(
  plan: HoningPlan,
  lubricantOf: (id: string) => Lubricant | undefined,
): readonly WorkLine[] {
  const { care = [], grinding, shaping, back = [], steps, strop, bareStrop, camber, curveToGrind } = plan;
  const washed = <T extends { readonly id: string }>(
    list: readonly T[],
    line: (one: T) => WorkLine,
  ): WorkLine[] =>
    list.flatMap((one, i) => {
      const before = list[i - 1];
      const wet = before && lubricantOf(before.id);
      return before ? [{ what: 'wash', oil: wet === 'oil' } as const, line(one)] : [line(one)];
    });
  const preparing = back.filter(({ prepares }) => prepares);
  const burrOff = back.find(({ prepares }) => !prepares);
  return [
    ...care.map((each): WorkLine => ({ what: 'care', care: each })),
    ...(grinding ? [{ what: 'grind' } as const] : []),
    ...(curveToGrind ? [{ what: 'curve' } as const] : []),
    ...(shaping
      ? [
          { what: 'shape', step: shaping } as const,
          { what: 'wash', oil: lubricantOf(shaping.id) === 'oil' } as const,
        ]
      : []),
    ...washed(preparing, (step) => ({ what: 'back', step })),
    ...(steps.length > 0 ? [{ what: 'set' } as const] : []),
    ...(camber?.before
      ? [{ what: 'camber', step: camber } as const, { what: 'wash', oil: false } as const]
      : []),
    ...washed(steps, (step) => ({ what: 'hone', step })).flatMap((line): WorkLine[] =>
      line.what === 'hone' && line.step === steps[0]
        ? [
            line,
            { what: 'burr' },
            ...(camber && !camber.before ? [{ what: 'camber', step: camber } as const] : []),
          ]
        : [line],
    ),
    ...(burrOff ? [{ what: 'burr-off', step: burrOff } as const] : []),
    ...[strop, bareStrop].flatMap((step): WorkLine[] => (step ? [{ what: 'strop', step }] : [])),
    { what: 'wipe' },
  ];
}
