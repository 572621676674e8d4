import type { RecordedSession } from '../record/edge-state.js';
import type { Session } from '../record/session.js';
import type { Adviser, Claim, Deed, Looked } from './advisers.js';
import { about, type Chance } from './chance.js';
import {
  freshness,
  LAND_LEFT_MM,
  MARKS_MM,
  MOST_STROKES,
  SEEN_TIRED,
  SET_UP,
  strokeMm3,
  STROKES_PER_MIN,
} from './at-the-stones.js';
import { COSTS } from './costs.js';
import {
  depthMm,
  faceAfterMm,
  freshTruth,
  regroundMm3,
  steelMm3,
  stroppedTo,
  wears,
  type EdgeTruth,
} from './edge-truth.js';
import { ASSUMED_MM3_PER_NM, setDeg, type HiddenShop, type HiddenTool } from './hidden-shop.js';

/** What a year cost, in minutes of {@link COSTS}, by where it went; and what was counted on the way. */
export interface Year {
  readonly stones: number;
  readonly strop: number;
  readonly wheel: number;
  readonly care: number;
  readonly dull: number;
  readonly steel: number;
  /** Edges that gave out in use; those that were honed while they had half their life or more left. */
  readonly gaveOut: number;
  readonly early: number;
  readonly honings: number;
  readonly spells: number;
  /** Of each figure that was said with a ±, how often it was said and how often the truth lay within it. */
  readonly told: Readonly<Record<Claim, { readonly said: number; readonly held: number }>>;
}
export const COST_PARTS = [
  'stones',
  'strop',
  'wheel',
  'care',
  'dull',
  'steel',
] as const satisfies readonly Exclude<keyof Year, 'told'>[];

export const totalOf = (year: Pick<Year, (typeof COST_PARTS)[number]>): number =>
  COST_PARTS.reduce((sum, part) => sum + year[part], 0);

const DAYS = 250;
const DAY_MS = 86_400_000;
/** The wheel takes so much steel a minute. */
const WHEEL_MM3_PER_MIN = 60;
/** A land is read every so many honings, to twentieths. */
const LAND_READ_EVERY = 5;
const GRAMS_PER_MM3 = 0.00785;
/** Chance that an edge that had given out spoilt a surface before it was put down. */
const SPOILS = 0.15;
/** An edge that still cuts is seldom called dull; worn so far no further use rounds it to speak of. */
const CALLED_DULL = 0.98;
const MOST_USED = 1.6;
/** Who sees that an edge no longer cuts goes on so long before it is put down, min. */
const PUT_DOWN_MIN = 5;
/** Chance that a tool was borrowed since it was last taken up. */
const LENT = 0.02;
/** Nobody sharpens one tool more often in a day. */
const MOST_TURNS = 4;

/** What every contestant meets alike: the days, spells, woods, edges and accidents of a year. */
interface Fate {
  readonly taken: boolean;
  readonly minutes: number;
  readonly hard: boolean;
  readonly bears: number;
  /** Minutes it was used by somebody who borrowed it, and said nothing. */
  readonly lent: number;
  /** Of each turn of the day, from one sharpening to the next. */
  readonly luck: readonly (readonly number[])[];
}

function fatesOf(
  { tools, hardShare }: HiddenShop,
  chance: Chance,
  days: number,
): readonly (readonly Fate[])[] {
  return tools.map(({ daysPercent, spellMin, spread }) => {
    let [hard, lot] = [chance.uniform() < hardShare, 0];
    return Array.from({ length: days }, () => {
      // A job lasts about two weeks; edges are alike as the hand and the steel are.
      if (chance.uniform() < 0.1) hard = chance.uniform() < hardShare;
      lot = 0.3 * lot + Math.sqrt(1 - 0.09) * chance.normal();
      return {
        taken: chance.uniform() < daysPercent / 100,
        minutes: Math.round(about(chance, spellMin, 0.4)) + 1,
        hard,
        bears: Math.exp(spread * lot),
        lent: chance.uniform() < LENT ? Math.round(about(chance, spellMin, 0.4)) : 0,
        luck: Array.from({ length: MOST_TURNS }, () => Array.from({ length: 5 }, chance.uniform)),
      };
    });
  });
}

