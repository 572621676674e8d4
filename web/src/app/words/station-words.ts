import type { Abrasive, CareKind } from '@mellow-anvil/core/abrasive';
import type { Count, Edge } from '@mellow-anvil/core/blade';
import {
  type Lift,
  type BenchStep,
  purposeOf,
  type Station,
  type StationKind,
} from '@mellow-anvil/core/plan';
import type { ProofTest } from '@mellow-anvil/core/record';
import { type GateWord, rollOf, type Skip } from '@mellow-anvil/core/run';
import { byTurns } from '@mellow-anvil/core/work';
import type { Figures } from '../ui/figures';
import { stropWords } from './strop-words';

/** What to feel or look for at a stone (common practice, no source). */
export function feelFor(
  stone: Abrasive | undefined,
  step: BenchStep | undefined,
  of: readonly BenchStep[],
  figures: Figures,
  edge?: Edge,
): string {
  const swept = edge?.form === 'knife' && edge.sweep === 'up';
  const tipFirst = edge?.form === 'knife' && edge.begins === 'tip';
  const laid =
    tipFirst && !step?.along ? TIP_FIRST : swept && !step?.along ? TURN_ABOUT : alongWords(step, figures);
  const roll = edge && rollOf(edge, step?.side === 1 ? 'other' : 'bevel');
  if (step?.afterBurr || stone?.kind === 'strop')
    return `${stropWords(step, edge, figures)}${roll ? ` No roll here: ${figures.angle(roll.toDeg)} all the way.` : ''}${laid}`;
  const purpose = step && purposeOf(step);
  if (purpose === 'back')
    return `The back flat on the stone, only its first millimetres, along the edge. Both fingers near the edge.${alongWords(step, figures)}`;
  if (purpose === 'body')
    return 'The side of the blade flat on the stone, spine down and the edge clear of it: steel comes off behind the edge, which keeps it thin. Half on each side.';
  if (purpose === 'inside')
    return 'The tool held still, the slip in its hollow, rolled from corner to corner in every stroke, out of the edge: never along it, and fingers clear of it. Light, until no burr is left to catch.';
  if (purpose === 'primary')
    return 'The guide set to the primary’s angle. Firmly, on the whole bevel, until only a narrow strip of the old one is left at the edge.';
  if (purpose === 'evening')
    return 'Only the parts that stand ahead, as many as are told; the others stay off the stone.';
  if (edge?.form === 'v' && step?.places)
    return 'One wing flat as a small chisel, then the other as many, then the keel rolled as the small gouge it is.';
  if (purpose === 'curve' || step?.places)
    return 'Press where the finger is drawn, and there only; trail the corners, they dig in.';
  const stones = of.filter((each) => purposeOf(each) === 'edge');
  const rolled = roll
    ? ` Laid flat, then tipped as it comes, to ${figures.angle(roll.toDeg)} at the end of the stroke.`
    : '';
  return `${edgeFeel(step, stones, edge)}${rolled}${laid}`;
}

/** Of a knife swept up, counted by its sides. */
const TURN_ABOUT =
  ' Turn about: one heel to past the middle, the next on to the tip, the handle lifted as it sweeps up.';

/** Of a knife whose tip matters most, counted by its sides. */
const TIP_FIRST = ' The very tip first, handle lifted, then back to the heel; the next the same.';

/** How strokes are laid along an edge longer than its stone. */
export function alongWords(step: Pick<BenchStep, 'along'> | undefined, figures: Figures): string {
  const along = step?.along;
  switch (along?.way) {
    case undefined:
      return '';
    case 'parts':
      return ` In ${String(along.visits)} parts, side by side, each with as many.`;
    case 'crosswise':
      return ' Every stroke from end to end across the stone, and on until the stone has left the edge.';
    case 'swept':
      return along.tipFirst
        ? ` In ${String(along.visits)} parts that overlap, the very tip first, handle lifted, then back to the heel.`
        : ` In ${String(along.visits)} parts that overlap, heel to tip, the handle lifted as it sweeps up.`;
    case 'rolled':
      return ` Rolled ${figures.angle(Math.round(along.turnDeg ?? 0))} in every stroke, from one corner to the other: ${figures.length(along.patchMm ?? 0)} of it touches at a time.`;
    case 'swung':
      return ` The straight part first; then round the heel, the handle swung ${figures.angle(Math.round(along.turnDeg ?? 0))} as the stroke runs, both bevels kept down.`;
    case 'half-circles':
      return ' In half circles: half of them swung about the left end, half about the right.';
  }
}

