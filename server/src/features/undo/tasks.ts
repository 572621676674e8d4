import type { CommandSummary } from '@mellow-anvil/contract';
import { defineTask } from '../../platform/task.js';
import type { Attached } from '../../storage/attach.js';

/** Undoes or redoes a change that holds much. */
export const turnCommandTask = defineTask<
  Attached & { readonly way: 'undo' | 'redo'; readonly id: number },
  CommandSummary
>('long', 'turnCommand');
