import { polygonArea, polygonHull } from 'd3-polygon';
import fc from 'fast-check';
import type { Abrasive } from '../abrasive/abrasive.js';
import { wheelRadiusMm, wheelWear } from '../abrasive/wheel.js';
import { recessionForLand } from '../blade/land-growth.js';
import { planHoning } from '../plan/ways-out.js';
import { edgeState } from '../record/edge-state.js';
import { flatBlade } from '../testing/blades.js';
import type { Tool } from '../blade/tool.js';
import { grindingWork } from '../work/ground.js';
import { grindingPasses, wheelAtWork } from './grinding-work.js';
import { without } from '../testing/without.js';

const mm = (min: number, max: number): fc.Arbitrary<number> => fc.double({ min, max, noNaN: true });
const rad = (deg: number): number => (deg * Math.PI) / 180;
const BLADE = flatBlade({ primaryDeg: 25, secondaryDeg: 30, thicknessMm: 4, widthMm: 50, landMm: 2 });
const WHEEL: Abrasive & { readonly id: string } = {
  id: 'wheel',
  name: 'Dry wheel',
  kind: 'dry-wheel',
  grade: { standard: 'UM', grade: '260' },
  lubricant: 'dry',
  strokeMm: 40,
  overheadMin: 3,
  wheel: {
    rpm: 2850,
    readings: [
      { on: '2026-01-05', diameterMm: 150 },
      { on: '2026-06-01', diameterMm: 146, dressed: true },
    ],
  },
};
const TOOL: Tool = { name: 'Iron', family: 'plane-iron', steel: 'high-carbon', edge: BLADE };

/** A blade's section in front of x = 60: back, secondary from the edge, primary, upper face. */
function section(edgeMm: number, landMm: number, t: number): [number, number][] {
  const [a, b] = [rad(25), rad(30)];
  const top = { x: edgeMm + landMm * Math.cos(b), y: landMm * Math.sin(b) };
  return [
    [edgeMm, 0],
    [top.x, top.y],
    [top.x + (t - top.y) / Math.tan(a), t],
    [60, t],
    [60, 0],
  ];
}
const area = (points: [number, number][]): number => Math.abs(polygonArea(polygonHull(points) ?? points));

