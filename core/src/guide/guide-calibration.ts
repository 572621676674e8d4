import { student975 } from '../base/student.js';
import { toDeg } from '../base/trig.js';
import { insist, unlessRefused } from '../base/refusal.js';

/** One setting of a guide, measured: how far the edge stood out, and the angle it then gave. */
export interface GuideReading {
  readonly projectionMm: number;
  readonly angleDeg: number;
}

interface GuideCalibrationInput {
  readonly rollerRadiusMm: number;
  /** How much lower the roller runs than the abrasive. */
  readonly rollerDropMm?: number | undefined;
  /** Two or more, at two different angles at least; without cam. */
  readonly readings: readonly GuideReading[];
  /** Smallest division of the protractor, degrees. */
  readonly divisionDeg?: number;
}

/** The reading that the others contradict, counted from 0, and what they say of it. */
interface Contradiction {
  readonly index: number;
  /** The angle the other readings put there. */
  readonly expectedDeg: number;
  readonly offDeg: number;
}

export interface GuideCalibration {
  /** H: the blade's back above the axle as it was measured, thickness included. */
  readonly seatHeightMm: number;
  readonly noseMm: number;
  /** √(Σ residual²/n), degrees. */
  readonly rmsDeg: number;
  /** Measured less fitted, degrees, in the order of the readings. */
  readonly residualsDeg: readonly number[];
  /** Standard deviation taken for one reading, degrees: the division's, pooled with the misfit. */
  readonly readingSdDeg: number;
  /** Covariance of (H, a), mm². */
  readonly covariance: Covariance;
  /** Student's factor for a 95 % interval from that many readings. */
  readonly coverage: number;
  /** Whether there are enough readings to tell one that is wrong. */
  readonly canDoubt: boolean;
  readonly contradiction?: Contradiction;
}

/** Var H, cov(H, a), var a. */
type Covariance = readonly [number, number, number];

/** Readings it takes before one of them can be told to be wrong. */
export const READINGS_TO_DOUBT = 4;
export const USUAL_DIVISION_DEG = 0.5;
/** How many readings' worth of trust the protractor's own division has beside the misfit (estimate). */
const DIVISION_WORTH = 8;
/** Studentised error beyond which the other readings contradict one (about 3 in 1000 by chance). */
const CONTRADICTED = 3.5;

/**
 * A guide's geometry from measured settings: the seat height H and the nose a that make
 * θ(p) = atan2(H, p + a) + asin((r − k)/√((p + a)² + H²)) fit the readings best, by least squares in angle
 * (Levenberg–Marquardt from the linear solution of (p + a)·sin θ − H·cos θ = r). A reading's own
 * uncertainty is its division/√12 (JCGM 100, 4.3.7), pooled with the misfit. With four readings or
 * more each is held against the fit of the others.
 * @throws Refusal on `readings` when they are too few, too alike, or fit no guide.
 */
export function guideCalibration(input: GuideCalibrationInput): GuideCalibration {
  const { rollerRadiusMm, rollerDropMm = 0, readings, divisionDeg = USUAL_DIVISION_DEG } = input;
  insist(rollerRadiusMm > 0, 'rollerRadiusMm', 'A roller has some radius: give more than 0 mm.');
  const r = rollerRadiusMm - rollerDropMm;
  insist(readings.length >= 2, 'readings', 'Measure two settings at least, at two different angles.');
  readings.forEach(({ projectionMm, angleDeg }, i) => {
    insist(projectionMm > 0, `readings.${i}.projectionMm`, 'The edge has to stand out of the guide.');
    insist(angleDeg > 0 && angleDeg < 90, `readings.${i}.angleDeg`, 'An angle lies between 0° and 90°.');
  });
  insist(
    spread(readings.map(({ angleDeg }) => angleDeg)) > 0.1 &&
      spread(readings.map((x) => x.projectionMm)) > 0.1,
    'readings',
    'These readings are all of one setting: measure another, some way off, so that the angle changes.',
  );
  const fitted = fit(r, readings);
  const contradiction =
    readings.length >= READINGS_TO_DOUBT ? contradicted(r, readings, divisionDeg) : undefined;
  const sd = pooledSd(fitted, divisionDeg);
  return {
    seatHeightMm: fitted.h,
    noseMm: fitted.a,
    rmsDeg: Math.sqrt(fitted.squares / readings.length),
    residualsDeg: fitted.residuals,
    readingSdDeg: sd,
    covariance: fitted.inverse.map((each) => each * sd * sd) as unknown as Covariance,
    coverage: student975(DIVISION_WORTH + readings.length - 2),
    canDoubt: readings.length >= READINGS_TO_DOUBT,
    ...(contradiction && { contradiction }),
  };
}

/** Half the 95 % interval, mm, of a projection reckoned from a measured guide for an angle. */
export function projectionUncertaintyMm(
  { covariance: [hh, ha, aa], coverage }: Pick<GuideCalibration, 'covariance' | 'coverage'>,
  angleDeg: number,
): number {
  // p = (r + H·cos θ)/sin θ − a, so ∂p/∂H = cot θ and ∂p/∂a = −1.
  const cot = 1 / Math.tan((angleDeg * Math.PI) / 180);
  return coverage * Math.sqrt(Math.max(0, cot * cot * hh - 2 * cot * ha + aa));
}

