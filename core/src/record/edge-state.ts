import { inOrder, type SizedAbrasive } from '../abrasive/placing.js';
import { remembered } from '../base/remembered.js';
import { depthOfMm } from '../blade/dulling.js';
import type { Edge, SingleBevelEdge } from '../blade/edge.js';
import { ASSUMED_LAND_MM, landOn } from '../blade/land-growth.js';
import type { OwnedAbrasive } from '../abrasive/abrasive.js';
import type { SessionSetting } from '../guide/setting.js';
import { instantOf, usedIn, type Session } from './session.js';
import type { Tool } from '../blade/tool.js';
import {
  behindGroundMm,
  facetsNow,
  landMmOf,
  sharpnessUm,
  unworked,
  withLand,
  type EdgeAtWork,
  type ToolAtWork,
  type FacetNow,
} from '../work/edge-at-work.js';
import { groundTo } from '../work/ground.js';
import { asFound, asRound, clearingMm } from '../work/found.js';
import { stropped, worn as wornIn } from '../work/wear.js';
import { setBack, worked } from '../work/worked.js';
import { afterHoned, afterMade, afterReading, camberAtFirst, type CamberState } from './camber-state.js';
import { landAfterReading, landThenPmMm, type LandAgainst, type LandFrom } from './land-doubt.js';
import { itemOf } from './step-work.js';
import { LATEST_TIPS, tipSeen, tipsFound, type TipSeen } from './tips-seen.js';

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
  /** The edge as work left it, facet by facet. */
  readonly work: EdgeAtWork;
  readonly facets: readonly FacetNow[];
  /** How sharp it is reckoned to be, as its tip’s radius, µm. */
  readonly tipUm: number;
  /** Recession of the edge since its primary was last ground to it. */
  readonly recessionMm: number;
  /** The secondary's length along its own face; absent where there is no secondary. */
  readonly landMm?: number;
  /** What the reckoning of the land starts from. */
  readonly landFrom: LandFrom;
  /** The land when that was so, its ± (95 %), and how often the edge was honed since. */
  readonly landThenMm?: number;
  readonly landThenPmMm?: number;
  readonly honingsSinceThen: number;
  /** What the last reading of the land contradicts. */
  readonly landAgainst?: LandAgainst;
  /** Honings since the primary was last ground, or since the record begins. */
  readonly honings: number;
  /** How far the edge has gone back over the whole record, and the steel given up with it. */
  readonly backMm: number;
  readonly steelMm3: number;
  readonly lastSetting?: LastSetting;
  readonly honedAt?: string;
  readonly groundAt?: string;
  /** What its latest burrs told of its tips, where a run looked for them. */
  readonly tipsSeen?: readonly TipSeen[];
  /** How the edge is curved across its width; only of flat-backed blades. */
  readonly camber?: CamberState;
  /** The rim left at the edge when its back was hollowed, mm, and where the edge stood then. */
  readonly backRim?: { readonly mm: number; readonly backMm: number };
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
  const landMm = hasLand(edge) ? landOn(edge, edge.landMm ?? ASSUMED_LAND_MM) : undefined;
  // What was measured is told as it was measured.
  const seen = { ...seenOf(edge, unworked(edge, landMm)), ...(landMm !== undefined && { landMm }) };
  const landFrom = entered ? 'entered' : 'assumed';
  return {
    ...seen,
    landFrom,
    ...(seen.landMm !== undefined && knownAs(landFrom, seen.landMm)),
    honingsSinceThen: 0,
    honings: 0,
    stropsSinceHoned: 0,
    sinceHoned: NO_WEAR,
    sinceSharpened: NO_WEAR,
    ...(camber && { camber }),
  };
}

/** A land that comes to be known so. */
const knownAs = (landFrom: LandFrom, landMm: number): Pick<EdgeState, 'landThenMm' | 'landThenPmMm'> => ({
  landThenMm: landMm,
  landThenPmMm: landThenPmMm(landFrom, landMm),
});

