import { abrasiveByLook, type Feel, feelsOf, grit, LOOKED_AT, servesShape } from '../abrasive/index.js';
import { type Condition, FAMILY_NAMES, familyFacts, shapeOfEdge, usualTool } from '../blade/index.js';
import { kindFacts, type LookedAt } from '../abrasive/index.js';
import { defaultRequest, oneStone, planHoning, secondStone } from './index.js';

const owned = (kind: LookedAt, feel: Feel) => ({ ...abrasiveByLook(kind, feel), id: kind, name: kind });

describe('a bench of one stone, told by its looks', () => {
  it('has a plan for every family, on every kind that serves its edge', () => {
    for (const family of FAMILY_NAMES) {
      const tool = usualTool(family);
      const { finestUm = 0 } = familyFacts(family);
      const serving = LOOKED_AT.filter(
        (kind) => !kindFacts(kind).strop && servesShape({ kind }, shapeOfEdge(tool.edge)),
      ).flatMap((kind) =>
        feelsOf(kind)
          .map((feel) => owned(kind, feel))
          .filter(({ grade }) => grit(grade).sizeUm >= finestUm),
      );
      expect(serving.length).withContext(family).toBeGreaterThan(0);
      for (const stone of serving) {
        const bench = [stone];
        const plan = planHoning(tool, bench, defaultRequest({ tool, bench }));
        expect(plan.totalMin).withContext(`${family} on ${stone.name}`).toBeGreaterThan(0);
      }
    }
  });

  it('is finer the finer it feels, and what it is called is left to its owner', () => {
    for (const kind of LOOKED_AT) {
      const sizes = feelsOf(kind).map((feel) => grit(abrasiveByLook(kind, feel).grade).sizeUm);
      expect(sizes).toEqual([...sizes].sort((a, b) => b - a));
      expect(new Set(sizes).size).toBe(sizes.length);
      expect(abrasiveByLook(kind, 'fine').name).toBe('');
    }
  });
});

describe('secondStone', () => {
  const chisel = usualTool('bench-chisel');

  it('is a finer one where the family asks for a finer edge than the one reaches', () => {
    const second = secondStone(chisel, [owned('water-stone', 'middle')]);
    expect([second?.for, second?.stone.kind]).toEqual(['finish', 'water-stone']);
    const [[before, after], [alone, both]] = [second?.finishUm ?? [0, 0], second?.minutes ?? [0, 0]];
    expect(after).toBeLessThan(before / 1.6);
    // The same dull edge, taken further: it costs more, and not the world.
    expect(both).toBeGreaterThan(alone);
    expect(both).toBeLessThan(alone + 5);
  });

  it('is a coarse one where the one is fine already, and a nick would take long on it', () => {
    const second = secondStone(chisel, [owned('water-stone', 'fine')]);
    expect(second?.for).toBe('nick');
    const [alone, both] = second?.minutes ?? [0, 0];
    expect(alone - both).toBeGreaterThanOrEqual(2);
  });

  it('is nothing beside two, beside none, or beside a strop alone', () => {
    expect(secondStone(chisel, [owned('water-stone', 'middle'), owned('oil-stone', 'fine')])).toBeUndefined();
    expect(secondStone(chisel, [])).toBeUndefined();
    expect(secondStone(chisel, [owned('strop', 'fine')])).toBeUndefined();
    // A strop beside one stone is no second stone.
    expect(secondStone(chisel, [owned('water-stone', 'middle'), owned('strop', 'fine')])?.for).toBe('finish');
  });
});

describe('oneStone, for somebody who has none', () => {
  it('is the finest on which a very dull edge is no long work and a small nick still is work for it', () => {
    const tool = usualTool('plane-iron');
    const found = oneStone(tool);
    if (!found) return fail('a plane iron is honed on anything flat');
    expect(found.strokes).toBeLessThanOrEqual(60);
    const foundUm = grit(found.stone.grade).sizeUm;
    // Every finer one of those told by their looks is too slow for one or the other.
    for (const kind of LOOKED_AT) {
      for (const feel of feelsOf(kind)) {
        const stone = owned(kind, feel);
        if (grit(stone.grade).sizeUm >= foundUm || kindFacts(kind).strop) continue;
        if (!servesShape({ kind }, 'straight')) continue;
        const bench = [stone];
        const on = (condition: Condition) =>
          planHoning(tool, bench, defaultRequest({ tool, bench }, { condition, stropOnly: false }));
        const strokes = on({ kind: 'very-dull' }).steps[0]?.strokes ?? 0;
        const slow = strokes > 60 || on({ kind: 'nicked', nickMm: 0.1 }).tooMuch !== undefined;
        expect(slow).withContext(`${kind} ${feel}`).toBeTrue();
      }
    }
  });

  it('follows the edge it is for, and stays no finer than machine knives may be', () => {
    for (const family of FAMILY_NAMES) {
      const tool = usualTool(family);
      const found = oneStone(tool);
      if (!found) return fail(family);
      expect(servesShape(found.stone, shapeOfEdge(tool.edge)))
        .withContext(family)
        .toBeTrue();
      expect(grit(found.stone.grade).sizeUm).toBeGreaterThanOrEqual(familyFacts(family).finestUm ?? 0);
    }
  });
});