interface Fit {
  readonly h: number;
  readonly a: number;
  /** Degrees. */
  readonly residuals: readonly number[];
  /** Their sum of squares. */
  readonly squares: number;
  /** (JᵀJ)⁻¹ with J in degrees per mm: (hh, ha, aa). */
  readonly inverse: Covariance;
}

/** θ in degrees and its slopes in degrees per mm of H and of a; NaN where the roller is out of reach. */
function angleAt(r: number, h: number, reach: number): readonly [deg: number, perH: number, perA: number] {
  const angle = Math.atan2(h, reach) + Math.asin(r / Math.hypot(reach, h));
  const along = reach * Math.cos(angle) + h * Math.sin(angle);
  return [toDeg(angle), toDeg(Math.cos(angle) / along), toDeg(-Math.sin(angle) / along)];
}

function fit(r: number, readings: readonly GuideReading[]): Fit {
  let [h, a] = linearStart(r, readings);
  let now = assess(r, h, a, readings);
  let damping = 1e-3;
  for (let round = 0; round < 200 && damping < 1e12; round++) {
    const { hh, ha, aa, gh, ga } = now;
    const [dh, da] = solve(hh * (1 + damping), ha, aa * (1 + damping), gh, ga);
    const next = assess(r, h + dh, a + da, readings);
    if (!(next.squares <= now.squares)) {
      damping *= 8;
      continue;
    }
    [h, a, now] = [h + dh, a + da, next];
    damping = Math.max(1e-12, damping / 8);
    if (Math.abs(dh) + Math.abs(da) < 1e-12 * (Math.abs(h) + Math.abs(a) + 1)) break;
  }
  const determinant = now.hh * now.aa - now.ha * now.ha;
  insist(
    Number.isFinite(now.squares) && determinant > 0 && h > -20 && h < 120 && a > -60 && a < 120,
    'readings',
    'No roller guide gives these readings: the further the blade stands out, the lower the angle has to be. Check that each angle stands beside its own projection.',
  );
  const inverse = [now.aa / determinant, -now.ha / determinant, now.hh / determinant] as const;
  return { h, a, residuals: now.residuals, squares: now.squares, inverse };
}

/** p·sin θ + a·sin θ − H·cos θ = r is linear in H and a. */
function linearStart(r: number, readings: readonly GuideReading[]): readonly [h: number, a: number] {
  let [hh, ha, aa, gh, ga] = [0, 0, 0, 0, 0];
  for (const { projectionMm, angleDeg } of readings) {
    const angle = (angleDeg * Math.PI) / 180;
    const [byH, byA] = [-Math.cos(angle), Math.sin(angle)];
    const rest = r - projectionMm * Math.sin(angle);
    hh += byH * byH;
    ha += byH * byA;
    aa += byA * byA;
    gh += byH * rest;
    ga += byA * rest;
  }
  return solve(hh, ha, aa, gh, ga);
}

function assess(r: number, h: number, a: number, readings: readonly GuideReading[]) {
  let [hh, ha, aa, gh, ga, squares] = [0, 0, 0, 0, 0, 0];
  const residuals = readings.map(({ projectionMm, angleDeg }) => {
    const [deg, byH, byA] = angleAt(r, h, projectionMm + a);
    const residual = angleDeg - deg;
    hh += byH * byH;
    ha += byH * byA;
    aa += byA * byA;
    gh += byH * residual;
    ga += byA * residual;
    squares += residual * residual;
    return residual;
  });
  return { hh, ha, aa, gh, ga, squares, residuals };
}

/** The symmetric 2 × 2 system. */
function solve(hh: number, ha: number, aa: number, gh: number, ga: number): readonly [number, number] {
  const determinant = hh * aa - ha * ha;
  return [(gh * aa - ga * ha) / determinant, (ga * hh - gh * ha) / determinant];
}

function pooledSd({ squares, residuals }: Fit, divisionDeg: number): number {
  const own = (divisionDeg * divisionDeg) / 12;
  return Math.sqrt((DIVISION_WORTH * own + squares) / (DIVISION_WORTH + residuals.length - 2));
}

/** Leave-one-out: the reading furthest, in its own standard deviations, from the fit of the others. */
function contradicted(
  r: number,
  readings: readonly GuideReading[],
  divisionDeg: number,
): Contradiction | undefined {
  const judged = readings.flatMap((reading, index) => {
    const others = fitOrNothing(
      r,
      readings.filter((_, i) => i !== index),
    );
    if (!others) return [];
    const [expectedDeg, byH, byA] = angleAt(r, others.h, reading.projectionMm + others.a);
    const [hh, ha, aa] = others.inverse;
    const leverage = byH * byH * hh + 2 * byH * byA * ha + byA * byA * aa;
    const offDeg = reading.angleDeg - expectedDeg;
    return [
      {
        index,
        expectedDeg,
        offDeg,
        by: Math.abs(offDeg) / (pooledSd(others, divisionDeg) * Math.sqrt(1 + leverage)),
      },
    ];
  });
  const worst = judged.reduce((a, b) => (b.by > a.by ? b : a), {
    index: -1,
    expectedDeg: 0,
    offDeg: 0,
    by: 0,
  });
  const { by, ...contradiction } = worst;
  return by > CONTRADICTED ? contradiction : undefined;
}

function fitOrNothing(r: number, readings: readonly GuideReading[]): Fit | undefined {
  if (spread(readings.map(({ angleDeg }) => angleDeg)) <= 0.1) return undefined;
  return unlessRefused(() => fit(r, readings));
}

const spread = (values: readonly number[]): number => Math.max(...values) - Math.min(...values);
