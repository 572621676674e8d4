import { knifeLift, liftAngle } from '../guide/knife-lift.js';
import { abrasive, flatBlade } from '../testing/blades.js';
import { EDGES } from '../testing/edges.js';
import { EDGE_SHAPES } from '../blade/edge-shape.js';
import {
  edgeLengthMm,
  type DoubleBevelEdge,
  type Edge,
  type GougeEdge,
  type HookEdge,
  type KnifeEdge,
  type VEdge,
} from '../blade/edge.js';
import { runningEdge } from '../curve/running-edge.js';
import type { Condition } from '../blade/dulling.js';
import { COUNTS } from '../blade/manner.js';
import type { Tool } from '../blade/tool.js';
import { edgeHistory } from '../record/edge-state.js';
import { asPlanned } from '../run/as-planned.js';
import type { RunEvent } from '../run/events.js';
import { sessionsOfRun } from '../run/run-record.js';
import { afterEvent, beginRun } from '../run/run.js';
import { takenToBench, type RunPlan } from '../run/run-plan.js';
import type { BenchStep } from './bench-step.js';
import { strokesOf, visitsOf } from './counting.js';
import { handSet, liftOf } from './held.js';
import type { HoningPlan } from './honing-plan.js';
import { orderOfWork, type WorkOrder } from './order-of-work.js';
import type { PlanRequest } from './plan-request.js';
import { planHoning } from './ways-out.js';

const POCKET: KnifeEdge = {
  ...{ form: 'knife', lengthMm: 70, widthMm: 15, spineMm: 2.2, leftDeg: 14, rightDeg: 9, grind: 'flat' },
};
const knife = (more: Partial<Tool> = {}): Tool => ({
  ...{ name: 'Pocket knife', family: 'marking-knife', steel: 'high-carbon', edge: POCKET },
  ...more,
});
const BENCH = [
  abrasive('coarse', '600', { serves: EDGE_SHAPES, widthMm: 70 }),
  abrasive('mid', '1200', { serves: EDGE_SHAPES, widthMm: 70 }),
  abrasive('fine', '3000', { serves: EDGE_SHAPES }),
  abrasive('slip', '3000', { serves: ['inside-curve'], kind: 'slip', radiusMm: 5 }),
  abrasive('strop', 3, { serves: EDGE_SHAPES, kind: 'strop', lubricant: 'compound' }),
];
const REQUEST: PlanRequest = {
  ...{ condition: { kind: 'very-dull' }, finishUm: 6, forceN: 20, strokesPerMin: 40, school: 'doubling' },
  laidAside: [],
  strop: true,
};
function planned(tool: Tool, request = REQUEST): { readonly plan: HoningPlan; readonly work: WorkOrder } {
  const plan = planHoning(tool, BENCH, request);
  const stoneOf = (id: string) => BENCH.find((each) => each.id === id);
  return { plan, work: orderOfWork({ plan, tool, request, lift: liftOf(tool.edge), stoneOf }) };
}
function taken(tool: Tool): RunPlan {
  const { work } = planned(tool);
  const made = takenToBench({ toolId: 'k', request: REQUEST, work, manner: 'thorough' });
  if (!made) throw new Error('There is a plan.');
  return made;
}

const takenSteps = (tool: Tool): readonly BenchStep[] => taken(tool).steps;

describe('a blade held by hand', () => {
  it('has its spine as high on each side as gives that side’s angle back', () => {
    const lift = liftOf(POCKET);
    const blade = { widthMm: 15, spineThicknessMm: 2.2 };
    expect(liftAngle(blade, lift.liftMm ?? NaN).bevelDeg).toBeCloseTo(14, 1);
    expect(liftAngle(blade, lift.rightMm ?? NaN).bevelDeg).toBeCloseTo(9, 1);
    expect(lift).toEqual(jasmine.objectContaining({ bevelDeg: 14, rightDeg: 9, sides: 2 }));
    const even = liftOf({ ...POCKET, rightDeg: 14 });
    expect(even.liftMm).toBeCloseTo(knifeLift({ ...blade, bevelDeg: 14 }).liftMm, 2);
    expect(even.rightDeg).toBeUndefined();
  });

  it('is never evened: what goes into the record is the angle of each side', () => {
    expect(taken(knife()).setting).toEqual({ angleDeg: 14, rightDeg: 9 });
    for (const [what, , edge] of EDGES) {
      const lift = liftOf(edge);
      const sides = 'leftDeg' in edge ? [edge.leftDeg, edge.rightDeg] : undefined;
      const { angleDeg, rightDeg = angleDeg } = handSet(lift);
      if (sides) expect([angleDeg, rightDeg]).withContext(what).toEqual(sides);
    }
    expect(liftOf(flatBlade({})).sides).toBe(1);
  });
});

