import type { EdgeForm } from './edge.js';

/** What wear is counted in: time at work, board planed, or holes cut. */
export const USE_MEASURES = ['minutes', 'metresPlaned', 'mortises'] as const;
export type UseMeasure = (typeof USE_MEASURES)[number];

/** What a family is by default. Angles are common practice, no source, unless said otherwise. */
interface FamilyFacts {
  readonly label: string;
  readonly form: EdgeForm;
  /** Whether the back is the surface the tool registers on: then it is never bevelled. */
  readonly backRegisters: boolean;
  /** Usual angles, least to most, degrees: ground bevel and, where there is one, honed bevel. */
  readonly primaryDeg: readonly [number, number];
  readonly secondaryDeg?: readonly [number, number];
  readonly widthMm: number;
  readonly thicknessMm: number;
  /** How fine an edge usually serves, µm of abrasive. */
  readonly finishUm: number;
  /** Nothing finer than this touches it: an edge so fine would be too brittle at its work. */
  readonly finestUm?: number;
  /** What its use is counted in. */
  readonly usedIn: UseMeasure;
  /** Whether it is kept going by stropping while it is used (common practice, no source). */
  readonly stropped: boolean;
}

/** What a flat-backed tool is unless it says otherwise. */
const FLAT_BACK = {
  form: 'single-bevel',
  backRegisters: false,
  usedIn: 'minutes',
  stropped: false,
} as const;

/** What every other tool is unless it says otherwise. */
const CARVING = { backRegisters: false, usedIn: 'minutes', stropped: true } as const;

/** Every family of tool the product knows, in the order a rack shows them. */
export const FAMILIES = {
  'bench-chisel': {
    ...FLAT_BACK,
    label: 'Bench chisel',
    backRegisters: true,
    primaryDeg: [25, 25],
    secondaryDeg: [30, 35],
    widthMm: 19,
    thicknessMm: 3.5,
    finishUm: 3,
  },
  'paring-chisel': {
    ...FLAT_BACK,
    label: 'Paring chisel',
    backRegisters: true,
    primaryDeg: [20, 25],
    secondaryDeg: [25, 30],
    widthMm: 25,
    thicknessMm: 3,
    finishUm: 2,
  },
  'mortise-chisel': {
    ...FLAT_BACK,
    label: 'Mortise chisel',
    backRegisters: true,
    primaryDeg: [25, 30],
    secondaryDeg: [30, 35],
    widthMm: 8,
    thicknessMm: 8,
    finishUm: 6,
    usedIn: 'mortises',
  },
  'plane-iron': {
    ...FLAT_BACK,
    label: 'Bench-plane iron',
    primaryDeg: [25, 25],
    secondaryDeg: [30, 32],
    widthMm: 50,
    thicknessMm: 2.5,
    finishUm: 2,
    usedIn: 'metresPlaned',
  },
  'low-angle-iron': {
    ...FLAT_BACK,
    label: 'Block or low-angle iron',
    primaryDeg: [25, 25],
    secondaryDeg: [27, 30],
    widthMm: 40,
    thicknessMm: 3,
    finishUm: 2,
    usedIn: 'metresPlaned',
  },
  'scrub-iron': {
    ...FLAT_BACK,
    label: 'Scrub iron',
    primaryDeg: [30, 35],
    widthMm: 33,
    thicknessMm: 3,
    finishUm: 12,
    usedIn: 'metresPlaned',
  },
  'spokeshave-iron': {
    ...FLAT_BACK,
    label: 'Spokeshave iron',
    primaryDeg: [25, 25],
    secondaryDeg: [27, 30],
    widthMm: 54,
    thicknessMm: 2.5,
    finishUm: 3,
  },
  drawknife: {
    ...FLAT_BACK,
    label: 'Drawknife',
    primaryDeg: [25, 30],
    widthMm: 220,
    thicknessMm: 5,
    finishUm: 6,
  },
  'carving-chisel': {
    ...CARVING,
    label: 'Carving chisel',
    form: 'double-bevel',
    primaryDeg: [15, 20],
    widthMm: 16,
    thicknessMm: 3,
    finishUm: 2,
  },
  skew: {
    ...CARVING,
    label: 'Carving skew',
    form: 'double-bevel',
    primaryDeg: [15, 20],
    widthMm: 12,
    thicknessMm: 3,
    finishUm: 2,
  },
  gouge: {
    ...CARVING,
    label: 'Gouge',
    form: 'gouge',
    primaryDeg: [20, 25],
    widthMm: 16,
    thicknessMm: 2.5,
    finishUm: 2,
  },
  'v-tool': {
    ...CARVING,
    label: 'V-tool',
    form: 'v',
    primaryDeg: [20, 25],
    widthMm: 10,
    thicknessMm: 2,
    finishUm: 2,
  },
  'whittling-knife': {
    ...CARVING,
    label: 'Whittling knife',
    form: 'knife',
    primaryDeg: [10, 15],
    widthMm: 18,
    thicknessMm: 3,
    finishUm: 2,
  },
  'chip-knife': {
    ...CARVING,
    label: 'Chip knife',
    form: 'knife',
    primaryDeg: [7.5, 12.5],
    widthMm: 14,
    thicknessMm: 2,
    finishUm: 1,
  },
  'marking-knife': {
    ...CARVING,
    label: 'Pocket or marking knife',
    form: 'knife',
    primaryDeg: [10, 15],
    widthMm: 14,
    thicknessMm: 2,
    finishUm: 3,
    stropped: false,
  },
  'one-sided-knife': {
    ...FLAT_BACK,
    label: 'Marking knife, one side flat',
    backRegisters: true,
    primaryDeg: [20, 30],
    widthMm: 25,
    thicknessMm: 2.5,
    finishUm: 3,
  },
  'kitchen-knife': {
    ...CARVING,
    label: 'Kitchen-type knife',
    form: 'knife',
    primaryDeg: [12.5, 17.5],
    widthMm: 40,
    thicknessMm: 2,
    finishUm: 6,
    stropped: false,
  },
  // A hook is left at about P400, 35 µm, and stropped (common practice, no source).
  'hooked-blade': {
    ...CARVING,
    label: 'Hooked blade',
    form: 'hook',
    primaryDeg: [20, 30],
    widthMm: 10,
    thicknessMm: 2.5,
    finishUm: 35,
  },
  // Never a step finer than about P600, 25.8 µm (common practice, no source): P800 is 21.8 µm.
  'planer-knives': {
    ...CARVING,
    label: 'Planer or jointer knives',
    form: 'knife-set',
    primaryDeg: [35, 45],
    widthMm: 25,
    thicknessMm: 3,
    finishUm: 25.8,
    finestUm: 22,
    stropped: false,
  },
  'scraping-knife': {
    ...CARVING,
    label: 'Scraping knife',
    form: 'scraping',
    primaryDeg: [15, 25],
    widthMm: 12,
    thicknessMm: 2,
    finishUm: 6,
    stropped: false,
  },
} as const satisfies Record<string, FamilyFacts>;

export type Family = keyof typeof FAMILIES;
export const FAMILY_NAMES = Object.keys(FAMILIES) as readonly Family[];

/** The facts of one family. */
export const familyFacts = (family: Family): FamilyFacts => FAMILIES[family];
