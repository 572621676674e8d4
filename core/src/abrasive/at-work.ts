import type { Abrasive, OwnedAbrasive } from './abrasive.js';
import type { StoneCare } from './care.js';
import type { LearnedRate } from './learned-rate.js';
import { inOrder } from './placing.js';
import { estimatedRemovalMm3PerNm } from './removal.js';

/** What the record says of one abrasive: how it stands, and how fast it cuts. */
export interface StoneRecord {
  readonly care: StoneCare;
  readonly rate: LearnedRate;
  /** Its latest readings against those before, where it has become slower. */
  readonly slowedTo?: number;
}

/** By abrasive id. */
export type StonesRecord = Readonly<Record<string, StoneRecord>>;

/** An abrasive with the grain it counts as and the rate it cuts at by all that is known. */
export type StoneAtWork = OwnedAbrasive & {
  readonly sizeUm: number;
  readonly removalMm3PerNm: number;
};

/** The rate assumed of an abrasive before any reading: its owner's figure, else the estimate, mm³ per N·m. */
export const assumedRate = (abrasive: Abrasive, sizeUm: number): number =>
  abrasive.removalMm3PerNm ?? estimatedRemovalMm3PerNm(sizeUm, abrasive.kind);

/** The bench as it works: places, and rates with what the readings taught; coarse to fine. */
export function stonesAtWork(
  bench: readonly OwnedAbrasive[],
  record: StonesRecord = {},
): readonly StoneAtWork[] {
  return inOrder(bench).map((abrasive) => ({
    ...abrasive,
    removalMm3PerNm: assumedRate(abrasive, abrasive.sizeUm) * (record[abrasive.id]?.rate.factor ?? 1),
  }));
}