describe('the work of grinding', () => {
  it('takes the polygon between the section as it is and as it is left (d3-polygon, fast-check)', () => {
    fc.assert(
      fc.property(mm(1, 5), mm(0.1, 0.9), mm(0, 1), mm(3, 6), (landMm, stopShortMm, nickMm, thicknessMm) => {
        const edge = flatBlade({ primaryDeg: 25, secondaryDeg: 30, thicknessMm, widthMm: 1 });
        const { removeMm3 } = grindingWork(edge, { landMm, nickMm, stopShortMm });
        const before = area(section(0, landMm, thicknessMm));
        const after = section(nickMm, stopShortMm, thicknessMm);
        // Jointed for a nick, the end stands square: its triangle before the land is left for the stones.
        const [edgeAt, top] = after as [[number, number], [number, number]];
        const height = recessionForLand(25, 30, stopShortMm) * Math.tan(rad(25));
        const left = nickMm > 0 ? area([edgeAt, [nickMm, height], top]) : 0;
        expect(removeMm3 + left).toBeCloseTo(before - area(after), 9);
      }),
    );
  });

  it('a wheel takes its hollow out of a flat bevel besides, and none out of one it hollowed', () => {
    const asked = { landMm: 2, nickMm: 0, stopShortMm: 0.7 };
    const flat = grindingWork(BLADE, asked).removeMm3;
    const hollowed = grindingWork(BLADE, { ...asked, wheelRadiusMm: 75 }).removeMm3;
    // About two thirds of face × sagitta, a parabola's share: 2/3 · 9.465 · 0.1495 · 50.
    expect(hollowed - flat).toBeCloseTo((2 / 3) * 9.465 * 0.1495 * 50, 0);
    const again = { ...BLADE, grind: 'hollow', grindRadiusMm: 75 } as const;
    expect(grindingWork(again, { ...asked, wheelRadiusMm: 75 }).removeMm3).toBe(flat);
  });

  it('is refused where nothing would be ground', () => {
    expect(() => grindingWork(BLADE, { landMm: 0.5, nickMm: 0, stopShortMm: 0.7 })).toThrowError(/no wider/);
    const single = flatBlade({ primaryDeg: 25 });
    expect(() => grindingWork(single, { landMm: 0, nickMm: 0, stopShortMm: 0.7 })).toThrowError(
      /honed, not ground/,
    );
  });

  it('falls into passes no longer than the heat allows, which together are the contact', () => {
    fc.assert(
      fc.property(mm(0.01, 20), mm(0.5, 60), (contact, longest) => {
        const { passes, passS } = grindingPasses(contact, longest, 3);
        expect(passS).toBeLessThanOrEqual(longest * (1 + 1e-9));
        expect(passS * passes).toBeCloseTo(contact * 60, 6);
        expect((passes - 1) * longest).toBeLessThan(contact * 60 + 1e-6);
      }),
    );
    expect(grindingPasses(1, undefined, 3).passes).toBe(1);
  });

  it('follows the wheel as it was last measured, and tells its wear', () => {
    expect(wheelRadiusMm(WHEEL)).toBe(73);
    expect(wheelAtWork(WHEEL, 5).rimMs).toBeCloseTo((Math.PI * 0.146 * 2850) / 60, 9);
    expect(wheelWear(WHEEL)).toEqual({ lostMm: 4, dressings: 1, lastDressedOn: '2026-06-01', readings: 2 });
    expect(() => wheelAtWork(undefined, 5)).toThrowError(/not on the bench/);
  });

  it('stands first in the plan; what is honed then is the narrow land it left', () => {
    const stone = { ...without(WHEEL, 'wheel'), id: 'w', kind: 'water-stone', strokeMm: 150 } as const;
    const bench = [WHEEL, { ...stone, grade: { standard: 'UM', grade: '10' } } as const];
    const request = {
      condition: { kind: 'nicked', nickMm: 0.3 },
      finishUm: 15,
      forceN: 20,
      strokesPerMin: 40,
      laidAside: [],
    } as const;
    const plain = planHoning(TOOL, bench, request);
    const ground = planHoning(TOOL, bench, {
      ...request,
      grind: { wheelId: 'wheel', stopShortMm: 0.7, pushN: 5 },
    });
    expect(plain.grinding).toBeUndefined();
    expect(ground.grinding?.landBeforeMm).toBe(2);
    // Jointed for the nick, the edge ends square: the land the wheel left is still to be honed.
    expect(ground.job.landBeforeMm).toBeCloseTo(0, 9);
    expect(ground.job.landAfterMm).toBeGreaterThan(0.7);
    const wide = planHoning(TOOL, bench, {
      ...request,
      condition: { kind: 'dull' },
      grind: { wheelId: 'wheel', stopShortMm: 0.7, pushN: 5 },
    });
    expect(wide.job.landBeforeMm).withContext('without a nick it stays').toBeCloseTo(0.7, 9);
    expect(ground.steps[0]?.strokes ?? 0).toBeLessThan((plain.steps[0]?.strokes ?? 0) / 4);
    const parts = [...ground.steps, ...(ground.back ?? [])];
    const minutes = parts.reduce(
      (sum, part) => sum + part.minutes,
      (ground.grinding?.minutes ?? 0) + (ground.settingMin ?? 0),
    );
    expect(ground.totalMin).toBeCloseTo(minutes, 9);
  });

  it('in the record leaves the land it left, and counts the steel', () => {
    const session = {
      id: 's',
      toolId: 't',
      kind: 'grinding',
      startedAt: '2026-05-01T09:00:00Z',
      landLeftMm: 0.7,
    } as const;
    const state = edgeState(TOOL, [session], [WHEEL]);
    expect([state.landMm, state.landFrom]).toEqual([0.7, 'ground']);
    expect(state.recessionMm).toBeCloseTo(recessionForLand(25, 30, 0.7), 9);
    expect(state.steelMm3).toBeCloseTo(
      grindingWork(BLADE, { landMm: 2, nickMm: 0, stopShortMm: 0.7 }).removeMm3,
      9,
    );
  });
});
