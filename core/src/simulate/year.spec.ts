import fc from 'fast-check';
import { chances } from '../testing/chances.js';
import { CLAIMS, RULES, type Adviser } from './advisers.js';
import { asThePageSays } from './as-the-page-says.js';
import { SEEDS } from './costs.js';
import { depthMm, freshTruth, regroundMm3, stroppedTo, wears } from './edge-truth.js';
import { hiddenShop } from './hidden-shop.js';
import { KNOWS_THE_LAWS, ORACLE } from './oracle.js';
import { totalOf, type Year } from './going.js';
import { daysOf, yearOf } from './year.js';

function yearUnder(adviser: Adviser, number: number): Year {
  const shop = hiddenShop(chances(3 * number));
  return yearOf(shop, adviser, daysOf(shop, chances(3 * number + 1)), chances(3 * number + 2));
}
/** What years in the first shops for tuning cost, together. */
const cost = (adviser: () => Adviser, shops: number): number =>
  Array.from({ length: shops }, (_, i) => totalOf(yearUnder(adviser(), SEEDS.tuning.from + i))).reduce(
    (sum, each) => sum + each,
    0,
  );

const SIX = Array.from({ length: 6 }, (_, i) => SEEDS.tuning.from + i);

describe('a year of a made-up shop', () => {
  /** Its years take seconds each: gone through once for all that is asked of them. */
  let underPage: readonly Year[] = [];
  beforeAll(() => (underPage = SIX.map((shop) => yearUnder(asThePageSays(), shop))));

  it('is the same again for the same seeds, and brings everybody the same spells', () => {
    expect(yearUnder(ORACLE, 5)).toEqual(yearUnder(ORACLE, 5));
    for (const adviser of [...Object.values(RULES), KNOWS_THE_LAWS])
      expect(yearUnder(adviser, 5).spells).toBe(yearUnder(ORACLE, 5).spells);
    expect(underPage.map(({ spells }) => spells)).toEqual(SIX.map((shop) => yearUnder(ORACLE, shop).spells));
  });

  it('costs one who knows all less than one who knows the laws, and him less than any rule of thumb', () => {
    const [all, laws] = [cost(() => ORACLE, 12), cost(() => KNOWS_THE_LAWS, 12)];
    expect(all).toBeLessThan(laws);
    for (const [name, rule] of Object.entries(RULES))
      expect(cost(() => rule, 12))
        .withContext(name)
        .toBeGreaterThan(1.2 * laws);
  });

  it('costs less under the page than under any rule of thumb (six shops)', () => {
    const page = underPage.reduce((sum, year) => sum + totalOf(year), 0);
    for (const [name, rule] of Object.entries(RULES))
      expect(cost(() => rule, 6))
        .withContext(name)
        .toBeGreaterThan(page);
  });

  it('has what the page says with its ± about as often as it says: land, strokes, curve (six shops)', () => {
    for (const claim of ['strokes', 'land', 'camber'] as const) {
      const { share } = CLAIMS[claim];
      const said = underPage.reduce((sum, { told }) => sum + told[claim].said, 0);
      const held = underPage.reduce((sum, { told }) => sum + told[claim].held, 0) / said;
      expect(said).withContext(claim).toBeGreaterThan(50);
      expect(Math.abs(held - share))
        .withContext(`${claim} ${held.toFixed(3)}`)
        .toBeLessThan(0.15);
    }
  });

  it('tells every part of the advice that is made worse on purpose', () => {
    const best = cost(() => ORACLE, 12);
    const worse: Readonly<Record<string, Adviser>> = {
      rack: { ...ORACLE, rack: ({ truth: { edge } }) => (edge.used >= 1 ? 'hone' : 'use') },
      plan: {
        ...ORACLE,
        plan: (looked) => {
          const { coarse, fine } = ORACLE.plan(looked);
          return { coarse: coarse / 2, fine: fine / 2, untilBurr: false };
        },
      },
      angle: {
        ...ORACLE,
        angle: (looked) => ORACLE.angle(looked) - (looked.of.tool.edge.form === 'knife' ? 3 : 0),
      },
      care: { ...ORACLE, care: () => false },
      camber: {
        ...ORACLE,
        camber: { ...ORACLE.camber, presses: () => ({ kept: [undefined, undefined] }) },
      },
    };
    for (const [part, adviser] of Object.entries(worse))
      expect(cost(() => adviser, 12))
        .withContext(part)
        .toBeGreaterThan(1.05 * best);
  });
});

describe('an edge as it truly is', () => {
  const [chisel, knife] = hiddenShop(chances(1)).tools;
  if (!chisel || !knife) throw new Error('A shop has a chisel and a knife.');

  it('wears the faster the harder the wood and the further from its best angle, and never grows sharp (fast-check)', () => {
    const some = fc.double({ min: 0.01, max: 1, noNaN: true });
    fc.assert(
      fc.property(some, some, fc.double({ min: 1, max: 10, noNaN: true }), (used, more, off) => {
        const edge = { ...freshTruth(knife, 1, knife.bestDeg), used };
        const worn = wears(knife, edge, 60 * more, 1);
        expect(worn).toBeGreaterThan(0);
        expect(wears(knife, edge, 60 * more, 1.5)).toBeGreaterThan(worn);
        for (const side of [-off, off])
          expect(wears(knife, { ...edge, madeDeg: knife.bestDeg + side }, 60 * more, 1)).toBeGreaterThan(
            worn,
          );
        expect(depthMm(knife, { ...edge, used: used + more })).toBeGreaterThan(depthMm(knife, edge));
        expect(stroppedTo(used, Math.round(10 * more))).toBeLessThanOrEqual(used);
      }),
    );
  });

  it('is ground by its whole primary: nothing where the land is as it should be, of a knife nothing at all', () => {
    expect(regroundMm3(chisel, 0.3, 0.3)).toBe(0);
    expect(regroundMm3(chisel, 1, 0.3)).toBeGreaterThan(regroundMm3(chisel, 0.8, 0.3));
    expect(regroundMm3(knife, 1, 0.3)).toBe(0);
  });
});
