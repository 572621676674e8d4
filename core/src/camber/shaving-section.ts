import { frontProfile } from '../blade/front-line.js';
import type { FrontLine } from '../blade/edge.js';
import { sinDeg } from '../base/trig.js';
import { insist } from '../base/refusal.js';

interface ShavingInput {
  readonly front: FrontLine;
  readonly widthMm: number;
  readonly bedDeg: number;
  /** Thickness in the middle. */
  readonly shavingMm: number;
}

interface ShavingSection {
  /** Thickness across the iron, from its left corner to its right one. */
  readonly across: readonly { readonly atMm: number; readonly thickMm: number }[];
  readonly widthMm: number;
  /** Thickness at the very corners: above 0 it leaves a step there. */
  readonly shoulderMm: number;
  /** How far the edge stands short of the deepest cut, below the sole: at the corners, and half way out. */
  readonly cornerDepthMm: number;
  readonly halfwayDepthMm: number;
}

const POINTS = 161;

/** The shaving an edge takes: its thickness in the middle, less how far the edge stands back there, times sin(bed). */
export function shavingSection({ front, widthMm, bedDeg, shavingMm }: ShavingInput): ShavingSection {
  const profile = frontProfile(front, widthMm, POINTS);
  const depth = profile.map(({ atMm, backMm }) => ({ atMm, mm: backMm * sinDeg(bedDeg) }));
  const across = depth.map(({ atMm, mm }) => ({ atMm, thickMm: Math.max(0, shavingMm - mm) }));
  return {
    across,
    widthMm: cutWidthMm(depth, shavingMm),
    shoulderMm: across[0]?.thickMm ?? 0,
    cornerDepthMm: depth[0]?.mm ?? 0,
    halfwayDepthMm: depth[(POINTS - 1) / 4]?.mm ?? 0,
  };
}

/** Twice the place where the edge leaves the wood, between two points of its profile: the whole width if it cuts at its corner, 0 if nowhere. */
function cutWidthMm(
  depth: readonly { readonly atMm: number; readonly mm: number }[],
  shavingMm: number,
): number {
  const i = depth.findIndex(({ mm, atMm }) => atMm <= 0 && mm < shavingMm);
  const [out, into] = [depth[i - 1], depth[i]];
  if (!into) return 0;
  if (!out) return -2 * into.atMm;
  const share = (out.mm - shavingMm) / (out.mm - into.mm);
  return -2 * (out.atMm + share * (into.atMm - out.atMm));
}

interface BoardInput extends ShavingInput {
  readonly passStepMm: number;
}

/** A planed board across: how deep each place lies below the uncut wood, mm, and how high the ridges stand. */
interface PlanedBoard {
  readonly across: readonly { readonly atMm: number; readonly deepMm: number }[];
  readonly ridgeMm: number;
}

const PASSES = 4;

/**
 * The board a few passes side by side leave: at each place the deepest of them.
 * @throws Refusal on `passStepMm` past the iron's width
 */
export function planedBoard(input: BoardInput): PlanedBoard {
  const { passStepMm, widthMm } = input;
  insist(
    passStepMm > 0 && passStepMm <= widthMm,
    'passStepMm',
    `Passes lie more than 0 and at most ${widthMm} mm apart, the width of the iron.`,
  );
  const { across } = shavingSection(input);
  const half = widthMm / 2;
  const thickAt = (x: number): number => {
    const place = ((x + half) / widthMm) * (across.length - 1);
    if (place < 0 || place > across.length - 1) return 0;
    const i = Math.min(Math.floor(place), across.length - 2);
    const [a, b] = [across[i]?.thickMm ?? 0, across[i + 1]?.thickMm ?? 0];
    return a + (b - a) * (place - i);
  };
  const centres = Array.from({ length: PASSES }, (_, i) => i * passStepMm);
  const [from, to] = [-half, (PASSES - 1) * passStepMm + half];
  const count = 480;
  const board = Array.from({ length: count + 1 }, (_, i) => {
    const atMm = from + ((to - from) * i) / count;
    return { atMm, deepMm: Math.max(...centres.map((centre) => thickAt(atMm - centre))) };
  });
  // Between the middles of the first and the last pass, where passes lie on both sides.
  const between = Array.from({ length: 401 }, (_, i) => (passStepMm * i) / 400).map((x) =>
    Math.max(...centres.map((centre) => thickAt(x - centre))),
  );
  return { across: board, ridgeMm: Math.max(...between) - Math.min(...between) };
}
