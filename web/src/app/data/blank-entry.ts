import { familyFacts, type Tool } from '@mellow-anvil/core/blade';
import type { SessionSetting } from '@mellow-anvil/core/guide';
import type { Session, SessionKind } from '@mellow-anvil/core/record';
import type { Stored } from '@mellow-anvil/contract';

/** An entry of a kind to be filled in, begun from what is known. */
export function blankEntry(
  tool: Stored<Tool>,
  kind: SessionKind,
  now: Date,
  lastSetting: SessionSetting | undefined,
): Session {
  const begun = { toolId: tool.id, kind, startedAt: now.toISOString() };
  switch (kind) {
    case 'use':
      return { ...begun, use: { [familyFacts(tool.family).usedIn]: undefined, stillCutting: true } };
    case 'honing': {
      if (!lastSetting) return { ...begun, conditionBefore: { kind: 'dull' }, steps: [] };
      const { angleDeg, rightDeg, guideId, seatName, projectionMm, stop } = lastSetting;
      // When it was set is the record's own word for the last one.
      const setting = {
        angleDeg,
        ...(rightDeg !== undefined && { rightDeg }),
        ...(guideId !== undefined && { guideId }),
        ...(seatName !== undefined && { seatName }),
        ...(projectionMm !== undefined && { projectionMm }),
        ...(stop && { stop }),
      };
      return { ...begun, conditionBefore: { kind: 'dull' }, setting, steps: [] };
    }
    case 'stropping':
    case 'grinding':
      return { ...begun, steps: [] };
    case 'measuring':
      return begun;
  }
}

/** A thing without its empty fields, all the way down: an empty field is left out, not sent as nothing. */
export function filled<T>(thing: T): T {
  if (Array.isArray(thing)) return thing.map(filled) as T;
  if (thing === null || typeof thing !== 'object') return thing;
  const kept = Object.entries(thing)
    .map(([name, value]): [string, unknown] => [name, filled(value)])
    .filter(([, value]) => value !== undefined && value !== '' && !isEmpty(value));
  return Object.fromEntries(kept) as T;
}

const isEmpty = (value: unknown): boolean =>
  typeof value === 'object' && value !== null && !Array.isArray(value) && Object.keys(value).length === 0;

/** An instant as a local date and time field wants it, and back. */
export const toLocal = (instant: string): string => {
  const date = new Date(instant);
  return new Date(date.getTime() - date.getTimezoneOffset() * 60_000).toISOString().slice(0, 16);
};
export const fromLocal = (local: string): string =>
  Number.isNaN(Date.parse(local)) ? local : new Date(local).toISOString();
