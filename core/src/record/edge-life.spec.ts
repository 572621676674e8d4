import fc from 'fast-check';
import { attempt, Refusal } from '../base/refusal.js';
import { edgeLife, type LifeInterval, type surviving } from './edge-life.js';

const used = (minutes: number): LifeInterval => ({ minutes, censored: false });
const sooner = (minutes: number): LifeInterval => ({ minutes, censored: true });

/** Weeks of remission under 6-mercaptopurine: Freireich and others, Blood 21 (1963), 699–716. */
const REMISSION = [
  ...[6, 6, 6, 7, 10, 13, 16, 22, 23].map(used),
  ...[6, 9, 10, 11, 17, 19, 20, 25, 32, 32, 34, 35].map(sooner),
];

const shareAt = (steps: ReturnType<typeof surviving>, minutes: number): number =>
  steps.findLast((step) => step.minutes <= minutes)?.share ?? 1;

const logLikelihood = (intervals: readonly LifeInterval[], shape: number, scale: number): number =>
  intervals.reduce((sum, { minutes, censored }) => {
    const z = (minutes / scale) ** shape;
    return sum - z + (censored ? 0 : Math.log(shape / minutes) + Math.log(z));
  }, 0);

describe('edgeLife', () => {
  it('finds in the published remission data what textbooks of survival find', () => {
    const { survival, shape, scale, medianMin } = edgeLife({ intervals: REMISSION });
    expect(shareAt(survival, 6)).toBeCloseTo(0.857, 3);
    expect(shareAt(survival, 10)).toBeCloseTo(0.753, 3);
    expect(survival.find(({ share }) => share <= 0.5)?.minutes).toBe(23);
    // The Weibull fit as textbooks print it; these two from memory.
    expect(shape).toBeCloseTo(1.35, 2);
    expect(scale).toBeCloseTo(33.8, 1);
    expect(medianMin).toBeCloseTo(scale * Math.log(2) ** (1 / shape), 9);
  });

  it('is likeliest where it says: no law beside it is likelier', () => {
    const interval = fc.record({ minutes: fc.integer({ min: 1, max: 400 }), censored: fc.boolean() });
    fc.assert(
      fc.property(fc.array(interval, { minLength: 2, maxLength: 40 }), (intervals) => {
        const fit = attempt(() => edgeLife({ intervals }));
        const ends = intervals.filter(({ censored }) => !censored).map(({ minutes }) => minutes);
        const longest = Math.max(...intervals.map(({ minutes }) => minutes));
        // It is refused exactly where no law is likeliest.
        expect(fit instanceof Refusal).toBe(ends.every((minutes) => minutes === longest));
        if (fit instanceof Refusal) return;
        const best = logLikelihood(intervals, fit.shape, fit.scale);
        for (const [byShape, byScale] of [
          [1.01, 1],
          [0.99, 1],
          [1, 1.01],
          [1, 0.99],
        ] as const)
          expect(logLikelihood(intervals, fit.shape * byShape, fit.scale * byScale)).toBeLessThan(
            best + 1e-9 * Math.abs(best),
          );
      }),
    );
  });

  it('counts time in any unit', () => {
    const hours = REMISSION.map((each) => ({ ...each, minutes: each.minutes / 60 }));
    const [one, other] = [edgeLife({ intervals: REMISSION }), edgeLife({ intervals: hours })];
    expect(other.shape).toBeCloseTo(one.shape, 9);
    expect(other.medianMin * 60).toBeCloseTo(one.medianMin, 6);
  });

  it('says what is missing where nothing can be told', () => {
    expect(() => edgeLife({ intervals: [sooner(40), sooner(50)] })).toThrowError(
      Refusal,
      /until it no longer cut/,
    );
    expect(() => edgeLife({ intervals: [used(50), used(50), sooner(50), sooner(20)] })).toThrowError(
      Refusal,
      /the longest time/,
    );
    expect(() => edgeLife({ intervals: [used(0)] })).toThrowError(Refusal, /more than 0/);
  });
});
