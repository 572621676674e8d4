import type { Abrasive } from '@mellow-anvil/core/abrasive';
import type { Family, SingleBevelEdge, Tool } from '@mellow-anvil/core/blade';
import type { Guide, RollerGuide } from '@mellow-anvil/core/guide';
import type { Session } from '@mellow-anvil/core/record';
import type { RunEvent, RunPlan } from '@mellow-anvil/core/run';

const flat: SingleBevelEdge = {
  form: 'single-bevel',
  widthMm: 19,
  thicknessMm: 3.5,
  primaryDeg: 25,
  secondaryDeg: 30,
  landMm: 0.7,
  grind: 'flat',
  back: 'flat',
  front: { shape: 'straight' },
};
const { secondaryDeg: _, ...oneBevel } = flat;
const tool = (family: Family, edge: Tool['edge'], more: Partial<Tool> = {}): Tool => ({
  name: `The ${family}`,
  family,
  steel: 'high-carbon',
  edge,
  ...more,
});

/** One tool of every family, between them using every field of the model. */
export const TOOLS: Readonly<Record<Family, Tool>> = {
  'bench-chisel': tool('bench-chisel', flat, {
    setName: 'Bench chisels',
    notes: 'Two\nlines, and “quotes”.',
  }),
  'paring-chisel': tool('paring-chisel', { ...flat, primaryDeg: 20, secondaryDeg: 25, back: 'rim' }),
  'mortise-chisel': tool('mortise-chisel', { ...flat, widthMm: 8, microDeg: 35 }, { steel: 'air-hardening' }),
  'plane-iron': tool(
    'plane-iron',
    {
      ...flat,
      microDeg: 33,
      microLandMm: 0.1,
      back: 'shim',
      shimMm: 0.4,
      shimAtMm: 50,
      polishedMm: 0.8,
      front: { shape: 'arc', radiusMm: 4420 },
    },
    {
      host: { bedDeg: 45, orientation: 'bevel-down' },
      camber: { job: 'smoothing', shavingMm: 0.05, shavingWidthMm: 18, passStepMm: 15, hadMm: 0.01 },
    },
  ),
  'low-angle-iron': tool(
    'low-angle-iron',
    { ...flat, front: { shape: 'corners-relieved', widthMm: 3, depthMm: 0.05 } },
    { host: { bedDeg: 12, orientation: 'bevel-up' } },
  ),
  'scrub-iron': tool('scrub-iron', {
    ...oneBevel,
    front: { shape: 'arc', radiusMm: 75 },
  }),
  'spokeshave-iron': tool('spokeshave-iron', flat),
  drawknife: tool('drawknife', { ...flat, widthMm: 230, grind: 'hollow', grindRadiusMm: 75 }),
  'carving-chisel': tool('carving-chisel', {
    form: 'double-bevel',
    widthMm: 16,
    thicknessMm: 2.6,
    leftDeg: 15,
    rightDeg: 16,
    skewDeg: 0,
    grind: 'flat',
  }),
  skew: tool('skew', {
    form: 'double-bevel',
    widthMm: 12,
    thicknessMm: 2.4,
    leftDeg: 15,
    rightDeg: 15,
    skewDeg: 25,
    grind: 'convex',
  }),
  gouge: tool('gouge', {
    form: 'gouge',
    widthMm: 20,
    depthMm: 5,
    thicknessMm: 2.4,
    cannel: 'out',
    bevelDeg: 22,
    counterBevelDeg: 5,
  }),
  'v-tool': tool('v-tool', {
    form: 'v',
    wingMm: 9,
    openingDeg: 60,
    thicknessMm: 2,
    bevelDeg: 22,
    keelRadiusMm: 0.4,
  }),
  'whittling-knife': tool('whittling-knife', knife(12, 12, 'flat'), { steel: 'laminated' }),
  'chip-knife': tool('chip-knife', knife(10, 10, 'convex')),
  'marking-knife': tool('marking-knife', knife(5, 20, 'flat'), { steel: 'high-speed' }),
  'one-sided-knife': tool('one-sided-knife', {
    ...{ form: 'single-bevel', widthMm: 20, thicknessMm: 2, primaryDeg: 25, grind: 'flat', back: 'flat' },
    front: { shape: 'straight' },
  }),
  'kitchen-knife': tool('kitchen-knife', knife(15, 15, 'flat'), { steel: 'high-chromium' }),
  'hooked-blade': tool('hooked-blade', {
    form: 'hook',
    make: 'hollow-inside',
    lengthMm: 55,
    innerRadiusMm: 22,
    thicknessMm: 2.6,
    includedDeg: 25,
  }),
  'planer-knives': tool('planer-knives', {
    form: 'knife-set',
    count: 3,
    lengthMm: 260,
    widthMm: 25,
    thicknessMm: 3,
    bevelDeg: 40,
  }),
  'scraping-knife': tool('scraping-knife', {
    form: 'scraping',
    lengthMm: 60,
    thicknessMm: 2.5,
    bevelDeg: 20,
    burrSide: 'right',
  }),
};

