import { settingsSchema } from '@mellow-anvil/contract';
import type { Settings } from '@mellow-anvil/core';
import { defineKind } from '../shared/kind.js';

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
