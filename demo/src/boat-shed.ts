import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { Workshop } from '@mellow-anvil/core/workshop';
import { camberYears, type CamberHabit } from './camber-years.js';
import { byHand } from './by-hand.js';
import { oldDrawknife } from './old-drawknife.js';
import { shedYears, type Habit, type Mishap, type ShedYears } from './shed-years.js';

// Two years of the boat shed's sharpening and use, made from the habits below.
const SEED = 20261123;

type Wood = Habit['woods'][number];
const LARCH: Wood = ['larch', 1];
const OAK: Wood = ['oak', 1.5];
const ASH: Wood = ['ash', 1.3];
const SPRUCE: Wood = ['spruce', 0.7];
const FIR: Wood = ['Douglas fir', 0.9];

const HANDS = ['Shed', 'Foreman'];
const ANYONE = ['Shed', 'Foreman', 'Apprentice'];

const chisel = (
  toolId: string,
  perWeek: number,
  spell: number,
  life: number,
  more: Partial<Habit> = {},
): Habit => ({
  toolId,
  perWeek,
  measure: 'minutes',
  spell,
  life,
  woods: [OAK, LARCH, ASH],
  hands: ANYONE,
  ...more,
});
const plane = (
  toolId: string,
  perWeek: number,
  spell: number,
  life: number,
  woods: readonly Wood[],
  more: Partial<Habit> = {},
): Habit => ({
  toolId,
  perWeek,
  measure: 'metresPlaned',
  spell,
  life,
  woods,
  hands: HANDS,
  ...more,
});
const carving = (
  toolId: string,
  perWeek: number,
  life: number,
  stones: NonNullable<Habit['stones']>,
): Habit => ({
  toolId,
  perWeek,
  measure: 'minutes',
  spell: 35,
  life,
  woods: [OAK, LARCH],
  hands: ['Shed', 'Carver'],
  stones,
});

const HABITS: readonly Habit[] = [
  chisel('bench-6', 0.5, 20, 110),
  chisel('bench-12', 0.9, 30, 130),
  chisel('bench-19', 2, 35, 120),
  chisel('bench-32', 0.8, 25, 130),
  chisel('paring-25', 0.6, 25, 100, { woods: [LARCH, FIR], hands: HANDS }),
  chisel('mortise-8', 0.5, 4, 16, { measure: 'mortises', woods: [OAK], hands: HANDS }),
  plane('plank-50', 2.2, 40, 190, [LARCH, OAK]),
  plane('smooth-50', 0.8, 30, 150, [LARCH, ASH]),
  plane('joint-60', 0.7, 45, 260, [LARCH, OAK]),
  plane('block-41', 1.2, 15, 120, [LARCH, FIR, OAK], { hands: ANYONE }),
  plane('spar-44', 0.8, 60, 320, [SPRUCE, FIR]),
  plane('scrub-33', 0.5, 60, 300, [LARCH, OAK]),
  chisel('shave-flat', 1.1, 40, 110, {
    woods: [ASH, SPRUCE],
    hands: HANDS,
    creepDegPerYear: 1.3,
    set: 'Boat trolley',
  }),
  chisel('shave-round', 0.5, 30, 140, { woods: [ASH], hands: HANDS, set: 'Boat trolley' }),
  chisel('draw-230', 0.5, 40, 220, { woods: [SPRUCE, FIR], hands: HANDS, set: 'Boat trolley' }),
  carving('carve-16', 0.4, 150, [
    ['slate', 24],
    ['film3', 20],
  ]),
  carving('skew-12', 0.3, 140, [
    ['slate', 24],
    ['film3', 20],
  ]),
  carving('gouge-20', 0.6, 160, [
    ['d1200', 20],
    ['film3', 24],
    ['slip', 10],
  ]),
  carving('gouge-12', 0.4, 150, [
    ['d1200', 18],
    ['film3', 22],
    ['slip', 10],
  ]),
  carving('v-10', 0.4, 130, [
    ['slate', 20],
    ['film3', 16],
    ['slip', 8],
  ]),
  carving('whittle', 0.6, 170, [
    ['slate', 30],
    ['film3', 24],
  ]),
  carving('chip', 0.3, 120, [['film3', 24]]),
  chisel('marking', 0.3, 10, 200, { hands: HANDS, stones: [['film3', 12]] }),
  chisel('galley', 2, 12, 150, {
    woods: [
      ['tarred twine', 1.4],
      ['bread', 0.3],
    ],
    stones: [
      ['d600', 20],
      ['d1200', 20],
    ],
  }),
  chisel('hook-bailer', 0.2, 40, 140, { woods: [LARCH], hands: HANDS, stones: [['rod', 16]] }),
  chisel('planer-3', 0.25, 60, 480, {
    woods: [LARCH, OAK],
    hands: HANDS,
    stones: [
      ['p220', 40],
      ['p400', 30],
      ['p600', 30],
    ],
    // Two hands lean on the jig.
    push: { forceN: 80, bothWays: true },
  }),
];