/** A year as it goes: whose shop and advice it is, what was put down, how its stones stand, what it has cost. */
interface Going {
  readonly shop: HiddenShop;
  readonly adviser: Adviser;
  readonly all: Map<string, RecordedSession[]>;
  readonly cares: { abrasiveId: string; kind: 'flattened'; at: string }[];
  readonly tired: [number, number];
  /** Strokes on the coarse stone, and what they took at the usual push, mm³. */
  readonly worked: { strokes: number; mm3: number };
  cost: { -readonly [K in Exclude<keyof Year, 'told'>]: Year[K] };
  told: Record<Claim, { said: number; held: number }>;
  /** Mistakes of the hand, a stream of their own. */
  readonly slips: Chance;
}

const nothingYet = (): Pick<Going, 'cost' | 'told'> => ({
  cost: {
    ...{ stones: 0, strop: 0, wheel: 0, care: 0, dull: 0, steel: 0 },
    ...{ gaveOut: 0, early: 0, honings: 0, spells: 0 },
  },
  told: {
    ...{ strokes: { said: 0, held: 0 }, land: { said: 0, held: 0 }, life: { said: 0, held: 0 } },
    ...{ angle: { said: 0, held: 0 }, rate: { said: 0, held: 0 } },
  },
});

/**
 * A year of a made-up shop under somebody’s advice: every contestant meets the same days, woods, edges and accidents, and
 * a hand that slips alike.
 * @param yearsBefore years gone before it, with their record kept and their cost left out
 */
export function yearOf(
  shop: HiddenShop,
  adviser: Adviser,
  days: Chance,
  slips: Chance,
  yearsBefore = 0,
): Year {
  const going: Going = {
    ...{ shop, adviser, slips },
    all: new Map(shop.tools.map(({ tool }) => [tool.id, []])),
    cares: [],
    tired: [0, 0],
    worked: { strokes: 0, mm3: 0 },
    ...nothingYet(),
  };
  const last = yearsBefore * DAYS;
  const fates = fatesOf(shop, days, last + DAYS);
  const truths = shop.tools.map((of, i) => freshTruth(of, fates[i]?.[0]?.bears ?? 1));
  for (let day = 0; day < last + DAYS; day++) {
    if (day === last) Object.assign(going, nothingYet());
    shop.tools.forEach((of, i) => {
      const fate = fates[i]?.[day];
      if (!fate?.taken) return;
      const at = (hour: number): string => new Date(Date.UTC(2025, 0, 1, hour) + day * DAY_MS).toISOString();
      truths[i] = dayOf(going, of, truths[i] as EdgeTruth, fate, at);
    });
  }
  return { ...going.cost, told: going.told };
}

function dayOf(
  going: Going,
  of: HiddenTool,
  found: EdgeTruth,
  fate: Fate,
  at: (hour: number) => string,
): EdgeTruth {
  const { shop, adviser, all, cares, tired, cost } = going;
  const entries = all.get(of.tool.id) as RecordedSession[];
  const hardness = fate.hard ? shop.hardWood : 1;
  const put = (session: Omit<Session, 'toolId'>): void => {
    entries.push({ ...session, toolId: of.tool.id, id: `${of.tool.id}-${String(entries.length)}` });
  };
  const byOthers = fate.lent > 0 ? wears(of, found, fate.lent, hardness) : 0;
  let [edge, rest] = [{ ...found, used: Math.min(MOST_USED, found.used + byOthers) }, fate.minutes];
  cost.spells += 1;
  for (let turn = 0; turn < MOST_TURNS && rest > 0; turn++) {
    const writing: Writing = { put, at: (hour) => at(6 + 4 * turn + hour) };
    const looked: Looked = {
      ...{ shop, of, entries, all, cares },
      truth: {
        edge,
        next: { wear: wears(of, edge, rest, hardness), minutes: rest },
        tired,
      },
    };
    const made = done(going, adviser.rack(looked), looked, fate, writing);
    const last = turn === MOST_TURNS - 1;
    const spell = { ...fate, minutes: rest, last, luck: fate.luck[turn] ?? [] };
    const after = usedFor(going, of, made, spell, writing);
    edge = after.edge;
    rest -= after.minutes;
  }
  return edge;
}

