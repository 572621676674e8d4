import type { Condition } from '../blade/dulling.js';
import type { CamberRequest } from './camber-work.js';
import { USUAL_PUSH_N, type Way } from '../work/pace.js';
import type { Along } from './along.js';
import type { School } from './schools.js';

/** The wheel a plan is to begin on. */
export interface GrindRequest {
  readonly wheelId: string;
  /** The land left standing. */
  readonly stopShortMm: number;
  readonly pushN: number;
}

/** An old back as it lies before one, and how it is to be saved. */
export interface OldBackRequest {
  /** The deepest pit in what is polished, mm: on the rims where it is hollowed, anywhere where it is flattened whole. */
  readonly pitsMm: number;
  /** The wheel it is hollowed on; flattened whole, or hollowed already, without one. */
  readonly wheelId?: string;
}

/** What the person asks of a plan. */
export interface PlanRequest {
  readonly condition: Condition;
  /** Land as measured now; the tool's own figure, else an assumed one, where absent. */
  readonly landMm?: number | undefined;
  readonly finishUm: number;
  readonly forceN: number;
  readonly strokesPerMin: number;
  readonly minStrokes?: number;
  readonly maxRatio?: number | undefined;
  /** Most strokes on one stone; raised as far as it must be for some plan to keep to it. */
  readonly mostStrokes?: number;
  /** Least time unless said. */
  readonly school?: School;
  /** The stones of an exact order, coarse to fine. */
  readonly order?: readonly string[];
  /** Lighter as it gets finer. */
  readonly lighter?: boolean;
  /** Pulled unless said. */
  readonly way?: Way;
  /** Strokes every knife of a set gets on every abrasive; as reckoned unless said. */
  readonly strokesEach?: number | undefined;
  /** How strokes are laid along an edge longer than its stone is wide; in parts unless said. */
  readonly along?: Along | undefined;
  /** Only what stands in this set. */
  readonly set?: string | undefined;
  /** Stropped only; honed unless said. */
  readonly stropOnly?: boolean;
  /** Finish on the strop; where there is one, unless said. */
  readonly strop?: boolean;
  /** A flat ground knife’s body is honed too, by as much as it grew thicker behind its edge. */
  readonly thinBody?: boolean;
  /** A few strokes pulled on the finest stone, as on a strop, once the burr is off. */
  readonly stropOnStone?: boolean;
  /** The curve of the edge, where it is to be made or kept. */
  readonly camber?: CamberRequest | undefined;
  /** A wheel to grind the primary on first. */
  readonly grind?: GrindRequest | undefined;
  /** An old back to be saved first. */
  readonly oldBack?: OldBackRequest | undefined;
  /** Abrasives laid aside for this plan. */
  readonly laidAside: readonly string[];
}

/**
 * Starting figures for a plan: about 20 N on the blade and 40 strokes a minute (estimates, the
 * user's to change); jumps up to 10 times in grain let 1000 be followed by 8000 (common practice); past
 * some 60 strokes people take a coarser stone (estimate).
 */
export const PLAN_DEFAULTS = {
  forceN: USUAL_PUSH_N,
  strokesPerMin: 40,
  minStrokes: 4,
  maxRatio: 10,
  mostStrokes: 60,
} as const;
