import { readFileSync } from 'node:fs';
import { guideCalibration, guideProjection, projectionUncertaintyMm } from '@mellow-anvil/core/guide';
import {
  inOrderOfTime,
  landAfterReading,
  landPmMm,
  readiness,
  recordOf,
  edgeHistory,
} from '@mellow-anvil/core/record';
import { FEELER_STEP_MM, lightReading } from '@mellow-anvil/core/camber';
import { landGrowth, recessionForLand } from '@mellow-anvil/core/blade';
import { likelyStrokes, spreadsOf } from '@mellow-anvil/core/plan';
import { edgeWork } from '@mellow-anvil/core/work';
import {
  anglesTried,
  asToldNext,
  CALIPER,
  calipered,
  type Chooser,
  edgesInUse,
  fixedAdvice,
  type HiddenKnife,
  shaved,
  tradesRule,
  type Chance,
  type Used,
} from '@mellow-anvil/core/simulate';
import { learnedRate } from '@mellow-anvil/core/abrasive';
import type { Workshop } from '@mellow-anvil/core/workshop';
import { chances as seeded } from './chances.js';
import { median, type Row } from './table.js';

const DEMO = new URL('../../demo/saltmarsh-boat-shed.workshop.json', import.meta.url);
const SHOPS = 12;
const EDGES = 120;
const MEDIAN = 88;
/** Spread of a rate nobody has measured yet. */
const RATE_SD = 0.5;
const FLAT = { grind: 'flat', back: 'flat', front: { shape: 'straight' } } as const;

/** The figures of a run are the same again in the next. */
const chances = (seed: number): Chance => seeded(20261129 + 7919 * seed);

/** Lives of a true median of 88 minutes by laws that are not the one they are judged by. */
const LAWS: Readonly<Record<string, (of: Chance) => () => number>> = {
  'log-normal, sd 0.2':
    ({ normal }) =>
    () =>
      MEDIAN * Math.exp(0.2 * normal()),
  'log-normal, sd 0.35':
    ({ normal }) =>
    () =>
      MEDIAN * Math.exp(0.35 * normal()),
  'normal, sd 20 min':
    ({ normal }) =>
    () =>
      Math.max(8, MEDIAN + 20 * normal()),
  'half oak, half larch: 66 and 110 min, sd 0.2':
    ({ uniform, normal }) =>
    () =>
      (uniform() < 0.5 ? 66 : 110) * Math.exp(0.2 * normal()),
  'log-normal, sd 0.5 (wide)':
    ({ normal }) =>
    () =>
      MEDIAN * Math.exp(0.5 * normal()),
};

const percent = (share: number): string => `${(100 * share).toFixed(0)} %`;

function edges(law: string, obeys: boolean): readonly Used[] {
  const life = LAWS[law];
  if (!life) throw new Error(`There is no law ${law}.`);
  return Array.from({ length: SHOPS }, (_, seed) => {
    const of = chances(seed);
    return edgesInUse({
      life: life(of),
      spell: () => spellOf(of),
      obeys,
      stops: seed % 2 === 0,
      edges: EDGES,
    });
  });
}

/**
 * What nobody could better: edges asked for before they gave out by one who knows the law and nothing of each edge but
 * its use, with fewer than one in five not half used up. One age to ask from is all there is to choose.
 */
function atBest(law: string): number {
  const of = chances(99);
  const life = LAWS[law]?.(of);
  if (!life) throw new Error(`There is no law ${law}.`);
  const edges = Array.from({ length: 20_000 }, () => {
    const lasts = life();
    const looks: number[] = [];
    for (let used = spellOf(of); used < lasts; used += spellOf(of)) looks.push(used);
    return { lasts, looks };
  });
  const shares = Array.from({ length: 150 }, (_, from) => {
    const asked = edges.flatMap(({ lasts, looks }) => {
      const at = looks.find((used) => used >= from);
      return at === undefined ? [] : [{ lasts, at }];
    });
    const tooSoon = asked.filter(({ lasts, at }) => lasts > 2 * at).length;
    return tooSoon < 0.2 * asked.length ? asked.length / edges.length : 0;
  });
  return Math.max(...shares);
}

