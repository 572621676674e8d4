import fc from 'fast-check';
import type { Tool } from '../blade/tool.js';
import { besideLikeTools, edgeLawOf, edgeLifeOf, measureOf, tellsLife, type EdgeLife } from './edge-lives.js';
import { edgeSpans } from './edge-spans.js';
import type { Session } from './session.js';

const knife: Tool = {
  name: 'Knife',
  family: 'whittling-knife',
  steel: 'laminated',
  edge: { form: 'knife', lengthMm: 78, widthMm: 18, spineMm: 2.7, leftDeg: 12, rightDeg: 12, grind: 'flat' },
};
const iron: Tool = { ...knife, family: 'plane-iron' };
const sessions = (...entries: Partial<Session>[]): Session[] =>
  entries.map((entry, i) => ({
    toolId: 't',
    kind: 'use',
    startedAt: new Date(Date.UTC(2026, 0, 1) + i * 3_600_000).toISOString(),
    ...entry,
  }));
const used = (minutes: number, stillCutting = true, more: Partial<Session> = {}): Partial<Session> => ({
  use: { minutes, stillCutting },
  ...more,
});
const HONED: Partial<Session> = { kind: 'honing' };
const edge = (minutes: number, dull = true): Partial<Session>[] => [used(minutes, !dull), HONED];
const many = (count: number, ...entries: Partial<Session>[]): Partial<Session>[] =>
  Array.from({ length: count }, () => entries).flat();
const historyOf = (all: readonly Session[]) => all.map((session) => ({ session }));
const lifeOf = (...entries: Partial<Session>[]): EdgeLife => {
  const life = edgeLifeOf('minutes', historyOf(sessions(...entries)));
  if (!life) throw new Error('Nothing was used.');
  return life;
};

describe('edgeSpans', () => {
  const spansOf = (...entries: Partial<Session>[]): unknown[] =>
    edgeSpans('minutes', sessions(...entries)).map(({ amount, cutTo, ended }) => [amount, cutTo, ended]);

  it('ends an edge where it was found blunt, honed while it cut, chipped, or is in use', () => {
    expect(
      spansOf(
        ...[used(30), used(20), used(10, false), HONED],
        ...[used(40), HONED],
        ...[used(15, false, { chips: { count: 1, deepestMm: 0.4 } }), { kind: 'grinding' } as const, HONED],
        ...[used(25)],
      ),
    ).toEqual([
      [60, 50, 'blunt'],
      [40, 40, 'still-cutting'],
      [15, 15, 'chipped'],
      [25, 25, 'in-use'],
    ]);
  });

  it('adds up spells past a strop, and goes on where the strop brought it back', () => {
    const back = [used(20, false), { kind: 'stropping' } as const, used(30), used(10, false), HONED];
    expect(spansOf(...back)).toEqual([[60, 50, 'blunt']]);
  });

  it('counts no use after it was blunt, and leaves out edges nothing was noted of', () => {
    expect(spansOf(used(30), used(20, false), used(60, false), HONED, HONED)).toEqual([[50, 30, 'blunt']]);
    expect(edgeSpans('mortises', sessions(used(30), HONED))).toEqual([]);
  });
});

