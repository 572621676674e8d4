import {
  ABRASIVE_KIND_NAMES,
  costOfUse,
  kindFacts,
  servesShape,
  setNames,
  standsIn,
  type Abrasive,
} from './abrasive.js';
import { caresOf, stoneCare, type Care, type StoneUse } from './care.js';
import { hollowUm, wearAcrossMm } from './dish.js';
import { equalGrades } from './equal-grades.js';
import { inOrder, placedSizesUm } from './placing.js';
import { abrasive } from '../testing/blades.js';

describe('the kinds of abrasive', () => {
  it('serve some shape of edge, or are for the wheel and the other stones', () => {
    const idle = ABRASIVE_KIND_NAMES.filter((kind) => kindFacts(kind).serves.length === 0);
    expect(idle).toEqual(['powered-strop', 'dry-wheel', 'wet-wheel', 'flattening']);
    expect(servesShape({ kind: 'slip' }, 'inside-curve')).toBeTrue();
    expect(servesShape({ kind: 'slip' }, 'straight')).toBeFalse();
    expect(servesShape({ kind: 'slip', serves: ['straight'] }, 'straight')).toBeTrue();
    expect(servesShape({ kind: 'dry-wheel', serves: ['straight'] }, 'straight')).toBeFalse();
    for (const kind of ABRASIVE_KIND_NAMES)
      expect(caresOf({ kind, lubricant: 'water' }).length).toBeGreaterThan(0);
  });

  it('stand in their own sets, or in every one', () => {
    const bench = [
      abrasive('a', 10, { sets: ['Roll', 'Bench'] }),
      abrasive('b', 5),
      abrasive('c', 1, { sets: ['Bench'] }),
    ];
    expect(setNames(bench)).toEqual(['Bench', 'Roll']);
    expect(bench.filter((each) => standsIn(each, 'Roll')).map(({ id }) => id)).toEqual(['a', 'b']);
    expect(bench.every((each) => standsIn(each, undefined))).toBeTrue();
  });
});

describe('places by hand', () => {
  it('stand between their neighbours, and follow them when they move', () => {
    const slate = abrasive('slate', 100, { between: { coarserId: 'c', finerId: 'f' } });
    const sizes = placedSizesUm([abrasive('c', 16), abrasive('f', 4), slate]);
    expect(sizes.get('slate')).toBeCloseTo(8, 12);
    expect(placedSizesUm([abrasive('c', 9), abrasive('f', 4), slate]).get('slate')).toBeCloseTo(6, 12);
    expect(inOrder([slate, abrasive('f', 4), abrasive('c', 16)]).map(({ id }) => id)).toEqual([
      'c',
      'slate',
      'f',
    ]);
    const end = abrasive('end', 100, { between: { coarserId: 'f' } });
    expect(placedSizesUm([abrasive('f', 4), end]).get('end')).toBeLessThan(4);
  });

  it('fall back on the grade when a neighbour is gone or two stones name each other', () => {
    const lost = abrasive('a', 7, { between: { coarserId: 'gone', finerId: 'gone too' } });
    expect(placedSizesUm([lost]).get('a')).toBe(7);
    const [one, two] = [
      abrasive('x', 7, { between: { coarserId: 'y' } }),
      abrasive('y', 3, { between: { coarserId: 'x' } }),
    ];
    const sizes = placedSizesUm([one, two]);
    expect([...sizes.values()].every((um) => Number.isFinite(um) && um > 0)).toBeTrue();
  });
});

const use = (at: string, more: Partial<StoneUse> = {}): StoneUse => ({
  at: `${at}T10:00:00Z`,
  strokes: 30,
  minutes: 1,
  forceN: 20,
  strokeMm: 150,
  edgeMm: 40,
  ...more,
});
const care = (at: string, kind: Care['kind'], more: Partial<Care> = {}): Care => ({
  abrasiveId: 'a',
  kind,
  at: `${at}T18:00:00Z`,
  ...more,
});