/** Spells of use, min. */
const spellOf = ({ uniform }: Chance): number => 10 + 40 * uniform();

function lives(): readonly Row[] {
  return Object.keys(LAWS).flatMap((law): Row[] => {
    const ignored = edges(law, false);
    const obeyed = edges(law, true);
    const sum = (all: readonly Used[], of: (used: Used) => number): number =>
      all.reduce((total, each) => total + of(each), 0);
    const held = [...ignored, ...obeyed].filter(({ life }) => life.low <= MEDIAN && MEDIAN <= life.high);
    return [
      {
        what: `${law}: asked before the edge gave out`,
        figure: percent(sum(ignored, ({ warned }) => warned) / sum(ignored, ({ gaveOut }) => gaveOut)),
        yardstick: `not half used when asked: ${percent(sum(ignored, ({ tooSoon }) => tooSoon) / sum(ignored, ({ asked }) => asked))}`,
        aim: `70 %, under 20 %; one who knew the law: ${percent(atBest(law))} at most`,
      },
      {
        what: `${law}: usual life after ${EDGES} edges, the rack obeyed`,
        figure: `${median(obeyed.map(({ life }) => life.amount)).toFixed(0)} min`,
        yardstick: `true ${MEDIAN} min; its range holds it ${percent(held.length / (2 * SHOPS))}`,
        aim: `${(0.9 * MEDIAN).toFixed(0)} to ${(1.1 * MEDIAN).toFixed(0)} min, 80 %`,
      },
    ];
  });
}

/** The demo’s two years as they went, and what the rack would have said each evening. */
function demoYears(): readonly Row[] {
  const { tools, abrasives, sessions } = JSON.parse(readFileSync(DEMO, 'utf8')) as Workshop;
  let [gaveOut, warned, strops, idle] = [0, 0, 0, 0];
  for (const tool of tools) {
    const own = inOrderOfTime(sessions.filter(({ toolId }) => toolId === tool.id));
    const history = edgeHistory(tool, own, abrasives);
    const isStropped = own.some(({ kind }) => kind === 'stropping');
    let asked = false as boolean;
    history.forEach(({ session }, i) => {
      if (session.kind === 'honing' || session.kind === 'grinding') asked = false;
      if (session.kind !== 'use') return;
      if (session.use?.stillCutting === false) {
        gaveOut += 1;
        if (asked) warned += 1;
        return;
      }
      const { state, rule } = readiness(tool, recordOf(tool, history.slice(0, i + 1)));
      asked ||= rule === 'soon-blunt' || rule === 'half-hour' || rule === 'fading';
      if (state === 'strop') strops += 1;
      if (state === 'strop' && !isStropped) idle += 1;
    });
  }
  return [
    {
      what: 'demo: edges found blunt that the rack had asked for, for the stone or the strop',
      figure: `${warned} of ${gaveOut}`,
      yardstick: 'the shed’s people go by habits of their own',
    },
    { what: 'demo: strop asked of tools nobody strops', figure: `${idle} of ${strops}`, aim: '0' },
  ];
}

