import { insist } from '../base/refusal.js';

/** One crease of a folded sheet's square corner. */
interface Crease {
  readonly deg: number;
  /** After how many halvings it is there. */
  readonly folds: number;
}

export interface Folding {
  /** Every crease after `folds` halvings, from the sheet's edge up. */
  readonly creases: readonly Crease[];
  /** The crease nearest to the angle wanted. */
  readonly nearest: Crease;
  readonly offDeg: number;
}

const MOST_FOLDS = 5;

/**
 * Halving a right angle: a sheet's square corner folded on itself again and again gives creases at
 * multiples of 90°/2ⁿ, to set a blade by eye. The fewest halvings whose nearest crease comes within
 * `withinDeg` of the angle wanted, at most {@link MOST_FOLDS}.
 * @throws Refusal on `angleDeg` outside 0°..90°.
 */
export function foldTo(angleDeg: number, withinDeg = 1.5): Folding {
  insist(angleDeg > 0 && angleDeg < 90, 'angleDeg', 'Choose an angle above 0° and below 90°.');
  for (let folds = 1; ; folds++) {
    const creases = creasesAfter(folds);
    const nearest = creases.reduce((best, crease) =>
      Math.abs(crease.deg - angleDeg) < Math.abs(best.deg - angleDeg) ? crease : best,
    );
    const offDeg = nearest.deg - angleDeg;
    if (Math.abs(offDeg) <= withinDeg || folds === MOST_FOLDS) return { creases, nearest, offDeg };
  }
}

function creasesAfter(folds: number): readonly Crease[] {
  const parts = 2 ** folds;
  return Array.from({ length: parts - 1 }, (_, i) => {
    // Every halving of an even place was there a fold before.
    let [place, made] = [i + 1, folds];
    while (place % 2 === 0) [place, made] = [place / 2, made - 1];
    return { deg: (90 * (i + 1)) / parts, folds: made };
  });
}

/** One halving on the way to a crease: the part of the corner that is folded, and the crease it makes. */
export interface Halving {
  readonly low: number;
  readonly high: number;
  readonly deg: number;
}

/** The way to a crease: halve the right angle, then ever the part that holds it. */
export function halvings(deg: number): readonly Halving[] {
  const steps: Halving[] = [];
  let [low, high] = [0, 90];
  while (steps.length <= MOST_FOLDS) {
    const middle = (low + high) / 2;
    steps.push({ low, high, deg: middle });
    if (Math.abs(middle - deg) < 1e-9) break;
    if (deg < middle) high = middle;
    else low = middle;
  }
  return steps;
}
