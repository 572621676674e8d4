import { TIP_RADIUS_UM } from '../blade/dulling.js';
import type { Edge } from '../blade/edge.js';
import { sharpnessUm, withTip, type EdgeAtWork } from './edge-at-work.js';

/** What an edge went through in wood. */
export interface Wood {
  readonly minutes?: number;
  readonly metresPlaned?: number;
  readonly mortises?: number;
  readonly stillCutting?: boolean;
  /** Depth of the deepest chip, mm. */
  readonly chipMm?: number;
}

/**
 * How much a minute, a metre and a mortise round a tip, µm (estimates: a dull edge of 4 µm after an hour and a
 * half of cutting, two hundred metres, a dozen mortises); woods and steels differ by several times.
 */
const ROUNDED_UM = { minutes: 0.045, metresPlaned: 0.02, mortises: 0.33 } as const;
/** What a strop leaves of that (estimate). */
const LEFT_BY_STROP = 0.5;

/** The edge after some use: its tip rounder, as dull as was said of it, and chipped where it was. */
export function worn(edge: Edge, state: EdgeAtWork, wood: Wood): EdgeAtWork {
  const { minutes = 0, metresPlaned = 0, mortises = 0, stillCutting, chipMm = 0 } = wood;
  const more =
    // Whoever noted metres or mortises noted the minutes of the same work.
    metresPlaned > 0 || mortises > 0
      ? ROUNDED_UM.metresPlaned * metresPlaned + ROUNDED_UM.mortises * mortises
      : ROUNDED_UM.minutes * minutes;
  const tipUm = sharpnessUm(edge, state) + more;
  const told = stillCutting === false ? Math.max(tipUm, TIP_RADIUS_UM.dull) : tipUm;
  return { ...withTip(state, told), nickMm: Math.max(state.nickMm, chipMm) };
}

/** The edge after a strop: some of its roundness gone, down to what the marks of its faces leave. */
export function stropped(edge: Edge, state: EdgeAtWork): EdgeAtWork {
  const least = sharpnessUm(edge, withTip({ ...state, nickMm: 0 }, 0));
  return withTip(state, Math.max(least, LEFT_BY_STROP * sharpnessUm(edge, state)));
}