/** An honest hand: shaken by 0.3°, half-degree divisions, six readings. */
function guides(): readonly Row[] {
  const truth = { rollerRadiusMm: 9, seatHeightMm: 16.25, noseMm: 16.25 };
  const projection = (angleDeg: number): number => guideProjection({ guide: truth, angleDeg }).projectionMm;
  const runs = 2000;
  return [undefined, 0.3].map((shakeDeg): Row => {
    const { uniform, normal } = chances(1);
    let [doubted, held] = [0, 0];
    for (let run = 0; run < runs; run++) {
      const readings = [22, 25, 27, 30, 33, 36].map((deg) => {
        const angleDeg = deg + uniform() - 0.5;
        return {
          projectionMm: projection(angleDeg),
          angleDeg: Math.round(2 * (angleDeg + 0.3 * normal())) / 2,
        };
      });
      const found = guideCalibration({ rollerRadiusMm: 9, readings, shakeDeg });
      const mine = guideProjection({ guide: { ...truth, ...found, rollerRadiusMm: 9 }, angleDeg: 30 });
      if (found.contradiction) doubted += 1;
      if (Math.abs(mine.projectionMm - projection(30)) <= projectionUncertaintyMm(found, 30)) held += 1;
    }
    return {
      what: `guide, shake of 0.3° ${shakeDeg === undefined ? 'not asked' : 'told'}: ± holds`,
      figure: percent(held / runs),
      yardstick: `a right set contradicted ${(100 * (doubted / runs)).toFixed(1)} %`,
      aim: '93 to 97 %, 1 %',
    };
  });
}

/** The ± of a caliper’s camber, and the range a stone’s rate is told in. */
function readings(): readonly Row[] {
  const { uniform, normal } = chances(2);
  const runs = 2000;
  let [curves, rates] = [0, 0];
  for (let run = 0; run < runs; run++) {
    const camberMm = 0.02 + 0.2 * uniform();
    const read = calipered({ camberMm, leanMm: 0 }, 50, uniform);
    if (Math.abs(read.camberMm - camberMm) <= read.pmMm) curves += 1;
    const factor = Math.exp(0.5 * normal());
    const { low, high } = learnedRate(Array.from({ length: 4 }, () => factor * Math.exp(0.3 * normal())));
    if (low <= factor && factor <= high) rates += 1;
  }
  return [
    { what: 'camber by caliper: ± holds', figure: percent(curves / runs), aim: '93 to 97 %' },
    {
      what: 'a stone’s rate from four readings: its range holds',
      figure: percent(rates / runs),
      aim: '80 %',
    },
  ];
}

/** A quantity of the logarithm’s spread that is not normal: even between two ends, or with long tails (Laplace). */
const SPREADS: Readonly<Record<string, (sd: number, uniform: () => number) => number>> = {
  even: (sd, uniform) => sd * Math.sqrt(12) * (uniform() - 0.5),
  'long-tailed': (sd, uniform) => {
    const side = uniform() < 0.5 ? -1 : 1;
    return (side * sd * -Math.log(1 - uniform())) / Math.SQRT2;
  },
};

/** A land read to twentieths every five honings, four times: as told after each reading, and as read. */
function landsReread(): readonly Row[] {
  const { uniform, normal } = chances(5);
  let [within, told, readOnly, n] = [0, 0, 0, 0];
  for (let run = 0; run < 1000; run++) {
    const hand = 0.3 * normal();
    const startMm = 0.3 + 0.4 * uniform();
    const landAt = (recessionMm: number): number =>
      landGrowth({
        primaryDeg: 25,
        secondaryDeg: 30,
        recessionMm: recessionForLand(25, 30, startMm) + recessionMm,
      }).landMm;
    let [recessionMm, landMm, pmMm] = [0, startMm + 0.025 * normal(), 0.05];
    for (let reading = 0; reading < 4; reading++) {
      const landThenMm = landMm;
      const from = landAt(recessionMm);
      landMm += landAt(recessionMm + 5 * 0.012) - from;
      for (let i = 0; i < 5; i++) recessionMm += 0.012 * Math.exp(hand + 0.3 * normal());
      const trueMm = landAt(recessionMm);
      const readMm = Math.round(20 * (trueMm + 0.025 * normal())) / 20;
      const after = landAfterReading(
        { landMm, landThenMm, landThenPmMm: pmMm, landFrom: 'measured' },
        readMm,
      );
      [landMm, pmMm] = [after.value, after.pm];
      n += 1;
      told += (landMm - trueMm) ** 2;
      readOnly += (readMm - trueMm) ** 2;
      if (Math.abs(landMm - trueMm) <= pmMm) within += 1;
    }
  }
  return [
    { what: 'land, just read and weighed: ± holds', figure: percent(within / n), aim: '93 to 97 %' },
    {
      what: 'land, just read and weighed: off by',
      figure: `${(1000 * Math.sqrt(told / n)).toFixed(1)} µm`,
      yardstick: `the reading alone ${(1000 * Math.sqrt(readOnly / n)).toFixed(1)} µm`,
      aim: 'less',
    },
  ];
}

