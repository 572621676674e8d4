import type { Condition, ConditionKind, FaultKind } from '@mellow-anvil/core/blade';
import type { Along, School, Treatment } from '@mellow-anvil/core/plan';
import type { Way } from '@mellow-anvil/core/work';

/** How dull an edge is, as people say it. */
export const CONDITION_WORDS: Readonly<Record<ConditionKind, string>> = {
  fading: 'Fading',
  dull: 'Dull',
  'very-dull': 'Very dull',
  nicked: 'Nicked',
  rolled: 'Rolled over',
  unknown: 'Second-hand',
  new: 'New',
};

/** What else may be wrong, and what is measured of it. */
export const FAULT_WORDS: Readonly<Record<FaultKind, { readonly label: string; readonly ask?: string }>> = {
  pits: { label: 'Pits near the edge', ask: 'Pits reach back' },
  'out-of-square': { label: 'Out of square', ask: 'One corner ahead by' },
  'rounded-over': { label: 'Rounded over', ask: 'Bevel rounded for' },
  overheated: { label: 'Overheated', ask: 'Colours reach back' },
  'wide-land': { label: 'Land grown wide' },
  'wrong-angle': { label: 'Wrong angle', ask: 'Bevel as it is' },
  'corners-ahead': { label: 'Corners ahead', ask: 'Corners ahead by' },
  'middle-ahead': { label: 'Middle ahead', ask: 'Middle ahead by' },
  tooth: { label: 'A tooth at the apex', ask: 'Keel ahead by' },
  notch: { label: 'A notch at the apex', ask: 'Wings ahead by' },
  'hook-left': { label: 'A hook to the left', ask: 'Left wing ahead by' },
  'hook-right': { label: 'A hook to the right', ask: 'Right wing ahead by' },
  unsharpened: { label: 'No edge yet', ask: 'Thick where the edge will be' },
};

export const TREATMENT_WORDS: Readonly<Record<Treatment, string>> = {
  strop: 'Strop only',
  hone: 'Hone',
  regrind: 'Grind, then hone',
  repair: 'Repair',
};

export const SCHOOL_WORDS: Readonly<Record<School, { readonly label: string; readonly says: string }>> = {
  'least-time': { label: 'Least time', says: 'Whatever takes the fewest minutes.' },
  doubling: { label: 'Double each step', says: 'Even steps, as near to twice as fine as the set allows.' },
  'two-stones': { label: 'Two stones', says: 'One to shape, one to finish.' },
  exact: { label: 'This exact order', says: 'The stones you name, and no other.' },
};

export const ALONG_WORDS: Readonly<Record<Along, string>> = {
  parts: 'Part by part, counted',
  crosswise: 'Crosswise, end to end',
  'half-circles': 'In half circles',
};

export const WAY_WORDS: Readonly<Record<Way, string>> = {
  pull: 'Pull',
  push: 'Push',
  both: 'To and fro',
};

/** A condition in a few words: “dull, out of square”. */
export function conditionWords({ kind, faults = [] }: Condition): string {
  return [CONDITION_WORDS[kind], ...faults.map((fault) => FAULT_WORDS[fault.kind].label)]
    .join(', ')
    .toLowerCase();
}
