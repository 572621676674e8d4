/**
 * What goes wrong and why, as data. Which cause shows which symptom is common practice, without a source; how
 * often it does is an estimate, on the scale of {@link OFTEN}.
 */
export const SYMPTOMS = {
  'burr-in-part': 'The burr stands only in places',
  'burr-uneven': 'The burr is stronger in one place',
  'no-burr': 'No burr comes up',
  'burr-stays': 'The burr will not come off',
  'heel-shiny': 'The heel is shiny, the edge is not',
  'edge-shiny': 'Only the very edge is shiny',
  'one-side-shiny': 'The bevel is shiny on one side only',
  'scratches-show': 'Scratches of an earlier stone still show',
  'temper-colour': 'Straw, brown or blue at the edge',
  'rounded-over': 'The edge is rounded over',
  'corners-rounded': 'The corners are rounded',
  'edge-bellied': 'The edge has a belly nobody meant',
  thickened: 'It cuts ever harder, though it is sharp',
  crumbles: 'The edge crumbles',
  'dull-at-once': 'It is dull again at once',
  'not-fine': 'It cuts, but not finely',
  'skates-on-nail': 'It skates on the thumbnail',
  'shakes-on-nail': 'It shakes when drawn along the nail',
  'lines-in-cut': 'It leaves lines in the cut',
  'light-on-edge': 'The edge shows light',
  'sharp-does-not-cut': 'The plane will not cut, though it is sharp',
  'shavings-jam': 'Shavings jam under the chip breaker',
  'tracks-on-board': 'The plane leaves tracks',
  'tall-scallops': 'The plane leaves tall scallops',
} as const;
export type Symptom = keyof typeof SYMPTOMS;
export const SYMPTOM_NAMES = Object.keys(SYMPTOMS) as readonly Symptom[];

/** How likely a cause shows a sign: where the sign is the cause itself, nearly always, often, now and then; else hardly ever. */
export const OFTEN = {
  ...{ itself: 0.98, always: 0.9, often: 0.6, sometimes: 0.25, hardly: 0.03, never: 0.003 },
} as const;
export type Often = Exclude<keyof typeof OFTEN, 'hardly' | 'never'>;

/** Looks and tests that tell causes apart, and what each asks. */
export const LOOKS = {
  'marker-edge': 'Colour the bevel, take three light strokes: is colour left at the edge?',
  'marker-heel': 'The same: is colour left at the heel, and gone at the edge?',
  'marker-one-side': 'The same: is colour left on one side only?',
  'marker-patches': 'The same: is colour left in patches?',
  'straightedge-stone': 'Lay a straightedge on the stone: does light show under it?',
  'lens-scratches': 'Under a lens: do deep scratches cross the fine ones?',
  'lens-pits': 'Under a lens: are there pits or dark specks at the edge?',
  'lens-chips': 'Under a lens: are small pieces broken out?',
  'fingertip-burr': 'Slide a fingertip off both faces: does it catch anywhere?',
  'square-blade': 'A small square against the edge: is it out of square?',
  'angle-measured': 'Measure the edge: is it steeper than it was set?',
  'colour-seen': 'In good light: is there any colour on the steel?',
  'back-flat': 'The back on a flat plate: does it rock, or show light?',
  'clearance-small': 'Bed less bevel, or back bevel on a bevel-up iron: is the clearance under ten degrees?',
  'light-at-corners': 'A straightedge on the edge: is there light at both corners?',
  'strop-lifted': 'Was it stropped hard, or lifted at the end of the stroke?',
  'stone-shines': 'Is the stone dark with swarf, or does it shine and slip?',
  'file-bites': 'Does a worn file bite into the steel behind the edge?',
  'breaker-gap': 'The chip breaker on the back, held to the light: does light show between them?',
} as const;
export type Look = keyof typeof LOOKS;
export const LOOK_NAMES = Object.keys(LOOKS) as readonly Look[];

/**
 * Who names what they see names about half of what is there (estimate): so a symptom that is not named speaks against the
 * causes that show it, and not loudly.
 */
export const NAMED_SHARE = 0.5;

/** What a look sees that a symptom already names: it is one observation, and counts once. */
export const SEEN_ALREADY: Partial<Readonly<Record<Look, Symptom>>> = {
  'marker-edge': 'heel-shiny',
  'marker-heel': 'edge-shiny',
  'marker-one-side': 'one-side-shiny',
  'lens-scratches': 'scratches-show',
  'colour-seen': 'temper-colour',
};

/** Signs that nothing makes but what is said to: heat alone colours steel (common practice, no source). */
export const TELLS_ALONE: ReadonlySet<Symptom | Look> = new Set<Symptom | Look>([
  'temper-colour',
  'colour-seen',
  'shavings-jam',
  'tall-scallops',
]);
