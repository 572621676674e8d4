import type { Transaction } from 'sequelize';
import { settingsSchema } from '@mellow-anvil/contract';
import type { Settings } from '@mellow-anvil/core/workshop';
import { defineKind, type Row } from '../shared/kind.js';
import type { Connection } from '../storage/database.js';

/** The workshop's own settings: a kind with one row. */
export const settings = defineKind<Settings>({
  name: 'settings',
  one: 'setting',
  schema: settingsSchema,
  columns: { name: 'text', units: 'text', decimalMark: 'text', packing: 'json', printer: 'json' },
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
