import type { Tell } from '../base/tell.js';
import { cosDeg, tanDeg } from '../base/trig.js';
import { insist } from '../base/refusal.js';
import type { Steel } from '../blade/tool.js';
import { conduct, heldJ, type Bar } from './conduction.js';

/** What heat does in a steel. */
interface ThermalSteel {
  /** Conductivity, W/(m·K). */
  readonly conductivity: number;
  /** kg/m³ */
  readonly density: number;
  /** J/(kg·K) */
  readonly heat: number;
}

/**
 * Steels about room temperature. Plain carbon, 1 % C: Holman, Heat Transfer, table of properties of
 * metals (k 43, ρ 7801, c 473); the alloyed ones: ASM Handbook vol. 1. All from memory; the alloyed
 * ones to perhaps a tenth.
 */
export const THERMAL_STEELS: Readonly<Record<Steel, ThermalSteel>> = {
  'high-carbon': { conductivity: 43, density: 7801, heat: 473 },
  laminated: { conductivity: 43, density: 7801, heat: 473 },
  'air-hardening': { conductivity: 26, density: 7860, heat: 460 },
  'high-chromium': { conductivity: 20, density: 7700, heat: 460 },
  'powder-metallurgy': { conductivity: 20, density: 7700, heat: 460 },
  'high-speed': { conductivity: 21, density: 8160, heat: 418 },
};

/** A wheel at work on a bevel. */
export interface GrindingHeat {
  /** Push against the wheel, N. */
  readonly pushN: number;
  /** Speed of the rim, m/s. */
  readonly rimMs: number;
}

/**
 * Of the push, how much drags (the grinding force ratio), and of the work, how much goes into the
 * steel instead of chips, wheel and air. Dry aluminium oxide: 0.3–0.6 and 0.6–0.85 (Malkin and Guo,
 * Grinding Technology, from memory); middle values, estimates.
 */
const DRAG_RATIO = 0.4;
const SHARE_TO_STEEL = 0.7;
/** What it costs to turn steel into swarf, J/mm³: 20–60 dry (Malkin and Guo, from memory); an estimate. */
const SWARF_J_PER_MM3 = 40;

/** Still air with some draught of the wheel, and a dip into water, W/(m²·K): handbook ranges, estimates. */
const AIR_W_M2K = 40;
const WATER_W_M2K = 3000;
export const ROOM_C = 20;

export interface WedgeHeatInput extends GrindingHeat {
  readonly bevelDeg: number;
  readonly thicknessMm: number;
  /** What the heat spreads over: the rim's breadth or the edge's, whichever is less, as if the blade stood still. */
  readonly widthMm: number;
  /** How far from the edge the wheel keeps. */
  readonly stopShortMm: number;
  readonly steel: Steel;
  /** Temperature not to be passed in the last half millimetre, °C. */
  readonly limitC: number;
  /** How hot the blade is to begin with. */
  readonly startC?: number;
  /** Breadth of a cell; halving it is how the answer is checked. */
  readonly cellMm?: number;
  /** Longest pass thought of, s. */
  readonly longestS?: number;
}

export interface WedgeHeat {
  /** How long a pass may last; absent where it never gets that hot within the longest pass. */
  readonly passS?: number;
  /** How long a dip then takes until it is within 5 °C of the water. */
  readonly dipS: number;
  /** Power going into the steel, W. */
  readonly powerW: number;
  /** Temperatures along the blade when the pass ends, from the edge. */
  readonly profile: readonly { readonly atMm: number; readonly celsius: number }[];
  /** The hottest of the last half millimetre while the pass lasts. */
  readonly history: readonly { readonly seconds: number; readonly celsius: number }[];
  /** What went in, what is in the steel, and what the air took, J. */
  readonly energy: { readonly inJ: number; readonly heldJ: number; readonly lostJ: number };
}

/** What is watched: the last half millimetre. */
const WATCHED_MM = 0.5;
const CELL_MM = 0.2;
const LONGEST_S = 60;
const LONGEST_DIP_S = 30;
/** Blade behind the bevel that takes heat up in a pass. */
const BEHIND_MM = 30;

/** Work of the wheel, W: push × drag × speed. */
const wheelPowerW = ({ pushN, rimMs }: GrindingHeat): number => pushN * DRAG_RATIO * rimMs;

/** Steel a wheel takes off, mm³ a second: its work over what swarf costs. */
export const wheelRemovalMm3PerS = (heat: GrindingHeat): number => wheelPowerW(heat) / SWARF_J_PER_MM3;

/**
 * How long a grinding pass may last. The blade is a wedge of the bevel's angle up to its thickness and
 * a strip behind, cut across into cells; the wheel's heat goes in evenly over the bevel from
 * `stopShortMm` to the heel, and air takes some from both faces. Explicit finite differences along the
 * blade; across its thickness the temperature is taken as even, which on steel a millimetre thick takes
 * less than a tenth of a second. A model: the wheel, not the figure, decides.
 * @throws Refusal on `stopShortMm` past the bevel, on `limitC` at or below the start
 */
