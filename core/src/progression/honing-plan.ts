import { kindFacts, type Abrasive } from '../abrasive/abrasive.js';
import { grit } from '../abrasive/grit.js';
import type { Condition } from '../edge/dulling.js';
import type { Edge } from '../edge/edge.js';
import { ASSUMED_LAND_MM } from '../edge/land-growth.js';
import { contactMin, grindingWork, wheelAtWork } from '../grinding/grinding-work.js';
import { insist, Refusal } from '../refusal.js';
import { STEELS, type Tool } from '../tool/tool.js';
import { honingJob, type HoningJob } from './honing-job.js';
import { progression, type ProgressionAbrasive, type ProgressionStep } from './progression.js';
import { verdicts, type Verdict } from './verdicts.js';

/** What the person asks of a plan. */
export interface PlanRequest {
  readonly condition: Condition;
  /** Land as measured now; the tool's own figure, else an assumed one, where absent. */
  readonly landMm?: number;
  readonly finishUm: number;
  readonly forceN: number;
  readonly strokesPerMin: number;
  readonly minStrokes?: number;
  readonly maxRatio?: number;
  /** A wheel to grind the primary on first. */
  readonly grind?: GrindRequest;
  /** Abrasives laid aside for this plan. */
  readonly laidAside: readonly string[];
}

export interface GrindRequest {
  readonly wheelId: string;
  /** The land left standing. */
  readonly stopShortMm: number;
  readonly pushN: number;
}

/** The grinding a plan begins with. */
export interface GrindingStep extends GrindRequest {
  readonly removeMm3: number;
  /** Steel on the wheel, without dips and looks between. */
  readonly minutes: number;
  readonly landBeforeMm: number;
}

export interface HoningPlan {
  readonly grinding?: GrindingStep;
  readonly job: HoningJob;
  readonly steps: readonly ProgressionStep[];
  readonly totalMin: number;
  readonly verdicts: readonly Verdict[];
}

/**
 * Starting figures for a plan: about 20 N on the blade and 40 strokes a minute (estimates, the
 * user's to change); jumps up to 10 times in grain let 1000 be followed by 8000 (common practice).
 */
export const PLAN_DEFAULTS = { forceN: 20, strokesPerMin: 40, minStrokes: 4, maxRatio: 10 } as const;

/** An abrasive of the bench set with its identity. */
export type OwnedAbrasive = Abrasive & { readonly id: string };

/**
 * The honing plan for a tool on the abrasives at hand: the steel to move, which abrasives in which
 * order with strokes and minutes, and why each is in or out.
 * @throws Refusal where the edge, the land, the finish or the jumps leave no plan.
 */
export function planHoning(tool: Tool, bench: readonly OwnedAbrasive[], request: PlanRequest): HoningPlan {
  const grinding = request.grind && grindingStep(tool.edge, bench, request, request.grind);
  // Ground to just short of the edge, the nick is gone and a narrow land is left, blunt as a wheel leaves it.
  const job = grinding
    ? honingJob(tool.edge, afterGrinding(request.condition), grinding.stopShortMm)
    : honingJob(tool.edge, request.condition, request.landMm);
  const aside = new Set(request.laidAside);
  const flat = bench.filter(({ kind }) => kindFacts(kind).flat);
  const candidates = flat.filter(({ id }) => !aside.has(id));
  insist(
    flat.length > 0,
    'abrasives',
    'A plan needs something flat to hone on: add a stone, a plate, film on glass or a strop.',
  );
  insist(candidates.length > 0, 'laidAside', 'Every stone is laid aside; put at least one back.');
  const input = {
    abrasives: candidates.map(toProgressionAbrasive),
    job: {
      removeMm3: job.removeMm3,
      contactMm2: job.contactMm2,
      forceN: request.forceN,
      strokesPerMin: request.strokesPerMin,
      steelFactor: STEELS[tool.steel].factor,
    },
    finishUm: request.finishUm,
    minStrokes: request.minStrokes ?? PLAN_DEFAULTS.minStrokes,
    maxRatio: request.maxRatio,
  };
  const chosen = progression(input);
  const judged = new Map(verdicts(input, chosen).map((verdict) => [verdict.id, verdict]));
  return {
    ...(grinding && { grinding }),
    job,
    ...chosen,
    ...(grinding && { totalMin: chosen.totalMin + grinding.minutes }),
    verdicts: bench.map(
      ({ id, kind }): Verdict =>
        judged.get(id) ?? {
          id,
          used: false,
          why: aside.has(id)
            ? 'Laid aside for this plan.'
            : `A ${kindFacts(kind).label.toLowerCase()} does not hone a flat bevel in a guide.`,
        },
    ),
  };
}

function grindingStep(
  edge: Edge,
  bench: readonly OwnedAbrasive[],
  { condition, landMm }: PlanRequest,
  grind: GrindRequest,
): GrindingStep {
  if (edge.form !== 'single-bevel') {
    throw new Refusal('edge.form', 'This version plans the grinding of flat-backed blades with one bevel.');
  }
  const wheel = bench.find(({ id }) => id === grind.wheelId);
  const work = wheelAtWork(wheel, grind.pushN);
  const landBeforeMm = landMm ?? edge.landMm ?? ASSUMED_LAND_MM;
  const { removeMm3 } = grindingWork(edge, {
    landMm: landBeforeMm,
    nickMm: condition.nickMm ?? 0,
    stopShortMm: grind.stopShortMm,
    wheelRadiusMm: work.radiusMm,
  });
  const minutes = contactMin(removeMm3, work) + (wheel?.overheadMin ?? 0);
  return { ...grind, removeMm3, minutes, landBeforeMm };
}

/** What a wheel leaves of a condition: no nick, and an edge to be honed from very dull. */
export const afterGrinding = (condition: Condition): Condition =>
  condition.kind === 'nicked' ? { kind: 'very-dull' } : condition;

function toProgressionAbrasive(abrasive: OwnedAbrasive): ProgressionAbrasive {
  return { ...abrasive, sizeUm: grit(abrasive.grade).sizeUm };
}
