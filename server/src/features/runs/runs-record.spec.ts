import { inOrder, type OwnedAbrasive } from '@mellow-anvil/core/abrasive';
import type { Tool } from '@mellow-anvil/core/blade';
import { itemOf, type SessionStep } from '@mellow-anvil/core/record';
import { type RunEvent, runOf, type RunPlan, sessionsOfRun } from '@mellow-anvil/core/run';
import { asFound, type EdgeAtWork, unworked, worked } from '@mellow-anvil/core/work';
import { TOOLS, stone } from '../../testing/fixtures.js';
import { openTestWorkshop, type TestWorkshop } from '../../testing/workshop.js';

/** What core makes of the same strokes, one after the other. */
function strokesOn(tool: Tool, steps: readonly SessionStep[], bench: readonly OwnedAbrasive[]): EdgeAtWork {
  const byId = new Map(inOrder(bench).map((each) => [each.id, each]));
  return steps.reduce(
    (state, step) => {
      const item = itemOf(tool, step, undefined, byId);
      return item ? worked(tool.edge, state, item) : state;
    },
    asFound(tool.edge, unworked(tool.edge), { kind: 'new' }),
  );
}

const plain = (value: unknown): unknown => JSON.parse(JSON.stringify(value));

describe('a run, done and finished over HTTP', () => {
  let shop: TestWorkshop;
  let other: TestWorkshop;
  beforeAll(async () => {
    [shop, other] = [await openTestWorkshop(), await openTestWorkshop()];
  });
  afterAll(async () => {
    await shop.close();
    await other.close();
  });

  it('leaves every form of edge as the same strokes leave it in core, in another workshop too', async () => {
    const bench: OwnedAbrasive[] = [];
    for (const grade of ['1000', '8000']) {
      const made = (await shop.ask('POST', '/api/abrasives', stone(`W${grade}`, grade))).body;
      bench.push({ ...stone(`W${grade}`, grade), id: made.id });
    }
    const [coarse, fine] = bench as [OwnedAbrasive, OwnedAbrasive];
    const wanted = new Map<string, unknown>();
    for (const [family, draft] of Object.entries(TOOLS)) {
      const { id } = (await shop.ask('POST', '/api/tools', draft)).body;
      const plan: RunPlan = {
        toolId: id,
        condition: { kind: 'new' },
        finishUm: 2,
        forceN: 18,
        strokesPerMin: 40,
        steps: [
          { abrasiveId: coarse.id, strokes: 30, back: true },
          { abrasiveId: coarse.id, strokes: 14 },
          { abrasiveId: fine.id, strokes: 9 },
        ],
      };
      const facts = [
        { kind: 'begun', plan },
        { kind: 'strokes', count: 30 },
        { kind: 'done' },
        { kind: 'burr', burr: 'all-along' },
        { kind: 'strokes', count: 17 },
        { kind: 'done' },
        { kind: 'strokes', count: 9 },
        { kind: 'done' },
        { kind: 'done' },
        { kind: 'proved', test: 'nail', passed: true },
        { kind: 'finished' },
      ].map((fact, seq) => ({
        ...fact,
        seq,
        id: `${family}-${seq}`,
        at: new Date(Date.UTC(2026, 10, 28, 9, 0, seq)).toISOString(),
      })) as RunEvent[];
      const sent = await shop.ask('POST', `/api/runs/run-${family}/events`, { events: facts });
      expect(sent.status)
        .withContext(`${family}: ${JSON.stringify(sent.body)}`)
        .toBe(200);
      const done = sessionsOfRun(runOf(facts) as NonNullable<ReturnType<typeof runOf>>)[0];
      const steps = done?.steps ?? [];
      expect(steps.map(({ facet, strokes }) => [facet, strokes]))
        .withContext(family)
        .toEqual([
          ['back', 30],
          [undefined, 17],
          [undefined, 9],
        ]);
      const { record } = (await shop.ask('GET', `/api/records/${id}`)).body;
      const state = plain(strokesOn(draft as Tool, steps, bench));
      expect(record.state.work).withContext(family).toEqual(state);
      expect(record.state.steelMm3).withContext(family).toBeGreaterThan(0);
      wanted.set(id, record);
    }
    const file = (await shop.ask('GET', '/api/workshop')).body;
    expect((await other.ask('PUT', '/api/workshop', file)).status).toBe(200);
    for (const [id, record] of wanted) {
      expect((await other.ask('GET', `/api/records/${id}`)).body.record).toEqual(record);
    }
    expect(new Set(Object.values(TOOLS).map(({ edge }) => edge.form)).size).toBe(8);
  });
});
