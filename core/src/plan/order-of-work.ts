import { kindFacts, type Abrasive } from '../abrasive/abrasive.js';
import { shapeOfEdge, type Edge } from '../blade/edge.js';
import type { SessionSetting } from '../guide/setting.js';
import type { Count, Manner } from '../blade/manner.js';
import type { Tool } from '../blade/tool.js';
import type { Facet } from '../work/facet.js';
import { byTurns, honedFacet, sidesOf } from '../work/sides.js';
import type { BackStep } from './back-work.js';
import type { BodyStep } from './body-work.js';
import { purposeOf, type BackHollow, type BenchStep, type RunGrinding } from './bench-step.js';
import type { CamberStep } from './camber-work.js';
import { raisedAndTurned } from './counting.js';
import type { HoningPlan, PlanStep } from './honing-plan.js';
import type { InsideStep } from './inside-work.js';
import type { PlanRequest } from './plan-request.js';
import type { ShapingStep } from './shaping-work.js';
import { isWalked, type Lift, type Station } from './station.js';
import type { StropStep } from './strop-work.js';
import type { EveningStep } from './uneven-work.js';

/** The part of a plan that some strokes are made for. */
export type PlanPart =
  | { readonly what: 'shape'; readonly of: ShapingStep }
  | { readonly what: 'evening'; readonly of: EveningStep }
  | { readonly what: 'body'; readonly of: BodyStep }
  | { readonly what: 'back'; readonly of: BackStep }
  | { readonly what: 'hone'; readonly of: PlanStep }
  | { readonly what: 'curve'; readonly of: CamberStep }
  | { readonly what: 'inside'; readonly of: InsideStep }
  | { readonly what: 'strop'; readonly of: StropStep };

/** Strokes at the bench and the part of the plan they are made for. */
type OrderedStep = BenchStep & { readonly part: PlanPart };

/** What the order of work depends on beside plan and tool. */
export interface OrderInput {
  readonly plan: HoningPlan;
  readonly tool: Tool;
  readonly request?: Pick<PlanRequest, 'way'>;
  /** The wheel's passes, where they were worked out. */
  readonly grinding?: RunGrinding;
  /** The same of the hollow in an old back. */
  readonly hollow?: BackHollow;
  /** The guide's setting for a facet. */
  readonly settingOf?: (facet: Facet) => SessionSetting | undefined;
  /** Held by hand, in place of a guide. */
  readonly lift?: Lift;
  readonly manner?: Manner;
  readonly stoneOf: (id: string) => Pick<Abrasive, 'kind' | 'lubricant'> | undefined;
}

/** The strokes of a plan, and the order in which they are made and asked about. */
export interface WorkOrder {
  readonly steps: readonly OrderedStep[];
  readonly order: readonly Station[];
}

/** The facet of a side, where it has a name of its own. */
const facetOfSide = (edge: Edge, side: 0 | 1): Facet | undefined => {
  const { one, other } = sidesOf(edge);
  return other && (side === 0 ? one : other).facets.at(-1)?.facet;
};

/**
 * The strokes of a plan one after the other: a primary made flatter, the back prepared, the curve where a coarser
 * stone shapes it, the facet at the edge, the strops. An edge of two sides is worked on one until its burr stands,
 * then on the other, then by turns with falling counts.
 */
