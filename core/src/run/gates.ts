import type { CareKind } from '../abrasive/care.js';
import type { Burr, ProofTest } from '../record/session.js';
import { purposeOf } from '../plan/bench-step.js';
import type { Station } from '../plan/station.js';
import type { Run } from './run-state.js';
import type { BurrFeel, ColourLeft, GateWord } from './answers.js';

/** Strokes put in at each place where a burr is missing (estimate). */
export const GAP_STROKES = 3;

/** A burr by its places: the weaker side counts where both were felt. */
export function burrOf(places: readonly BurrFeel[], other?: readonly BurrFeel[]): Burr {
  const weaker = places.map((feel, i) => (feel === 'none' || other?.[i] === 'none' ? 'none' : feel));
  const missing = weaker.filter((feel) => feel === 'none').length;
  return missing === 0 ? 'all-along' : missing === weaker.length ? 'none' : 'in-part';
}

/** Where a burr is missing on either side. */
export const gapsOf = (places: readonly BurrFeel[], other?: readonly BurrFeel[]): readonly number[] =>
  places.flatMap((feel, i) => (feel === 'none' || other?.[i] === 'none' ? [i] : []));

/** Where it is weaker than at its strongest: what a strong place asks to be pressed instead. */
export function weakerThanStrong(places: readonly BurrFeel[]): readonly number[] {
  return places.includes('strong') ? places.flatMap((feel, i) => (feel === 'strong' ? [] : [i])) : [];
}

/** What colour left on the bevel means, the worst first; undefined where the stone touches all of it. */
export function markerTells(left: readonly ColourLeft[], steeperWanted: boolean): GateWord | undefined {
  if (left.includes('patches')) return 'marker-hollow';
  if (left.includes('left') !== left.includes('right')) return 'marker-skewed';
  // Colour left at the edge: the stone touches behind it only.
  if (left.includes('edge')) return 'marker-low';
  // At the heel it is as it should be where a steeper land is being honed.
  if (left.includes('heel') && !steeperWanted) return 'marker-steep';
  return undefined;
}

/** What a marker's answer puts in before the marker is looked at again. */
export function markerCure(word: GateWord, run: Run): readonly Station[] {
  const again = run.stations[run.at] ?? ({ kind: 'marker' } as const);
  if (word === 'marker-hollow') {
    const stone = run.steps[firstStone(run) ?? 0];
    return stone
      ? [{ kind: 'care', abrasiveId: stone.abrasiveId, care: 'flattened' satisfies CareKind }, again]
      : [again];
  }
  const held = run.stations.find(({ kind }) => kind === 'set' || kind === 'lift');
  return held ? [held, again] : [again];
}

/** The step of the shaping stone: the first that is neither the back's nor the curve's. */
export function firstStone({ stations, plan }: Pick<Run, 'stations' | 'plan'>): number | undefined {
  const found = stations.find((station) => {
    const step = station.kind === 'stone' ? plan.steps[station.step] : undefined;
    return step && ['edge', 'strop'].includes(purposeOf(step));
  });
  return found?.kind === 'stone' ? found.step : undefined;
}

/** The step of the finest stone that was on the edge before the station at hand; none where only a strop was. */
export function finestStone({ stations, at, plan }: Run): number | undefined {
  const found = stations.slice(0, at).findLast((station) => {
    const step = station.kind === 'stone' ? plan.steps[station.step] : undefined;
    return step && purposeOf(step) === 'edge';
  });
  return found?.kind === 'stone' ? found.step : undefined;
}

/** Where an edge that falls short is led back to, and why. */
interface LedBack {
  readonly station: number;
  readonly why: string;
}

/**
 * The likeliest step behind a proof that failed: what shook along the nail is a burr; what skates or shines was
 * not honed to the edge, unless its burr stood all along: then it is the finish; lines in a cut are a nick or an
 * earlier stone's scratches. Common practice, no source.
 */
export function ledBack(run: Run, test: ProofTest): LedBack | undefined {
  const last = (kind: Station['kind']): number =>
    run.stations.findLastIndex((station, i) => i < run.at && station.kind === kind);
  const shaping = firstStone(run);
  const first = run.stations.findIndex((station) => station.kind === 'stone' && station.step === shaping);
  const finest = run.stations.findLastIndex(
    (station, i) => i < run.at && station.kind === 'stone' && !run.plan.steps[station.step]?.afterBurr,
  );
  const to = (station: number, why: string): LedBack | undefined =>
    station < 0 ? undefined : { station, why };
  switch (test) {
    case 'nail-drawn':
      return to(
        last('burr-off'),
        'What shakes along the nail is a burr left standing: take it off, lighter and lighter.',
      );
    case 'cut':
    case 'sound':
      return to(
        finest,
        'Lines in the cut and a dull drag are scratches of an earlier stone, or a nick: the finest stone longer, or look with a lens.',
      );
    case 'paper':
    case 'hair':
    case 'shaving':
    case 'force':
      return to(
        finest,
        'It cuts, but not finely: the last stone has not cleared the marks of the one before.',
      );
    case 'nail':
    case 'light':
      return run.burr === 'all-along'
        ? to(finest, 'The burr stood all along, so the edge was reached: it is the finish that is short.')
        : to(
            first,
            'It skates, or shines where it is blunt: the shaping stone has not reached the edge there.',
          );
  }
}
