import { aheadMm } from '../curve/uneven.js';
import { purposeOf } from '../plan/bench-step.js';
import type { Count } from '../blade/manner.js';
import { strokesOf } from '../plan/counting.js';
import type { Rounds } from '../plan/knives-in-jig.js';
import type { Station } from '../plan/station.js';
import type { Burr } from '../record/session.js';
import {
  BURR_PLACES,
  SHAKE_PLACES,
  type BurrFeel,
  type GateWord,
  type Heat,
  type Light,
  type ColourLeft,
  type Polish,
  type SeenFromEnd,
  type Shake,
  type Told,
} from './answers.js';
import {
  GAP_STROKES,
  finestStone,
  firstStone,
  gapsOf,
  markerCure,
  markerTells,
  weakerThanStrong,
} from './gates.js';
import type { PutIn } from './events.js';
import type { Run, RunStep } from './run-state.js';

/** Strokes that “not yet” adds: a quarter of the plan's, at least four. */
export const moreStrokes = (planned: number): number => Math.max(4, Math.ceil(planned / 4));

export function changeStep(run: Run, index: number, change: (step: RunStep) => Partial<RunStep>): Run {
  return {
    ...run,
    steps: run.steps.map((step, i) => (i === index ? { ...step, ...change(step) } : step)),
  };
}

/** More strokes wanted at a step; worked by place, they are plain ones from here on. */
export const wantMore = (run: Run, index: number): Run =>
  changeStep(run, index, ({ planned, target, strokes, rounds }) => ({
    target: planned + evenly(Math.max(target, strokes) - planned + moreStrokes(planned), rounds),
  }));

/** Its burr was felt for: there, or not yet. */
export const feltFor = (run: Run, index: number, there: boolean): Run =>
  changeStep(run, index, ({ strokes, noBurrAt = 0 }) => ({ noBurrAt: there ? noBurrAt : strokes }));

/** As many in every round at least, so that no knife gets more than another. */
const evenly = (strokes: number, rounds?: Rounds): number =>
  rounds ? rounds.length * Math.ceil(strokes / rounds.length) : strokes;

/** Counted another way: a countdown has strokes of its own. */
export const counted = (run: Run, index: number, count: Count): Run =>
  changeStep(run, index, ({ planned }) => ({ count, target: strokesOf(count, planned) }));

/** To a station; what a gate told is told where it led, and no further. */
export function goTo(run: Run, station: number): Run {
  const { told: _, ...rest } = run;
  return { ...rest, at: Math.min(Math.max(0, station), run.stations.length - 1) };
}

const telling = (run: Run, told: Told): Run => ({ ...run, told, history: [...run.history, told.by] });

/** Stations put in before the one at hand, which then waits its turn. */
function putBefore(run: Run, stations: readonly Station[]): Run {
  return { ...run, stations: [...run.stations.slice(0, run.at), ...stations, ...run.stations.slice(run.at)] };
}

/** A step of its own for strokes that were not in the plan; `like` is the planned one they go on with. */
function addStep(
  run: Run,
  abrasiveId: string,
  strokes: number,
  more: Pick<RunStep, 'places' | 'like'> = {},
): { readonly run: Run; readonly step: number } {
  const step: RunStep = {
    abrasiveId,
    planned: strokes,
    target: strokes,
    strokes: 0,
    minutes: 0,
    count: 'through',
    ...more,
  };
  return { run: { ...run, steps: [...run.steps, step] }, step: run.steps.length };
}

/** Three strokes pressed at each of some places along the edge, put in on a stone before the station at hand. */
function pressedAt(run: Run, step: number, places: readonly number[], then: readonly Station[] = []): Run {
  const abrasiveId = run.steps[step]?.abrasiveId;
  if (abrasiveId === undefined || places.length === 0) return run;
  const at = Array.from({ length: BURR_PLACES }, (_, i) => (places.includes(i) ? GAP_STROKES : 0));
  const like = run.steps[step]?.like ?? step;
  const added = addStep(run, abrasiveId, GAP_STROKES * places.length, { places: at, like });
  return putBefore(added.run, [{ kind: 'stone', step: added.step }, ...then]);
}

