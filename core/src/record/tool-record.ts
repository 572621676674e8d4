import type { Chips, Session, Use } from './session.js';
import type { OwnedAbrasive } from '../abrasive/abrasive.js';
import type { Tool } from '../blade/tool.js';
import { creepOf, type Creep } from './creep.js';
import { edgeChips, type EdgeChips } from './edge-chips.js';
import { familyFacts } from '../blade/families.js';
import { stropRhythm, type StropRhythm } from './strop-rhythm.js';
import { yearly } from './yearly.js';
import { edgeLawOf, edgeLifeOf, measureOf, type EdgeLaw, type EdgeLife } from './edge-lives.js';
import { edgeSpans } from './edge-spans.js';
import { nextAngle, type EdgeTried, type NextAngle } from './next-angle.js';
import {
  edgeAtFirst,
  edgeHistory,
  type EdgeState,
  type HistoryEntry,
  type RecordedSession,
} from './edge-state.js';

/** What a tool's record comes to: how its edge stands, how long one lasts, how it was last used. */
export interface ToolRecord {
  readonly state: EdgeState;
  readonly entries: number;
  readonly life?: EdgeLife;
  /** What an edge that gives out costs beside an early sharpening, where the workshop says so. */
  readonly lateCosts?: number;
  readonly lastUse?: LastUse;
  readonly chips: EdgeChips;
  readonly creep?: Creep;
  /** Which angle to try next; of knives, once a few of their edges were used. */
  readonly nextAngle?: NextAngle;
  /** Somebody strops it, as far as its record goes. */
  readonly stropped: boolean;
  /** How long it cuts between strops; only of families kept going by stropping. */
  readonly strop?: StropRhythm;
  /** How often it was honed in the year before the last entry; absent in a record shorter than a quarter. */
  readonly honingsPerYear?: number;
}

/** The last spell of use, as the next one is proposed. */
export interface LastUse {
  readonly sessionId: string;
  readonly at: string;
  readonly who?: string;
  readonly use: Use;
  readonly chips?: Chips;
}

/** Everything the rack needs of a tool's record. */
export function toolRecord(
  tool: Tool,
  sessions: readonly RecordedSession[],
  abrasives: readonly OwnedAbrasive[],
): ToolRecord {
  return recordOf(tool, edgeHistory(tool, sessions, abrasives));
}

/** What the rack goes by. */
export interface Standing extends Pick<
  ToolRecord,
  'state' | 'entries' | 'lateCosts' | 'lastUse' | 'stropped' | 'strop'
> {
  readonly life?: EdgeLaw;
}

/** What the rack goes by, of a history already worked out: a part of its record that is reckoned soon. */
export function standingOf(tool: Tool, history: readonly HistoryEntry[]): Standing {
  const life = edgeLawOf(measureOf(tool, history), history);
  const last = history.findLast(({ session }) => session.kind === 'use')?.session;
  const stropped = isStropped(tool, history);
  const strop = stropped && familyFacts(tool.family).stropped && stropRhythm(history);
  return {
    state: history.at(-1)?.after ?? edgeAtFirst(tool),
    entries: history.length,
    ...(life && { life }),
    stropped,
    ...(strop && { strop }),
    ...(last && { lastUse: toLastUse(last) }),
  };
}

/** {@link toolRecord} of a history already worked out. */
export function recordOf(tool: Tool, history: readonly HistoryEntry[]): ToolRecord {
  const sessions = history.map(({ session }) => session);
  const honingsPerYear = yearly(sessions, ({ kind }) => (kind === 'honing' ? 1 : 0));
  const creep = creepOf(tool, history);
  const next = nextAngleOf(tool, history);
  const { life: _law, ...standing } = standingOf(tool, history);
  const life = edgeLifeOf(measureOf(tool, history), history);
  return {
    ...standing,
    ...(life && { life }),
    chips: edgeChips(history),
    ...(creep && { creep }),
    ...(next && { nextAngle: next }),
    ...(honingsPerYear !== undefined && { honingsPerYear }),
  };
}

/** Edges of known angles that say something of the next. */
const EDGES_TO_TELL = 3;

/** Which angle to try next, of a history already worked out: of knives, once a few of their edges were used. */
export function nextAngleOf(tool: Tool, history: readonly HistoryEntry[]): NextAngle | undefined {
  if (tool.edge.form !== 'knife') return undefined;
  const sessions = history.map(({ session }) => session);
  const tried = edgeSpans(measureOf(tool, history), sessions).filter(
    (span): span is typeof span & EdgeTried => span.deg !== undefined,
  );
  return tried.length < EDGES_TO_TELL ? undefined : nextAngle(tried, familyFacts(tool.family).primaryDeg);
}

/** Honings without a strop among them, after which nobody is thought to strop it. */
const HONINGS_WITHOUT = 3;
/** Strops that make a habit where the family knows none. */
const STROPS_FOR_HABIT = 2;

function isStropped(tool: Tool, history: readonly HistoryEntry[]): boolean {
  const count = (kind: Session['kind']): number =>
    history.filter(({ session }) => session.kind === kind).length;
  const strops = count('stropping');
  return familyFacts(tool.family).stropped
    ? strops > 0 || count('honing') < HONINGS_WITHOUT
    : strops >= STROPS_FOR_HABIT;
}

function toLastUse({ id, startedAt, who, use = {}, chips }: RecordedSession): LastUse {
  return { sessionId: id, at: startedAt, ...(who !== undefined && { who }), use, ...(chips && { chips }) };
}

/** Minutes a first spell of use is put down as, to be corrected. */
const FIRST_USE = { minutes: 30, metresPlaned: 20, mortises: 2 } as const;

/**
 * The next spell of use as it is put down in one tap: as the last one, except what that one found
 * wrong with the edge; without a last one, a figure to be corrected.
 */
export function proposedUse(
  toolId: string,
  usedIn: keyof typeof FIRST_USE,
  lastUse: LastUse | undefined,
  startedAt: string,
): Session {
  const use: Use = lastUse?.use ?? { [usedIn]: FIRST_USE[usedIn] };
  return {
    toolId,
    kind: 'use',
    startedAt,
    ...(lastUse?.who !== undefined && { who: lastUse.who }),
    use: { ...use, stillCutting: true },
  };
}
