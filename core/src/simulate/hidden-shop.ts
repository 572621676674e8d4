import type { OwnedAbrasive } from '../abrasive/abrasive.js';
import { arcRadiusMm } from '../base/arc.js';
import { sinDeg } from '../base/trig.js';
import { edgeLengthMm, type KnifeEdge, type SingleBevelEdge } from '../blade/edge.js';
import type { Tool } from '../blade/tool.js';
import type { Use } from '../record/session.js';
import { about, between, type Chance } from './chance.js';

/** A tool of a made-up shop: what its record knows, and what nobody does. */
export interface HiddenTool {
  readonly tool: Tool & { readonly id: string; readonly edge: SingleBevelEdge | KnifeEdge };
  /** What its edges last in soft wood at the best angle, min; the spread of that from edge to edge. */
  readonly lifeMin: number;
  readonly spread: number;
  /** The angle they last longest at, and how many degrees flatter, or steeper, halve that. */
  readonly bestDeg: number;
  readonly halfFlatterDeg: number;
  readonly halfSteeperDeg: number;
  /** How its tip rounds with use: with this power of it. */
  readonly roundsAs: number;
  /** Chips in a spell at the best angle. */
  readonly chips: number;
  /** It is taken up on so many days of a hundred, for about so long, min. */
  readonly daysPercent: number;
  readonly spellMin: number;
  /** Metres it planes in a minute, where it is used so. */
  readonly metresPerMin?: number;
  /** Of an iron that is curved on purpose. */
  readonly curve?: HiddenCurve;
}

/** How an iron's curve takes to honing. */
interface HiddenCurve {
  /** The curve its shaving wants, mm, the shaving, mm, and the bed it lies on. */
  readonly wantedMm: number;
  readonly shavingMm: number;
  readonly bedDeg: number;
  /** What it has at first. */
  readonly hadMm: number;
  /** How many times as fast strokes by place work as their model has it. */
  readonly rate: number;
  /** A honing that minds no places takes this share of its curve; any honing scatters it so, mm. */
  readonly flattens: number;
  readonly scatterMm: number;
}

/** A stone as it truly is. */
export interface HiddenStone {
  readonly stone: OwnedAbrasive;
  /** Steel it truly takes, mm³ a newton and metre, with a new face. */
  readonly mm3PerNm: number;
  /** Strokes after which its face cuts half of that. */
  readonly tiresAt: number;
}

/** The hand that hones and uses. */
interface HiddenHand {
  readonly angleSd: number;
  readonly pushSd: number;
  readonly countSd: number;
  /** Sees that an edge no longer cuts; puts down nothing of a spell; is right about a burr. */
  readonly sees: number;
  readonly forgets: number;
  readonly feels: number;
}

/** A shop whose truth nobody in it knows. */
export interface HiddenShop {
  readonly tools: readonly HiddenTool[];
  /** A coarse and a fine one. */
  readonly stones: readonly [HiddenStone, HiddenStone];
  readonly strop: OwnedAbrasive;
  readonly hand: HiddenHand;
  /** How much faster hard wood rounds a tip, and how likely the next job is in it. */
  readonly hardWood: number;
  readonly hardShare: number;
}

/** What the coarse stone is taken to take before anything of it was read, mm³ a newton and metre: 14 µm, a water stone’s. */
export const ASSUMED_MM3_PER_NM = 0.0056;

const WATER = { lubricant: 'water', lengthMm: 200, widthMm: 70, strokeMm: 150, overheadMin: 0.5 } as const;

/** A shop by its chances: a chisel, a whittling knife and a smoothing iron, two stones and a strop, one hand. */
export function hiddenShop(chance: Chance): HiddenShop {
  const stone = (id: string, sizeUm: number, assumed: number): HiddenStone => ({
    stone: { ...WATER, id, name: id, kind: 'water-stone', grade: { standard: 'UM', grade: String(sizeUm) } },
    mm3PerNm: about(chance, assumed, 0.5),
    tiresAt: about(chance, 900, 0.5),
  });
  const shop: HiddenShop = {
    tools: [chisel(chance), knife(chance)],
    stones: [stone('coarse', 14, ASSUMED_MM3_PER_NM), stone('fine', 3, ASSUMED_MM3_PER_NM * (3 / 14) ** 0.8)],
    strop: {
      ...{ ...WATER, id: 'strop', name: 'strop', kind: 'strop', lubricant: 'compound', overheadMin: 0.3 },
      grade: { standard: 'UM', grade: '1' },
    },
    hand: {
      angleSd: between(chance, 0.3, 1.2),
      pushSd: between(chance, 0.1, 0.3),
      countSd: between(chance, 0.02, 0.15),
      sees: between(chance, 0.75, 0.98),
      forgets: between(chance, 0, 0.08),
      feels: between(chance, 0.8, 0.97),
    },
    hardWood: between(chance, 1.2, 1.8),
    hardShare: between(chance, 0.1, 0.7),
  };
  return { ...shop, tools: [...shop.tools, smoother(chance)] };
}

