import type { Condition } from '../edge/dulling.js';
import { afterGrinding } from '../progression/honing-plan.js';
import type { Burr, Proof, ProofTest, Session, SessionSetting } from '../session/session.js';

/** A plan as it is taken to the bench. */
export interface RunPlan {
  readonly toolId: string;
  readonly condition: Condition;
  /** The land where it was measured for this plan. */
  readonly landMm?: number;
  readonly finishUm: number;
  readonly forceN: number;
  readonly strokesPerMin: number;
  readonly setting?: SessionSetting;
  readonly who?: string;
  /** The wheel comes first. */
  readonly grinding?: RunGrinding;
  readonly steps: readonly RunPlanStep[];
}

/** Grinding as it is taken to the wheel. */
export interface RunGrinding {
  readonly wheelId: string;
  /** The land to be left standing. */
  readonly stopShortMm: number;
  /** Passes and how long each may last, and a dip after it, s, by the heat model. */
  readonly passes?: number;
  readonly passS?: number;
  readonly dipS?: number;
}

export interface RunPlanStep {
  readonly abrasiveId: string;
  readonly strokes: number;
  /** Push on this abrasive, N, in place of the plan's. */
  readonly forceN?: number;
  /** Each stroke cuts to and fro. */
  readonly bothWays?: boolean;
  /** Strokes by place across the edge, left to right; together they are `strokes`. */
  readonly places?: readonly number[];
  /** Shapes the curve: comes after the burr of the first stone, or ahead of it. */
  readonly curve?: boolean;
  /** Comes after the burr is off: the strop. */
  readonly afterBurr?: boolean;
}

/** What happened at the bench, one fact at a time. */
export type RunFact =
  | { readonly kind: 'begun'; readonly plan: RunPlan }
  /** Strokes made on the stone at hand; negative where they were counted by mistake. */
  | { readonly kind: 'strokes'; readonly count: number }
  | { readonly kind: 'done' }
  | { readonly kind: 'not-yet' }
  | { readonly kind: 'burr'; readonly burr: Burr }
  | { readonly kind: 'back' }
  | { readonly kind: 'proved'; readonly test: ProofTest; readonly passed: boolean }
  | { readonly kind: 'finished' }
  | { readonly kind: 'thrown-away' };

export type RunFactKind = RunFact['kind'];

/** A fact with the identity its maker gave it, its place in the run, and when it happened. */
export type RunEvent = RunFact & {
  readonly id: string;
  /** 0 for the one that begins the run, then one more each. */
  readonly seq: number;
  /** ISO 8601 instant on the maker's clock. */
  readonly at: string;
};

/** Where at the bench the run stands. */
export type Station =
  | { readonly kind: 'grind'; readonly grinding: RunGrinding }
  | { readonly kind: 'set'; readonly setting: SessionSetting }
  | { readonly kind: 'stone'; readonly step: number }
  | { readonly kind: 'burr' }
  | { readonly kind: 'burr-off' }
  | { readonly kind: 'proof' };

export interface RunStep {
  readonly abrasiveId: string;
  readonly planned: number;
  /** Strokes wanted now: the plan's, and what “not yet” added. */
  readonly target: number;
  readonly strokes: number;
  readonly minutes: number;
}

/** A run as its events have it. */
export interface Run {
  readonly plan: RunPlan;
  readonly stations: readonly Station[];
  /** Index of the station at hand; `stations.length` never: the last one is left by finishing. */
  readonly at: number;
  readonly steps: readonly RunStep[];
  readonly burr?: Burr;
  /** The burr that sent the run back to the stone at hand. */
  readonly sentBackBy?: Burr;
  readonly proof: readonly Proof[];
  /** When the wheel was left, and how long it took. */
  readonly groundAt?: string;
  readonly grindMin: number;
  readonly ended?: 'finished' | 'thrown-away';
  readonly startedAt: string;
  readonly lastAt: string;
  readonly minutes: number;
  readonly events: number;
}

/** A longer rest than this between two events is a pause, and counts as this much. */
export const LONGEST_REST_MIN = 2;

/** Strokes that “not yet” adds: a quarter of the plan's, at least four. */
export const moreStrokes = (planned: number): number => Math.max(4, Math.ceil(planned / 4));

/** The order of a run: the wheel where it is wanted, set the guide, each stone, the burr after the first, off with it, the strop, prove. */
export function stationsOf({ grinding, setting, steps }: RunPlan): readonly Station[] {
  const places = steps.map((_, i) => i);
  const [stones, strops] = [false, true].map((after) =>
    places.filter((i) => (steps[i]?.afterBurr ?? false) === after),
  ) as [number[], number[]];
  return [
    ...(grinding ? [{ kind: 'grind', grinding } as const] : []),
    ...(setting ? [{ kind: 'set', setting } as const] : []),
    ...stones.flatMap((step): Station[] =>
      step === stones[0] ? [{ kind: 'stone', step }, { kind: 'burr' }] : [{ kind: 'stone', step }],
    ),
    ...(stones.length > 0 ? [{ kind: 'burr-off' } as const] : []),
    ...strops.map((step): Station => ({ kind: 'stone', step })),
    { kind: 'proof' },
  ];
}

/** A run as it begins. */
export function beginRun(plan: RunPlan, at: string): Run {
  return {
    plan,
    stations: stationsOf(plan),
    at: 0,
    steps: plan.steps.map(({ abrasiveId, strokes }) => ({
      abrasiveId,
      planned: strokes,
      target: strokes,
      strokes: 0,
      minutes: 0,
    })),
    proof: [],
    grindMin: 0,
    startedAt: at,
    lastAt: at,
    minutes: 0,
    events: 1,
  };
}

