import type { StonesRecord } from '../abrasive/at-work.js';
import type { OwnedAbrasive } from '../abrasive/abrasive.js';
import { isWheel } from '../abrasive/wheel.js';
import { insist } from '../base/refusal.js';
import type { SingleBevelEdge } from '../blade/edge.js';
import type { Tool } from '../blade/tool.js';
import { GRINDING_PUSH_N, wheelAtWork } from '../grinding/grinding-work.js';
import { hollowedBack, type HollowedBackInput } from '../grinding/hollowed-back.js';
import { pittedBack, preparedBack } from './back-work.js';
import { backFlattened, backHollowed, hollowing, withBack } from './hollowing.js';
import type { OldBackRequest, PlanRequest } from './plan-request.js';
import { solverOf, unmixed } from './plan-problem.js';

/** An old back as it lies before one. */
export interface OldBack extends Omit<HollowedBackInput, 'wheelRadiusMm'> {
  /** The deepest pit anywhere on it, and on the rim at the edge, mm. */
  readonly pitsMm: number;
  readonly rimPitsMm: number;
}

/** A back by one way: minutes, rubbing and wheel apart. */
interface ByWay {
  readonly minutes: number;
  readonly rubbingMin: number;
  readonly wheelMin: number;
  /** Steel it takes, mm³. */
  readonly steelMm3: number;
}

/** The two ways an old back is saved. */
export interface BackSaved {
  readonly whole: ByWay;
  /** Hollowed first, and the rims polished: on the wheel that is quickest of those at hand. */
  readonly hollowed: ByWay & { readonly wheelId: string; readonly depthMm: number; readonly chordMm: number };
  /** The deepest pit that stays where it does no harm, in the hollow, mm; 0 where all are ground out. */
  readonly pitsLeftMm: number;
}

/**
 * Whether an old back is flattened whole or hollowed on the wheel and polished at its rims: both by the stones of the
 * plan and the one arithmetic of work, minutes beside minutes. A pit in the hollow deeper than that stays, and does no
 * harm; one on the rim at the edge is honed out.
 * @throws Refusal for edges without a flat back, where no wheel is at hand, and as {@link hollowedBack}
 */
export function savedBack(
  tool: Tool,
  old: OldBack,
  bench: readonly OwnedAbrasive[],
  request: PlanRequest,
  record: StonesRecord = {},
): BackSaved {
  const { edge } = tool;
  insist(edge.form === 'single-bevel', 'edge.form', 'Only a flat back is saved so.');
  insist(
    old.rimPitsMm <= old.pitsMm,
    'rimPitsMm',
    'The deepest pit is at least as deep as the deepest on the rim.',
  );
  const asked: PlanRequest = {
    ...request,
    condition: { kind: 'unknown' },
    grind: undefined,
    camber: undefined,
    oldBack: undefined,
  };
  const problem = solverOf({ ...tool, edge: { ...edge, back: 'flat' } }, bench, asked, record);
  const { input, chosen } = unmixed(problem.input, problem.atHand, problem.solve);
  const rubbing = (polishedMm: number, pitsMm: number): Omit<ByWay, 'minutes' | 'wheelMin'> => {
    const flat: SingleBevelEdge = { ...edge, back: 'flat', polishedMm };
    const found = pittedBack(pitsMm);
    const steps = preparedBack(flat, found, input, chosen);
    return {
      rubbingMin: steps.reduce((sum, { minutes }) => sum + minutes, 0),
      steelMm3: (polishedMm * edge.widthMm * found.unevenUm) / 1000,
    };
  };
  const whole = rubbing(old.backMm, old.pitsMm);
  const wheels = bench.filter(isWheel).map((wheel) => {
    const { radiusMm: wheelRadiusMm } = wheelAtWork(wheel, GRINDING_PUSH_N);
    const hollow = hollowedBack({ ...old, wheelRadiusMm });
    return { hollow, ...hollowing(edge, { ...old, hollowMm: hollow.chordMm * (old.passes ?? 1) }, wheel) };
  });
  const [quickest] = wheels.toSorted((a, b) => a.minutes - b.minutes);
  insist(
    quickest !== undefined,
    'abrasives',
    'There is no wheel at hand to hollow it on: flatten it whole, or send it out.',
  );
  const { wheelId, hollow, removeMm3, minutes: wheelMin } = quickest;
  const rims = rubbing(hollow.rimsMm, old.rimPitsMm);
  return {
    whole: { ...whole, wheelMin: 0, minutes: whole.rubbingMin },
    hollowed: {
      wheelId,
      depthMm: hollow.depthMm,
      chordMm: hollow.chordMm,
      wheelMin,
      rubbingMin: rims.rubbingMin,
      minutes: wheelMin + rims.rubbingMin,
      steelMm3: removeMm3 + rims.steelMm3,
    },
    pitsLeftMm: old.pitsMm > hollow.depthMm ? old.pitsMm - hollow.depthMm : 0,
  };
}

/** What a way of saving a back asks of the edge and of its plan. */
interface BackTaken {
  readonly edge: SingleBevelEdge;
  readonly oldBack: OldBackRequest;
}

/** An old back’s way as it is planned and walked. */
export function backTaken(
  edge: SingleBevelEdge,
  old: OldBack,
  { hollowed }: BackSaved,
  way: 'hollowed' | 'whole',
): BackTaken {
  const { pitsMm, rimPitsMm } = old;
  return way === 'whole'
    ? { edge: withBack(edge, backFlattened(old)), oldBack: { pitsMm } }
    : {
        edge: withBack(edge, backHollowed(old, hollowed.depthMm)),
        oldBack: { pitsMm: rimPitsMm, wheelId: hollowed.wheelId },
      };
}
