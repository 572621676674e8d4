import { readFile } from 'node:fs/promises';
import { stonesAtWork } from '@mellow-anvil/core/abrasive';
import { planHoning } from '@mellow-anvil/core/plan';
import { readiness, toolRecord, type ToolRecord } from '@mellow-anvil/core/record';
import type { Workshop } from '@mellow-anvil/core/workshop';
import { TOOLS, stone } from '../../testing/fixtures.js';
import { openTestWorkshop, type TestWorkshop } from '../../testing/workshop.js';
import type { StonesAnswer } from '@mellow-anvil/contract';

const DEMO = new URL('../../../../demo/saltmarsh-boat-shed.workshop.json', import.meta.url);

describe('records', () => {
  let shop: TestWorkshop;
  const ask: TestWorkshop['ask'] = (...wanted) => shop.ask(...wanted);
  const records = async (): Promise<Record<string, ToolRecord>> => (await ask('GET', '/api/records')).body;

  beforeEach(async () => {
    shop = await openTestWorkshop();
  });
  afterEach(() => shop.close());

  it('are what core reckons of each tool in the demo, whose years its generator makes byte for byte', async () => {
    const text = await readFile(DEMO, 'utf8');
    const demo = JSON.parse(text) as Workshop;
    await ask('PUT', '/api/workshop', demo);
    const all = await records();
    expect(Object.keys(all).length).toBe(demo.tools.length);
    // At the rates the shed’s own readings taught.
    const { stones } = (await ask('GET', '/api/stones')).body as StonesAnswer;
    expect(stones['w1000']?.rate.readings).toBeGreaterThan(8);
    const atWork = stonesAtWork(demo.abrasives, stones);
    const states = new Set<string>();
    for (const tool of demo.tools) {
      const own = demo.sessions.filter(({ toolId }) => toolId === tool.id);
      const record = toolRecord(tool, own, atWork);
      expect(all[tool.id])
        .withContext(tool.id)
        .toEqual(JSON.parse(JSON.stringify(record)));
      states.add(readiness(tool, record).state);
    }
    expect([...states].sort()).toEqual(['hone', 'ready', 'regrind', 'repair', 'strop']);
  });

  it('follow every change: an entry, its correction, its undoing, the tool, the bench set', async () => {
    const tool = (await ask('POST', '/api/tools', TOOLS['bench-chisel'])).body;
    const w1000 = (await ask('POST', '/api/abrasives', stone('W', '1000'))).body;
    const state = async (): Promise<ToolRecord['state']> =>
      (await records())[tool.id]?.state as ToolRecord['state'];
    const landAtFirst = (await state()).landMm;
    const honing = {
      toolId: tool.id,
      kind: 'honing',
      startedAt: '2026-11-20T09:00:00Z',
      steps: [{ abrasiveId: w1000.id, strokes: 10, minutes: 1 }],
    };
    const made = (await ask('POST', '/api/sessions', honing)).body;
    const after = (await state()).landMm as number;
    expect(after).toBeGreaterThan(landAtFirst as number);

    const steps = [{ abrasiveId: w1000.id, strokes: 40, minutes: 3 }];
    await ask('PUT', `/api/sessions/${made.id}`, { ...honing, steps, version: 1 });
    const corrected = (await state()).landMm as number;
    expect(corrected).toBeGreaterThan(after);
    const [{ id }] = (await ask('GET', '/api/undo')).body.undo;
    await ask('POST', '/api/undo/undo', { id });
    expect((await state()).landMm).toBe(after);

    await ask('PUT', `/api/abrasives/${w1000.id}`, {
      ...stone('W', '1000'),
      removalMm3PerNm: 0.02,
      version: 1,
    });
    const quicker = (await state()).landMm as number;
    expect(quicker).toBeGreaterThan(after);
    await ask('DELETE', `/api/abrasives/${w1000.id}?version=2`);
    expect((await state()).landMm)
      .withContext('what was honed on it stays honed')
      .toBe(quicker);

    const life = (await ask('GET', `/api/records/${tool.id}`)).body;
    expect(life.entries.length).toBe(1);
    expect([life.entries[0].landBeforeMm, life.entries[0].landMm]).toEqual([landAtFirst, quicker]);
    expect(life.entries[0].session.version).toBe(3);
    expect((await ask('GET', '/api/records/nobody')).status).toBe(404);
  });

  it('give a plan the land as it stands, not as it was entered', async () => {
    const tool = (await ask('POST', '/api/tools', TOOLS['bench-chisel'])).body;
    for (const grade of ['1000', '8000']) await ask('POST', '/api/abrasives', stone(grade, grade));
    const bench = (await ask('GET', '/api/abrasives?sort=-sizeUm')).body.items;
    await ask('POST', '/api/sessions', {
      toolId: tool.id,
      kind: 'measuring',
      startedAt: '2026-11-20T09:00:00Z',
      landMm: 1.4,
    });
    const request = {
      condition: { kind: 'dull' },
      finishUm: 2,
      forceN: 20,
      strokesPerMin: 40,
      laidAside: [],
    } as const;
    const { body } = await ask('POST', '/api/plans', { name: 'Dull', toolId: tool.id, request });
    expect(body.result).toEqual(
      JSON.parse(JSON.stringify(planHoning(tool, bench, { ...request, landMm: 1.4 }))),
    );
  });

  it('refuse an entry of no tool, and a measurement that measures nothing', async () => {
    const entry = { toolId: 'nobody', kind: 'use', startedAt: '2026-11-20T09:00:00Z' };
    expect((await ask('POST', '/api/sessions', entry)).body.errors[0].field).toBe('toolId');
    const tool = (await ask('POST', '/api/tools', TOOLS['bench-chisel'])).body;
    const blank = await ask('POST', '/api/sessions', { ...entry, toolId: tool.id, kind: 'measuring' });
    expect(blank.body.errors).toEqual([
      { field: 'landMm', message: 'Say how wide the land measures, in mm, or how the edge is curved.' },
    ]);
  });

  it('list figures to the last bit, however many digits they have', async () => {
    const tool = (await ask('POST', '/api/tools', TOOLS['bench-chisel'])).body;
    const minutes = [0.1, 0.30000000000000004, 1 / 3, 1e-7, 12, 1234.5678901234567];
    for (const each of minutes) {
      await ask('POST', '/api/sessions', {
        toolId: tool.id,
        kind: 'use',
        startedAt: '2026-11-20T09:00:00Z',
        minutes: each,
        notes: 'quote " slash \\ line\nbreak',
      });
    }
    const { items } = (await ask('GET', '/api/sessions?sort=createdAt')).body;
    expect(items.map((item: { minutes: number }) => item.minutes).sort()).toEqual([...minutes].sort());
    expect(items[0].notes).toBe('quote " slash \\ line\nbreak');
    const second = (await ask('GET', '/api/sessions?pageSize=4&page=2')).body;
    expect([second.items.length, second.total]).toEqual([2, 6]);
    expect((await ask('GET', '/api/sessions?pageSize=4&page=9')).body.total).toBe(6);
  });
});
