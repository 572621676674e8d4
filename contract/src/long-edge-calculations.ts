import { Joi } from './joi.js';
import { type Handles, heldWays } from '@mellow-anvil/core/blade';
import { type FaceAtWork, handlesAtSlab, handlesAtWheel } from '@mellow-anvil/core/grinding';
import { ALONG, type Along, layAlong } from '@mellow-anvil/core/plan';
import type { Calculation } from './calculation.js';
import { number, oneOf, whole } from './fields.js';
import { handlesSchema } from './tools.js';

const result = Joi.number().required();

/** What lies on wheel or stone: the bevel, or else the back. */
const face = {
  face: oneOf('Face', ['bevel', 'back'] as const),
  bevelDeg: Joi.when('face', { is: 'bevel', then: number('bevelDeg'), otherwise: Joi.forbidden() }),
  thicknessMm: Joi.when('face', { is: 'bevel', then: number('thicknessMm'), otherwise: Joi.forbidden() }),
  backMm: Joi.when('face', { is: 'back', then: number('flatBackMm'), otherwise: Joi.forbidden() }),
};

/** The long edges’ own arithmetic, at `POST /api/calc/<name>`. */
export const longEdgeCalculations: Readonly<Record<string, Calculation>> = {
  'held-ways': {
    title: 'Which way up a drawknife keeps the wrists straighter',
    input: Joi.object({
      towardsBevelDeg: number('handleDeg'),
      bevelDeg: number('bevelDeg'),
      forearmDeg: number('forearmDeg').optional(),
    }),
    output: Joi.object({
      ways: Joi.object().unknown().required(),
      straighter: Joi.string().required(),
      byDeg: result,
    }),
    run: ({ bevelDeg, forearmDeg, ...line }: Parameters<typeof heldWays>[0] & HeldAsk) =>
      heldWays(line, bevelDeg, forearmDeg),
  },
  'handles-at-wheel': {
    title: 'Whether a drawknife’s handles foul a wheel, and what its corner or a smaller one would do',
    input: Joi.object({
      handles: handlesSchema.required(),
      ...face,
      wheelRadiusMm: number('wheelRadiusMm'),
      standsOutMm: number('standsOutMm').optional(),
    }),
    output: Joi.object({
      gapMm: result,
      way: Joi.string().required(),
      unreachedMm: result,
      turnDeg: Joi.number(),
      clearsAcrossMm: Joi.number(),
    }),
    run: ({ handles, wheelRadiusMm, standsOutMm, ...of }: WheelAsk) =>
      handlesAtWheel(handles, of, wheelRadiusMm, standsOutMm),
  },
  'handles-at-slab': {
    title: 'Whether a drawknife’s handles foul a flat stone, and how they are kept clear of it',
    input: Joi.object({
      handles: handlesSchema.required(),
      ...face,
      edgeMm: number('widthMm'),
      stoneMm: number('stoneMm'),
    }),
    output: Joi.object({ dropMm: result, way: Joi.string().required(), raiseMm: Joi.number() }),
    run: ({ handles, edgeMm, stoneMm, ...of }: SlabAsk) => handlesAtSlab(handles, of, edgeMm, stoneMm),
  },
  'strokes-along': {
    title: 'Strokes laid along an edge longer than its stone is wide, so that every part gets the same',
    input: Joi.object({
      along: oneOf('Along the edge', ALONG),
      edgeMm: number('widthMm'),
      stoneMm: number('stoneMm'),
      strokes: whole('strokes'),
    }),
    output: Joi.object({ visits: result, strokes: result, overMm: result, sharedMm: result }),
    run: ({ along, ...of }: Parameters<typeof layAlong>[1] & { readonly along: Along }) =>
      layAlong(along, of),
  },
};

interface HeldAsk {
  readonly bevelDeg: number;
  readonly forearmDeg?: number;
}
type WheelAsk = FaceAtWork & {
  readonly handles: Handles;
  readonly wheelRadiusMm: number;
  readonly standsOutMm?: number;
};
type SlabAsk = FaceAtWork & {
  readonly handles: Handles;
  readonly edgeMm: number;
  readonly stoneMm: number;
};
