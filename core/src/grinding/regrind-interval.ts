import { sinDeg, tanDeg } from '../base/trig.js';
import { insist } from '../base/refusal.js';

export interface RegrindIntervalInput {
  readonly primaryDeg: number;
  readonly secondaryDeg: number;
  readonly widthMm: number;
  readonly recessionPerHoningMm: number;
  /** Of the stone that takes the worn steel. */
  readonly removalMm3PerMin: number;
  /** One regrinding. */
  readonly regrindMin: number;
  /** What every millimetre of land adds on the finer stones at a honing, min; nothing unless said. */
  readonly finishingMinPerMm?: number;
}

export interface RegrindInterval {
  /** Honings from one regrinding to the next. */
  readonly honings: number;
  /** Minutes a honing then takes, its share of the grinding with it. */
  readonly meanMin: number;
}

/**
 * Minutes a honing takes on average when the primary is ground anew after every n: the grinding
 * shared out, and the land's steel, which grows with n: regrind/n + ½·G·n·δ²·w/rate,
 * G = tan θ1·tan θ2/(tan θ2 − tan θ1); and half of what the finer stones take longer on a land of n·δ/(sin θ2·(cot θ1 −
 * cot θ2)).
 */
export function meanHoningMin(input: RegrindIntervalInput, honings: number): number {
  return input.regrindMin / honings + steelMinPerHoning(input) * honings;
}

/**
 * The number of honings between two regrindings that makes them the least work: the whole number next
 * to √(regrind/(½·G·δ²·w/rate)), the smaller at a tie. 25/30, 50 mm wide, 0.02 mm a honing, 1.5 mm³/min,
 * 12 min → 27 honings of 0.8809 min.
 * @throws Refusal on the field that is out of range
 */
export function regrindInterval(input: RegrindIntervalInput): RegrindInterval {
  const { primaryDeg, secondaryDeg, regrindMin } = input;
  insist(primaryDeg > 0, 'primaryDeg', 'Choose a primary angle above 0°.');
  insist(
    secondaryDeg > primaryDeg && secondaryDeg < 90,
    'secondaryDeg',
    `A secondary bevel is steeper than the primary: choose more than ${primaryDeg}° and less than 90°.`,
  );
  for (const field of ['widthMm', 'recessionPerHoningMm', 'removalMm3PerMin', 'regrindMin'] as const) {
    insist(input[field] > 0, field, 'Give more than 0.');
  }
  const least = Math.sqrt(regrindMin / steelMinPerHoning(input));
  const below = Math.max(1, Math.floor(least));
  const [few, more] = [meanHoningMin(input, below), meanHoningMin(input, below + 1)];
  return few <= more ? { honings: below, meanMin: few } : { honings: below + 1, meanMin: more };
}

function steelMinPerHoning(input: RegrindIntervalInput): number {
  const { recessionPerHoningMm, widthMm, removalMm3PerMin, finishingMinPerMm = 0 } = input;
  const [rise1, rise2] = [tanDeg(input.primaryDeg), tanDeg(input.secondaryDeg)];
  const growth = (rise1 * rise2) / (rise2 - rise1);
  const landPerHoningMm = recessionPerHoningMm / (sinDeg(input.secondaryDeg) * (1 / rise1 - 1 / rise2));
  const steel = (growth * recessionPerHoningMm ** 2 * widthMm) / removalMm3PerMin;
  return (steel + landPerHoningMm * finishingMinPerMm) / 2;
}
