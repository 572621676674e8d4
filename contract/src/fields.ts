import { Joi, type AnySchema, type NumberSchema, type State, type StringSchema } from './joi.js';
import { INSTANT_PATTERN, utcInstant } from '@mellow-anvil/core/base';

/** A numeric field's bounds and why they are there; the page shows them, the server holds them. */
export interface Range {
  readonly label: string;
  readonly unit: string;
  readonly min: number;
  readonly max: number;
  /** Why nothing outside makes sense, as the end of a sentence. */
  readonly why: string;
}

/** Every range of the product, one home each. */
export const RANGES = {
  widthMm: range('Width', 'mm', 0.5, 420, 'narrower is a needle and wider than any hand tool’s edge'),
  thicknessMm: range('Thickness', 'mm', 0.3, 20, 'thinner is foil and thicker than any blade honed by hand'),
  bevelDeg: range('Bevel angle', '°', 5, 80, 'below 5° no steel stands and above 80° nothing is cut'),
  sideDeg: range(
    'Bevel angle per side',
    '°',
    2,
    45,
    'below 2° a side no steel stands and two sides of 45° are a scraper',
  ),
  counterBevelDeg: range('Counter bevel', '°', 0.5, 30, 'more would be a second edge'),
  backBevelDeg: range('Back bevel', '°', 0, 30, 'more would be a second edge'),
  landMm: range('Land', 'mm', 0.01, 60, 'less cannot be seen and more than any blade’s face'),
  lengthMm: range(
    'Edge length',
    'mm',
    3,
    800,
    'shorter is a needle and longer than any machine knife honed by hand',
  ),
  microLandMm: range('Micro-bevel’s land', 'mm', 0.005, 5, 'less cannot be seen and more is a secondary'),
  polishedMm: range('Polished back', 'mm', 0.01, 400, 'less cannot be seen and no blade is longer'),
  shimMm: range('Shim', 'mm', 0.01, 3, 'thinner is no shim and thicker makes a bevel of degrees'),
  shimAtMm: range('Distance to the shim', 'mm', 3, 300, 'nearer it lifts the edge and no stone is wider'),
  grindRadiusMm: range('Radius of the grind', 'mm', 10, 2000, 'tighter is no wheel and wider is flat'),
  depthMm: range('Depth of the curve', 'mm', 0.1, 60, 'less is flat and more than any gouge'),
  wingMm: range('Wing', 'mm', 1, 40, 'outside that it is no V-tool'),
  openingDeg: range('Angle between the wings', '°', 20, 150, 'outside that it is no V-tool'),
  keelRadiusMm: range('Keel radius', 'mm', 0, 5, 'more makes it a gouge'),
  spineMm: range('Spine thickness', 'mm', 0.3, 12, 'outside that it is no knife'),
  innerRadiusMm: range('Inner radius', 'mm', 3, 150, 'tighter holds no rod and wider is nearly straight'),
  includedDeg: range('Included angle', '°', 8, 60, 'outside that no hooked blade holds or cuts'),
  keptDeg: range('Included angle', '°', 5, 170, 'below 5° no steel stands and above 170° it is no edge'),
  skewDeg: range('Skew', '°', 0, 70, 'beyond 70° there is no edge left'),
  jigMm: range('Length of the jig', 'mm', 50, 2000, 'a jig is as long as a knife or several'),
  count: range(
    'Number of knives',
    '',
    2,
    12,
    'a set is two or more, and no cutter block holds more than twelve',
  ),
  frontRadiusMm: range(
    'Radius of the edge',
    'mm',
    5,
    100000,
    'tighter is a gouge and flatter cannot be told from straight',
  ),
  reliefMm: range('Corner relief', 'mm', 0.01, 20, 'it is a corner, not the edge'),
  camberMm: range(
    'Camber',
    'mm',
    0,
    200,
    'an edge curves outwards, and no iron is wider than its curve is deep',
  ),
  camberReadMm: range('Camber', 'mm', -20, 200, 'no iron is curved or hollow further than that'),
  camberPmMm: range('How sure', 'mm', 0, 50, 'less sure than that is not a reading'),
  heelRadiusMm: range('Radius of the heel', 'mm', 0.5, 30, 'less is a corner and more takes the point'),
  leanMm: range('Out of square', 'mm', -50, 50, 'further out of square it is a skew'),
  shavingMm: range('Shaving', 'mm', 0.005, 5, 'thinner is dust and thicker is a chip'),
  shavingWidthMm: range('Width of the shaving', 'mm', 0.5, 420, 'narrower is a thread and no iron is wider'),
  passStepMm: range('From pass to pass', 'mm', 0.5, 420, 'passes lie side by side'),
  knobSpacingMm: range('Knob to centre', 'mm', 3, 200, 'the two knobs stand either side of the blade'),
  threadPitchMm: range('Pitch of the thread', 'mm', 0.2, 5, 'finer strips and coarser is no knob'),
  removalPerStrokeMm3: range('Removal of a stroke', 'mm³', 1e-6, 10, 'no stroke takes less or more by hand'),
  camberFactor: range(
    'Strokes by place against the reckoning',
    '×',
    0.01,
    100,
    'further off something else is wrong',
  ),
  grams: range('Force', 'g', 1, 5000, 'less parts no thread and more is no edge'),
  newtons: range('Force', 'N', 0.01, 50, 'less parts no thread and more is no edge'),
  layLowerDeg: range('Laid lower', '°', 0, 45, 'no strop gives more'),
  paperMm: range('Paper', 'mm', 0, 3, 'thicker is card'),
  bedDeg: range('Bed angle', '°', 5, 90, 'a plane’s bed lies between nearly flat and upright'),
  rollerRadiusMm: range('Roller radius', 'mm', 1, 60, 'no guide’s roller is smaller or larger'),
  noseMm: range('Nose ahead of the axle', 'mm', -60, 120, 'beyond that the nose is not part of the guide'),
  seatHeightMm: range('Seat height', 'mm', -20, 120, 'beyond that the blade is not in the guide'),
  rollerDropMm: range('Roller drop', 'mm', 0, 60, 'the roller runs level with the abrasive or lower'),
  camRiseMm: range('Cam rise', 'mm', 0, 10, 'a micro-bevel cam lifts by a few millimetres at most'),
  divisionDeg: range(
    'Protractor’s division',
    '°',
    0.01,
    5,
    'finer is a laboratory’s and coarser tells nothing',
  ),
  shakeDeg: range('Shake of the hand', '°', 0, 5, 'a hand that shakes more measures nothing'),
  wheelRadiusMm: range('Wheel radius', 'mm', 20, 400, 'no grinding wheel is smaller or larger'),
  jigProjectionMm: range(
    'Projection from the bar',
    'mm',
    5,
    400,
    'the edge stands out of the jig, towards the wheel',
  ),
  barOffsetMm: range('Bar off the back', 'mm', -60, 60, 'beyond that the jig is not on its bar'),
  spineThicknessMm: range('Spine thickness', 'mm', 0, 12, 'outside that it is no knife'),
  packingMm: range(
    'Thickness of a piece',
    'mm',
    0.01,
    50,
    'thinner is foil and thicker lifts any knife too far',
  ),
  packingCount: range('Number of pieces', '', 1, 99, 'you have one at least, and no stack takes a hundred'),
  sideHardnessLbf: range('Side hardness', 'lbf', 20, 6000, 'no timber is softer or harder'),
  edgesSeen: range('Edges', '', 0, 100000, 'that is more than a working life'),
  projectionMm: range(
    'Projection',
    'mm',
    0.1,
    500,
    'the edge has to stand out of the guide, and no blade is longer',
  ),
  angleDeg: range('Angle', '°', 1, 89, 'a honing angle lies between flat and upright'),
  boardLengthMm: range('Length of the board', 'mm', 30, 3000, 'shorter holds no stop and no bench is longer'),
  boardDepthMm: range('Depth of the board', 'mm', 15, 400, 'less holds no stop and no guide reaches further'),
  boardThicknessMm: range('Thickness of the board', 'mm', 2, 60, 'thinner bends and thicker is a beam'),
  stopWidthMm: range(
    'Width of a stop',
    'mm',
    5,
    150,
    'narrower does not square a blade and wider is a fence',
  ),
  stopDepthMm: range('Depth of a stop', 'mm', 3, 80, 'less breaks off and more is only wood'),
  stopHeightMm: range('Height of a stop', 'mm', 1, 40, 'lower a blade rides over and higher is in the way'),
  bladeWidthMm: range(
    'Widest blade',
    'mm',
    2,
    420,
    'narrower is a needle and wider than any hand tool’s edge',
  ),
  alongMm: range('Place along the fence', 'mm', 0, 3000, 'it is measured from the board’s left end'),
  printedBarMm: range(
    'Bar as printed',
    'mm',
    40,
    60,
    'a printer further off than that shrinks to fit: choose “actual size” in its dialog',
  ),
  notchMm: range('Depth of a notch', 'mm', 4, 60, 'less judges no bevel and more is a saw cut'),
  includedNotchDeg: range('Angle of a notch', '°', 5, 120, 'outside that there is no edge to judge'),
  plateMm: range('Thickness of the template', 'mm', 0.2, 40, 'thinner is foil and thicker is a block'),
  barDiameterMm: range('Thickness of the bar', 'mm', 3, 40, 'thinner bends and thicker fits no jig'),
  leatherMm: range('Leather', 'mm', 0, 10, 'thicker follows no channel'),
  blockMm: range('Length of the block', 'mm', 40, 300, 'shorter takes no stroke and longer fits no printer'),
  sheetMm: range('Side of the sheet', 'mm', 40, 400, 'smaller folds badly and larger fits no printer'),
  revision: range('Revision', '', 1, 100000, 'a board is made anew now and then'),
  wheelDiameterMm: range('Wheel’s diameter', 'mm', 20, 800, 'no grinding wheel is smaller or larger'),
  wheelWidthMm: range('Wheel’s width', 'mm', 2, 200, 'no grinding wheel is narrower or wider'),
  landLeftMm: range(
    'Land left standing',
    'mm',
    0,
    60,
    'none at all is ground to the edge, and more is no land',
  ),
  stropContactMm: range('Length on the strop', 'mm', 0.05, 50, 'less is the tip alone and more lies flat'),
  modulusMPa: range('Stiffness', 'MPa', 0.1, 100000, 'softer is foam and stiffer is steel'),
  liftMm: range('Lift of the spine', 'mm', 0.05, 200, 'less lies flat and more stands on its edge'),
  stopShortMm: range('Land left standing', 'mm', 0.05, 10, 'less is the edge itself and more is not ground'),
  seconds: range('Seconds', 's', 0.01, 3600, 'nobody stands at a wheel for an hour'),
  passes: range('Passes', '', 1, 10000, 'that is a day at the wheel'),
  rimMs: range('Speed of the rim', 'm/s', 0.05, 100, 'slower is by hand and faster bursts wheels'),
  celsius: range('Temperature', '°C', 0, 900, 'colder is ice and hotter is the forge'),
  rpm: range('Turns a minute', '', 10, 12000, 'slower is by hand and faster bursts wheels'),
  recessionMm: range('Recession', 'mm', 0, 100, 'an edge only recedes, and no blade has more to give'),
  tipRadiusUm: range(
    'Tip radius',
    'µm',
    0.1,
    500,
    'sharper is beyond any stone and blunter is a broken edge',
  ),
  nickMm: range('Nick depth', 'mm', 0.01, 10, 'less cannot be seen and more is a repair on the grinder'),
  faultMm: range('How far it reaches', 'mm', 0.01, 30, 'less cannot be seen and more is no edge to mend'),
  stoneMm: range('Size of the face', 'mm', 5, 1200, 'smaller is no stone and no bench holds a larger'),
  stoneRadiusMm: range('Radius', 'mm', 0.3, 300, 'tighter is an edge and wider is flat'),
  stropMm: range('Thickness of the strop', 'mm', 0.2, 40, 'thinner is paper and thicker is no strop'),
  sheetPieces: range('Pieces a sheet is cut into', '', 1, 24, 'smaller pieces cannot be held'),
  usesEach: range(
    'Honings a sheet serves',
    '',
    1,
    1000,
    'it serves one at least, and nothing lasts for ever',
  ),
  cost: range('Cost', '', 0, 100000, 'it is one sheet or one stone, in your own money'),
  sheetCount: range('Sheets', '', 0, 10000, 'that is more than a shelf holds'),
  hollowUm: range('Hollow', 'µm', 0, 5000, 'a stone five millimetres hollow is a dish'),
  stones: range('Number of stones', '', 1, 60, 'nobody takes an edge over more'),
  flatBackMm: range('Flat back', 'mm', 3, 300, 'a back is as wide as its blade'),
  pitsMm: range('Depth of a pit', 'mm', 0, 10, 'deeper is a hole'),
  handleFromMm: range('From edge to handle', 'mm', 5, 300, 'nearer it is the edge and no tang is longer'),
  handleMm: range('Length of a handle', 'mm', 20, 400, 'shorter is no handle and longer none of a drawknife'),
  handleThickMm: range('Thickness of a handle', 'mm', 5, 80, 'no hand holds it'),
  handleDeg: range('Handles towards the bevel', '°', -60, 60, 'no drawknife is bent further'),
  handleBesideMm: range('Handle beside the edge', 'mm', -40, 100, 'further it is another tool'),
  standsOutMm: range('Guard beside the wheel', 'mm', 0, 200, 'a guard stands out a little'),
  forearmDeg: range('Forearm over the work', '°', -60, 80, 'no arm is held so'),
  hardMm: range('Hard steel', 'mm', 0, 200, 'no blade is hardened further'),
  years: range('Years', '', 0, 100_000, 'nobody sharpens so long'),
  totalMinutes: range('Minutes', 'min', 0, 100_000, 'nobody works at one edge so long'),
  hollowMm: range('Hollow in the back', 'mm', 1, 200, 'less is no hollow and no back is wider'),
  hollowDeepMm: range('Depth of that hollow', 'mm', 0.001, 5, 'deeper would be through the blade'),
  edgeRimMm: range('Rim at the edge', 'mm', 0.1, 100, 'nearer the edge nobody hollows'),
  farRimMm: range('Rim at the far side', 'mm', 0.1, 100, 'the back has to lie on something'),
  backPasses: range('Hollows side by side', '', 1, 40, 'more are no hollows'),
  visits: range('Parts of the edge', '', 1, 200, 'no edge is so long'),
  pieces: range('Knives of the set', '', 1, 24, 'more is no set'),
  slots: range('Places in the jig', '', 1, 12, 'more is no jig'),
  strokesEach: range('Strokes owed to each', '', 1, 10_000, 'more is no honing'),
  strokesPerRound: range('Strokes to a round', '', 1, 10_000, 'more is no honing'),
  countFrom: range('Count down from', '', 1, 100, 'more is no countdown'),
  sides: range('Sides', '', 1, 12, 'an edge has one or two, and a set of knives no more than twelve'),
  removalMm3PerMin: range('Removal', 'mm³/min', 1e-4, 1e5, 'no stone and no wheel is slower or faster'),
  rateRatio: range('Rate over the one assumed', '×', 0.001, 1000, 'further off it is not the same stone'),
  sweepSizes: range('Sizes to try', '', 2, 400, 'more are no plainer to see'),
  sizeUm: range('Grain size', 'µm', 0.01, 5000, 'no abrasive is finer or coarser'),
  strokeMm: range('Stroke length', 'mm', 5, 600, 'shorter wears a hollow and no stone is longer'),
  overheadMin: range('Change-over time', 'min', 0, 60, 'it is time lost each time, not a working day'),
  forceN: range('Push', 'N', 0.5, 150, 'less does not cut and more bends the blade or strips the stone'),
  removalMm3PerNm: range('Removal rate', 'mm³/N·m', 1e-7, 10, 'no abrasive cuts slower or faster by hand'),
  scratchUm: range('Scratch depth', 'µm', 0.001, 500, 'no abrasive marks less or more'),
  strokesPerMin: range(
    'Strokes a minute',
    '',
    5,
    200,
    'slower is standing still and faster than an arm can go',
  ),
  minStrokes: range('Fewest strokes', '', 0, 200, 'more than that is no least'),
  mostStrokes: range(
    'Most strokes on one stone',
    '',
    1,
    10000,
    'fewer is none and more is a day on one stone',
  ),
  maxRatio: range('Largest jump', '×', 1, 1000, 'a finer stone follows a coarser one'),
  finishUm: range('Finish', 'µm', 0.01, 200, 'finer is beyond any stone and coarser is no edge'),
  removeMm3: range('Steel to remove', 'mm³', 0, 100000, 'it is one edge, not a block'),
  contactMm2: range('Contact area', 'mm²', 0, 100000, 'it is one bevel, not a slab'),
  steelFactor: range('Steel factor', '', 0.2, 10, 'no tool steel is that much easier or harder'),
  minutes: range('Minutes', 'min', 0, 10000, 'that is a week at the bench'),
  lifeMinutes: range('Minutes', 'min', 0.01, 1e6, 'an edge is used for some time, and none for years on end'),
  lateCosts: range(
    'What a dull edge costs',
    '× an early sharpening',
    0.1,
    100,
    'less is nothing to warn of, and more would have it sharpened before every use',
  ),
  metresPlaned: range('Metres planed', 'm', 0, 1e6, 'nobody planes further between two honings'),
  mortises: range('Mortises', '', 0, 10000, 'nobody cuts more between two honings'),
  strokes: range('Strokes', '', 0, 100000, 'that is weeks on one stone'),
  strokeCount: range(
    'Strokes counted',
    '',
    -1000,
    1000,
    'one event is a tap, or a handful added or taken back',
  ),
  eventSeq: range('Place in the run', '', 0, 1e6, 'a run has a first event and no million of them'),
  chips: range('Chips', '', 0, 1000, 'beyond that the edge is gone'),
} as const satisfies Record<string, Range>;

