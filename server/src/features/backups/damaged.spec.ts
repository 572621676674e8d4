import { readFile, readdir, rm, stat, truncate, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { asKilled, flip } from '../../testing/attacks/folders.js';
import { TOOLS } from '../../testing/fixtures.js';
import { openTestWorkshop, type TestWorkshop } from '../../testing/workshop.js';

describe('a damaged workshop', () => {
  let shop: TestWorkshop;
  let backup: string;
  const ask: TestWorkshop['ask'] = (...wanted) => shop.ask(...wanted);
  const file = (): string => join(shop.folder, 'workshop.sqlite');
  const list = async (): ReturnType<TestWorkshop['ask']> => ask('GET', '/api/backups');
  const rack = async (): Promise<number> => (await ask('GET', '/api/tools')).body.total;
  /** Ends the program, does something to its file, and starts it again. */
  const restarted = async (harm: () => Promise<unknown>): Promise<void> => {
    await shop.close({ keep: true });
    await harm();
    shop = await openTestWorkshop(shop.folder);
  };

  beforeEach(async () => {
    shop = await openTestWorkshop();
    await ask('POST', '/api/tools', TOOLS.gouge);
    backup = (await ask('POST', '/api/backups')).body.name;
    await ask('POST', '/api/tools', TOOLS.skew);
  });
  afterEach(() => shop.close({ keep: false }));

  it('is not used, says why on every question, and is replaced by a sound backup; its files are set aside', async () => {
    await restarted(() => writeFile(file(), 'a shopping list'));
    for (const [method, path, body] of [
      ['GET', '/api/tools'],
      ['GET', '/api/health'],
      ['POST', '/api/tools', TOOLS.gouge],
      ['GET', '/api/workshop'],
      ['POST', '/api/backups'],
    ] as const) {
      const refused = await ask(method, path, body);
      expect([refused.status, refused.body.title])
        .withContext(path)
        .toEqual([503, 'The workshop’s file is damaged']);
    }
    expect((await list()).body.damage).toEqual({
      why: jasmine.stringContaining('no database'),
      readable: false,
    });
    const restored = await ask('POST', '/api/backups/restore', { name: backup });
    expect(restored.status).toBe(200);
    expect(await readFile(join(restored.body.aside, 'workshop.sqlite'), 'utf8')).toBe('a shopping list');
    expect(await rack()).toBe(1);
    expect((await list()).body.damage).toBeUndefined();
    expect((await ask('POST', '/api/tools', TOOLS.skew)).status).toBe(201);
    await restarted(async () => undefined);
    expect(await rack()).toBe(2);
  });

  it('that can be read is opened as it is on request, and is sound from then on', async () => {
    // A letter of a name: SQLite’s own check finds nothing wrong with that.
    await restarted(async () => {
      const bytes = await readFile(file());
      const place = bytes.indexOf('The gouge');
      bytes.write('The gauge', place);
      await writeFile(file(), bytes);
    });
    const { damage } = (await list()).body;
    expect(damage).toEqual({
      why: jasmine.stringContaining('is not what this program wrote'),
      readable: true,
    });
    expect((await ask('POST', '/api/backups/open-as-it-is', {})).status).toBe(204);
    expect((await ask('GET', '/api/tools')).body.items.map(({ name }: { name: string }) => name)).toContain(
      'The gauge',
    );
    expect((await ask('POST', '/api/backups/open-as-it-is', {})).status).toBe(409);
    await restarted(async () => undefined);
    expect(await rack()).toBe(2);
  });

  it('whose file is gone or empty gives way to a new one on request only', async () => {
    await restarted(() => truncate(file(), 0));
    expect((await list()).body.damage.why).toContain('is empty');
    expect((await ask('POST', '/api/backups/open-as-it-is', {})).status).toBe(409);
    expect((await ask('POST', '/api/backups/begin-anew', {})).status).toBe(200);
    expect(await rack()).toBe(0);
    expect((await ask('POST', '/api/backups/begin-anew', {})).status)
      .withContext('sound now')
      .toBe(409);
    expect((await ask('POST', '/api/backups/restore', { name: backup })).body.before).toBeDefined();
    expect(await rack()).toBe(1);
  });

  it('damaged while it runs makes no backup of the damage, and can be restored', async () => {
    await shop.database.settle();
    const { size } = await stat(file());
    await flip(file(), () => (size - 100) / size);
    const refused = await ask('POST', '/api/backups');
    expect([refused.status, refused.body.title]).toEqual([503, 'The workshop’s file is damaged']);
    expect((await list()).body.trouble).toContain('no longer what this program wrote');
    expect((await list()).body.backups.length).toBe(1);
    const restored = await ask('POST', '/api/backups/restore', { name: backup });
    expect(await readdir(restored.body.aside)).toContain('workshop.sqlite');
    expect(await rack()).toBe(1);
    expect((await ask('POST', '/api/backups')).status).toBe(201);
  });

  it('removed while it runs is saved from what is still open, and put back', async () => {
    await rm(file());
    const refused = await ask('POST', '/api/tools', TOOLS.drawknife);
    expect([refused.status, refused.body.detail]).toEqual([
      503,
      jasmine.stringContaining('was removed while'),
    ]);
    const [newest] = (await list()).body.backups;
    expect((await ask('POST', '/api/backups/restore', { name: newest.name })).status).toBe(200);
    expect(await rack()).toBe(2);
    expect((await ask('POST', '/api/tools', TOOLS.drawknife)).status).toBe(201);
  });

  it('replaced by hand by a backup opens as of then, and says so', async () => {
    await restarted(async () => writeFile(file(), await readFile(join(shop.folder, 'backups', backup))));
    expect(await rack()).toBe(1);
    expect((await list()).body.told).toEqual([jasmine.stringContaining('put in place by hand')]);
    await restarted(async () => undefined);
    expect((await list()).body.told).toEqual([]);
  });

  it('whose log lost its end opens without it, and says how many changes are missing', async () => {
    await shop.database.settle();
    for (const family of ['v-tool', 'drawknife', 'gouge'] as const)
      await ask('POST', '/api/tools', TOOLS[family]);
    const killed = `${shop.folder}-killed`;
    await asKilled(shop.folder, killed);
    await truncate(join(killed, 'workshop.sqlite-wal'), 30_000);
    await shop.close({ keep: false });
    shop = await openTestWorkshop(killed);
    expect(await rack()).toBeLessThan(5);
    expect((await list()).body.told).toEqual([jasmine.stringContaining('missing from the workshop’s file')]);
  });
});
