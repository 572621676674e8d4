import type { StonesRecord, StoneRecord } from '../abrasive/at-work.js';
import { stoneCare, type Care, type StoneUse } from '../abrasive/care.js';
import { type LearnedRate, slowing } from '../abrasive/learned-rate.js';
import { rateFromReadings } from '../abrasive/rate-from-readings.js';
import { edgeLengthMm } from '../blade/edge.js';
import type { Session } from './session.js';
import type { Tool } from '../blade/tool.js';
import type { SizedAbrasive } from '../abrasive/placing.js';
import type { RateReading } from './rate-readings.js';
import { strokeOf } from './step-work.js';

/** A use of a stone, with the stone it was. */
export interface UseOfStone extends StoneUse {
  readonly abrasiveId: string;
}

/** What a tool's entries did on each stone. */
export function usesOfStones(
  tool: Tool,
  sessions: readonly Session[],
  bench: ReadonlyMap<string, Pick<SizedAbrasive, 'strokeMm' | 'forceN'>>,
): readonly UseOfStone[] {
  const edgeMm = edgeLengthMm(tool.edge);
  const uses: UseOfStone[] = [];
  for (const { startedAt: at, steps } of sessions) {
    for (const step of steps ?? []) {
      const { abrasiveId, strokes, minutes } = step;
      const stone = bench.get(abrasiveId);
      if (stone) uses.push({ abrasiveId, at, strokes, minutes, edgeMm, ...strokeOf(step, stone) });
    }
  }
  return uses;
}

/**
 * How every abrasive stands: its care from what was done on it and for it, its rate from the readings its
 * owner has not had forgotten.
 * @param rateOf what readings come to: who asks again and again may keep it
 */
export function stonesRecord(
  bench: readonly SizedAbrasive[],
  uses: readonly UseOfStone[],
  cares: readonly Care[],
  readings: readonly RateReading[],
  rateOf: (readings: readonly RateReading[]) => LearnedRate = rateFromReadings,
): StonesRecord {
  const usesOf = byStone(uses);
  const caresOf = byStone(cares);
  const readingsOf = byStone(readings);
  return Object.fromEntries(
    bench.map((stone): [string, StoneRecord] => {
      const cared = inOrderOfTime(caresOf.get(stone.id) ?? []);
      const kept = readingsNow(stone, readingsOf.get(stone.id) ?? []);
      const care = stoneCare(stone, stone.sizeUm, usesOf.get(stone.id) ?? [], cared);
      const slowedTo = slowing(sinceCare(kept, care.lastAt).flatMap(ratioOf));
      return [
        stone.id,
        {
          care,
          rate: rateOf(kept),
          ...(slowedTo !== undefined && { slowedTo }),
        },
      ];
    }),
  );
}

/** The readings of a stone that count, in order of time. */
export const readingsNow = (
  { learnFrom = '' }: Pick<SizedAbrasive, 'learnFrom'>,
  readings: readonly RateReading[],
): readonly RateReading[] =>
  readings.filter(({ at }) => at >= learnFrom).sort((a, b) => (a.at < b.at ? -1 : 1));

/** What a reading comes to; nothing where its burr stood at the first look: that says only so much at least. */
function ratioOf({ ratio, looked }: RateReading): readonly number[] {
  if (!looked) return [ratio];
  return looked.upTo === undefined ? [] : [Math.sqrt(ratio * looked.upTo)];
}

/** Once a stone was cared for, its readings from before still count as what it was, but the slow ones are answered. */
function sinceCare(readings: readonly RateReading[], lastAt: string | undefined): readonly RateReading[] {
  const latest = readings.slice(-3);
  return lastAt !== undefined && latest.some(({ at }) => at <= lastAt) ? [] : readings;
}

const inOrderOfTime = <T extends { readonly at: string }>(list: readonly T[]): readonly T[] =>
  [...list].sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0));

function byStone<T extends { readonly abrasiveId: string }>(list: readonly T[]): ReadonlyMap<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const one of list) {
    const group = groups.get(one.abrasiveId);
    if (group) group.push(one);
    else groups.set(one.abrasiveId, [one]);
  }
  return groups;
}
