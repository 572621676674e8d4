import { TIP_RADIUS_UM } from '../blade/dulling.js';
import type { Tool } from '../blade/tool.js';
import { FOUR_IN_FIVE_SD } from '../base/normal.js';
import { landReason } from '../plan/land-reason.js';
import { planAnswer } from '../plan/plan-answer.js';
import { planHoning } from '../plan/ways-out.js';
import { chances } from '../testing/chances.js';
import { abrasive, flatBlade, waterStone } from '../testing/blades.js';
import { EDGES } from '../testing/edges.js';
import { inOrder } from '../abrasive/placing.js';
import { EDGE_SHAPES } from '../blade/edge-shape.js';
import { liftOf } from '../plan/held.js';
import { orderOfWork } from '../plan/order-of-work.js';
import type { PlanRequest } from '../plan/plan-request.js';
import { asPlanned } from '../run/as-planned.js';
import type { RunEvent } from '../run/events.js';
import { takenToBench } from '../run/run-plan.js';
import { sessionsOfRun } from '../run/run-record.js';
import { afterEvent, beginRun } from '../run/run.js';
import { asRound } from '../work/found.js';
import { afterSession, asItStands, edgeAtFirst, edgeHistory, type RecordedSession } from './edge-state.js';
import { tipsFound, type TipSeen } from './tips-seen.js';
import { standingOf } from './tool-record.js';

const CHISEL: Tool = {
  ...{ name: 'Chisel', family: 'bench-chisel', steel: 'high-carbon' },
  edge: flatBlade({ widthMm: 19, secondaryDeg: 30, landMm: 1 }),
};
const BENCH = ['1000', '8000'].map((grade) => waterStone(`w${grade}`, { standard: 'JIS', grade }));

/** So many honings of a dull edge on the first stone, its burr felt for in vain after `noBurrAt`, there after `strokes`. */
const honings = (
  count: number,
  { strokes, ...step }: { readonly strokes: number; readonly noBurrAt?: number },
): readonly RecordedSession[] =>
  Array.from({ length: count }, (_, i) => ({
    ...{ id: `h${String(i)}`, toolId: 'c', kind: 'honing', conditionBefore: { kind: 'dull' } },
    ...{ startedAt: new Date(Date.UTC(2026, 0, 1 + i)).toISOString(), outcome: { burr: 'all-along' } },
    // Measured again each time, so that its land stays what it was.
    ...{ landMm: 1, steps: [{ abrasiveId: 'w1000', strokes, minutes: 1, ...step }] },
  }));

