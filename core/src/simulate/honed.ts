import type { SessionStep } from '../record/session.js';
import type { ByPlace, Claim, Looked } from './advisers.js';
import {
  freshness,
  LAND_LEFT_MM,
  MARKS_MM,
  MOST_STROKES,
  READ_MIN,
  SEEN_TIRED,
  SET_UP,
  strokeMm3,
  STROKES_PER_MIN,
} from './at-the-stones.js';
import { about } from './chance.js';
import { COSTS } from './costs.js';
import { depthMm, faceAfterMm, regroundMm3, steelMm3, wears, type EdgeTruth } from './edge-truth.js';
import type { Going, Writing } from './going.js';
import { ASSUMED_MM3_PER_NM, setDeg, type HiddenShop, type HiddenTool } from './hidden-shop.js';
import { curveHonedTo, curveRead } from './curve-in-use.js';

/** The wheel takes so much steel a minute. */
const WHEEL_MM3_PER_MIN = 60;
/** A land is read every so many honings, to twentieths. */
const LAND_READ_EVERY = 5;
const GRAMS_PER_MM3 = 0.00785;

/** Ground until a narrow land is left. */
export function reground({ cost }: Going, of: HiddenTool, edge: EdgeTruth, { put, at }: Writing): EdgeTruth {
  const leftMm = Math.min(edge.faceMm, LAND_LEFT_MM);
  const mm3 = regroundMm3(of, edge.faceMm, leftMm);
  const minutes = SET_UP.grind + mm3 / WHEEL_MM3_PER_MIN;
  cost.wheel += minutes * COSTS.work;
  cost.steel += mm3 * GRAMS_PER_MM3 * COSTS.gram;
  put({ kind: 'grinding', startedAt: at(0), minutes, landLeftMm: leftMm });
  return { ...edge, faceMm: leftMm, since: { honings: 0, extraMin: 0 } };
}

/** Honed as its adviser has it, by a hand that slips; @param bears what the next edge bears */
export function honed(going: Going, looked: Looked, bears: number, { put, at }: Writing): EdgeTruth {
  const { of } = looked;
  const { edge } = looked.truth;
  const { shop, adviser, tired, cost, slips } = going;
  ([0, 1] as const).forEach((stone) => {
    if (adviser.care(looked, stone)) flatten(going, stone, at(1));
  });
  if (of.curve) readCurve(going, looked, { put, at });
  const wanted = adviser.plan(looked);
  const pressed = of.curve && adviser.camber.presses(looked);
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
  // Strokes by place are told and counted, not felt for.
  const curved = pressed?.made && pressedOn(going, pressed.made);
  const { coarse, fine } =
    wanted.proved && isLeft(once) && slips.uniform() < shop.hand.feels ? goneOver(0.5, true, once) : once;
  const minutes = SET_UP.hone + (coarse.strokes + fine.strokes + (wanted.behind ?? 0)) / STROKES_PER_MIN;
  cost.stones += minutes * COSTS.work;
  cost.curve += ((curved?.strokes ?? 0) / STROKES_PER_MIN) * COSTS.work;
  const atEdgeMm3 = coarse.mm3 + fine.mm3;
  const takenMm3 = atEdgeMm3 + (curved?.mm3 ?? 0);
  cost.steel += takenMm3 * GRAMS_PER_MM3 * COSTS.gram;
  cost.honings += 1;
  if (edge.used < 0.5 && edge.chipMm === 0) cost.early += 1;
  const after = faceAfterMm(of, edge, takenMm3);
  const read = (edge.since.honings + 1) % LAND_READ_EVERY === 0 && of.tool.edge.form !== 'knife';
  put({
    ...{ kind: 'honing', startedAt: at(1), minutes },
    // What was felt, rightly or not.
    ...{ setting: { angleDeg: deg }, outcome: { burr: wanted.untilBurr ? 'all-along' : 'cannot-tell' } },
    ...(wanted.condition && { conditionBefore: wanted.condition }),
    steps: ([coarse, fine] as const).flatMap(({ strokes, noted, noBurrAt }, i) => {
      const places = pressed?.kept[i as 0 | 1];
      const own = {
        abrasiveId: shop.stones[i as 0 | 1].stone.id,
        strokes: noted,
        minutes: strokes / STROKES_PER_MIN,
        ...(places && { places }),
        // A run asks for its burr on the stone it begins on.
        ...(wanted.condition && i === begins && { noBurrAt }),
      };
      return [...(strokes > 0 ? [own] : []), ...(i === 0 && curved ? [curveStep(shop, curved)] : [])];
    }),
    ...(read && { landMm: Math.max(0.05, Math.round(20 * (faceMm + 0.025 * slips.normal())) / 20) }),
  });
  const left = atEdgeMm3 >= wornMm3 ? 0 : 1 - atEdgeMm3 / wornMm3;
  const rough = begins === 0 ? 0.15 * Math.max(0, 1 - fine.mm3 / marksMm3) : 0;
  const { firstMin = minutes, extraMin, honings } = edge.since;
  const curve = pressed && curveHonedTo(of, edge, { kept: pressed.kept, made: curved }, slips);
  return {
    used: Math.min(1, left * Math.min(1, edge.used) + rough),
    bears,
    chipMm: left * edge.chipMm,
    faceMm: after,
    strops: 0,
    madeDeg: deg + shop.hand.angleSd * slips.normal(),
    since: { honings: honings + 1, firstMin, extraMin: extraMin + Math.max(0, minutes - firstMin) },
    ...(curve && { curve }),
  };
}

/** Strokes by place that make a curve, as the hand makes them; and as they were told. */
interface PressedOn extends Made, ByPlace {
  readonly told: ByPlace;
}

function pressedOn(going: Going, told: ByPlace): PressedOn {
  const count = told.places.reduce((sum, each) => sum + each, 0);
  const made = strokesOn(going, told.stone, count, 0, false);
  return {
    ...made,
    told,
    stone: told.stone,
    places: told.places.map((each) => (each * made.strokes) / count),
  };
}

const curveStep = (
  { stones }: HiddenShop,
  { told: { stone, places }, noted, strokes }: PressedOn,
): SessionStep => ({
  abrasiveId: stones[stone].stone.id,
  strokes: noted,
  minutes: strokes / STROKES_PER_MIN,
  places,
});

/** The curve of an iron read before it is honed, where its adviser has it so. */
function readCurve(going: Going, looked: Looked, { put, at }: Writing): void {
  const { of, truth } = looked;
  const by = going.adviser.camber.reads(looked);
  const camber = by && curveRead(of, truth.edge, by, going.slips);
  if (!by || !camber) return;
  going.cost.curve += READ_MIN[by] * COSTS.work;
  put({ kind: 'measuring', startedAt: at(0), camber });
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
    life: (of.metresPerMin ?? 1) / wears(of, { ...truth.edge, bears: 1, madeDeg: setDeg(of) }, 1, hardness),
    angle: of.bestDeg,
    // As it was met from honing to honing, now new, now tired.
    rate:
      (worked.strokeMm3 / Math.max(1, worked.times) / strokeMm3(shop.stones[0], 0)) *
      (shop.stones[0].mm3PerNm / ASSUMED_MM3_PER_NM),
    camber: truth.edge.curve?.camberMm ?? 0,
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
  if (index === 0) {
    going.worked.times += 1;
    going.worked.strokeMm3 += mm3 / push / strokes;
  }
  return { strokes, noted: untilBurr ? strokes : told, noBurrAt, mm3 };
}
