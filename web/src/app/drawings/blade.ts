import {
  type Edge,
  type EdgeForm,
  FAMILIES,
  type Family,
  FAMILY_NAMES,
  type HostPlane,
  type SingleBevelEdge,
  type Steel,
  type Tool,
} from '@mellow-anvil/core/blade';
import type { Quantity } from '../ui/figures';

/** A thing being typed: its figures may be missing (undefined) or unreadable (NaN) for now. */
type Typed<T> = T extends unknown
  ? { readonly [K in keyof T]: number extends T[K] ? number | undefined : T[K] }
  : never;
export type EdgeDraft = Typed<Edge>;

/** A tool being typed. */
export interface BladeDraft {
  readonly name: string;
  readonly family: Family;
  readonly steel: Steel;
  readonly edge: EdgeDraft;
  readonly host?: Typed<HostPlane>;
}

export const FAMILY_OPTIONS = FAMILY_NAMES.map((value) => ({ value, label: FAMILIES[value].label }));

/** One figure of an edge as a field on the page. */
interface FigureField {
  readonly field: string;
  readonly label: string;
  readonly quantity: Quantity;
  readonly hint?: string | undefined;
  /** May be left empty. */
  readonly optional?: boolean;
}

/** One choice of an edge. */
interface ChoiceOf {
  readonly field: string;
  readonly label: string;
  /** The first is what it is where nobody said. */
  readonly options: readonly { readonly value: string; readonly label: string }[];
}

const length = (field: string, label: string, hint?: string): FigureField => ({
  field,
  label,
  quantity: 'length',
  hint,
});
const angle = (field: string, label: string, hint?: string, optional = false): FigureField => ({
  field,
  label,
  quantity: 'angle',
  hint,
  optional,
});
const WIDTH = length('widthMm', 'Width');
const THICKNESS = length('thicknessMm', 'Thickness');
const EDGE_LENGTH = length('lengthMm', 'Edge length');
const LEFT = angle('leftDeg', 'Left bevel', 'From the centre plane');
const RIGHT = angle('rightDeg', 'Right bevel', 'From the centre plane');

/** The figures an edge of each form is typed in, in the order they are measured. */
export const EDGE_FIGURES: Readonly<Record<EdgeForm, readonly FigureField[]>> = {
  'single-bevel': [
    WIDTH,
    THICKNESS,
    angle('primaryDeg', 'Primary angle'),
    angle('secondaryDeg', 'Secondary angle', 'Empty where one bevel is honed whole', true),
  ],
  'double-bevel': [WIDTH, THICKNESS, LEFT, RIGHT, angle('skewDeg', 'Skew', '0° is square to the blade')],
  knife: [EDGE_LENGTH, length('widthMm', 'Edge to spine'), length('spineMm', 'Spine thickness'), LEFT, RIGHT],
  gouge: [
    length('widthMm', 'Width', 'Straight from corner to corner'),
    length('depthMm', 'Depth of the curve'),
    length('thicknessMm', 'Wall thickness'),
    angle('bevelDeg', 'Bevel angle'),
    angle('counterBevelDeg', 'Counter bevel', 'Empty where there is none', true),
  ],
  v: [
    length('wingMm', 'Wing'),
    angle('openingDeg', 'Between the wings'),
    THICKNESS,
    angle('bevelDeg', 'Bevel angle'),
    length('keelRadiusMm', 'Keel radius'),
  ],
  hook: [
    EDGE_LENGTH,
    length('innerRadiusMm', 'Inner radius'),
    THICKNESS,
    angle('includedDeg', 'Included angle'),
  ],
  'knife-set': [
    { field: 'count', label: 'Number of knives', quantity: 'number' },
    EDGE_LENGTH,
    WIDTH,
    THICKNESS,
    angle('bevelDeg', 'Bevel angle'),
    {
      ...length('jigMm', 'Length of the jig', 'Empty where it holds two'),
      optional: true,
    },
  ],
  scraping: [EDGE_LENGTH, THICKNESS, angle('bevelDeg', 'Bevel angle')],
};