function knife(leftDeg: number, rightDeg: number, grind: 'flat' | 'convex'): Tool['edge'] {
  return { form: 'knife', lengthMm: 78, widthMm: 18, spineMm: 2.7, leftDeg, rightDeg, grind };
}

/** A guide with two seats, a cam and a roller beside the stone: every field of a roller guide. */
export const GUIDE: RollerGuide = {
  name: 'Guide with everything',
  form: 'top-clamping-roller',
  rollerRadiusMm: 12.5,
  noseMm: 20,
  rollerDropMm: 1.5,
  camRisesMm: [0.6, 1.2],
  seats: [
    {
      name: 'Bed',
      registers: 'underside',
      heightMm: 14,
      noseMm: 19.5,
      measured: {
        readings: [
          { projectionMm: 40, angleDeg: 24.5 },
          { projectionMm: 30, angleDeg: 30 },
        ],
        divisionDeg: 0.5,
        thicknessMm: 3,
      },
    },
    { name: 'Jaws', registers: 'back', heightMm: 16.25, minWidthMm: 3, maxWidthMm: 38 },
  ],
  notes: '',
};

/** One of every form that does not roll. */
export const JIGS: readonly Guide[] = [
  { name: 'Pair jig', form: 'pair-jig', fixedDeg: 45 },
  { name: 'Wheel jig', form: 'wet-wheel-jig', wheelRadiusMm: 125, jigProjectionMm: 139, offsetMm: -12 },
  { name: 'By hand', form: 'freehand', notes: 'Kitchen table.' },
];

/** A board with one stop, all but its guide. */
export const BOARD = {
  name: 'Board',
  seatName: 'Jaws',
  lengthMm: 160,
  depthMm: 60,
  thicknessMm: 12,
  stopWidthMm: 24,
  stopDepthMm: 12,
  stopHeightMm: 6,
  bladeWidthMm: 40,
  stops: [{ label: 'A', angleDeg: 30 }],
};

export const stone = (name: string, grade: string, more: Partial<Abrasive> = {}): Abrasive => ({
  name,
  kind: 'water-stone',
  grade: { standard: 'JIS', grade },
  lubricant: 'water',
  strokeMm: 150,
  overheadMin: 0.5,
  ...more,
});

/** A session with use, chips and outcome, and a honing with steps and setting. */
export const session = (toolId: string): Session => ({
  toolId,
  kind: 'honing',
  startedAt: '2026-11-02T16:30:00.000Z',
  minutes: 9,
  who: 'Shed',
  conditionBefore: { kind: 'nicked', nickMm: 0.2, tipRadiusUm: 4 },
  setting: { angleDeg: 30, projectionMm: 29.9, seatName: 'Jaws' },
  steps: [{ abrasiveId: 'w1000', strokes: 14, minutes: 1.1, recessionMm: 0.02 }],
  use: { minutes: 95, mortises: 4, metresPlaned: 12.5, wood: 'oak', stillCutting: false },
  chips: { count: 2, deepestMm: 0.2 },
  outcome: { burr: 'all-along', proof: [{ test: 'nail', passed: true }], word: 'clean' },
  notes: 'Before the rudder.',
});

/** Events of a run of eight strokes and five, in order; ids are the run's own name and the place. */
export function runEvents(runId: string, toolId: string, ...facts: readonly object[]): RunEvent[] {
  const plan: RunPlan = {
    toolId,
    condition: { kind: 'dull' },
    finishUm: 2,
    forceN: 20,
    strokesPerMin: 40,
    setting: { angleDeg: 30, projectionMm: 29.9 },
    steps: [
      { abrasiveId: 'w1000', strokes: 8 },
      { abrasiveId: 'w8000', strokes: 5 },
    ],
  };
  return [{ kind: 'begun', plan }, ...facts].map(
    (fact, seq) =>
      ({
        ...fact,
        id: `${runId}-${seq}`,
        seq,
        at: new Date(Date.UTC(2026, 10, 23, 9, 0, seq)).toISOString(),
      }) as RunEvent,
  );
}