describe('the hollow of a stone', () => {
  const water = abrasive('a', 14, { widthMm: 70, lengthMm: 200 });

  it('holds as much as the stone lost, lies in the middle, and is none under an edge as wide as the stone', () => {
    const worn = wearAcrossMm(water, 14, [use('2026-01-01', { strokes: 100 })]);
    // Trapezium rule over the profile: all of the estimated loss, 1 mm³ per N·m.
    const step = 70 / (worn.length - 1);
    const area = worn.reduce(
      (sum, mm, i) => sum + mm * step * (i === 0 || i === worn.length - 1 ? 0.5 : 1),
      0,
    );
    expect((area * 200) / (100 * 20 * 0.15)).toBeCloseTo(1, 2);
    expect(Math.max(...worn)).toBe(worn[20] as number);
    expect(worn[3]).toBeCloseTo(worn.at(-4) as number, 9);
    expect(hollowUm(wearAcrossMm(water, 14, [use('2026-01-01', { edgeMm: 90 })]))).toBeCloseTo(0, 9);
  });

  it('is far smaller on an oil stone, and larger on a coarse one (common practice)', () => {
    const at = (kind: Abrasive['kind'], um: number): number =>
      hollowUm(wearAcrossMm({ ...water, kind }, um, [use('2026-01-01')]));
    expect(at('oil-stone', 14)).toBeLessThan(at('water-stone', 14) / 10);
    expect(at('water-stone', 35)).toBeGreaterThan(at('water-stone', 14));
    expect(at('diamond-plate', 14)).toBe(0);
  });

  it('comes due, is gone after flattening, and follows the straightedge', () => {
    const uses = ['01', '02', '03', '04', '05', '06'].map((day) => use(`2026-03-${day}`));
    const before = stoneCare(water, 14, uses, []);
    expect(before.due).toEqual({ kind: 'flattened', minutes: 2 });
    expect(before.strokes).toBe(180);
    const flat = stoneCare(water, 14, uses, [care('2026-03-07', 'flattened', { minutes: 3 })]);
    expect([flat.due, flat.hollowUm, flat.strokes]).toEqual([undefined, 0, 0]);
    const seen = 2 * (stoneCare(water, 14, uses.slice(0, 3), []).hollowUm as number);
    const looked = stoneCare(water, 14, uses, [care('2026-03-03', 'straightedge', { hollowUm: seen })]);
    expect(looked.readings).toBe(1);
    // One reading of twice the estimate: ln 2 drawn back by the estimate’s own uncertainty (0.7 against 0.3).
    const factor = Math.exp((Math.log(2) / 0.09) * (1 / (1 / 0.49 + 1 / 0.09)));
    expect(looked.wearFactor).toBeCloseTo(factor, 9);
    expect(looked.hollowUm).toBeCloseTo(seen + factor * ((before.hollowUm as number) / 2), 6);
  });
});

describe('care of the rest', () => {
  it('counts sheets, charges and minutes at the wheel', () => {
    const paper = abrasive('a', 14, {
      kind: 'film',
      grade: { standard: 'FEPA-P', grade: 'P1000' },
      sheets: { usesEach: 2, counted: { on: '2026-01-01', count: 5 } },
    });
    const days = [use('2026-02-01'), use('2026-02-02')];
    expect(stoneCare(paper, 18, days.slice(0, 1), []).due).toBeUndefined();
    expect(stoneCare(paper, 18, days, []).due?.kind).toBe('new-sheet');
    const changed = stoneCare(paper, 18, days, [care('2026-02-03', 'new-sheet')]);
    expect([changed.due, changed.sheetsLeft, changed.uses]).toEqual([undefined, 4, 0]);
    // Cut in halves: each serves as often, and one that is scratched is laid aside for rough work.
    const halves = {
      ...paper,
      sheets: { usesEach: 2, pieces: 2, costEach: 3, counted: { on: '2026-01-01', count: 5 } },
    };
    const cut = stoneCare(halves, 18, days, [
      care('2026-02-02', 'new-sheet'),
      care('2026-02-03', 'laid-aside'),
    ]);
    expect([cut.due, cut.sheetsLeft, cut.aside, cut.uses]).toEqual([undefined, 4, 1, 0]);
    expect(costOfUse(halves)).toBeCloseTo(3 / 4, 12);

    const strop = abrasive('a', 0.5, { kind: 'strop', lubricant: 'compound' });
    const often = Array.from({ length: 20 }, (_, i) => use(`2026-04-${String(i + 1).padStart(2, '0')}`));
    expect(stoneCare(strop, 0.5, often, []).due?.kind).toBe('recharged');
    const charges = ['01', '02', '03', '04'].map((day) => care(`2026-03-${day}`, 'recharged'));
    expect(stoneCare(strop, 0.5, often, charges).due?.kind).toBe('scraped');
    const scraped = [...charges, care('2026-04-30', 'scraped')];
    expect(stoneCare(strop, 0.5, often, scraped)).toEqual(
      jasmine.objectContaining({ strokes: 0, recharges: 0 }),
    );
    expect(stoneCare(strop, 0.5, often, scraped).due).toBeUndefined();

    const wheel = abrasive('a', 250, {
      kind: 'dry-wheel',
      wheel: { readings: [{ on: '2026-04-05', diameterMm: 150, dressed: true }] },
    });
    const ground = often.map((each) => ({ ...each, strokes: 0, minutes: 2 }));
    expect(stoneCare(wheel, 250, ground, []).due?.kind).toBe('dressed');
    expect(stoneCare(wheel, 250, ground, []).minutes).toBe(32);
    expect(stoneCare(wheel, 250, ground, [care('2026-04-20', 'dressed')]).due).toBeUndefined();
  });
});

describe('equalGrades', () => {
  it('stands the five systems side by side, by the tables’ own grains, and leaves out what is not near', () => {
    const at = (um: number): string =>
      equalGrades(um)
        .map(({ standard, grade }) => `${standard} ${grade}`)
        .join(', ');
    // FEPA P1000 is 18.3 µm, F400 17.3, JIS #800 14 (the tables checked against Debian's units data elsewhere).
    expect(at(18.3)).toMatch(/FEPA-P 1000, FEPA-F 400, ANSI \d+, JIS \d+, UM 18.3/);
    expect(at(1.2)).toBe('FEPA-F 2000, JIS 8000, UM 1.2');
    expect(at(0.3)).toBe('UM 0.3');
  });
});
