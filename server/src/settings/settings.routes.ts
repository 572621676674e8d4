import { Router } from 'express';
import { changeSchema, settingsSchema, type Stored } from '@mellow-anvil/contract';
import { DEFAULT_SETTINGS, type Settings } from '@mellow-anvil/core';
import { HttpProblem } from '../shared/problem.js';
import { checked } from '../shared/resource.routes.js';
import { newRow, type Store } from '../shared/store.js';
import type { Commands } from '../undo/commands.js';
import { SETTINGS_ID, settings } from './settings.js';

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
export function settingsRoutes(store: Store<Settings>, commands: Commands): Router {
  return Router()
    .get('/', async (_request, response) => {
      response.json(await readSettings(store));
    })
    .put('/', async (request, response) => {
      const wanted = checked(change, request.body);
      const { version: current } = await readSettings(store);
      if (current > 0) {
        response.json(await store.change(SETTINGS_ID, wanted));
        return;
      }
      const { version: _, ...value } = wanted;
      await commands.perform('Choose settings', async () => [
        { kind: settings.name, before: null, after: newRow(settings, value, SETTINGS_ID) },
      ]);
      response.json((await store.read(SETTINGS_ID)) as Stored<Settings>);
    });
}