interface Writing {
  readonly put: (session: Omit<Session, 'toolId'>) => void;
  readonly at: (hour: number) => string;
}

function done(going: Going, deed: Deed, looked: Looked, fate: Fate, writing: Writing): EdgeTruth {
  const { of } = looked;
  const { edge } = looked.truth;
  if (deed === 'use') return edge;
  if (deed === 'strop') {
    going.cost.strop += SET_UP.strop * COSTS.work;
    writing.put({ kind: 'stropping', startedAt: writing.at(0), minutes: SET_UP.strop });
    return { ...edge, used: stroppedTo(edge.used, edge.strops), strops: edge.strops + 1 };
  }
  const ground = deed === 'grind' ? reground(going, of, edge, writing) : edge;
  const again: Looked = { ...looked, truth: { ...looked.truth, edge: ground } };
  return honed(going, again, fate, writing);
}

function reground({ cost }: Going, of: HiddenTool, edge: EdgeTruth, { put, at }: Writing): EdgeTruth {
  const leftMm = Math.min(edge.faceMm, LAND_LEFT_MM);
  const mm3 = regroundMm3(of, edge.faceMm, leftMm);
  const minutes = SET_UP.grind + mm3 / WHEEL_MM3_PER_MIN;
  cost.wheel += minutes * COSTS.work;
  cost.steel += mm3 * GRAMS_PER_MM3 * COSTS.gram;
  put({ kind: 'grinding', startedAt: at(0), minutes, landLeftMm: leftMm });
  return { ...edge, faceMm: leftMm, since: { honings: 0, extraMin: 0 } };
}

function honed(going: Going, looked: Looked, fate: Fate, { put, at }: Writing): EdgeTruth {
  const { of } = looked;
  const { edge } = looked.truth;
  const { shop, adviser, tired, cost, slips } = going;
  ([0, 1] as const).forEach((stone) => {
    if (adviser.care(looked, stone)) flatten(going, stone, at(1));
  });
  const wanted = adviser.plan(looked);
  const deg = adviser.angle(looked);
  const faceMm = edge.faceMm;
  const downMm = depthMm(of, edge);
  // A flatter angle has to be worked down to the edge first; a steeper one is a narrow land at once.
  const turn = (Math.max(0, edge.madeDeg - deg) * Math.PI) / 180;
  const wornMm3 = steelMm3(of, edge, downMm + 0.5 * turn * faceMm);
  const marksMm3 = steelMm3(of, edge, MARKS_MM);
  // Nought on the coarse stone: it is not used, and the fine one does it all.
  const begins = wanted.coarse > 0 ? 0 : 1;
  tally(going, looked, wornMm3 / strokeMm3(shop.stones[begins], tired[begins]));
  const onStone = (stone: 0 | 1, strokes: number, mm3: number, untilBurr = wanted.untilBurr): Made =>
    strokesOn(going, stone, strokes, mm3, untilBurr, wanted.looksAtStone ? at(1) : undefined);
  const goneOver = (share: number, until: boolean, { coarse, fine }: Stones = NOT_YET): Stones => {
    const onCoarse =
      begins === 0 && coarse.mm3 + fine.mm3 < wornMm3
        ? and(coarse, onStone(0, share * wanted.coarse, wornMm3 - coarse.mm3 - fine.mm3, until))
        : coarse;
    const leftMm3 = begins === 0 ? marksMm3 - fine.mm3 : wornMm3 - fine.mm3;
    return {
      coarse: onCoarse,
      fine: leftMm3 > 0 ? and(fine, onStone(1, share * wanted.fine, leftMm3, until)) : fine,
    };
  };
  const isLeft = ({ coarse, fine }: Stones): boolean =>
    coarse.mm3 + fine.mm3 < wornMm3 || (begins === 0 && fine.mm3 < marksMm3);
  const once = goneOver(1, wanted.untilBurr);
  // What the burr did not tell the nail does, as often as the hand is right.
  const { coarse, fine } =
    wanted.proved && isLeft(once) && slips.uniform() < shop.hand.feels ? goneOver(0.5, true, once) : once;
  const minutes = SET_UP.hone + (coarse.strokes + fine.strokes + (wanted.behind ?? 0)) / STROKES_PER_MIN;
  cost.stones += minutes * COSTS.work;
  const takenMm3 = coarse.mm3 + fine.mm3;
  cost.steel += takenMm3 * GRAMS_PER_MM3 * COSTS.gram;
  cost.honings += 1;
  if (edge.used < 0.5 && edge.chipMm === 0) cost.early += 1;
  const after = faceAfterMm(of, faceMm, takenMm3 / Math.max(1e-9, steelMm3(of, edge, 1)));
  const read = (edge.since.honings + 1) % LAND_READ_EVERY === 0 && of.tool.edge.form !== 'knife';
  put({
    ...{ kind: 'honing', startedAt: at(1), minutes },
    ...{ setting: { angleDeg: deg }, outcome: { burr: takenMm3 >= wornMm3 ? 'all-along' : 'cannot-tell' } },
    ...(wanted.condition && { conditionBefore: wanted.condition }),
    steps: ([coarse, fine] as const).flatMap(({ strokes, noted, noBurrAt }, i) =>
      strokes > 0
        ? [
            {
              abrasiveId: shop.stones[i as 0 | 1].stone.id,
              strokes: noted,
              minutes: strokes / STROKES_PER_MIN,
              // A run asks for its burr on the stone it begins on.
              ...(wanted.condition && i === begins && { noBurrAt }),
            },
          ]
        : [],
    ),
    ...(read && { landMm: Math.max(0.05, Math.round(20 * (faceMm + 0.025 * slips.normal())) / 20) }),
  });
  const left = takenMm3 >= wornMm3 ? 0 : 1 - takenMm3 / wornMm3;
  const rough = begins === 0 ? 0.15 * Math.max(0, 1 - fine.mm3 / marksMm3) : 0;
  const { firstMin = minutes, extraMin, honings } = edge.since;
  return {
    used: Math.min(1, left * Math.min(1, edge.used) + rough),
    bears: fate.bears,
    chipMm: left * edge.chipMm,
    faceMm: after,
    strops: 0,
    madeDeg: deg + shop.hand.angleSd * slips.normal(),
    since: { honings: honings + 1, firstMin, extraMin: extraMin + Math.max(0, minutes - firstMin) },
  };
}

