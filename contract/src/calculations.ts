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
import { regrindInterval, wedgeHeat } from '@mellow-anvil/core/grinding';
import {
  foldTo,
  guideAngle,
  guideCalibration,
  guideProjection,
  knifeLift,
  type KnifeLiftInput,
  liftStack,
  type Packing,
  wheelSupport,
} from '@mellow-anvil/core/guide';
import { countdown, intake, progression } from '@mellow-anvil/core/plan';
import { edgeLife } from '@mellow-anvil/core/record';
import type { Calculation } from './calculation.js';
import { camberCalculations } from './camber-calculations.js';
import { workCalculations } from './work-calculations.js';
import { id, number, oneOf, related, whole } from './fields.js';
import { withFields } from './shape.js';
import { guideGeometrySchema, readingsSchema } from './guides.js';
import { edge } from './edges.js';
import { conditionSchema, jobSchema, stepSchema } from './plans.js';
import { packingSchema } from './settings.js';
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

const knife = {
  widthMm: number('widthMm', 'Edge to spine'),
  spineThicknessMm: number('spineThicknessMm').optional(),
  bevelDeg: number('sideDeg'),
};
const work = {
  family: oneOf('Family', FAMILY_NAMES),
  job: oneOf('Job', JOBS),
  sideHardnessLbf: number('sideHardnessLbf'),
  figured: Joi.boolean().optional(),
};
const words = Joi.string().required();

/** The calculations this release offers at `POST /api/calc/<name>`. */
export const calculations: Readonly<Record<string, Calculation>> = {
  ...camberCalculations,
  ...workCalculations,
  'guide-projection': {
    title: 'Projection of the edge from a guide for an angle',
    input: Joi.object({
      guide: guideGeometrySchema,
      thicknessMm: number('thicknessMm').optional(),
      angleDeg: number('angleDeg'),
    }),
    output: Joi.object({ projectionMm: result, degPerMm: result }),
    run: guideProjection,
  },
  'guide-angle': {
    title: 'Angle a projection gives on a guide',
    input: Joi.object({
      guide: guideGeometrySchema,
      thicknessMm: number('thicknessMm').optional(),
      projectionMm: number('projectionMm'),
    }),
    output: Joi.object({ angleDeg: result, degPerMm: result }),
    run: guideAngle,
  },
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
  'guide-calibration': {
    title:
      'A guide’s seat height and nose from measured settings, how well they fit, and which contradicts the rest',
    input: Joi.object({
      rollerRadiusMm: number('rollerRadiusMm'),
      rollerDropMm: number('rollerDropMm').optional(),
      readings: readingsSchema,
      divisionDeg: number('divisionDeg').optional(),
      shakeDeg: number('shakeDeg').optional(),
    }),
    output: Joi.object({
      seatHeightMm: result,
      noseMm: result,
      rmsDeg: result,
      residualsDeg: Joi.array().items(Joi.number()).required(),
      readingSdDeg: result,
      covariance: Joi.array().items(Joi.number()).length(3).required(),
      coverage: result,
      canDoubt: Joi.boolean().required(),
      contradiction: Joi.object({ index: result, expectedDeg: result, offDeg: result }).optional(),
    }),
    run: guideCalibration,
  },
  'back-bevel': {
    title: 'Back bevel a shim under the blade gives',
    input: Joi.object({ shimMm: number('shimMm'), distanceMm: number('shimAtMm') }),
    output: Joi.object({ angleDeg: result }),
    run: backBevel,
  },
  'knife-lift': {
    title: 'Height of a knife’s spine above the stone for a bevel',
    input: Joi.object(knife),
    output: Joi.object({ liftMm: result }),
    run: knifeLift,
  },
  'lift-stack': {
    title: 'Fewest washers, cards or coins that lift a knife’s spine to within half a degree',
    input: Joi.object({ ...knife, packing: packingSchema.min(1).required() }),
    output: Joi.object({
      pieces: Joi.array()
        .items(Joi.object({ name: words, count: result }))
        .required(),
      heightMm: result,
      bevelDeg: result,
    }),
    run: ({ packing, ...blade }: KnifeLiftInput & { readonly packing: readonly Packing[] }) =>
      liftStack(blade, packing),
  },
  'right-angle-folding': {
    title: 'Halvings of a right angle whose crease comes nearest to an angle',
    input: Joi.object({ angleDeg: number('angleDeg') }),
    output: Joi.object({
      creases: Joi.array()
        .items(Joi.object({ deg: result, folds: result }))
        .required(),
      nearest: Joi.object({ deg: result, folds: result }).required(),
      offDeg: result,
    }),
    run: ({ angleDeg }: { readonly angleDeg: number }) => foldTo(angleDeg),
  },
  'wheel-support': {
    title: 'Where a wheel’s support bar stands for an angle',
    input: Joi.object({
      wheelRadiusMm: number('wheelRadiusMm'),
      jigProjectionMm: number('jigProjectionMm'),
      offsetMm: number('barOffsetMm'),
      angleDeg: number('angleDeg'),
    }),
    output: Joi.object({ centreDistanceMm: result, gapMm: result }),
    run: wheelSupport,
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
