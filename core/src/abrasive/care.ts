import { kindFacts, usualSheetUses, type Abrasive, type Upkeep } from './abrasive.js';
import { dishes, hollowUm, wearAcrossMm, type StoneSpell } from './dish.js';
import { learnedRate } from './learned-rate.js';
import { isWheel } from './wheel.js';

/** What is done for a stone, and the straightedge that says whether it is needed. */
export const CARE_KINDS = [
  'flattened',
  'straightedge',
  'new-sheet',
  'laid-aside',
  'recharged',
  'scraped',
  'dressed',
  'cleaned',
] as const;
export type CareKind = (typeof CARE_KINDS)[number];

/** One entry in an abrasive's own record. */
export interface Care {
  readonly abrasiveId: string;
  readonly kind: CareKind;
  /** ISO 8601 instant. */
  readonly at: string;
  readonly who?: string;
  readonly minutes?: number;
  /** The hollow a straightedge across the stone showed; only with `straightedge`. */
  readonly hollowUm?: number;
  readonly notes?: string;
}

/** Work on an abrasive, in order of time. */
export interface StoneUse extends StoneSpell {
  readonly at: string;
  readonly minutes: number;
}

/** Care that is wanted now. */
export interface DueCare {
  readonly kind: CareKind;
  /** How long it takes: as it took before, else an estimate. */
  readonly minutes: number;
}

/** How an abrasive stands, reckoned from what was done on it and for it. */
export interface StoneCare {
  /** Since its face was last made new. */
  readonly strokes: number;
  readonly uses: number;
  readonly minutes: number;
  readonly lastAt?: string;
  /** The hollow across it now, µm, and how many straightedge readings corrected that. */
  readonly hollowUm?: number;
  /** How deep it is worn from one side to the other, µm, at equal steps. */
  readonly acrossUm?: readonly number[];
  readonly readings: number;
  /** How much faster than estimated it wears, by those readings. */
  readonly wearFactor: number;
  /** Recharges since the strop was scraped clean. */
  readonly recharges: number;
  /** Sheets left on the shelf, where they were counted; of sheets that are cut, to a piece. */
  readonly sheetsLeft?: number;
  /** Pieces laid aside because they were scratched or cut: good for rough work still. */
  readonly aside?: number;
  readonly due?: DueCare;
}

/** A hollow this deep makes a belly on a chisel's edge; flatten then at the latest (estimate). */
export const FLATTEN_AT_UM = 50;
/** Strokes one charge of compound serves; charges before it is scraped clean; wheel minutes from one
 * dressing to the next (estimates: common practice says “now and then”). */
const RECHARGE_AT_STROKES = 300;
const SCRAPE_AT_RECHARGES = 4;
const DRESS_AT_MIN = 30;
/** How uncertain a stone's own wear is before a straightedge was laid on it, in ln. */
const WEAR_SD = 0.7;
/** Less than this estimated hollow tells nothing against a reading, µm. */
const LEAST_TOLD_UM = 5;

/** Minutes each care takes where nobody noted it (estimates). */
const USUAL_CARE_MIN: Readonly<Record<CareKind, number>> = {
  flattened: 2,
  straightedge: 0.5,
  'new-sheet': 1,
  'laid-aside': 1,
  recharged: 0.5,
  scraped: 3,
  dressed: 2,
  cleaned: 1,
};

/** What makes a kind's face new; the straightedge only looks. Scraped clean, a strop is charged anew with it. */
const RENEWED_BY: Readonly<Record<Upkeep, CareKind>> = {
  flatten: 'flattened',
  sheet: 'new-sheet',
  charge: 'recharged',
  dress: 'dressed',
  clean: 'cleaned',
};

/** The cares an abrasive may be given. */
export function caresOf({ kind, lubricant }: Pick<Abrasive, 'kind' | 'lubricant'>): readonly CareKind[] {
  const { upkeep } = kindFacts(kind);
  const renewing = RENEWED_BY[upkeep];
  // Oil floats the swarf off; what is left of both gums the stone.
  if (upkeep === 'flatten')
    return [renewing, 'straightedge', ...(lubricant === 'oil' ? (['cleaned'] as const) : [])];
  if (upkeep === 'sheet') return [renewing, 'laid-aside'];
  return upkeep === 'charge' ? [renewing, 'scraped'] : [renewing];
}

/**
 * How an abrasive stands after all its uses, in any order, and its cares in order of time. The hollow of a stone that
 * dishes is its estimated wear across, times the factor its own straightedge readings taught (normal in
 * the logarithm, as with rates), from the last flattening or reading on.
 */
