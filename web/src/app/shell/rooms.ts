/** The rooms, in the order of a day; those gone to often are at the thumb on a phone, the others one tap further. */
export const ROOMS = [
  { path: '/', label: 'Tools', often: true },
  { path: '/stones', label: 'Stones', often: true },
  { path: '/guides', label: 'Guides', often: false },
  { path: '/patterns', label: 'Patterns', often: false },
  { path: '/strop', label: 'Strop', often: true },
  { path: '/puzzle', label: 'Puzzle', often: true },
  { path: '/ledger', label: 'Ledger', often: false },
  { path: '/settings', label: 'Settings', often: false },
] as const;

/** The sides of the vise, in the order of a job. */
export const SIDES = [
  { path: 'edge', label: 'Edge' },
  { path: 'set-up', label: 'Set-up' },
  { path: 'camber', label: 'Camber' },
  { path: 'plan', label: 'Plan' },
  { path: 'life', label: 'Life' },
] as const;
