import {
  estimatedRemovalMm3PerNm,
  estimatedScratchUm,
  removalPerStrokeMm3,
} from '@mellow-anvil/core/abrasive';
import { judged, type PlacedWork, strokesTo } from '@mellow-anvil/core/camber';
import { wedgeHeat } from '@mellow-anvil/core/grinding';
import {
  GENERIC_SIDE_CLAMPING_GUIDE,
  guideAngle,
  guideCalibration,
  guideProjection,
  type GuideSeat,
  liftStack,
  seatGeometry,
} from '@mellow-anvil/core/guide';
import {
  progression,
  type ProgressionAbrasive,
  type ProgressionInput,
  stoneSweep,
} from '@mellow-anvil/core/plan';
import { toolRecord } from '@mellow-anvil/core/record';
import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { LONG_RECORD, sessionsOf, shopOf, stone } from './many.js';
import { medianMs, ms, times, type Row } from './table.js';

/** A bench set of `count` abrasives evenly spread from 60 to 0.5 µm by ratio. */
function set(count: number): ProgressionInput {
  const abrasives = Array.from({ length: count }, (_, i): ProgressionAbrasive => ({
    id: `a${i}`,
    sizeUm: 60 * Math.pow(0.5 / 60, i / (count - 1)),
    strokeMm: 120 + (i % 5) * 20,
    overheadMin: 0.25 + (i % 4) * 0.25,
  }));
  return {
    abrasives,
    job: { removeMm3: 3, contactMm2: 60, forceN: 20, strokesPerMin: 40 },
    finishUm: 1,
    maxRatio: 6,
  };
}

/** The same answer by trying every subset: the yardstick for the shortest path. */
function bruteForceMin({ abrasives, job, finishUm, maxRatio = Infinity }: ProgressionInput): number {
  let best = Infinity;
  const costs = abrasives.map((a) => ({
    um: a.sizeUm,
    scratch: estimatedScratchUm(a.sizeUm),
    per: removalPerStrokeMm3(estimatedRemovalMm3PerNm(a.sizeUm), job.forceN, a.strokeMm, 1),
    over: a.overheadMin,
  }));
  for (let mask = 1; mask < 2 ** costs.length; mask++) {
    let [total, before, allowed] = [0, undefined as (typeof costs)[number] | undefined, true];
    for (let i = 0; i < costs.length && allowed; i++) {
      if (!(mask & (1 << i))) continue;
      const stone = costs[i] as (typeof costs)[number];
      allowed = !before || before.um <= stone.um * maxRatio;
      const volume = before
        ? (job.contactMm2 * Math.max(0, before.scratch - stone.scratch)) / 1000
        : job.removeMm3;
      total += Math.max(4, Math.ceil(volume / stone.per - 1e-9)) / job.strokesPerMin + stone.over;
      before = stone;
    }
    if (allowed && before && before.um <= finishUm) best = Math.min(best, total);
  }
  return best;
}

/** The nearest of all plans that are the same left and right, one by one: the yardstick for the search. */
function everyMirrored(work: PlacedWork, camberMm: number, most: number): number {
  const target = Array.from({ length: 101 }, (_, i) => camberMm * (i / 50 - 1) ** 2);
  let best = Infinity;
  for (let outer = 0; outer <= most; outer++) {
    for (let inner = 0; inner <= most; inner++) {
      best = Math.min(best, judged(work, [outer, inner, 0, inner, outer], target).deviationMm);
    }
  }
  return best;
}

export function benchCore(): Row[] {
  const [sixty, sixteen] = [set(60), set(16)];
  const found = progression(sixteen).totalMin;
  if (Math.abs(found - bruteForceMin(sixteen)) > 1e-9)
    throw new Error('progression disagrees with brute force');
  const path = medianMs(200, () => progression(sixteen));
  const brute = medianMs(7, () => bruteForceMin(sixteen));
  const guide = seatGeometry(GENERIC_SIDE_CLAMPING_GUIDE, GENERIC_SIDE_CLAMPING_GUIDE.seats[0] as GuideSeat);
  const projections = medianMs(15, () => {
    let sum = 0;
    for (let i = 0; i < 100_000; i++)
      sum += guideProjection({ guide, angleDeg: 20 + (i % 2000) / 100 }).projectionMm;
    return sum;
  });
  const sines = medianMs(15, () => {
    let sum = 0;
    for (let i = 0; i < 100_000; i++) sum += Math.sin(20 + i) + Math.cos(20 + i);
    return sum;
  });
  const curve = {
    widthMm: 50,
    positions: 5,
    landMm: 0.6,
    secondaryDeg: 30,
    removalPerStrokeMm3: 0.012,
  } as const;
  const leaning = (u: number): number => 0.07 * u * u + 0.02 * u;
  const byPlace = medianMs(60, () => strokesTo(curve, leaning, 0.05));
  const everyPlan = medianMs(5, () => everyMirrored(curve, 0.07, 40));
  return [
    {
      what: 'strokes by place, five places, leaning',
      figure: ms(byPlace),
      yardstick: `every mirrored plan up to 40 a place ${ms(everyPlan)}, ${times(everyPlan / byPlace)} as long`,
      aim: 'below a frame',
    },
    {
      what: 'progression, 60 abrasives',
      figure: ms(medianMs(200, () => progression(sixty))),
      aim: 'below 20 ms',
    },
    {
      what: 'progression, 16 abrasives',
      figure: ms(path),
      yardstick: `brute force ${ms(brute)}, ${times(brute / path)} as long`,
    },
    {
      what: '100,000 projections',
      figure: ms(projections),
      yardstick: `as many sines and cosines ${ms(sines)}, ${times(projections / sines)}`,
    },
    recordRow(),
    sweepRow(),
    calibrationRow(),
    stackRow(),
    heatRow(),
  ];
}