describe('a knife swept up to its tip', () => {
  it('is counted in two parts that overlap until its burr stands, and side by side after that', () => {
    const even = takenSteps(knife());
    const swept = takenSteps(knife({ edge: { ...POCKET, sweep: 'up' } }));
    // How it is laid changes no stroke.
    expect(swept.map(({ strokes }) => strokes)).toEqual(even.map(({ strokes }) => strokes));
    for (const { side, along, strokes, count = 'through' } of swept) {
      if (side === undefined) {
        expect(along).toBeUndefined();
        continue;
      }
      expect(along).toEqual({ way: 'swept', visits: 2 });
      const visits = visitsOf(count, strokes, { along });
      expect(visits.map(({ part }) => part)).toEqual([0, 1]);
      expect(visits.reduce((sum, visit) => sum + visit.strokes, 0)).toBe(strokes);
      expect(Math.abs((visits[0]?.strokes ?? 0) - (visits[1]?.strokes ?? 9))).toBeLessThan(2);
    }
    expect(even.some(({ along }) => along)).toBeFalse();
  });

  it('has its tip first where its user wants it so, whether it sweeps up or not', () => {
    for (const sweep of ['up', 'straight'] as const) {
      const first = takenSteps(knife({ edge: { ...POCKET, sweep, begins: 'tip' } })).find(
        ({ side }) => side === 0,
      );
      const visits = visitsOf('through', first?.strokes ?? 0, { along: first?.along });
      expect(visits.map(({ part }) => part)).toEqual([1, 0]);
    }
  });

  it('of a skew with a running edge has the straight part and the round by their lengths, side by side', () => {
    const skew: Tool = {
      ...{ name: 'Skew', family: 'skew', steel: 'high-carbon' },
      edge: {
        ...{ form: 'double-bevel', widthMm: 12, thicknessMm: 3, leftDeg: 15, rightDeg: 15, skewDeg: 25 },
        ...{ grind: 'flat', heelRadiusMm: 4 },
      },
    };
    const [first] = takenSteps(skew).filter(({ side }) => side === 0);
    const { along, strokes = 0 } = first ?? {};
    expect(along).toEqual(jasmine.objectContaining({ way: 'swung', visits: 2 }));
    const [straight = 0, round = 0] = visitsOf('through', strokes, { along }).map((visit) => visit.strokes);
    expect(straight + round).toBe(strokes);
    const { straightMm, arcMm } = runningEdge({ ...(skew.edge as DoubleBevelEdge), radiusMm: 4 });
    expect(Math.abs(straight - (strokes * straightMm) / (straightMm + arcMm))).toBeLessThan(1);
    expect(edgeLengthMm(skew.edge)).toBeCloseTo(straightMm + arcMm, 9);
  });

  it('is laid in parts where it is much longer than the stone', () => {
    const long = takenSteps(knife({ edge: { ...POCKET, lengthMm: 200 } }));
    const first = long.find(({ side }) => side === 0);
    expect(first?.along).toEqual({ way: 'parts', visits: 3 });
  });
});

/** A plan walked to its end as it says, and the edge as the record has it then. */
function walked(tool: Tool, request: PlanRequest) {
  const { plan, work } = planned(tool, request);
  const taking = takenToBench({ toolId: 'k', request, work, manner: 'brisk' });
  if (!taking) throw new Error('There is a plan.');
  let run = beginRun(taking, '2026-11-29T10:00:00.000Z');
  for (let seq = 1; !run.ended && seq < 300;) {
    for (const fact of asPlanned(run)) {
      const at = new Date(Date.UTC(2026, 10, 29, 10) + seq * 1000).toISOString();
      run = afterEvent(run, { ...fact, id: `e${seq}`, seq, at } as RunEvent);
      seq += 1;
    }
  }
  const sessions = sessionsOfRun(run).map((session, i) => ({ ...session, id: String(i) }));
  return { plan, after: edgeHistory(tool, sessions, BENCH).at(-1)?.after };
}

describe('what a plan says of a knife, and what its record says after', () => {
  it('are one, however it is counted, laid, and whether it had an edge', () => {
    const unsharpened: Condition = { kind: 'new', faults: [{ kind: 'unsharpened', mm: 0.3 }] };
    const [even, swept] = [POCKET, { ...POCKET, sweep: 'up' as const }];
    const asked: readonly Partial<PlanRequest>[] = [
      { condition: REQUEST.condition },
      { condition: unsharpened },
      { condition: REQUEST.condition, thinBody: true, stropOnStone: true },
    ];
    for (const { condition = REQUEST.condition, ...more } of asked) {
      for (const edge of [even, swept, { ...even, lengthMm: 200 }]) {
        for (const stone of COUNTS) {
          const what = `${condition.kind}, ${edge.sweep ?? 'straight'} ${edge.lengthMm}, ${stone}`;
          const tool = knife({ edge, counts: { stone } });
          const request = { ...REQUEST, condition, ...more };
          const { plan, after } = walked(tool, request);
          expect(after?.work.recessionMm).withContext(what).toBeCloseTo(plan.job.recessionMm, 6);
          const facets = after?.facets.filter(({ facet }) => facet !== 'body') ?? [];
          const landMm = facets.reduce((sum, { lengthMm }) => sum + lengthMm, 0);
          expect(landMm).withContext(what).toBeCloseTo(plan.job.landAfterMm, 6);
        }
      }
    }
  });
});

