import { kindFacts } from '../abrasive/abrasive.js';
import { grit } from '../abrasive/grit.js';
import { assumedRate } from '../abrasive/at-work.js';
import { removalPerStrokeMm3 } from '../abrasive/removal.js';
import { conditionRecessionMm, type Condition } from '../edge/dulling.js';
import { includedDeg, type SingleBevelEdge } from '../edge/edge.js';
import {
  ASSUMED_LAND_MM,
  landGrowth,
  recessionAfter,
  recessionForLand,
  widestLandMm,
} from '../edge/land-growth.js';
import { grindingWork } from '../grinding/grinding-work.js';
import { unlessRefused } from '../refusal.js';
import type { OwnedAbrasive } from '../progression/honing-plan.js';
import type { Session, SessionSetting } from '../session/session.js';
import { strokeOf } from './step-work.js';
import { afterPlaced, afterReading, camberAtFirst, type CamberState } from './camber-state.js';
import { USE_MEASURES, type UseMeasure } from '../tool/families.js';
import { STEELS, type Tool } from '../tool/tool.js';

/** A session with an identity, as the record holds it. */
export type RecordedSession = Session & { readonly id: string };

/** The setting an edge was last honed at, and when. */
export interface LastSetting extends SessionSetting {
  readonly at: string;
}

/** What a stretch of use came to. */
export interface Wear {
  readonly spells: number;
  readonly minutes: number;
  readonly metresPlaned: number;
  readonly mortises: number;
  readonly chips: number;
  readonly deepestMm: number;
  /** What the last spell said of it; absent where it said nothing. */
  readonly stillCutting?: boolean;
}

/** How an edge stands, reckoned from its record. Lengths in mm, instants ISO 8601. */
export interface EdgeState {
  /** Recession of the edge since its primary was last ground to it. */
  readonly recessionMm: number;
  /** The secondary's length along its own face; absent where there is no secondary. */
  readonly landMm?: number;
  /** What the reckoning of the land starts from. */
  readonly landFrom: 'entered' | 'assumed' | 'measured' | 'ground';
  /** The land when that was so, and how often the edge was honed since. */
  readonly landThenMm?: number;
  readonly honingsSinceThen: number;
  /** Honings since the primary was last ground, or since the record begins. */
  readonly honings: number;
  /** How far the edge has gone back over the whole record, and the steel given up with it. */
  readonly backMm: number;
  readonly steelMm3: number;
  readonly lastSetting?: LastSetting;
  readonly honedAt?: string;
  readonly groundAt?: string;
  /** How the edge is curved across its width; only of flat-backed blades. */
  readonly camber?: CamberState;
  /** The last time anything was done to the edge. */
  readonly sharpenedAt?: string;
  /** Since it was last honed or ground. */
  readonly stropsSinceHoned: number;
  readonly sinceHoned: Wear;
  /** Since anything was done to the edge, a strop too. */
  readonly sinceSharpened: Wear;
}

const NO_WEAR: Wear = { spells: 0, minutes: 0, metresPlaned: 0, mortises: 0, chips: 0, deepestMm: 0 };

/** A tool's edge before anything in its record happened. */
export function edgeAtFirst(tool: Tool): EdgeState {
  const { edge } = tool;
  const camber = camberAtFirst(tool);
  const entered = edge.form === 'single-bevel' && edge.landMm !== undefined;
  const base = {
    recessionMm: 0,
    landFrom: entered ? 'entered' : 'assumed',
    honingsSinceThen: 0,
    honings: 0,
    backMm: 0,
    steelMm3: 0,
    stropsSinceHoned: 0,
    sinceHoned: NO_WEAR,
    sinceSharpened: NO_WEAR,
    ...(camber && { camber }),
  } as const;
  return hasLand(edge) ? withLand(edge, base, edge.landMm ?? ASSUMED_LAND_MM, base.landFrom) : base;
}

/**
 * The edge after one more entry of its record. A honing takes the steel its strokes took (strokes ×
 * each abrasive's removal), and the edge goes back as far as that steel reaches; where the strokes
 * say nothing, as far as the condition before needs; a measured recession or land overrides both.
 * A grinding brings the primary back to the edge.
 * @param bench the abrasives by id, those since removed too where they are known
 */