/** What a stone of each of 200 sizes would save on a bench of 60. */
function sweepRow(): Row {
  const [tool] = shopOf(1).tools;
  if (!tool) throw new Error('a shop of one tool has one');
  const bench = set(60).abrasives.map(({ id, sizeUm, strokeMm, overheadMin }) => ({
    id,
    name: id,
    kind: 'water-stone' as const,
    grade: { standard: 'UM' as const, grade: sizeUm.toFixed(3) },
    lubricant: 'water' as const,
    strokeMm,
    overheadMin,
  }));
  const request = {
    condition: { kind: 'nicked', nickMm: 0.2 },
    finishUm: 1,
    forceN: 20,
    strokesPerMin: 40,
    maxRatio: 6,
    laidAside: [],
  } as const;
  const took = medianMs(9, () => stoneSweep({ tool, bench, request, kind: 'water-stone', sizes: 200 }));
  const one = medianMs(50, () => progression(set(60)));
  return {
    what: 'what one more stone would save, 200 sizes on 60 abrasives, in the worker',
    figure: ms(took),
    yardstick: `200 bare progressions ${ms(200 * one)}, ${times(took / (200 * one))} as long`,
    aim: '300 ms',
  };
}

/** A guide fitted to eight readings, each held against the other seven. */
function calibrationRow(): Row {
  const guide = { rollerRadiusMm: 9, seatHeightMm: 17.3, noseMm: 15.8 };
  const readings = [20, 23, 26, 29, 32, 36, 41, 47].map((projectionMm, i) => ({
    projectionMm,
    angleDeg: guideAngle({ guide, projectionMm }).angleDeg + (i % 3 === 0 ? 0.2 : -0.1),
  }));
  const fit = (): number => guideCalibration({ rollerRadiusMm: 9, readings }).rmsDeg;
  const library = (): number =>
    levenbergMarquardt(
      { x: readings.map((x) => x.projectionMm), y: readings.map((x) => x.angleDeg) },
      ([h = 0, a = 0]) =>
        (p) =>
          ((Math.atan2(h, p + a) + Math.asin(9 / Math.hypot(p + a, h))) * 180) / Math.PI,
      {
        initialValues: [16, 16],
        damping: 1e-3,
        gradientDifference: 1e-5,
        maxIterations: 100,
        errorTolerance: 1e-12,
      },
    ).parameterError;
  if (Math.abs(fit() - Math.sqrt(library() / readings.length)) > 1e-3)
    throw new Error('the calibration disagrees with the library');
  const [took, theirs] = [medianMs(100, fit), medianMs(30, library)];
  return {
    what: 'a guide fitted to 8 readings, each held against the rest',
    figure: ms(took),
    yardstick: `one fit by ml-levenberg-marquardt ${ms(theirs)}, ${times(theirs / took)} as long`,
    aim: 'within a frame',
  };
}

/** The fewest of 20 kinds of packing, 99 of each. */
function stackRow(): Row {
  const packing = Array.from({ length: 20 }, (_, i) => ({
    name: `kind ${i}`,
    thicknessMm: 0.13 + i * 0.171,
    count: 99,
  }));
  return {
    what: 'a knife’s lift stacked from 20 kinds of packing, 99 of each',
    figure: ms(medianMs(15, () => liftStack({ widthMm: 22, spineThicknessMm: 3, bevelDeg: 15 }, packing))),
    aim: 'below 100 ms',
  };
}

/** The heat model for a chisel's bevel up to its tempering. */
function heatRow(): Row {
  const chisel = {
    bevelDeg: 25,
    thicknessMm: 3.5,
    widthMm: 19,
    stopShortMm: 0.7,
    pushN: 5,
    rimMs: 22,
    steel: 'high-carbon',
    limitC: 200,
  } as const;
  const took = medianMs(9, () => wedgeHeat(chisel));
  const finer = medianMs(3, () => wedgeHeat({ ...chisel, cellMm: 0.1 }));
  const [coarse = NaN, fine = NaN] = [wedgeHeat(chisel).passS, wedgeHeat({ ...chisel, cellMm: 0.1 }).passS];
  return {
    what: 'how long a grinding pass may last, in the worker',
    figure: ms(took),
    yardstick: `cells half as wide ${ms(finer)}, an answer ${((fine / coarse - 1) * 100).toFixed(2)} % off`,
    aim: 'within 1 %',
  };
}

/** From a tool's entries to its state, its usual life and its last use. */
function recordRow(): Row {
  const { tools } = shopOf(2);
  const [tool] = tools;
  const sessions = sessionsOf(tools, LONG_RECORD);
  const bench = [stone('w1000', '1000'), stone('w8000', '8000')];
  const text = JSON.stringify(sessions);
  const took = medianMs(50, () => tool && toolRecord(tool, sessions, bench));
  const parsed = medianMs(50, () => JSON.parse(text) as unknown);
  return {
    what: `the state of one tool from ${LONG_RECORD} sessions`,
    figure: ms(took),
    yardstick: `parsing the same sessions from JSON ${ms(parsed)}, ${times(took / parsed)} as long`,
  };
}