describe('edgeLifeOf', () => {
  it('is told by what went blunt, from three edges on, with a range', () => {
    expect(tellsLife(lifeOf(...edge(60), ...edge(90)))).toBeFalse();
    const life = lifeOf(...many(5, ...edge(60), ...edge(90), ...edge(75)));
    expect(tellsLife(life)).toBeTrue();
    expect(life.amount).toBeGreaterThan(70);
    expect(life.amount).toBeLessThan(82);
    expect([life.low < life.amount, life.amount < life.high]).toEqual([true, true]);
    expect([life.blunt, life.unended, life.spell]).toEqual([15, 0, 75]);
  });

  it('does not shrink for being obeyed: edges honed while they cut lasted longer than that', () => {
    const before = lifeOf(...many(6, ...edge(80), ...edge(100)));
    const obeyed = lifeOf(...many(6, ...edge(80), ...edge(100)), ...many(60, ...edge(55, false)));
    expect(obeyed.amount).toBeGreaterThanOrEqual(before.amount);
    // What was left out of it before this: the short lives alone.
    expect(obeyed.unended).toBe(60);
  });

  it('takes an edge to have gone half way through its last spell, unless one stops at once', () => {
    const whole = lifeOf(...many(6, used(30), used(30), used(30, false), HONED));
    const atOnce = lifeOf(...many(6, used(30), used(30), used(8, false), HONED));
    expect(whole.amount).toBeCloseTo(75, -1);
    // The spells that ended blunt are short: what was noted is when it gave out.
    expect(Math.abs(atOnce.scale - 68)).toBeLessThan(2);
  });

  it('forgets slowly: hands, woods and stones change', () => {
    const early = many(120, ...edge(20), ...edge(24));
    const late = many(120, ...edge(70), ...edge(90));
    expect(lifeOf(...early, ...late).amount).toBeGreaterThan(60);
  });

  it('tells woods and angles apart as far as they were seen, and leans on the whole for the rest', () => {
    const at = (angleDeg: number): Partial<Session> => ({ kind: 'honing', setting: { angleDeg } });
    const inWood = (wood: string, minutes: number): Partial<Session> => ({
      use: { minutes, stillCutting: false, wood },
    });
    const life = lifeOf(
      at(30),
      ...many(20, inWood('larch', 100), at(30)),
      ...many(20, inWood('oak', 50), at(33)),
      ...many(1, inWood('ash', 20), at(30)),
    );
    const usual = Object.fromEntries(life.inWood.map(({ of, amount }) => [of, amount]));
    expect(usual['larch']).toBeGreaterThan(1.6 * (usual['oak'] ?? Infinity));
    // One edge in ash moves it a little way only.
    expect(usual['ash']).toBeGreaterThan(40);
    expect(life.inWood.map(({ of, edges }) => [of, edges])).toEqual([
      ['larch', 20],
      ['oak', 20],
      ['ash', 1],
    ]);
    expect(life.atDeg.map(({ of }) => of)).toEqual([30, 33]);
  });

  it('tells pairs of sides apart, not their means, and takes the last word on how an edge cut', () => {
    const at = (angleDeg: number, rightDeg: number): Partial<Session> => ({
      ...{ kind: 'honing', setting: { angleDeg, rightDeg } },
    });
    const use = (minutes: number, bites: boolean): Partial<Session> => ({
      use: { minutes, stillCutting: false, felt: { bites } },
    });
    const all = sessions(
      at(14, 9),
      ...many(6, use(100, true), at(14, 9)),
      ...many(6, use(50, false), at(11.5, 11.5)),
    );
    const life = edgeLifeOf('minutes', historyOf(all));
    expect(life?.atSides?.map(({ of }) => of).sort()).toEqual(['11.5/11.5', '14/9']);
    expect(life?.atDeg).toEqual([]);
    const spans = edgeSpans('minutes', all);
    expect(spans[0]).toEqual(
      jasmine.objectContaining({ deg: 11.5, leftDeg: 14, rightDeg: 9, felt: { bites: true } }),
    );
    expect(spans.at(-1)?.felt).toEqual({ bites: false });
  });

  it('comes to the same reckoned on entry by entry as all at once (fast-check)', () => {
    const entry = fc.oneof(
      fc
        .record({ minutes: fc.integer({ min: 0, max: 90 }), cuts: fc.boolean() })
        .map(({ minutes, cuts }) => used(minutes, cuts)),
      fc.constantFrom<Partial<Session>>(HONED, { kind: 'grinding' }, { kind: 'stropping' }),
    );
    fc.assert(
      fc.property(fc.array(entry, { maxLength: 40 }), (entries) => {
        const all = sessions(...entries);
        const growing = historyOf(all);
        for (let i = 0; i <= all.length; i++) {
          const law = edgeLawOf('minutes', growing.slice(0, i));
          expect(law).toEqual(edgeLawOf('minutes', historyOf(all.slice(0, i))));
        }
      }),
      { numRuns: 40 },
    );
  });

  it('says nothing of a tool that was never used', () => {
    expect(edgeLifeOf('minutes', historyOf(sessions(HONED, HONED)))).toBeUndefined();
  });
});

describe('besideLikeTools', () => {
  const few = { id: 'few', family: knife.family, life: lifeOf(...edge(200)) };
  const lots = { id: 'lots', family: knife.family, life: lifeOf(...many(10, ...edge(60), ...edge(80))) };

  it('lends where little is known of a tool, and hardly where much is', () => {
    const lent = besideLikeTools([few, lots]);
    const [one, other] = [lent.get('few'), lent.get('lots')];
    expect(tellsLife(few.life)).toBeFalse();
    expect(one && tellsLife(one)).toBeTrue();
    expect(one?.amount).toBeLessThan(0.9 * few.life.amount);
    expect(one?.lent).toEqual({ tools: 1, blunt: 20 });
    expect(Math.abs((other?.amount ?? 0) / lots.life.amount - 1)).toBeLessThan(0.2);
  });

  it('lends nothing between families, between measures, or where none went blunt', () => {
    for (const other of [
      { ...lots, family: iron.family },
      { ...lots, life: { ...lots.life, measure: 'mortises' as const } },
      { ...lots, life: lifeOf(...many(4, ...edge(60, false))) },
    ])
      expect(besideLikeTools([few, other]).get('few')).toBe(few.life);
  });
});

describe('measureOf', () => {
  it('is how the last use was counted, else the family’s own way', () => {
    const history = (...entries: Partial<Session>[]): { session: Session }[] =>
      sessions(...entries).map((session) => ({ session }));
    expect(measureOf(iron, [])).toBe('metresPlaned');
    expect(measureOf(knife, [])).toBe('minutes');
    expect(measureOf(iron, history(used(30)))).toBe('minutes');
    expect(measureOf(knife, history(used(30), { use: { mortises: 3 } }))).toBe('mortises');
  });
});
