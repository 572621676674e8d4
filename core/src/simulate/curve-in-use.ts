import { sinDeg } from '../base/trig.js';
import type { CamberRead } from '../camber/camber-read.js';
import { FEELER_STEP_MM, lightReading } from '../camber/light-reading.js';
import { curveAfter } from '../work/placed.js';
import type { Pressed } from './advisers.js';
import type { Chance } from './chance.js';
import { calipered, shaved } from './curved-iron.js';
import type { EdgeTruth } from './edge-truth.js';
import type { HiddenTool } from './hidden-shop.js';

/** Tracks as deep as the shaving take so much of the planing again, scraped or planed off. */
const TRACKS = 0.5;

/**
 * Minutes more that a minute of planing takes because of the curve: too round, its shavings are narrow and passes lie
 * closer; too flat, its corners leave tracks.
 */
export function planedMore({ curve: wants }: HiddenTool, { curve }: EdgeTruth): number {
  if (!wants || !curve) return 0;
  const { wantedMm, shavingMm, bedDeg } = wants;
  const depthMm = (camberMm: number): number => Math.max(0, camberMm) * sinDeg(bedDeg);
  const widthShare = (camberMm: number): number =>
    Math.min(1, Math.sqrt(shavingMm / Math.max(1e-6, depthMm(camberMm))));
  const closer = Math.max(0, widthShare(wantedMm) / widthShare(curve.camberMm) - 1);
  const shoulder = Math.max(0, 1 - depthMm(curve.camberMm) / shavingMm);
  return closer + TRACKS * shoulder;
}

/** The curve as a hand reads it. */
export function curveRead(
  { curve: wants, tool: { edge } }: HiddenTool,
  { curve }: EdgeTruth,
  by: CamberRead['by'],
  { uniform, normal }: Chance,
): CamberRead | undefined {
  if (!wants || !curve || edge.form !== 'single-bevel') return undefined;
  const { widthMm } = edge;
  if (by === 'caliper') return calipered(curve, widthMm, uniform);
  if (by === 'shaving') return shaved(curve, { widthMm, bedDeg: wants.bedDeg }, wants.shavingMm, uniform);
  const leaf = (mm: number): number =>
    FEELER_STEP_MM * Math.max(0, Math.floor(mm / FEELER_STEP_MM + 0.25 * normal()));
  const [leftMm, rightMm] = [
    leaf(curve.camberMm - curve.leanMm / 2),
    leaf(curve.camberMm + curve.leanMm / 2),
  ];
  const { camber, lean } = lightReading({ widthMm, leftMm, rightMm });
  return { by, camberMm: camber.mm, pmMm: camber.pmMm, leanMm: lean.mm };
}

/** A honing of a curved iron: whether its strokes on each stone minded places; those that make the curve, and the steel they took together. */
interface Pressing extends Pick<Pressed, 'kept'> {
  readonly made:
    | { readonly places: readonly number[]; readonly strokes: number; readonly mm3: number }
    | undefined;
}

/** The curve after a honing: flatter where no places were minded, by strokes by place as its iron takes them, and never quite as meant. */
export function curveHonedTo(
  { curve: wants, tool: { edge } }: HiddenTool,
  { curve, faceMm }: EdgeTruth,
  { made, kept }: Pressing,
  { normal }: Chance,
): EdgeTruth['curve'] {
  if (!wants || !curve || edge.form !== 'single-bevel') return curve;
  const camberMm = kept.reduce(
    (left, places) => (places ? left : left * (1 - wants.flattens / kept.length)),
    curve.camberMm,
  );
  const flatter = { ...curve, camberMm };
  const after = made
    ? curveAfter(edge, flatter, made.places, faceMm, (wants.rate * made.mm3) / made.strokes)
    : flatter;
  return {
    camberMm: after.camberMm + wants.scatterMm * normal(),
    leanMm: after.leanMm + wants.scatterMm * normal(),
  };
}
