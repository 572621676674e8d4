import { Joi } from './joi.js';
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
import type { Calculation } from './calculation.js';
import { number } from './fields.js';
import { guideGeometrySchema, readingsSchema } from './guides.js';
import { packingSchema } from './settings.js';

const result = Joi.number().required();
const words = Joi.string().required();

const knife = {
  widthMm: number('widthMm', 'Edge to spine'),
  spineThicknessMm: number('spineThicknessMm').optional(),
  bevelDeg: number('sideDeg'),
};

/** How an edge is held to its angle, at `POST /api/calc/<name>`. */
export const guideCalculations: Readonly<Record<string, Calculation>> = {
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
};
