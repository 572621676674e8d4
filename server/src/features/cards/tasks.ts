import type { Paper } from '@mellow-anvil/contract';
import type { Edge } from '@mellow-anvil/core/blade';
import type { ToolCard } from '@mellow-anvil/core/guide';
import type { PrinterBars, Settings } from '@mellow-anvil/core/workshop';
import { defineTask } from '../../platform/task.js';

interface CardAsked {
  readonly card: ToolCard;
  readonly edge: Edge;
  readonly address: string;
  readonly figures: Pick<Settings, 'units' | 'decimalMark'>;
  readonly paper: Paper;
  readonly printer: PrinterBars;
}

/** A tool's card as a PDF. */
export const drawCardTask = defineTask<CardAsked, Uint8Array>('short', 'drawCard');