const GRIND: ChoiceOf = {
  field: 'grind',
  label: 'Grind',
  options: [
    { value: 'flat', label: 'Flat' },
    { value: 'hollow', label: 'Hollow, from a wheel' },
    { value: 'convex', label: 'Convex' },
  ],
};

/** What is chosen of each form rather than measured; the back has a panel of its own. */
export const EDGE_CHOICES: Readonly<Record<EdgeForm, readonly ChoiceOf[]>> = {
  'single-bevel': [GRIND],
  'double-bevel': [GRIND],
  knife: [
    GRIND,
    {
      field: 'sweep',
      label: 'Edge towards the tip',
      options: [
        { value: 'straight', label: 'Straight' },
        { value: 'up', label: 'Swept up' },
      ],
    },
    {
      field: 'begins',
      label: 'Strokes begin at',
      options: [
        { value: 'heel', label: 'The heel' },
        { value: 'tip', label: 'The tip' },
      ],
    },
  ],
  gouge: [
    {
      field: 'corners',
      label: 'Its corners',
      options: [
        { value: 'kept', label: 'Kept sharp' },
        { value: 'eased', label: 'Eased' },
      ],
    },
    {
      field: 'cannel',
      label: 'Bevel',
      options: [
        { value: 'out', label: 'Outside the curve' },
        { value: 'in', label: 'Inside the curve' },
      ],
    },
  ],
  v: [],
  hook: [
    {
      field: 'make',
      label: 'Make',
      options: [
        { value: 'hollow-inside', label: 'Hollow inside face' },
        { value: 'flat-inside', label: 'Flat inside, bevel outside' },
        { value: 'bevelled-both-sides', label: 'Thin, bevelled both sides' },
      ],
    },
  ],
  'knife-set': [],
  scraping: [
    {
      field: 'burrSide',
      label: 'Scraping side',
      options: [
        { value: 'left', label: 'Left' },
        { value: 'right', label: 'Right' },
      ],
    },
  ],
};

/** The edge as it can be drawn: undefined while a figure it cannot do without is not read. */
export function readable(draft: EdgeDraft): Edge | undefined {
  const loose = draft as Readonly<Record<string, unknown>>;
  const needed = EDGE_FIGURES[draft.form].filter(({ optional }) => !optional);
  if (needed.some(({ field }) => !Number.isFinite(loose[field]))) return undefined;
  const read = Object.entries(loose).filter(
    ([, value]) => typeof value !== 'number' || Number.isFinite(value),
  );
  return Object.fromEntries(read) as unknown as Edge;
}

export const isSingleBevel = (edge: Edge): edge is SingleBevelEdge => edge.form === 'single-bevel';

/** A one-line description of an edge for a list: its angles and its size. */
export function edgeWords({ edge }: Tool, length: (mm: number) => string): string {
  switch (edge.form) {
    case 'single-bevel': {
      const angles = [edge.primaryDeg, edge.secondaryDeg, edge.microDeg].filter((deg) => deg !== undefined);
      return `${angles.join(' / ')}° · ${length(edge.widthMm)}`;
    }
    case 'double-bevel':
    case 'knife':
      return `${edge.leftDeg} + ${edge.rightDeg}° · ${length(edge.form === 'knife' ? edge.lengthMm : edge.widthMm)}`;
    case 'gouge':
      return `${edge.bevelDeg}°, ${edge.cannel}-cannel · ${length(edge.widthMm)}`;
    case 'v':
      return `${edge.bevelDeg}°, wings at ${edge.openingDeg}° · ${length(edge.wingMm)}`;
    case 'hook':
      return `${edge.includedDeg}° · radius ${length(edge.innerRadiusMm)}`;
    case 'knife-set':
      return `${edge.count} of ${edge.bevelDeg}° · ${length(edge.lengthMm)}`;
    case 'scraping':
      return `${edge.bevelDeg}° · burr on the ${edge.burrSide} · ${length(edge.lengthMm)}`;
  }
}