function edgeFeel(step: BenchStep | undefined, stones: readonly BenchStep[], edge: Edge | undefined): string {
  if (step && step === stones[0] && step.along?.way === 'rolled') {
    const raised = edge?.form !== 'gouge' ? 'on the back' : edge.cannel === 'in' ? 'outside' : 'inside';
    return `Firmly, never two strokes from one place. Go on until a burr can be felt ${raised}, corner to corner.`;
  }
  if (step && step === stones[0])
    return step.side === undefined
      ? 'Push firmly, both corners down. Go on until a burr can be felt on the back.'
      : 'Firmly, this side alone, until its burr stands all along on the other.';
  if (step?.count === 'falling')
    return 'Side by side now, a stroke fewer and lighter each time: the burr is turned over and tires.';
  if (step && step.side === 1) return 'The other side, as many again, until its own burr stands all along.';
  if (step && step === stones.at(-1))
    return 'Lightly, pull strokes if you fear digging in. Done when the marks of the stone before are gone.';
  return 'Lighter than before. Done when the marks of the stone before are gone.';
}

/** The sides an edge is worked on by turns, as they are called. */
export function sideNamesOf(edge: Edge | undefined): readonly [string, string] | readonly [''] {
  if (!edge || !byTurns(edge)) return [''];
  // Which hand it is for says which side scrapes.
  if (edge.form === 'scraping')
    return edge.burrSide === 'left'
      ? ['reverse side, right', 'scraping side, left']
      : ['reverse side, left', 'scraping side, right'];
  return edge.form === 'hook' ? ['outside', 'inside'] : ['left side', 'right side'];
}

/** A station that is only done: what it is called, what to do, what its one large target says. */
export interface StationText {
  readonly title: string;
  readonly does: readonly string[];
  readonly done: string;
}

/** Common practice, no source. */
export const STATION_TEXT: Readonly<Record<StationKind, StationText>> = {
  ready: {
    title: 'Ready the bench',
    does: ['Stones wet, strop charged, rags, oil and marker at hand.', 'Good light, low from the side.'],
    done: 'It is ready',
  },
  isolate: {
    title: 'Isolate the machine',
    does: ['Switch it off, pull the plug, wait until it stands.', 'Number the knives before they come out.'],
    done: 'Unplugged, and standing still',
  },
  care: { title: 'See to the stone', does: [], done: 'It is done' },
  look: {
    title: 'Look at it',
    does: [
      'Chips, a worn white line along the edge, rust or pits near it, out of square?',
      'How did the last shavings look? Anything worse than planned: stop, and plan anew.',
    ],
    done: 'As planned',
  },
  template: {
    title: 'Grind the curve',
    does: [
      'To the line of its template: square to the back first, then the bevel.',
      'Dip often; leave the very edge to the stones.',
    ],
    done: 'Ground to the line',
  },
  joint: {
    title: 'Joint the edge',
    does: [
      'Grind the edge square, straight into the wheel, lightly, until the nick is just gone.',
      'It will show a bright line all along: the bevel is ground until that is a hair.',
    ],
    done: 'Jointed',
  },
  grind: { title: 'At the wheel', does: [], done: 'Ground' },
  heat: { title: 'Did it stay cool?', does: [], done: '' },
  set: { title: 'Set the guide', does: [], done: 'It is set' },
  lift: { title: 'Find the bevel', does: [], done: 'It lies on its bevel' },
  marker: { title: 'Colour the bevel', does: [], done: '' },
  hollow: { title: 'Hollow the back', does: [], done: 'Hollowed' },
  'colour-back': {
    title: 'Colour the back',
    does: [
      'Marker over both rims, corner to corner.',
      'What is still coloured after some strokes has not met the stone: press there.',
    ],
    done: 'Coloured',
  },
  stone: { title: '', does: [], done: 'Done' },
  polished: { title: 'Polished corner to corner?', does: [], done: '' },
  burr: { title: 'Feel for the burr', does: [], done: '' },
  wash: {
    title: 'Wash',
    does: ['Stone, guide wheel, blade and hands: one coarse grain ruins the finer stone.'],
    done: 'Washed',
  },
  scratch: { title: 'Are the marks gone?', does: [], done: '' },
  'burr-off': {
    title: 'Take off the burr',
    does: [],
    done: 'It is off',
  },
  nail: { title: 'Draw it along the nail', does: [], done: '' },
  straight: { title: 'Straight against the light?', does: [], done: '' },
  even: { title: 'Even from its end?', does: [], done: '' },
  proof: { title: 'Prove it', does: [], done: '' },
  wipe: {
    title: 'Wipe and oil',
    does: [
      'Wipe away from the edge, never along it.',
      'A thin film of oil that does not dry.',
      'The edge in a wrap, or where nothing meets it.',
    ],
    done: 'Wiped and oiled',
  },
  refit: {
    title: 'Refit it',
    does: [
      'The chip breaker slid on from the side, about 2 mm back, closer for fine work.',
      'Take up the adjuster’s slack, sight the edge against something white, level it with the lateral lever.',
    ],
    done: 'Refitted',
  },
  away: { title: 'Put away', does: ['Wrap or cover the edge. Oily rags lie flat to dry.'], done: 'Put away' },
};