export function stepsInOrder(
  { edge, counts = {} }: Tool,
  plan: HoningPlan,
  request: Pick<PlanRequest, 'way'> = {},
): readonly OrderedStep[] {
  const { shaping, evening, body, back = [], camber, steps, inside, stoneStrop, strop, bareStrop } = plan;
  const atEdge = honedFacet(edge);
  const onStone = (part: PlanPart, facet: Facet | undefined, more: Partial<BenchStep> = {}): OrderedStep => {
    const { id, strokes, forceN, places, rounds, along, facet: own } = part.of as PlanStep;
    const worked = own ?? facet;
    return {
      abrasiveId: id,
      strokes,
      ...(forceN !== undefined && { forceN }),
      ...(request.way === 'both' && { bothWays: true }),
      ...(worked && { facet: worked }),
      ...(places && { places }),
      ...(rounds && { rounds }),
      ...(along && { along }),
      ...more,
      part,
    };
  };
  const curve = camber
    ? [onStone({ what: 'curve', of: camber }, steps[0]?.facet ?? atEdge, { curve: true })]
    : [];
  const turns = byTurns(edge);
  // By turns both sides are counted, not their parts.
  const byTurn = (part: PlanPart, facet: Facet | undefined, more: Partial<BenchStep>): OrderedStep => {
    const { along: _, ...step } = onStone(part, facet, more);
    return step;
  };
  const honed = (of: PlanStep, first: boolean): readonly OrderedStep[] => {
    const part = { what: 'hone', of } as const;
    if (!turns || of.places) return [onStone(part, atEdge)];
    if (!first) return [byTurn(part, undefined, { count: counts.stone ?? 'half' })];
    const { sides, turns: last } = raisedAndTurned(of.strokes, counts.stone);
    const side = (index: 0 | 1, strokes: number): OrderedStep => ({
      ...onStone(part, facetOfSide(edge, index) ?? atEdge, { strokes, side: index }),
    });
    return [
      side(0, sides[0]),
      side(1, sides[1]),
      ...(last > 0
        ? [
            byTurn(part, facetOfSide(edge, 0) ? undefined : atEdge, {
              strokes: last,
              count: counts.stone ?? 'falling',
            }),
          ]
        : []),
    ];
  };
  return [
    ...(shaping ? [onStone({ what: 'shape', of: shaping }, 'primary')] : []),
    ...(evening ? [onStone({ what: 'evening', of: evening }, atEdge, { evens: true })] : []),
    ...(body ? [onStone({ what: 'body', of: body }, 'body', { count: 'half' })] : []),
    ...back.flatMap((of) => (of.prepares ? [onStone({ what: 'back', of }, 'back')] : [])),
    ...(camber?.before ? curve : []),
    ...steps.flatMap((of, i) => [
      ...honed(of, i === 0),
      ...(i === 0 && camber && !camber.before ? curve : []),
    ]),
    ...(inside ? [onStone({ what: 'inside', of: inside }, 'inside')] : []),
    ...(stoneStrop ? [stropped(stoneStrop, counts.onStone, atEdge)] : []),
    ...[strop, bareStrop].flatMap((of): readonly OrderedStep[] => (of ? [stropped(of, counts.strop)] : [])),
  ];
}

function stropped(of: StropStep, count: Count = 'half', facet?: Facet): OrderedStep {
  const { id, strokes, purpose, firstN, lastN, lowerDeg } = of;
  return {
    abrasiveId: id,
    strokes,
    ...(firstN !== undefined && { forceN: firstN }),
    ...(lastN !== undefined && { lastN }),
    ...(purpose && { purpose }),
    ...(lowerDeg !== undefined && { lowerDeg: Number(lowerDeg.toFixed(1)) }),
    ...(facet && { facet }),
    afterBurr: true,
    count,
    part: { what: 'strop', of },
  };
}

/**
 * The whole order of work, the one list that page, bench and record go by: the bench and its stones made ready, a
 * look, the wheel with its marker, the edge jointed where a nick is ground out, the guide set for the primary and
 * again for the facet at the edge, the back and whether it is polished corner to corner, each stone with a wash
 * before it and a look at its scratches after, the burr proved side by side, the curve, the burr off and felt for
 * along the nail, the edge proved before and after the strops, wiped, refitted, put away, the stones seen to for
 * next time. What is not needed is not in it; a practised hand walks the part of it that is {@link isWalked} briskly.
 * Common practice, no source.
 * @example orderOfWork({ plan, tool, stoneOf }).order // [{ kind: 'ready' }, { kind: 'look' }, …]
 */