/**
 * A burr all along, or too small to tell, lets the run go on, with strong places in mind. Gaps felt place by place
 * put in three strokes pressed at each of them and the burr again; a burr only said to be in part, or none, sends the
 * run back to the strokes that raise it. Where it lagged is kept for the next time.
 */
export function answeredBurr(
  run: Run,
  burr: Burr,
  { places, other }: { readonly places?: readonly BurrFeel[]; readonly other?: readonly BurrFeel[] },
): Run {
  const gaps = places ? gapsOf(places, other) : [];
  const lagged = [...new Set([...run.lagged, ...gaps])].sort((a, b) => a - b);
  const station = run.stations[run.at];
  const raised = (station?.kind === 'burr' ? station.step : undefined) ?? firstStone(run);
  const felt =
    raised === undefined || burr === 'cannot-tell' ? run : feltFor(run, raised, burr === 'all-along');
  const known = { ...felt, burr, lagged, ...(places && { burrPlaces: places }) };
  if (burr === 'all-along' || burr === 'cannot-tell') {
    const on = goTo(known, run.at + 1);
    const press = places ? weakerThanStrong(places) : [];
    return press.length > 0 ? telling(on, { by: 'burr-strong', press }) : on;
  }
  if (burr === 'in-part' && gaps.length > 0 && raised !== undefined)
    return telling(pressedAt(known, raised, gaps), { by: 'burr-gaps', press: gaps });
  // More strokes and still none: then it is the stone, or the angle, not the number.
  const none = run.history.includes('burr-none') ? 'burr-none-again' : 'burr-none';
  const by = burr === 'none' ? none : 'burr-gaps';
  const back = run.stations.findIndex(({ kind }) => kind === 'stone');
  const raising =
    raised === undefined ? back : run.stations.findIndex((s) => s.kind === 'stone' && s.step === raised);
  return telling(wantMore(goTo(known, raising), raised ?? 0), { by });
}

/** What shakes along the nail is a burr left there: strokes at that place on the finest stone, taken off, and felt again. */
export function answeredNail(run: Run, shakes: readonly Shake[]): Run {
  const step = finestStone(run);
  if (shakes.length === 0 || step === undefined) return goTo(run, run.at + 1);
  const press = shakes.map((shake) => SHAKE_PLACES[shake]).sort((a, b) => a - b);
  return telling(pressedAt(run, step, press, [{ kind: 'burr-off' }]), { by: 'shakes', press });
}

/** Where an edge stands proud of a straightedge, by where light shows beside it: places 0 to 4 from the left. */
const PROUD: Readonly<Record<Exclude<Light, 'none'>, readonly number[]>> = {
  middle: [0, 4],
  ends: [1, 2, 3],
};

/** Light under the middle: its ends stand proud, and are pressed; light at the ends, its middle. Then it is looked at again. */
export function answeredLight(run: Run, step: number, light: Light): Run {
  if (light === 'none') return goTo(run, run.at + 1);
  const press = PROUD[light];
  return telling(pressedAt(run, step, press), { by: `light-${light}`, press });
}

/** What stands proud of a gouge or a V-tool gets some strokes, part by part, and it is looked at again. */
export function answeredFromEnd(run: Run, step: number, seen: SeenFromEnd): Run {
  if (seen === 'even') return goTo(run, run.at + 1);
  const stone = run.steps[step];
  if (!stone) return run;
  const places = aheadMm(seen, 1).map((share) => Math.round(GAP_STROKES * share));
  const strokes = places.reduce((sum, each) => sum + each, 0);
  const added = addStep(run, stone.abrasiveId, strokes, { places, like: stone.like ?? step });
  return telling(putBefore(added.run, [{ kind: 'stone', step: added.step }]), { by: seen });
}

/** A corner that holds a few old marks may wait; what is not polished gets more strokes. */
export function answeredPolish(run: Run, step: number, polish: Polish): Run {
  if (polish !== 'not-yet') return goTo(run, run.at + 1);
  return telling(putBefore(wantMore(run, step), [{ kind: 'stone', step }]), { by: 'unpolished' });
}