/** Curves by light and by a shaving, and the land after five honings that each took more or less than reckoned. */
function curvesAndLands(): readonly Row[] {
  const { uniform, normal } = chances(3);
  const runs = 2000;
  const iron = { widthMm: 50, bedDeg: 45 };
  const bevels = { primaryDeg: 25, secondaryDeg: 30 };
  const leafUnder = (mm: number): number => Math.floor(mm / FEELER_STEP_MM) * FEELER_STEP_MM;
  let [lit, shavings, taken, lands] = [0, 0, 0, 0];
  for (let run = 0; run < runs; run++) {
    const camberMm = 0.02 + 0.2 * uniform();
    const lean = 0.03 * normal();
    const light = lightReading({
      widthMm: iron.widthMm,
      leftMm: leafUnder(Math.max(0, camberMm - lean / 2)),
      rightMm: leafUnder(Math.max(0, camberMm + lean / 2)),
    });
    if (Math.abs(light.camber.mm - camberMm) <= light.camber.pmMm) lit += 1;
    const read = shaved({ camberMm, leanMm: 0 }, iron, 0.05, uniform, CALIPER);
    if (!read.atMost) {
      taken += 1;
      if (Math.abs(read.camberMm - camberMm) <= read.pmMm) shavings += 1;
    }
    const thenMm = 0.4 + 0.6 * uniform();
    const hand = 0.3 * normal();
    const eachMm = 0.012;
    const grown = (recessionMm: number): number =>
      landGrowth({ ...bevels, recessionMm: recessionForLand(25, 30, thenMm) + recessionMm }).landMm;
    const went = Array.from({ length: 5 }, () => eachMm * Math.exp(hand + 0.3 * normal()));
    const told = {
      landThenMm: Math.round(20 * (thenMm + 0.025 * normal())) / 20,
      landFrom: 'measured' as const,
    };
    const landMm = told.landThenMm + grown(5 * eachMm) - thenMm;
    const trueMm = grown(went.reduce((sum, each) => sum + each, 0));
    if (Math.abs(landMm - trueMm) <= landPmMm({ ...told, landMm })) lands += 1;
  }
  return [
    { what: 'camber by light: ± holds', figure: percent(lit / runs), aim: '93 to 97 %' },
    { what: 'camber by a shaving: ± holds', figure: percent(shavings / taken), aim: '93 to 97 %' },
    {
      what: 'land, five honings after its reading: ± holds',
      figure: percent(lands / runs),
      aim: '93 to 97 %',
    },
  ];
}

