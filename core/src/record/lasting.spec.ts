import fc from 'fast-check';
import { edgeLife } from './edge-life.js';
import {
  amountAt,
  chanceOfEnd,
  cheapestAge,
  lastingOf,
  lastPast,
  usualOf,
  withOther,
  type Lasting,
} from './lasting.js';

const LAW: Lasting = { shape: 2.5, scale: 100, worth: 12 };
const laws = fc.record({
  shape: fc.double({ min: 0.8, max: 8, noNaN: true }),
  scale: fc.double({ min: 1, max: 1000, noNaN: true }),
  worth: fc.double({ min: 0.5, max: 200, noNaN: true }),
});

describe('lastingOf', () => {
  const lives = [40, 55, 70, 80, 85, 92, 99, 110, 118, 130, 64, 101].map((amount) => ({
    amount,
    ended: true,
  }));

  it('comes to the likeliest law where much was seen and little was expected', () => {
    const many = Array.from({ length: 40 }, () => lives).flat();
    const fit = edgeLife({
      intervals: many.map(({ amount, ended }) => ({ minutes: amount, censored: !ended })),
    });
    const { shape, scale } = lastingOf(many, { scale: 300, worth: 0.5 });
    // The shapes looked among lie 4 % apart.
    expect(Math.abs(shape / fit.shape - 1)).toBeLessThan(0.03);
    expect(scale).toBeCloseTo(fit.scale, 0);
  });

  it('stays with what was expected until something is seen, and leaves it as ends come in', () => {
    const before = { scale: 50, worth: 2 };
    const nothing = lastingOf([], before);
    expect(nothing.worth).toBe(2);
    expect(Math.abs(nothing.shape / 2.5 - 1)).toBeLessThan(0.05);
    expect(Math.abs(nothing.scale / 50 - 1)).toBeLessThan(0.05);
    const scales = [1, 4, 12].map((n) => lastingOf(lives.slice(0, n), before).scale);
    expect(scales).toEqual([...scales].sort((a, b) => a - b));
    expect(scales[2]).toBeGreaterThan(80);
  });

  it('is the longer for edges that were honed while they still cut, and only the surer for those that gave out', () => {
    const honedSooner = [...lives, ...Array.from({ length: 30 }, () => ({ amount: 60, ended: false }))];
    const [plain, with30] = [lives, honedSooner].map((each) => lastingOf(each, { scale: 100, worth: 0.5 }));
    expect(with30?.scale).toBeGreaterThan(plain?.scale ?? Infinity);
    expect(with30?.worth).toBe(plain?.worth);
  });
});

describe('a law of lives', () => {
  it('loses edges as they are used, never wins them, and is read both ways', () => {
    fc.assert(
      fc.property(laws, fc.double({ min: 0, max: 2000, noNaN: true }), (law, amount) => {
        const share = lastPast(law, amount);
        expect(share).toBeGreaterThanOrEqual(0);
        expect(lastPast(law, amount + 10)).toBeLessThanOrEqual(share);
        const chance = share > 1e-9 ? chanceOfEnd(law, amount, amount + 10) : 1;
        expect(chance).toBeGreaterThanOrEqual(0);
        if (share > 1e-6 && share < 0.999) expect(amountAt(law, share) / amount).toBeCloseTo(1, 6);
      }),
    );
  });

  it('of much worth is Weibull’s', () => {
    const sure = { ...LAW, worth: 1e7 };
    expect(lastPast(sure, 80)).toBeCloseTo(Math.exp(-(0.8 ** 2.5)), 5);
    expect(usualOf(sure).amount).toBeCloseTo(100 * Math.log(2) ** 0.4, 6);
  });

  it('has a usual life between its bounds, closer the more was seen', () => {
    const width = (worth: number): number => {
      const { amount, low, high } = usualOf({ ...LAW, worth });
      expect([low, amount, high]).toEqual([low, amount, high].sort((a, b) => a - b));
      return high / low;
    };
    const widths = [2, 5, 20, 100].map(width);
    expect(widths).toEqual([...widths].sort((a, b) => b - a));
  });

  it('leans on another by what each is worth', () => {
    const both = withOther(LAW, { scale: 200, worth: 12 });
    expect(both.scale).toBeCloseTo(Math.sqrt(100 * 200), 6);
    expect(both.worth).toBe(24);
  });
});

describe('cheapestAge', () => {
  it('meets the condition of Barlow and Hunter (1960): hazard × life so far − share gone = 1 / late', () => {
    const sure = { ...LAW, worth: 1e7 };
    for (const late of [2, 4, 9]) {
      const age = cheapestAge(sure, late) ?? NaN;
      const hazard = (sure.shape / sure.scale) * (age / sure.scale) ** (sure.shape - 1);
      let lived = 0;
      for (let i = 0; i < 4000; i++) lived += lastPast(sure, ((i + 0.5) * age) / 4000) * (age / 4000);
      expect(hazard * lived - (1 - lastPast(sure, age)))
        .withContext(`${late} times`)
        .toBeCloseTo(1 / late, 1);
    }
  });

  it('comes sooner the more a late one costs, and never where nothing ages', () => {
    const ages = [0.5, 2, 8, 30].map((late) => cheapestAge(LAW, late) ?? Infinity);
    expect(ages).toEqual([...ages].sort((a, b) => b - a));
    expect(cheapestAge({ shape: 0.8, scale: 100, worth: 50 }, 4)).toBeUndefined();
  });
});
