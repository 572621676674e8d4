import { abrasive } from '../testing/blades.js';
import type { KnifeEdge } from '../blade/edge.js';
import type { Tool } from '../blade/tool.js';
import { toolRecord } from '../record/tool-record.js';
import { behindEdgeMm } from '../work/body.js';
import { facetsNow, unworked, type EdgeAtWork } from '../work/edge-at-work.js';
import { worked } from '../work/worked.js';
import { defaultRequest } from './default-request.js';
import type { PlanRequest } from './plan-request.js';
import { stepsInOrder } from './order-of-work.js';
import { planHoning } from './ways-out.js';

const EDGE: KnifeEdge = {
  ...{ form: 'knife', lengthMm: 78, widthMm: 18, spineMm: 2.7, leftDeg: 12, rightDeg: 12, grind: 'flat' },
};
const TOOL: Tool = { name: 'Knife', family: 'whittling-knife', steel: 'high-carbon', edge: EDGE };
const BENCH = [abrasive('coarse', '240'), abrasive('mid', '1000'), abrasive('fine', '6000')];
const REQUEST: PlanRequest = {
  ...{ condition: { kind: 'dull' }, finishUm: 3, forceN: 20, strokesPerMin: 40, laidAside: [] },
};
const thickMm = (state: EdgeAtWork): number => behindEdgeMm(EDGE, facetsNow(EDGE, state)) ?? NaN;
/** As many honings as it had, each as the record would have it. */
const honed = (times: number): EdgeAtWork => {
  const item = { forceN: 20, strokeMm: 120, removalMm3PerNm: 0.005, marksUm: 1, steelFactor: 1 };
  return Array.from({ length: times }).reduce<EdgeAtWork>(
    (state) => worked(EDGE, state, { ...item, strokes: 20 }),
    unworked(EDGE),
  );
};

describe('the body of a knife in a plan', () => {
  it('leaves it no thicker behind its edge than it was at first, where that is no more than one honing’s work', () => {
    const tool = { ...TOOL, work: honed(3) };
    const plain = planHoning(tool, BENCH, REQUEST);
    const thinned = planHoning(tool, BENCH, { ...REQUEST, thinBody: true });
    expect(plain.body).toBeUndefined();
    const { body } = thinned;
    if (!body) return fail('it grew thicker');
    expect(body.id).toBe('coarse');
    expect(thinned.totalMin - plain.totalMin).toBeCloseTo(body.minutes, 9);
    // Its strokes come before those of the edge, half on each side.
    const [first] = stepsInOrder(tool, thinned);
    expect(first).toEqual(jasmine.objectContaining({ facet: 'body', count: 'half', strokes: body.strokes }));
    expect(body.strokes % 2).toBe(0);
  });

  it('takes no more than so many strokes at once: the next honings take the rest', () => {
    const many = planHoning({ ...TOOL, work: honed(60) }, BENCH.slice(1), { ...REQUEST, thinBody: true });
    expect(many.body?.strokes).toBe(120);
    const grown = thickMm(honed(60)) - thickMm(unworked(EDGE));
    expect(grown).toBeGreaterThan(0);
  });

  it('is asked for by itself once the record has it twice as thick, and not before', () => {
    // Each went back by what was measured.
    const asked = (honings: number): boolean | undefined => {
      const sessions = Array.from({ length: honings }, (_, i) => ({
        ...{ id: String(i), toolId: 'k', kind: 'honing' as const },
        startedAt: new Date(Date.UTC(2026, 0, 1 + i)).toISOString(),
        steps: [{ abrasiveId: 'gone', strokes: 10, minutes: 1, recessionMm: 0.05 }],
      }));
      const record = toolRecord(TOOL, sessions, []);
      return defaultRequest({ tool: TOOL, bench: BENCH, record }).thinBody;
    };
    expect(asked(5)).toBeUndefined();
    expect(asked(60)).toBeTrue();
  });

  it('is left as it is where it is convex, and of whatever is no knife', () => {
    const convex: Tool = { ...TOOL, edge: { ...EDGE, grind: 'convex' } };
    expect(planHoning(convex, BENCH, { ...REQUEST, thinBody: true }).body).toBeUndefined();
  });
});

describe('the last stone used as a strop', () => {
  it('comes when the burr is off, pulled, ever lighter, and is counted as its user counts it', () => {
    const tool: Tool = { ...TOOL, counts: { onStone: 'five-down' } };
    const request = defaultRequest({ tool, bench: BENCH }, REQUEST);
    const plan = planHoning(tool, BENCH, request);
    expect(plan.stoneStrop).toEqual(jasmine.objectContaining({ id: 'fine', strokes: 30, purpose: 'draws' }));
    const last = stepsInOrder(tool, plan).at(-1);
    expect(last).toEqual(
      jasmine.objectContaining({ abrasiveId: 'fine', afterBurr: true, count: 'five-down' }),
    );
    expect(last?.lastN).toBeLessThan(last?.forceN ?? NaN);
    expect(
      planHoning(TOOL, BENCH, defaultRequest({ tool: TOOL, bench: BENCH }, REQUEST)).stoneStrop,
    ).toBeUndefined();
  });
});
