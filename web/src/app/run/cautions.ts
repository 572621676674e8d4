import { Injectable } from '@angular/core';
import type { StationKind } from '@mellow-anvil/core/plan';

interface Caution {
  /** Plainly, the first time on this device. */
  readonly plain: string;
  /** Afterwards. */
  readonly brief: string;
}

/** At anything that turns. */
const WHEEL: Caution = {
  plain:
    'Cover your eyes. Guards and rest gap as the maker says, a sound wheel, no loose sleeves, no gloves near it. Steel too hot to hold is steel being spoiled.',
  brief: 'Eyes covered, guards on, dip often.',
};

/** The trade's usual cautions, each where the hand is. */
const CAUTIONS: Partial<Readonly<Record<StationKind, Caution>>> = {
  isolate: {
    plain:
      'A machine that can start takes fingers. Isolate it from power before any knife is loosened; wear gloves to handle the knives, never near anything that turns.',
    brief: 'Isolated from power; gloves for the knives.',
  },
  look: {
    plain:
      'It is sharp enough to cut already: hold the blade by its sides, and test across the edge, never along it.',
    brief: 'Hold it by its sides.',
  },
  template: WHEEL,
  grind: WHEEL,
  hollow: WHEEL,
  heat: {
    plain: 'Steel fresh from the wheel burns: dip it before you feel it.',
    brief: 'Dip before you feel it.',
  },
  set: {
    plain: 'The edge is already sharp enough to cut: hold the blade by its sides.',
    brief: 'Hold it by its sides.',
  },
  lift: {
    plain: 'Keep fingertips behind the edge; turn the blade over on its spine.',
    brief: 'Turn it over on its spine.',
  },
  marker: {
    plain: 'Wipe the marker off away from the edge, never along it.',
    brief: 'Wipe away from the edge.',
  },
  stone: {
    plain:
      'Keep fingertips behind the edge; wipe away from it, never along it: many cuts happen while cleaning. Work wet; wear a mask for dry dust.',
    brief: 'Fingertips behind the edge; wipe away from it.',
  },
  wash: {
    plain: 'Many cuts happen while cleaning: wipe away from the edge, never towards or along it.',
    brief: 'Wipe away from the edge.',
  },
  burr: { plain: 'Feel across the edge, off it, never along it.', brief: 'Across the edge, never along it.' },
  scratch: {
    plain: 'Turn it to the light by its sides; keep the lens between you and the edge.',
    brief: 'Hold it by its sides.',
  },
  'burr-off': {
    plain: 'Fingers off the edge: a burr breaks away in splinters.',
    brief: 'Fingers off the edge.',
  },
  proof: {
    plain:
      'Cut away from yourself, the other hand behind the edge; on skin no pressure at all, and never along the edge.',
    brief: 'Away from yourself; never along the edge.',
  },
  wipe: {
    plain: 'Wipe away from the edge. Oily rags lie flat to dry; use oils that do not dry.',
    brief: 'Away from the edge; rags flat to dry.',
  },
  refit: {
    plain:
      'Slide the chip breaker on so that it never drags over the edge; keep hands clear of a sharp iron in its mouth. Machine knives by the machine’s manual.',
    brief: 'Clear of the edge.',
  },
  away: {
    plain: 'An edge put away bare cuts the next hand. Out of reach of children.',
    brief: 'Covered, out of reach.',
  },
};

/** Who is to be heard before this program. */
export const FIRST_OF_ALL =
  'Makers’ instructions, your workplace’s and local rules come before anything said here.';

/** Where they are said every time: machines. */
const ALWAYS_RULED: readonly StationKind[] = ['isolate', 'grind', 'hollow', 'template', 'refit'];
/** Where they are said with a caution that is said plainly: as the work begins, and where skin is near. */
const RULED: readonly StationKind[] = ['look', 'set', 'lift', 'proof'];

const KEY = 'mellow-anvil.cautions-said';

/** Which cautions this device has said plainly before; those first said while the page is open stay plain. */
@Injectable({ providedIn: 'root' })
export class Cautions {
  private readonly before: ReadonlySet<string> = new Set(kept());

  /** The caution at a station: plain the first time, brief after. */
  at(
    kind: StationKind,
  ): { readonly says: string; readonly plain: boolean; readonly rules: boolean } | undefined {
    const caution = CAUTIONS[kind];
    if (!caution) return undefined;
    const plain = !this.before.has(kind);
    const rules = ALWAYS_RULED.includes(kind) || (plain && RULED.includes(kind));
    return { says: plain ? caution.plain : caution.brief, plain, rules };
  }

  /** It was on the screen: brief from the next time on. */
  said(kind: StationKind): void {
    const known = new Set(kept());
    if (!CAUTIONS[kind] || known.has(kind)) return;
    localStorage.setItem(KEY, JSON.stringify([...known, kind]));
  }
}

function kept(): readonly string[] {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? '[]') as readonly string[];
  } catch {
    return [];
  }
}
