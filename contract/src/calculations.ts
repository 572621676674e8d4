import { Joi } from './joi.js';
import {
  ABRASIVE_KIND_NAMES,
  grit,
  GRIT_STANDARDS,
  learnedRate,
  type LearnedRate,
} from '@mellow-anvil/core/abrasive';
import { angleAdvice, finishAdvice, JOBS } from '@mellow-anvil/core/advice';
import {
  backBevel,
  type Condition,
  type Edge,
  edgeKeep,
  FAMILY_NAMES,
  hollowGrind,
  type HollowGrindInput,
  honedHollow,
  type HostPlane,
  landGrowth,
  planeAngles,
  type PlaneAnglesInput,
  settingShift,
  skewCut,
  STEEL_NAMES,
} from '@mellow-anvil/core/blade';
import { runningEdge } from '@mellow-anvil/core/curve';
import { hollowedBack, regrindInterval, wedgeHeat } from '@mellow-anvil/core/grinding';
import { countdown, intake, progression, rota } from '@mellow-anvil/core/plan';
import { edgeLife } from '@mellow-anvil/core/record';
import type { Calculation } from './calculation.js';
import { camberCalculations } from './camber-calculations.js';
import { guideCalculations } from './guide-calculations.js';
import { longEdgeCalculations } from './long-edge-calculations.js';
import { workCalculations } from './work-calculations.js';
import { id, number, oneOf, related, whole } from './fields.js';
import { withFields } from './shape.js';
import { edge } from './edges.js';
import { conditionSchema, jobSchema, stepSchema } from './plans.js';
import { hostSchema } from './tools.js';

const result = Joi.number().required();

const progressionAbrasive = Joi.object({
  id,
  sizeUm: number('sizeUm'),
  kind: oneOf('Kind', ABRASIVE_KIND_NAMES).optional(),
  removalMm3PerNm: number('removalMm3PerNm').optional(),
  scratchUm: number('scratchUm').optional(),
  strokeMm: number('strokeMm'),
  overheadMin: number('overheadMin'),
  forceN: number('forceN').optional(),
  mostStrokes: whole('mostStrokes').optional(),
});

const work = {
  family: oneOf('Family', FAMILY_NAMES),
  job: oneOf('Job', JOBS),
  sideHardnessLbf: number('sideHardnessLbf'),
  figured: Joi.boolean().optional(),
};
const words = Joi.string().required();