export function stoneCare(
  abrasive: Abrasive,
  sizeUm: number,
  uses: readonly StoneUse[],
  cares: readonly Care[],
): StoneCare {
  const { upkeep } = kindFacts(abrasive.kind);
  const renewing: readonly CareKind[] = [
    RENEWED_BY[upkeep],
    ...(upkeep === 'charge' ? ['scraped' as const] : []),
    ...(upkeep === 'sheet' ? ['laid-aside' as const] : []),
  ];
  const dressedOn = isWheel(abrasive) ? lastDressing(abrasive) : undefined;
  const times = cares.filter(({ kind }) => renewing.includes(kind)).map(({ at }) => at);
  const lastAt = [...times, ...(dressedOn ? [dressedOn] : [])].sort().at(-1);
  const since = uses.filter(({ at }) => lastAt === undefined || at > lastAt);
  const dish = dishes(abrasive) ? dishOf(abrasive, sizeUm, uses, cares) : undefined;
  const aside = cares.filter(({ kind }) => kind === 'laid-aside').length;
  const scrapedAt = cares.findLast(({ kind }) => kind === 'scraped')?.at ?? '';
  const base: Omit<StoneCare, 'due'> = {
    strokes: since.reduce((sum, { strokes }) => sum + strokes, 0),
    uses: since.length,
    minutes: since.reduce((sum, { minutes }) => sum + minutes, 0),
    ...(lastAt !== undefined && { lastAt }),
    ...(dish && { hollowUm: dish.hollowUm, acrossUm: dish.acrossUm }),
    readings: dish?.readings ?? 0,
    wearFactor: dish?.factor ?? 1,
    recharges: cares.filter(({ kind, at }) => kind === 'recharged' && at > scrapedAt).length,
    ...sheetsLeft(abrasive, cares),
    ...(aside > 0 && { aside }),
  };
  const kind = dueKind(abrasive, base);
  return kind ? { ...base, due: { kind, minutes: usualMinutes(kind, cares) } } : base;
}

function dueKind(abrasive: Abrasive, state: Omit<StoneCare, 'due'>): CareKind | undefined {
  switch (kindFacts(abrasive.kind).upkeep) {
    case 'flatten':
      return (state.hollowUm ?? 0) >= FLATTEN_AT_UM ? 'flattened' : undefined;
    case 'sheet':
      return state.uses >= (abrasive.sheets?.usesEach ?? usualSheetUses(abrasive)) ? 'new-sheet' : undefined;
    case 'charge':
      if (state.strokes < RECHARGE_AT_STROKES) return undefined;
      return state.recharges >= SCRAPE_AT_RECHARGES ? 'scraped' : 'recharged';
    case 'dress':
      return state.minutes >= DRESS_AT_MIN ? 'dressed' : undefined;
    case 'clean':
      return undefined;
  }
}

interface Dish {
  readonly hollowUm: number;
  readonly acrossUm: readonly number[];
  readonly factor: number;
  readonly readings: number;
}

function dishOf(abrasive: Abrasive, sizeUm: number, uses: readonly StoneUse[], cares: readonly Care[]): Dish {
  const worn = (from: string, to: string): readonly number[] =>
    wearAcrossMm(
      abrasive,
      sizeUm,
      uses.filter(({ at }) => at > from && at <= to),
    );
  const ratios: number[] = [];
  let [from, startUm] = ['', 0];
  for (const { kind, at, hollowUm: seenUm } of cares) {
    if (kind === 'flattened') [from, startUm] = [at, 0];
    if (kind !== 'straightedge' || seenUm === undefined) continue;
    const expected = hollowUm(worn(from, at));
    const grown = seenUm - startUm;
    if (expected >= LEAST_TOLD_UM && grown > 0) ratios.push(grown / expected);
    [from, startUm] = [at, seenUm];
  }
  const { factor } = learnedRate(ratios, WEAR_SD);
  const since = worn(from, '9999');
  const least = Math.min(...since);
  // What a straightedge showed is taken to lie as an even curve, deepest in the middle.
  const acrossUm = since.map((mm, i) => {
    const u = (2 * i) / (since.length - 1) - 1;
    return Math.round((startUm * (1 - u * u) + factor * 1000 * (mm - least)) * 10) / 10;
  });
  return { hollowUm: startUm + factor * hollowUm(since), acrossUm, factor, readings: ratios.length };
}

function lastDressing({ wheel }: Abrasive): string | undefined {
  return wheel?.readings.findLast(({ dressed }) => dressed)?.on;
}

/** Cares that put the next sheet, or the next piece of one, where the last one lay. */
const TAKES_A_PIECE: readonly CareKind[] = ['new-sheet', 'laid-aside'];

function sheetsLeft({ sheets }: Abrasive, cares: readonly Care[]): { readonly sheetsLeft?: number } {
  if (!sheets?.counted) return {};
  const { counted, pieces = 1 } = sheets;
  // What is laid aside makes room for the next piece.
  const used = cares.filter(({ kind, at }) => TAKES_A_PIECE.includes(kind) && at.slice(0, 10) > counted.on);
  return { sheetsLeft: Math.max(0, counted.count - used.length / pieces) };
}

function usualMinutes(kind: CareKind, cares: readonly Care[]): number {
  const noted = cares
    .flatMap((care) => (care.kind === kind && care.minutes !== undefined ? [care.minutes] : []))
    .sort((a, b) => a - b);
  return noted.length > 0 ? (noted[noted.length >> 1] as number) : USUAL_CARE_MIN[kind];
}