/** What is said with its ± beside the truth. @param strokes it truly takes on the stone it begins on, at the usual push */
function tally({ shop, adviser, told, worked }: Going, looked: Looked, strokes: number): void {
  if (!adviser.says) return;
  const { of, truth } = looked;
  const hardness = 1 + shop.hardShare * (shop.hardWood - 1);
  const truly: Readonly<Record<Claim, number>> = {
    strokes,
    land: truth.edge.faceMm,
    // The median edge at the angle it is set to, in the woods the shop works.
    life: 1 / wears(of, { ...truth.edge, bears: 1, madeDeg: setDeg(of) }, 1, hardness),
    angle: of.bestDeg,
    // As it was used, now new, now tired.
    rate:
      (worked.mm3 / Math.max(1, worked.strokes) / strokeMm3(shop.stones[0], 0)) *
      (shop.stones[0].mm3PerNm / ASSUMED_MM3_PER_NM),
  };
  for (const { claim, low, high } of adviser.says(looked)) {
    told[claim].said += 1;
    if (truly[claim] >= low && truly[claim] <= high) told[claim].held += 1;
  }
}

interface Made {
  readonly strokes: number;
  readonly noted: number;
  /** Strokes after which its burr was last felt for in vain. */
  readonly noBurrAt: number;
  readonly mm3: number;
}
interface Stones {
  readonly coarse: Made;
  readonly fine: Made;
}

const NONE: Made = { strokes: 0, noted: 0, noBurrAt: 0, mm3: 0 };
const NOT_YET: Stones = { coarse: NONE, fine: NONE };
/** More strokes on the same stone. */
const and = (one: Made, more: Made): Made => ({
  strokes: one.strokes + more.strokes,
  noted: one.noted + more.noted,
  noBurrAt: one.strokes + more.noBurrAt,
  mm3: one.mm3 + more.mm3,
});