describe('how round a tool’s edges are found', () => {
  it('holds four in five of the next ones, whatever the tool and however it scatters', () => {
    const { normal } = chances(7);
    let held = 0;
    const [tools, burrs] = [400, 10];
    for (let i = 0; i < tools; i++) {
      const [mean, scatter] = [0.5 * normal(), i % 2 === 0 ? 0.25 : 0.55];
      const next = (): number => Math.exp(mean + scatter * normal());
      let seen: readonly TipSeen[] = [];
      for (let burr = 0; burr < burrs; burr++) {
        // Made as many as were told, then a quarter at a time.
        const told = tipsFound(seen)?.times ?? 1;
        const [true_, quarter] = [next(), told / 4];
        const more = Math.max(0, Math.ceil((true_ - told) / quarter));
        const burrSeen = {
          on: 's',
          low: more === 0 ? 0 : told + (more - 1) * quarter,
          high: told + more * quarter,
        };
        seen = [...seen, burrSeen];
      }
      const { times, sd } = tipsFound(seen) ?? { times: NaN, sd: NaN };
      if (Math.abs(Math.log(next() / times)) <= FOUR_IN_FIVE_SD * sd) held += 1;
    }
    expect(held / tools).toBeGreaterThan(0.74);
    expect(held / tools).toBeLessThan(0.9);
  });

  it('has the plan ask for as many strokes as its burrs have taken, in a narrower range, and the record agree', () => {
    const planAfter = (sessions: readonly RecordedSession[]) => {
      const record = standingOf(CHISEL, edgeHistory(CHISEL, sessions, BENCH));
      return {
        record,
        plan: planAnswer({ tool: CHISEL, bench: BENCH, record }, { condition: { kind: 'dull' } }),
      };
    };
    const before = planAfter(honings(1, { strokes: 8 })).plan.steps[0];
    const after = planAfter(honings(10, { strokes: 20, noBurrAt: 18 }));
    const [first] = after.plan.steps;
    if (!before || !first) throw new Error('There is a first stone.');
    expect(first.strokes).toBeGreaterThan(16);
    expect(first.strokes).toBeLessThan(24);
    expect(first.strokes).toBeGreaterThan(1.5 * before.strokes);
    expect(first.high / first.low).toBeLessThan(0.6 * (before.high / before.low));
    // Done as planned, the record comes to what was planned.
    const done: RecordedSession = {
      ...{ id: 'done', toolId: 'c', kind: 'honing', startedAt: '2026-03-01T00:00:00.000Z' },
      conditionBefore: after.plan.request.condition,
      steps: after.plan.steps
        .filter(({ facet }) => facet !== 'back')
        .map(({ abrasiveId, strokes, minutes, forceN }) => ({
          ...{ abrasiveId, strokes, minutes },
          ...(forceN !== undefined && { forceN }),
        })),
    };
    const history = edgeHistory(CHISEL, [...honings(10, { strokes: 20, noBurrAt: 18 }), done], BENCH);
    const last = history.at(-1);
    expect((last?.after.backMm ?? NaN) - (last?.before.backMm ?? NaN)).toBeCloseTo(after.plan.recessionMm, 9);
    // Strokes that its burrs ask for are not put down to its land.
    expect(
      landReason(
        CHISEL,
        { ...after.record.state, honingsSinceThen: 1 },
        planHoning(asItStands(CHISEL, after.record.state), BENCH, after.plan.request),
        after.plan.request,
      ),
    ).toContain('now 1.1 times');
    // Its tip is gone: what is left is what the marks leave.
    expect(last?.after.work.tip.formedUm).toBeCloseTo(
      TIP_RADIUS_UM.dull * (tipsFound(after.record.state.tipsSeen ?? [])?.times ?? NaN),
      9,
    );
  });

  it('has plan and record go back alike over every form of edge, whatever its burrs have shown', () => {
    const serves = EDGE_SHAPES;
    const bench = [
      abrasive('coarse', 60, { serves, radiusMm: 3, widthMm: 70 }),
      abrasive('fine', 30, { serves, radiusMm: 3, widthMm: 70 }),
    ];
    const request: PlanRequest = {
      ...{ condition: { kind: 'dull' }, finishUm: 30, forceN: 20, strokesPerMin: 40, school: 'doubling' },
      ...{ laidAside: [], strop: false },
    };
    for (const [what, family, edge] of EDGES) {
      const tool: Tool = { name: what, family, edge, steel: 'high-carbon' };
      const goneBack = (tipsSeen: readonly TipSeen[]): readonly [planned: number, recorded: number] => {
        const before = { ...edgeAtFirst(tool), tipsSeen };
        const plan = planHoning(asItStands(tool, before), bench, request);
        const work = orderOfWork({
          plan,
          tool,
          request,
          lift: liftOf(edge),
          stoneOf: (id) => bench.find((each) => each.id === id),
        });
        const made = takenToBench({ toolId: 't', request, work, manner: 'thorough' });
        if (!made) throw new Error('There is a plan.');
        let run = beginRun(made, '2026-03-01T09:00:00.000Z');
        for (let i = 0; i < 400 && !run.ended; i++)
          for (const fact of asPlanned(run))
            run = afterEvent(run, { ...fact, id: 'e', seq: i, at: '2026-03-01T09:01:00.000Z' } as RunEvent);
        const [session] = sessionsOfRun(run).slice(-1);
        if (!session) throw new Error('Something was done.');
        const stones = new Map(inOrder(bench).map((stone) => [stone.id, stone]));
        const after = afterSession(tool, before, { ...session, id: 's' }, stones);
        return [plan.job.recessionMm, after.backMm - before.backMm];
      };
      const [planned, recorded] = goneBack([]);
      const [more, recordedMore] = goneBack(
        Array.from({ length: 8 }, () => ({ on: 'coarse', low: 1.9, high: 2 })),
      );
      expect(recorded).withContext(what).toBeCloseTo(planned, 9);
      expect(recordedMore).withContext(what).toBeCloseTo(more, 9);
      expect(more).withContext(what).toBeGreaterThan(planned);
    }
  });

  it('says nothing where nobody felt for a burr, of a nick, or of a tip that was measured', () => {
    const state = (sessions: readonly RecordedSession[]) =>
      edgeHistory(CHISEL, sessions, BENCH).at(-1)?.after.tipsSeen;
    expect(state(honings(3, { strokes: 20 }))).toBeUndefined();
    const felt = honings(3, { strokes: 20, noBurrAt: 0 });
    expect(edgeHistory(CHISEL, felt, []).at(-1)?.after.tipsSeen)
      .withContext('no such stone')
      .toBeUndefined();
    expect(state(felt)?.length).toBe(3);
    for (const conditionBefore of [
      { kind: 'nicked', nickMm: 0.1 },
      { kind: 'dull', tipRadiusUm: 5 },
      { kind: 'fading' },
    ] as const) {
      expect(state(felt.map((each) => ({ ...each, conditionBefore })))).toBeUndefined();
      if (conditionBefore.kind !== 'nicked')
        expect(asRound(conditionBefore, tipsFound([{ on: 'w1000', low: 2, high: 2.2 }]))).toEqual(
          conditionBefore,
        );
    }
  });

  it('is between the last look in vain and the strokes a burr stood after, and past them all where none stood', () => {
    const found = (seen: Omit<TipSeen, 'on'>): number => tipsFound([{ on: 's', ...seen }])?.times ?? NaN;
    expect(found({ low: 1.9, high: 2.2 })).toBeGreaterThan(found({ low: 0, high: 2.2 }));
    expect(found({ low: 1.9 })).toBeGreaterThan(found({ low: 1.9, high: 2.2 }));
    expect(found({ low: 0, high: 0.4 })).toBeLessThan(0.8);
  });
});
