import { landGrowth, recessionForLand } from '../blade/land-growth.js';
import { sinDeg, tanDeg } from '../base/trig.js';
import type { TrueCurve } from './curved-iron.js';
import { setDeg, longMm, type HiddenTool } from './hidden-shop.js';

/** How an edge truly stands, which only an oracle may look at. */
export interface EdgeTruth {
  /** Its use as a share of what it bears: from 1 on it no longer cuts. */
  readonly used: number;
  /** What this edge bears, as a share of the usual. */
  readonly bears: number;
  readonly chipMm: number;
  /** Length of the face that is honed, mm; of a knife each side's. */
  readonly faceMm: number;
  readonly strops: number;
  /** As it was last honed. */
  readonly madeDeg: number;
  /** When it was last ground: honings since, and what they took over the first, min. */
  readonly since: { readonly honings: number; readonly extraMin: number; readonly firstMin?: number };
  /** Of an iron that is curved. */
  readonly curve?: TrueCurve;
}

/** Radius of a tip that has just been honed, and of one that no longer cuts, µm. */
const FRESH_UM = 0.8;
const GONE_UM = 8;

/** Use that a spell is, as a share of what this edge bears, in wood so many times as hard as soft. */
export function wears(of: HiddenTool, truth: EdgeTruth, minutes: number, hardness: number): number {
  const off = truth.madeDeg - of.bestDeg;
  const angle = 2 ** (Math.abs(off) / (off < 0 ? of.halfFlatterDeg : of.halfSteeperDeg));
  return (minutes * hardness * angle) / (of.lifeMin * truth.bears);
}

/** Radius of its tip, µm: it rounds fast at first, by a power that is the tool's own. */
const tipOfUm = ({ roundsAs }: HiddenTool, { used }: EdgeTruth): number =>
  FRESH_UM + (GONE_UM - FRESH_UM) * used ** roundsAs;

/** How far its faces have to go down before it is sharp, mm. */
export function depthMm(of: HiddenTool, truth: EdgeTruth): number {
  const { madeDeg, chipMm } = truth;
  const tipMm = (tipOfUm(of, truth) - FRESH_UM) / 1000;
  // A wedge rounded so far: its two faces meet again that much lower, or its one face does with the back.
  const worn =
    of.tool.edge.form === 'knife'
      ? tipMm * (1 - sinDeg(madeDeg))
      : (tipMm * sinDeg(madeDeg)) / tanDeg(madeDeg / 2);
  return worn + chipMm * sinDeg(madeDeg);
}

/** Area that is worked at so long a face, mm²: of one side or of both. */
const workedMm2 = (of: HiddenTool, faceMm: number): number =>
  faceMm * longMm(of) * (of.tool.edge.form === 'knife' ? 2 : 1);

/** The face once it went down so far: a chisel’s land grows by its geometry, a knife’s facet as its blade tapers. */
function faceDownMm({ tool: { edge } }: HiddenTool, faceMm: number, downMm: number): number {
  if (edge.form === 'knife') return faceMm + downMm / (sinDeg(edge.leftDeg) * 6);
  const { primaryDeg, secondaryDeg = primaryDeg, thicknessMm } = edge;
  const recessionMm = recessionForLand(primaryDeg, secondaryDeg, faceMm) + downMm / sinDeg(secondaryDeg);
  return Math.min(
    landGrowth({ primaryDeg, secondaryDeg, recessionMm }).landMm,
    thicknessMm / sinDeg(secondaryDeg),
  );
}

/** Steel until its faces are down so far, mm³: it grows as they do. */
export const steelMm3 = (of: HiddenTool, { faceMm }: EdgeTruth, downMm: number): number =>
  (downMm * (workedMm2(of, faceMm) + workedMm2(of, faceDownMm(of, faceMm, downMm)))) / 2;

/** Halvings until nobody could tell. */
const HALVINGS = 30;

/** The face after so much steel came off it, mm. */
export function faceAfterMm(of: HiddenTool, edge: EdgeTruth, takenMm3: number): number {
  let [least, most] = [0, takenMm3 / workedMm2(of, edge.faceMm)];
  for (let i = 0; i < HALVINGS; i++) {
    const downMm = (least + most) / 2;
    if (steelMm3(of, edge, downMm) < takenMm3) least = downMm;
    else most = downMm;
  }
  return faceDownMm(of, edge.faceMm, most);
}

/** Steel a regrind takes of a chisel, mm³: its whole primary goes back until only so much of the land is left. */
export function regroundMm3({ tool: { edge } }: HiddenTool, faceMm: number, leftMm: number): number {
  if (edge.form === 'knife') return 0;
  const { primaryDeg, secondaryDeg = primaryDeg, thicknessMm, widthMm } = edge;
  const backMm =
    recessionForLand(primaryDeg, secondaryDeg, faceMm) - recessionForLand(primaryDeg, secondaryDeg, leftMm);
  return backMm * thicknessMm * widthMm;
}

/** What a strop brings back: half, less of it each time. */
export function stroppedTo(used: number, strops: number): number {
  const floor = Math.min(used, 0.1 * strops);
  return floor + 0.5 * (used - floor);
}

/** An edge as it is at first. */
export const freshTruth = (of: HiddenTool, bears: number, madeDeg = setDeg(of)): EdgeTruth => ({
  used: 0,
  bears,
  chipMm: 0,
  faceMm: of.tool.edge.form === 'knife' ? 0.8 : (of.tool.edge.landMm ?? 0.5),
  strops: 0,
  madeDeg,
  since: { honings: 0, extraMin: 0 },
  ...(of.curve && { curve: { camberMm: of.curve.hadMm, leanMm: 0 } }),
});