/** The smoother came with far too much camber, and is brought down to a hair. */
const CURVE: CamberHabit = { toolId: 'smooth-50', rate: 1.25, fading: 0.18, shavingMm: 0.035 };

const MISHAPS: readonly Mishap[] = [
  {
    toolId: 'smooth-50',
    day: '2025-06-12',
    who: 'Apprentice',
    wood: 'oak',
    chips: 3,
    deepestMm: 0.7,
    notes: 'Found a copper rove in the garboard.',
  },
  {
    toolId: 'bench-19',
    day: '2025-09-18',
    who: 'Apprentice',
    wood: 'oak',
    chips: 2,
    deepestMm: 0.5,
    notes: 'Lent out; came back chipped.',
  },
  {
    toolId: 'draw-230',
    day: '2026-04-21',
    who: 'Foreman',
    wood: 'spruce',
    chips: 1,
    deepestMm: 0.4,
    notes: 'A staple in the spar.',
  },
  {
    toolId: 'block-41',
    day: '2026-11-21',
    who: 'Apprentice',
    wood: 'larch',
    chips: 4,
    deepestMm: 1.2,
    notes: 'Ran over a bronze screw.',
    left: true,
  },
  {
    toolId: 'whittle',
    day: '2026-11-20',
    who: 'Shed',
    wood: 'larch',
    chips: 2,
    deepestMm: 0.12,
    notes: 'A knot in a thole pin.',
    left: true,
  },
  {
    toolId: 'shave-round',
    day: '2026-11-21',
    who: 'Foreman',
    wood: 'ash',
    chips: 1,
    deepestMm: 0.5,
    notes: 'A pin in the old loom.',
    left: true,
  },
];

/**
 * The demo file with its record made anew: the same seed gives the same bytes.
 * @param workshop the demo as it is; its record is not looked at
 */
export function demoText(workshop: Workshop): string {
  const generator = xoroshiro128plus(SEED);
  const { guides, abrasives } = workshop;
  const shed: ShedYears = {
      tools: workshop.tools,
      guides,
      abrasives,
      from: '2024-11-25',
      days: 728,
      // Boats come out in autumn, are mended through spring, and sail in summer.
      busy: [0.3, 0.7, 1.5, 1.8, 1.6, 1, 0.6, 0.5, 0.8, 1.1, 0.9, 0.3],
      habits: HABITS,
      mishaps: MISHAPS,
      // No stone cuts just as an estimate has it, and the old diamond plate wears.
      trueRates: { w1000: 1.4, w8000: 1.25, d600: 0.85, film3: 1.1 },
      trueWear: { w1000: 1.3, w400: 0.9 },
      slowing: { d600: 0.3 },
      // Since then everyone was at the slip, hauling out.
      lastRound: '2026-10-17',
      // The water stones are the bench’s own; plates, film and slate go with the carvers and the boats.
      set: 'Sharpening bench',
      sharpener: 'Shed',
    };
  const made = shedYears(shed, () => uniformFloat64(generator));
  const old = oldDrawknife(shed, abrasives);
  const tools = [...workshop.tools.filter(({ id }) => id !== old.tool.id), old.tool];
  const { cares } = made;
  // The smoother’s curve is looked after beside all that, with chances of its own.
  const aside = xoroshiro128plus(SEED + 1);
  const smoother = tools.find(({ id }) => id === CURVE.toolId);
  const sessions = [
    ...(smoother
      ? camberYears(smoother, made.sessions, abrasives, CURVE, () => uniformFloat64(aside))
      : made.sessions),
    ...old.sessions,
    ...byHand(),
  ];
  // The bench set stands there in full; the record of two years has a line an entry.
  const head = JSON.stringify({ ...workshop, tools, cares: undefined, sessions: undefined }, null, 2).replace(
    /\n\}$/,
    '',
  );
  const lines = (entries: readonly object[]): string => entries.map((entry) => `    ${JSON.stringify(entry)}`).join(',\n');
  return `${head},\n  "cares": [\n${lines(cares)}\n  ],\n  "sessions": [\n${lines(sessions)}\n  ]\n}\n`;
}
