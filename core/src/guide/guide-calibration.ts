import { student975, studentQuantile } from '../base/student.js';
import { cosDeg, sinDeg, toDeg } from '../base/trig.js';
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
  /** How far readings of one setting by the same hand lie apart, as a standard deviation; thought to be usual unless said. */
  readonly shakeDeg?: number | undefined;
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
  /** Standard deviation taken for one reading, degrees: the division's and the hand's, pooled with the misfit. */
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
/** How far a careful hand’s readings of one setting lie apart, degrees (standard deviation, an estimate). */
const USUAL_SHAKE_DEG = 0.2;
/** How many readings' worth of trust that has beside the misfit, and a shake that was looked for (estimates). */
const USUAL_WORTH = 4;
const ASKED_WORTH = 30;
/** A right set of readings has one called a contradiction one time in a hundred. */
const FALSE_ALARM = 0.01;

/**
 * A guide's geometry from measured settings: the seat height H and the nose a that make
 * θ(p) = atan2(H, p + a) + asin((r − k)/√((p + a)² + H²)) fit the readings best, by least squares in angle
 * (Levenberg–Marquardt from the linear solution of (p + a)·sin θ − H·cos θ = r). A reading's own
 * uncertainty is its division/√12 (JCGM 100, 4.3.7) and the shake of the hand, pooled with the misfit; the division errs
 * the same way in every reading of one setting, so repeats do not make it less. With four readings or more each is held
 * against the fit of the others, by Student's t at one false alarm in a hundred over all of them together.
 * @throws Refusal on `readings` when they are too few, too alike, or fit no guide.
 */
export function guideCalibration(input: GuideCalibrationInput): GuideCalibration {
  const { rollerRadiusMm, rollerDropMm = 0, readings, divisionDeg = USUAL_DIVISION_DEG, shakeDeg } = input;
  insist(shakeDeg === undefined || shakeDeg >= 0, 'shakeDeg', 'A hand shakes by 0° at least.');
  const reading = readingDoubt(divisionDeg, shakeDeg);
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
  const contradiction = readings.length >= READINGS_TO_DOUBT ? contradicted(r, readings, reading) : undefined;
  const sd = pooledSd(fitted, reading);
  const settings = new Set(readings.map(({ projectionMm }) => projectionMm.toFixed(1))).size;
  const shared = (readings.length / settings - 1) * reading.divisionVariance;
  const variance = sd * sd + shared;
  return {
    seatHeightMm: fitted.h,
    noseMm: fitted.a,
    rmsDeg: Math.sqrt(fitted.squares / readings.length),
    residualsDeg: fitted.residuals,
    readingSdDeg: sd,
    covariance: fitted.inverse.map((each) => each * variance) as unknown as Covariance,
    coverage: student975(reading.worth + readings.length - 2),
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

/** What is known of one reading before any fit: its variance, degrees², and how many readings that is worth. */
interface ReadingDoubt {
  readonly variance: number;
  readonly divisionVariance: number;
  readonly worth: number;
}

function readingDoubt(divisionDeg: number, shakeDeg: number | undefined): ReadingDoubt {
  const divisionVariance = divisionDeg ** 2 / 12;
  return {
    divisionVariance,
    variance: divisionVariance + (shakeDeg ?? USUAL_SHAKE_DEG) ** 2,
    worth: shakeDeg === undefined ? USUAL_WORTH : ASKED_WORTH,
  };
}

function pooledSd({ squares, residuals }: Fit, { variance, worth }: ReadingDoubt): number {
  return Math.sqrt((worth * variance + squares) / (worth + residuals.length - 2));
}

/** Leave-one-out: the reading furthest, in its own standard deviations, from the fit of the others. */
function contradicted(
  r: number,
  readings: readonly GuideReading[],
  doubt: ReadingDoubt,
): Contradiction | undefined {
  const beyond = studentQuantile(1 - FALSE_ALARM / (2 * readings.length), doubt.worth + readings.length - 3);
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
        by: Math.abs(offDeg) / (pooledSd(others, doubt) * Math.sqrt(1 + leverage)),
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
  return by > beyond ? contradiction : undefined;
}

function fitOrNothing(r: number, readings: readonly GuideReading[]): Fit | undefined {
  if (spread(readings.map(({ angleDeg }) => angleDeg)) <= 0.1) return undefined;
  return unlessRefused(() => fit(r, readings));
}

const spread = (values: readonly number[]): number => Math.max(...values) - Math.min(...values);

/**
 * The angle at which one reading more would narrow a projection most, and the ± it would leave: the reading adds
 * vᵀv/sd² to the information, v its slopes on H and a.
 * @param angleDeg the angle the guide is to be set for
 * @param among angles it can be measured at
 */
export function nextGuideReading(
  calibration: GuideCalibration,
  { rollerRadiusMm, rollerDropMm = 0 }: Pick<GuideCalibrationInput, 'rollerRadiusMm' | 'rollerDropMm'>,
  angleDeg: number,
  among: readonly number[],
): { readonly atDeg: number; readonly plusMinusMm: number } | undefined {
  const { covariance, readingSdDeg: sd, seatHeightMm: h } = calibration;
  const r = rollerRadiusMm - rollerDropMm;
  return among
    .map((atDeg) => {
      const cos = cosDeg(atDeg);
      const reach = (r + h * cos) / sinDeg(atDeg);
      const [, byH, byA] = angleAt(r, h, reach);
      return {
        atDeg,
        plusMinusMm: projectionUncertaintyMm(
          { ...calibration, covariance: withReading(covariance, byH, byA, sd) },
          angleDeg,
        ),
      };
    })
    .reduce<{ atDeg: number; plusMinusMm: number } | undefined>(
      (best, each) => (best && best.plusMinusMm <= each.plusMinusMm ? best : each),
      undefined,
    );
}

/** The covariance after one more reading of those slopes, by Sherman and Morrison. */
function withReading([hh, ha, aa]: Covariance, byH: number, byA: number, sd: number): Covariance {
  const [toH, toA] = [hh * byH + ha * byA, ha * byH + aa * byA];
  const all = sd * sd + byH * toH + byA * toA;
  return [hh - (toH * toH) / all, ha - (toH * toA) / all, aa - (toA * toA) / all];
}
