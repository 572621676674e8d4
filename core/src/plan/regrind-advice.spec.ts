import { honedDeg } from '../blade/edge.js';
import { flatBlade, waterStone } from '../testing/blades.js';
import type { Tool } from '../blade/tool.js';
import { planHoning } from './ways-out.js';
import type { PlanRequest } from './plan-request.js';
import { regrindAdvice, regrindMin } from './regrind-advice.js';

const blade = flatBlade({ widthMm: 50, secondaryDeg: 30, landMm: 0.6 });
const iron: Tool = { name: 'Iron', family: 'plane-iron', steel: 'high-carbon', edge: blade };
const bench = ['1000', '8000'].map((grade) => waterStone(grade, { standard: 'JIS', grade }));
const request: PlanRequest = {
  condition: { kind: 'dull' },
  finishUm: 2,
  forceN: 20,
  strokesPerMin: 40,
  laidAside: [],
};

describe('regrind now or later', () => {
  const advice = (thicknessMm: number) => {
    const tool = { ...iron, edge: { ...blade, thicknessMm } };
    return regrindAdvice(tool, planHoning(tool, bench, request), request, bench, {}, 5);
  };

  it('sets one bevel against two by the minutes of rubbing each takes', () => {
    const { best, oneBevelMin = NaN } = advice(3);
    const whole = { ...iron, edge: flatBlade({ widthMm: 50, primaryDeg: honedDeg(blade) }) };
    const { steps } = planHoning(whole, bench, request);
    expect(oneBevelMin).toBe(steps.reduce((sum, { strokes }) => sum + strokes, 0) / 40);
    expect(oneBevelMin).toBeGreaterThan(2 * best.meanMin);
    // So thin a blade has hardly more bevel than land.
    expect(advice(0.7).oneBevelMin ?? NaN).toBeLessThan(oneBevelMin / 3);
  });

  it('is for edges with a secondary, and takes a regrinding’s minutes from the wheel at hand', () => {
    const whole = { ...iron, edge: flatBlade({ widthMm: 50 }) };
    expect(() => advice(3)).not.toThrow();
    expect(() => regrindAdvice(whole, planHoning(whole, bench, request), request, bench, {}, 5)).toThrowError(
      /honed whole/,
    );
    const wheel = { ...waterStone('wheel', { standard: 'FEPA-F', grade: '60' }), kind: 'dry-wheel' as const };
    const [quick, none] = [regrindMin(iron, [...bench, wheel]), regrindMin(iron, bench)];
    expect(none).toBe(12);
    expect(quick).toBeLessThan(none);
    expect(regrindMin({ edge: { ...blade, widthMm: 25 } }, [...bench, wheel])).toBeLessThan(quick);
  });
});