export type RangeName = keyof typeof RANGES;

/** A required number within its range; refusals say the range and why. */
export function number(name: RangeName, label: string = RANGES[name].label): NumberSchema<number> {
  const { unit, min, max, why } = RANGES[name];
  const space = unit === '' || unit === '°' ? unit : ` ${unit}`;
  const between = `${label} lies between ${shown(min)} and ${shown(max)}${space}: ${why}.`;
  return Joi.number()
    .min(min)
    .max(max)
    .required()
    .description(between)
    .messages({
      'number.base': `${label}: write a number${unit ? ` in ${unit}` : ''}.`,
      'number.min': between,
      'number.max': between,
      'number.infinity': between,
      'number.unsafe': between,
      'any.required': `${label} is missing: give it${unit ? ` in ${unit}` : ''}.`,
    });
}

/**
 * A field that must also agree with its neighbours in the same object.
 * @param objection what is wrong with it beside its `siblings`, or undefined
 */
export function related<S extends AnySchema>(
  schema: S,
  objection: (value: never, siblings: Readonly<Record<string, unknown>>) => string | undefined,
): S {
  return schema.custom((value: unknown, helpers) => {
    const sentence = objection(
      value as never,
      (helpers.state.ancestors as readonly Record<string, unknown>[])[0] ?? {},
    );
    return sentence === undefined ? value : helpers.message({ custom: '{#sentence}' }, { sentence });
  });
}

