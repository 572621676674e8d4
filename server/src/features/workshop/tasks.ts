import type { Opened } from '@mellow-anvil/contract';
import { defineTask } from '../../platform/task.js';
import type { Attached } from '../../storage/attach.js';

/** Writes the whole workshop into a file; answers what the workshop is called. */
export const exportWorkshopTask = defineTask<{ readonly database: string; readonly to: string }, string>(
  'long',
  'exportWorkshop',
);

/** Puts a workshop file in place of everything stored. */
export const importWorkshopTask = defineTask<Attached & { readonly from: string }, Opened>(
  'long',
  'importWorkshop',
);
