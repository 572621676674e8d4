import type { OwnedAbrasive } from '../abrasive/abrasive.js';
import { inOrder } from '../abrasive/placing.js';
import { oldEdge } from '../plan/old-edge.js';
import { planHoning } from '../plan/ways-out.js';
import { orderOfWork } from '../plan/order-of-work.js';
import { afterSession, backRimMm, edgeAtFirst, type EdgeState } from '../record/edge-state.js';
import type { Session } from '../record/session.js';
import { abrasive } from '../testing/blades.js';
import { asPlanned } from './as-planned.js';
import type { RunEvent, RunFact } from './events.js';
import { takenToBench } from './run-plan.js';
import { sessionsOfRun } from './run-record.js';
import { afterEvent, beginRun } from './run.js';
import type { Run } from './run-state.js';

const wheel: OwnedAbrasive = {
  ...abrasive('wheel', 250),
  kind: 'dry-wheel',
  wheel: { widthMm: 25, rpm: 2850, readings: [{ on: '2026-10-19', diameterMm: 150 }] },
};
const bench = [...[35, 14, 3].map((um) => abrasive(`${um} µm`, um, { widthMm: 70 })), wheel];
const { taken } = oldEdge(
  {
    family: 'drawknife',
    steel: 'high-carbon',
    ...{ handles: 'sound', blade: 'whole', rust: 'none', line: 'straight' },
    ...{ edgeMm: 200, thicknessMm: 5, backMm: 25, hardMm: 12, nickMm: 0, pitsMm: 0.1, rimPitsMm: 0.05 },
  },
  bench,
  6,
);
if (!taken) throw new Error('no plan was made');
const { request } = taken;
const tool = { ...taken.tool, id: 'old' };
const plan = planHoning(tool, bench, request);
const work = orderOfWork({ plan, tool, request, stoneOf: (id) => bench.find((stone) => stone.id === id) });
const runPlan = takenToBench({ toolId: 'old', request, work, manner: 'thorough' });
if (!runPlan) throw new Error('nothing to walk');

const minute = (n: number): string => new Date(Date.UTC(2026, 4, 23, 9, n)).toISOString();

/** Walked as planned, a minute an event, until it ends or something holds. */
function walked(until: (run: Run) => boolean = () => false): Run {
  let run = beginRun(runPlan as NonNullable<typeof runPlan>, minute(0));
  let seq = 0;
  const add = (fact: RunFact): void => {
    seq++;
    run = afterEvent(run, { seq, at: minute(seq), ...fact } as RunEvent);
  };
  while (!run.ended && !until(run)) asPlanned(run).forEach(add);
  return run;
}

const recorded = (state: EdgeState, session: Session, i: number): EdgeState =>
  afterSession(
    tool,
    state,
    { id: String(i), ...session },
    new Map(inOrder(bench).map((stone) => [stone.id, stone])),
  );

describe('an old back at the bench', () => {
  it('is hollowed with eyes covered, and the wheel stands first in its record', () => {
    const sessions = sessionsOfRun(walked());
    expect(sessions.length).toBe(1);
    const [session] = sessions;
    expect(session?.kind).toBe('honing');
    expect(session?.hollowedBack).toEqual({ rimMm: 3, depthMm: plan.hollowing?.depthMm ?? NaN });
    expect(session?.steps?.[0]).toEqual({ abrasiveId: 'wheel', strokes: 0, minutes: 2, facet: 'back' });
    expect(walked().confirmed).toEqual(['eyes']);
  });

  it('goes back in the record by what the plan said, and its rim with it', () => {
    const [session] = sessionsOfRun(walked());
    const after = recorded(edgeAtFirst(tool), session as Session, 0);
    expect(after.backMm).toBeCloseTo(plan.job.recessionMm, 9);
    expect(backRimMm(after)).toBe(3);
    const { hollowedBack: _, ...honing } = session as Session;
    const later = recorded(after, { ...honing, startedAt: minute(9_000) }, 1);
    expect(backRimMm(later)).toBeCloseTo(3 - (later.backMm - after.backMm), 12);
    expect(backRimMm(edgeAtFirst(tool))).toBeUndefined();
  });

  it('broken off after the wheel leaves the edge as it was, and the hollow in the record', () => {
    const broken = walked((run) => run.hollowed !== undefined);
    const [session] = sessionsOfRun({ ...broken, ended: 'finished' });
    expect(session?.kind).toBe('measuring');
    const after = recorded(edgeAtFirst(tool), session as Session, 0);
    expect(after.work).toEqual(edgeAtFirst(tool).work);
    expect(backRimMm(after)).toBe(3);
  });

  it('gives every part of a long edge as many, counted part by part', () => {
    const steps = work.steps.filter(({ along }) => along);
    expect(steps.length).toBe(work.steps.length);
    for (const { along, strokes } of steps) {
      expect(along).toEqual({ way: 'parts', visits: 3 });
      expect(strokes % 3).toBe(0);
    }
    const [whole] = orderOfWork({
      plan: planHoning(tool, bench, { ...request, along: 'crosswise' }),
      tool,
      stoneOf: () => undefined,
    }).steps;
    expect(whole?.along).toEqual({ way: 'crosswise', visits: 1 });
  });
});
