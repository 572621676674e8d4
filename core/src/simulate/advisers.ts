import type { Condition } from '../blade/dulling.js';
import type { CamberRead } from '../camber/camber-read.js';
import type { Session } from '../record/session.js';
import type { RecordedSession } from '../record/edge-state.js';
import type { EdgeTruth } from './edge-truth.js';
import type { HiddenShop, HiddenTool } from './hidden-shop.js';

/** What is done to a tool before it is used. */
export type Deed = 'use' | 'strop' | 'hone' | 'grind';

/** What can be known of a tool; and, for an oracle alone, the truth. */
export interface Looked {
  readonly shop: HiddenShop;
  readonly of: HiddenTool;
  /** Its own entries, in order of time. */
  readonly entries: readonly RecordedSession[];
  /** Everybody's. */
  readonly all: ReadonlyMap<string, readonly RecordedSession[]>;
  /** When each stone was last flattened, with how often it was used before. */
  readonly cares: readonly { readonly abrasiveId: string; readonly kind: 'flattened'; readonly at: string }[];
  readonly truth: {
    readonly edge: EdgeTruth;
    /** Use the coming spell is, as a share of what the edge bears, and how long it is, min. */
    readonly next: { readonly wear: number; readonly minutes: number };
    /** Strokes a stone was used for since it was flattened, by its place. */
    readonly tired: readonly number[];
  };
}

/** Strokes on the coarse and on the fine stone, none on the coarse where it is not used; told to go on until it is felt and seen, or not. */
interface Strokes {
  readonly coarse: number;
  readonly fine: number;
  /** On the back or the body, where the edge is not touched: minutes, and nothing else here. */
  readonly behind?: number;
  readonly untilBurr: boolean;
  /** How dull it is taken for. */
  readonly condition?: Condition;
  /** Told to look at the stone where more strokes raised no burr: it is flattened, and on. */
  readonly looksAtStone?: boolean;
  /** Tried before it is put to use, and gone back to where it is not sharp. */
  readonly proved?: boolean;
}

/** What is done for the curve of an iron. */
interface CamberAdvice {
  /** How it is read before it is honed, if it is. */
  readonly reads: (of: Looked) => CamberRead['by'] | undefined;
  readonly presses: (of: Looked) => Pressed;
}

/** Strokes on a stone pressed by place across an iron, left to right. */
export interface ByPlace {
  readonly stone: 0 | 1;
  readonly places: readonly number[];
}
export interface Pressed {
  /** Those that make its curve. */
  readonly made?: ByPlace | undefined;
  /** The honing's own on each stone, so that the curve stays; absent where they mind no places. */
  readonly kept: readonly [readonly number[] | undefined, readonly number[] | undefined];
}

/** What an advice says with its ±, and how often that should hold. */
export const CLAIMS = {
  strokes: { what: 'strokes until a burr on the first stone', share: 0.8 },
  land: { what: 'the land of a chisel or an iron before it is honed', share: 0.95 },
  life: { what: 'how long a chisel’s or an iron’s edge usually lasts', share: 0.8 },
  angle: { what: 'the angle a knife’s edge lasts longest at', share: 0.8 },
  rate: { what: 'how fast the coarse stone cuts, once that was read', share: 0.8 },
  camber: { what: 'the curve of an iron before it is honed', share: 0.95 },
} as const;
export type Claim = keyof typeof CLAIMS;
/** A figure said to lie between two others. */
export interface Said {
  readonly claim: Claim;
  readonly low: number;
  readonly high: number;
}

/** Somebody who advises a shop: each part of it may be had from another. */
export interface Adviser {
  /** Whether a tool is taken up as it is. */
  readonly rack: (of: Looked) => Deed;
  readonly plan: (of: Looked) => Strokes;
  /** The angle a knife is honed at next, degrees a side. */
  readonly angle: (of: Looked) => number;
  /** Whether a stone is flattened before it is used. */
  readonly care: (of: Looked, stone: 0 | 1) => boolean;
  readonly camber: CamberAdvice;
  /** What is said with its ± beside a plan just made. */
  readonly says?: (of: Looked) => readonly Said[];
}
export type AdvicePart = Exclude<keyof Adviser, 'says'>;
export const ADVICE_PARTS = [
  'rack',
  'plan',
  'angle',
  'care',
  'camber',
] as const satisfies readonly AdvicePart[];

const lastOf = (entries: readonly RecordedSession[], kind: Session['kind']): number =>
  entries.findLastIndex((each) => each.kind === kind);
