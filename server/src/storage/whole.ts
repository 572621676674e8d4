import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import { DATABASE_BYTES, MOST, check, type FieldProblem } from '@mellow-anvil/contract';
import type { KindName, Row } from './table.js';
import type { Kinds } from './kinds.js';
import { invalid } from '../platform/problem.js';

/** A row and the kind of thing it is. */
export interface KindRow {
  readonly kind: KindName;
  readonly row: Row;
}

/** Rows or ids in one statement: under SQLite's limit of bound values. */
const AT_ONCE = 400;

/**
 * Whether what a change stored holds together: every live row names rows that are there, and nothing
 * live names one that was removed. Asked within the change's own transaction, so that no entry slips in
 * while what it names is going.
 * @returns what is wrong, in a sentence
 */
export async function refuseLooseEnds(
  rows: readonly KindRow[],
  kinds: Kinds,
  sequelize: Sequelize,
  transaction: Transaction,
): Promise<FieldProblem | undefined> {
  const idsOf = async (sql: string, ids: ReadonlySet<string>): Promise<Set<string>> => {
    const found = new Set<string>();
    for (const batch of batches([...ids])) {
      const places = batch.map((_, i) => `$id${i}`).join();
      const some = await sequelize.query<{ id: string }>(sql.replace('$ids', places), {
        type: QueryTypes.SELECT,
        transaction,
        bind: Object.fromEntries(batch.map((id, i) => [`id${i}`, id])),
      });
      for (const { id } of some) found.add(id);
    }
    return found;
  };
  for (const [name, group] of groupByKind(rows)) {
    for (const { column, to } of kinds.named(name).references ?? []) {
      const named = new Set(group.flatMap((row) => (row.deletedAt === null ? [row[column] as string] : [])));
      const there = await idsOf(`SELECT id FROM "${to}" WHERE "deletedAt" IS NULL AND id IN ($ids)`, named);
      if ([...named].some((id) => !there.has(id))) {
        return {
          field: column,
          message: `This ${kinds.named(to).one} is not here; it may have been removed.`,
        };
      }
    }
    const gone = new Set(group.flatMap((row) => (row.deletedAt === null ? [] : [row.id])));
    for (const { kind, column } of kinds.dependentsOn(name)) {
      const held = await idsOf(
        `SELECT DISTINCT "${column}" AS id FROM "${kind.name}" WHERE "deletedAt" IS NULL AND "${column}" IN ($ids)`,
        gone,
      );
      if (held.size > 0) {
        return {
          field: 'id',
          message: `This ${kinds.named(name).one} is still named elsewhere (${kind.one}).`,
        };
      }
    }
  }
  return undefined;
}

/**
 * Holds what is about to be stored to the rules files are read by, however it came about: sent, drawn up
 * from a table, or made of a run.
 * @throws HttpProblem 422
 */
export function refuseInvalid(rows: readonly KindRow[], kinds: Kinds): void {
  for (const { kind, row } of rows) {
    if (row.deletedAt !== null) continue;
    const { schema, fromRow } = kinds.named(kind);
    const result = check(schema, fromRow(row));
    if (!result.ok) throw invalid(result.errors);
  }
}

/** @throws HttpProblem 422 when a workshop would hold more than its files do */
export async function refuseTooMany(
  kinds: ReadonlySet<KindName>,
  sequelize: Sequelize,
  transaction: Transaction,
): Promise<void> {
  for (const name of kinds) {
    if (name === 'settings') continue;
    const [found] = await sequelize.query<{ count: number; bytes: number }>(
      // Counted only where there ever were so many: a count looks at every row.
      `SELECT page_count * page_size AS bytes,
         CASE WHEN (SELECT max(rowid) FROM "${name}") > $most
           THEN (SELECT count(*) FROM "${name}" WHERE "deletedAt" IS NULL) ELSE 0 END AS count
         FROM pragma_page_count(), pragma_page_size()`,
      { type: QueryTypes.SELECT, transaction, bind: { most: MOST[name] } },
    );
    const { count = 0, bytes = 0 } = found ?? {};
    if (count > MOST[name]) {
      const most = MOST[name].toLocaleString('en-GB');
      throw invalid([
        { field: '', message: `A workshop holds ${most} of these at most: remove one, then add this.` },
      ]);
    }
    if (bytes > DATABASE_BYTES) {
      throw invalid([
        {
          field: '',
          message:
            'The workshop’s file has grown to 256 MB, the most it may hold: save it under Settings, and remove what you no longer need.',
        },
      ]);
    }
  }
}

/** Rows by their kind, in their order. */
export function groupByKind(rows: readonly KindRow[]): Map<KindName, Row[]> {
  const groups = new Map<KindName, Row[]>();
  for (const { kind, row } of rows) {
    const group = groups.get(kind);
    if (group) group.push(row);
    else groups.set(kind, [row]);
  }
  return groups;
}

/** A long list in pieces that one statement can carry. */
export function* batches<T>(items: readonly T[]): Iterable<T[]> {
  for (let i = 0; i < items.length; i += AT_ONCE) yield items.slice(i, i + AT_ONCE);
}