/** A stone’s face made new. */
function flatten({ shop, cares, tired, cost }: Going, stone: 0 | 1, at: string): void {
  cost.care += SET_UP.flatten * COSTS.work;
  tired[stone] = 0;
  cares.push({ abrasiveId: shop.stones[stone].stone.id, kind: 'flattened', at });
}

/**
 * Strokes on a stone that tires: as many as were told, and on until the burr is felt where that is told too.
 * @param looksAt when the stone is looked at, where half as many strokes more raised no burr; never where nobody says so
 */
function strokesOn(
  going: Going,
  index: 0 | 1,
  told: number,
  neededMm3: number,
  untilBurr: boolean,
  looksAt?: string,
): Made {
  const { shop, slips, tired } = going;
  const { hand } = shop;
  const each = (): number => push * strokeMm3(shop.stones[index], tired[index]);
  const push = about(slips, 1, hand.pushSd);
  const made = Math.max(1, Math.round(about(slips, told, hand.countSd)));
  let [strokes, mm3, noBurrAt] = [0, 0, 0];
  const stroke = (count: number): void => {
    mm3 += count * each();
    if (index === 0) {
      going.worked.strokes += count;
      going.worked.mm3 += (count * each()) / push;
    }
    strokes += count;
    tired[index] += count;
  };
  stroke(made);
  // Felt wrongly, it goes on too long, or stops too soon.
  const felt = (): boolean => mm3 >= neededMm3 === slips.uniform() < hand.feels;
  const more = Math.max(3, Math.round(0.15 * told));
  let looked = looksAt === undefined;
  while (untilBurr && strokes < MOST_STROKES && !felt()) {
    noBurrAt = strokes;
    if (!looked && strokes >= 1.5 * made) {
      going.cost.care += SET_UP.look * COSTS.work;
      if (freshness(shop.stones[index], tired[index]) < SEEN_TIRED) flatten(going, index, looksAt ?? '');
      looked = true;
    }
    stroke(more);
  }
  return { strokes, noted: untilBurr ? strokes : told, noBurrAt, mm3 };
}

/** Use until the spell ends, or until whoever sees that the edge no longer cuts puts it down; what of it is put down. */
function usedFor(
  { shop: { hand, hardWood }, cost }: Going,
  of: HiddenTool,
  edge: EdgeTruth,
  {
    minutes,
    hard,
    luck,
    last,
  }: Omit<Fate, 'luck'> & { readonly luck: readonly number[]; readonly last: boolean },
  { put, at }: Writing,
): { readonly edge: EdgeTruth; readonly minutes: number } {
  const [chipped = 1, deep = 0, seen = 0, forgot = 1, spoils = 1] = luck;
  const wear = wears(of, edge, minutes, hard ? hardWood : 1);
  const chip = chipped < Math.min(0.5, of.chips * 2 ** Math.max(-1, (of.bestDeg - edge.madeDeg) / 1.2));
  const cutsMin = chip
    ? minutes / 2
    : edge.used >= 1
      ? 0
      : Math.min(minutes, (minutes * (1 - edge.used)) / wear);
  const gone = chip || cutsMin < minutes;
  const sees = chip || seen < hand.sees;
  const spent = gone && sees && !last ? Math.min(minutes, cutsMin + PUT_DOWN_MIN) : minutes;
  if (gone) {
    cost.dull += (spent - cutsMin) * COSTS.dull;
    if (edge.used < 1) {
      cost.gaveOut += 1;
      cost.dull += COSTS.givesOut + (spoils < SPOILS ? COSTS.spoilt : 0);
    }
  }
  const chipMm = chip ? 0.03 + 0.12 * deep : edge.chipMm;
  if (forgot >= hand.forgets) {
    const stillCutting = gone ? !sees : seen < CALLED_DULL;
    put({
      ...{ kind: 'use', startedAt: at(3) },
      use: { minutes: Math.max(1, Math.round(spent)), wood: hard ? 'oak' : 'pine', stillCutting },
      ...(chip && { chips: { count: 1, deepestMm: Number(chipMm.toFixed(2)) } }),
    });
  }
  const used = edge.used + (wear * spent) / minutes;
  return {
    edge: { ...edge, used: Math.min(chip ? Math.max(1, used) : used, MOST_USED), chipMm },
    minutes: spent,
  };
}
