/** A figure and how well it is known: it lies this much to either side (95 %), in the figure's own unit. */
export interface Known {
  readonly value: number;
  readonly pm: number;
}

/** A right reading lies so many of both ± off one time in a hundred. */
const CONTRADICTS = 2.576 / 1.96;

/**
 * What is known after a reading: the reading and what was reckoned, each by the inverse of the square of its ± (the
 * update of a Kalman filter in one dimension). A reading that lies further off than both doubts allow, one time in a
 * hundred by chance, stands alone, and what it contradicts is told.
 * @example weighed({ value: 0.6, pm: 0.1 }, { value: 0.7, pm: 0.05 }) // { value: 0.68, pm: 0.045 }
 */
export function weighed(reckoned: Known, read: Known): Known & { readonly against?: Known } {
  const doubts = Math.hypot(reckoned.pm, read.pm);
  if (Math.abs(read.value - reckoned.value) > CONTRADICTS * doubts) return { ...read, against: reckoned };
  if (doubts === 0) return read;
  const trust = (read.pm / doubts) ** 2;
  return {
    value: read.value + trust * (reckoned.value - read.value),
    pm: (read.pm * reckoned.pm) / doubts,
  };
}