const usedBy = (chance: Chance) => ({
  spread: between(chance, 0.15, 0.4),
  halfFlatterDeg: between(chance, 2, 5),
  halfSteeperDeg: between(chance, 4, 9),
  roundsAs: between(chance, 0.6, 0.9),
  chips: between(chance, 0.003, 0.015),
  daysPercent: between(chance, 30, 80),
});

function chisel(chance: Chance): HiddenTool {
  const edge: SingleBevelEdge = {
    ...{
      form: 'single-bevel',
      widthMm: Math.round(between(chance, 10, 32)),
      thicknessMm: between(chance, 3, 4.5),
    },
    ...{ primaryDeg: 25, secondaryDeg: 30, landMm: between(chance, 0.3, 1), grind: 'flat', back: 'flat' },
    front: { shape: 'straight' },
  };
  return {
    tool: { id: 'chisel', name: 'Chisel', family: 'bench-chisel', steel: 'high-carbon', edge },
    lifeMin: about(chance, 150, 0.4),
    bestDeg: 30 + chance.normal(),
    spellMin: between(chance, 8, 30),
    ...usedBy(chance),
  };
}

function knife(chance: Chance): HiddenTool {
  const edge: KnifeEdge = {
    ...{ form: 'knife', lengthMm: Math.round(between(chance, 40, 80)), widthMm: 16, spineMm: 2.4 },
    ...{ leftDeg: 11, rightDeg: 11, grind: 'flat' },
  };
  return {
    tool: { id: 'knife', name: 'Knife', family: 'whittling-knife', steel: 'high-carbon', edge },
    lifeMin: about(chance, 130, 0.4),
    bestDeg: 11 + 1.5 * chance.normal(),
    spellMin: between(chance, 12, 40),
    ...usedBy(chance),
  };
}

/** Corners stand this much further back than a shaving is thick, seen along the sole, so that they leave no track. */
const CLEAR_OF_TRACKS = 1.4;

function smoother(chance: Chance): HiddenTool {
  const [widthMm, bedDeg] = [Math.round(between(chance, 44, 60)), 45];
  const shavingMm = between(chance, 0.04, 0.08);
  const wantedMm = (CLEAR_OF_TRACKS * shavingMm) / sinDeg(bedDeg);
  const edge: SingleBevelEdge = {
    ...{ form: 'single-bevel', widthMm, thicknessMm: between(chance, 2.2, 3.5) },
    ...{ primaryDeg: 25, secondaryDeg: 30, landMm: between(chance, 0.3, 1), grind: 'flat', back: 'flat' },
    front: { shape: 'arc', radiusMm: arcRadiusMm(widthMm, wantedMm) },
  };
  return {
    tool: {
      ...{ id: 'smoother', name: 'Smoothing iron', family: 'plane-iron', steel: 'high-carbon', edge },
      host: { bedDeg, orientation: 'bevel-down' },
    },
    lifeMin: about(chance, 70, 0.4),
    bestDeg: 30 + chance.normal(),
    spellMin: between(chance, 8, 25),
    ...usedBy(chance),
    metresPerMin: between(chance, 2, 6),
    curve: {
      ...{ wantedMm, shavingMm, bedDeg, hadMm: wantedMm * between(chance, 0.5, 1.5) },
      rate: about(chance, 1, 0.35),
      flattens: between(chance, 0, 0.12),
      scatterMm: between(chance, 0.002, 0.008),
    },
  };
}

/** The angle an edge is honed at as its record tells it, degrees. */
export const setDeg = ({ tool: { edge } }: HiddenTool): number =>
  edge.form === 'knife' ? edge.leftDeg : (edge.secondaryDeg ?? edge.primaryDeg);

/** Minutes of its use as they are put down; and the other way round. */
export const usedAs = (
  { metresPerMin }: HiddenTool,
  minutes: number,
): Pick<Use, 'minutes' | 'metresPlaned'> =>
  metresPerMin === undefined
    ? { minutes: Math.max(1, Math.round(minutes)) }
    : { metresPlaned: Math.max(1, Math.round(minutes * metresPerMin)) };
export const minutesOf = (
  { metresPerMin = 1 }: HiddenTool,
  { minutes, metresPlaned = 0 }: Pick<Use, 'minutes' | 'metresPlaned'>,
): number => minutes ?? metresPlaned / metresPerMin;

/** Length of its edge, mm. */
export const longMm = ({ tool }: HiddenTool): number => edgeLengthMm(tool.edge);
