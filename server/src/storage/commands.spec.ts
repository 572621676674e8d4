import { MOST } from '@mellow-anvil/contract';
import { TOOLS, session } from '../testing/fixtures.js';
import { openTestWorkshop, type TestWorkshop } from '../testing/workshop.js';
import { newRow } from './store.js';
import { sessions } from '../features/sessions/sessions.js';
import { tools } from '../features/tools/tools.js';
import { guides } from '../features/guides/guides.js';
import { COMMANDS_BYTES, COMMANDS_KEPT, Commands } from './commands.js';
import { KINDS } from '../kinds.js';

describe('Commands', () => {
  let shop: TestWorkshop;
  let commands: Commands;
  beforeEach(async () => {
    shop = await openTestWorkshop();
    commands = new Commands(shop.database, KINDS);
  });
  afterEach(() => shop.close());
  const count = async (): Promise<number> => tools.model(shop.database.sequelize).count();
  const add = (id: string) => ({
    kind: 'tools' as const,
    before: null,
    after: newRow(tools, TOOLS.gouge, id),
  });

  it('store all of a change or none of it', async () => {
    // The session names a tool that is not there: the foreign key refuses it after the tool was written.
    const orphan = {
      kind: 'sessions' as const,
      before: null,
      after: newRow(sessions, session('nobody'), 's'),
    };
    await expectAsync(commands.perform('Half', async () => [add('a'), orphan])).toBeRejected();
    await expectAsync(
      commands.perform('Thrown', async () => {
        throw new Error('in the middle');
      }),
    ).toBeRejectedWithError('in the middle');
    expect(await count()).toBe(0);
    expect((await commands.list()).undo).toEqual([]);
  });

  it('run one after the other, however many come at once', async () => {
    await Promise.all(
      Array.from({ length: 20 }, (_, i) => commands.perform(`Add ${i}`, async () => [add(`t${i}`)])),
    );
    expect(await count()).toBe(20);
    expect((await commands.list()).undo.length).toBe(20);
  });

  it('keep the newest and let the oldest go', async () => {
    for (let i = 0; i < COMMANDS_KEPT + 3; i++)
      await commands.perform(`Add ${i}`, async () => [add(`t${i}`)]);
    const { undo } = await commands.list();
    expect(undo.length).toBe(COMMANDS_KEPT);
    expect(undo[0]?.label).toBe(`Add ${COMMANDS_KEPT + 2}`);
    expect(undo.at(-1)?.label).toBe('Add 3');
  });

  it('hold no more together than they may, and always the newest', async () => {
    const long = (id: string) => {
      const { kind, before, after } = add(id);
      return { kind, before, after: { ...after, notes: 'x'.repeat(40_000) } };
    };
    for (const name of ['first', 'second', 'third']) {
      await commands.perform(name, async () => Array.from({ length: 620 }, (_, i) => long(`${name}-${i}`)), {
        whole: true,
      });
    }
    const { undo, kept } = await commands.list();
    expect(undo.map(({ label }) => label)).toEqual(['third', 'second']);
    expect(kept).toEqual({ commands: COMMANDS_KEPT, bytes: COMMANDS_BYTES });
    await commands.undo(undo[0]?.id as number);
    expect(await tools.model(shop.database.sequelize).count({ where: { deletedAt: null } })).toBe(1240);
  });

  it('take no entry for a tool that is being removed, however close', async () => {
    for (let round = 0; round < 10; round++) {
      const { id } = (await shop.ask('POST', '/api/tools', TOOLS.gouge)).body;
      const [first, gone, second] = await Promise.all([
        shop.ask('POST', '/api/sessions', session(id)),
        shop.ask('DELETE', `/api/tools/${id}?version=1`),
        shop.ask('POST', '/api/sessions', session(id)),
      ]);
      expect(gone?.status).toBe(204);
      for (const each of [first, second]) expect([201, 422]).toContain(each?.status as number);
    }
    expect((await shop.ask('GET', '/api/sessions')).body.total).toBe(0);
    const file = (await shop.ask('GET', '/api/workshop')).body;
    expect((await shop.ask('PUT', '/api/workshop', file)).status).toBe(200);
  });

  it('take no more of a kind than a file holds', async () => {
    const guide = { name: 'By hand', form: 'freehand' } as const;
    await commands.perform(
      'Many',
      async () =>
        Array.from({ length: MOST.guides }, (_, i) => ({
          kind: 'guides' as const,
          before: null,
          after: newRow(guides, guide, `g${i}`),
        })),
      { whole: true },
    );
    const refused = await shop.ask('POST', '/api/guides', guide);
    expect([refused.status, refused.body.detail]).toEqual([
      422,
      jasmine.stringContaining('200 of these at most'),
    ]);
    expect((await shop.ask('DELETE', '/api/guides/g0?version=1')).status).toBe(204);
    expect((await shop.ask('POST', '/api/guides', guide)).status).toBe(201);
  });

  it('write nothing down for a change of nothing', async () => {
    await commands.perform('Nothing', async () => []);
    expect((await commands.list()).undo).toEqual([]);
  });
});
