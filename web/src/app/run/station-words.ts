import type { Abrasive, Burr, ProofTest, RunPlanStep } from '@mellow-anvil/core';

/** What to feel or look for at a stone (common practice, no source). */
export function feelFor(stone: Abrasive | undefined, index: number, of: readonly RunPlanStep[]): string {
  if (stone?.kind === 'strop')
    return 'Pull only, edge trailing. Stop, then turn over: never lift at the end.';
  if (index === 0) return 'Push firmly, both corners down. Go on until a burr can be felt on the back.';
  if (index === of.filter(({ afterBurr }) => !afterBurr).length - 1)
    return 'Lightly, pull strokes if you fear digging in. Done when the marks of the stone before are gone.';
  return 'Lighter than before. Done when the marks of the stone before are gone.';
}

/** Between stones. */
export const WASH = 'Wash blade, guide wheel and hands first: one coarse grain ruins the finer stone.';

export const BURR_WORDS: readonly { readonly burr: Burr; readonly label: string; readonly hint: string }[] = [
  { burr: 'all-along', label: 'All along', hint: 'corner to corner' },
  { burr: 'in-part', label: 'In part', hint: 'back to the stone, press where it is missing' },
  { burr: 'none', label: 'None', hint: 'back to the stone' },
  { burr: 'cannot-tell', label: 'Cannot tell', hint: 'a fine burr on a small edge may be too small to feel' },
];

/** What sent a run back to its stone. */
export const SENT_BACK: Partial<Record<Burr, string>> = {
  'in-part': 'The burr stood only in part: press where it was missing.',
  none: 'No burr yet: the stone has not reached the edge. Same angle, more strokes.',
};

export const PROOF_WORDS: readonly {
  readonly test: ProofTest;
  readonly label: string;
  readonly how: string;
  readonly yes: string;
  readonly no: string;
}[] = [
  {
    test: 'nail',
    label: 'Thumbnail',
    how: 'Rest the edge on it, no pressure.',
    yes: 'Bites',
    no: 'Skates',
  },
  { test: 'paper', label: 'Paper', how: 'Through the edge of a held sheet.', yes: 'Parts', no: 'Tears' },
  { test: 'cut', label: 'A cut', how: 'Across the end grain of pine.', yes: 'Clean', no: 'Torn' },
];

export const CAUTIONS: Readonly<Record<string, string>> = {
  grind:
    'Eyes covered, guards on, no loose sleeves, wheel sound. What its maker and your workplace say comes first.',
  set: 'The edge is already sharp enough to cut: hold the blade by its sides.',
  stone: 'Keep fingertips behind the edge; wipe away from it, never along it.',
  burr: 'Feel across the edge, off it, never along it.',
  'burr-off': 'Flat means flat: lifting the blade rounds the back.',
  proof: 'Cut away from yourself. What your workplace’s rules say comes first.',
};
