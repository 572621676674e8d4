import { hollowedBack } from '../grinding/hollowed-back.js';
import type { Tool } from '../blade/tool.js';
import { flatBlade, waterStone } from '../testing/blades.js';
import { PLAN_DEFAULTS, type PlanRequest } from './plan-request.js';
import { planHoning } from './ways-out.js';
import { savedBack, type OldBack } from './saved-back.js';

const drawknife: Tool = {
  name: 'Drawknife',
  family: 'drawknife',
  steel: 'high-carbon',
  edge: flatBlade({ widthMm: 200, thicknessMm: 5, primaryDeg: 28 }),
};
const stones = ['240', '800', '1200', '8000'].map((grade) => waterStone(grade, { standard: 'JIS', grade }));
const wheel = { ...waterStone('wheel', { standard: 'FEPA-F', grade: '60' }), kind: 'dry-wheel' as const };
const request: PlanRequest = { ...PLAN_DEFAULTS, condition: { kind: 'unknown' }, finishUm: 2, laidAside: [] };
const old: OldBack = { backMm: 30, edgeRimMm: 3, farRimMm: 3, passes: 3, pitsMm: 0.15, rimPitsMm: 0.05 };
const saved = (more: Partial<OldBack> = {}) =>
  savedBack(drawknife, { ...old, ...more }, [...stones, wheel], request);

describe('savedBack', () => {
  it('takes minutes at the rims where the whole back takes a long job (common practice)', () => {
    const { whole, hollowed } = saved();
    expect(hollowed.minutes).toBeLessThan(whole.minutes / 3);
    expect(hollowed.minutes).toBe(hollowed.wheelMin + hollowed.rubbingMin);
    expect(whole.wheelMin).toBe(0);
  });

  it('is the hollow of the wheel, and the rims’ own steel', () => {
    const { hollowed, whole } = saved();
    const geometry = hollowedBack({ ...old, wheelRadiusMm: 75 });
    expect(hollowed.depthMm).toBe(geometry.depthMm);
    // 6 mm of rims, 0.05 mm deep, 200 long.
    expect(hollowed.steelMm3).toBeCloseTo(200 * geometry.areaMm2 + 6 * 200 * 0.05, 9);
    expect(whole.steelMm3).toBeCloseTo(30 * 200 * 0.15, 9);
  });

  it('polishes a back as the plan of a second-hand blade does, where it is as uneven', () => {
    const asked = { ...request, condition: { kind: 'unknown' as const } };
    for (const polishedMm of [6, 12, 25]) {
      const flat = {
        ...drawknife,
        edge: { ...drawknife.edge, back: 'flat' as const, polishedMm } as Tool['edge'],
      };
      const planned = planHoning(flat, [...stones, wheel], asked).back ?? [];
      const minutes = planned.reduce((sum, step) => sum + (step.prepares ? step.minutes : 0), 0);
      const alike = saved({ backMm: polishedMm, edgeRimMm: 2, farRimMm: 1, pitsMm: 0, rimPitsMm: 0 });
      expect(alike.whole.minutes).withContext(String(polishedMm)).toBeCloseTo(minutes, 9);
    }
  });

  it('leaves pits deeper than the hollow where they do no harm', () => {
    expect(saved({ passes: 1 }).pitsLeftMm).toBe(0);
    expect(saved({ passes: 6 }).pitsLeftMm).toBeCloseTo(0.15 - saved({ passes: 6 }).hollowed.depthMm, 12);
  });

  it('asks for a wheel, and for measures that fit together', () => {
    expect(() => savedBack(drawknife, old, stones, request)).toThrowError(/no wheel/);
    expect(() => saved({ edgeRimMm: 1 })).toThrowError(/at the edge/);
    expect(() => saved({ rimPitsMm: 0.3 })).toThrowError(/at least as deep/);
  });
});