/** Where a field (a dotted path) stands or would stand, so that a sentence about it stands beside it. */
export function atField(state: State, field: string, parent: object): State {
  // The types leave out what Joi's own rules use to move to a child.
  const { localize } = state as unknown as { localize(path: unknown[], ancestors: unknown[]): State };
  return localize.call(
    state,
    [...(state.path ?? []), ...field.split('.')],
    [parent, ...(state.ancestors as unknown[])],
  );
}

/** A required whole number within its range. */
export function whole(name: RangeName, label?: string): NumberSchema<number> {
  return number(name, label)
    .integer()
    .messages({ 'number.integer': `${label ?? RANGES[name].label} is counted: write a whole number.` });
}

/** One of a list of words. */
export function oneOf<T extends string>(label: string, words: readonly T[]): StringSchema<T> {
  return Joi.string<T>()
    .valid(...words)
    .required()
    .messages({
      'any.only': `${label}: choose ${words.length > 8 ? 'one of the list' : list(words)}.`,
      'any.required': `${label} is missing: choose ${words.length > 8 ? 'one of the list' : list(words)}.`,
    });
}

// Blanks, then something visible, then no control characters: each letter is looked at once. Without the
// u flag, so that the published JSON Schema can carry the same pattern.
const LINE =
  /^[ \u00A0\u1680\u2000-\u200A\u2028\u2029\u202F\u205F\u3000\uFEFF]*[^\s\u0000-\u001F\u007F-\u009F][^\u0000-\u001F\u007F-\u009F]*$/;

