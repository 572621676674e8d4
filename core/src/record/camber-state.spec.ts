import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { camber } from '../camber/camber.js';
import { CAMBER_NEAR, isNear } from '../plan/camber-work.js';
import { planAnswer } from '../plan/plan-answer.js';
import { planHoning } from '../plan/ways-out.js';
import { orderOfWork } from '../plan/order-of-work.js';
import { removalPerStrokeMm3 } from '../abrasive/removal.js';
import { stonesAtWork } from '../abrasive/at-work.js';
import { placedWork } from '../work/placed.js';
import { faceAtEdgeMm } from '../work/worked.js';
import { calipered, curveHoned, shaved, type TrueCurve } from '../simulate/curved-iron.js';
import { abrasive, flatBlade } from '../testing/blades.js';
import { STEELS, type Tool } from '../blade/tool.js';
import type { Session } from './session.js';
import { afterSession, edgeAtFirst, type EdgeState } from './edge-state.js';
import { standingOf } from './tool-record.js';
import type { SingleBevelEdge } from '../blade/edge.js';

const BENCH = [abrasive('w400', '400'), abrasive('w1000', '1000'), abrasive('w8000', '8000')];
const ASKED = {
  condition: { kind: 'dull' },
  finishUm: 2,
  forceN: 20,
  strokesPerMin: 40,
  maxRatio: 14,
  laidAside: [],
} as const;

function iron(widthMm: number, camberMm: number, hadMm = 0): Tool {
  const radiusMm = (widthMm ** 2 / 4 + camberMm ** 2) / (2 * camberMm);
  return {
    name: 'Smoother',
    family: 'plane-iron',
    steel: 'high-carbon',
    edge: flatBlade({
      widthMm,
      secondaryDeg: 30,
      landMm: 0.6,
      front: { shape: 'arc', radiusMm },
    }),
    host: { bedDeg: 45, orientation: 'bevel-down' },
    camber: { job: 'smoothing', shavingMm: 0.05, hadMm },
  };
}

const planOf = (tool: Tool, state: EdgeState): ReturnType<typeof planHoning> => {
  const { camberMm = 0, leanMm = 0, factor = 1 } = state.camber ?? {};
  return planHoning(tool, BENCH, { ...ASKED, camber: { positions: 5, nowMm: camberMm, leanMm, factor } });
};

describe('the curve in a plan', () => {
  const tool = iron(50, 0.0707);

  it('comes after the first burr on the shaping stone, and every finer stone keeps it', () => {
    const plan = planOf(tool, edgeAtFirst(tool));
    const { steps, order } = orderOfWork({ plan, tool, stoneOf: () => undefined });
    const lines = order.map((each) => (each.kind === 'stone' ? steps[each.step]?.part.what : each.kind));
    expect(lines.slice(3, 6)).toEqual(['hone', 'burr', 'curve']);
    expect(plan.camber?.strokes).toBe(plan.camber?.places.reduce((sum, count) => sum + count, 0));
    const told = planAnswer({ tool, bench: BENCH, record: standingOf(tool, []) }, {}).steps;
    expect(told.filter(({ curve }) => curve).map(({ facet, places }) => [facet, places?.length])).toEqual([
      ['secondary', 5],
    ]);
    expect(Math.abs((plan.camber?.comesToMm ?? 0) - 0.0707)).toBeLessThan(0.01);
    for (const step of plan.steps.slice(1)) {
      expect(step.places?.reduce((sum, count) => sum + count, 0)).toBe(step.strokes);
    }
    const { camber: _curve, ...straight } = { ...plan };
    const without = planHoning(tool, BENCH, ASKED);
    expect(straight.totalMin - (plan.camber?.minutes ?? 0)).toBeGreaterThanOrEqual(without.totalMin);
  });

  it('is left alone where the edge has it, where nobody asks, and where it is another form of edge', () => {
    const had = iron(50, 0.0707, 0.07);
    const kept = planOf(had, edgeAtFirst(had));
    expect(kept.camber).toBeUndefined();
    expect(kept.steps[0]?.places).toBeDefined();
    const none = planHoning(tool, BENCH, { ...ASKED, camber: { positions: 0, nowMm: 0 } });
    expect(none.steps.every(({ places }) => places === undefined)).toBeTrue();
    const straight = { ...tool, edge: flatBlade({ widthMm: 50, secondaryDeg: 30, landMm: 0.6 }) };
    expect(
      planHoning(straight, BENCH, { ...ASKED, camber: { positions: 5, nowMm: 0 } }).camber,
    ).toBeUndefined();
  });

  it('eases corners by strokes pressed over each of them, and the record counts them there', () => {
    const front = { shape: 'corners-relieved', widthMm: 3, depthMm: 0.1 } as const;
    const eased: Tool = {
      ...tool,
      edge: flatBlade({ widthMm: 50, secondaryDeg: 30, landMm: 0.6, front }),
      camber: { job: 'eased', shavingMm: 0.05, hadMm: 0 },
    };
    const { camber: step, steps } = planOf(eased, edgeAtFirst(eased));
    expect(step?.places.length).toBe(3);
    expect(step?.places[0]).toBe(step?.places[2]);
    expect(step?.places[1]).toBe(0);
    // So few strokes come no nearer than half of one, which is near enough.
    expect(isNear(step?.comesToMm ?? 0, 0.1)).toBeTrue();
    expect(steps.every(({ places }) => places === undefined)).toBeTrue();
    const honed = afterSession(
      eased,
      edgeAtFirst(eased),
      {
        id: 's',
        toolId: 't',
        kind: 'honing',
        startedAt: '2026-01-01T10:00:00Z',
        steps: [
          { abrasiveId: step?.id ?? '', strokes: step?.strokes ?? 0, minutes: 1, places: step?.places ?? [] },
        ],
      },
      new Map(stonesAtWork(BENCH).map((each) => [each.id, each])),
    );
    expect(honed.camber?.camberMm).toBeGreaterThan(0.05);
    // Eased too far, nothing is pressed: only honing straight brings it back.
    const past = { ...eased, camber: { job: 'eased', shavingMm: 0.05, hadMm: 0.3 } as const };
    expect(planOf(past, edgeAtFirst(past)).camber).toBeUndefined();
  });

  it('goes to a coarser stone where the first would take too long, and to the wheel for a scrub’s', () => {
    const deep = planOf(iron(50, 0.35), edgeAtFirst(iron(50, 0.35)));
    expect(deep.camber?.before).toBeTrue();
    expect(deep.camber?.id).toBe('w400');
    const scrub = {
      ...iron(33, 1.8),
      edge: flatBlade({ widthMm: 33, primaryDeg: 32, front: { shape: 'arc', radiusMm: 75 } }),
    } as Tool;
    const ground = planOf(scrub, edgeAtFirst({ ...scrub, camber: { job: 'scrub', shavingMm: 1, hadMm: 0 } }));
    expect(ground.curveToGrind?.wantedMm).toBeCloseTo(1.84, 1);
    expect(
      orderOfWork({ plan: ground, tool: scrub, stoneOf: () => undefined }).order.map(({ kind }) => kind),
    ).toContain('template');
  });
});

