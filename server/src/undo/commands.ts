import { DataTypes, Op, type Model, type ModelStatic, type Transaction } from 'sequelize';
import { HttpProblem } from '../shared/problem.js';
import type { Database } from '../shared/database.js';
import { KINDS, kindNamed } from '../shared/kinds.js';
import type { KindName, Row } from '../shared/kind.js';

/** One row before and after a command; `null` before means it was not there. */
export interface RowChange {
  readonly kind: KindName;
  readonly before: Row | null;
  readonly after: Row;
}

/** A row and the kind of thing it is. */
export interface KindRow {
  readonly kind: KindName;
  readonly row: Row;
}

/** A change people can take back, as the page lists it. */
export interface CommandSummary {
  readonly id: number;
  readonly label: string;
  readonly createdAt: string;
}

/** How many commands stay undoable. */
export const COMMANDS_KEPT = 200;

interface CommandRow extends CommandSummary {
  readonly state: 'done' | 'undone';
  readonly changes: string;
}

/** Rows in one INSERT: under SQLite's limit of bound values. */
const ROWS_AT_ONCE = 400;

/**
 * Every change of stored data goes through here as a command: written with the rows it changed, in
 * the same transaction, so that it can be undone and redone in order.
 */
export class Commands {
  private readonly model: ModelStatic<Model>;
  private readonly listeners: ((rows: readonly KindRow[]) => void)[] = [];

  constructor(private readonly database: Database) {
    const { sequelize } = database;
    for (const kind of KINDS) kind.model(sequelize);
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
        },
        { tableName: 'commands', timestamps: false },
      );
  }

  /** Works out changes, stores them and the command, all or none. */
  async perform(
    label: string,
    work: (transaction: Transaction) => Promise<readonly RowChange[]>,
  ): Promise<readonly RowChange[]> {
    const changes = await this.database.write(async (transaction) => {
      const wanted = await work(transaction);
      await this.record(label, wanted, transaction);
      return wanted;
    });
    this.tell(changes.map(({ kind, after }) => ({ kind, row: after })));
    return changes;
  }

  /**
   * Stores changes and the command they make within a transaction of the caller's, who
   * {@link tell}s once it is through.
   */
  async record(label: string, changes: readonly RowChange[], transaction: Transaction): Promise<void> {
    if (changes.length === 0) return;
    await this.store(
      changes.map(({ kind, after }) => ({ kind, row: after })),
      transaction,
    );
    await this.model.destroy({ where: { state: 'undone' }, transaction });
    const command = await this.model.create(
      { label, createdAt: new Date().toISOString(), state: 'done', changes: JSON.stringify(changes) },
      { transaction },
    );
    const oldest = (command.get('id') as number) - COMMANDS_KEPT;
    await this.model.destroy({ where: { id: { [Op.lte]: oldest } }, transaction });
  }

  /** Has a listener told of every row that was stored, once its transaction is through. */
  onStored(listener: (rows: readonly KindRow[]) => void): void {
    this.listeners.push(listener);
  }

  /** Tells the listeners what was stored. */
  tell(rows: readonly KindRow[]): void {
    for (const listener of this.listeners) listener(rows);
  }

  /** What can be undone and redone, the next one first. */
  async list(): Promise<{ undo: CommandSummary[]; redo: CommandSummary[] }> {
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
    };
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
    let rows: readonly KindRow[] = [];
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
      rows = changes.map((change) => ({ kind: change.kind, row: target(change) }));
      await this.store(await this.withNextVersions(rows, transaction), transaction);
      await this.model.update(
        { state: state === 'done' ? 'undone' : 'done' },
        { where: { id: next.id }, transaction },
      );
      return { id: next.id, label: next.label, createdAt: next.createdAt };
    });
    this.tell(rows);
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

  private async store(rows: readonly KindRow[], transaction: Transaction): Promise<void> {
    const grouped = groupByKind(rows);
    for (const { name } of KINDS) {
      const model = this.modelOf(name);
      const columns = Object.keys(model.getAttributes());
      for (const batch of batches(grouped.get(name) ?? [])) {
        await model.bulkCreate(batch as never, { updateOnDuplicate: columns, transaction });
      }
    }
  }

  private modelOf(name: KindName): ModelStatic<Model> {
    return kindNamed(name).model(this.database.sequelize);
  }
}

function groupByKind(rows: readonly KindRow[]): Map<KindName, Row[]> {
  const groups = new Map<KindName, Row[]>();
  for (const { kind, row } of rows) {
    const group = groups.get(kind);
    if (group) group.push(row);
    else groups.set(kind, [row]);
  }
  return groups;
}

function* batches<T>(items: readonly T[]): Iterable<T[]> {
  for (let i = 0; i < items.length; i += ROWS_AT_ONCE) yield items.slice(i, i + ROWS_AT_ONCE);
}
