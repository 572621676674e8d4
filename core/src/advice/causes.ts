import type { Fault } from '../blade/dulling.js';
import type { ConditionKind } from '../blade/dulling.js';
import type { Look, Often, Symptom } from './signs.js';

/** What mends a cause: words, and a plan asked for that condition where a honing or grinding is it. */
interface Cure {
  readonly says: string;
  readonly condition?: ConditionKind;
  readonly faults?: readonly Fault['kind'][];
  /** A side of the vise where it is mended. */
  readonly side?: 'edge' | 'set-up' | 'camber' | 'plan';
  /** The Stones room. */
  readonly stones?: true;
}

interface Cause {
  readonly name: string;
  readonly why: string;
  /** How common it is beside the others, 1 to 5 (estimate). */
  readonly common: number;
  readonly shows: Partial<Readonly<Record<Symptom, Often>>>;
  readonly looks: Partial<Readonly<Record<Look, Often>>>;
  readonly cure: Cure;
}

const CAUSES = {
  'not-there-yet': {
    name: 'The stone has not reached the edge everywhere',
    why: 'Worn steel is left along part of the edge: too few strokes there.',
    common: 5,
    shows: {
      'burr-in-part': 'always',
      'no-burr': 'often',
      'skates-on-nail': 'often',
      'light-on-edge': 'often',
      'lines-in-cut': 'sometimes',
      'not-fine': 'sometimes',
    },
    looks: { 'marker-edge': 'sometimes', 'fingertip-burr': 'sometimes' },
    cure: {
      says: 'Go on, same angle, pressing where the burr is missing, until it stands all along.',
      condition: 'dull',
      side: 'plan',
    },
  },
  'angle-too-low': {
    name: 'The angle is lower than the bevel’s',
    why: 'The stone touches the heel and never the edge.',
    common: 4,
    shows: {
      'heel-shiny': 'always',
      'no-burr': 'always',
      'skates-on-nail': 'often',
      'light-on-edge': 'often',
    },
    looks: { 'marker-edge': 'always' },
    cure: { says: 'Set the guide again: a shorter projection is a steeper angle.', side: 'set-up' },
  },
  'angle-steeper': {
    name: 'The angle is steeper than last time',
    why: 'Only the very edge is touched: a micro-bevel nobody meant.',
    common: 4,
    shows: { 'edge-shiny': 'always', thickened: 'sometimes', 'sharp-does-not-cut': 'sometimes' },
    looks: { 'marker-heel': 'always', 'angle-measured': 'often' },
    cure: {
      says: 'Set it as it was last set; repeating the same setting matters more than the exact angle.',
      side: 'set-up',
    },
  },
  'not-square': {
    name: 'The blade is not square in the guide',
    why: 'One side of the bevel is lower than the other.',
    common: 3,
    shows: {
      'one-side-shiny': 'always',
      'burr-in-part': 'often',
      'burr-uneven': 'often',
      'tracks-on-board': 'sometimes',
    },
    looks: { 'marker-one-side': 'always', 'square-blade': 'often' },
    cure: {
      says: 'Clamp it square against a stop, then hone it true.',
      condition: 'dull',
      faults: ['out-of-square'],
      side: 'set-up',
    },
  },
  'uneven-pressure': {
    name: 'The pressure is heavier on one side',
    why: 'One corner is leaned on; a burr stronger in one place says so.',
    common: 3,
    shows: {
      'one-side-shiny': 'often',
      'burr-in-part': 'often',
      'burr-uneven': 'always',
      'corners-rounded': 'sometimes',
      'edge-bellied': 'sometimes',
    },
    looks: { 'marker-one-side': 'often', 'square-blade': 'sometimes' },
    cure: {
      says: 'Both fingers alike, over the edge; press where it is missing until the marker goes evenly.',
      condition: 'dull',
      side: 'plan',
    },
  },
  'moved-on-too-soon': {
    name: 'Moved on to the finer stone too soon',
    why: 'Its strokes polish the tops of scratches it never reached the bottom of.',
    common: 4,
    shows: {
      'scratches-show': 'always',
      'not-fine': 'always',
      'lines-in-cut': 'often',
      'skates-on-nail': 'sometimes',
    },
    looks: { 'lens-scratches': 'always' },
    cure: {
      says: 'Back one stone, until its marks alone are left; then finer again.',
      condition: 'dull',
      side: 'plan',
    },
  },
  contaminated: {
    name: 'A coarse grain on the fine stone',
    why: 'One stray grain scores every stroke.',
    common: 2,
    shows: { 'scratches-show': 'often', 'lines-in-cut': 'often', 'not-fine': 'sometimes' },
    looks: { 'lens-scratches': 'often' },
    cure: {
      says: 'Wash stone, guide wheel, blade and hands; flatten the stone if it comes again.',
      stones: true,
    },
  },
  overheated: {
    name: 'It was overheated on the wheel',
    why: 'Plain carbon steel that has coloured is soft there until it is ground past; alloy and high-speed steels stand more.',
    common: 2,
    shows: { 'temper-colour': 'always', 'dull-at-once': 'often', crumbles: 'sometimes' },
    looks: { 'colour-seen': 'always' },
    cure: {
      says: 'Grind past the colour: light passes, dipped often.',
      condition: 'dull',
      faults: ['overheated'],
      side: 'plan',
    },
  },
  rocked: {
    name: 'Rocked on the stone',
    why: 'A hand that rises at the end of the stroke rounds the bevel over.',
    common: 3,
    shows: {
      'rounded-over': 'always',
      'skates-on-nail': 'sometimes',
      'sharp-does-not-cut': 'sometimes',
      thickened: 'sometimes',
    },
    looks: { 'marker-edge': 'sometimes', 'marker-heel': 'sometimes' },
    cure: {
      says: 'Hone the rounding off at its angle, in a guide or with shorter strokes.',
      condition: 'rolled',
      faults: ['rounded-over'],
      side: 'plan',
    },
  },
  'rolled-on-strop': {
    name: 'Rolled on the strop',
    why: 'Too much pressure, or a lift at the end, rolls the edge over soft leather.',
    common: 3,
    shows: {
      'rounded-over': 'often',
      'skates-on-nail': 'often',
      'not-fine': 'often',
      'dull-at-once': 'sometimes',
    },
    looks: { 'strop-lifted': 'always' },
    cure: {
      says: 'A few strokes on the finest stone, then strop lightly: stop, then turn over; never lift.',
      condition: 'fading',
      side: 'plan',
    },
  },
  'corners-dropped': {
    name: 'The corners dropped off the stone’s side',
    why: 'Half the edge off the stone rounds the corner that stays on.',
    common: 2,
    shows: { 'corners-rounded': 'always' },
    looks: { 'light-at-corners': 'often' },
    cure: {
      says: 'Keep both corners on the stone; hone it straight, or ease both corners on purpose.',
      condition: 'dull',
      side: 'camber',
    },
  },
  'dished-stone': {
    name: 'The stone is dished',
    why: 'A hollow stone makes a belly.',
    common: 4,
    shows: {
      'edge-bellied': 'always',
      'burr-in-part': 'often',
      'burr-uneven': 'sometimes',
      'corners-rounded': 'sometimes',
    },
    looks: { 'straightedge-stone': 'itself', 'marker-patches': 'often' },
    cure: {
      says: 'Flatten the stone first, then hone the edge straight on it.',
      stones: true,
      condition: 'dull',
    },
  },
  'only-tip-touched': {
    name: 'Only the tip was touched, year upon year',
    why: 'The blade behind the edge has grown thick: it wedges.',
    common: 2,
    shows: { thickened: 'always', 'sharp-does-not-cut': 'sometimes' },
    looks: { 'angle-measured': 'often' },
    cure: {
      says: 'Work the body of the blade too: grind the primary back, or thin the knife’s sides.',
      condition: 'dull',
      faults: ['wide-land'],
      side: 'plan',
    },
  },
  'too-acute': {
    name: 'Too acute for this wood',
    why: 'An edge that breaks in use wants a steeper angle.',
    common: 3,
    shows: { crumbles: 'always', 'lines-in-cut': 'often', 'dull-at-once': 'sometimes' },
    looks: { 'lens-chips': 'always' },
    cure: {
      says: 'A degree or two steeper; the adviser under Edge weighs wood, steel and this tool’s own chips.',
      side: 'edge',
    },
  },
  pitted: {
    name: 'Pits reach the edge',
    why: 'Rust has eaten holes; where one comes to the edge, a piece is missing.',
    common: 1,
    shows: { crumbles: 'often', 'lines-in-cut': 'often' },
    looks: { 'lens-pits': 'itself' },
    cure: {
      says: 'Hone past them, or leave a short dull stretch until wear passes it.',
      condition: 'dull',
      faults: ['pits'],
      side: 'plan',
    },
  },
  nicked: {
    name: 'A nick in the edge',
    why: 'It has met something hard.',
    common: 3,
    shows: { 'lines-in-cut': 'always', 'tracks-on-board': 'sometimes', 'light-on-edge': 'sometimes' },
    looks: { 'lens-chips': 'often' },
    cure: {
      says: 'Hone it out where it is small; half a millimetre and more is ground.',
      condition: 'nicked',
      side: 'plan',
    },
  },
  'burr-left': {
    name: 'The burr was left on',
    why: 'It cuts for a moment, folds, and is gone with the edge.',
    common: 4,
    shows: {
      'dull-at-once': 'always',
      'shakes-on-nail': 'always',
      'burr-stays': 'sometimes',
      'not-fine': 'sometimes',
    },
    looks: { 'fingertip-burr': 'always' },
    cure: {
      says: 'Back and bevel in turn on the finest stone, lighter each time; then the strop.',
      condition: 'fading',
      side: 'plan',
    },
  },
  'burr-too-heavy': {
    name: 'The burr was raised too heavy',
    why: 'A coarse stone pressed hard turns over more than a fine one takes off.',
    common: 2,
    shows: { 'burr-stays': 'always', 'shakes-on-nail': 'often', 'lines-in-cut': 'sometimes' },
    looks: { 'fingertip-burr': 'often', 'lens-scratches': 'sometimes' },
    cure: {
      says: 'Alternate sides with falling pressure; work it back and forth, never tear it.',
      condition: 'fading',
      side: 'plan',
    },
  },
  'back-not-flat': {
    name: 'The back is not polished to the edge',
    why: 'An edge is two surfaces; the other one is not there.',
    common: 2,
    shows: {
      'burr-stays': 'often',
      'skates-on-nail': 'often',
      'not-fine': 'often',
      'lines-in-cut': 'sometimes',
    },
    looks: { 'back-flat': 'always' },
    cure: {
      says: 'Prepare the back: its first millimetres, corner to corner, as for a blade new to the bench.',
      condition: 'new',
      side: 'plan',
    },
  },
  'stone-loaded': {
    name: 'The stone is loaded or glazed',
    why: 'Swarf fills it, or its grains are worn smooth: it slides where it should cut.',
    common: 3,
    shows: {
      'no-burr': 'often',
      'scratches-show': 'often',
      'not-fine': 'sometimes',
      'burr-in-part': 'sometimes',
    },
    looks: { 'stone-shines': 'always' },
    cure: {
      says: 'Clean it, flatten it or dress it, then the same strokes again.',
      stones: true,
      condition: 'dull',
    },
  },
  'steel-soft': {
    name: 'The steel is too soft there',
    why: 'Ground past its hardening, or never hard: the edge folds however well it is honed.',
    common: 1,
    shows: { 'dull-at-once': 'always', 'burr-stays': 'often', 'rounded-over': 'often' },
    looks: { 'file-bites': 'always', 'fingertip-burr': 'sometimes' },
    cure: {
      says: 'Grind back to hard steel where there is some; else it is a blade for rough work, or for a competent person to harden.',
      side: 'edge',
    },
  },
  'breaker-off': {
    name: 'The chip breaker is badly seated',
    why: 'A gap under it, a blunt front or a place too far back, and shavings wedge in.',
    common: 2,
    shows: { 'shavings-jam': 'always', 'sharp-does-not-cut': 'often' },
    looks: { 'breaker-gap': 'always' },
    cure: {
      says: 'Hone its underside until no light shows, slide it on from the side, about 2 mm back.',
      side: 'edge',
    },
  },
  'no-clearance': {
    name: 'There is no clearance behind the edge',
    why: 'The heel rides on the wood: bevel too steep for the bed, or worn under.',
    common: 2,
    shows: { 'sharp-does-not-cut': 'always' },
    looks: { 'clearance-small': 'itself', 'angle-measured': 'sometimes' },
    cure: { says: 'Hone less steep; on a bevel-up iron leave the back bevel out.', side: 'edge' },
  },
  'back-bevel-up': {
    name: 'A back bevel on a bevel-up iron',
    why: 'Bevel up, the back faces the wood, and a back bevel comes straight off the clearance.',
    common: 1,
    shows: { 'sharp-does-not-cut': 'often' },
    looks: { 'clearance-small': 'often', 'back-flat': 'often' },
    cure: { says: 'Hone the back flat again, without the shim.', side: 'edge' },
  },
  'too-little-camber': {
    name: 'Too little camber, or the iron is tilted',
    why: 'The corners dig in and leave a step at each side of a pass.',
    common: 4,
    shows: { 'tracks-on-board': 'always' },
    looks: { 'square-blade': 'sometimes' },
    cure: { says: 'The lateral lever first; then ease the corners or give it more camber.', side: 'camber' },
  },
  'too-much-camber': {
    name: 'Too much camber',
    why: 'The shaving is narrow, and each pass leaves a hollow.',
    common: 3,
    shows: { 'tall-scallops': 'always', 'edge-bellied': 'sometimes' },
    looks: { 'light-at-corners': 'itself' },
    cure: { says: 'Next time work the middle; read the iron back under Camber.', side: 'camber' },
  },
} as const satisfies Record<string, Cause>;
export type CauseName = keyof typeof CAUSES;
export const CAUSE_NAMES = Object.keys(CAUSES) as readonly CauseName[];
export const causeFacts = (name: CauseName): Cause => CAUSES[name];
