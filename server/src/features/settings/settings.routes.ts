import { ROUTES } from '@mellow-anvil/contract';
import type { Settings } from '@mellow-anvil/core/workshop';
import { HttpProblem } from '../../platform/problem.js';
import { changedRow, newRow, type Store } from '../../storage/store.js';
import type { Commands } from '../../storage/commands.js';
import { SETTINGS_ID, readSettings, settings, settingsRow } from './settings.js';
import { type Served, serving } from '../../platform/serve.js';

/** `GET` and `PUT /api/settings`. */
export const settingsRoutes = (store: Store<Settings>, commands: Commands): readonly Served[] => [
  serving(ROUTES.settings, () => readSettings(store)),
  serving(ROUTES.changeSettings, async ({ body: wanted }) => {
    if (wanted.version > 0) return store.change(SETTINGS_ID, wanted);
    const { version: _, ...value } = wanted;
    await commands.perform('Choose settings', async (transaction) => {
      const before = await settingsRow(commands.database, transaction);
      if (before?.deletedAt === null) throw chosenMeanwhile(before.version);
      const after = before ? changedRow(settings, before, value) : newRow(settings, value, SETTINGS_ID);
      return [{ kind: settings.name, before, after }];
    });
    return store.read(SETTINGS_ID);
  }),
];

const chosenMeanwhile = (version: number): HttpProblem =>
  new HttpProblem(
    409,
    'Changed meanwhile',
    `Settings were chosen elsewhere since you opened them (version ${version}, yours were the defaults). Load them again, then change them.`,
  );