/**
 * The run after one more event. What makes no sense where the run stands (strokes away from a
 * stone, anything after the end) changes nothing but the count, so that a record once written can
 * always be read.
 */
export function afterEvent(run: Run, event: RunEvent): Run {
  if (run.ended || event.kind === 'begun') return { ...run, events: run.events + 1 };
  const timed = withTime(run, event.at);
  const station = timed.stations[timed.at];
  switch (event.kind) {
    case 'strokes':
      return station?.kind === 'stone'
        ? changeStep(timed, station.step, ({ strokes }) => ({ strokes: Math.max(0, strokes + event.count) }))
        : timed;
    case 'not-yet':
      return station?.kind === 'stone' ? wantMore(timed, station.step) : timed;
    case 'done': {
      const next = goTo(timed, timed.at + 1);
      return station?.kind === 'grind' ? { ...next, groundAt: event.at } : next;
    }
    case 'back':
      return goTo(timed, timed.at - 1);
    case 'burr':
      return station?.kind === 'burr' ? judged(timed, event.burr) : timed;
    case 'proved':
      return {
        ...timed,
        proof: [
          ...timed.proof.filter(({ test }) => test !== event.test),
          { test: event.test, passed: event.passed },
        ],
      };
    case 'finished':
    case 'thrown-away':
      return { ...timed, ended: event.kind };
  }
}

/**
 * A run from its events, in order of `seq`.
 * @returns undefined where they do not begin with `begun`
 */
export function runOf(events: readonly RunEvent[]): Run | undefined {
  const [first, ...rest] = events;
  if (first?.kind !== 'begun') return undefined;
  return rest.reduce(afterEvent, beginRun(first.plan, first.at));
}

/** Strokes still to make at a step; 0 once the target is reached. */
export const strokesLeft = ({ target, strokes }: RunStep): number => Math.max(0, target - strokes);

/** What a run amounts to, for the record: a grinding, a honing, both, or nothing where nothing was done. */
export function sessionsOfRun(run: Run): readonly Session[] {
  return [groundIn(run), honedIn(run)].filter((session) => session !== undefined);
}

function groundIn({ plan, groundAt, grindMin, startedAt }: Run): Session | undefined {
  const { grinding, toolId, who, condition, landMm } = plan;
  if (!grinding || groundAt === undefined) return undefined;
  const minutes = rounded(grindMin);
  return {
    toolId,
    kind: 'grinding',
    startedAt,
    minutes,
    ...(who !== undefined && { who }),
    conditionBefore: condition,
    ...(landMm !== undefined && { landMm }),
    landLeftMm: grinding.stopShortMm,
    steps: [{ abrasiveId: grinding.wheelId, strokes: 0, minutes }],
  };
}

function honedIn(run: Run): Session | undefined {
  const { plan, burr, proof, groundAt } = run;
  const steps = run.steps
    .map(({ abrasiveId, strokes, minutes }, i) => ({
      abrasiveId,
      strokes,
      minutes: rounded(minutes),
      forceN: plan.steps[i]?.forceN ?? plan.forceN,
      ...(plan.steps[i]?.bothWays && { bothWays: true }),
    }))
    .filter(({ strokes }) => strokes > 0);
  if (steps.length === 0) return undefined;
  return {
    toolId: plan.toolId,
    kind: plan.steps.every(({ afterBurr }) => afterBurr) ? 'stropping' : 'honing',
    startedAt: groundAt ?? run.startedAt,
    minutes: rounded(run.minutes - run.grindMin),
    ...(plan.who !== undefined && { who: plan.who }),
    conditionBefore: groundAt ? afterGrinding(plan.condition) : plan.condition,
    // Measured before the wheel, the land is the grinding's.
    ...(plan.landMm !== undefined && !groundAt && { landMm: plan.landMm }),
    ...(plan.setting && { setting: plan.setting }),
    steps,
    ...((burr || proof.length > 0) && {
      outcome: { ...(burr && { burr }), ...(proof.length > 0 && { proof }) },
    }),
  };
}

function withTime(run: Run, at: string): Run {
  const passed = (Date.parse(at) - Date.parse(run.lastAt)) / 60_000;
  const minutes = Math.min(Math.max(0, passed), LONGEST_REST_MIN);
  const timed = { ...run, lastAt: at, minutes: run.minutes + minutes, events: run.events + 1 };
  const station = run.stations[run.at];
  if (station?.kind === 'grind') return { ...timed, grindMin: run.grindMin + minutes };
  return station?.kind === 'stone'
    ? changeStep(timed, station.step, (step) => ({ minutes: step.minutes + minutes }))
    : timed;
}

function changeStep(run: Run, index: number, change: (step: RunStep) => Partial<RunStep>): Run {
  return {
    ...run,
    steps: run.steps.map((step, i) => (i === index ? { ...step, ...change(step) } : step)),
  };
}

const wantMore = (run: Run, index: number): Run =>
  changeStep(run, index, ({ planned, target, strokes }) => ({
    target: Math.max(target, strokes) + moreStrokes(planned),
  }));

function goTo(run: Run, station: number): Run {
  const { sentBackBy: _, ...rest } = run;
  return { ...rest, at: Math.min(Math.max(0, station), run.stations.length - 1) };
}

/** A burr all along (or too small to tell) lets the run go on; gaps send it back to the stone. */
function judged(run: Run, burr: Burr): Run {
  if (burr === 'all-along' || burr === 'cannot-tell') return { ...goTo(run, run.at + 1), burr };
  const shaping = run.stations.findIndex(({ kind }) => kind === 'stone');
  return { ...wantMore(goTo(run, shaping), 0), burr, sentBackBy: burr };
}

const rounded = (minutes: number): number => Math.round(minutes * 100) / 100;
