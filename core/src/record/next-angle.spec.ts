import fc from 'fast-check';
import { FAMILY_NAMES, familyFacts } from '../blade/families.js';
import type { Tool } from '../blade/tool.js';
import type { RecordedSession } from './edge-state.js';
import { nextAngle, type EdgeTried } from './next-angle.js';
import type { Session } from './session.js';
import { toolRecord } from './tool-record.js';

const KNIFE: Omit<Tool, 'family'> = {
  ...{ id: 'k', name: 'Knife', steel: 'high-carbon' },
  edge: { form: 'knife', lengthMm: 60, widthMm: 14, spineMm: 2.5, leftDeg: 11, rightDeg: 11, grind: 'flat' },
};

const edge = (deg: number, amount: number, ended: EdgeTried['ended'] = 'blunt'): EdgeTried => ({
  deg,
  amount,
  ended,
});
const anEdge = fc.record({
  deg: fc.integer({ min: 10, max: 30 }),
  amount: fc.integer({ min: 5, max: 200 }),
  ended: fc.constantFrom<EdgeTried['ended']>('blunt', 'chipped', 'still-cutting'),
});

describe('which angle next', () => {
  it('goes steeper after chips, flatter where none ever chips, and stays where both ways were worse', () => {
    // Common practice, no source: steeper when it chips, a degree less when it never does.
    const chips = [20, 20, 20, 20].map((deg) => edge(deg, 30, 'chipped'));
    expect(nextAngle(chips)?.deg).toBeGreaterThan(20);
    const never = Array.from({ length: 8 }, () => edge(20, 60));
    expect(nextAngle(never)?.deg).toBeLessThan(20);
    const tried = [16, 17, 18, 19, 20, 21, 22, 23, 24].flatMap((deg) => {
      const lasts = 60 * 2 ** -(((deg - 20) / 3) ** 2);
      return [
        edge(deg, 0.9 * lasts),
        edge(deg, 1.1 * lasts),
        edge(deg, lasts, deg < 19 ? 'chipped' : 'blunt'),
      ];
    });
    const next = nextAngle([...tried, edge(20, 60)]);
    expect(next?.deg).toBe(20);
    expect(next?.here).toBeGreaterThan(0.4);
  });

  it('does not mind whether minutes or metres are counted, nor the order of what was tried before', () => {
    fc.assert(
      fc.property(
        fc.array(anEdge, { minLength: 1, maxLength: 12 }),
        fc.integer({ min: 2, max: 9 }),
        (all, by) => {
          const told = nextAngle(all);
          const more = nextAngle(all.map((each) => ({ ...each, amount: by * each.amount })));
          expect(more?.bestDeg).toBeCloseTo(told?.bestDeg ?? NaN, 6);
          const [first, ...rest] = all;
          const last = rest.pop();
          const turned = nextAngle([first, ...rest.reverse(), last].filter((each) => each !== undefined));
          expect(turned?.bestDeg).toBeCloseTo(told?.bestDeg ?? NaN, 6);
        },
      ),
      { numRuns: 25 },
    );
  });

  it('never steps further than two degrees, its chances are a whole, and the mean lies in its range', () => {
    fc.assert(
      fc.property(fc.array(anEdge, { minLength: 1, maxLength: 12 }), (all) => {
        const next = nextAngle(all);
        if (!next) throw new Error('nothing');
        expect(Math.abs(next.deg - next.nowDeg)).toBeLessThanOrEqual(2);
        expect(next.flatter + next.here + next.steeper).toBeCloseTo(1, 9);
        expect(next.lowDeg).toBeLessThanOrEqual(next.bestDeg + 0.5);
        expect(next.highDeg).toBeGreaterThanOrEqual(next.bestDeg - 0.5);
      }),
      { numRuns: 40 },
    );
    expect(nextAngle([])).toBeUndefined();
  });

  it('goes no further than is usual of its family, and says so; where its owner went further it stays (fast-check)', () => {
    const usual = [10, 15] as const;
    fc.assert(
      fc.property(fc.array(anEdge, { minLength: 1, maxLength: 12 }), (all) => {
        const [free, held] = [nextAngle(all), nextAngle(all, usual)];
        if (!free || !held) throw new Error('nothing');
        const { deg, nowDeg, unusual } = held;
        expect(deg).toBeGreaterThanOrEqual(Math.min(10, nowDeg));
        expect(deg).toBeLessThanOrEqual(Math.max(15, nowDeg));
        expect(unusual).toBe(free.deg < deg ? 'flatter' : free.deg > deg ? 'steeper' : undefined);
        expect(held.bestDeg).toBe(free.bestDeg);
      }),
      { numRuns: 40 },
    );
    // Edges that were not sharp to begin with lasted little at ten degrees, and longer at nine.
    const misled = [
      ...Array.from({ length: 20 }, () => edge(10, 10)),
      ...[9, 9, 9].map((deg) => edge(deg, 27)),
    ];
    expect(nextAngle(misled)?.deg).toBeLessThan(9);
    expect(nextAngle(misled, usual)).toEqual(jasmine.objectContaining({ deg: 9, unusual: 'flatter' }));
  });

  it('followed edge after edge of a record never leaves what is usual of its family, whatever comes of them, for every knife', () => {
    const knives = FAMILY_NAMES.filter((family) => familyFacts(family).form === 'knife');
    expect(knives.length).toBeGreaterThan(3);
    for (const family of knives) {
      const [least, most] = familyFacts(family).primaryDeg;
      for (const chipped of [true, false]) {
        const sessions: RecordedSession[] = [];
        const put = (kind: Session['kind'], more: Partial<Session>): void => {
          const startedAt = new Date(Date.UTC(2026, 0, 1 + sessions.length)).toISOString();
          sessions.push({ id: `s${String(sessions.length)}`, toolId: 'k', kind, startedAt, ...more });
        };
        const tool = { ...KNIFE, family };
        let deg = (least + most) / 2;
        for (let honing = 0; honing < 14; honing++) {
          put('honing', { setting: { angleDeg: deg } });
          // What chips asks to be steeper, what lasts longer each time to be flatter.
          put('use', {
            use: { minutes: 20 + 20 * honing, stillCutting: false },
            ...(chipped && { chips: { count: 1 } }),
          });
          const next = toolRecord(tool, sessions, []).nextAngle;
          deg = next?.deg ?? deg;
          expect(deg).withContext(family).toBeGreaterThanOrEqual(least);
          expect(deg).withContext(family).toBeLessThanOrEqual(most);
        }
        const end = toolRecord(tool, sessions, []).nextAngle;
        expect(end?.unusual)
          .withContext(`${family} at ${String(deg)}`)
          .toBe(chipped ? 'steeper' : 'flatter');
      }
    }
  });

  it('takes an edge sharpened while it still cut as one that would have lasted longer', () => {
    const blunt = nextAngle([edge(20, 40), edge(22, 40)]);
    const still = nextAngle([edge(20, 40), edge(22, 40, 'still-cutting')]);
    expect(still?.bestDeg).toBeGreaterThan(blunt?.bestDeg ?? NaN);
  });

  it('weighs years of edges none of which was ever found blunt', () => {
    const kept = Array.from({ length: 400 }, () => edge(20, 60, 'still-cutting'));
    const next = nextAngle(kept);
    expect(next?.bestDeg).toBeGreaterThan(8);
    expect(next?.bestDeg).toBeLessThan(32);
    expect((next?.flatter ?? NaN) + (next?.here ?? NaN) + (next?.steeper ?? NaN)).toBeCloseTo(1, 9);
  });

  it('goes by how the hand felt it: flatter where it would not bite, steeper where it gave out', () => {
    const plain = [20, 20, 20].map((deg) => edge(deg, 60));
    const best = (felt: EdgeTried['felt']): number =>
      nextAngle(plain.map((each) => ({ ...each, ...(felt && { felt }) })))?.bestDeg ?? NaN;
    expect(best({ bites: false })).toBeLessThan(best(undefined) - 0.3);
    expect(best({ holds: false })).toBeGreaterThan(best(undefined) + 0.3);
    expect(best({ steers: 'in' })).toBe(best(undefined));
  });
});

