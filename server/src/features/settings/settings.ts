import type { Transaction } from 'sequelize';
import { settingsSchema } from '@mellow-anvil/contract';
import { DEFAULT_SETTINGS, type Settings } from '@mellow-anvil/core/workshop';
import { defineKind } from '../../storage/kind.js';
import { defineTable, type Row } from '../../storage/table.js';
import type { Connection } from '../../storage/database.js';
import { HttpProblem } from '../../platform/problem.js';
import type { Store } from '../../storage/store.js';

/** The workshop's own settings: a kind with one row. */
export const settings = defineKind<Settings>({
  ...defineTable<Settings>({
    name: 'settings',
    columns: {
      name: 'text',
      units: 'text',
      decimalMark: 'text',
      packing: 'json',
      printer: 'json',
      lateCosts: 'real',
    },
  }),
  one: 'setting',
  schema: settingsSchema,
  sorts: ['name'],
  searches: ['name'],
});

export const SETTINGS_ID = 'workshop';

/** The one row as it is within a transaction, removed or not. */
export async function settingsRow({ sequelize }: Connection, transaction: Transaction): Promise<Row | null> {
  return (await settings
    .model(sequelize)
    .findOne({ where: { id: SETTINGS_ID }, raw: true, transaction })) as Row | null;
}

/** Settings as read: the defaults, at version 0, until something was chosen. */
export async function readSettings(store: Store<Settings>): Promise<Settings & { version: number }> {
  try {
    return await store.read(SETTINGS_ID);
  } catch (reason) {
    if (reason instanceof HttpProblem && reason.status === 404) return { ...DEFAULT_SETTINGS, version: 0 };
    throw reason;
  }
}
