import type { Burr } from '../session/session.js';
import { strokesOf, type Count } from './counting.js';
import {
  BURR_PLACES,
  GAP_STROKES,
  firstStone,
  gapsOf,
  markerCure,
  markerTells,
  weakerThanStrong,
  type BurrFeel,
  type GateWord,
  type Heat,
  type ColourLeft,
  type Told,
} from './gates.js';
import type { PutIn, Run, RunStep } from './run.js';
import type { Station } from './station.js';

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
  changeStep(run, index, ({ planned, target, strokes }) => ({
    target: Math.max(target, strokes) + moreStrokes(planned),
  }));

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

/** A step of its own for strokes that were not in the plan. */
function addStep(
  run: Run,
  abrasiveId: string,
  strokes: number,
  places?: readonly number[],
): { readonly run: Run; readonly step: number } {
  const step: RunStep = {
    abrasiveId,
    planned: strokes,
    target: strokes,
    strokes: 0,
    minutes: 0,
    count: 'through',
    ...(places && { places }),
  };
  return { run: { ...run, steps: [...run.steps, step] }, step: run.steps.length };
}

/**
 * A burr all along, or too small to tell, lets the run go on, with strong places in mind. Gaps felt place by place
 * put in three strokes pressed at each of them and the burr again; a burr only said to be in part, or none, sends the
 * run back to the stone.
 */
export function answeredBurr(
  run: Run,
  burr: Burr,
  felt: { readonly places?: readonly BurrFeel[]; readonly other?: readonly BurrFeel[] },
): Run {
  const { places, other } = felt;
  const known = { ...run, burr, ...(places && { burrPlaces: places }) };
  if (burr === 'all-along' || burr === 'cannot-tell') {
    const on = goTo(known, run.at + 1);
    const press = places ? weakerThanStrong(places) : [];
    return press.length > 0 ? telling(on, { by: 'burr-strong', press }) : on;
  }
  const stone = firstStone(run);
  const gaps = places ? gapsOf(places, other) : [];
  const abrasiveId = stone === undefined ? undefined : run.steps[stone]?.abrasiveId;
  if (burr === 'in-part' && gaps.length > 0 && abrasiveId !== undefined) {
    const at = Array.from({ length: BURR_PLACES }, (_, i) => (gaps.includes(i) ? GAP_STROKES : 0));
    const added = addStep(known, abrasiveId, GAP_STROKES * gaps.length, at);
    return telling(putBefore(added.run, [{ kind: 'stone', step: added.step }]), {
      by: 'burr-gaps',
      press: gaps,
    });
  }
  const by = burr === 'none' ? 'burr-none' : 'burr-gaps';
  const back = run.stations.findIndex(({ kind }) => kind === 'stone');
  const shaping =
    stone === undefined ? back : run.stations.findIndex((s) => s.kind === 'stone' && s.step === stone);
  return telling(wantMore(goTo(known, shaping), stone ?? 0), { by });
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

/** Scratches that still show: more strokes there; a second time after a wash, for it may be a stray grain. */
export function answeredScratch(run: Run, step: number, gone: boolean): Run {
  if (gone) return goTo(run, run.at + 1);
  const again = run.history.includes('scratches');
  const more = wantMore(run, step);
  const stations: readonly Station[] = [
    ...(again ? [{ kind: 'wash' } as const] : []),
    { kind: 'stone', step },
  ];
  return telling(putBefore(more, stations), { by: again ? 'scratches-again' : 'scratches' });
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
  const added = addStep(run, step.abrasiveId, step.planned, step.places);
  return putBefore(added.run, [{ kind: 'stone', step: added.step }]);
}

/** Work put in by hand, before the station at hand. */
export function inserted(run: Run, work: PutIn): Run {
  if (work.kind !== 'strokes') return putBefore(run, [{ kind: work.kind }]);
  const added = addStep(run, work.abrasiveId, work.strokes);
  return putBefore(added.run, [{ kind: 'stone', step: added.step }]);
}
