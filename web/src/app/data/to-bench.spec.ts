import type { Abrasive } from '@mellow-anvil/core/abrasive';
import {
  type Condition,
  EDGE_SHAPES,
  type Family,
  FAMILY_NAMES,
  familyFacts,
  type Tool,
  usualEdge,
} from '@mellow-anvil/core/blade';
import { facetSettings, type Guide } from '@mellow-anvil/core/guide';
import { type HoningPlan, planHoning, type PlanRequest } from '@mellow-anvil/core/plan';
import { edgeHistory, inOrderOfTime, type Session } from '@mellow-anvil/core/record';
import { afterEvent, asPlanned, beginRun, type RunEvent, sessionsOfRun } from '@mellow-anvil/core/run';

import { stone, stored } from '../testing/page';
import type { SetUp } from './desk';
import { runPlanOf } from './to-bench';

const everyShape = (id: string, grade: string, more: Partial<Abrasive> = {}) =>
  stored<Abrasive>({ ...stone(id, grade), serves: EDGE_SHAPES, ...more }, id);
const BENCH = [
  everyShape('w400', '400'),
  everyShape('w1000', '1000'),
  everyShape('w8000', '8000'),
  everyShape('strop', '8000', { kind: 'strop', lubricant: 'compound' }),
  stored<Abrasive>({ ...stone('wheel', '400'), kind: 'dry-wheel', lubricant: 'dry' }, 'wheel'),
];

/** A plan taken to the bench and done as it says: the sessions its run leaves. */
function doneAsPlanned(
  tool: Tool,
  plan: HoningPlan,
  request: PlanRequest,
  setUp?: SetUp,
): readonly Session[] {
  const grinding = plan.grinding && {
    wheelId: plan.grinding.wheelId,
    stopShortMm: plan.grinding.stopShortMm,
  };
  const taken = runPlanOf(
    stored(tool, 'tool'),
    { plan, request },
    { setUp, stones: BENCH, ...(grinding && { grinding }) },
  );
  if (!taken) throw new Error('nothing to take to the bench');
  const at = (seq: number): string => new Date(Date.UTC(2026, 10, 28, 9, 0, seq)).toISOString();
  let run = beginRun(taken, at(0));
  for (let seq = 1; !run.ended;) {
    if (seq > 500) throw new Error(`it never ends: ${run.stations[run.at]?.kind}`);
    for (const fact of asPlanned(run)) {
      run = afterEvent(run, { ...fact, id: `e${seq}`, seq, at: at(seq) } as RunEvent);
      seq += 1;
    }
  }
  return sessionsOfRun(run);
}