const since = (
  entries: readonly RecordedSession[],
  ...kinds: readonly Session['kind'][]
): readonly RecordedSession[] => entries.slice(Math.max(...kinds.map((kind) => lastOf(entries, kind))) + 1);
const honingsOf = (entries: readonly RecordedSession[]): number =>
  entries.filter(({ kind }) => kind === 'honing').length;

const isBlunt = (entries: readonly RecordedSession[]): boolean => {
  const last = entries.at(-1);
  return last?.kind === 'use' && (last.use?.stillCutting === false || last.chips !== undefined);
};

/** The angle of the last honing. */
const angleNow = ({ entries, truth }: Looked): number =>
  entries[lastOf(entries, 'honing')]?.setting?.angleDeg ?? truth.edge.madeDeg;

/** Ground back every so many honings (common practice, no source). */
const GROUND_EVERY = 10;
const isGround = ({ entries, of }: Looked): boolean =>
  of.tool.edge.form !== 'knife' && honingsOf(since(entries, 'grinding')) >= GROUND_EVERY;

/** Steeper when it chips, flatter when three edges in a row did not (common practice, no source). */
function byChips(looked: Looked): number {
  const { entries, of } = looked;
  const now = angleNow(looked);
  if (of.tool.edge.form !== 'knife') return now;
  const last = since(entries, 'honing');
  if (last.some(({ chips }) => chips !== undefined)) return now + 1;
  const honings: number[] = [];
  for (let i = entries.length - 1; i >= 0 && honings.length < 3; i--)
    if (entries[i]?.kind === 'honing') honings.push(i);
  const from = honings[2];
  const unchipped = from !== undefined && !entries.slice(from).some(({ chips }) => chips !== undefined);
  const same = honings.every((i) => entries[i]?.setting?.angleDeg === now);
  return unchipped && same ? now - 1 : now;
}

/** A stone flattened every so many honings on it. */
const flattenedEvery =
  (honings: number): Adviser['care'] =>
  ({ shop, all, cares }, stone) => {
    const id = shop.stones[stone].stone.id;
    const at = cares.findLast(({ abrasiveId }) => abrasiveId === id)?.at ?? '';
    let later = 0;
    for (const entries of all.values())
      for (let i = entries.length - 1; i >= 0 && (entries[i]?.startedAt ?? '') > at; i--)
        if (entries[i]?.kind === 'honing') later += 1;
    return later >= honings;
  };

/** The shaving is looked at; so many strokes are pressed at each corner where it came off as wide as the iron (common practice, no source). */
const cornersPressed = (each: number): CamberAdvice => ({
  reads: () => 'shaving',
  presses: ({ entries }) => {
    const wide = entries.findLast(({ camber }) => camber !== undefined)?.camber?.atMost;
    return {
      ...(wide && { made: { stone: 0, places: [each, 0, each] } }),
      kept: [undefined, undefined],
    };
  },
});

/** Rules of thumb (common practice, no source). */
export const RULES = {
  /** Honed every fifth time it is taken up; five and twenty on each stone. */
  'every fifth time': {
    rack: (looked) =>
      isGround(looked)
        ? 'grind'
        : isBlunt(looked.entries) || since(looked.entries, 'honing', 'grinding').length >= 5
          ? 'hone'
          : 'use',
    plan: () => ({ coarse: 25, fine: 25, untilBurr: false }),
    angle: angleNow,
    care: flattenedEvery(5),
    camber: cornersPressed(5),
  },
  /** Five and five whenever it no longer cuts; steeper when it chips, flatter when it does not. */
  'when it no longer cuts, five and five': {
    rack: (looked) => (isGround(looked) ? 'grind' : isBlunt(looked.entries) ? 'hone' : 'use'),
    plan: () => ({ coarse: 5, fine: 5, untilBurr: false }),
    angle: byChips,
    care: flattenedEvery(20),
    camber: cornersPressed(3),
  },
  /** Until a burr stands, whenever it no longer cuts; a knife stropped before every use. */
  'when it no longer cuts, until a burr': {
    rack: (looked) => {
      if (isGround(looked)) return 'grind';
      if (isBlunt(looked.entries)) return 'hone';
      return looked.of.tool.edge.form === 'knife' && looked.entries.at(-1)?.kind === 'use' ? 'strop' : 'use';
    },
    plan: () => ({ coarse: 15, fine: 15, untilBurr: true }),
    angle: byChips,
    care: flattenedEvery(10),
    camber: cornersPressed(8),
  },
} as const satisfies Readonly<Record<string, Adviser>>;
