import { mkdir, mkdtemp, readFile, readdir, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { forcesOf, type Session } from '@mellow-anvil/core/record';
import { QueryTypes, Sequelize } from 'sequelize';
import { BOARD, runEvents } from '../testing/fixtures.js';
import { openTestWorkshop } from '../testing/workshop.js';
import { CannotOpen } from './cannot-open.js';
import { openDatabase } from './open-database.js';
import { MIGRATIONS, type Migration } from './migrations.js';

const LATER: Migration = {
  name: '9999-a-later-release',
  up: async (schema) => {
    await schema.sequelize.query('ALTER TABLE settings ADD COLUMN later TEXT');
  },
};
const BROKEN: Migration = {
  name: '9999-broken',
  up: async () => {
    throw new Error('no');
  },
};

describe('openDatabase', () => {
  let folder: string;
  beforeEach(async () => {
    folder = await mkdtemp(join(tmpdir(), 'mellow-anvil-spec-'));
  });
  afterEach(() => rm(folder, { recursive: true, force: true }));
  const backups = (): Promise<string[]> => readdir(join(folder, 'backups'));

  it('makes a new workshop without a backup, and opens it again', async () => {
    const first = await openDatabase(folder);
    expect(first.backup).toBeUndefined();
    await first.close();
    await (await openDatabase(folder)).close();
    expect(await backups()).toEqual([]);
  });

  it('copies an older release’s file before it is migrated', async () => {
    const old = await openDatabase(folder);
    await old.sequelize.query(
      "INSERT INTO settings (id, version, createdAt, updatedAt, name, units, decimalMark) VALUES ('workshop', 1, '', '', 'Old shed', 'mm', 'point')",
    );
    await old.close();
    const now = await openDatabase(folder, { migrations: [...MIGRATIONS, LATER] });
    const read = async (sequelize: Sequelize): Promise<object> =>
      (await sequelize.query('SELECT * FROM settings', { type: QueryTypes.SELECT }))[0] as object;
    expect(await read(now.sequelize)).toEqual(jasmine.objectContaining({ name: 'Old shed', later: null }));
    await now.close();
    expect((await backups()).sort()).toEqual([
      jasmine.stringMatching(/^before-migration-.*\.sqlite$/),
      jasmine.stringMatching(/^before-migration-.*\.sqlite\.sha256$/),
    ]);
    const copy = new Sequelize({ dialect: 'sqlite', storage: now.backup ?? '', logging: false });
    const kept = await read(copy);
    await copy.close();
    expect(kept).toEqual(jasmine.objectContaining({ name: 'Old shed' }));
    expect(Object.keys(kept)).not.toContain('later');
  });

  it('opens the file as the first release left it: backed up, migrated, everything still there', async () => {
    const left = new URL('../../src/testing/older/0001-the-house.sqlite.gz', import.meta.url);
    await writeFile(join(folder, 'workshop.sqlite'), gunzipSync(await readFile(left)));
    const shop = await openTestWorkshop(folder);
    expect(shop.database.backup).toContain('before-migration-');
    const tools = (await shop.ask('GET', '/api/tools')).body.items;
    expect(tools.length).toBe(28);
    expect((await shop.ask('GET', '/api/plans')).body.items[0].name).toBe('Dull, to 2 µm');
    expect((await shop.ask('GET', '/api/settings')).body.decimalMark).toBe('comma');
    const { record } = (await shop.ask('GET', '/api/records/bench-19')).body;
    expect([record.entries, record.state.honings]).toEqual([2, 1]);
    const events = runEvents('r1', 'bench-19', { kind: 'done' }, { kind: 'strokes', count: 3 });
    expect((await shop.ask('POST', '/api/runs/r1/events', { events })).status).toBe(200);
    const { backups } = (await shop.ask('GET', '/api/backups')).body;
    const back = await shop.ask('POST', '/api/backups/restore', { name: backups[0].name });
    expect(back.status).withContext('the copy made before migrating can be put back').toBe(200);
    expect((await shop.ask('GET', '/api/runs')).body).toEqual([]);
    await shop.close();
  });

  it('opens the file as the second release left it: its plan still on its guide, its open run going on', async () => {
    const left = new URL('../../src/testing/older/0002-the-record.sqlite.gz', import.meta.url);
    await writeFile(join(folder, 'workshop.sqlite'), gunzipSync(await readFile(left)));
    const shop = await openTestWorkshop(folder);
    const guides = (await shop.ask('GET', '/api/guides')).body.items;
    expect(guides.map(({ id }: { id: string }) => id).sort()).toEqual(['side-clamp', 'top-clamp']);
    expect((await shop.ask('GET', '/api/settings')).body).toEqual(
      jasmine.objectContaining({ name: 'Older shed', units: 'inch', decimalMark: 'comma' }),
    );
    expect((await shop.ask('GET', '/api/runs')).body.length).toBe(1);
    const jig = await shop.ask('POST', '/api/guides', { name: 'By hand', form: 'freehand' });
    expect(jig.status).withContext('a guide without seats').toBe(201);
    const request = {
      condition: { kind: 'dull' },
      finishUm: 2,
      forceN: 20,
      strokesPerMin: 40,
      laidAside: [],
    };
    const plan = { name: 'Dull', toolId: 'bench-19', guideId: 'side-clamp', request };
    expect((await shop.ask('POST', '/api/plans', plan)).status).toBe(201);
    const pragma = (name: string): Promise<object[]> =>
      shop.database.sequelize.query(`PRAGMA ${name}`, { type: QueryTypes.SELECT });
    expect(await pragma('foreign_key_check')).toEqual([]);
    expect(await pragma('foreign_keys'))
      .withContext('on again')
      .toEqual([{ foreign_keys: 1 }]);
    await shop.close();
  });

  it('opens the file as the third release left it: its jig follows a wheel now, and boards can be made', async () => {
    const left = new URL('../../src/testing/older/0003-guides-of-every-form.sqlite.gz', import.meta.url);
    await writeFile(join(folder, 'workshop.sqlite'), gunzipSync(await readFile(left)));
    const shop = await openTestWorkshop(folder);
    const settings = (await shop.ask('GET', '/api/settings')).body;
    expect([settings.name, settings.packing.length, settings.printer]).toEqual(['Older shed', 1, undefined]);
    const { version, createdAt, updatedAt, id, ...wheel } = (
      await shop.ask('GET', '/api/abrasives/dry-wheel')
    ).body;
    const measured = { ...wheel, wheel: { rpm: 2850, readings: [{ on: '2026-11-23', diameterMm: 146 }] } };
    const kept = await shop.ask('PUT', `/api/abrasives/${id}`, { ...measured, version });
    expect(kept.body.wheel).toEqual(measured.wheel);
    const board = { ...BOARD, guideId: 'side-clamp', seatName: 'Chisel jaws' };
    const made = await shop.ask('POST', '/api/boards', board);
    expect(made.body.stops[0].projectionMm).toBeCloseTo(29.896, 3);
    const file = (await shop.ask('GET', '/api/workshop')).body;
    expect(file.boards[0].id).toBe(made.body.id);
    const { boards, ...before } = file;
    expect((await shop.ask('PUT', '/api/workshop', before)).status)
      .withContext('a file without boards')
      .toBe(200);
    expect((await shop.ask('GET', '/api/boards')).body.total).toBe(0);
    await shop.close();
  });

  it('opens the file as the fourth release left it: its stones can be put in sets and cared for', async () => {
    const left = new URL('../../src/testing/older/0004-stops-and-wheels.sqlite.gz', import.meta.url);
    await writeFile(join(folder, 'workshop.sqlite'), gunzipSync(await readFile(left)));
    const shop = await openTestWorkshop(folder);
    const { version, createdAt, updatedAt, id, ...stone } = (await shop.ask('GET', '/api/abrasives/w1000'))
      .body;
    const known = {
      ...stone,
      sets: ['Bench'],
      between: { coarserId: 'w400', finerId: 'w8000' },
      widthMm: 70,
    };
    const kept = await shop.ask('PUT', `/api/abrasives/${id}`, { ...known, version });
    expect(kept.body).toEqual(jasmine.objectContaining(known));
    const care = { abrasiveId: 'w1000', kind: 'flattened', at: '2026-11-24T09:00:00Z' };
    expect((await shop.ask('POST', '/api/cares', care)).status).toBe(201);
    const { stones } = (await shop.ask('GET', '/api/stones')).body;
    expect(stones.w1000.care.lastAt).toBe('2026-11-24T09:00:00.000Z');
    expect(Object.keys((await shop.ask('GET', '/api/records')).body).length).toBe(3);
    await shop.close();
  });

  it('opens the file as the fifth release left it: its irons can be curved and read', async () => {
    const left = new URL('../../src/testing/older/0005-the-bench-set.sqlite.gz', import.meta.url);
    await writeFile(join(folder, 'workshop.sqlite'), gunzipSync(await readFile(left)));
    const shop = await openTestWorkshop(folder);
    const { version, createdAt, updatedAt, id, ...iron } = (await shop.ask('GET', '/api/tools/smooth-50'))
      .body;
    const camber = { job: 'smoothing', shavingMm: 0.05, hadMm: 0 };
    const kept = await shop.ask('PUT', `/api/tools/${id}`, { ...iron, camber, version });
    expect(kept.body.camber).toEqual(camber);
    const read = {
      toolId: id,
      kind: 'measuring',
      startedAt: '2026-11-27T09:00:00Z',
      camber: { by: 'caliper', camberMm: 0.06, pmMm: 0.01, leanMm: -0.01 },
    };
    expect((await shop.ask('POST', '/api/sessions', read)).body.camber).toEqual(read.camber);
    const { smooth } = { smooth: (await shop.ask('GET', '/api/records')).body['smooth-50'] };
    expect(smooth.state.camber).toEqual(jasmine.objectContaining({ camberMm: 0.06, from: 'read' }));
    expect((await shop.ask('GET', '/api/stones')).body.stones.w1000.care.lastAt).toBe(
      '2026-11-24T09:00:00.000Z',
    );
    await shop.close();
  });

  it('opens the file as 0.8.0 left it: what was done last there can still be undone', async () => {
    const left = new URL('../../src/testing/older/0008-the-ledger-by-change.sqlite.gz', import.meta.url);
    await writeFile(join(folder, 'workshop.sqlite'), gunzipSync(await readFile(left)));
    const shop = await openTestWorkshop(folder);
    const [last] = (await shop.ask('GET', '/api/undo')).body.undo as { id: number; label: string }[];
    expect(last?.label).toBe('Add care of a stone');
    expect((await shop.ask('GET', '/api/stones')).body.stones.w1000.care.lastAt).toBe(
      '2026-11-27T10:00:00.000Z',
    );
    expect((await shop.ask('POST', '/api/undo/undo', { id: last?.id })).status).toBe(200);
    expect((await shop.ask('GET', '/api/stones')).body.stones.w1000.care.lastAt).not.toBe(
      '2026-11-27T10:00:00.000Z',
    );
    await shop.close();
  });

  it('opens the file as 0.9.0 left it: a tool’s stones, and a thread’s grams as newtons', async () => {
    const left = new URL('../../src/testing/older/0010-the-stones-of-a-tool.sqlite.gz', import.meta.url);
    await writeFile(join(folder, 'workshop.sqlite'), gunzipSync(await readFile(left)));
    const shop = await openTestWorkshop(folder);
    const { body: tool } = await shop.ask('GET', '/api/tools/bench-19');
    expect([tool.stoneSet, tool.manner]).toEqual(['Roll', undefined]);
    const { entries } = (await shop.ask('GET', '/api/records/bench-19')).body as {
      entries: readonly { session: Session }[];
    };
    const forces = forcesOf(entries.map(({ session }) => session));
    expect(forces).toEqual([(180 * 9.80665) / 1000]);
    await shop.close();
  });

  it('refuses a newer release’s file in words', async () => {
    await (await openDatabase(folder, { migrations: [...MIGRATIONS, LATER] })).close();
    await expectAsync(openDatabase(folder)).toBeRejectedWithError(
      CannotOpen,
      /newer release.*nothing was changed/,
    );
  });

  it('leaves the file as it was when a step fails, says where the copy is, and opens again', async () => {
    await (await openDatabase(folder)).close();
    const before = await readFile(join(folder, 'workshop.sqlite'));
    await expectAsync(openDatabase(folder, { migrations: [...MIGRATIONS, BROKEN] })).toBeRejectedWithError(
      CannotOpen,
      /could not be brought up.*Nothing was changed.*backups\/before-migration-.*start the release you had before/,
    );
    expect((await readFile(join(folder, 'workshop.sqlite'))).equals(before)).toBeTrue();
    expect((await readdir(folder)).filter((name) => name.startsWith('upgrading-'))).toEqual([]);
    await (await openDatabase(folder)).close();
  });

  it('has one owner: a second program is refused in words, and told where the first one’s page is', async () => {
    const first = await openDatabase(folder);
    await first.answersAt('http://127.0.0.1:4420/');
    await expectAsync(openDatabase(folder)).toBeRejectedWithError(
      CannotOpen,
      /already open.*its page is at http:\/\/127\.0\.0\.1:4420\/.*stop it first/,
    );
    await first.close();
    await (await openDatabase(folder)).close();
  });

  it('is not another program’s database', async () => {
    const other = new Sequelize({
      dialect: 'sqlite',
      storage: join(folder, 'workshop.sqlite'),
      logging: false,
    });
    await other.query('CREATE TABLE recipes (name TEXT)');
    await other.close();
    await expectAsync(openDatabase(folder)).toBeRejectedWithError(
      CannotOpen,
      /another program, not a workshop/,
    );
  });

  it('clears away what killed programs left half done', async () => {
    await mkdir(join(folder, 'backups'), { recursive: true });
    await mkdir(join(folder, 'upgrading-x'));
    await mkdir(join(folder, 'restoring'));
    for (const name of ['a.sqlite.unfinished', 'a.sqlite.sha256', 'b.sqlite.unfinished-journal']) {
      await writeFile(join(folder, 'backups', name), '');
    }
    await (await openDatabase(folder)).close();
    expect(await backups()).toEqual([]);
    expect((await readdir(folder)).sort()).toEqual([
      'backups',
      'workshop.lock',
      'workshop.sqlite',
      'workshop.sqlite-seal',
      'workshop.sqlite-tally',
    ]);
  });

  it('keeps every instant as UTC, entries of what is gone with it, and undo going', async () => {
    const left = new URL('../../src/testing/older/0006-camber.sqlite.gz', import.meta.url);
    const file = join(folder, 'workshop.sqlite');
    await writeFile(file, gunzipSync(await readFile(left)));
    const old = new Sequelize({ dialect: 'sqlite', storage: file, logging: false });
    await old.query("UPDATE tools SET deletedAt = '2026-11-27T12:00:00.000Z' WHERE id = 'bench-19'");
    await old.close();
    const shop = await openTestWorkshop(folder);
    const at = async (kind: string): Promise<string[]> =>
      (await shop.ask('GET', `/api/${kind}?pageSize=500`)).body.items.map(
        (each: { startedAt?: string; at?: string }) => each.startedAt ?? each.at,
      );
    const instants = [...(await at('sessions')), ...(await at('cares'))];
    for (const instant of instants) expect(instant).toMatch(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d\.\d{3}Z$/);
    // 15:30 at five hours east, and a day alone.
    expect(instants).toContain('2026-11-27T10:30:00.000Z');
    expect(instants).toContain('2026-11-26T00:00:00.000Z');
    const file1 = await shop.ask('GET', '/api/workshop');
    expect(file1.body.sessions.some(({ toolId }: { toolId: string }) => toolId === 'bench-19')).toBeFalse();
    expect((await shop.ask('PUT', '/api/workshop', file1.body)).status).toBe(200);
    expect((await shop.ask('GET', '/api/workshop')).body).toEqual(file1.body);
    for (let i = 0; i < 4; i++) {
      const [{ id }] = (await shop.ask('GET', '/api/undo')).body.undo;
      expect((await shop.ask('POST', '/api/undo/undo', { id })).status).toBe(200);
    }
    for (const instant of await at('sessions')) expect(instant).toMatch(/\.\d{3}Z$/);
    await shop.close();
  });
});