export function afterSession(
  tool: Tool,
  state: EdgeState,
  session: RecordedSession,
  bench: ReadonlyMap<string, OwnedAbrasive>,
): EdgeState {
  const { edge } = tool;
  const { startedAt: at } = session;
  const measured =
    session.landMm !== undefined && hasLand(edge) ? withLand(edge, state, session.landMm, 'measured') : state;
  const seen =
    session.camber && measured.camber
      ? { ...measured, camber: afterReading(measured.camber, session.camber, at) }
      : measured;
  switch (session.kind) {
    case 'measuring':
      return seen;
    case 'use':
      return {
        ...seen,
        sinceHoned: worn(seen.sinceHoned, session),
        sinceSharpened: worn(seen.sinceSharpened, session),
      };
    case 'stropping':
      return {
        ...seen,
        sharpenedAt: at,
        stropsSinceHoned: seen.stropsSinceHoned + 1,
        // Chips stay in the edge whatever a strop does.
        sinceSharpened: { ...NO_WEAR, chips: seen.sinceHoned.chips, deepestMm: seen.sinceHoned.deepestMm },
      };
    case 'honing':
      return {
        ...honed(tool, seen, session, bench),
        ...curved(tool, seen, session, bench),
        ...FRESH,
        honedAt: at,
        sharpenedAt: at,
      };
    case 'grinding':
      return { ...ground(tool, seen, session), ...FRESH, groundAt: at, sharpenedAt: at };
  }
}

const FRESH = { stropsSinceHoned: 0, sinceHoned: NO_WEAR, sinceSharpened: NO_WEAR } as const;

/** One entry of a record and what it changed. */
export interface HistoryEntry<S extends RecordedSession = RecordedSession> {
  readonly session: S;
  readonly before: EdgeState;
  readonly after: EdgeState;
}

/** Every entry of a tool's record in order of time, each with the edge before and after it. */
export function edgeHistory<S extends RecordedSession>(
  tool: Tool,
  sessions: readonly S[],
  abrasives: readonly OwnedAbrasive[],
): readonly HistoryEntry<S>[] {
  const bench = new Map(abrasives.map((abrasive) => [abrasive.id, abrasive]));
  let before = edgeAtFirst(tool);
  return inOrderOfTime(sessions).map((session) => {
    const entry = { session, before, after: afterSession(tool, before, session, bench) };
    before = entry.after;
    return entry;
  });
}

/** The edge as it stands now. */
export function edgeState(
  tool: Tool,
  sessions: readonly RecordedSession[],
  abrasives: readonly OwnedAbrasive[],
): EdgeState {
  return edgeHistory(tool, sessions, abrasives).at(-1)?.after ?? edgeAtFirst(tool);
}

/** The tool with its land as the record has it, for plans and drawings. */
export function asItStands(tool: Tool, state: EdgeState | undefined): Tool {
  const { edge } = tool;
  return state?.landMm === undefined || !hasLand(edge)
    ? tool
    : { ...tool, edge: { ...edge, landMm: state.landMm } };
}

/** Entries by when they happened; equal instants by id, so that the order never wavers. */
export function inOrderOfTime<S extends RecordedSession>(sessions: readonly S[]): readonly S[] {
  return sessions
    .map((session) => ({ session, at: Date.parse(session.startedAt) }))
    .sort((a, b) => a.at - b.at || (a.session.id < b.session.id ? -1 : 1))
    .map(({ session }) => session);
}

/** Steel, in mm³, that a session's strokes took, from each abrasive's own rate or the estimate. */
export function steelByStrokesMm3(
  tool: Tool,
  session: Session,
  bench: ReadonlyMap<string, OwnedAbrasive>,
): number {
  return (session.steps ?? []).reduce((sum, step) => {
    const abrasive = bench.get(step.abrasiveId);
    if (!abrasive || !takesSteel(abrasive)) return sum;
    const { forceN, strokeMm } = strokeOf(step, abrasive);
    const rate = assumedRate(abrasive, grit(abrasive.grade).sizeUm);
    return sum + step.strokes * removalPerStrokeMm3(rate, forceN, strokeMm, STEELS[tool.steel].factor);
  }, 0);
}

/** A strop polishes; what it takes of an edge is not counted. */
const takesSteel = ({ kind }: OwnedAbrasive): boolean => {
  const { factor, strop } = kindFacts(kind);
  return factor !== undefined && !strop;
};

function honed(
  tool: Tool,
  state: EdgeState,
  session: RecordedSession,
  bench: ReadonlyMap<string, OwnedAbrasive>,
): EdgeState {
  const { edge } = tool;
  const lastSetting = session.setting ? { ...session.setting, at: session.startedAt } : state.lastSetting;
  const steelMm3 = steelByStrokesMm3(tool, session, bench);
  const counted = { honings: state.honings + 1, honingsSinceThen: state.honingsSinceThen + 1 };
  if (edge.form !== 'single-bevel') {
    const backMm = state.backMm + (measuredMm(session) ?? clearingMm(tool, session.conditionBefore));
    return { ...state, ...counted, lastSetting, backMm, steelMm3: state.steelMm3 + steelMm3 };
  }
  const backMm =
    measuredMm(session) ??
    (steelMm3 > 0
      ? recessionAfter(edge, state.recessionMm, steelMm3 / edge.widthMm) - state.recessionMm
      : clearingMm(tool, session.conditionBefore));
  const recessionMm = state.recessionMm + backMm;
  const given = (goneMm: number): number => honedAwayMm2(edge, goneMm) * edge.widthMm;
  return {
    ...state,
    ...counted,
    lastSetting,
    recessionMm,
    ...(hasLand(edge) && { landMm: landAt(edge, recessionMm) }),
    backMm: state.backMm + backMm,
    steelMm3: state.steelMm3 + given(recessionMm) - given(state.recessionMm),
  };
}