/** The calculations this release offers at `POST /api/calc/<name>`. */
export const calculations: Readonly<Record<string, Calculation>> = {
  ...guideCalculations,
  ...longEdgeCalculations,
  ...camberCalculations,
  ...workCalculations,
  grit: {
    title: 'Grain size of a grade',
    input: Joi.object({
      standard: oneOf('Grading', GRIT_STANDARDS),
      grade: Joi.string().max(40).required().messages({ '*': 'Write the grade as text, such as "P600".' }),
    }),
    output: Joi.object({
      sizeUm: result,
      source: Joi.string().required(),
      fromMemory: Joi.boolean().required(),
    }),
    run: grit,
  },
  'land-growth': {
    title: 'Width of the secondary bevel and steel given up after a recession',
    input: Joi.object({
      primaryDeg: number('bevelDeg', 'Primary angle'),
      secondaryDeg: number('bevelDeg', 'Secondary angle'),
      recessionMm: number('recessionMm'),
      thicknessMm: number('thicknessMm').optional(),
    }),
    output: Joi.object({ landMm: result, steelMm2: result }),
    run: landGrowth,
  },
  progression: {
    title: 'Least-time order of abrasives, strokes and minutes',
    input: Joi.object({
      abrasives: Joi.array().items(progressionAbrasive).min(1).max(500).unique('id').required(),
      job: Joi.object({
        removeMm3: number('removeMm3'),
        contactMm2: number('contactMm2'),
        forceN: number('forceN'),
        strokesPerMin: number('strokesPerMin'),
        steelFactor: number('steelFactor').optional(),
      }).required(),
      finishUm: number('finishUm'),
      minStrokes: whole('minStrokes').optional(),
      maxRatio: number('maxRatio').optional(),
      stones: whole('stones').optional(),
      startUm: number('sizeUm', 'Start').optional(),
    }),
    output: Joi.object({ steps: Joi.array().items(stepSchema).required(), totalMin: result }),
    run: progression,
  },
  'back-bevel': {
    title: 'Back bevel a shim under the blade gives',
    input: Joi.object({ shimMm: number('shimMm'), distanceMm: number('shimAtMm') }),
    output: Joi.object({ angleDeg: result }),
    run: backBevel,
  },
  'hollow-grind': {
    title: 'The hollow a wheel leaves in a bevel, and the angle at its edge',
    input: Joi.object({
      wheelRadiusMm: number('wheelRadiusMm'),
      thicknessMm: number('thicknessMm'),
      bevelDeg: number('bevelDeg'),
    }),
    output: Joi.object({ faceMm: result, depthMm: result, edgeDeg: result }),
    run: hollowGrind,
  },
  'hollowed-back': {
    title: 'The hollows a wheel leaves in a flat back, the steel they are and the rims they leave',
    input: Joi.object({
      wheelRadiusMm: number('wheelRadiusMm'),
      backMm: number('flatBackMm'),
      edgeRimMm: number('edgeRimMm'),
      farRimMm: number('farRimMm'),
      passes: whole('backPasses').optional(),
    }),
    output: Joi.object({ chordMm: result, depthMm: result, areaMm2: result, rimsMm: result }),
    run: hollowedBack,
  },
  'honed-hollow': {
    title: 'A hollow bevel honed on its two rims: steel, rims and hollow left, and what it saves',
    input: Joi.object({
      wheelRadiusMm: number('wheelRadiusMm'),
      thicknessMm: number('thicknessMm'),
      bevelDeg: number('bevelDeg'),
      recessionMm: number('recessionMm'),
    }),
    output: Joi.object({ steelMm2: result, savedMm2: result, rimMm: result, depthMm: result }),
    run: ({ recessionMm, ...wheel }: HollowGrindInput & { readonly recessionMm: number }) =>
      honedHollow(wheel, recessionMm),
  },
  'pass-heat': {
    title: 'How long a grinding pass may last before the last half millimetre is too hot: a model',
    input: Joi.object({
      bevelDeg: number('bevelDeg'),
      thicknessMm: number('thicknessMm'),
      widthMm: number('widthMm'),
      stopShortMm: number('stopShortMm').min(0),
      pushN: number('forceN'),
      rimMs: number('rimMs'),
      steel: oneOf('Steel', STEEL_NAMES),
      limitC: number('celsius', 'Limit'),
      startC: number('celsius', 'Blade to begin with').optional(),
    }),
    output: Joi.object({
      passS: result.optional(),
      dipS: result,
      powerW: result,
      profile: Joi.array()
        .items(Joi.object({ atMm: result, celsius: result }))
        .required(),
      history: Joi.array()
        .items(Joi.object({ seconds: result, celsius: result }))
        .required(),
      energy: Joi.object({ inJ: result, heldJ: result, lostJ: result }).required(),
    }),
    run: wedgeHeat,
  },
  'plane-angles': {
    title: 'Cutting, clearance and included angle of an iron in its plane',
    input: withFields<HostPlane, Omit<PlaneAnglesInput, keyof HostPlane>>(hostSchema, {
      bevelDeg: number('bevelDeg'),
      backBevelDeg: number('backBevelDeg').optional(),
    }).required(),
    output: Joi.object({
      cuttingDeg: result,
      clearanceDeg: result,
      includedDeg: result,
      clearance: words,
      warning: Joi.string().optional(),
    }),
    run: planeAngles,
  },
  'edge-keep': {
    title: 'Useful wear of an edge against a reference edge',
    input: Joi.object({
      angleDeg: number('keptDeg', 'Included angle'),
      referenceDeg: number('keptDeg', 'Reference angle'),
    }),
    output: Joi.object({ ratio: result }),
    run: edgeKeep,
  },
  'running-edge': {
    title: 'A skew’s second edge, carried round its heel',
    input: Joi.object({
      widthMm: number('widthMm'),
      thicknessMm: number('thicknessMm'),
      skewDeg: number('skewDeg'),
      leftDeg: number('sideDeg', 'Left bevel'),
      rightDeg: number('sideDeg', 'Right bevel'),
      radiusMm: number('heelRadiusMm'),
      thinnedMm: number('alongMm', 'Thinned over').optional(),
    }),
    output: Joi.object({
      straightMm: result,
      arcDeg: result,
      arcMm: result,
      steelMm3: result,
      thinnedMm: result,
      thinnedMm3: result,
      pointDeg: result,
      meetsDeg: Joi.array().items(Joi.number()).length(3).required(),
    }),
    run: runningEdge,
  },
  'skew-cut': {
    title: 'Effective angle of an edge turned to the cut',
    input: Joi.object({ bevelDeg: number('bevelDeg'), skewDeg: number('skewDeg') }),
    output: Joi.object({ effectiveDeg: result }),
    run: skewCut,
  },
  'setting-shift': {
    title: 'What honing at another setting than the last costs in steel',
    input: Joi.object({
      primaryDeg: number('bevelDeg', 'Primary angle'),
      thicknessMm: number('thicknessMm'),
      widthMm: number('widthMm'),
      landMm: number('landMm'),
      lastDeg: number('bevelDeg', 'Last setting'),
      nextDeg: number('bevelDeg', 'Next setting'),
      recessionMm: number('recessionMm'),
    }),
    output: Joi.object({
      kind: words,
      byDeg: result,
      beforeEdgeMm3: result,
      putOffMm3: result,
      keepRatio: result,
    }),
    run: settingShift,
  },
  'angle-advice': {
    title: 'As acute an included angle as holds, with its range and reasons',
    input: Joi.object({
      ...work,
      steel: oneOf('Steel', STEEL_NAMES),
      record: Joi.object({
        edges: whole('edgesSeen'),
        chipped: related(whole('edgesSeen', 'Chipped edges'), (chipped: number, { edges }) =>
          typeof edges === 'number' && chipped > edges
            ? 'No more edges chipped than there were: lower this figure.'
            : undefined,
        ),
        includedDeg: number('keptDeg'),
        sideHardnessLbf: number('sideHardnessLbf'),
        steel: oneOf('Steel', STEEL_NAMES),
      }).optional(),
      host: hostSchema.optional(),
    }),
    output: Joi.object({
      angleDeg: result,
      leastDeg: result,
      mostDeg: result,
      reasons: Joi.array()
        .items(Joi.object({ text: words, byDeg: result, footing: words }))
        .required(),
    }),
    run: angleAdvice,
  },
  'finish-advice': {
    title: 'How fine is fine enough for the work',
    input: Joi.object(work),
    output: Joi.object({ finishUm: result, reasons: Joi.array().items(words).required() }),
    run: finishAdvice,
  },
  'regrind-interval': {
    title: 'How many honings to one regrinding make both the least work',
    input: Joi.object({
      primaryDeg: number('bevelDeg', 'Primary'),
      secondaryDeg: number('bevelDeg', 'Secondary'),
      widthMm: number('widthMm'),
      recessionPerHoningMm: number('recessionMm', 'Recession of one honing'),
      removalMm3PerMin: number('removalMm3PerMin'),
      regrindMin: number('minutes', 'One regrinding'),
    }),
    output: Joi.object({ honings: result, meanMin: result }),
    run: regrindInterval,
  },
  countdown: {
    title: 'Strokes by side, one fewer each round',
    input: Joi.object({ from: whole('countFrom'), sides: whole('sides').optional() }),
    output: Joi.object({ strokes: result, sequence: Joi.array().items(Joi.number()).required() }),
    run: countdown,
  },
  rota: {
    title: 'Which knives of a set go into the jig in which round',
    input: Joi.object({
      pieces: whole('pieces'),
      slots: whole('slots'),
      strokesEach: whole('strokesEach'),
      strokesPerRound: whole('strokesPerRound'),
    }),
    output: Joi.object({
      rounds: Joi.array().items(Joi.array().items(Joi.number())).required(),
      swaps: result,
    }),
    run: rota,
  },
  'condition-intake': {
    title: 'What a condition comes to: how far the edge goes back, the steel, and what to do',
    input: Joi.object({
      edge: edge.required(),
      condition: conditionSchema,
      landMm: number('landMm').optional(),
    }),
    output: Joi.object({
      lines: Joi.array().items(Joi.object().unknown()).required(),
      job: jobSchema,
      treatment: words,
      why: words,
    }),
    run: ({ edge, condition, landMm }: { edge: Edge; condition: Condition; landMm?: number }) =>
      intake(edge, condition, landMm),
  },
  'edge-life': {
    title: 'How long edges last, those counted in that were sharpened while they still cut',
    input: Joi.object({
      intervals: Joi.array()
        .items(Joi.object({ minutes: number('lifeMinutes'), censored: Joi.boolean().required() }).optional())
        .max(10000)
        .required(),
    }),
    output: Joi.object({
      shape: result,
      scale: result,
      medianMin: result,
      survival: Joi.array()
        .items(Joi.object({ minutes: result, share: result }))
        .required(),
    }),
    run: edgeLife,
  },
  'learned-rate': {
    title: 'A stone’s rate over the one assumed, from readings',
    input: Joi.object({
      ratios: Joi.array().items(number('rateRatio').optional()).max(10000).required(),
    }),
    output: Joi.object({ factor: result, sd: result, low: result, high: result, readings: result }),
    run: ({ ratios }: { ratios: readonly number[] }): LearnedRate => learnedRate(ratios),
  },
};
