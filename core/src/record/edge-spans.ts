import type { UseMeasure } from '../blade/families.js';
import type { SessionSetting } from '../guide/setting.js';
import { grindingShares } from './grinding-shares.js';
import { usedIn, type Felt, type Session } from './session.js';

/** How an edge came to its end. */
type EdgeEnd = 'blunt' | 'still-cutting' | 'chipped' | 'in-use';

/** One edge from a sharpening to the next: what it was used for, and how it ended. */
export interface EdgeSpan {
  /** Use it had until it was found blunt, or until its end otherwise. */
  readonly amount: number;
  /** The use it still cut after for certain. */
  readonly cutTo: number;
  readonly ended: EdgeEnd;
  readonly wood?: string;
  /** The angle it was honed at; of one set on each side by itself, the mean of the two, and the two. */
  readonly deg?: number;
  readonly leftDeg?: number;
  readonly rightDeg?: number;
  /** How it cut, as last said. */
  readonly felt?: Felt;
  readonly who?: string;
  /** What the honing that made it took, its share of the next grinding with it, min. */
  readonly madeMin?: number;
}

/** An edge, and the honing that made it. */
type EdgeMade = Omit<EdgeSpan, 'madeMin'> & { readonly honing?: Session };

/** What a record had come to by one of its entries. */
interface SoFar {
  readonly edges: readonly EdgeMade[];
  readonly made: Pick<EdgeMade, 'deg' | 'leftDeg' | 'rightDeg' | 'honing'>;
  /** Use since the edge was last sharpened. */
  readonly uses: readonly Session[];
  /** Spells of use that left the edge cutting, and what they came to. */
  readonly cutting: { readonly spells: number; readonly amount: number };
}

const NOTHING_YET: SoFar = { edges: [], made: {}, uses: [], cutting: { spells: 0, amount: 0 } };

/** The edges of a record, and its spells of use that left them cutting. */
export type Edges = Pick<SoFar, 'edges' | 'cutting'>;

/** Goes on from what a record had come to. */
function goneOn(measure: UseMeasure, soFar: SoFar, session: Session): SoFar {
  if (session.kind === 'use') {
    const { cutting } = soFar;
    const amount = leftCutting(session) ? usedIn(measure, session) : 0;
    return {
      ...soFar,
      uses: [...soFar.uses, session],
      cutting: amount > 0 ? { spells: cutting.spells + 1, amount: cutting.amount + amount } : cutting,
    };
  }
  if (session.kind !== 'honing' && session.kind !== 'grinding') return soFar;
  const edges = edgesWith(measure, soFar, true);
  if (session.kind === 'grinding') return { ...soFar, edges, uses: [] };
  const { setting } = session;
  const { honing: _before, ...angles } = soFar.made;
  return { ...soFar, edges, uses: [], made: { ...(setting ? anglesOf(setting) : angles), honing: session } };
}

const leftCutting = ({ use, chips }: Session): boolean => use?.stillCutting !== false && chips === undefined;

/** The edges so far, the one in use with them. */
function edgesWith(
  measure: UseMeasure,
  { edges, made, uses }: SoFar,
  sharpened: boolean,
): readonly EdgeMade[] {
  const span = spanOf(measure, uses, sharpened);
  return span ? [...edges, { ...span, ...made }] : edges;
}

/**
 * The edges of a record one after the other, the one in use last; those nothing was noted of are left out. A chip ends
 * an edge by accident, not by wear.
 * @param sessions in order of time
 */
export function edgeSpans(measure: UseMeasure, sessions: readonly Session[]): readonly EdgeSpan[] {
  const grinding = grindingShares(sessions);
  return edgesOf(measure, sessions).edges.map(({ honing, ...span }) => ({
    ...span,
    ...(honing?.minutes !== undefined && { madeMin: honing.minutes + (grinding.get(honing) ?? 0) }),
  }));
}

/** The edges of a record, the one in use with them. @param sessions in order of time */
export const edgesOf = (measure: UseMeasure, sessions: readonly Session[]): Edges =>
  toNow(
    measure,
    sessions.reduce((all, session) => goneOn(measure, all, session), NOTHING_YET),
  );

const toNow = (measure: UseMeasure, soFar: SoFar): Edges => ({
  edges: edgesWith(measure, soFar, false),
  cutting: soFar.cutting,
});

/** An entry of a history: as long as it is the very same, so is everything before it. */
export interface Entry {
  readonly session: Session;
}

/** What a history had come to by its honings. */
const known: Readonly<Record<UseMeasure, WeakMap<Entry, SoFar>>> = {
  minutes: new WeakMap(),
  metresPlaned: new WeakMap(),
  mortises: new WeakMap(),
};

/** {@link edgesOf} a history, reckoned on from its last honing that was reckoned before. */
export function edgesOfHistory(measure: UseMeasure, history: readonly Entry[]): Edges {
  const at = history.findLastIndex((entry) => known[measure].has(entry));
  const last = history[at];
  const soFar = history.slice(at + 1).reduce(
    (before, entry) => {
      const after = goneOn(measure, before, entry.session);
      if (entry.session.kind === 'honing') known[measure].set(entry, after);
      return after;
    },
    (last && known[measure].get(last)) ?? NOTHING_YET,
  );
  return toNow(measure, soFar);
}

function anglesOf({ angleDeg, rightDeg }: SessionSetting): Pick<EdgeSpan, 'deg' | 'leftDeg' | 'rightDeg'> {
  return rightDeg === undefined
    ? { deg: angleDeg }
    : { deg: (angleDeg + rightDeg) / 2, leftDeg: angleDeg, rightDeg };
}

function spanOf(measure: UseMeasure, uses: readonly Session[], sharpened: boolean): EdgeSpan | undefined {
  // It went blunt in the first spell after which it never cut again.
  const lastCut = uses.findLastIndex(({ use }) => use?.stillCutting !== false);
  const blunt = lastCut < uses.length - 1;
  const counted = blunt ? uses.slice(0, lastCut + 2) : uses;
  const amounts = counted.map((session) => usedIn(measure, session));
  const amount = amounts.reduce((sum, each) => sum + each, 0);
  if (amount <= 0) return undefined;
  const chipped = uses.some(({ chips }) => chips !== undefined);
  const felt = uses.findLast(({ use }) => use?.felt !== undefined)?.use?.felt;
  const wood = mostOf(counted, ({ use }) => use?.wood);
  const who = mostOf(counted, (each) => each.who);
  return {
    amount,
    cutTo: blunt && !chipped ? amount - (amounts.at(-1) ?? 0) : amount,
    ended: chipped ? 'chipped' : blunt ? 'blunt' : sharpened ? 'still-cutting' : 'in-use',
    ...(wood !== undefined && { wood }),
    ...(who !== undefined && { who }),
    ...(felt && { felt }),
  };
}

/** What most of the spells have in common; where none leads, the last one’s. */
function mostOf(spells: readonly Session[], of: (spell: Session) => string | undefined): string | undefined {
  const counts = new Map<string, number>();
  for (const each of spells.map(of)) if (each !== undefined) counts.set(each, (counts.get(each) ?? 0) + 1);
  return [...counts].reduce<[string, number] | undefined>(
    (a, b) => (a && a[1] > b[1] ? a : b),
    undefined,
  )?.[0];
}
