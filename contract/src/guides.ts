import { Joi, type ObjectSchema } from './joi.js';
import { shape } from './shape.js';
import {
  type Guide,
  GUIDE_FORMS,
  type GuideForm,
  type GuideGeometry,
  type GuideReading,
  type GuideSeat,
  ROLLER_FORMS,
  type SeatReadings,
} from '@mellow-anvil/core/guide';
import { atField, id, line, notes, number, oneOf, related } from './fields.js';

export const readingsSchema = Joi.array()
  .items(
    shape<GuideReading>({
      projectionMm: number('projectionMm'),
      angleDeg: number('angleDeg'),
    }),
  )
  .min(2)
  .max(40)
  .required()
  .messages({ 'array.min': 'Measure two settings at least, at two different angles.' });

const measured = shape<SeatReadings>({
  readings: readingsSchema,
  divisionDeg: number('divisionDeg'),
  shakeDeg: number('shakeDeg').optional(),
  thicknessMm: number('thicknessMm', 'Thickness of the measured blade').optional(),
});

const seat = shape<GuideSeat>({
  name: line('Name of the seat', 40),
  registers: oneOf('Registers', ['back', 'underside'] as const),
  heightMm: number('seatHeightMm'),
  noseMm: number('noseMm').optional(),
  minWidthMm: number('widthMm', 'Narrowest blade').optional(),
  maxWidthMm: related(number('widthMm', 'Widest blade'), (widest: number, { minWidthMm }) =>
    typeof minWidthMm === 'number' && widest < minWidthMm
      ? 'The widest blade is no narrower than the narrowest: raise one or lower the other.'
      : undefined,
  ).optional(),
  measured: measured.optional(),
});

/** What each form of guide is described by, beside its name: needed, and possible. */
const ROLLER = { needed: ['rollerRadiusMm', 'noseMm', 'seats'], possible: ['rollerDropMm', 'camRisesMm'] };
const FIGURES: Readonly<
  Record<GuideForm, { readonly needed: readonly string[]; readonly possible: readonly string[] }>
> = {
  ...(Object.fromEntries(ROLLER_FORMS.map((form) => [form, ROLLER])) as Record<
    (typeof ROLLER_FORMS)[number],
    typeof ROLLER
  >),
  'pair-jig': { needed: ['fixedDeg'], possible: [] },
  'wet-wheel-jig': {
    needed: ['wheelRadiusMm', 'jigProjectionMm', 'offsetMm'],
    possible: ['wheelId', 'barDiameterMm'],
  },
  freehand: { needed: [], possible: [] },
};
const ALL_FIGURES = [
  ...new Set(Object.values(FIGURES).flatMap(({ needed, possible }) => [...needed, ...possible])),
];

const anyForm = Joi.object<Record<string, unknown>>({
  name: line('Name'),
  form: oneOf('Form', GUIDE_FORMS),
  rollerRadiusMm: number('rollerRadiusMm').optional(),
  noseMm: number('noseMm').optional(),
  rollerDropMm: number('rollerDropMm').optional(),
  camRisesMm: Joi.array().items(number('camRiseMm').optional()).max(8).optional(),
  seats: Joi.array().items(seat).min(1).max(8).unique('name').optional().messages({
    'array.min': 'A guide holds the blade somewhere: give at least one seat.',
    'array.unique': 'Two seats share a name: give each its own.',
  }),
  fixedDeg: number('angleDeg', 'The jig’s angle').optional(),
  wheelRadiusMm: number('wheelRadiusMm').optional(),
  jigProjectionMm: number('jigProjectionMm').optional(),
  offsetMm: number('barOffsetMm').optional(),
  wheelId: id.optional(),
  barDiameterMm: number('barDiameterMm').optional(),
  notes: notes.optional(),
});

/** A guide of any form; the figures of its own form and no others, each told at its own field. */
export const guideSchema = ALL_FIGURES.reduce(
  (schema, field) =>
    schema.custom((guide: Record<string, unknown>, helpers) => {
      const figures = FIGURES[guide['form'] as GuideForm] as (typeof FIGURES)[GuideForm] | undefined;
      if (!figures) return guide;
      const given = guide[field] !== undefined;
      const where = atField(helpers.state, field, guide);
      if (!given && figures.needed.includes(field)) return helpers.error('guide.needed', {}, where);
      return given && !figures.needed.includes(field) && !figures.possible.includes(field)
        ? helpers.error('guide.foreign', {}, where)
        : guide;
    }),
  anyForm,
).messages({
  'guide.needed': 'A guide of this form needs this figure: measure it and give it.',
  'guide.foreign': 'A guide of this form has no such figure: leave it out.',
}) as unknown as ObjectSchema<Guide>;

/** One seat's geometry, as the calculations take it. */
export const guideGeometrySchema = shape<GuideGeometry>({
  rollerRadiusMm: number('rollerRadiusMm'),
  seatHeightMm: number('seatHeightMm'),
  noseMm: number('noseMm'),
  seat: oneOf('Seat', ['back', 'underside'] as const).optional(),
  rollerDropMm: number('rollerDropMm').optional(),
  camRiseMm: number('camRiseMm').optional(),
}).required();
