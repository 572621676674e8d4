import type { Care } from '../abrasive/care.js';
import type { CareKind } from '../abrasive/care.js';
import { newtonsOf, type Burr, type Proof, type ProofTest } from '../record/session.js';
import type { Count } from '../plan/counting.js';
import type { Station, StationKind } from '../plan/station.js';
import {
  burrOf,
  type BurrFeel,
  type ColourLeft,
  type GateWord,
  type Heat,
  type Polish,
  type Shake,
  type Told,
} from './gates.js';
import {
  answeredBurr,
  answeredHeat,
  answeredMarker,
  answeredNail,
  answeredPolish,
  answeredScratch,
  changeStep,
  counted,
  goTo,
  inserted,
  repeated,
  wantMore,
} from './moves.js';
import { stationsOf, type RunPlan } from './run-plan.js';

/** Why a station was passed over. */
export const SKIPS = ['not-needed', 'done-before', 'no-time', 'cannot'] as const;
export type Skip = (typeof SKIPS)[number];

/** Work put in by hand. */
export type PutIn =
  | { readonly kind: 'strokes'; readonly abrasiveId: string; readonly strokes: number }
  | {
      readonly kind: Extract<
        StationKind,
        'look' | 'marker' | 'burr' | 'wash' | 'burr-off' | 'nail' | 'proof' | 'wipe'
      >;
    };

/** What happened at the bench, one fact at a time. */
export type RunFact =
  | { readonly kind: 'begun'; readonly plan: RunPlan }
  /** Strokes made on the stone at hand; negative where they were counted by mistake. */
  | { readonly kind: 'strokes'; readonly count: number }
  | { readonly kind: 'counted-by'; readonly by: Count }
  | { readonly kind: 'done' }
  | { readonly kind: 'not-yet' }
  /** How a burr was felt, place by place where it was; on both sides of a double bevel. */
  | {
      readonly kind: 'burr';
      readonly burr: Burr;
      readonly places?: readonly BurrFeel[];
      readonly other?: readonly BurrFeel[];
    }
  | { readonly kind: 'marked'; readonly left: readonly ColourLeft[] }
  | { readonly kind: 'scratched'; readonly gone: boolean }
  | { readonly kind: 'heated'; readonly heat: Heat }
  | { readonly kind: 'polished'; readonly polish: Polish }
  /** Drawn along the nail: where it shook, nowhere where it ran smooth. */
  | { readonly kind: 'shook'; readonly places: readonly Shake[] }
  | { readonly kind: 'back' }
  /** Back to an earlier station, after a proof that fell short. */
  | { readonly kind: 'go'; readonly station: number }
  | { readonly kind: 'skipped'; readonly why: Skip }
  /** An earlier station once more, here. */
  | { readonly kind: 'again'; readonly station: number }
  | { readonly kind: 'put-in'; readonly work: PutIn }
  /** Eyes covered; the machine off and unplugged. */
  | { readonly kind: 'confirmed'; readonly what: 'eyes' | 'isolated' }
  | ({ readonly kind: 'proved'; readonly test: ProofTest; readonly passed: boolean } & ProofFigures)
  | { readonly kind: 'finished' }
  | { readonly kind: 'thrown-away' };

/** What a proof measured. */
export interface ProofFigures {
  readonly thickMm?: number;
  readonly wideMm?: number;
  readonly newtons?: number;
  /** The same, as releases before 0.10 kept it. */
  readonly grams?: number;
}

export type RunFactKind = RunFact['kind'];

/** A fact with the identity its maker gave it, its place in the run, and when it happened. */
export type RunEvent = RunFact & {
  readonly id: string;
  /** 0 for the one that begins the run, then one more each. */
  readonly seq: number;
  /** ISO 8601 instant on the maker's clock. */
  readonly at: string;
};

export interface RunStep {
  readonly abrasiveId: string;
  readonly planned: number;
  /** Strokes wanted now: the plan's, and what “not yet” added. */
  readonly target: number;
  readonly strokes: number;
  readonly minutes: number;
  readonly count: Count;
  /** Strokes by place, where it is worked so. */
  readonly places?: readonly number[];
  /** The planned step it goes on with, for one put in on the way. */
  readonly like?: number;
}

