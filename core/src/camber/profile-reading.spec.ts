import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { Refusal } from '../base/refusal.js';
import { profileReading, type EdgePoint } from './profile-reading.js';

const generator = xoroshiro128plus(20261127);
const random = (): number => uniformFloat64(generator);
const normal = (): number => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

/** An edge of a radius, its right corner further back by `lean`, its halves unlike by `odd`, read with noise. */
function readings(
  widthMm: number,
  count: number,
  {
    radius = Infinity,
    lean = 0,
    odd = 0,
    noise = 0,
  }: { radius?: number; lean?: number; odd?: number; noise?: number },
): EdgePoint[] {
  return Array.from({ length: count }, (_, i) => {
    const atMm = (widthMm * i) / (count - 1);
    const [x, u] = [atMm - widthMm / 2, (2 * atMm) / widthMm - 1];
    const sag = radius === Infinity ? 0 : radius - Math.sqrt(radius ** 2 - x ** 2);
    return { atMm, outMm: 12 - sag - (lean * u) / 2 - odd * (u ** 3 - 0.6 * u) + noise * normal() };
  });
}

describe('an edge read with the caliper', () => {
  it('finds the circle behind exact readings, flat or deep, and says so', () => {
    for (const [widthMm, radius] of [
      [50, 4419.45],
      [44, 1006],
      [33, 75],
      [60, 250],
    ] as const) {
      const read = profileReading({ widthMm, points: readings(widthMm, 9, { radius }) });
      expect(read.radiusMm).toBeCloseTo(radius, 1);
      expect(read.told).toBeTrue();
      expect(read.rmsMm).toBeLessThan(1e-6);
    }
  });

  it('tells camber, out of square and a lopsided curve apart', () => {
    const read = profileReading({
      widthMm: 50,
      points: readings(50, 11, { radius: 2000, lean: 0.12, odd: 0.05 }),
    });
    expect(read.camber.mm).toBeCloseTo(50 ** 2 / 8 / 2000, 3);
    expect(read.lean.mm).toBeCloseTo(0.12, 1);
    expect(Math.abs(read.lopsided?.mm ?? 0)).toBeGreaterThan(0.01);
    const plain = profileReading({ widthMm: 50, points: readings(50, 11, { lean: 0.12 }) });
    expect(plain.told).toBeFalse();
    expect(plain.lean.mm).toBeCloseTo(0.12, 9);
    expect(Math.abs(plain.lopsided?.mm ?? 1)).toBeLessThan(1e-9);
  });

  it('fits the same circle as a general least-squares library (ml-levenberg-marquardt)', () => {
    for (let k = 0; k < 12; k++) {
      const widthMm = 33 + 30 * random();
      const points = readings(widthMm, 9, { radius: 60 + 900 * random(), lean: 0.2 * random(), noise: 0.01 });
      const half = widthMm / 2;
      const fit = levenbergMarquardt(
        { x: points.map(({ atMm }) => atMm - half), y: points.map(({ outMm }) => -outMm) },
        ([a = 0, b = 0, kappa = 0]) =>
          (x) =>
            a + b * x + (kappa * x * x) / (1 + Math.sqrt(Math.max(0, 1 - (kappa * x) ** 2))),
        {
          initialValues: [-12, 0, 0.002],
          maxIterations: 500,
          errorTolerance: 1e-14,
          gradientDifference: 1e-7,
          damping: 1e-6,
        },
      );
      const kappa = fit.parameterValues[2] as number;
      const theirs = (kappa * half ** 2) / (1 + Math.sqrt(1 - (kappa * half) ** 2));
      expect(profileReading({ widthMm, points }).camber.mm).toBeCloseTo(theirs, 4);
    }
  });

  it('gives a ± that holds 92 to 99 of 100 seeded edges read with the jaw’s own noise', () => {
    let [camber, lean] = [0, 0];
    const runs = 400;
    for (let k = 0; k < runs; k++) {
      const widthMm = 33 + 30 * random();
      const [radius, tilt] = [800 + 4000 * random(), 0.1 * normal()];
      const read = profileReading({
        widthMm,
        points: readings(widthMm, 5 + Math.floor(6 * random()), {
          radius,
          lean: tilt,
          noise: 0.01 / Math.sqrt(3),
        }),
      });
      if (
        Math.abs(read.camber.mm - (radius - Math.sqrt(radius ** 2 - (widthMm / 2) ** 2))) <= read.camber.pmMm
      )
        camber += 1;
      if (Math.abs(read.lean.mm - tilt) <= read.lean.pmMm) lean += 1;
    }
    for (const share of [camber / runs, lean / runs]) {
      expect(share).toBeGreaterThan(0.92);
      expect(share).toBeLessThan(0.99);
    }
  });

  it('says that it cannot tell where noise hides the camber, and can once there is more of it', () => {
    let told = 0;
    for (let k = 0; k < 100; k++) {
      const points = readings(50, 5, { radius: 80_000, noise: 0.01 / Math.sqrt(3) });
      if (profileReading({ widthMm: 50, points }).told) told += 1;
    }
    expect(told).toBeLessThan(15);
    expect(
      profileReading({ widthMm: 50, points: readings(50, 9, { radius: 3000, noise: 0.005 }) }).told,
    ).toBeTrue();
  });

  it('refuses readings too few, too close, off the edge, or against each other', () => {
    const refused = (points: readonly EdgePoint[]): string => {
      try {
        profileReading({ widthMm: 50, points });
        return '';
      } catch (reason) {
        return reason instanceof Refusal ? reason.message : String(reason);
      }
    };
    const at = (...places: number[]): EdgePoint[] => places.map((atMm) => ({ atMm, outMm: 1 }));
    expect(refused(at(0, 50))).toContain('three places');
    expect(refused(at(10, 11, 12))).toContain('too close');
    expect(refused(at(0, 25, 51))).toContain('not on an edge');
    expect(refused([...at(0, 25, 50), { atMm: 25, outMm: 2 }])).toContain('contradict');
  });
});
