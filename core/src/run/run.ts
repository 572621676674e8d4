import type { CareKind } from '../abrasive/care.js';
import { newtonsOf } from '../record/session.js';
import { burrOf, firstStone } from './gates.js';
import {
  answeredBurr,
  answeredFromEnd,
  answeredHeat,
  answeredMarker,
  answeredLight,
  answeredNail,
  answeredPolish,
  answeredScratch,
  changeStep,
  counted,
  feltFor,
  goTo,
  inserted,
  repeated,
  wantMore,
} from './moves.js';
import { strokesOf } from '../plan/counting.js';
import { stationsOf, type RunPlan } from './run-plan.js';
import type { RunEvent } from './events.js';
import type { Run, RunStep } from './run-state.js';

/** A longer rest than this between two events is a pause, and counts as this much. */
const LONGEST_REST_MIN = 2;

/** A run as it begins. */
export function beginRun(plan: RunPlan, at: string): Run {
  return {
    plan,
    stations: stationsOf(plan),
    at: 0,
    steps: plan.steps.map(({ abrasiveId, strokes, places, rounds, along, count = 'through' }) => ({
      abrasiveId,
      planned: strokes,
      // A countdown has strokes of its own.
      target: places || rounds || along ? strokes : strokesOf(count, strokes),
      strokes: 0,
      minutes: 0,
      count,
      ...(places && { places }),
      ...(rounds && { rounds }),
      ...(along && { along }),
    })),
    lagged: [],
    scratched: {},
    history: [],
    proof: [],
    skipped: [],
    confirmed: [],
    cares: [],
    grindMin: 0,
    hollowMin: 0,
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
      if (step === undefined) return timed;
      return wantMore(step === firstStone(timed) ? feltFor(timed, step, false) : timed, step);
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
      return station?.kind === 'scratch' ? answeredScratch(timed, station, event.gone) : timed;
    case 'heated':
      return station?.kind === 'heat' ? answeredHeat(timed, event.heat) : timed;
    case 'polished':
      return station?.kind === 'polished' ? answeredPolish(timed, station.step, event.polish) : timed;
    case 'shook':
      return station?.kind === 'nail' ? answeredNail(timed, event.places) : timed;
    case 'lit':
      return station?.kind === 'straight' ? answeredLight(timed, station.step, event.light) : timed;
    case 'evened':
      return station?.kind === 'even' ? answeredFromEnd(timed, station.step, event.seen) : timed;
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
  if (station?.kind === 'hollow') return { ...next, hollowed: station.hollowing };
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
  const more =
    station.kind === 'stone'
      ? wantMore(
          station.step === firstStone(there) ? feltFor(there, station.step, false) : there,
          station.step,
        )
      : there;
  return { ...more, told: { by: 'not-proved' }, history: [...run.history, 'not-proved'] };
}

function withTime(run: Run, at: string): Run {
  const passed = (Date.parse(at) - Date.parse(run.lastAt)) / 60_000;
  const minutes = Math.min(Math.max(0, passed), LONGEST_REST_MIN);
  const timed = { ...run, lastAt: at, minutes: run.minutes + minutes, events: run.events + 1 };
  const station = run.stations[run.at];
  if (station?.kind === 'grind') return { ...timed, grindMin: run.grindMin + minutes };
  if (station?.kind === 'hollow') return { ...timed, hollowMin: run.hollowMin + minutes };
  return station?.kind === 'stone'
    ? changeStep(timed, station.step, (step) => ({ minutes: step.minutes + minutes }))
    : timed;
}
