import { EDGES } from '../testing/edges.js';
import { flatBlade } from '../testing/blades.js';
import { rollOf, stanceOf, type Face } from './stance.js';

describe('a blade on an abrasive', () => {
  for (const [what, , edge] of EDGES) {
    it(`lies on it and not in it, ${what}, its edge at the origin and the finger above`, () => {
      for (const face of ['bevel', 'other', 'back'] as const satisfies readonly Face[]) {
        const stance = stanceOf(edge, face, 20);
        if (!stance) return fail('there is such a blade');
        const lowest = Math.min(...stance.blade.map(({ y }) => y));
        expect(Math.abs(stance.blade[0]?.x ?? NaN)).toBeLessThan(1e-9);
        // Two bevels about a centre plane have no back: half a blade lies below its axis there.
        if (face !== 'back') expect(lowest).withContext(face).toBeGreaterThan(-0.2);
        expect(stance.press.y).withContext(face).toBeGreaterThan(0);
      }
    });
  }

  it('is at its secondary’s angle, at its primary’s, flat on its back, and lower on a strop that gives', () => {
    const chisel = flatBlade({ secondaryDeg: 30, landMm: 0.6 });
    const deg = (face: Face, lower = 0): number => stanceOf(chisel, face, 12, lower)?.angleDeg ?? NaN;
    expect([deg('bevel'), deg('primary'), deg('back'), deg('bevel', 3)]).toEqual([30, 25, 0, 27]);
    const land = stanceOf(chisel, 'bevel', 12)?.blade.filter(({ y }) => Math.abs(y) < 1e-9) ?? [];
    expect(Math.max(...land.map(({ x }) => x))).toBeCloseTo(0.6, 9);
  });

  it('lies on a knife’s body from the heel of its facet to its spine, the edge clear of the stone', () => {
    const sizes = { lengthMm: 78, widthMm: 18, spineMm: 2.7, leftDeg: 12, rightDeg: 12 };
    const stance = stanceOf({ form: 'knife', ...sizes, grind: 'flat' }, 'body');
    const [edge, ...rest] = stance?.blade ?? [];
    expect(edge?.y).toBeGreaterThan(0.01);
    const low = rest.map(({ y }) => y).sort((a, b) => a - b);
    expect(low[0]).toBeCloseTo(0, 9);
    expect(low[1]).toBeCloseTo(0, 9);
  });

  it('rolls a convex edge from its body to the angle of its edge, and no other', () => {
    const sizes = { lengthMm: 40, widthMm: 13, spineMm: 1.8, leftDeg: 10, rightDeg: 8 };
    const knife = { form: 'knife', ...sizes, grind: 'convex' } as const;
    const roll = rollOf(knife, 'bevel');
    expect(roll?.fromDeg).toBeCloseTo((Math.atan(0.9 / 13) * 180) / Math.PI, 9);
    expect(roll?.toDeg).toBe(10);
    expect(rollOf(knife, 'other')?.toDeg).toBe(8);
    expect(rollOf({ ...knife, grind: 'flat' }, 'bevel')).toBeUndefined();
    expect(rollOf(flatBlade({ grind: 'convex' }), 'back')).toBeUndefined();
    for (const [what, , edge] of EDGES) {
      const found = rollOf(edge, 'bevel');
      if (found) expect(found.fromDeg).withContext(what).toBeLessThan(found.toDeg);
    }
  });
});
