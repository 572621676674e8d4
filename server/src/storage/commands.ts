import {
  DataTypes,
  Op,
  QueryTypes,
  UniqueConstraintError,
  type Model,
  type ModelStatic,
  type Transaction,
} from 'sequelize';
import type { CommandList, CommandSummary } from '@mellow-anvil/contract';

import { HttpProblem, invalid } from '../platform/problem.js';
import type { Connection } from './database.js';
import {
  batches,
  groupByKind,
  refuseInvalid,
  refuseLooseEnds,
  refuseTooMany,
  type KindRow,
} from './whole.js';
import type { Kinds } from './kinds.js';
import type { KindName, Row } from './table.js';

export type { CommandSummary };

/** What was stored, and whose it is. */
export interface StoredThing {
  readonly kind: KindName;
  readonly id: string;
  readonly toolId?: string;
}

/** One row before and after a command; `null` before means it was not there. */
export interface RowChange {
  readonly kind: KindName;
  readonly before: Row | null;
  readonly after: Row;
}

/** How many commands stay undoable, and how much they may hold together, bytes; the newest always does. */
export const COMMANDS_KEPT = 200;
export const COMMANDS_BYTES = 64 * 1024 * 1024;

interface CommandOptions {
  /** It brings a whole workshop, which may hold more than can be added one by one. */
  readonly whole?: boolean;
  /** Done last within the transaction; what it throws undoes it all. */
  readonly last?: () => Promise<void>;
  /** Told how many rows of how many are stored. */
  readonly progress?: (done: number, of: number) => void;
}

interface CommandRow extends CommandSummary {
  readonly state: 'done' | 'undone';
  readonly changes: string;
}

/**
 * Every change of stored data goes through here as a command: written with the rows it changed, in
 * the same transaction, so that it can be undone and redone in order.
 */
export class Commands {
  private readonly model: ModelStatic<Model>;
  private readonly listeners: ((stored: readonly StoredThing[]) => void)[] = [];

  constructor(
    readonly database: Connection,
    readonly kinds: Kinds,
  ) {
    const { sequelize } = database;
    for (const kind of kinds.all) kind.model(sequelize);
    this.model =
      sequelize.models['commands'] ??
      sequelize.define(
        'commands',
        {
          id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
          label: DataTypes.TEXT,
          createdAt: DataTypes.TEXT,
          state: DataTypes.TEXT,
          changes: DataTypes.TEXT,
          bytes: DataTypes.INTEGER,
        },
        { tableName: 'commands', timestamps: false },
      );
  }

  /** Works out changes, stores them and the command, all or none. */
  async perform(
    label: string,
    work: (transaction: Transaction) => Promise<readonly RowChange[]>,
    options: CommandOptions = {},
  ): Promise<readonly RowChange[]> {
    const changes = await this.database.write(async (transaction) => {
      const wanted = await work(transaction);
      await this.record(label, wanted, transaction, options);
      await options.last?.();
      return wanted;
    });
    this.tell(changes.flatMap(({ kind, before, after }) => touched(kind, before, after)));
    return changes;
  }

  /**
   * Stores changes and the command they make within a transaction of the caller's, who
   * {@link tell}s once it is through.
   * @throws HttpProblem 409 when a new thing's id is taken, 422 when what it names is not there or there
   * is no more place for it
   */
  async record(
    label: string,
    changes: readonly RowChange[],
    transaction: Transaction,
    { whole = false, progress }: CommandOptions = {},
  ): Promise<void> {
    if (changes.length === 0) return;
    let done = 0;
    const put = (more: number): void => progress?.((done += more), changes.length);
    const { sequelize } = this.database;
    const rows = changes.map(({ kind, after }) => ({ kind, row: after }));
    if (!whole) refuseInvalid(rows, this.kinds);
    await this.add(
      changes.flatMap(({ kind, before, after }) => (before === null ? [{ kind, row: after }] : [])),
      transaction,
      put,
    );
    await this.store(
      changes.flatMap(({ kind, before, after }) => (before === null ? [] : [{ kind, row: after }])),
      transaction,
      put,
    );
    const loose = await refuseLooseEnds(rows, this.kinds, sequelize, transaction);
    if (loose) throw invalid([loose]);
    const added = new Set(changes.flatMap(({ kind, before }) => (before === null ? [kind] : [])));
    if (!whole) await refuseTooMany(added, sequelize, transaction);
    await this.model.destroy({ where: { state: 'undone' }, transaction });
    const text = JSON.stringify(changes);
    await this.model.create(
      {
        label,
        createdAt: new Date().toISOString(),
        state: 'done',
        changes: text,
        bytes: Buffer.byteLength(text),
      },
      { transaction },
    );
    await this.letOldestGo(transaction);
  }