/** A run as its events have it. */
export interface Run {
  readonly plan: RunPlan;
  readonly stations: readonly Station[];
  /** Index of the station at hand; `stations.length` never: the last one is left by finishing. */
  readonly at: number;
  readonly steps: readonly RunStep[];
  readonly burr?: Burr;
  readonly burrPlaces?: readonly BurrFeel[];
  /** Places where a burr was missing when it was felt for, 0 to 4 from the left. */
  readonly lagged: readonly number[];
  /** How often marks still showed after a step. */
  readonly scratched: Readonly<Record<number, number>>;
  /** What a gate told, while the station it led to is at hand. */
  readonly told?: Told;
  /** Everything gates told, in order: what went wrong on the way. */
  readonly history: readonly GateWord[];
  readonly proof: readonly Proof[];
  readonly skipped: readonly { readonly kind: StationKind; readonly why: Skip }[];
  readonly confirmed: readonly ('eyes' | 'isolated')[];
  /** Care given to stones on the way. */
  readonly cares: readonly Pick<Care, 'abrasiveId' | 'kind' | 'at'>[];
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

/** A run as it begins. */
export function beginRun(plan: RunPlan, at: string): Run {
  return {
    plan,
    stations: stationsOf(plan),
    at: 0,
    steps: plan.steps.map(({ abrasiveId, strokes, places, count = 'through' }) => ({
      abrasiveId,
      planned: strokes,
      target: strokes,
      strokes: 0,
      minutes: 0,
      count,
      ...(places && { places }),
    })),
    lagged: [],
    scratched: {},
    history: [],
    proof: [],
    skipped: [],
    confirmed: [],
    cares: [],
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
  const step = station?.kind === 'stone' ? station.step : undefined;
  switch (event.kind) {
    case 'strokes':
      return step === undefined
        ? timed
        : changeStep(timed, step, ({ strokes }) => ({ strokes: Math.max(0, strokes + event.count) }));
    case 'counted-by':
      return step === undefined ? timed : counted(timed, step, event.by);
    case 'not-yet':
      return step === undefined ? timed : wantMore(timed, step);
    case 'done':
      return doneAt(timed, event.at);
    case 'back':
      return goTo(timed, timed.at - 1);
    case 'go':
      return wentBack(timed, event.station);
    case 'skipped':
      return station
        ? {
            ...goTo(timed, timed.at + 1),
            skipped: [...timed.skipped, { kind: station.kind, why: event.why }],
          }
        : timed;
    case 'again':
      return repeated(timed, event.station);
    case 'put-in':
      return inserted(timed, event.work);
    case 'confirmed':
      return { ...timed, confirmed: [...new Set([...timed.confirmed, event.what])] };
    case 'burr':
      return station?.kind === 'burr'
        ? answeredBurr(timed, event.places ? burrOf(event.places, event.other) : event.burr, event)
        : timed;
    case 'marked':
      return station?.kind === 'marker' ? answeredMarker(timed, event.left) : timed;
    case 'scratched':
      return station?.kind === 'scratch' ? answeredScratch(timed, station.step, event.gone) : timed;
    case 'heated':
      return station?.kind === 'heat' ? answeredHeat(timed, event.heat) : timed;
    case 'polished':
      return station?.kind === 'polished' ? answeredPolish(timed, station.step, event.polish) : timed;
    case 'shook':
      return station?.kind === 'nail' ? answeredNail(timed, event.places) : timed;
    case 'proved': {
      const { test, passed, thickMm, wideMm } = event;
      const newtons = newtonsOf(event);
      const figures = {
        ...(thickMm !== undefined && { thickMm }),
        ...(wideMm !== undefined && { wideMm }),
        ...(newtons !== undefined && { newtons }),
      };
      return {
        ...timed,
        proof: [...timed.proof.filter((each) => each.test !== test), { test, passed, ...figures }],
      };
    }
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

/** Done with the station at hand: a stone seen to goes into its record, the wheel's end is noted. */
function doneAt(run: Run, at: string): Run {
  const station = run.stations[run.at];
  const next = goTo(run, run.at + 1);
  if (station?.kind === 'grind') return { ...next, groundAt: at };
  if (station?.kind !== 'care') return next;
  const care: { abrasiveId: string; kind: CareKind; at: string } = {
    abrasiveId: station.abrasiveId,
    kind: station.care,
    at,
  };
  return { ...next, cares: [...run.cares, care] };
}

/** Back to an earlier station because the edge fell short; a stone there gets more strokes, and is proved anew. */
function wentBack(run: Run, index: number): Run {
  const station = run.stations[index];
  if (!station || index >= run.at) return run;
  const there = goTo({ ...run, proof: [] }, index);
  const more = station.kind === 'stone' ? wantMore(there, station.step) : there;
  return { ...more, told: { by: 'not-proved' }, history: [...run.history, 'not-proved'] };
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
