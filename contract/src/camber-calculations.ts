import { Joi } from './joi.js';
import {
  boardTracks,
  type BoardTracksInput,
  camber,
  camberReading,
  camberStrokes,
  cornerLeanDeg,
  type LeanInput,
  lightReading,
  profileReading,
  rocker,
} from '@mellow-anvil/core/camber';
import { gougeArc, rodFit, tracedArc } from '@mellow-anvil/core/curve';
import type { Calculation } from './calculation.js';
import { number } from './fields.js';

const result = Joi.number().required();
const words = Joi.string().required();
const measured = Joi.object({ mm: result, pmMm: result }).required();
const placed = Joi.object({
  strokes: Joi.array().items(Joi.number()).required(),
  profile: Joi.array()
    .items(Joi.object({ atMm: result, removedMm: result }))
    .required(),
  deviationMm: result,
  furthestMm: result,
  middleLossMm: result,
});

/** Curves of edges: designed, made, read. */
export const camberCalculations: Readonly<Record<string, Calculation>> = {
  camber: {
    title: 'Arc of an iron for a shaving, and the ridge between passes',
    input: Joi.object({
      widthMm: number('widthMm'),
      bedDeg: number('bedDeg'),
      shavingMm: number('shavingMm'),
      shavingWidthMm: number('shavingWidthMm').optional(),
      passStepMm: number('passStepMm').optional(),
    }),
    output: Joi.object({ radiusMm: result, camberMm: result, cuspMm: result.optional() }),
    run: camber,
  },
  'camber-reading': {
    title: 'Camber an iron has, from a shaving it took',
    input: Joi.object({
      widthMm: number('widthMm'),
      bedDeg: number('bedDeg'),
      shavingMm: number('shavingMm'),
      shavingWidthMm: number('shavingWidthMm'),
      shavingPmMm: number('camberPmMm', 'How sure of the thickness').optional(),
      shavingWidthPmMm: number('camberPmMm', 'How sure of the width').optional(),
    }),
    output: Joi.object({
      radiusMm: result,
      camberMm: result,
      bound: Joi.boolean().required(),
      pmMm: result,
    }),
    run: camberReading,
  },
  'camber-strokes': {
    title: 'Whole strokes by finger position for a camber on a straight edge',
    input: Joi.object({
      widthMm: number('widthMm'),
      camberMm: number('camberMm'),
      positions: Joi.number().valid(3, 5).required().messages({ '*': 'Places: choose 3 or 5.' }),
      landMm: number('landMm'),
      secondaryDeg: number('bevelDeg', 'Secondary angle'),
      removalPerStrokeMm3: number('removalPerStrokeMm3'),
    }),
    output: placed.keys({ nearest: placed.required() }),
    run: camberStrokes,
  },
  rocker: {
    title: 'Turns each knob of a wet-wheel jig is backed off for a camber',
    input: Joi.object({
      widthMm: number('widthMm'),
      camberMm: number('camberMm'),
      knobSpacingMm: number('knobSpacingMm'),
      threadPitchMm: number('threadPitchMm'),
    }),
    output: Joi.object({ turns: result }),
    run: rocker,
  },
  'gouge-arc': {
    title: 'Radius, arc and length of a curved edge, past a half circle too',
    input: Joi.object({ widthMm: number('widthMm', 'Chord'), depthMm: number('depthMm') }),
    output: Joi.object({ radiusMm: result, arcDeg: result, arcMm: result }),
    run: gougeArc,
  },
  'traced-arc': {
    title: 'Depth and radius of a curved edge from heights read on its tracing',
    input: Joi.object({
      widthMm: number('widthMm', 'Chord'),
      heights: Joi.array()
        .items(Joi.object({ atMm: number('alongMm', 'Place'), heightMm: number('depthMm', 'Height') }))
        .min(1)
        .max(100)
        .required(),
    }),
    output: Joi.object({ radiusMm: result, depthMm: result, arcDeg: result, offMm: result }),
    run: tracedArc,
  },
  'corner-lean': {
    title: 'How far a blade is rolled in a narrow-wheeled guide to reach the corners of its curve',
    input: Joi.object({
      widthMm: number('widthMm'),
      camberMm: number('camberMm'),
      bevelDeg: number('bevelDeg'),
    }),
    output: Joi.object({ leanDeg: result }),
    run: (input: LeanInput) => ({ leanDeg: cornerLeanDeg(input) }),
  },
  'edge-profile': {
    title: 'Camber, out of square and lopsidedness of an edge read across with a caliper',
    input: Joi.object({
      widthMm: number('widthMm'),
      points: Joi.array()
        .items(
          Joi.object({
            atMm: number('alongMm', 'Place'),
            outMm: Joi.number().min(-1000).max(1000).required(),
          }),
        )
        .min(3)
        .max(500)
        .required(),
      divisionMm: number('camberPmMm', 'Division').optional(),
    }),
    output: Joi.object({
      camber: measured,
      radiusMm: result.optional(),
      lean: measured,
      lopsided: measured.optional(),
      told: Joi.boolean().required(),
      residualsMm: Joi.array().items(Joi.number()).required(),
      rmsMm: result,
    }),
    run: profileReading,
  },
  'light-reading': {
    title: 'Camber of an edge from light under a straightedge, by feelers',
    input: Joi.object({
      widthMm: number('widthMm'),
      leftMm: number('camberMm', 'Light at the left'),
      rightMm: number('camberMm', 'Light at the right'),
      stepMm: number('camberPmMm', 'From leaf to leaf').optional(),
    }),
    output: Joi.object({ camber: measured, lean: measured, told: Joi.boolean().required() }),
    run: lightReading,
  },
  'board-tracks': {
    title: 'What ridges on a planed board say of the iron',
    input: Joi.object({
      widthMm: number('widthMm'),
      bedDeg: number('bedDeg'),
      leftMm: number('camberPmMm', 'Step at the left'),
      rightMm: number('camberPmMm', 'Step at the right'),
      spacingMm: number('passStepMm', 'Ridge to ridge').optional(),
      lineMm: number('camberPmMm', 'Line inside the pass').optional(),
    }),
    output: Joi.object({
      findings: Joi.array()
        .items(
          Joi.object({
            cause: words,
            says: words,
            cures: Joi.array().items(Joi.string()).required(),
            figure: Joi.number().optional(),
          }),
        )
        .required(),
    }),
    run: (input: BoardTracksInput) => ({ findings: boardTracks(input) }),
  },
  'rod-fit': {
    title: 'Rod that fits a hollow with its paper round it',
    input: Joi.object({ innerRadiusMm: number('innerRadiusMm'), paperMm: number('paperMm').optional() }),
    output: Joi.object({ rodDiameterMm: result }),
    run: rodFit,
  },
};
