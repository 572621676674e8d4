import type { Abrasive, AbrasiveKind, Lubricant } from './abrasive.js';
import type { Grade } from './grit.js';

/** What usually wets a kind of abrasive (common practice, no source). */
export function usualLubricant(kind: AbrasiveKind): Lubricant {
  switch (kind) {
    case 'oil-stone':
    case 'slip':
      return 'oil';
    case 'strop':
    case 'profiled-strop':
    case 'powered-strop':
      return 'compound';
    case 'dry-wheel':
    case 'ceramic':
      return 'dry';
    default:
      return 'water';
  }
}

/** An abrasive to begin with, its grade still to be said: usual stroke and change-over (estimates, to be changed). */
export function usualAbrasive(kind: AbrasiveKind = 'water-stone'): Abrasive {
  return {
    name: '',
    kind,
    grade: { standard: kind === 'water-stone' ? 'JIS' : kind === 'film' ? 'FEPA-P' : 'UM', grade: '' },
    lubricant: usualLubricant(kind),
    strokeMm: 150,
    overheadMin: kind === 'strop' ? 0.25 : 0.5,
  };
}

/** How a face feels under a fingernail drawn across it. */
const FEELS = ['coarse', 'middle', 'fine'] as const;
export type Feel = (typeof FEELS)[number];

interface StoneLook {
  /** What somebody sees who does not know what it is called. */
  readonly looks: string;
  /** What it is taken for by feel, until a number is found on it (estimates). */
  readonly grades: Readonly<Partial<Record<Feel, Grade>>>;
}

const jis = (grade: string): Grade => ({ standard: 'JIS', grade });
const p = (grade: string): Grade => ({ standard: 'FEPA-P', grade });
const um = (grade: string): Grade => ({ standard: 'UM', grade });

/** What lies on a bench, told by its looks. */
export const STONE_LOOKS = {
  'water-stone': {
    looks: 'A block that drinks water and gives off mud',
    grades: { coarse: jis('400'), middle: jis('1000'), fine: jis('8000') },
  },
  'oil-stone': {
    looks: 'A grey, brown or reddish block, dark with oil, often with two faces',
    grades: { coarse: um('100'), middle: um('45'), fine: um('25') },
  },
  'diamond-plate': {
    looks: 'A metal plate that glitters',
    grades: { coarse: um('45'), middle: um('25'), fine: um('9') },
  },
  film: {
    looks: 'Abrasive paper or film on glass, stone or board',
    grades: { coarse: p('P150'), middle: p('P400'), fine: p('P1200') },
  },
  'natural-stone': {
    looks: 'Slate or another stone out of the ground',
    grades: { middle: um('12'), fine: um('6') },
  },
  ceramic: {
    looks: 'A hard stick or block, white or dark, that wets with nothing',
    grades: { middle: um('12'), fine: um('4') },
  },
  slip: {
    looks: 'A small stone with a round edge',
    grades: { middle: um('25'), fine: um('6') },
  },
  'rod-paper': {
    looks: 'Abrasive paper round a dowel',
    grades: { coarse: p('P180'), middle: p('P400'), fine: p('P800') },
  },
  strop: {
    looks: 'Leather, wood or card with compound rubbed in',
    grades: { fine: um('3') },
  },
} as const satisfies Partial<Record<AbrasiveKind, StoneLook>>;

export type LookedAt = keyof typeof STONE_LOOKS;
export const LOOKED_AT = Object.keys(STONE_LOOKS) as readonly LookedAt[];

/** The feels a kind comes in, coarse first. */
export const feelsOf = (kind: LookedAt): readonly Feel[] =>
  FEELS.filter((feel) => feel in STONE_LOOKS[kind].grades);

/**
 * The abrasive that something which looks and feels so is taken for, without a name.
 * @example
 * abrasiveByLook('oil-stone', 'fine').grade; // { standard: 'UM', grade: '25' }, an estimate
 */
export function abrasiveByLook(kind: LookedAt, feel: Feel): Abrasive {
  const { grades }: StoneLook = STONE_LOOKS[kind];
  const grade = grades[feel] ?? grades.middle ?? grades.fine;
  return { ...usualAbrasive(kind), ...(grade && { grade }) };
}