/** Strokes until the worn tip is gone, by an edge and a stone that are others than assumed; their range against it. */
function strokesNeeded(): readonly Row[] {
  const edge = {
    form: 'single-bevel' as const,
    widthMm: 45,
    thicknessMm: 3,
    primaryDeg: 25,
    secondaryDeg: 30,
  };
  const [landMm, tipUm, removalMm3PerNm] = [0.8, 3, 0.0048];
  const needed = (land: number, tip: number, rate: number): number => {
    const works = (strokes: number) => [
      { removalMm3PerNm: rate, forceN: 20, strokeMm: 150, strokes, marksUm: 1.4 },
    ];
    let [least, most] = [0, 1];
    const done = (strokes: number): boolean =>
      edgeWork({ edge, landMm: land, tipUm: tip, marksUm: 1.4, works: works(strokes) }).reached;
    while (!done(most)) most *= 2;
    while (most - least > 1) {
      const middle = (least + most) >> 1;
      if (done(middle)) most = middle;
      else least = middle;
    }
    return most;
  };
  const planned = needed(landMm, tipUm, removalMm3PerNm);
  const spread = spreadsOf({ edge: { ...FLAT, ...edge } }, { kind: 'fading' }, landMm).wornSd;
  const runs = 1000;
  return Object.entries(SPREADS).map(([law, off]): Row => {
    const { uniform } = chances(4);
    const { low, high } = likelyStrokes(planned, spread, RATE_SD);
    let held = 0;
    for (let run = 0; run < runs; run++) {
      const strokes = needed(
        landMm * Math.exp(off(0.15, uniform)),
        tipUm * Math.exp(off(0.4, uniform)),
        removalMm3PerNm * Math.exp(off(RATE_SD, uniform)),
      );
      if (low <= strokes && strokes <= high) held += 1;
    }
    return {
      what: `strokes to a burr, land, tip and rate each with ${law} spread: the range holds`,
      figure: percent(held / runs),
      yardstick: `told ${low} to ${high}, ${planned} in the middle`,
      aim: '80 %',
    };
  });
}

const HANDS = 1000;
const EDGES_OF_A_KNIFE = 40;

/** A thousand hands and knives, their best angle hidden: what it costs to come within a degree of it, by who chooses. */
function anglesFound(): readonly Row[] {
  const made = chances(11);
  const knives = Array.from({ length: HANDS }, (): HiddenKnife => ({
    bestDeg: 20 + 4 * made.normal(),
    advisedDeg: 20,
    bestMin: 40 + 60 * made.uniform(),
    halfFlatterDeg: 2 + 3 * made.uniform(),
    halfSteeperDeg: 4 + 5 * made.uniform(),
    scatter: 0.3 + 0.4 * made.uniform(),
    handDeg: 0.3 + 0.9 * made.uniform(),
  }));
  const by = (
    chooser: Chooser,
  ): { readonly until: number; readonly whole: number; readonly edges: number } => {
    const all = knives.map((knife, i) => {
      const { normal, uniform } = chances(1000 + i);
      return anglesTried(knife, chooser, EDGES_OF_A_KNIFE, normal, uniform);
    });
    const mean = (of: (each: (typeof all)[number]) => number): number =>
      all.reduce((sum, each) => sum + of(each), 0) / all.length;
    return {
      until: mean(({ lostUntilMin }) => lostUntilMin),
      whole: mean(({ lostMin }) => lostMin),
      edges: median(all.map(({ until }) => until)),
    };
  };
  const [ours, fixed, trade] = [by(asToldNext), by(fixedAdvice), by(tradesRule)];
  const min = (minutes: number): string => `${minutes.toFixed(0)} min`;
  return [
    {
      what: 'a knife’s angle: cut lost until within a degree of its best',
      figure: `${min(ours.until)}, ${ours.edges} edges`,
      yardstick: `fixed advice ${min(fixed.until)}; the trade’s rule ${min(trade.until)}, ${trade.edges} edges`,
      aim: 'less than either',
    },
    {
      what: `a knife’s angle: cut lost over ${EDGES_OF_A_KNIFE} edges`,
      figure: min(ours.whole),
      yardstick: `fixed advice ${min(fixed.whole)}; the trade’s rule ${min(trade.whole)}`,
      aim: 'less than either',
    },
  ];
}

/** Whether what is judged and warned of is so, where the truth is known; counts, not times. */
export const benchJudgement = (): readonly Row[] => [
  ...lives(),
  ...demoYears(),
  ...guides(),
  ...readings(),
  ...curvesAndLands(),
  ...landsReread(),
  ...anglesFound(),
  ...strokesNeeded(),
];