/** What is told of an edge as work left it. */
function seenOf(
  edge: Edge,
  work: EdgeAtWork,
): Pick<EdgeState, 'work' | 'facets' | 'tipUm' | 'recessionMm' | 'landMm' | 'backMm' | 'steelMm3'> {
  const facets = facetsNow(edge, work);
  return {
    work,
    facets,
    tipUm: sharpnessUm(edge, work),
    recessionMm: behindGroundMm(edge, work),
    ...(hasLand(edge) && { landMm: landMmOf(edge, work) }),
    backMm: work.recessionMm,
    steelMm3: work.steelMm3,
  };
}

/**
 * The edge after one more entry of its record: every step of a honing is work on it, one after the other;
 * where no stroke was counted it goes back as far as the condition before needs; a measured recession or land
 * overrides either. A grinding brings the primary back to the edge.
 * @param bench the abrasives by id, those since removed too where they are known
 */
export function afterSession(
  tool: Tool,
  state: EdgeState,
  session: RecordedSession,
  bench: ReadonlyMap<string, SizedAbrasive>,
): EdgeState {
  const { hollowedBack } = session;
  const after = afterEntry(tool, state, session, bench);
  return hollowedBack ? { ...after, backRim: { mm: hollowedBack.rimMm, backMm: after.backMm } } : after;
}

/** What is left of the flat rim between the edge and the hollow in its back, mm; nothing of a back without one. */
export const backRimMm = ({ backRim, backMm }: EdgeState): number | undefined =>
  backRim && Math.max(0, backRim.mm - (backMm - backRim.backMm));