  /** Has a listener told of everything that was stored, once its transaction is through. */
  onStored(listener: (stored: readonly StoredThing[]) => void): void {
    this.listeners.push(listener);
  }

  /** Tells the listeners what was stored. */
  tell(rows: readonly KindRow[]): void {
    const stored = rows.map(({ kind, row: { id, toolId } }) => ({
      kind,
      id,
      ...(typeof toolId === 'string' && { toolId }),
    }));
    for (const listener of this.listeners) listener(stored);
  }

  async list(): Promise<CommandList> {
    const rows = (await this.model.findAll({
      attributes: ['id', 'label', 'createdAt', 'state'],
      order: [['id', 'DESC']],
      raw: true,
    })) as unknown as CommandRow[];
    const summary = ({ id, label, createdAt }: CommandRow): CommandSummary => ({ id, label, createdAt });
    return {
      undo: rows.filter((row) => row.state === 'done').map(summary),
      redo: rows
        .filter((row) => row.state === 'undone')
        .map(summary)
        .reverse(),
      kept: { commands: COMMANDS_KEPT, bytes: COMMANDS_BYTES },
    };
  }

  /** How much the next command to undo or redo holds, bytes; one that holds much is turned in another thread. */
  async bytesOfNext(way: 'undo' | 'redo'): Promise<number> {
    const next = (await this.model.findOne({
      attributes: ['bytes'],
      where: { state: way === 'undo' ? 'done' : 'undone' },
      order: [['id', way === 'undo' ? 'DESC' : 'ASC']],
      raw: true,
    })) as { bytes?: number | null } | null;
    return next?.bytes ?? 0;
  }

  /** Takes back the newest command; `id` names the one the page saw, so nothing else is undone. */
  undo(id: number): Promise<CommandSummary> {
    return this.turn(
      'done',
      'DESC',
      id,
      ({ before, after }) => before ?? { ...after, deletedAt: new Date().toISOString() },
    );
  }

  /** Does the oldest undone command again. */
  redo(id: number): Promise<CommandSummary> {
    return this.turn('undone', 'ASC', id, ({ after }) => after);
  }

  /** Empties the list of changes, for a workshop that begins as it stands. */
  async forget(): Promise<void> {
    await this.database.write((transaction) => this.model.destroy({ where: {}, transaction }));
  }

  private async turn(
    state: CommandRow['state'],
    order: 'ASC' | 'DESC',
    id: number,
    target: (change: RowChange) => Row,
  ): Promise<CommandSummary> {
    let touchedRows: readonly KindRow[] = [];
    const summary = await this.database.write(async (transaction) => {
      const next = (await this.model.findOne({
        where: { state },
        order: [['id', order]],
        raw: true,
        transaction,
      })) as unknown as CommandRow | null;
      if (next?.id !== id) {
        throw new HttpProblem(
          409,
          'Out of date',
          'Something else was changed since this page was loaded; look again, then undo.',
        );
      }
      const changes = JSON.parse(next.changes) as RowChange[];
      const rows = changes.map((change) => ({ kind: change.kind, row: target(change) }));
      touchedRows = changes.flatMap(({ kind, before, after }) => touched(kind, before, after));
      await this.store(await this.withNextVersions(rows, transaction), transaction);
      const loose = await refuseLooseEnds(rows, this.kinds, this.database.sequelize, transaction);
      if (loose) throw new HttpProblem(409, 'Not undone', loose.message);
      await this.model.update(
        { state: state === 'done' ? 'undone' : 'done' },
        { where: { id: next.id }, transaction },
      );
      return { id: next.id, label: next.label, createdAt: next.createdAt };
    });
    this.tell(touchedRows);
    return summary;
  }

