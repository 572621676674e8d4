import { mkdtemp, readdir, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { QueryTypes, Sequelize } from 'sequelize';
import { CannotOpen, openDatabase } from './database.js';
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
    expect(await backups()).toEqual([jasmine.stringMatching(/^before-migration-.*\.sqlite$/)]);
    const copy = new Sequelize({ dialect: 'sqlite', storage: now.backup, logging: false });
    const kept = await read(copy);
    await copy.close();
    expect(kept).toEqual(jasmine.objectContaining({ name: 'Old shed' }));
    expect(Object.keys(kept)).not.toContain('later');
  });

  it('refuses a newer release’s file in words', async () => {
    await (await openDatabase(folder, { migrations: [...MIGRATIONS, LATER] })).close();
    await expectAsync(openDatabase(folder)).toBeRejectedWithError(
      CannotOpen,
      /newer release.*nothing was changed/,
    );
  });

  it('says so when the file is no workshop, or a migration fails', async () => {
    await (await openDatabase(folder)).close();
    await expectAsync(openDatabase(folder, { migrations: [...MIGRATIONS, BROKEN] })).toBeRejectedWithError(
      CannotOpen,
      /cannot be opened/,
    );
    await writeFile(
      join(folder, 'workshop.sqlite'),
      'this is a shopping list, and no database at all, honest',
    );
    await expectAsync(openDatabase(folder)).toBeRejectedWithError(
      CannotOpen,
      /cannot be opened as a workshop/,
    );
  });
});
