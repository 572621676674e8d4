import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import type { OwnedAbrasive } from '@mellow-anvil/core/abrasive';
import type { Identified } from '@mellow-anvil/core/base';
import type { Tool } from '@mellow-anvil/core/blade';
import { type OldEdge, oldEdge, planHoning } from '@mellow-anvil/core/plan';
import type { RecordedSession, Session } from '@mellow-anvil/core/record';
import { type Habit, type ShedYears, shedYears } from './shed-years.js';

/** As it lay on a table at the spring market, looked over standing up. */
const LOOK: OldEdge = {
  family: 'drawknife',
  steel: 'laminated',
  handles: 'loose',
  blade: 'whole',
  rust: 'skin',
  line: 'straight',
  edgeMm: 190,
  thicknessMm: 5.5,
  backMm: 26,
  hardMm: 14,
  nickMm: 0.4,
  pitsMm: 0.12,
  rimPitsMm: 0.04,
};
const BOUGHT = '2026-05-16';
/** The Saturday after, and the work it has done since. */
const MADE = '2026-05-23T09:00:00.000Z';
const SINCE = '2026-05-25';
const HONINGS_PER_YEAR = 8;
const SEED = 20260516;

const HABIT: Habit = {
  toolId: 'draw-old-190',
  perWeek: 0.7,
  measure: 'minutes',
  spell: 35,
  life: 180,
  woods: [
    ['ash', 1.2],
    ['spruce', 0.7],
  ],
  hands: ['Shed', 'Foreman'],
  set: 'Boat trolley',
};

interface OldDrawknife {
  readonly tool: Identified<Tool>;
  readonly sessions: readonly RecordedSession[];
}

/** The shed’s old drawknife: bought, its back hollowed, its first edge, and what it did since. */
export function oldDrawknife(shed: ShedYears, abrasives: readonly OwnedAbrasive[]): OldDrawknife {
  const found = oldEdge(LOOK, abrasives, HONINGS_PER_YEAR);
  if (!found.taken) throw new Error('The shed’s bench makes no edge on it.');
  const { taken, verdict, minutes, recessionMm, leftMm, years } = found;
  const tool: Identified<Tool> = {
    id: HABIT.toolId,
    ...taken.tool,
    edge: rounded(taken.tool.edge),
    name: 'Old drawknife',
    handles: { fromEdgeMm: 48, lengthMm: 115, thickMm: 32, towardsBevelDeg: 18, besideMm: 4 },
    bought: {
      on: BOUGHT,
      verdict,
      minutes: tenth(minutes),
      recessionMm: hundredth(recessionMm),
      leftMm: hundredth(leftMm),
      yearsLow: tenth(years.low),
      yearsHigh: tenth(years.high),
    },
    stoneSet: 'Boat trolley',
    notes: 'From the spring market. Its back was hollowed, not flattened.',
  };
  const first = firstEdge(tool, abrasives, taken.request).map((session, i) => ({
    id: `old-${String(i + 1)}`,
    ...session,
  }));
  const random = xoroshiro128plus(SEED);
  const later = shedYears(
    {
      ...shed,
      tools: [tool],
      abrasives,
      from: SINCE,
      days: daysFrom(SINCE, shed),
      habits: [HABIT],
      mishaps: [],
    },
    () => uniformFloat64(random),
  ).sessions.map((session) => ({ ...session, id: `old-${session.id}` }));
  return { tool, sessions: [...first, ...later] };
}

/** Wheel, back and first edge, as the plan of that day had it. */
function firstEdge(
  tool: Identified<Tool>,
  abrasives: readonly OwnedAbrasive[],
  request: Parameters<typeof planHoning>[2],
): readonly Session[] {
  const { grinding, hollowing, back = [], steps } = planHoning(tool, abrasives, request);
  const made = { toolId: tool.id, who: 'Shed', conditionBefore: request.condition } as const;
  const atWheel = (minutes: number): number => tenth(minutes);
  const honed = steps.map(({ id, strokes, minutes }) => ({
    abrasiveId: id,
    strokes,
    minutes: tenth(minutes),
  }));
  const backs = back
    .filter(({ prepares }) => prepares)
    .map(({ id, strokes, minutes }) => ({
      abrasiveId: id,
      strokes,
      minutes: tenth(minutes),
      facet: 'back' as const,
    }));
  const hollowed = hollowing
    ? [
        {
          abrasiveId: hollowing.wheelId,
          strokes: 0,
          minutes: atWheel(hollowing.minutes),
          facet: 'back' as const,
        },
      ]
    : [];
  const all = [...hollowed, ...backs, ...honed];
  return [
    ...(grinding
      ? [
          {
            ...made,
            kind: 'grinding' as const,
            startedAt: MADE,
            minutes: atWheel(grinding.minutes),
            landLeftMm: grinding.stopShortMm,
            steps: [{ abrasiveId: grinding.wheelId, strokes: 0, minutes: atWheel(grinding.minutes) }],
          },
        ]
      : []),
    {
      ...made,
      kind: 'honing' as const,
      startedAt: MADE.replace('T09', 'T10'),
      minutes: tenth(all.reduce((sum, { minutes }) => sum + minutes, 3)),
      ...(grinding && { conditionBefore: { kind: 'very-dull' as const } }),
      ...(hollowing && {
        hollowedBack: { rimMm: hollowing.rimMm, depthMm: hundredth(hollowing.depthMm) },
      }),
      steps: all,
      outcome: { burr: 'all-along', proof: [{ test: 'shaving', passed: true, thickMm: 0.3 }] },
      notes: 'A last pit is left far from the edge.',
    },
  ];
}

const daysFrom = (from: string, shed: Pick<ShedYears, 'from' | 'days'>): number =>
  shed.days - Math.round((Date.parse(from) - Date.parse(shed.from)) / 86_400_000);

/** Figures as they would be written down, to a hundredth. */
const rounded = (edge: Tool['edge']): Tool['edge'] =>
  Object.fromEntries(
    Object.entries(edge).map(([field, value]) => [field, typeof value === 'number' ? hundredth(value) : value]),
  ) as unknown as Tool['edge'];
const tenth = (value: number): number => Math.round(value * 10) / 10;
const hundredth = (value: number): number => Math.round(value * 100) / 100;