export function orderOfWork(input: OrderInput): WorkOrder {
  const { plan, tool, request, manner = 'thorough' } = input;
  const steps = stepsInOrder(tool, plan, request);
  const stations = [
    ...before(input, steps),
    ...hollowOf(input),
    ...atTheWheel(input),
    ...primaryOf(input, steps),
    ...eveningOf(input, steps),
    ...bodyOf(input, steps),
    ...backOf(input, steps),
    ...edgeOf(input, steps),
    ...insideOf(input, steps),
    ...after(input, steps),
  ];
  return { steps, order: stations.filter((station) => isWalked(station, manner)) };
}

type Steps = readonly OrderedStep[];

/** Places of the steps that are for something. */
const of = (steps: Steps, what: ReturnType<typeof purposeOf>): readonly number[] =>
  steps.flatMap((step, i) => (purposeOf(step) === what ? [i] : []));

/** Steps on stones, of whatever facet. */
const hasStones = (steps: Steps): boolean => steps.some(({ afterBurr }) => !afterBurr);

function before({ plan: { care = [], grinding }, tool }: OrderInput, steps: Steps): readonly Station[] {
  const work = hasStones(steps) || grinding !== undefined;
  return [
    ...(tool.edge.form === 'knife-set' && hasStones(steps) ? [{ kind: 'isolate' } as const] : []),
    ...(work ? [{ kind: 'ready' } as const] : []),
    ...care.map(({ id, kind }): Station => ({ kind: 'care', abrasiveId: id, care: kind })),
    ...(work ? [{ kind: 'look' } as const] : []),
  ];
}

/** Less than this nobody joints, mm. */
const LEAST_NICK_MM = 0.01;

function atTheWheel({ plan, grinding: planned }: OrderInput): readonly Station[] {
  const { grinding: asked, curveToGrind } = plan;
  const template: readonly Station[] = curveToGrind ? [{ kind: 'template' }] : [];
  if (!asked) return template;
  const { backMm = 0 } = asked;
  const grinding = planned ?? { wheelId: asked.wheelId, stopShortMm: asked.stopShortMm };
  return [
    ...template,
    ...(backMm >= LEAST_NICK_MM ? [{ kind: 'joint', nickMm: backMm } as const] : []),
    { kind: 'marker', wheel: true },
    { kind: 'grind', grinding },
    { kind: 'heat' },
  ];
}

/** The guide set for a facet, or the blade found on it by hand. */
function held({ settingOf, lift, tool }: OrderInput, facet: Facet): readonly Station[] {
  if (lift) {
    const { edge } = tool;
    const flatter = facet === 'primary' && edge.form === 'single-bevel';
    return [{ kind: 'lift', facet, lift: flatter ? { ...lift, bevelDeg: edge.primaryDeg } : lift }];
  }
  const setting = settingOf?.(facet);
  return setting ? [{ kind: 'set', facet, setting }] : [];
}

function primaryOf(input: OrderInput, steps: Steps): readonly Station[] {
  return of(steps, 'primary').flatMap((step): Station[] => [
    ...held(input, 'primary'),
    { kind: 'stone', step },
    washAfter(steps, step, input),
  ]);
}

/** A knife’s body flat on its stone, before its edge is lifted to its own angle. */
const bodyOf = (input: OrderInput, steps: Steps): readonly Station[] =>
  of(steps, 'body').flatMap((step): Station[] => [{ kind: 'stone', step }, washAfter(steps, step, input)]);

/** What stands proud of a curved edge evened, and looked at from its end. */
const eveningOf = (input: OrderInput, steps: Steps): readonly Station[] =>
  of(steps, 'evening').flatMap((step): Station[] => [
    { kind: 'stone', step },
    { kind: 'even', step },
    washAfter(steps, step, input),
  ]);

