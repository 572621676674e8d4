import { readFile } from 'node:fs/promises';
import { check, planDraftSchema } from '@mellow-anvil/contract';
import { type Abrasive, kindFacts, type StonesRecord } from '@mellow-anvil/core/abrasive';
import { type Condition, CONDITIONS, FAMILY_NAMES, type Tool } from '@mellow-anvil/core/blade';
import { planAnswer, type PlanAnswer, type School, SCHOOLS, TOO_MANY_STROKES } from '@mellow-anvil/core/plan';
import { besideOthers, type ToolRecord } from '@mellow-anvil/core/record';
import {
  afterEvent,
  beginRun,
  type Run,
  type RunEvent,
  type RunFact,
  type RunPlan,
  strokesLeft,
} from '@mellow-anvil/core/run';
import { openTestWorkshop, type TestWorkshop } from '../../testing/workshop.js';

const DEMO = new URL('../../../../demo/saltmarsh-boat-shed.workshop.json', import.meta.url);

/** What somebody does who follows a run to the letter and finds everything in order. */
function asTold(run: Run): RunFact {
  const station = run.stations[run.at];
  const step = station?.kind === 'stone' ? run.steps[station.step] : undefined;
  const left = step ? strokesLeft(step) : 0;
  if (left > 0) return { kind: 'strokes', count: left };
  return station?.kind === 'burr' ? { kind: 'burr', burr: 'all-along' } : { kind: 'done' };
}

/** A plan's steps as they are taken to the bench. */
function taken(
  toolId: string,
  { request, grinding, steps }: PlanAnswer,
  strops: ReadonlySet<string>,
): RunPlan {
  return {
    toolId,
    condition: request.condition,
    finishUm: request.finishUm,
    forceN: request.forceN,
    strokesPerMin: request.strokesPerMin,
    ...(grinding && { grinding: { wheelId: grinding.wheelId, stopShortMm: grinding.stopShortMm } }),
    steps: steps.map(({ abrasiveId, facet, strokes, forceN, bothWays, places }) => ({
      abrasiveId,
      facet,
      strokes,
      ...(forceN !== undefined && { forceN }),
      ...(bothWays && { bothWays }),
      ...(places && { places }),
      ...(strops.has(abrasiveId) && { afterBurr: true }),
    })),
  };
}

