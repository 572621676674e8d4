import type { Abrasive, AbrasiveKind } from './abrasive.js';

/** A stretch of work on a stone. */
export interface StoneSpell {
  readonly strokes: number;
  readonly forceN: number;
  readonly strokeMm: number;
  /** Length of edge across the stone. */
  readonly edgeMm: number;
}

/**
 * What a stone itself loses, mm³ per N·m at 14 µm. Estimates, good to perhaps a factor of three, which
 * the user's straightedge corrects: water stones dish fast, oil stones stay fairly flat (common practice).
 */
const OWN_WEAR: Partial<Readonly<Record<AbrasiveKind, number>>> = {
  'water-stone': 1,
  'oil-stone': 0.05,
  'natural-stone': 0.02,
};
const WEAR_EXPONENT = 0.5;
/** A stone nobody measured (estimate). */
export const USUAL_STONE_MM = { widthMm: 70, turningMm: 40 } as const;

const PROFILE_POINTS = 41;

/** Whether a kind of stone is reckoned to dish at all. */
export const dishes = ({ kind }: Pick<Abrasive, 'kind'>): boolean => OWN_WEAR[kind] !== undefined;

/**
 * How deep some work has worn a stone at places across its width, mm, the middle one first of all
 * symmetric: an edge narrower than the stone is taken to wander over all of it, as it should, so that
 * every place wears by the share of passes that cover it. An edge as wide as the stone wears it evenly.
 * @returns depths at equal steps from one side to the other
 */
export function wearAcrossMm(
  stone: Pick<Abrasive, 'kind' | 'strokeMm' | 'widthMm' | 'lengthMm'>,
  sizeUm: number,
  spells: readonly StoneSpell[],
): readonly number[] {
  const rate = (OWN_WEAR[stone.kind] ?? 0) * Math.pow(sizeUm / 14, WEAR_EXPONENT);
  const across = stone.widthMm ?? USUAL_STONE_MM.widthMm;
  const along = stone.lengthMm ?? stone.strokeMm + USUAL_STONE_MM.turningMm;
  const places = Array.from({ length: PROFILE_POINTS }, (_, i) => (across * i) / (PROFILE_POINTS - 1));
  const worn = new Array<number>(PROFILE_POINTS).fill(0);
  // Edges of one width wear the same places: their work is summed before it is spread.
  const depths = new Map<number, number>();
  for (const { strokes, forceN, strokeMm, edgeMm } of spells) {
    const band = Math.min(edgeMm, across);
    const volume = (rate * strokes * forceN * strokeMm) / 1000;
    depths.set(band, (depths.get(band) ?? 0) + volume / (Math.max(along, strokeMm) * band));
  }
  for (const [band, depth] of depths) {
    places.forEach((y, i) => {
      worn[i] = (worn[i] as number) + depth * coverage(y, band, across);
    });
  }
  return worn;
}

/** The hollow a straightedge across the stone would show, µm. */
export const hollowUm = (wornMm: readonly number[]): number =>
  1000 * (Math.max(...wornMm) - Math.min(...wornMm));

/** Share of passes that cover a place, for a band set down anywhere within the stone. */
function coverage(y: number, band: number, across: number): number {
  const free = across - band;
  if (free < 1e-9) return 1;
  const from = Math.max(y - band / 2, band / 2);
  const to = Math.min(y + band / 2, across - band / 2);
  return Math.max(0, to - from) / free;
}
