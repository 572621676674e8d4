import fc from 'fast-check';
import { sinDeg } from '../base/trig.js';
import type { Edge } from '../blade/edge.js';
import { PATCH_DEEP_MM, rolled } from './rolled.js';
import { curveRolled } from './curve-rolled.js';
import { posed, turning, type Turning } from './turning.js';

const GOUGE: Edge = {
  ...{ form: 'gouge', widthMm: 20, depthMm: 5, thicknessMm: 2.4, cannel: 'out', bevelDeg: 22 },
};
const V: Edge = { form: 'v', wingMm: 9, openingDeg: 60, thicknessMm: 2, bevelDeg: 22, keelRadiusMm: 0.4 };
const HOOK: Edge = {
  ...{
    form: 'hook',
    make: 'hollow-inside',
    lengthMm: 55,
    innerRadiusMm: 22,
    thicknessMm: 2.6,
    includedDeg: 25,
  },
};
const SCRUB: Edge = {
  ...{ form: 'single-bevel', widthMm: 33, thicknessMm: 3, primaryDeg: 30, grind: 'flat', back: 'flat' },
  front: { shape: 'arc', radiusMm: 75 },
};
const SKEW: Edge = {
  ...{ form: 'double-bevel', widthMm: 12, thicknessMm: 3, leftDeg: 15, rightDeg: 15, skewDeg: 25 },
  ...{ grind: 'flat', heelRadiusMm: 4 },
};
const ON_STONE: Readonly<Record<string, Edge>> = {
  gouge: GOUGE,
  V,
  'flat-inside hook': { ...HOOK, make: 'flat-inside' },
  'scrub iron': SCRUB,
  skew: SKEW,
};
const IN_HOLLOW: Readonly<Record<string, Edge>> = {
  'in-cannel gouge': { ...GOUGE, cannel: 'in' },
  hook: HOOK,
  'hook bevelled both sides': { ...HOOK, make: 'bevelled-both-sides' },
};
const of = (edge: Edge, rodMm?: number): Turning => turning(edge, rodMm) as Turning;
const along = fc.double({ min: -1, max: 1, noNaN: true });

describe('turning', () => {
  Object.entries(ON_STONE).forEach(([name, edge]) =>
    it(`lays each place of the edge on the stone, its bevel flat, nothing of the blade in it: ${name}`, () => {
      fc.assert(
        fc.property(along, (at) => {
          const { ribs, patch, patchMm } = posed(of(edge), at);
          const lowest = Math.min(...ribs.flat().map(({ y }) => y));
          // The shoulder behind a skew’s round is thinned for just this, and is drawn as it was.
          if (edge !== SKEW) expect(lowest).toBeGreaterThan(-0.02);
          expect(patchMm).toBeGreaterThan(0);
          // What touches lies no further off than a face is still rubbed, seen along the facet.
          const highest = Math.max(...patch.flat().map(({ y }) => y));
          expect(highest).toBeLessThan((1.3 * PATCH_DEEP_MM) / sinDeg(of(edge).tiltDeg));
        }),
      );
    }),
  );

  Object.entries(IN_HOLLOW).forEach(([name, edge]) =>
    it(`lays a rod along the facet inside, and no steel reaches into it: ${name}`, () => {
      fc.assert(
        fc.property(along, fc.double({ min: 3, max: 9, noNaN: true }), (at, rodMm) => {
          const { patch } = posed(of(edge, rodMm), at);
          for (const { x, y } of patch.flat()) expect(Math.hypot(x, y - rodMm)).toBeGreaterThan(rodMm - 0.02);
          const middle = patch[4] as (typeof patch)[number];
          for (const { x, y } of middle) expect(Math.hypot(x, y)).toBeLessThan(2);
        }),
      );
    }),
  );

  it('keeps every length: the blade is turned, not bent', () => {
    const between = (at: number): number => {
      const ribs = posed(of(GOUGE), at).ribs;
      const [a, b] = [ribs[3]?.[0], ribs[40]?.[2]];
      return a && b ? Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z) : NaN;
    };
    expect(between(0.7)).toBeCloseTo(between(-0.3), 9);
  });

  it('is drawn as it is planned: the patch of its roll, and as far from corner to corner', () => {
    const gouges = fc.record({
      widthMm: fc.double({ min: 5, max: 40, noNaN: true }),
      sweep: fc.double({ min: 0.08, max: 0.5, noNaN: true }),
      bevelDeg: fc.double({ min: 15, max: 45, noNaN: true }),
      cannel: fc.constantFrom('in' as const, 'out' as const),
      rodShare: fc.double({ min: 0.3, max: 1, noNaN: true }),
    });
    fc.assert(
      fc.property(gouges, ({ widthMm, sweep, bevelDeg, cannel, rodShare }) => {
        const edge: Edge = {
          ...{
            form: 'gouge',
            widthMm,
            depthMm: sweep * widthMm,
            thicknessMm: 0.08 * widthMm,
            cannel,
            bevelDeg,
          },
        };
        const hollow = curveRolled(edge)?.radiusMm ?? NaN;
        const rodMm = cannel === 'in' ? rodShare * hollow : undefined;
        const roll = curveRolled(edge, rodMm);
        if (!roll) throw new Error('a gouge is rolled');
        const { patchMm, turnDeg } = rolled(roll);
        expect(posed(of(edge, rodMm), 0).patchMm).toBeCloseTo(patchMm, 9);
        expect(posed(of(edge, rodMm), 1).turnDeg - posed(of(edge, rodMm), -1).turnDeg).toBeCloseTo(
          turnDeg,
          9,
        );
      }),
    );
    const scrub = curveRolled(SCRUB);
    if (!scrub) throw new Error('a scrub iron is rolled');
    expect(posed(of(SCRUB), 0).patchMm).toBeCloseTo(rolled(scrub).patchMm, 9);
  });

  it('lays a V’s wing down whole, a skew’s straight edge too', () => {
    expect(posed(of(V), 1).patchMm).toBeCloseTo(9, 9);
    expect(posed(of(V), 1).turnDeg).toBe(60);
    expect(posed(of(V), 0).patchMm).toBeLessThan(0.5);
    // The straight edge of a skew lies down whole; its round in places.
    expect(posed(of(SKEW), -1).patchMm).toBeGreaterThan(8);
    expect(posed(of(SKEW), 1).turnDeg).toBeCloseTo(90, 9);
  });

  it('turns nothing that is straight', () => {
    expect(turning({ ...SCRUB, front: { shape: 'straight' } } as Edge)).toBeUndefined();
    expect(turning({ ...SKEW, heelRadiusMm: undefined } as unknown as Edge)).toBeUndefined();
  });
});