describe('the plan over HTTP', () => {
  let shop: TestWorkshop;
  let other: TestWorkshop;
  let tools: readonly (Tool & { readonly id: string })[];
  let stones: readonly (Abrasive & { readonly id: string })[];
  let learned: StonesRecord;
  let records: Readonly<Record<string, ToolRecord>>;
  beforeAll(async () => {
    [shop, other] = [await openTestWorkshop(), await openTestWorkshop()];
    const demo = JSON.parse(await readFile(DEMO, 'utf8')) as Record<string, unknown>;
    tools = demo['tools'] as typeof tools;
    stones = demo['abrasives'] as typeof stones;
    expect((await shop.ask('PUT', '/api/workshop', { ...demo, plans: [] })).status).toBe(200);
    learned = (await shop.ask('GET', '/api/stones')).body.stones;
    records = (await shop.ask('GET', '/api/records')).body;
  });
  afterAll(async () => {
    await shop.close();
    await other.close();
  });

  const planned = async (body: object): Promise<PlanAnswer> => {
    const { status, body: answer } = await shop.ask('POST', '/api/calc/honing-plan', body);
    if (status !== 200) throw new Error(`${JSON.stringify(body)}: ${JSON.stringify(answer)}`);
    return answer as PlanAnswer;
  };
  const workOf = async (at: TestWorkshop, id: string) =>
    (await at.ask('GET', `/api/records/${id}`)).body.record.state;

  /** What every stone has been learned to cut at, in one figure. */
  const rates = async (): Promise<number> => {
    const { stones: known } = (await shop.ask('GET', '/api/stones')).body;
    return Object.values(known as Record<string, { rate: { factor: number } }>).reduce(
      (product, { rate }) => product * rate.factor,
      1,
    );
  };

  it('done as it says is in the record as it said: every family, condition and school, in another workshop too', async () => {
    const strops = new Set(stones.filter(({ kind }) => kindFacts(kind).strop).map(({ id }) => id));
    let [seq, runs, exact] = [0, 0, 0];
    let ratesBefore = await rates();
    for (const [f, family] of FAMILY_NAMES.entries()) {
      const tool = tools.find((each) => each.family === family);
      if (!tool) throw new Error(`the demo has no ${family}`);
      let before = await workOf(shop, tool.id);
      for (const [c, kind] of CONDITIONS.entries()) {
        const condition: Condition = kind === 'nicked' ? { kind, nickMm: 0.15 } : { kind };
        // Every school meets every condition, and every family every school.
        const school = SCHOOLS[(f + c) % SCHOOLS.length] as School;
        const told = `${tool.id} ${kind} ${school}`;
        // Only an exact order has to be known beforehand.
        const first = school === 'exact' ? (await planned({ toolId: tool.id, condition })).steps : [];
        const order = first.flatMap(({ abrasiveId, facet }) =>
          facet === 'back' || facet === 'inside' || strops.has(abrasiveId) ? [] : [abrasiveId],
        );
        const asked =
          school === 'exact' && order.length > 0 ? { school, order } : school === 'exact' ? {} : { school };
        const answer = await planned({ toolId: tool.id, condition, ...asked });
        const at = (): string => new Date(Date.UTC(2026, 10, 28, 9, 0, (seq += 1))).toISOString();
        const plan = taken(tool.id, answer, strops);
        const begun = { kind: 'begun', plan, id: `e${seq}`, seq: 0, at: at() } as const;
        const events: RunEvent[] = [begun];
        let run = beginRun(plan, begun.at);
        const next = (fact: RunFact): void => {
          const event = { ...fact, id: `e${seq}`, seq: events.length, at: at() } as RunEvent;
          events.push(event);
          if (fact.kind !== 'finished') run = afterEvent(run, event);
        };
        while (run.at < run.stations.length - 1) next(asTold(run));
        next({ kind: 'proved', test: 'nail', passed: true });
        next({ kind: 'finished' });
        const sent = await shop.ask('POST', `/api/runs/run-${seq}/events`, { events });
        expect(sent.status)
          .withContext(`${told}: ${JSON.stringify(sent.body)}`)
          .toBe(200);
        const after = await workOf(shop, tool.id);
        // A nick of measured depth, honed out, teaches a stone: then its older entries are reckoned anew.
        const ratesAfter = await rates();
        const taught = Math.abs(ratesAfter / ratesBefore - 1);
        const near = (found: number, said: number): void =>
          expect(Math.abs(found - said))
            .withContext(told)
            .toBeLessThan(1e-9 + 20 * taught * (before.backMm + 1));
        near(after.backMm - before.backMm, answer.recessionMm);
        if (after.landMm !== undefined && answer.landAfterMm !== undefined)
          near(after.landMm, answer.landAfterMm);
        if (taught === 0) exact += 1;
        runs += 1;
        [before, ratesBefore] = [after, ratesAfter];
      }
    }
    expect(runs).toBe(FAMILY_NAMES.length * CONDITIONS.length);
    const file = (await shop.ask('GET', '/api/workshop')).body;
    expect((await other.ask('PUT', '/api/workshop', file)).status).toBe(200);
    for (const { id } of tools)
      expect(await workOf(other, id))
        .withContext(id)
        .toEqual(await workOf(shop, id));
    expect(exact).toBeGreaterThan(0.9 * runs);
  }, 240_000);

  it('says its range, its minutes and where it goes too far', async () => {
    const dull = await planned({ toolId: 'bench-19', condition: { kind: 'dull' } });
    expect(dull.tooMuch).toBeUndefined();
    expect(dull.low).toBeLessThan(dull.totalMin);
    expect(dull.high).toBeGreaterThan(dull.totalMin);
    for (const { low, strokes, high } of dull.steps) {
      expect(low).toBeLessThanOrEqual(strokes);
      expect(high).toBeGreaterThanOrEqual(strokes);
    }
    const nicked = await planned({ toolId: 'galley', condition: { kind: 'nicked', nickMm: 0.4 } });
    expect(Math.max(...nicked.steps.map(({ strokes }) => strokes))).toBeGreaterThan(TOO_MANY_STROKES);
    expect(nicked.tooMuch?.why).toContain('Not on these stones');
    const minutes = nicked.tooMuch?.ways.flatMap((way) => way.minutes ?? []) ?? [];
    expect(minutes).toEqual([...minutes].sort((a, b) => a - b));
    expect(nicked.tooMuch?.ways.at(-1)?.way).toBe('send-out');
  });

  it('refuses no tool of the demo, and asks for nothing absurd without a word', async () => {
    const ordinary = ['fading', 'dull', 'very-dull', 'rolled'];
    for (const tool of tools) {
      // The server’s sockets, in this same thread, get their turn.
      await new Promise(setImmediate);
      for (const kind of CONDITIONS) {
        for (const school of ['least-time', 'doubling', 'two-stones'] as const) {
          const condition: Condition = kind === 'nicked' ? { kind, nickMm: 0.4 } : { kind };
          const asked = { condition, school, stropOnly: false };
          const record = records[tool.id];
          const { steps, tooMuch } = planAnswer({ tool, bench: stones, record, stones: learned }, asked);
          const told = `${tool.id} ${kind} ${school}`;
          if (ordinary.includes(kind)) expect(tooMuch).withContext(told).toBeUndefined();
          else if (Math.max(...steps.map(({ strokes }) => strokes)) > TOO_MANY_STROKES)
            expect(tooMuch?.ways.at(-1)?.way).withContext(told).toBe('send-out');
        }
      }
    }
  });

  it('is the page’s own for every tool, judged beside like tools and by what a dull edge costs here', async () => {
    const read = async (path: string) => (await shop.ask('GET', path)).body;
    for (const lateCosts of [2, 10]) {
      const { id: _id, createdAt: _made, updatedAt: _kept, ...settings } = await read('/api/settings');
      expect((await shop.ask('PUT', '/api/settings', { ...settings, lateCosts })).status).toBe(200);
      // What the page holds: records as they are answered, and what it makes of them together.
      const rack = (await read('/api/tools?pageSize=500')).items as typeof tools;
      const judged = besideOthers(await read('/api/records'), rack, lateCosts);
      const of = {
        bench: (await read('/api/abrasives?sort=-sizeUm')).items,
        stones: (await read('/api/stones')).stones,
      };
      for (const tool of rack) {
        const page = planAnswer({ ...of, tool, record: judged[tool.id] }, {});
        const { condition } = page.request;
        // What nobody asked the page does not check: the contract has nothing against it.
        const draft = { name: tool.name, toolId: tool.id, request: JSON.parse(JSON.stringify(page.request)) };
        expect(check(planDraftSchema, draft))
          .withContext(tool.name)
          .toEqual(jasmine.objectContaining({ ok: true }));
        expect((await planned({ toolId: tool.id, condition })).request)
          .withContext(`${tool.name}, ${lateCosts} times`)
          .toEqual(JSON.parse(JSON.stringify(page.request)));
      }
    }
  });

  it('refuses in words what it cannot be asked', async () => {
    const refused = async (body: object): Promise<string> => {
      const { status, body: problem } = await shop.ask('POST', '/api/calc/honing-plan', body);
      expect(status).toBe(422);
      return JSON.stringify(problem.errors);
    };
    expect(await refused({ toolId: 'nobody', condition: { kind: 'dull' } })).toContain('toolId');
    expect(await refused({ toolId: 'bench-19', condition: { kind: 'blunt' } })).toContain('Condition');
    expect(await refused({ toolId: 'bench-19', condition: { kind: 'dull' }, set: 'Attic' })).toContain('set');
    expect(await refused({ toolId: 'bench-19', condition: { kind: 'dull' }, school: 'exact' })).toContain(
      'order',
    );
  });
});