describe('a plan taken to the bench and done as it says', () => {
  const toolOf = (family: Family): Tool => ({
    name: family,
    family,
    steel: 'air-hardening',
    edge: usualEdge(family),
  });
  const requestOf = (family: Family, condition: Condition): PlanRequest => ({
    condition,
    finishUm: familyFacts(family).finestUm === undefined ? 2 : 30,
    forceN: 18,
    strokesPerMin: 40,
    lighter: true,
    laidAside: [],
  });
  const after = (tool: Tool, sessions: readonly Session[]) =>
    edgeHistory(tool, inOrderOfTime(sessions.map((session, i) => ({ ...session, id: `s${i}` }))), BENCH).at(
      -1,
    )?.after;

  for (const family of FAMILY_NAMES) {
    for (const condition of [
      { kind: 'dull' },
      { kind: 'new' },
      { kind: 'nicked', nickMm: 0.1 },
      { kind: 'unknown' },
    ] as const satisfies readonly Condition[]) {
      for (const way of ['pull', 'both'] as const) {
        it(`is in the record of a ${family} as the plan said: ${condition.kind}, ${way}`, () => {
          const tool = toolOf(family);
          const request = { ...requestOf(family, condition), way };
          const plan = planHoning(tool, BENCH, request);
          const state = after(tool, doneAsPlanned(tool, plan, request));
          expect(state?.backMm).toBeCloseTo(plan.job.recessionMm, 12);
          if (state?.landMm !== undefined) expect(state.landMm).toBeCloseTo(plan.job.landAfterMm, 9);
        });
      }
    }
  }

  it('on the facet that meets the edge, whatever angle the guide is set to', () => {
    const iron = toolOf('plane-iron');
    const { edge } = iron;
    if (edge.form !== 'single-bevel') return fail('a plane iron has one bevel');
    const micro: Tool = {
      ...iron,
      edge: { ...edge, primaryDeg: 25, secondaryDeg: 30, landMm: 0.6, microDeg: 32, microLandMm: 0.1 },
    };
    const hands = stored<Guide>({ name: 'Hands', form: 'freehand' }, 'hands');
    const request = requestOf('plane-iron', { kind: 'dull' });
    for (const tool of [iron, micro]) {
      const settings = facetSettings(tool, hands);
      const plan = planHoning(tool, BENCH, request);
      const sessions = doneAsPlanned(tool, plan, request, { guide: hands, settings });
      expect(sessions[0]?.setting?.angleDeg).toBe(tool === micro ? 32 : settings.at(-1)?.angleDeg);
      expect(sessions[0]?.steps?.map(({ facet }) => facet)).toContain(tool === micro ? 'micro' : 'secondary');
      const state = after(tool, sessions);
      expect(state?.backMm).toBeCloseTo(plan.job.recessionMm, 12);
      expect(state?.landMm).toBeCloseTo(plan.job.landAfterMm, 9);
      // Set a little steeper by a stop, it is still the same facet.
      const [first] = settings.slice(-1);
      if (!first) return fail('no facet');
      const off = {
        guide: hands,
        settings: [...settings.slice(0, -1), { ...first, angleDeg: first.angleDeg + 0.9 }],
      };
      expect(after(tool, doneAsPlanned(tool, plan, request, off))?.backMm).toBeCloseTo(
        plan.job.recessionMm,
        12,
      );
    }
  });

  it('by way of the wheel too: its steel, the nick jointed, the land it leaves and the stones after it', () => {
    for (const family of FAMILY_NAMES) {
      const tool = toolOf(family);
      if (tool.edge.form !== 'single-bevel' || tool.edge.secondaryDeg === undefined) continue;
      const condition = { kind: 'nicked', nickMm: 0.6 } as const;
      const grind = { wheelId: 'wheel', stopShortMm: 0.7, pushN: 5 };
      const request = { ...requestOf(family, condition), grind };
      const plan = planHoning(tool, BENCH, request);
      const sessions = doneAsPlanned(tool, plan, request);
      expect(sessions.map(({ kind }) => kind))
        .withContext(family)
        .toEqual(['grinding', 'honing']);
      const ground = after(tool, sessions.slice(0, 1));
      // The wheel also takes its hollow out of a bevel that was flat, which the record does not know of.
      expect(ground?.steelMm3)
        .withContext(family)
        .toBeLessThanOrEqual(plan.grinding?.removeMm3 ?? 0);
      const state = after(tool, sessions);
      expect((state?.backMm ?? 0) - 0.6)
        .withContext(family)
        .toBeCloseTo(plan.job.recessionMm, 9);
      expect(state?.landMm).withContext(family).toBeCloseTo(plan.job.landAfterMm, 9);
    }
  });

  it('with its curve worked by place as well', () => {
    const iron = toolOf('plane-iron');
    const { edge } = iron;
    if (edge.form !== 'single-bevel') return fail('a plane iron has one bevel');
    const tool: Tool = { ...iron, edge: { ...edge, front: { shape: 'arc', radiusMm: 4400 } } };
    const request: PlanRequest = {
      ...requestOf('plane-iron', { kind: 'dull' }),
      camber: { positions: 5, nowMm: 0.02 },
    };
    const plan = planHoning(tool, BENCH, request);
    expect(plan.camber?.strokes).toBeGreaterThan(0);
    const sessions = doneAsPlanned(tool, plan, request);
    expect(after(tool, sessions)?.backMm).toBeCloseTo(plan.job.recessionMm, 9);
  });
});