/** What a station is called on a list of the whole order. */
export function stationName(
  station: Station,
  edge: Edge | undefined,
  nameOf: (id: string) => string,
  stepOf: (index: number) => Pick<BenchStep, 'abrasiveId' | 'side' | 'facet'> | undefined,
): string {
  const names = sideNamesOf(edge);
  const side = (index: 0 | 1 | undefined): string =>
    index === undefined || names.length === 1 ? '' : `, ${names[index]}`;
  const { title } = STATION_TEXT[station.kind];
  switch (station.kind) {
    case 'stone': {
      const step = stepOf(station.step);
      const face =
        step?.facet && ['back', 'primary', 'body', 'inside'].includes(step.facet)
          ? `, the ${step.facet}`
          : '';
      return `${nameOf(step?.abrasiveId ?? '')}${side(step?.side)}${face}`;
    }
    case 'care':
      return `${CARE_TITLES[station.care]} ${nameOf(station.abrasiveId)}`;
    case 'burr':
      if (station.wanted) return 'Is the burr up?';
      // What one side raised stands on the other.
      return `${title}${side(station.side === undefined ? undefined : station.side === 0 ? 1 : 0)}`;
    case 'marker':
      return `${title}${station.wheel ? ', at the wheel' : side(station.side)}`;
    case 'set':
    case 'lift':
      return `${title}${station.facet === 'primary' ? ', for the primary' : station.facet === 'micro' ? ', for the micro-bevel' : ''}`;
    case 'grind':
      return 'Eyes covered, at the wheel';
    case 'hollow':
      return 'Eyes covered: hollow the back';
    case 'proof':
      return station.before ? 'Prove it before the strop' : title;
    default:
      return title;
  }
}

/** How high a spine is, or which angle is found by hand, on each side that has its own. */
export function liftWords({ bevelDeg, liftMm, rightDeg, rightMm }: Lift, figures: Figures): string {
  const one = (deg: number, mm: number | undefined): string =>
    mm === undefined ? figures.angle(deg) : `${figures.length(mm)} under the spine`;
  const left = one(bevelDeg, liftMm);
  return rightDeg === undefined ? left : `left ${left}, right ${one(rightDeg, rightMm)}`;
}

export const MACHINE_REFIT: StationText = {
  title: 'Refit the knives',
  does: [
    'By the machine’s manual: heights, torque and order of the screws are its maker’s.',
    'Guards back on before the plug.',
  ],
  done: 'Refitted',
};
export const OIL_WASH = 'Wipe off all the oil, wash with soap: oil and water stones are not mixed.';

export const CARE_TITLES: Readonly<Record<CareKind, string>> = {
  flattened: 'Flatten',
  straightedge: 'Lay a straightedge on',
  'new-sheet': 'A new sheet for',
  'laid-aside': 'Lay this piece aside, put the next on:',
  recharged: 'Charge',
  scraped: 'Scrape clean, then charge',
  dressed: 'Dress',
  cleaned: 'Clean',
};