/** The hollow ground into an old back; its heat is told at the wheel. */
function hollowOf({ plan, hollow }: OrderInput): readonly Station[] {
  if (!plan.hollowing) return [];
  const { removeMm3: _steel, minutes: _min, ...asPlanned } = plan.hollowing;
  return [{ kind: 'hollow', hollowing: hollow ?? asPlanned }];
}

const isHollowed = (edge: Edge): boolean => edge.form === 'single-bevel' && edge.back === 'hollowed';

function backOf(input: OrderInput, steps: Steps): readonly Station[] {
  const backs = of(steps, 'back');
  const last = backs.at(-1);
  return [
    ...(last !== undefined && isHollowed(input.tool.edge) ? [{ kind: 'colour-back' } as const] : []),
    ...backs.flatMap((step, i): Station[] =>
      i === 0
        ? [{ kind: 'stone', step }]
        : [washAfter(steps, backs[i - 1] as number, input), { kind: 'stone', step }],
    ),
    ...(last === undefined
      ? []
      : [
          // The backs of machine knives are done by count.
          ...(input.tool.edge.form === 'knife-set' ? [] : [{ kind: 'polished', step: last } as const]),
          washAfter(steps, last, input),
        ]),
  ];
}

function edgeOf(input: OrderInput, steps: Steps): readonly Station[] {
  const { edge } = input.tool;
  const stones = of(steps, 'edge');
  const [first] = stones;
  if (first === undefined) return [];
  const firstPart = steps[first]?.part.of;
  const finer = stones.filter((i) => steps[i]?.part.of !== firstPart);
  const curves = of(steps, 'curve');
  const facetAt = (step: number): Facet => steps[step]?.facet ?? honedFacet(edge) ?? 'bevel';
  return [
    ...held(input, steps[first]?.facet ?? facetOfSide(edge, 0) ?? 'bevel'),
    ...markers(edge),
    ...curves
      .filter((i) => i < first)
      .flatMap((step): Station[] => [{ kind: 'stone', step }, washAfter(steps, step, input)]),
    ...stones.filter((i) => !finer.includes(i)).flatMap((step) => raising(edge, steps, step)),
    ...(isSeenFromEnd(edge) ? [{ kind: 'even', step: first } as const] : []),
    ...curves.filter((i) => i > first).map((step): Station => ({ kind: 'stone', step })),
    ...finer.flatMap((step, i): Station[] => [
      washAfter(steps, finer[i - 1] ?? first, input),
      // The guide is set again where another facet follows: a micro-bevel, last.
      ...(facetAt(finer[i - 1] ?? first) === facetAt(step) ? [] : held(input, facetAt(step))),
      { kind: 'stone', step },
      { kind: 'scratch', step, ...(isSheet(steps, step, input) && { sheet: true }) },
    ]),
  ];
}

/** The small bevel inside a gouge, once its outside is honed: the burr that stands there goes with it. */
const insideOf = (input: OrderInput, steps: Steps): readonly Station[] =>
  of(steps, 'inside').flatMap((step): Station[] => [
    washAfter(steps, of(steps, 'edge').at(-1) ?? step, input),
    { kind: 'stone', step },
  ]);

/** A curved edge or a V is looked at from its end: what one part lost more than another shows there. */
const isSeenFromEnd = ({ form }: Edge): boolean => form === 'gouge' || form === 'v';

/** Whether a step is on film or paper, which is used up and put aside by pieces. */
function isSheet(steps: Steps, step: number, { stoneOf }: OrderInput): boolean {
  const stone = stoneOf(steps[step]?.abrasiveId ?? '');
  return stone !== undefined && kindFacts(stone.kind).upkeep === 'sheet';
}

