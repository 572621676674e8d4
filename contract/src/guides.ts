import Joi from 'joi';
import { GUIDE_FORMS, type Guide, type GuideGeometry, type GuideSeat } from '@mellow-anvil/core';
import { line, notes, number, oneOf, related } from './fields.js';

const seat = Joi.object<GuideSeat, true>({
  name: line('Name of the seat', 40),
  registers: oneOf('Registers', ['back', 'underside'] as const),
  heightMm: number('seatHeightMm'),
  minWidthMm: number('widthMm', 'Narrowest blade').optional(),
  maxWidthMm: related(number('widthMm', 'Widest blade'), (widest: number, { minWidthMm }) =>
    typeof minWidthMm === 'number' && widest < minWidthMm
      ? 'The widest blade is no narrower than the narrowest: raise one or lower the other.'
      : undefined,
  ).optional(),
});

export const guideSchema = Joi.object<Guide, true>({
  name: line('Name'),
  form: oneOf('Form', GUIDE_FORMS),
  rollerRadiusMm: number('rollerRadiusMm'),
  noseMm: number('noseMm'),
  rollerDropMm: number('rollerDropMm').optional(),
  camRisesMm: Joi.array().items(number('camRiseMm').optional()).max(8).optional() as never,
  seats: Joi.array().items(seat).min(1).max(8).unique('name').required().messages({
    'array.min': 'A guide holds the blade somewhere: give at least one seat.',
    'array.unique': 'Two seats share a name: give each its own.',
  }) as never,
  notes: notes.optional(),
});

/** One seat's geometry, as the calculations take it. */
export const guideGeometrySchema = Joi.object<GuideGeometry, true>({
  rollerRadiusMm: number('rollerRadiusMm'),
  seatHeightMm: number('seatHeightMm'),
  noseMm: number('noseMm'),
  seat: oneOf('Seat', ['back', 'underside'] as const).optional(),
  rollerDropMm: number('rollerDropMm').optional(),
  camRiseMm: number('camRiseMm').optional(),
}).required();
