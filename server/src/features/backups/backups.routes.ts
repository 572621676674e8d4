import { ROUTES } from '@mellow-anvil/contract';
import { serving, type Served } from '../../platform/serve.js';
import type { BackupsService } from '../../storage/backups.js';

/** The backups there are, one more now, one put back, and the other ways out of a damaged file. */
export const backupsRoutes = (backups: BackupsService): readonly Served[] => [
  serving(ROUTES.backups, () => backups.list()),
  serving(ROUTES.makeBackup, () => backups.make()),
  serving(ROUTES.restore, ({ body: { name } }) => backups.restore(name)),
  serving(ROUTES.openAsItIs, async () => {
    await backups.openAsItIs();
  }),
  serving(ROUTES.beginAnew, () => backups.beginAnew()),
];
