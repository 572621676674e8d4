import { TOOLS, session } from '../testing/fixtures.js';
import { openTestWorkshop, type TestWorkshop } from '../testing/workshop.js';
import { newRow } from '../shared/store.js';
import { sessions } from '../sessions/sessions.js';
import { tools } from '../tools/tools.js';
import { COMMANDS_KEPT, Commands } from './commands.js';

describe('Commands', () => {
  let shop: TestWorkshop;
  let commands: Commands;
  beforeEach(async () => {
    shop = await openTestWorkshop();
    commands = new Commands(shop.database);
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

  it('write nothing down for a change of nothing', async () => {
    await commands.perform('Nothing', async () => []);
    expect((await commands.list()).undo).toEqual([]);
  });
});