/** A line of text people give things: 1 to `max` characters, at least one of them visible. */
export function line(label: string, max = 80): StringSchema<string> {
  return Joi.string()
    .max(max)
    .pattern(LINE)
    .required()
    .messages({
      'string.base': `${label}: write text.`,
      'string.empty': `${label} is empty: write something short.`,
      'string.max': `${label} is too long: keep it to ${max} characters.`,
      'string.pattern.base': `${label}: write plain text on one line.`,
      'any.required': `${label} is missing: write something short.`,
    });
}

/** Notes: free text over several lines. */
export const notes = Joi.string()
  .allow('')
  .max(4000)
  .pattern(/^[^\u0000-\u0008\u000B-\u001F\u007F]*$/)
  .messages({
    'string.max': 'Notes are too long: keep them to 4,000 characters.',
    'string.pattern.base': 'Notes hold characters that cannot be shown: write plain text.',
  });

/** The identity of a stored thing. */
export const id = Joi.string()
  .pattern(/^[A-Za-z0-9_-]{1,64}$/)
  .required()
  .messages({
    'string.pattern.base': 'An id is up to 64 letters, digits, dashes and underscores.',
    'any.required': 'An id is missing.',
  });

/** An ISO 8601 day. */
export const day = Joi.string()
  .pattern(/^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/)
  .required()
  .messages({ '*': 'Write the day as year, month and day: 2026-11-23.' });

/** An instant with its zone, kept as UTC to the millisecond. */
export const instant = Joi.string()
  .max(40)
  .pattern(INSTANT_PATTERN)
  .custom((text: string, helpers) => utcInstant(text) ?? helpers.error('string.pattern.base'))
  .required()
  .messages({
    'string.max': 'Write the time with its zone, such as 2026-11-23T09:30:00Z.',
    'string.pattern.base':
      'Write the time with its zone, such as 2026-11-23T09:30:00Z or 2026-11-23T10:30:00+01:00.',
  });

function range(label: string, unit: string, min: number, max: number, why: string): Range {
  return { label, unit, min, max, why };
}

const IN_WORDS = new Intl.NumberFormat('en-GB', { maximumFractionDigits: 7 });
const shown = (value: number): string => IN_WORDS.format(value);

function list(words: readonly string[]): string {
  return words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} or ${words.at(-1)}`;
}
