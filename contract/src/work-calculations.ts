import { Joi } from './joi.js';
import { type KnifeBlade, liftAngle } from '@mellow-anvil/core/guide';
import { edgeWork, primaryShaping, stropWrap } from '@mellow-anvil/core/work';
import type { Calculation } from './calculation.js';
import { number, whole } from './fields.js';

const result = Joi.number().required();

const blade = { widthMm: number('widthMm'), thicknessMm: number('thicknessMm') };

/** What work does to an edge, at `POST /api/calc/<name>`. */
export const workCalculations: Readonly<Record<string, Calculation>> = {
  'edge-work': {
    title: 'What strokes, one abrasive after the other, do to an edge: recession, land, marks, steel, burr',
    input: Joi.object({
      edge: Joi.alternatives()
        .conditional('.form', {
          is: 'double-bevel',
          then: Joi.object({
            form: Joi.string().valid('double-bevel').required(),
            ...blade,
            leftDeg: number('sideDeg', 'Left side'),
            rightDeg: number('sideDeg', 'Right side'),
          }),
          otherwise: Joi.object({
            form: Joi.string()
              .valid('single-bevel')
              .required()
              .messages({ '*': 'Form: choose single-bevel or double-bevel.' }),
            ...blade,
            primaryDeg: number('bevelDeg', 'Primary angle'),
            secondaryDeg: number('bevelDeg', 'Secondary angle').optional(),
          }),
        })
        .required(),
      landMm: number('landMm').optional(),
      tipUm: number('tipRadiusUm'),
      marksUm: number('scratchUm', 'Marks'),
      works: Joi.array()
        .items(
          Joi.object({
            removalMm3PerNm: number('removalMm3PerNm'),
            forceN: number('forceN'),
            strokeMm: number('strokeMm'),
            strokes: whole('strokes'),
            marksUm: number('scratchUm', 'Marks'),
          }),
        )
        .min(1)
        .max(100)
        .required(),
      steelFactor: number('steelFactor').optional(),
    }),
    output: Joi.object({
      recessionMm: result,
      landMm: Joi.number(),
      marksUm: result,
      steelMm3: result,
      reached: Joi.boolean().required(),
    }),
    run: edgeWork,
  },
  'primary-shaping': {
    title: 'Steel to take off a blade’s end for a flatter primary',
    input: Joi.object({
      thicknessMm: number('thicknessMm'),
      foundDeg: number('bevelDeg', 'Angle found'),
      wantedDeg: number('bevelDeg', 'Angle wanted'),
      landLeftMm: number('landLeftMm').optional(),
    }),
    output: Joi.object({ steelMm2: result }),
    run: primaryShaping,
  },
  'strop-wrap': {
    title: 'How far a strop gives under an edge, and wraps round it',
    input: Joi.object({
      forceN: number('forceN'),
      widthMm: number('widthMm'),
      contactMm: number('stropContactMm'),
      leatherMm: number('stropMm'),
      modulusMPa: number('modulusMPa'),
    }),
    output: Joi.object({ indentMm: result, wrapDeg: result }),
    run: stropWrap,
  },
  'knife-angle': {
    title: 'Bevel a knife is honed at by the height of its spine above the stone',
    input: Joi.object({
      widthMm: number('widthMm', 'Edge to spine'),
      spineThicknessMm: number('spineThicknessMm').optional(),
      liftMm: number('liftMm'),
    }),
    output: Joi.object({ bevelDeg: result }),
    run: ({ liftMm, ...knife }: KnifeBlade & { readonly liftMm: number }) => liftAngle(knife, liftMm),
  },
};
