import type { KnifeSetEdge } from '../blade/edge.js';
import type { Tool } from '../blade/tool.js';
import { waterStone } from '../testing/blades.js';
import { PLAN_DEFAULTS, type PlanRequest } from './plan-request.js';
import { changingMin, inJig, placesInJig, strokesOfEach } from './knives-in-jig.js';
import { orderOfWork } from './order-of-work.js';
import { planHoning } from './ways-out.js';

const edge: KnifeSetEdge = {
  form: 'knife-set',
  count: 3,
  lengthMm: 260,
  widthMm: 25,
  thicknessMm: 3,
  bevelDeg: 45,
};
const knives: Tool = { name: 'Knives', family: 'planer-knives', steel: 'high-speed', edge };
const papers = ['220', '320', '400', '600'].map((grade) => ({
  ...waterStone(`p${grade}`, { standard: 'FEPA-P', grade }),
  kind: 'film' as const,
}));
const request: PlanRequest = {
  ...PLAN_DEFAULTS,
  condition: { kind: 'dull' },
  finishUm: 25.8,
  forceN: 80,
  way: 'both',
  laidAside: [],
};

describe('knives in a jig', () => {
  it('has places by its length: two rows at a right angle, no more than there are knives', () => {
    expect(placesInJig({ count: 3, lengthMm: 260 })).toBe(2);
    expect(placesInJig({ count: 6, lengthMm: 150, jigMm: 310 })).toBe(4);
    // Long enough, it takes all of them in one.
    expect(placesInJig({ count: 3, lengthMm: 150, jigMm: 310 })).toBe(3);
    expect(placesInJig({ count: 2, lengthMm: 400, jigMm: 300 })).toBe(2);
  });

  it('gives each as many as the set wants of it, and never one of them more', () => {
    const jig = inJig(edge, 57);
    expect(jig).toEqual({
      strokes: 57,
      rounds: [
        [1, 2],
        [1, 3],
        [2, 3],
      ],
    });
    expect(strokesOfEach(57, jig.rounds)).toBe(38);
    expect(inJig(edge, 57, 20).strokes).toBe(30);
    expect(changingMin(jig.rounds)).toBe(1);
  });

  it('is planned backs first through every abrasive by their own count, then bevels, the jig as it was left', () => {
    const plan = planHoning(knives, papers, { ...request, strokesEach: 20 });
    const { steps, order } = orderOfWork({ plan, tool: knives, stoneOf: () => undefined });
    const bevels = steps.filter(({ facet }) => facet !== 'back');
    const backs = steps.filter(({ facet }) => facet === 'back');
    expect(steps.slice(0, backs.length)).toEqual(backs);
    expect(backs.map(({ abrasiveId }) => abrasiveId)).toEqual(bevels.map(({ abrasiveId }) => abrasiveId));
    for (const { strokes, rounds = [] } of backs) expect(strokesOfEach(strokes, rounds)).toBe(10);
    for (const { strokes, rounds = [] } of bevels) expect(strokesOfEach(strokes, rounds)).toBe(20);
    bevels.slice(1).forEach(({ rounds }, i) => expect(rounds?.[0]).toEqual(bevels[i]?.rounds?.at(-1)));
    expect(order.some(({ kind }) => kind === 'polished')).toBeFalse();
    expect(order.filter(({ kind }) => kind === 'isolate').length).toBe(1);
    expect(plan.strop).toBeUndefined();
  });

  it('takes each knife as far back as the same push on one long edge would', () => {
    const reckoned = planHoning(knives, papers, request);
    const asked = planHoning(knives, papers, { ...request, strokesEach: 400 });
    expect(asked.job.recessionMm).toBeGreaterThan(2 * reckoned.job.recessionMm);
    expect(asked.totalMin).toBeGreaterThan(reckoned.totalMin);
  });
});