  /** A row put back is a new version of it, so that a page holding an old one is told. */
  private async withNextVersions(rows: readonly KindRow[], transaction: Transaction): Promise<KindRow[]> {
    const updatedAt = new Date().toISOString();
    const current = new Map<string, number>();
    for (const [kind, group] of groupByKind(rows)) {
      for (const batch of batches(group)) {
        const found = (await this.modelOf(kind).findAll({
          attributes: ['id', 'version'],
          where: { id: batch.map((row) => row.id) },
          raw: true,
          transaction,
        })) as unknown as Row[];
        for (const { id, version } of found) current.set(`${kind} ${id}`, version);
      }
    }
    return rows.map(({ kind, row }) => ({
      kind,
      row: { ...row, updatedAt, version: (current.get(`${kind} ${row.id}`) ?? row.version) + 1 },
    }));
  }

  /** Lets the oldest commands go that are one too many, or hold too much together. */
  private async letOldestGo(transaction: Transaction): Promise<void> {
    const kept = await this.database.sequelize.query<{ id: number; bytes: number | null }>(
      'SELECT id, bytes FROM commands INDEXED BY commands_by_bytes ORDER BY id DESC',
      { type: QueryTypes.SELECT, transaction },
    );
    let bytes = 0;
    const last = kept.findIndex((command, i) => {
      bytes += command.bytes ?? 0;
      return i >= COMMANDS_KEPT || (i > 0 && bytes > COMMANDS_BYTES);
    });
    const oldest = kept[last];
    if (oldest) await this.model.destroy({ where: { id: { [Op.lte]: oldest.id } }, transaction });
  }

  /** Rows that were not there: one whose id is taken after all is never written over. */
  private async add(
    rows: readonly KindRow[],
    transaction: Transaction,
    put: (more: number) => void,
  ): Promise<void> {
    const grouped = groupByKind(rows);
    try {
      for (const { name } of this.kinds.all) {
        for (const batch of batches(grouped.get(name) ?? [])) {
          await this.modelOf(name).bulkCreate(columnsOf(batch), { transaction });
          put(batch.length);
        }
      }
    } catch (reason) {
      if (!(reason instanceof UniqueConstraintError)) throw reason;
      throw new HttpProblem(
        409,
        'Taken',
        'Something is stored under this id already, and nothing was changed: give the new one an id of its own.',
      );
    }
  }

  private async store(
    rows: readonly KindRow[],
    transaction: Transaction,
    put: (more: number) => void = () => undefined,
  ): Promise<void> {
    const grouped = groupByKind(rows);
    for (const { name } of this.kinds.all) {
      const model = this.modelOf(name);
      const columns = Object.keys(model.getAttributes());
      for (const batch of batches(grouped.get(name) ?? [])) {
        await model.bulkCreate(columnsOf(batch), { updateOnDuplicate: columns, transaction });
        put(batch.length);
      }
    }
  }

  private modelOf(name: KindName): ModelStatic<Model> {
    return this.kinds.named(name).model(this.database.sequelize);
  }
}

/** What a change touches: the row, and as it was before where it has been given to another tool. */
const touched = (kind: KindName, before: Row | null, after: Row): readonly KindRow[] => [
  ...(before && before['toolId'] !== after['toolId'] ? [{ kind, row: before }] : []),
  { kind, row: after },
];

/** Rows as Sequelize takes them, which may change what it is given. */
const columnsOf = (rows: readonly Row[]): Record<string, unknown>[] => rows.map((row) => ({ ...row }));