export function wedgeHeat(input: WedgeHeatInput, tell: Tell = () => undefined): WedgeHeat {
  const { startC = ROOM_C, longestS = LONGEST_S, limitC } = input;
  const { bevelDeg, thicknessMm, stopShortMm, widthMm, pushN, rimMs } = input;
  insist(bevelDeg > 0 && bevelDeg < 90, 'bevelDeg', 'Choose a bevel above 0° and below 90°.');
  insist(thicknessMm > 0, 'thicknessMm', 'A blade has some thickness: give more than 0 mm.');
  insist(widthMm > 0, 'widthMm', 'An edge has some width: give more than 0 mm.');
  insist(pushN > 0, 'pushN', 'Without a push nothing is ground: give more than 0 N.');
  insist(rimMs > 0, 'rimMs', 'A wheel that stands grinds nothing: give its speed.');
  insist(limitC > startC, 'limitC', `The blade begins at ${startC} °C: choose a limit above that.`);
  const heelMm = thicknessMm / tanDeg(bevelDeg);
  insist(
    stopShortMm >= 0 && stopShortMm * cosDeg(bevelDeg) < heelMm * 0.95,
    'stopShortMm',
    'That is the whole bevel: stop nearer the edge.',
  );
  const powerW = wheelPowerW(input) * SHARE_TO_STEEL;
  const bar = wedgeBar(input, heelMm, powerW);
  const cellMm = input.cellMm ?? CELL_MM;
  const celsius = new Float64Array(bar.capacity.length).fill(startC);
  const history: { seconds: number; celsius: number }[] = [{ seconds: 0, celsius: startC }];
  let [beforeS, before, passS] = [0, startC, undefined as number | undefined];
  const flow = conduct(bar, celsius, longestS, (now, seconds) => {
    const hottest = hottestWatched(now, cellMm);
    if (hottest >= limitC) passS = beforeS + ((seconds - beforeS) * (limitC - before)) / (hottest - before);
    if (passS !== undefined || seconds >= (history.at(-1)?.seconds ?? 0) + longestS / 600) {
      tell(seconds / longestS);
      history.push({ seconds: passS ?? seconds, celsius: passS === undefined ? hottest : limitC });
    }
    [beforeS, before] = [seconds, hottest];
    return passS !== undefined;
  });
  const held = heldJ(bar, celsius, startC);
  const every = Math.max(1, Math.round(0.25 / cellMm));
  const profile = [...celsius]
    .map((each, i) => ({ atMm: (i + 0.5) * cellMm, celsius: each }))
    .filter((_, i) => i % every === 0);
  return {
    ...(passS !== undefined && { passS }),
    dipS: dipSeconds(input, heelMm, celsius),
    powerW,
    profile,
    history,
    energy: { inJ: flow.inJ * widthMm, heldJ: held * widthMm, lostJ: flow.lostJ * widthMm },
  };
}

/** The wedge as cells, per mm of edge. */
function wedgeBar(input: WedgeHeatInput, heelMm: number, powerW: number): Bar {
  const { bevelDeg, thicknessMm, stopShortMm, widthMm, steel } = input;
  const cellMm = input.cellMm ?? CELL_MM;
  const { conductivity, density, heat } = THERMAL_STEELS[steel];
  const cells = Math.ceil((heelMm + BEHIND_MM) / cellMm);
  const thickAt = (atMm: number): number => Math.min(thicknessMm, atMm * tanDeg(bevelDeg));
  // The wheel keeps off by so much of the bevel's own face; the cells lie along the back.
  const heatedFromMm = stopShortMm * cosDeg(bevelDeg);
  const perMm = powerW / widthMm / (heelMm - heatedFromMm);
  const bar: Bar = {
    capacity: new Float64Array(cells),
    conductance: new Float64Array(cells - 1),
    source: new Float64Array(cells),
    loss: new Float64Array(cells),
    coolantC: ROOM_C,
  };
  for (let i = 0; i < cells; i++) {
    const [from, to] = [i * cellMm, (i + 1) * cellMm];
    // The section's area, exact where the cell holds the heel.
    const wedge = Math.max(0, Math.min(to, heelMm) - from);
    const area = wedge * thickAt(from + wedge / 2) + (cellMm - wedge) * thicknessMm;
    bar.capacity[i] = area * density * heat * 1e-9;
    bar.source[i] = perMm * Math.max(0, Math.min(to, heelMm) - Math.max(from, heatedFromMm));
    const bevel = wedge / cosDeg(bevelDeg) + (cellMm - wedge);
    bar.loss[i] = (bevel + cellMm) * AIR_W_M2K * 1e-6;
    if (i < cells - 1) bar.conductance[i] = (thickAt(to) / cellMm) * conductivity * 1e-3;
  }
  return bar;
}

/** The hottest from the edge to {@link WATCHED_MM}, between cells where need be. */
function hottestWatched(celsius: Float64Array, cellMm: number): number {
  const place = WATCHED_MM / cellMm - 0.5;
  const low = Math.floor(place);
  let hottest = celsius[0] ?? 0;
  for (let i = 1; i <= low; i++) hottest = Math.max(hottest, celsius[i] ?? 0);
  const [a = 0, b = 0] = [celsius[low], celsius[low + 1]];
  return Math.max(hottest, a + (b - a) * (place - low));
}

function dipSeconds(input: WedgeHeatInput, heelMm: number, celsius: Float64Array): number {
  const bar = wedgeBar(input, heelMm, 0);
  for (let i = 0; i < bar.loss.length; i++) bar.loss[i] = ((bar.loss[i] ?? 0) * WATER_W_M2K) / AIR_W_M2K;
  const cooling = Float64Array.from(celsius);
  const { seconds } = conduct(bar, cooling, LONGEST_DIP_S, (now) => now.every((each) => each < ROOM_C + 5));
  return seconds;
}