function curved(
  { edge, ...tool }: Tool,
  { camber, landMm }: EdgeState,
  session: RecordedSession,
  bench: ReadonlyMap<string, OwnedAbrasive>,
): Pick<EdgeState, 'camber'> {
  if (!camber || edge.form !== 'single-bevel') return {};
  return { camber: afterPlaced({ ...tool, edge }, camber, session, landMm, bench) };
}

function ground(tool: Tool, state: EdgeState, session: RecordedSession): EdgeState {
  const { edge } = tool;
  const { landLeftMm } = session;
  if (landLeftMm !== undefined && hasLand(edge)) return groundShort(edge, state, session, landLeftMm);
  const backMm = measuredMm(session) ?? clearingMm(tool, session.conditionBefore);
  const base = { ...state, honings: 0, honingsSinceThen: 0, backMm: state.backMm + backMm };
  if (edge.form !== 'single-bevel') return base;
  // What honing left of the primary's own thickness comes off now: e·t in all, less what is gone.
  const leftMm2 = state.recessionMm * edge.thicknessMm - honedAwayMm2(edge, state.recessionMm);
  const steelMm3 = state.steelMm3 + (Math.max(0, leftMm2) + backMm * edge.thicknessMm) * edge.widthMm;
  return hasLand(edge)
    ? { ...base, steelMm3, recessionMm: 0, landMm: 0, landFrom: 'ground', landThenMm: 0 }
    : { ...base, steelMm3, recessionMm: 0, landFrom: 'ground' };
}

/** Ground to just short of the edge: the land left is known, and only a nick sets the edge itself back. */
function groundShort(
  edge: LandedEdge,
  state: EdgeState,
  { conditionBefore }: RecordedSession,
  landLeftMm: number,
): EdgeState {
  const nickMm = conditionBefore?.nickMm ?? 0;
  const landMm = state.landMm ?? ASSUMED_LAND_MM;
  const work = unlessRefused(() => grindingWork(edge, { landMm, nickMm, stopShortMm: landLeftMm }));
  return {
    ...withLand(edge, state, landLeftMm, 'ground'),
    honings: 0,
    backMm: state.backMm + nickMm,
    steelMm3: state.steelMm3 + (work?.removeMm3 ?? 0),
  };
}

/** A single bevel with a secondary: the edges that show a land. */
type LandedEdge = SingleBevelEdge & { readonly secondaryDeg: number };

function hasLand(edge: Tool['edge']): edge is LandedEdge {
  return edge.form === 'single-bevel' && edge.secondaryDeg !== undefined;
}

const landAt = (edge: LandedEdge, recessionMm: number): number => landGrowth({ ...edge, recessionMm }).landMm;

function honedAwayMm2(edge: SingleBevelEdge, recessionMm: number): number {
  return hasLand(edge) ? landGrowth({ ...edge, recessionMm }).steelMm2 : recessionMm * edge.thicknessMm;
}

function withLand(
  edge: LandedEdge,
  state: EdgeState,
  measuredMm: number,
  landFrom: EdgeState['landFrom'],
): EdgeState {
  const landMm = Math.min(measuredMm, widestLandMm(edge.thicknessMm, edge.secondaryDeg));
  const recessionMm = recessionForLand(edge.primaryDeg, edge.secondaryDeg, landMm);
  return { ...state, recessionMm, landMm, landFrom, landThenMm: landMm, honingsSinceThen: 0 };
}

function measuredMm({ steps = [] }: Session): number | undefined {
  const measured = steps.flatMap(({ recessionMm }) => (recessionMm === undefined ? [] : [recessionMm]));
  return measured.length > 0 ? measured.reduce((sum, mm) => sum + mm, 0) : undefined;
}

function clearingMm({ edge }: Tool, condition: Condition | undefined): number {
  return condition ? conditionRecessionMm(condition, includedDeg(edge)) : 0;
}

function worn(wear: Wear, { use = {}, minutes, chips }: Session): Wear {
  const amount = (measure: UseMeasure): number =>
    use[measure] ?? (measure === 'minutes' ? (minutes ?? 0) : 0);
  const [inMinutes, inMetres, inMortises] = USE_MEASURES.map(amount) as [number, number, number];
  return {
    spells: wear.spells + 1,
    minutes: wear.minutes + inMinutes,
    metresPlaned: wear.metresPlaned + inMetres,
    mortises: wear.mortises + inMortises,
    chips: wear.chips + (chips?.count ?? 0),
    deepestMm: Math.max(wear.deepestMm, chips?.deepestMm ?? 0),
    stillCutting: use.stillCutting ?? wear.stillCutting,
  };
}
