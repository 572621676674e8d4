import { edgeKeep } from '../blade/edge-keep.js';
import { SAME_SETTING_DEG } from '../blade/setting-shift.js';
import { honedAtDeg } from '../guide/facet-settings.js';
import type { Tool } from '../blade/tool.js';
import type { HistoryEntry } from './edge-state.js';

/** An edge that was honed steeper and steeper than it is meant to be. */
export interface Creep {
  /** The steepest angle the tool is meant to have, and the one it was last honed at. */
  readonly setDeg: number;
  readonly nowDeg: number;
  /** How often it was set steeper than ever since its primary was last ground: bevel upon bevel. */
  readonly steps: number;
  /** ISO 8601 instant of the first of them. */
  readonly since: string;
  /** Of the useful wear the edge as meant would have. */
  readonly keepRatio: number;
}

/**
 * How far a flat-backed edge has crept: its honings since it was last ground, each set steeper than any before.
 * @returns undefined while it stands where it is meant to
 */
export function creepOf(tool: Tool, history: readonly HistoryEntry[]): Creep | undefined {
  if (tool.edge.form !== 'single-bevel') return undefined;
  const { secondaryDeg, microDeg } = tool.edge;
  // A micro-bevel is meant to be steeper; what lies between it and the secondary is neither.
  const setDeg = secondaryDeg ?? honedAtDeg(tool.edge);
  const isMicro = (deg: number): boolean =>
    microDeg !== undefined && Math.abs(deg - microDeg) < SAME_SETTING_DEG;
  const ground = history.findLastIndex(({ session }) => session.kind === 'grinding');
  const honings = history
    .slice(ground + 1)
    .filter(({ session }) => session.kind === 'honing' && session.setting !== undefined)
    .map(({ session }) => ({ at: session.startedAt, deg: session.setting?.angleDeg ?? setDeg }));
  let highest = setDeg;
  const rises = honings.filter(({ deg }) => {
    if (deg < highest + SAME_SETTING_DEG || isMicro(deg)) return false;
    highest = deg;
    return true;
  });
  const [first] = rises;
  const nowDeg = honings.findLast(({ deg }) => !isMicro(deg))?.deg ?? setDeg;
  if (!first || nowDeg < setDeg + SAME_SETTING_DEG) return undefined;
  const keepRatio = edgeKeep({ angleDeg: nowDeg, referenceDeg: setDeg }).ratio;
  return { setDeg, nowDeg, steps: rises.length, since: first.at, keepRatio };
}
