import { copyFile, mkdir, open, readFile, readdir, rm, stat, symlink, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import fc from 'fast-check';
import { pino } from 'pino';
import { QueryTypes } from 'sequelize';
import { TOOLS, session } from '../../testing/fixtures.js';
import { openTestWorkshop, type TestWorkshop } from '../../testing/workshop.js';
import { BACKUP_EVERY_HOURS, BackupsService } from '../../storage/backups.js';
import { KEPT, toRemove } from '../../storage/rotation.js';

describe('backups', () => {
  let shop: TestWorkshop;
  const ask: TestWorkshop['ask'] = (...wanted) => shop.ask(...wanted);
  const rack = async (): Promise<string[]> =>
    (await ask('GET', '/api/tools')).body.items.map(({ family }: { family: string }) => family);
  const folder = (): string => join(shop.folder, 'backups');
  const restore = (name: string): ReturnType<TestWorkshop['ask']> =>
    ask('POST', '/api/backups/restore', { name });
  const backUp = async (): Promise<string> => (await ask('POST', '/api/backups')).body.name;

  beforeEach(async () => {
    shop = await openTestWorkshop();
    await ask('POST', '/api/tools', TOOLS.gouge);
  });
  afterEach(() => shop.close());

  it('are made while it is in use, listed, and put back with what was there before kept', async () => {
    const name = await backUp();
    await ask('POST', '/api/tools', TOOLS['bench-chisel']);
    expect((await ask('GET', '/api/records')).body).toBeDefined();
    const restored = await restore(name);
    expect(restored.status).toBe(200);
    expect(await rack()).toEqual(['gouge']);
    expect(Object.keys((await ask('GET', '/api/records')).body).length).toBe(1);
    // Writing goes on, undo too: commands go on from the copy's own.
    await ask('POST', '/api/tools', TOOLS.skew);
    const [{ id }] = (await ask('GET', '/api/undo')).body.undo;
    expect((await ask('POST', '/api/undo/undo', { id })).status).toBe(200);
    expect((await restore(restored.body.before)).status).toBe(200);
    expect((await rack()).sort()).toEqual(['bench-chisel', 'gouge']);
    const { backups } = (await ask('GET', '/api/backups')).body;
    expect(backups.map(({ because }: { because: string }) => because)).toEqual([
      'before-restore',
      'before-restore',
      'regular',
    ]);
    expect(await readdir(shop.folder)).not.toContain('restoring');
  });

  it('leave the number of entries right, as does all else that adds them or takes them away', async () => {
    const numbers = async (): Promise<[kept: number, there: number]> => {
      const { total, items } = (await ask('GET', '/api/sessions?pageSize=100')).body;
      return [total, items.length];
    };
    const turn = async (way: 'undo' | 'redo'): Promise<void> => {
      const [{ id }] = (await ask('GET', '/api/undo')).body[way];
      await ask('POST', `/api/undo/${way}`, { id });
    };
    const [{ id: toolId }] = (await ask('GET', '/api/tools')).body.items;
    const ids: string[] = [];
    for (let i = 0; i < 3; i++) ids.push((await ask('POST', '/api/sessions', session(toolId))).body.id);
    expect(await numbers()).toEqual([3, 3]);
    const backup = await backUp();
    await ask('DELETE', `/api/sessions/${ids[0]}?version=1`);
    expect(await numbers()).toEqual([2, 2]);
    await turn('undo');
    expect(await numbers()).toEqual([3, 3]);
    await turn('redo');
    const file = (await ask('GET', '/api/workshop')).body;
    await ask('DELETE', `/api/tools/${toolId}?version=1`);
    expect(await numbers()).toEqual([0, 0]);
    await ask('PUT', '/api/workshop', file);
    expect(await numbers()).toEqual([2, 2]);
    await restore(backup);
    expect(await numbers()).toEqual([3, 3]);
    await ask('DELETE', `/api/sessions/${ids[1]}?version=1`);
    expect(await numbers()).toEqual([2, 2]);
  });

  it('asked for at once, in the same millisecond, are each made, under names of their own', async () => {
    const now = new Date();
    const service = new BackupsService(
      shop.database,
      pino({ level: 'silent' }),
      () => undefined,
      () => now,
    );
    const made = await Promise.all(Array.from({ length: 6 }, () => service.make()));
    expect(new Set(made.map(({ name }) => name)).size).toBe(6);
    for (const { name } of made) expect(await readdir(folder())).toContain(name);
  });

  it('with any byte flipped are refused, and the live data is untouched', async () => {
    const name = await backUp();
    await ask('POST', '/api/tools', TOOLS['bench-chisel']);
    const file = join(folder(), name);
    const { size } = await stat(file);
    await fc.assert(
      fc.asyncProperty(fc.nat(size - 1), fc.integer({ min: 1, max: 255 }), async (place, bits) => {
        const handle = await open(file, 'r+');
        const byte = Buffer.alloc(1);
        const flip = async (): Promise<void> => {
          await handle.read(byte, 0, 1, place);
          byte[0] = (byte[0] as number) ^ bits;
          await handle.write(byte, 0, 1, place);
        };
        await flip();
        const refused = await restore(name);
        await flip();
        await handle.close();
        expect([refused.status, refused.body.title]).toEqual([422, 'Not restored']);
        expect(refused.body.detail).toContain('nothing was changed');
      }),
      { numRuns: 12 },
    );
    expect((await rack()).sort()).toEqual(['bench-chisel', 'gouge']);
    expect((await restore(name)).status).toBe(200);
  });

  it('that are no backup, without their sum, or no sound database are refused', async () => {
    const name = await backUp();
    const file = join(folder(), name);
    const other = name.replace(/\d{3}Z/, '999Z');
    await copyFile(file, join(folder(), other));
    expect((await restore(other)).body.detail).toContain('byte for byte');
    const text = 'this was never a database';
    await writeFile(file, text);
    const { createHash } = await import('node:crypto');
    await writeFile(`${file}.sha256`, createHash('sha256').update(text).digest('hex'));
    expect((await restore(name)).status).toBe(422);
    for (const absent of ['workshop-2020-01-01T00-00-00-000Z.sqlite', '../workshop.sqlite', 'x']) {
      expect((await restore(absent)).status)
        .withContext(absent)
        .toBe(404);
    }
    expect(await rack()).toEqual(['gouge']);
  });

  it('are due six hours on when something changed, and not before', async () => {
    let now = Date.now();
    const service = new BackupsService(
      shop.database,
      pino({ level: 'silent' }),
      () => undefined,
      () => new Date(now),
    );
    expect(await service.makeIfDue()).toBeTrue();
    now += BACKUP_EVERY_HOURS * 3_600_000 - 1000;
    await ask('POST', '/api/tools', TOOLS.skew);
    expect(await service.makeIfDue()).toBeFalse();
    now += 2000;
    expect(await service.makeIfDue()).toBeTrue();
    now += 7 * 3_600_000;
    expect(await service.makeIfDue())
      .withContext('nothing changed since')
      .toBeFalse();
    expect((await readdir(folder())).length).toBe(4);
  });

  it('are made on, whatever else lies in the folder: one of the future, a dangling link, a 99th month', async () => {
    const name = await backUp();
    for (const other of [
      'workshop-2999-01-01T00-00-00-000Z.sqlite',
      'workshop-2026-99-01T00-00-00-000Z.sqlite',
    ]) {
      await copyFile(join(folder(), name), join(folder(), other));
    }
    await symlink(join(folder(), 'nowhere'), join(folder(), 'workshop-2026-01-01T00-00-00-000Z.sqlite'));
    const service = new BackupsService(
      shop.database,
      pino({ level: 'silent' }),
      () => undefined,
      () => new Date(Date.now() + 7 * 3_600_000),
    );
    await ask('POST', '/api/tools', TOOLS.skew);
    expect(await service.makeIfDue()).toBeTrue();
    const { backups, trouble } = await service.list();
    expect(trouble).toBeUndefined();
    expect(backups.map((each) => each.name)).not.toContain('workshop-2026-99-01T00-00-00-000Z.sqlite');
    expect(backups.length).toBe(3);
  });

  it('that are overdue are told of, whatever the cause', async () => {
    await backUp();
    await ask('POST', '/api/tools', TOOLS.skew);
    const later = (hours: number): BackupsService =>
      new BackupsService(
        shop.database,
        pino({ level: 'silent' }),
        () => undefined,
        () => new Date(Date.now() + hours * 3_600_000),
      );
    expect((await later(7).list()).trouble).toBeUndefined();
    expect((await later(9).list()).trouble).toMatch(/last backup was made on .* things have changed since/);
  });

  it('rotate: the newest stay, and the last of every day and month', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.integer({ min: 0, max: 4000 }), { maxLength: 400 }), (hours) => {
        const made = hours.map((hour) => new Date(Date.UTC(2025, 0, 1, 12) + hour * 6 * 3_600_000));
        const gone = new Set(toRemove(made));
        const kept = made.filter((date) => !gone.has(date)).sort((a, b) => b.getTime() - a.getTime());
        const all = [...made].sort((a, b) => b.getTime() - a.getTime());
        expect(kept.slice(0, KEPT.newest)).toEqual(all.slice(0, KEPT.newest));
        expect(kept.length).toBeLessThanOrEqual(KEPT.newest + KEPT.days + KEPT.months);
        const months = (dates: Date[]): number =>
          new Set(dates.map((date) => date.toISOString().slice(0, 7))).size;
        expect(months(kept)).toBeGreaterThanOrEqual(Math.min(KEPT.months, months(all)) - 1);
        expect(toRemove(kept)).toEqual([]);
      }),
    );
  });

  it('a full disk is told in words, and the data stays as it was', async () => {
    const { connectionManager } = shop.database.sequelize as unknown as {
      connectionManager: {
        getConnection(options: object): Promise<{ run(sql: string, done: () => void): void }>;
      };
    };
    const [{ page_count: pages }] = (await shop.database.sequelize.query('PRAGMA page_count', {
      type: QueryTypes.SELECT,
    })) as [{ page_count: number }];
    const connect = connectionManager.getConnection.bind(connectionManager);
    connectionManager.getConnection = async (options) => {
      const connection = await connect(options);
      await new Promise<void>((resolve) => connection.run(`PRAGMA max_page_count = ${pages}`, resolve));
      return connection;
    };
    const long = { ...TOOLS.skew, notes: 'x'.repeat(4000) };
    let refused = await ask('POST', '/api/tools', long);
    for (let i = 0; i < 60 && refused.status === 201; i++) refused = await ask('POST', '/api/tools', long);
    expect([refused.status, refused.body.title]).toEqual([507, 'The disk is full']);
    expect(refused.body.detail).toContain('free some space');
    expect((await rack()).filter((family) => family === 'gouge')).toEqual(['gouge']);
    const [{ integrity_check: sound }] = (await shop.database.sequelize.query('PRAGMA integrity_check', {
      type: QueryTypes.SELECT,
    })) as [{ integrity_check: string }];
    expect(sound).toBe('ok');
  });

  it('a folder that may only be read, and a failing disk, are told in words', async () => {
    const copying = spyOn(shop.database, 'copyTo');
    for (const [code, status, title] of [
      ['SQLITE_READONLY', 503, 'The folder cannot be written'],
      ['SQLITE_CANTOPEN', 503, 'The folder cannot be written'],
      ['SQLITE_FULL', 507, 'The disk is full'],
      ['SQLITE_IOERR', 503, 'The disk does not answer'],
    ] as const) {
      copying.and.rejectWith(Object.assign(new Error(code), { code }));
      const backup = await ask('POST', '/api/backups');
      expect([backup.status, backup.body.title]).withContext(code).toEqual([status, title]);
      copying.and.callThrough();
      expect((await ask('GET', '/api/backups')).body.trouble).toContain('was not made');
    }
    // A file where the folder should be: nothing can be written there, whoever runs this.
    await rm(folder(), { recursive: true });
    await writeFile(folder(), '');
    expect((await ask('POST', '/api/backups')).status).toBeGreaterThanOrEqual(500);
    await rm(folder());
    await mkdir(folder());
    expect((await ask('POST', '/api/backups')).status).toBe(201);
    const { backups, trouble } = (await ask('GET', '/api/backups')).body;
    expect([backups.length, trouble]).toEqual([1, undefined]);
    expect((await readFile(join(folder(), `${backups[0].name}.sha256`), 'utf8')).trim().length).toBe(64);
  });
});