describe('the curve in the record', () => {
  const tool = iron(50, 0.0707, 0.02);
  const bench = new Map(stonesAtWork(BENCH).map((each) => [each.id, each]));
  const then = (state: EdgeState, session: Partial<Session>, i = 0): EdgeState =>
    afterSession(
      tool,
      state,
      { id: `s${i}`, toolId: 't', kind: 'measuring', startedAt: `2026-01-0${i + 1}T10:00:00Z`, ...session },
      bench,
    );

  it('begins as entered, moves by strokes by place, and takes a reading by how sure it is', () => {
    const first = edgeAtFirst(tool);
    expect(first.camber).toEqual(jasmine.objectContaining({ camberMm: 0.02, from: 'entered' }));
    const made = then(first, {
      kind: 'honing',
      steps: [{ abrasiveId: 'w1000', strokes: 12, minutes: 1, places: [4, 2, 0, 2, 4] }],
    });
    expect(made.camber?.from).toBe('made');
    expect(made.camber?.camberMm).toBeGreaterThan(0.02);
    const read = then(made, { camber: { by: 'caliper', camberMm: 0.05, pmMm: 0.005 } }, 1);
    expect(read.camber?.from).toBe('read');
    expect(read.camber?.camberMm).toBeCloseTo(0.05, 2);
    expect(read.camber?.pmMm).toBeLessThanOrEqual(0.005);
    const bound = then(read, { camber: { by: 'shaving', camberMm: 0.03, pmMm: 0.01, atMost: true } }, 2);
    expect(bound.camber?.camberMm).toBe(0.03);
    expect(
      then(read, { camber: { by: 'shaving', camberMm: 0.9, pmMm: 0.1, atMost: true } }, 2).camber?.camberMm,
    ).toBe(read.camber?.camberMm);
  });

  describe('between readings', () => {
    const entry = (i: number, more: Partial<Session>): Session & { id: string } => ({
      id: `s${i}`,
      toolId: 't',
      kind: 'honing',
      startedAt: new Date(Date.UTC(2026, 0, 1 + i)).toISOString(),
      ...more,
    });
    const read = (camberMm: number, pmMm: number): Partial<Session> => ({
      kind: 'measuring',
      camber: { by: 'caliper', camberMm, pmMm },
    });
    const after = (...entries: Partial<Session>[]): EdgeState['camber'] =>
      entries.reduce(
        (state, more, i) => afterSession(tool, state, entry(i, more), new Map()),
        edgeAtFirst(tool),
      ).camber;

    it('is known the less with every honing that minds no places, so that the next reading counts for more', () => {
      const honings = Array.from({ length: 20 }, () => ({}));
      expect(after(read(0.1, 0.02), ...honings)?.camberMm).toBe(0.1);
      const pms = [0, 5, 20].map((count) => after(read(0.1, 0.02), ...honings.slice(0, count))?.pmMm ?? 0);
      expect(pms).toEqual([...pms].sort((a, b) => a - b));
      const told = after(read(0.1, 0.02), ...honings, read(0.04, 0.02));
      // Both readings as one figure would be 0.070 ± 0.014, far off after twenty honings.
      expect(told?.camberMm).toBeLessThan(0.055);
      expect(told?.pmMm).toBeGreaterThan(0.017);
      expect(told?.against).toBeUndefined();
    });

    it('is known the less with a honing that keeps it by place too', () => {
      const kept = { steps: [{ abrasiveId: 'w8000', strokes: 13, minutes: 1, places: [3, 3, 1, 3, 3] }] };
      const state = then(then(edgeAtFirst(tool), read(0.1, 0.01)), { kind: 'honing', ...kept }, 1);
      expect(state.camber?.from).toBe('made');
      expect(state.camber?.pmMm).toBeGreaterThanOrEqual(Math.hypot(0.01, 0.12 * 0.1));
    });

    it('is what was read where a reading contradicts it, and says what it contradicts, until the next', () => {
      const told = after(read(0.1, 0.01), read(0.04, 0.01));
      expect([told?.camberMm, told?.pmMm]).toEqual([0.04, 0.01]);
      expect(told?.against).toEqual({ camberMm: 0.1, pmMm: 0.01 });
      const again = after(read(0.1, 0.01), read(0.04, 0.01), read(0.044, 0.01));
      expect(again?.against).toBeUndefined();
      expect(again?.camberMm).toBeCloseTo(0.042, 3);
    });
  });

  it('says nothing of edges that have no such curve', () => {
    const knife: Tool = {
      name: 'Knife',
      family: 'whittling-knife',
      steel: 'high-carbon',
      edge: {
        form: 'knife',
        lengthMm: 80,
        widthMm: 18,
        spineMm: 3,
        leftDeg: 12,
        rightDeg: 12,
        grind: 'flat',
      },
    };
    expect(edgeAtFirst(knife).camber).toBeUndefined();
  });

  it('brings simulated irons within tolerance in three rounds of plan, strokes, reading (seeded, sixty irons)', () => {
    const generator = xoroshiro128plus(7);
    const random = (): number => uniformFloat64(generator);
    for (let k = 0; k < 60; k++) {
      const widthMm = 38 + 24 * random();
      const shavingMm = 0.03 + 0.12 * random();
      const wantedMm = camber({ widthMm, bedDeg: 45, shavingMm }).camberMm;
      const each = iron(widthMm, wantedMm);
      const rate = Math.exp((random() - 0.5) * 2 * Math.log(1.6));
      let truth: TrueCurve = { camberMm: 0.02 * random(), leanMm: 0.04 * (random() - 0.5) };
      let state = edgeAtFirst(each);
      const record = (session: Partial<Session>, i: number): void => {
        const startedAt = new Date(Date.UTC(2026, 0, 1 + i)).toISOString();
        state = afterSession(
          each,
          state,
          { id: `s${i}`, toolId: 't', kind: 'measuring', startedAt, ...session },
          bench,
        );
      };
      const read = (): Session['camber'] =>
        k % 3 === 2 && shavingMm > 0.09
          ? // Thinner than the one it is made for, or it is as wide as the iron and only bounds it.
            shaved(truth, { widthMm, bedDeg: 45 }, 0.6 * shavingMm, random)
          : calipered(truth, widthMm, random);
      record({ camber: calipered(truth, widthMm, random) }, 0);
      for (let round = 1; round <= 3; round++) {
        const { steps, camber: curve } = planOf(each, state);
        const made = [
          ...(curve
            ? [{ abrasiveId: curve.id, strokes: curve.strokes, minutes: 1, places: curve.places }]
            : []),
          ...steps.slice(1).map(({ id, strokes, places }) => ({
            abrasiveId: id,
            strokes,
            minutes: 1,
            ...(places && { places }),
          })),
        ];
        for (const { abrasiveId, places } of made) {
          const at = bench.get(abrasiveId);
          if (!at || !places) continue;
          const one = removalPerStrokeMm3(at.removalMm3PerNm, 20, at.strokeMm, STEELS[each.steel].factor);
          truth = curveHoned(
            truth,
            placedWork(each.edge as SingleBevelEdge, 5, faceAtEdgeMm(each.edge, state.work), one),
            places,
            rate,
          );
        }
        record({ kind: 'honing', steps: made }, 2 * round - 1);
        const seen = read();
        if (round < 3 && seen) record({ camber: seen }, 2 * round);
      }
      expect(isNear(truth.camberMm, wantedMm))
        .withContext(
          `${widthMm.toFixed(1)} wide, ${(1000 * wantedMm).toFixed(0)} µm wanted, rate ${rate.toFixed(2)}: ${(1000 * truth.camberMm).toFixed(0)} µm`,
        )
        .toBeTrue();
    }
    expect(CAMBER_NEAR.mm).toBe(0.02);
  });
});
