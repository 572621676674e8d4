import { Refusal, insist } from '../base/refusal.js';
import { knifeLift, liftAngle, type KnifeLiftInput } from './knife-lift.js';

/** Washers, cards or coins of one kind. */
export interface Packing {
  readonly name: string;
  readonly thicknessMm: number;
  /** How many there are. */
  readonly count: number;
}

export interface LiftStack {
  readonly pieces: readonly { readonly name: string; readonly count: number }[];
  readonly heightMm: number;
  /** The bevel per side this stack gives. */
  readonly bevelDeg: number;
}

/** How far off the bevel wanted a stack may be, degrees either way. */
export const STACK_TOLERANCE_DEG = 0.5;

const UM = 1000;

/**
 * The fewest pieces that lift a knife's spine to within half a degree of the bevel wanted; among
 * equally few, the stack nearest to it. Heights are reckoned to the micrometre.
 * @throws Refusal on `packing` when no stack comes near enough, saying how near the best one is.
 */
export function liftStack(knife: KnifeLiftInput, packing: readonly Packing[]): LiftStack {
  insist(
    packing.length > 0,
    'packing',
    'Say what there is to stack: washers, cards or coins, and how thick.',
  );
  const wantedUm = knifeLift(knife).liftMm * UM;
  const reachUm = Math.hypot(knife.widthMm, (knife.spineThicknessMm ?? 0) / 2) * UM;
  const { pieces, takenFor } = fewestFor(packing, Math.min(2 * wantedUm + UM, reachUm - 1));
  const made = (heightUm: number): boolean => heightUm > 0 && pieces[heightUm] !== NONE;
  const angle = (heightUm: number): number => liftAngle(knife, heightUm / UM).bevelDeg;
  const off = (heightUm: number): number => Math.abs(angle(heightUm) - knife.bevelDeg);
  // The angle rises with the height: outwards from the lift wanted, the first too far off ends the looking.
  const outwards = function* (from: number, way: 1 | -1): Iterable<number> {
    for (let heightUm = from; heightUm > 0 && heightUm < pieces.length; heightUm += way) yield heightUm;
  };
  const [down, up] = [() => outwards(Math.floor(wantedUm), -1), () => outwards(Math.floor(wantedUm) + 1, 1)];
  const near = [down(), up()].flatMap((heights) => {
    const found: number[] = [];
    for (const heightUm of heights) {
      if (off(heightUm) > STACK_TOLERANCE_DEG + 1e-9) break;
      if (made(heightUm)) found.push(heightUm);
    }
    return found;
  });
  const best = least(near, (heightUm) => [pieces[heightUm] as number, Math.abs(heightUm - wantedUm)]);
  if (best === undefined) {
    const beside = [down(), up()].flatMap((heights) => {
      for (const heightUm of heights) if (made(heightUm)) return [heightUm];
      return [];
    });
    const nearest = least(beside, (heightUm) => [off(heightUm), 0]);
    const says =
      nearest === undefined
        ? 'every piece is thicker than the lift itself'
        : `the nearest they come to is ${angle(nearest).toFixed(1)}°`;
    throw new Refusal(
      'packing',
      `These pieces do not stack to within half a degree of ${knife.bevelDeg}°: ${says}. Add a thinner piece.`,
    );
  }
  const taken = takenFor(best);
  return {
    pieces: packing.flatMap(({ name }, i) => (taken[i] ? [{ name, count: taken[i] }] : [])),
    heightMm: best / UM,
    bevelDeg: angle(best),
  };
}

/** No stack makes this height. */
const NONE = -1;

interface Fewest {
  /** By height in µm, the fewest pieces that make it, or {@link NONE}. */
  readonly pieces: Int32Array;
  /** How many of each kind those are. */
  takenFor(heightUm: number): readonly number[];
}

/**
 * For every height in µm up to `mostUm`, the fewest pieces that make it: a bounded knapsack. Heights a
 * whole number of pieces apart are one row, along which the best of the last `count` places is kept in a
 * queue, so that the work is kinds × heights however many pieces there are.
 */
function fewestFor(packing: readonly Packing[], mostUm: number): Fewest {
  const most = Math.max(0, Math.floor(mostUm));
  const pieces = new Int32Array(most + 1).fill(NONE);
  pieces[0] = 0;
  const before = new Int32Array(most + 1);
  const places = new Int32Array(most + 1);
  // A place's pieces less its number along the row: compared so, places keep their order as the row goes on.
  const keys = new Int32Array(most + 1);
  const taken = packing.map(({ thicknessMm, count }) => {
    const step = Math.round(thicknessMm * UM);
    const ofThis = new Uint16Array(most + 1);
    if (step < 1 || step > most) return ofThis;
    // As it stood before this kind, so that none of its pieces is counted twice.
    before.set(pieces);
    for (let row = 0; row < step; row++) {
      let [head, tail] = [0, 0];
      for (let k = 0, height = row; height <= most; k++, height += step) {
        const here = before[height] as number;
        if (here !== NONE) {
          while (tail > head && (keys[tail - 1] as number) >= here - k) tail--;
          places[tail] = k;
          keys[tail++] = here - k;
        }
        if (tail > head && k - (places[head] as number) > count) head++;
        if (tail === head) continue;
        const total = (keys[head] as number) + k;
        if (here !== NONE && here <= total) continue;
        pieces[height] = total;
        ofThis[height] = k - (places[head] as number);
      }
    }
    return ofThis;
  });
  return {
    pieces,
    takenFor: (heightUm) => {
      let height = heightUm;
      const counts = packing.map(() => 0);
      for (let kind = packing.length - 1; kind >= 0; kind--) {
        counts[kind] = taken[kind]?.[height] ?? 0;
        height -= (counts[kind] as number) * Math.round((packing[kind] as Packing).thicknessMm * UM);
      }
      return counts;
    },
  };
}

/** The item with the least key, keys compared in order. */
function least<T>(items: readonly T[], key: (item: T) => readonly [number, number]): T | undefined {
  let best: { readonly item: T; readonly by: readonly [number, number] } | undefined;
  for (const item of items) {
    const by = key(item);
    if (!best || by[0] < best.by[0] || (by[0] === best.by[0] && by[1] < best.by[1])) best = { item, by };
  }
  return best?.item;
}