/** Colour left where it should not be puts in what mends it, and the marker again. */
export function answeredMarker(run: Run, left: readonly ColourLeft[]): Run {
  const station = run.stations[run.at];
  const word = markerTells(left, station?.kind === 'marker' && (station.steeper ?? false));
  if (!word) return goTo(run, run.at + 1);
  const cure = markerCure(word, run);
  const stations = [...run.stations.slice(0, run.at), ...cure, ...run.stations.slice(run.at + 1)];
  return telling({ ...run, stations }, { by: word });
}

/**
 * Scratches that still show: more strokes there; a second time after a wash, for it may be a stray grain, or on the next
 * piece of film or paper, for this one may be cut; a third time on the stone before, whose own work is not done.
 */
export function answeredScratch(
  run: Run,
  { step, sheet }: { readonly step: number; readonly sheet?: boolean },
  gone: boolean,
): Run {
  if (gone) return goTo(run, run.at + 1);
  const rounds = run.scratched[step] ?? 0;
  const counted = { ...run, scratched: { ...run.scratched, [step]: rounds + 1 } };
  const stone = { kind: 'stone', step } as const;
  const coarser = rounds < 2 ? undefined : stoneBefore(run, step);
  if (coarser !== undefined) {
    const { abrasiveId, planned } = run.steps[coarser] as RunStep;
    const added = addStep(counted, abrasiveId, moreStrokes(planned), { like: coarser });
    const led = putBefore(wantMore(added.run, step), [
      { kind: 'stone', step: added.step },
      { kind: 'wash' },
      stone,
    ]);
    return telling(led, { by: 'scratches-back' });
  }
  const again = rounds > 0;
  const { abrasiveId } = run.steps[step] as RunStep;
  const cure: Station = sheet ? { kind: 'care', abrasiveId, care: 'laid-aside' } : { kind: 'wash' };
  const more = putBefore(wantMore(counted, step), again ? [cure, stone] : [stone]);
  return telling(more, { by: again ? (sheet ? 'scratches-sheet' : 'scratches-again') : 'scratches' });
}

/** The planned step of the stone that was on the edge before this one’s. */
function stoneBefore({ plan }: Run, step: number): number | undefined {
  const abrasiveId = plan.steps[step]?.abrasiveId;
  const found = plan.steps.findLastIndex(
    (each, i) => i < step && purposeOf(each) === 'edge' && each.abrasiveId !== abrasiveId,
  );
  return found < 0 ? undefined : found;
}

/** Too hot is dipped and ground on lighter; coloured is ground past the colour, for the steel is soft there. */
export function answeredHeat(run: Run, heat: Heat): Run {
  if (heat === 'cool') return goTo(run, run.at + 1);
  const { grinding } = run.plan;
  if (!grinding) return goTo(run, run.at + 1);
  const coloured = heat === 'coloured';
  return telling(putBefore(run, [{ kind: 'grind', grinding, ...(coloured && { pastColour: true }) }]), {
    by: coloured ? 'coloured' : ('hot' satisfies GateWord),
  });
}

/** An earlier station once more, here; strokes of it are counted by themselves. */
export function repeated(run: Run, index: number): Run {
  const station = run.stations[index];
  if (!station) return run;
  if (station.kind !== 'stone') return putBefore(run, [station]);
  const step = run.steps[station.step];
  if (!step) return run;
  const { abrasiveId, planned, places, like = station.step } = step;
  const added = addStep(run, abrasiveId, planned, { like, ...(places && { places }) });
  return putBefore(added.run, [{ kind: 'stone', step: added.step }]);
}

/** Work put in by hand, before the station at hand. */
export function inserted(run: Run, work: PutIn): Run {
  if (work.kind !== 'strokes') return putBefore(run, [{ kind: work.kind }]);
  const added = addStep(run, work.abrasiveId, work.strokes);
  return putBefore(added.run, [{ kind: 'stone', step: added.step }]);
}
