import type { Abrasive, AbrasiveKind, Lubricant } from '@mellow-anvil/core/abrasive';

/** What usually wets a kind of abrasive. */
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

/** A stone to begin with: usual stroke and change-over (estimates, to be changed). */
export function usualStone(kind: AbrasiveKind = 'water-stone'): Abrasive {
  return {
    name: '',
    kind,
    grade: { standard: kind === 'water-stone' ? 'JIS' : kind === 'film' ? 'FEPA-P' : 'UM', grade: '' },
    lubricant: usualLubricant(kind),
    strokeMm: 150,
    overheadMin: kind === 'strop' ? 0.25 : 0.5,
  };
}