describe('a count its user chose', () => {
  it('is what every stone by turns and the strop begin with the next time, with the strokes it has', () => {
    for (const count of COUNTS) {
      const run = beginRun(
        taken(knife({ counts: { stone: count, strop: 'ten-down' } })),
        '2026-11-29T10:00:00.000Z',
      );
      const steps = run.plan.steps.map((step, i) => ({ ...step, ...run.steps[i] }));
      const byTurns = steps.filter(({ side, afterBurr }) => side === undefined && !afterBurr);
      expect(byTurns.length).toBeGreaterThan(0);
      for (const { count: made, target, planned: told } of byTurns) {
        expect(made).toBe(count);
        expect(target).toBe(strokesOf(count, told ?? NaN));
      }
      const strop = steps.find(({ afterBurr }) => afterBurr);
      expect([strop?.count, strop?.target]).toEqual(['ten-down', 110]);
      // The plan says what is walked, its minutes with it.
      const { plan, work } = planned(knife({ counts: { stone: count, strop: 'ten-down' } }));
      const walked = new Map<string, number>();
      work.steps.forEach(({ abrasiveId }, i) =>
        walked.set(abrasiveId, (walked.get(abrasiveId) ?? 0) + (run.steps[i]?.target ?? NaN)),
      );
      for (const { id, strokes } of plan.steps) expect(walked.get(id)).withContext(count).toBe(strokes);
      expect(plan.strop?.strokes).toBe(110);
      // One side alone, until its burr stands, is counted straight through.
      for (const { side, count: made } of steps) if (side !== undefined) expect(made).toBe('through');
    }
  });
});

describe('what a plan says of a curved edge, and what its record says after', () => {
  const GOUGE: GougeEdge = {
    ...{ form: 'gouge', widthMm: 20, depthMm: 5, thicknessMm: 2.4, cannel: 'out', bevelDeg: 22 },
  };
  const V: VEdge = { form: 'v', wingMm: 9, openingDeg: 60, thicknessMm: 2, bevelDeg: 22, keelRadiusMm: 0.4 };
  const HOOK: HookEdge = {
    ...{ form: 'hook', make: 'flat-inside', lengthMm: 55, innerRadiusMm: 22, thicknessMm: 2.6 },
    includedDeg: 25,
  };
  const SKEW: DoubleBevelEdge = {
    ...{ form: 'double-bevel', widthMm: 12, thicknessMm: 3, leftDeg: 15, rightDeg: 15, skewDeg: 25 },
    ...{ grind: 'flat', heelRadiusMm: 4 },
  };
  const scrub = flatBlade({ front: { shape: 'arc', radiusMm: 75 } });

  it('are one: even or not, rolled, by wing and keel, turn about, and round a heel', () => {
    const tools: readonly (readonly [Tool['family'], Edge, Condition['faults']?])[] = [
      ['gouge', GOUGE],
      ['gouge', { ...GOUGE, counterBevelDeg: 5 }],
      ['gouge', GOUGE, [{ kind: 'corners-ahead', mm: 0.3 }]],
      ['v-tool', V],
      ['v-tool', V, [{ kind: 'tooth', mm: 0.3 }]],
      ['v-tool', V, [{ kind: 'hook-left', mm: 0.2 }]],
      ['hooked-blade', HOOK],
      ['skew', SKEW],
      ['scrub-iron', scrub],
    ];
    for (const [family, edge, faults] of tools) {
      for (const stropOnStone of [false, true]) {
        const condition: Condition = { kind: 'very-dull', ...(faults && { faults }) };
        const { plan, after } = walked(knife({ family, edge }), { ...REQUEST, condition, stropOnStone });
        const what = `${family} ${faults?.[0]?.kind ?? 'even'} ${String(stropOnStone)}`;
        expect(plan.inside?.id)
          .withContext(what)
          .toBe('counterBevelDeg' in edge ? 'slip' : undefined);
        expect(plan.evening !== undefined)
          .withContext(what)
          .toBe(faults !== undefined);
        expect(plan.job.recessionMm).withContext(what).toBeGreaterThan(0);
        expect(after?.work.recessionMm).withContext(what).toBeCloseTo(plan.job.recessionMm, 9);
      }
    }
  });
});
