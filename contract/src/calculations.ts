import Joi from 'joi';
import {
  ABRASIVE_KIND_NAMES,
  GRIT_STANDARDS,
  grit,
  guideAngle,
  guideProjection,
  landGrowth,
  progression,
} from '@mellow-anvil/core';
import { id, number, oneOf, whole } from './fields.js';
import { guideGeometrySchema } from './guides.js';
import { stepSchema } from './plans.js';

/** One calculation's HTTP face: what goes in, what comes out, and the core function between. */
export interface Calculation {
  readonly title: string;
  readonly input: Joi.ObjectSchema;
  readonly output: Joi.ObjectSchema;
  readonly run: (input: never) => object;
}

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
});

/** The calculations this release offers at `POST /api/calc/<name>`. */
export const calculations: Readonly<Record<string, Calculation>> = {
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
    }),
    output: Joi.object({ steps: Joi.array().items(stepSchema).required(), totalMin: result }),
    run: progression,
  },
};