describe('the sides of the next edge', () => {
  const sided = (leftDeg: number, rightDeg: number, felt: EdgeTried['felt'] = {}): EdgeTried => ({
    ...edge((leftDeg + rightDeg) / 2, 60, 'still-cutting'),
    ...{ leftDeg, rightDeg, felt },
  });

  it('go on alike: what a person made uneven is never evened', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 8, max: 20 }),
        fc.integer({ min: 8, max: 20 }),
        fc.array(anEdge, { maxLength: 8 }),
        (left, right, before) => {
          const next = nextAngle([...before, sided(left, right, { steers: 'straight' })]);
          expect((next?.sides?.leftDeg ?? NaN) - (next?.sides?.rightDeg ?? NaN)).toBeCloseTo(left - right, 9);
          expect(next?.sides?.steers).toBeUndefined();
        },
      ),
      { numRuns: 40 },
    );
  });

  it('move a degree from one to the other where it dives or climbs out, the sum of both staying', () => {
    const of = (felt: EdgeTried['felt']) => nextAngle([sided(14, 9, felt)])?.sides;
    const [dives, climbs] = [of({ steers: 'in' }), of({ steers: 'out' })];
    const straight = of({ steers: 'straight' });
    const by = (sides: typeof dives) => [
      (sides?.leftDeg ?? NaN) - (straight?.leftDeg ?? NaN),
      (sides?.rightDeg ?? NaN) - (straight?.rightDeg ?? NaN),
    ];
    expect(by(dives)).toEqual([-1, 1]);
    expect(by(climbs)).toEqual([1, -1]);
    // Of two sides alike nobody can say which lies on the work.
    expect(nextAngle([sided(12, 12, { steers: 'in' })])?.sides?.steers).toBeUndefined();
    expect(nextAngle([edge(12, 60)])?.sides).toBeUndefined();
  });
});