/** Strokes of the first stone and the burr they raise; those by turns come when it stood on both sides. */
function raising(edge: Edge, steps: Steps, step: number): readonly Station[] {
  const side = steps[step]?.side;
  if (side === undefined && byTurns(edge) && !steps[step]?.places) return [{ kind: 'stone', step }];
  // What the reverse of a scraping edge turned up is turned over again: the burr of its scraping side stays.
  const wanted = edge.form === 'scraping' && side !== 0;
  return [
    { kind: 'stone', step },
    { kind: 'burr', step, ...(side !== undefined && { side }), ...(wanted && { wanted }) },
  ];
}

/** Where colour tells whether the stone meets the bevel: straight edges; both faces of a hook, or its two rims at once. */
function markers(edge: Edge): readonly Station[] {
  if (edge.form === 'hook') {
    return edge.make === 'hollow-inside'
      ? [{ kind: 'marker' }]
      : [
          { kind: 'marker', side: 0 },
          { kind: 'marker', side: 1 },
        ];
  }
  if (shapeOfEdge(edge) !== 'straight') return [];
  // Where a land is honed, colour stays at the heel as it should.
  const steeper = edge.form === 'single-bevel' && edge.secondaryDeg !== undefined;
  return [{ kind: 'marker', ...(steeper && { steeper }) }];
}

function after(input: OrderInput, steps: Steps): readonly Station[] {
  const { plan, tool } = input;
  const { edge, host } = tool;
  const stones = of(steps, 'edge');
  const last = stones.at(-1);
  const drawn = (i: number): boolean => steps[i]?.purpose === 'draws';
  const onStone = of(steps, 'strop').filter(drawn);
  const strops = of(steps, 'strop').filter((i) => !drawn(i));
  const work = hasStones(steps) || plan.grinding !== undefined;
  const off = plan.back?.find(({ prepares }) => !prepares);
  return [
    // The finest stone of a scraping edge raises the burr that stays: nothing takes it off again.
    ...(last !== undefined && edge.form !== 'scraping'
      ? [
          { kind: 'burr-off', ...(off && { abrasiveId: off.id, strokes: off.strokes }) } as const,
          { kind: 'nail' } as const,
        ]
      : []),
    // The finest stone is wet still.
    ...onStone.map((step): Station => ({ kind: 'stone', step })),
    // It scrapes only where it touches: dead straight.
    ...(last !== undefined && edge.form === 'scraping' ? [{ kind: 'straight', step: last } as const] : []),
    ...(last !== undefined && strops.length > 0
      ? [{ kind: 'proof', before: true } as const, washAfter(steps, last, input)]
      : []),
    ...strops.map((step): Station => ({ kind: 'stone', step })),
    { kind: 'proof' },
    ...(work ? [{ kind: 'wipe' } as const] : []),
    ...(host || edge.form === 'knife-set' ? [{ kind: 'refit' } as const] : []),
    ...(hasStones(steps) ? [{ kind: 'away' } as const, ...forNextTime(steps, input)] : []),
  ];
}

/** Wash after a stone; the oil wiped off first where it was oiled. */
function washAfter(steps: Steps, step: number, { stoneOf }: OrderInput): Station {
  const oil = stoneOf(steps[step]?.abrasiveId ?? '')?.lubricant === 'oil';
  return { kind: 'wash', ...(oil && { oil }) };
}

/** What a stone wants when the work is done, each once: one that dishes flattened, one used with oil flushed and wiped. */
function forNextTime(steps: Steps, { stoneOf }: OrderInput): readonly Station[] {
  const ids = [...new Set(of(steps, 'edge').map((i) => steps[i]?.abrasiveId ?? ''))];
  return ids.flatMap((abrasiveId): readonly Station[] => {
    const stone = stoneOf(abrasiveId);
    if (!stone) return [];
    if (stone.lubricant === 'oil') return [{ kind: 'care', abrasiveId, care: 'cleaned', after: true }];
    return stone.kind === 'water-stone' && kindFacts(stone.kind).upkeep === 'flatten'
      ? [{ kind: 'care', abrasiveId, care: 'flattened', after: true }]
      : [];
  });
}
