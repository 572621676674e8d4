import { learnedRate } from '../abrasive/learned-rate.js';
import { cornerBackMm } from '../camber/camber-jobs.js';
import type { CamberRead } from '../camber/camber-read.js';
import type { Tool } from '../blade/tool.js';
import type { EdgeCurve } from '../work/placed.js';
import { weighed } from './weighed.js';

/** How an edge is curved, reckoned from its record. */
export interface CamberState {
  readonly camberMm: number;
  readonly leanMm: number;
  /** It lies this much to either side (95 %). */
  readonly pmMm: number;
  /** As entered with the tool, as last read, or as reckoned from strokes by place since. */
  readonly from: 'entered' | 'read' | 'made';
  /** When it was last read or made. */
  readonly at?: string;
  readonly readings: number;
  /** How many times as fast strokes by place worked as reckoned, and from how many readings. */
  readonly factor: number;
  readonly ratios: readonly number[];
  /** Reckoned change since the last reading, at the assumed rates. */
  readonly since: { readonly camberMm: number; readonly leanMm: number };
  /** The last reading, which the next one is held against. */
  readonly lastReadMm?: number;
  /** What the last reading contradicts: the curve reckoned until then, and its ±. */
  readonly against?: { readonly camberMm: number; readonly pmMm: number };
}

/** A curve nobody read may be off by as much as this, mm, or this share of it (estimates). */
const UNREAD_PM = { mm: 0.03, share: 0.5 } as const;
/** Strokes by place do what is reckoned to within this share (95 %), until readings have taught it (estimate). */
const MADE_SHARE = 0.8;
/** A honing changes a curve of itself, where it minds the places too, by so much of it either way, and so many mm at least (95 %, estimates). */
const HONED_PM = { mm: 0.004, share: 0.12 } as const;
/** A change has to be this many times its reading's ± before it teaches anything. */
const TELLING = 1;
const LIKELY_RATIO = { least: 0.15, most: 6 } as const;

/** The curve before anything in the record: what the iron had when its curve was designed, else as it was entered. */
export function camberAtFirst(tool: Tool): CamberState | undefined {
  const { edge, camber } = tool;
  if (edge.form !== 'single-bevel') return undefined;
  const camberMm = camber?.hadMm ?? cornerBackMm(edge.front, edge.widthMm);
  return {
    camberMm,
    leanMm: 0,
    pmMm: Math.max(UNREAD_PM.mm, UNREAD_PM.share * camberMm),
    from: 'entered',
    readings: 0,
    factor: 1,
    ratios: [],
    since: { camberMm: 0, leanMm: 0 },
  };
}

/**
 * The curve after a reading: the reading and what was reckoned, each by how sure it is; a reading that contradicts what
 * was reckoned stands alone, and what it contradicts is told. Where strokes by place lie between two readings, what
 * they did against what was reckoned teaches the next plan.
 */
export function afterReading(before: CamberState, read: CamberRead, at: string): CamberState {
  const { against: _told, ...state } = before;
  const known = {
    readings: state.readings + 1,
    at,
    from: 'read',
    since: { camberMm: 0, leanMm: 0 },
  } as const;
  if (read.atMost) {
    // A bound moves only what lies past it.
    const camberMm = Math.min(state.camberMm, read.camberMm);
    return {
      ...state,
      ...known,
      camberMm,
      pmMm: Math.max(state.pmMm, read.camberMm / 2),
      lastReadMm: camberMm,
    };
  }
  const ratios = [...state.ratios, ...ratioOf(state, read)];
  const reading = { value: read.camberMm, pm: read.pmMm };
  const {
    value: camberMm,
    pm: pmMm,
    against,
  }: ReturnType<typeof weighed> = state.from === 'entered'
    ? reading
    : weighed({ value: state.camberMm, pm: state.pmMm }, reading);
  return {
    ...state,
    ...known,
    camberMm,
    leanMm: read.leanMm ?? state.leanMm,
    pmMm,
    ratios,
    factor: learnedRate(ratios).factor,
    lastReadMm: camberMm,
    ...(against && { against: { camberMm: against.value, pmMm: against.pm } }),
  };
}

/** The curve after a honing, whatever its strokes by place were reckoned to do: as it was, for all one knows, and known the less. */
export const afterHoned = (state: CamberState): CamberState => ({
  ...state,
  pmMm: Math.hypot(state.pmMm, Math.max(HONED_PM.mm, HONED_PM.share * Math.abs(state.camberMm))),
});

/** The curve after strokes by place, from how work on the edge was reckoned to leave it. */
export function afterMade(state: CamberState, reckoned: EdgeCurve, at: string): CamberState {
  const { since, factor } = state;
  const camberMm = reckoned.camberMm - state.camberMm;
  const leanMm = reckoned.leanMm - state.leanMm;
  return {
    ...state,
    camberMm: state.camberMm + factor * camberMm,
    leanMm: state.leanMm + factor * leanMm,
    pmMm: Math.hypot(state.pmMm, (MADE_SHARE * factor * camberMm) / Math.sqrt(1 + state.ratios.length)),
    from: 'made',
    at,
    since: { camberMm: since.camberMm + camberMm, leanMm: since.leanMm + leanMm },
  };
}

function ratioOf(state: CamberState, read: CamberRead): readonly number[] {
  const { since, lastReadMm } = state;
  if (lastReadMm === undefined || Math.abs(since.camberMm) < TELLING * read.pmMm) return [];
  const ratio = (read.camberMm - lastReadMm) / since.camberMm;
  return ratio > LIKELY_RATIO.least && ratio < LIKELY_RATIO.most ? [ratio] : [];
}
