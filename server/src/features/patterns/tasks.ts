import type { Paper, PatternForm } from '@mellow-anvil/contract';
import type { Pattern } from '@mellow-anvil/core/pattern';
import type { PrinterBars } from '@mellow-anvil/core/workshop';
import { defineTask } from '../../platform/task.js';

interface DrawingAsked {
  readonly pattern: Pattern;
  readonly form: PatternForm;
  readonly paper: Paper;
  readonly printer: PrinterBars;
}

/** A pattern as the content of a file; nothing for paper that has no thickness. */
export const drawPatternTask = defineTask<DrawingAsked, Uint8Array | string | undefined>(
  'short',
  'drawPattern',
);