/** What a gate told, where it led. */
export const TOLD: Readonly<Record<GateWord, string>> = {
  'burr-gaps': 'The burr stood only in part: press where it was missing.',
  'burr-none': 'No burr yet: the stone has not reached the edge. Same angle, more strokes.',
  'burr-none-again':
    'Still no burr: a face that shines or is dished cuts no longer. Flatten or clean the stone, colour the bevel to see whether the edge is touched, then on.',
  'burr-strong': 'The burr is stronger in one place: press in the other from now on.',
  'marker-low':
    'Colour left at the edge: the angle is too low. A shorter projection, or a little more lift, then the marker again.',
  'marker-steep':
    'Colour left at the heel: steeper than the bevel. A longer projection, or less lift, then the marker again.',
  'marker-skewed': 'Colour left on one side: not square. Clamp it against a stop, then the marker again.',
  'marker-hollow': 'Colour left in patches: the stone is hollow there. Flatten it, then the marker again.',
  scratches: 'Marks of the stone before still show: more here, until they are gone.',
  'scratches-sheet': 'They still show: the sheet may be cut. Lay this piece aside, go on with the next.',
  'scratches-again': 'They still show: it may be a stray grain. Wash everything, then go on.',
  'scratches-back':
    'Twice more, and they still show: the stone before has not finished its own work. Some more there, wash, then here again.',
  shakes: 'It shook there: a burr is left. A few light strokes at that place, then off with it.',
  'corners-ahead': 'The corners stand ahead: only they are honed, then look again.',
  'middle-ahead': 'The middle stands ahead: only it is honed, then look again.',
  tooth: 'A tooth is the keel, left behind: roll the keel alone, then look again.',
  notch: 'A notch is the keel, honed too far: both wings, not the keel, then look again.',
  'hook-left': 'It hooks to the left: the right wing took too much. The left wing alone, then look again.',
  'hook-right': 'It hooks to the right: the left wing took too much. The right wing alone, then look again.',
  'light-middle': 'Light in the middle: its ends stand proud. Press at both ends, then look again.',
  'light-ends': 'Light at the ends: its middle stands proud. Press in the middle, then look again.',
  unpolished: 'Not to both corners yet: more here, both fingers near the edge.',
  hot: 'Too hot to hold: dip after every pass, press less.',
  coloured: 'It has coloured: soft there in plain steel. Light passes until the colour is ground away.',
  'not-proved': 'Led back here by the proof: more of this, then prove it again.',
};

export const COUNT_WORDS: Readonly<Record<Count, string>> = {
  through: 'Straight through',
  half: 'Half and half',
  'five-down': '5-4-3-2-1 a side',
  'ten-down': '10 … 1 a side',
  falling: 'In turn, fewer each time',
  singles: 'In turn, one each',
};

/** @example knivesWords([1, 3]) // Knives 1 and 3 */
export const knivesWords = (knives: readonly number[]): string =>
  `${knives.length === 1 ? 'Knife' : 'Knives'} ${listed(knives)}`;

const listed = (knives: readonly number[]): string =>
  knives.length < 2 ? knives.join('') : `${knives.slice(0, -1).join(', ')} and ${String(knives.at(-1))}`;

/** What is done with the knives before the next stroke, in words a gloved hand can follow. */
export function changeWords(
  { takeOut, putIn }: { readonly takeOut: readonly number[]; readonly putIn: readonly number[] },
  knives: readonly number[],
  back: boolean,
): { readonly words: string; readonly then: string } {
  if (back) {
    return {
      words: `Knife ${listed(knives)}, its back`,
      then: 'Lay it flat, hold it down all along. Tap when it lies.',
    };
  }
  if (putIn.length === 0) {
    return {
      words: `${knivesWords(knives)} stay in`,
      then: 'Feel that each is still home and tight. Tap to go on.',
    };
  }
  const out = takeOut.length === 0 ? '' : `Take out ${listed(takeOut)}, `;
  const words = `${out}put in ${listed(putIn)}`;
  return {
    words: words.charAt(0).toUpperCase() + words.slice(1),
    then: 'Press each home all along, tighten, look that no edge touches another. Tap when it is in.',
  };
}

export const SKIP_WORDS: Readonly<Record<Skip, string>> = {
  'not-needed': 'Not needed here',
  'done-before': 'Done before',
  'no-time': 'No time now',
  cannot: 'Cannot here',
};

export const PROOF_WORDS: readonly {
  readonly test: ProofTest;
  readonly label: string;
  readonly how: string;
  readonly yes: string;
  readonly no: string;
}[] = [
  { test: 'nail', label: 'Thumbnail', how: 'Rest the edge on it, no pressure.', yes: 'Bites', no: 'Skates' },
  {
    test: 'nail-drawn',
    label: 'Drawn along the nail',
    how: 'Lightly, end to end; the two ends tell most.',
    yes: 'Smooth',
    no: 'Shakes',
  },
  { test: 'paper', label: 'Paper', how: 'Through the edge of a held sheet.', yes: 'Parts', no: 'Tears' },
  { test: 'cut', label: 'A cut', how: 'Across the grain of pine.', yes: 'Clean', no: 'Lines or torn' },
  { test: 'light', label: 'Light', how: 'Edge up, under a lamp.', yes: 'None seen', no: 'It shines' },
  { test: 'sound', label: 'Sound', how: 'Listen to the cut.', yes: 'Crisp', no: 'Dull drag' },
  { test: 'hair', label: 'Arm hair', how: 'Laid flat, drawn back.', yes: 'Taken', no: 'Left' },
];
