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

/** Every family of tool the product knows, in the order a rack shows them. */
export const FAMILIES = {
  'bench-chisel': flatBack('Bench chisel', true, [25, 25], [30, 35], 19, 3.5, 3),
  'paring-chisel': flatBack('Paring chisel', true, [20, 25], [25, 30], 25, 3, 2),
  'mortise-chisel': flatBack('Mortise chisel', true, [25, 30], [30, 35], 8, 8, 6, 'mortises'),
  'plane-iron': flatBack('Bench-plane iron', false, [25, 25], [30, 32], 50, 2.5, 2, 'metresPlaned'),
  'low-angle-iron': flatBack('Block or low-angle iron', false, [25, 25], [27, 30], 40, 3, 2, 'metresPlaned'),
  'scrub-iron': flatBack('Scrub iron', false, [30, 35], undefined, 33, 3, 12, 'metresPlaned'),
  'spokeshave-iron': flatBack('Spokeshave iron', false, [25, 25], [27, 30], 54, 2.5, 3),
  drawknife: flatBack('Drawknife', false, [25, 30], undefined, 220, 5, 6),
  'carving-chisel': other('Carving chisel', 'double-bevel', [15, 20], 16, 3, 2, true),
  skew: other('Carving skew', 'double-bevel', [15, 20], 12, 3, 2, true),
  gouge: other('Gouge', 'gouge', [20, 25], 16, 2.5, 2, true),
  'v-tool': other('V-tool', 'v', [20, 25], 10, 2, 2, true),
  'whittling-knife': other('Whittling knife', 'knife', [10, 15], 18, 3, 2, true),
  'chip-knife': other('Chip knife', 'knife', [7.5, 12.5], 14, 2, 1, true),
  'marking-knife': other('Pocket or marking knife', 'knife', [10, 15], 14, 2, 3),
  'kitchen-knife': other('Kitchen-type knife', 'knife', [12.5, 17.5], 40, 2, 6),
  // A hook is left at about P400, 35 µm, and stropped (common practice, no source).
  'hooked-blade': other('Hooked blade', 'hook', [20, 30], 10, 2.5, 35, true),
  // Never a step finer than about P600, 25.8 µm (common practice, no source): P800 is 21.8 µm.
  'planer-knives': {
    ...other('Planer or jointer knives', 'knife-set', [35, 45], 25, 3, 25.8),
    finestUm: 22,
  },
  'scraping-knife': other('Scraping knife', 'scraping', [15, 25], 12, 2, 6),
} as const satisfies Record<string, FamilyFacts>;

export type Family = keyof typeof FAMILIES;
export const FAMILY_NAMES = Object.keys(FAMILIES) as readonly Family[];

/** The facts of one family. */
export const familyFacts = (family: Family): FamilyFacts => FAMILIES[family];

function flatBack(
  label: string,
  backRegisters: boolean,
  primaryDeg: readonly [number, number],
  secondaryDeg: readonly [number, number] | undefined,
  widthMm: number,
  thicknessMm: number,
  finishUm: number,
  usedIn: UseMeasure = 'minutes',
): FamilyFacts & { readonly form: 'single-bevel' } {
  const facts = {
    label,
    form: 'single-bevel',
    backRegisters,
    primaryDeg,
    widthMm,
    thicknessMm,
    finishUm,
    usedIn,
    stropped: false,
  } as const;
  return secondaryDeg ? { ...facts, secondaryDeg } : facts;
}

function other<F extends EdgeForm>(
  label: string,
  form: F,
  bevelDeg: readonly [number, number],
  widthMm: number,
  thicknessMm: number,
  finishUm: number,
  stropped = false,
): FamilyFacts & { readonly form: F } {
  return {
    label,
    form,
    backRegisters: false,
    primaryDeg: bevelDeg,
    widthMm,
    thicknessMm,
    finishUm,
    usedIn: 'minutes',
    stropped,
  };
}
