import type { PatternName } from '@mellow-anvil/contract';
import { parseNumber } from '@mellow-anvil/core/base';
import {
  bevelGauge,
  camberTemplate,
  foldingSheet,
  gaugeBlock,
  gougeStrop,
  type Pattern,
  type PatternHand,
  restTemplate,
  vStrop,
} from '@mellow-anvil/core/pattern';
import type { FileForm } from '../ui/take-away';

/** What is typed of a pattern: a figure in mm or degrees, or angles with spaces between. */
interface SpotField {
  readonly name: string;
  readonly label: string;
  readonly quantity: 'length' | 'angle' | 'angles';
  readonly start: number | string;
  readonly hint?: string;
  /** The hint where the figure comes from something owned. */
  readonly ownedHint?: string;
}

/** A pattern worked out on the spot: what is asked for, and what draws it. */
export interface SpotPattern {
  readonly label: string;
  readonly fields: readonly SpotField[];
  /** What it is made from that nobody is asked. */
  readonly fixed: Readonly<Record<string, number>>;
  /** Something owned that some of its figures come from. */
  readonly owned?: 'wheel' | 'jig' | 'gouge' | 'v';
  readonly forms: readonly FileForm[];
  /** @throws Refusal on the field that leaves no such pattern */
  draw(asked: SpotValues, hand: PatternHand): Pattern;
}

/** The figures of a pattern, by the names they have over HTTP. */
export type SpotValues = Readonly<Record<string, number | readonly number[]>>;

const length = (name: string, label: string, start: number, hint?: string): SpotField => ({
  name,
  label,
  quantity: 'length',
  start,
  ...(hint !== undefined && { hint }),
});
const angle = (name: string, label: string, start: number): SpotField => ({
  name,
  label,
  quantity: 'angle',
  start,
});
const angles = (start: string): SpotField => ({
  name: 'anglesDeg',
  label: 'Angles',
  quantity: 'angles',
  start,
  hint: 'Degrees, with spaces between',
});

const SOLID: readonly FileForm[] = ['pdf', 'svg', 'dxf', 'stl'];
const PAPER: readonly FileForm[] = ['pdf', 'svg', 'dxf'];

/** Figures by name are what a pattern is drawn from: held to its query's names by the table's own spec. */
const drawnBy =
  (draw: (input: never, hand: PatternHand) => Pattern): SpotPattern['draw'] =>
  (asked, hand) =>
    draw(asked as never, hand);

export const SPOT_PATTERNS: Readonly<Record<PatternName, SpotPattern>> = {
  'bevel-gauge': {
    label: 'Bevel gauge',
    fields: [
      angles('20 25 30 35 40'),
      length('notchMm', 'Depth of a notch', 14, 'About the length of bevel it judges'),
    ],
    fixed: { thicknessMm: 2 },
    forms: SOLID,
    draw: drawnBy(bevelGauge),
  },
  'rest-template': {
    label: 'Template for a tool rest',
    owned: 'wheel',
    fields: [
      // Before any was measured: a small bench grinder's.
      {
        ...length('wheelRadiusMm', 'Wheel’s radius', 75, 'Half across'),
        ownedHint: 'As it was last measured',
      },
      length('thicknessMm', 'Blade’s thickness', 4),
      angle('bevelDeg', 'Bevel to grind', 25),
    ],
    fixed: { plateMm: 6 },
    forms: SOLID,
    draw: drawnBy(restTemplate),
  },
  'gauge-block': {
    label: 'Block for a support bar',
    owned: 'jig',
    fields: [angles('20 25 30'), length('barDiameterMm', 'Thickness of the bar', 12)],
    fixed: { thicknessMm: 12 },
    forms: SOLID,
    draw: drawnBy(gaugeBlock),
  },
  'camber-template': {
    label: 'Camber template',
    fields: [
      length('widthMm', 'Width of the iron', 33),
      length('radiusMm', 'Radius of the curve', 75, 'A scrub’s is about 75 mm'),
    ],
    fixed: { plateMm: 3 },
    forms: SOLID,
    draw: drawnBy(camberTemplate),
  },
  'gouge-strop': {
    label: 'Strop block for a gouge',
    owned: 'gouge',
    fields: [
      { ...length('widthMm', 'Width of the gouge', 20), ownedHint: 'As the tool has it' },
      { ...length('depthMm', 'Depth of its curve', 5), ownedHint: 'As the tool has it' },
      length('wallMm', 'Thickness of its wall', 2.4),
      length('leatherMm', 'Leather to go on it', 2, '0 for compound on bare wood'),
      length('lengthMm', 'Length of the block', 120),
    ],
    fixed: {},
    forms: SOLID,
    draw: drawnBy(gougeStrop),
  },
  'v-strop': {
    label: 'Strop block for a V',
    owned: 'v',
    fields: [
      length('wingMm', 'Length of a wing', 9),
      angle('openingDeg', 'Between the wings', 60),
      length('keelRadiusMm', 'Radius of the keel', 0.4),
      length('leatherMm', 'Leather to go on it', 1, '0 for compound on bare wood'),
      length('lengthMm', 'Length of the block', 120),
    ],
    fixed: {},
    forms: SOLID,
    draw: drawnBy(vStrop),
  },
  'folding-sheet': {
    label: 'Folding template',
    fields: [angle('angleDeg', 'Angle to find', 30), length('sideMm', 'Side of the sheet', 120)],
    fixed: {},
    forms: PAPER,
    draw: drawnBy(foldingSheet),
  },
};

/** Angles as they are typed, with spaces or semicolons between. @throws Refusal on `anglesDeg` */
export function anglesIn(text: string): readonly number[] {
  return text
    .split(/[\s;°]+/)
    .filter((part) => part !== '')
    .map((part) => parseNumber(part, 'anglesDeg'));
}
