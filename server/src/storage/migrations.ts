import { DataTypes, type ModelAttributeColumnOptions } from 'sequelize';
import type { Schema } from './repeatable.js';
import { instantsAsUtc } from './utc-instants.js';

/** One step of the database's shape. Steps are only ever added, never changed once released. */
export interface Migration {
  readonly name: string;
  up(schema: Schema): Promise<void>;
}

const text = { type: DataTypes.TEXT, allowNull: true };
const real = { type: DataTypes.DOUBLE, allowNull: true };
const needed = { type: DataTypes.TEXT, allowNull: false };
const envelope = {
  id: { type: DataTypes.TEXT, primaryKey: true, allowNull: false },
  version: { type: DataTypes.INTEGER, allowNull: false },
  createdAt: needed,
  updatedAt: needed,
  deletedAt: text,
};
const names = (table: string): ModelAttributeColumnOptions => ({
  ...needed,
  references: { model: table, key: 'id' },
});

/** The table in which SQLite keeps how many entries there are. */
export const SESSION_COUNT = 'sessionCount';

export const MIGRATIONS: readonly Migration[] = [
  {
    name: '0001-the-house',
    async up(schema) {
      await schema.createTable('tools', {
        ...envelope,
        name: needed,
        family: needed,
        steel: needed,
        edge: needed,
        host: text,
        setName: text,
        notes: text,
      });
      await schema.createTable('guides', {
        ...envelope,
        name: needed,
        form: needed,
        rollerRadiusMm: real,
        noseMm: real,
        rollerDropMm: real,
        camRisesMm: text,
        seats: needed,
        notes: text,
      });
      await schema.createTable('abrasives', {
        ...envelope,
        name: needed,
        kind: needed,
        grade: needed,
        lubricant: needed,
        strokeMm: real,
        overheadMin: real,
        forceN: real,
        removalMm3PerNm: real,
        scratchUm: real,
        sizeUm: real,
        notes: text,
      });
      await schema.createTable('plans', {
        ...envelope,
        name: needed,
        toolId: names('tools'),
        guideId: { ...text, references: { model: 'guides', key: 'id' } },
        seatName: text,
        request: needed,
        result: needed,
      });
      await schema.createTable('sessions', {
        ...envelope,
        toolId: names('tools'),
        kind: needed,
        startedAt: needed,
        minutes: real,
        who: text,
        conditionBefore: text,
        setting: text,
        steps: text,
        use: text,
        chips: text,
        outcome: text,
        notes: text,
      });
      await schema.createTable('settings', { ...envelope, name: needed, units: needed, decimalMark: needed });
      await schema.createTable('commands', {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        label: needed,
        createdAt: needed,
        state: needed,
        changes: needed,
      });
      await schema.addIndex('plans', ['toolId']);
      await schema.addIndex('sessions', ['toolId', 'startedAt']);
    },
  },
  {
    name: '0002-the-record',
    async up(schema) {
      await schema.addColumn('sessions', 'landMm', real);
      await schema.addColumn('tools', 'overruling', text);
      await schema.createTable('runs', {
        id: envelope.id,
        toolId: names('tools'),
        state: needed,
        startedAt: needed,
        next: { type: DataTypes.INTEGER, allowNull: false },
      });
      await schema.createTable('runEvents', {
        id: envelope.id,
        runId: names('runs'),
        seq: { type: DataTypes.INTEGER, allowNull: false },
        event: needed,
      });
      await schema.addIndex('runEvents', ['runId', 'seq'], { unique: true });
      // Live sessions in order of time: what a page of the ledger and its count read.
      await schema.addIndex('sessions', ['startedAt', 'id'], {
        name: 'sessions_live',
        where: { deletedAt: null },
      });
    },
  },
  {
    name: '0003-guides-of-every-form',
    async up(schema) {
      // A jig has no seats. SQLite cannot loosen a column, so the table is made again with its rows, as
      // its manual says to: foreign keys off, all of it in one transaction.
      const sql = (text: string): Promise<unknown> => schema.sequelize.query(text);
      await sql('PRAGMA foreign_keys = OFF');
      await sql('BEGIN IMMEDIATE');
      try {
        await schema.createTable('guidesOfEveryForm', {
          ...envelope,
          name: needed,
          form: needed,
          rollerRadiusMm: real,
          noseMm: real,
          rollerDropMm: real,
          camRisesMm: text,
          seats: text,
          fixedDeg: real,
          wheelRadiusMm: real,
          jigProjectionMm: real,
          offsetMm: real,
          notes: text,
        });
        const kept =
          'id, version, createdAt, updatedAt, deletedAt, name, form, rollerRadiusMm, noseMm, rollerDropMm, camRisesMm, seats, notes';
        await sql(`INSERT INTO guidesOfEveryForm (${kept}) SELECT ${kept} FROM guides`);
        await sql('DROP TABLE guides');
        await sql('ALTER TABLE guidesOfEveryForm RENAME TO guides');
        await schema.addColumn('settings', 'packing', text);
        await sql('COMMIT');
      } catch (reason) {
        await sql('ROLLBACK');
        throw reason;
      } finally {
        await sql('PRAGMA foreign_keys = ON');
      }
    },
  },
  {
    name: '0004-stops-and-wheels',
    async up(schema) {
      await schema.createTable('boards', {
        ...envelope,
        name: needed,
        guideId: names('guides'),
        seatName: needed,
        camRiseMm: real,
        bladeThicknessMm: real,
        lengthMm: real,
        depthMm: real,
        thicknessMm: real,
        stopWidthMm: real,
        stopDepthMm: real,
        stopHeightMm: real,
        bladeWidthMm: real,
        stops: needed,
        revision: real,
        cutOn: needed,
        earlier: needed,
      });
      await schema.addIndex('boards', ['guideId']);
      await schema.addColumn('settings', 'printer', text);
      await schema.addColumn('guides', 'wheelId', text);
      await schema.addColumn('guides', 'barDiameterMm', real);
      await schema.addColumn('abrasives', 'wheel', text);
      await schema.addColumn('sessions', 'landLeftMm', real);
    },
  },
  {
    name: '0005-the-bench-set',
    async up(schema) {
      for (const column of ['lengthMm', 'widthMm', 'radiusMm']) {
        await schema.addColumn('abrasives', column, real);
      }
      for (const column of ['serves', 'sets', 'between', 'sheets', 'strop', 'learnFrom']) {
        await schema.addColumn('abrasives', column, text);
      }
      await schema.createTable('cares', {
        ...envelope,
        abrasiveId: names('abrasives'),
        kind: needed,
        at: needed,
        who: text,
        minutes: real,
        hollowUm: real,
        notes: text,
      });
      await schema.addIndex('cares', ['abrasiveId', 'at']);
    },
  },
  {
    name: '0006-camber',
    async up(schema) {
      await schema.addColumn('tools', 'camber', text);
      await schema.addColumn('sessions', 'camber', text);
    },
  },
  {
    name: '0007-what-is-kept-can-be-carried-away',
    async up(schema) {
      await schema.addColumn('commands', 'bytes', { type: DataTypes.INTEGER, allowNull: true });
      await instantsAsUtc(schema.sequelize);
      // Releases up to 0.7.0 let entries be stored while what they name was going; they go with it.
      for (const [table, column, to] of [
        ['plans', 'toolId', 'tools'],
        ['sessions', 'toolId', 'tools'],
        ['boards', 'guideId', 'guides'],
        ['cares', 'abrasiveId', 'abrasives'],
      ]) {
        await schema.sequelize.query(
          `UPDATE "${table}" SET "deletedAt" = (SELECT "deletedAt" FROM "${to}" WHERE id = "${table}"."${column}")
           WHERE "deletedAt" IS NULL AND "${column}" IN (SELECT id FROM "${to}" WHERE "deletedAt" IS NOT NULL)`,
        );
      }
      await schema.sequelize.query('UPDATE commands SET bytes = length(CAST(changes AS BLOB))');
    },
  },
  {
    name: '0008-the-ledger-by-change',
    async up(schema) {
      for (const column of ['updatedAt', 'createdAt']) {
        await schema.addIndex('sessions', [column, 'id'], {
          name: `sessions_live_by_${column}`,
          where: { deletedAt: null },
        });
      }
    },
  },
  {
    name: '0009-how-much-can-be-undone',
    async up(schema) {
      // A change may hold a whole workshop; how much they hold is read without reading them.
      await schema.addIndex('commands', ['bytes'], { name: 'commands_by_bytes' });
    },
  },
  {
    name: '0010-the-stones-of-a-tool',
    async up(schema) {
      await schema.addColumn('tools', 'stoneSet', text);
    },
  },
  {
    name: '0011-the-manner-of-a-tool',
    async up(schema) {
      await schema.addColumn('tools', 'manner', text);
    },
  },
  {
    name: '0012-how-many-entries-there-are',
    async up(schema) {
      // A page of the ledger says how many there are; counting them looks at every one. SQLite keeps the
      // number itself, within whatever transaction changes it.
      const change = async (on: string, when: string, by: string): Promise<void> => {
        await schema.sequelize.query(
          `CREATE TRIGGER IF NOT EXISTS "sessionCount_${on}" AFTER ${on === 'update' ? 'UPDATE OF "deletedAt"' : on} ON sessions
           WHEN ${when} BEGIN UPDATE "${SESSION_COUNT}" SET live = live + (${by}); END`,
        );
      };
      await schema.createTable(SESSION_COUNT, { live: { type: DataTypes.INTEGER, allowNull: false } });
      await schema.sequelize.query(
        `INSERT INTO "${SESSION_COUNT}" SELECT (SELECT count(*) FROM sessions WHERE "deletedAt" IS NULL)
         WHERE NOT EXISTS (SELECT 1 FROM "${SESSION_COUNT}")`,
      );
      await change('insert', 'NEW."deletedAt" IS NULL', '1');
      await change('delete', 'OLD."deletedAt" IS NULL', '-1');
      await change('update', 'TRUE', '(NEW."deletedAt" IS NULL) - (OLD."deletedAt" IS NULL)');
    },
  },
  {
    name: '0013-what-a-dull-edge-costs',
    async up(schema) {
      await schema.addColumn('settings', 'lateCosts', real);
    },
  },
  {
    name: '0014-old-edges-and-their-handles',
    async up(schema) {
      for (const column of ['handles', 'held', 'bought']) await schema.addColumn('tools', column, text);
      await schema.addColumn('sessions', 'hollowedBack', text);
    },
  },
  {
    name: '0015-how-a-tool-is-counted',
    async up(schema) {
      await schema.addColumn('tools', 'counts', text);
    },
  },
];