function afterEntry(
  tool: Tool,
  state: EdgeState,
  session: RecordedSession,
  bench: ReadonlyMap<string, SizedAbrasive>,
): EdgeState {
  const { edge } = tool;
  const { startedAt: at } = session;
  const measured =
    session.landMm !== undefined && hasLand(edge) ? landRead(edge, state, session.landMm) : state;
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
        ...seenAfterUse(edge, seen, session),
        sinceHoned: worn(seen.sinceHoned, session),
        sinceSharpened: worn(seen.sinceSharpened, session),
      };
    case 'stropping':
      return {
        ...seen,
        ...inHand(seen, edge, stropped(edge, seen.work)),
        sharpenedAt: at,
        stropsSinceHoned: seen.stropsSinceHoned + 1,
        // Chips stay in the edge whatever a strop does.
        sinceSharpened: { ...NO_WEAR, chips: seen.sinceHoned.chips, deepestMm: seen.sinceHoned.deepestMm },
      };
    case 'honing':
      return {
        ...honed(tool, seen, session, bench),
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

const benchById = remembered(
  (abrasives: readonly OwnedAbrasive[]): ReadonlyMap<string, SizedAbrasive> =>
    new Map(inOrder(abrasives).map((abrasive) => [abrasive.id, abrasive])),
);

/**
 * Every entry of a tool's record in order of time, each with the edge before and after it.
 * @param kept a history of the same tool at the same abrasives: as far as its entries are the very same, from the
 * first on, what they came to stands and is not reckoned again
 */
export function edgeHistory<S extends RecordedSession>(
  tool: Tool,
  sessions: readonly S[],
  abrasives: readonly OwnedAbrasive[],
  kept: readonly HistoryEntry<S>[] = [],
): readonly HistoryEntry<S>[] {
  const bench = benchById(abrasives);
  const known = sharedBy(sessions, kept);
  const inTime = inOrderOfTime(sessions, known);
  const standing = kept.slice(0, inTime === sessions ? known : sharedBy(inTime, kept));
  let before = standing.at(-1)?.after ?? edgeAtFirst(tool);
  const reckoned = inTime.slice(standing.length).map((session) => {
    const entry = { session, before, after: afterSession(tool, before, session, bench) };
    before = entry.after;
    return entry;
  });
  return [...standing, ...reckoned];
}

/** The edge as it stands now. */
export function edgeState(
  tool: Tool,
  sessions: readonly RecordedSession[],
  abrasives: readonly OwnedAbrasive[],
): EdgeState {
  return edgeHistory(tool, sessions, abrasives).at(-1)?.after ?? edgeAtFirst(tool);
}

/** The tool as its record has it, for plans and drawings: the work its edge stands at, and its land. */
export function asItStands(tool: Tool, state: EdgeState | undefined): ToolAtWork {
  if (!state) return tool;
  const { edge } = tool;
  const { landMm, work, tipsSeen = [] } = state;
  const tips = tipsFound(tipsSeen);
  const now = { work, ...(tips && { tips }) };
  return landMm === undefined || !hasLand(edge)
    ? { ...tool, ...now }
    : { ...tool, edge: { ...edge, landMm }, ...now };
}

/** How many entries, from the first on, are the very same as a history’s. */
function sharedBy(sessions: readonly RecordedSession[], history: readonly HistoryEntry[]): number {
  const other = sessions.findIndex((session, i) => session !== history[i]?.session);
  return other < 0 ? sessions.length : other;
}

/**
 * Entries by when they happened; equal instants by id, so that the order never wavers.
 * @param known so many of the first are known to be in order
 */
export function inOrderOfTime<S extends RecordedSession>(sessions: readonly S[], known = 0): readonly S[] {
  const follows = (a: S, b: S): number => instantOf(a) - instantOf(b) || (a.id < b.id ? -1 : 1);
  // They mostly come as they happened.
  for (let i = Math.max(1, known); i < sessions.length; i++)
    if (follows(sessions[i - 1] as S, sessions[i] as S) >= 0) return [...sessions].sort(follows);
  return sessions;
}

/** What use and strop change of what is told: nothing is taken off, so lengths stay as they were told. */
const inHand = (
  state: EdgeState,
  edge: Edge,
  work: EdgeAtWork,
): Pick<EdgeState, 'work' | 'facets' | 'tipUm'> => ({
  work,
  facets: state.facets,
  tipUm: sharpnessUm(edge, work),
});

function seenAfterUse(
  edge: Edge,
  state: EdgeState,
  { use = {}, minutes, chips }: Session,
): Partial<EdgeState> {
  const spent = use.minutes ?? minutes;
  const wood = {
    ...use,
    ...(spent !== undefined && { minutes: spent }),
    ...(chips?.deepestMm !== undefined && { chipMm: chips.deepestMm }),
  };
  return inHand(state, edge, wornIn(edge, state.work, wood));
}

function honed(
  tool: Tool,
  state: EdgeState,
  session: RecordedSession,
  bench: ReadonlyMap<string, SizedAbrasive>,
): EdgeState {
  const { edge } = tool;
  const lastSetting = session.setting ? { ...session.setting, at: session.startedAt } : state.lastSetting;
  const counted = { honings: state.honings + 1, honingsSinceThen: state.honingsSinceThen + 1 };
  const { camber } = state;
  const found = camber ? { ...state.work, curve: camber } : state.work;
  const { curve = camber, ...work } = afterSteps(tool, found, session, bench, state.tipsSeen);
  const seen = tipSeen(tool, state.work, session, bench);
  return {
    ...state,
    ...counted,
    ...(lastSetting && { lastSetting }),
    ...(seen && { tipsSeen: [...(state.tipsSeen ?? []), seen].slice(-LATEST_TIPS) }),
    ...seenOf(edge, work),
    ...(camber && {
      camber: afterHoned(curve && curve !== camber ? afterMade(camber, curve, session.startedAt) : camber),
    }),
  };
}

function afterSteps(
  tool: Tool,
  work: EdgeAtWork,
  session: Session,
  bench: ReadonlyMap<string, SizedAbrasive>,
  tips: readonly TipSeen[] = [],
): EdgeAtWork {
  const { edge } = tool;
  const { steps = [], setting } = session;
  const conditionBefore = session.conditionBefore && asRound(session.conditionBefore, tipsFound(tips));
  const found = asFound(edge, work, conditionBefore);
  let told = false as boolean;
  const after = steps.reduce((now, step) => {
    const item = itemOf(tool, step, setting, bench);
    const counts = item !== undefined && !item.strop && item.strokes > 0;
    told ||= counts || step.recessionMm !== undefined;
    // A measured step went back as far as was measured; its marks are its own all the same.
    if (step.recessionMm !== undefined) {
      const back = setBack(edge, now, step.recessionMm);
      if (!item) return back;
      const { marksUm, curve } = worked(edge, now, item);
      return { ...back, marksUm, ...(curve && { curve }) };
    }
    return item ? worked(edge, now, item) : now;
  }, found);
  return told ? after : setBack(edge, found, clearingMm(edge, conditionBefore));
}

function ground({ edge }: Tool, state: EdgeState, session: RecordedSession): EdgeState {
  const { landLeftMm = 0, conditionBefore } = session;
  const nickMm =
    landLeftMm > 0 ? (conditionBefore ? depthOfMm(conditionBefore) : 0) : clearingMm(edge, conditionBefore);
  const { landAgainst: _told, ...before } = state;
  const base = { ...before, honings: 0, honingsSinceThen: 0 };
  if (edge.form !== 'single-bevel') {
    const backMm = measuredMm(session) ?? nickMm;
    const work = setBack(edge, state.work, backMm);
    return { ...base, ...seenOf(edge, { ...work, groundAtMm: work.recessionMm }) };
  }
  const work = groundTo(edge, state.work, {
    nickMm: landLeftMm > 0 ? nickMm : (measuredMm(session) ?? nickMm),
    landLeftMm: hasLand(edge) ? landOn(edge, landLeftMm) : 0,
  });
  const seen = seenOf(edge, work);
  return {
    ...base,
    ...seen,
    landFrom: 'ground',
    ...(hasLand(edge) && { landMm: landLeftMm, ...knownAs('ground', landLeftMm) }),
  };
}

/** A single bevel with a secondary: the edges that show a land. */
type LandedEdge = SingleBevelEdge & { readonly secondaryDeg: number };

function hasLand(edge: Edge): edge is LandedEdge {
  return edge.form === 'single-bevel' && edge.secondaryDeg !== undefined;
}

/** The edge after a reading of its land. */
function landRead(edge: LandedEdge, state: EdgeState, readMm: number): EdgeState {
  const { value, pm, against } = landAfterReading(state, landOn(edge, readMm));
  const landMm = landOn(edge, value);
  const { landAgainst: _told, ...before } = state;
  return {
    ...before,
    ...seenOf(edge, withLand(edge, state.work, landMm)),
    landMm,
    landFrom: 'measured',
    landThenMm: landMm,
    landThenPmMm: pm,
    honingsSinceThen: 0,
    ...(against && { landAgainst: { landMm: against.value, pmMm: against.pm } }),
  };
}

function measuredMm({ steps = [] }: Session): number | undefined {
  const measured = steps.flatMap(({ recessionMm }) => (recessionMm === undefined ? [] : [recessionMm]));
  return measured.length > 0 ? measured.reduce((sum, mm) => sum + mm, 0) : undefined;
}

function worn(wear: Wear, session: Session): Wear {
  const { use = {}, chips } = session;
  const stillCutting = use.stillCutting ?? wear.stillCutting;
  return {
    spells: wear.spells + 1,
    minutes: wear.minutes + usedIn('minutes', session),
    metresPlaned: wear.metresPlaned + usedIn('metresPlaned', session),
    mortises: wear.mortises + usedIn('mortises', session),
    chips: wear.chips + (chips?.count ?? 0),
    deepestMm: Math.max(wear.deepestMm, chips?.deepestMm ?? 0),
    ...(stillCutting !== undefined && { stillCutting }),
  };
}
