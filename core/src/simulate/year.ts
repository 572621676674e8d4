import type { Adviser, Deed, Looked } from './advisers.js';
import { SET_UP } from './at-the-stones.js';
import { about, type Chance } from './chance.js';
import { COSTS } from './costs.js';
import { freshTruth, stroppedTo, wears, type EdgeTruth } from './edge-truth.js';
import { nothingYet, type Going, type Writing, type Year } from './going.js';
import { usedAs, type HiddenShop, type HiddenTool } from './hidden-shop.js';
import { honed, reground } from './honed.js';
import { planedMore } from './curve-in-use.js';
import type { RecordedSession } from '../record/edge-state.js';
import type { Session } from '../record/session.js';

const DAYS = 250;
const DAY_MS = 86_400_000;
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

/** The days of a shop, tool by tool. */
export type Days = readonly (readonly Fate[])[];

/** What a shop’s days bring: the same for whoever advises. @param years how many of them, one after the other */
export function daysOf({ tools, hardShare }: HiddenShop, chance: Chance, years = 1): Days {
  return tools.map(({ daysPercent, spellMin, spread }) => {
    let [hard, lot] = [chance.uniform() < hardShare, 0];
    return Array.from({ length: years * DAYS }, () => {
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

/**
 * A year of a made-up shop under somebody’s advice: every contestant meets the same days, woods, edges and accidents, and
 * a hand that slips alike.
 * @param days the year’s, after those of years gone before it, with their record kept and their cost left out
 */
export function yearOf(shop: HiddenShop, adviser: Adviser, days: Days, slips: Chance): Year {
  const going: Going = {
    ...{ shop, adviser, slips },
    all: new Map(shop.tools.map(({ tool }) => [tool.id, []])),
    cares: [],
    tired: [0, 0],
    worked: { times: 0, strokeMm3: 0 },
    ...nothingYet(),
  };
  const all = days[0]?.length ?? 0;
  const truths = shop.tools.map((of, i) => freshTruth(of, days[i]?.[0]?.bears ?? 1));
  for (let day = 0; day < all; day++) {
    if (day === all - DAYS) Object.assign(going, nothingYet());
    shop.tools.forEach((of, i) => {
      const fate = days[i]?.[day];
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
  return honed(going, again, fate.bears, writing);
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
  cost.curve += spent * planedMore(of, edge) * COSTS.planing;
  if (forgot >= hand.forgets) {
    const stillCutting = gone ? !sees : seen < CALLED_DULL;
    put({
      ...{ kind: 'use', startedAt: at(3) },
      use: { ...usedAs(of, spent), wood: hard ? 'oak' : 'pine', stillCutting },
      ...(chip && { chips: { count: 1, deepestMm: Number(chipMm.toFixed(2)) } }),
    });
  }
  const used = edge.used + (wear * spent) / minutes;
  return {
    edge: { ...edge, used: Math.min(chip ? Math.max(1, used) : used, MOST_USED), chipMm },
    minutes: spent,
  };
}
