import { STILL_RECKONING } from '@mellow-anvil/contract';
import { setTimeout as pause } from 'node:timers/promises';
import { TOOLS, stone } from '../../testing/fixtures.js';
import { openTestWorkshop, type TestWorkshop } from '../../testing/workshop.js';

describe('the rack', () => {
  let shop: TestWorkshop;
  let toolId: string;
  beforeEach(async () => {
    shop = await openTestWorkshop();
    toolId = (await shop.ask('POST', '/api/tools', TOOLS['bench-chisel'])).body.id;
    await shop.ask('POST', '/api/abrasives', stone('W', '1000'));
  });
  afterEach(() => shop.close());
  const isStillReckoned = async (): Promise<boolean> =>
    (await shop.ask('GET', '/api/records?withinMs=1')).headers.get(STILL_RECKONING) === 'yes';
  const used = (tool: string): Promise<unknown> =>
    shop.ask('POST', '/api/sessions', {
      toolId: tool,
      kind: 'use',
      startedAt: '2026-11-02T16:30:00.000Z',
      use: { minutes: 30 },
    });

  /** A stone that the tool was honed on. */
  const honedOn = async (): Promise<{ readonly id: string }> => {
    const w = (await shop.ask('POST', '/api/abrasives', stone('Worn', '800'))).body;
    await shop.ask('POST', '/api/sessions', {
      toolId,
      kind: 'honing',
      startedAt: '2026-11-02T16:30:00.000Z',
      steps: [{ abrasiveId: w.id, strokes: 20, minutes: 1 }],
    });
    return w;
  };

  it('shows a tool that something was stored of as it is now, however little time there is', async () => {
    const before = (await shop.ask('GET', '/api/records')).body[toolId];
    await used(toolId);
    const first = await shop.ask('GET', '/api/records?withinMs=1');
    expect(first.body[toolId]).not.toEqual(before);
    expect(first.body[toolId]).toEqual((await shop.ask('GET', '/api/records')).body[toolId]);
  });

  it('says when what it shows is from before a stone was changed, and shows the change once it is reckoned', async () => {
    const w = await honedOn();
    const before = (await shop.ask('GET', '/api/records')).body[toolId];
    await shop.ask('PUT', `/api/abrasives/${w.id}`, { ...stone('Worn', '800'), strokeMm: 90, version: 1 });
    const first = await shop.ask('GET', '/api/records?withinMs=1');
    // In a millisecond nothing is reckoned: it is the record from before, and says so.
    expect(first.headers.get(STILL_RECKONING)).toBe('yes');
    expect(first.body[toolId]).toEqual(before);
    while (await isStillReckoned()) await pause(20);
    expect((await shop.ask('GET', '/api/records?withinMs=1')).body[toolId]).not.toEqual(before);
  });

  it('waits for all where nothing is known yet, and is complete at once where nothing was stored', async () => {
    expect(await isStillReckoned()).toBeFalse();
    expect(await isStillReckoned()).toBeFalse();
    // A setting changes nothing that is reckoned.
    const { version } = (await shop.ask('GET', '/api/settings')).body;
    await shop.ask('PUT', '/api/settings', { name: 'Shed', units: 'inch', decimalMark: 'comma', version });
    expect(await isStillReckoned()).toBeFalse();
  });

  it('answers a life anew after an entry of its own, as it was after another’s', async () => {
    const other = (await shop.ask('POST', '/api/tools', TOOLS.gouge)).body.id;
    const life = async (): Promise<number> =>
      (await shop.ask('GET', `/api/records/${toolId}`)).body.entries.length;
    expect(await life()).toBe(0);
    await used(other);
    expect(await life()).toBe(0);
    await used(toolId);
    expect(await life()).toBe(1);
    const [{ id }] = (await shop.ask('GET', '/api/undo')).body.undo;
    await shop.ask('POST', '/api/undo/undo', { id });
    expect(await life()).toBe(0);
  });

  it('goes by the backup that is put back: its tools, their entries, the stones they were honed on', async () => {
    const w = await honedOn();
    const rack = async (): Promise<unknown> => (await shop.ask('GET', '/api/records')).body;
    const told = [await rack()];
    const names: string[] = [];
    const changes = [
      () => used(toolId),
      () => shop.ask('PUT', `/api/abrasives/${w.id}`, { ...stone('Worn', '800'), strokeMm: 90, version: 1 }),
      () => shop.ask('POST', '/api/tools', TOOLS.gouge),
      () => shop.ask('DELETE', `/api/tools/${toolId}?version=1`),
    ];
    for (const change of changes) {
      names.push((await shop.ask('POST', '/api/backups')).body.name);
      await change();
      told.push(await rack());
    }
    expect(new Set(told.map((each) => JSON.stringify(each))).size).toBe(told.length);
    for (const [i, name] of [...names.entries()].reverse()) {
      expect((await shop.ask('POST', '/api/backups/restore', { name })).status).toBe(200);
      expect(await rack())
        .withContext(name)
        .toEqual(told[i]);
    }
  });

  it('takes an entry given to another tool from the one it was of, and back when that is undone', async () => {
    const other = (await shop.ask('POST', '/api/tools', TOOLS.gouge)).body.id;
    const lives = async (): Promise<number[]> => {
      const of = async (id: string): Promise<number> =>
        (await shop.ask('GET', `/api/records/${id}`)).body.entries.length;
      const rack = (await shop.ask('GET', '/api/records')).body;
      const all = [await of(toolId), await of(other)];
      expect([toolId, other].map((id) => rack[id].entries)).toEqual(all);
      return all;
    };
    const entry = (await used(toolId)) as { body: { id: string } };
    await used(toolId);
    expect(await lives()).toEqual([2, 0]);
    const { id, createdAt, updatedAt, ...draft } = (await shop.ask('GET', `/api/sessions/${entry.body.id}`))
      .body;
    await shop.ask('PUT', `/api/sessions/${id}`, { ...draft, toolId: other });
    expect(await lives()).toEqual([1, 1]);
    const [{ id: newest }] = (await shop.ask('GET', '/api/undo')).body.undo;
    await shop.ask('POST', '/api/undo/undo', { id: newest });
    expect(await lives()).toEqual([2, 0]);
  });
});
