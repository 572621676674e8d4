import { Router } from 'express';
import { changeSchema, settingsSchema, type Stored } from '@mellow-anvil/contract';
import { DEFAULT_SETTINGS, type Settings } from '@mellow-anvil/core/workshop';
import { HttpProblem } from '../shared/problem.js';
import { checked } from '../shared/resource.routes.js';
import { changedRow, newRow, type Store } from '../shared/store.js';
import type { Database } from '../storage/database.js';
import type { Commands } from '../undo/commands.js';
import { SETTINGS_ID, settings, settingsRow } from './settings.js';

/** Settings as read: the defaults, at version 0, until something was chosen. */
export async function readSettings(store: Store<Settings>): Promise<Settings & { version: number }> {
  try {
    return await store.read(SETTINGS_ID);
  } catch (reason) {
    if (reason instanceof HttpProblem && reason.status === 404) return { ...DEFAULT_SETTINGS, version: 0 };
    throw reason;
  }
}

const change = changeSchema(settingsSchema, 0);

/** `GET` and `PUT /api/settings`. */
export function settingsRoutes(store: Store<Settings>, database: Database, commands: Commands): Router {
  return Router()
    .get('/', async (_request, response) => {
      response.json(await readSettings(store));
    })
    .put('/', async (request, response) => {
      const wanted = checked(change, request.body);
      if (wanted.version > 0) {
        response.json(await store.change(SETTINGS_ID, wanted));
        return;
      }
      const { version: _, ...value } = wanted;
      await commands.perform('Choose settings', async (transaction) => {
        const before = await settingsRow(database, transaction);
        if (before?.deletedAt === null) throw chosenMeanwhile(before.version);
        const after = before ? changedRow(settings, before, value) : newRow(settings, value, SETTINGS_ID);
        return [{ kind: settings.name, before, after }];
      });
      response.json((await store.read(SETTINGS_ID)) as Stored<Settings>);
    });
}

const chosenMeanwhile = (version: number): HttpProblem =>
  new HttpProblem(
    409,
    'Changed meanwhile',
    `Settings were chosen elsewhere since you opened them (version ${version}, yours were the defaults). Load them again, then change them.`,
  );
