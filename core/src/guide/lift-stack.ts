import { Refusal, insist } from '../refusal.js';
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
  const fewest = fewestFor(packing, Math.min(2 * wantedUm + UM, reachUm - 1));
  const stacks = fewest.flatMap((taken, heightUm) =>
    taken === undefined || heightUm === 0 ? [] : [heightUm],
  );
  const angle = (heightUm: number): number => liftAngle(knife, heightUm / UM).bevelDeg;
  const off = (heightUm: number): number => Math.abs(angle(heightUm) - knife.bevelDeg);
  const near = stacks.filter((heightUm) => off(heightUm) <= STACK_TOLERANCE_DEG + 1e-9);
  const best = least(near, (heightUm) => [total(fewest[heightUm] as Taken), Math.abs(heightUm - wantedUm)]);
  if (best === undefined) {
    const nearest = least(stacks, (heightUm) => [off(heightUm), 0]);
    const says =
      nearest === undefined
        ? 'every piece is thicker than the lift itself'
        : `the nearest they come to is ${angle(nearest).toFixed(1)}°`;
    throw new Refusal(
      'packing',
      `These pieces do not stack to within half a degree of ${knife.bevelDeg}°: ${says}. Add a thinner piece.`,
    );
  }
  const taken = fewest[best] as Taken;
  return {
    pieces: packing.flatMap(({ name }, i) => (taken[i] ? [{ name, count: taken[i] }] : [])),
    heightMm: best / UM,
    bevelDeg: angle(best),
  };
}

type Taken = readonly number[];
const total = (taken: Taken): number => taken.reduce((sum, count) => sum + count, 0);

/** For every height in µm up to `mostUm`, the fewest pieces that make it: a bounded knapsack. */
function fewestFor(packing: readonly Packing[], mostUm: number): readonly (Taken | undefined)[] {
  const most = Math.floor(mostUm);
  const best = new Array<Taken | undefined>(most + 1);
  best[0] = packing.map(() => 0);
  let reached = [0];
  packing.forEach(({ thicknessMm, count }, kind) => {
    const step = Math.round(thicknessMm * UM);
    const found = new Set<number>();
    // As it stood before this kind, so that none of its pieces is counted twice.
    const standing = reached.map((height) => [height, best[height] as Taken] as const);
    for (const [from, before] of standing) {
      for (let n = 1; n <= count && from + n * step <= most; n++) {
        const height = from + n * step;
        const taken = before.with(kind, n);
        const other = best[height];
        if (other !== undefined && total(other) <= total(taken)) continue;
        best[height] = taken;
        found.add(height);
      }
    }
    reached = [...new Set([...reached, ...found])];
  });
  return best;
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
