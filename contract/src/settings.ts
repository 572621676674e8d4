import { Joi } from './joi.js';
import type { Packing } from '@mellow-anvil/core/guide';
import type { PrinterBars, Settings } from '@mellow-anvil/core/workshop';
import { line, number, oneOf, whole } from './fields.js';

export const packingSchema = Joi.array()
  .items(
    Joi.object<Packing, true>({
      name: line('Name of the piece', 40),
      thicknessMm: number('packingMm'),
      count: whole('packingCount'),
    }),
  )
  .max(20)
  .unique('name')
  .messages({ 'array.unique': 'Two kinds of piece share a name: give each its own.' });

export const settingsSchema = Joi.object<Settings, true>({
  name: line('Name of the workshop'),
  units: oneOf('Units', ['mm', 'inch'] as const),
  decimalMark: oneOf('Decimal mark', ['point', 'comma'] as const),
  packing: packingSchema.optional() as never,
  printer: Joi.object<PrinterBars, true>({
    acrossMm: number('printedBarMm', 'Bar across, as printed'),
    upMm: number('printedBarMm', 'Bar upright, as printed'),
  }).optional() as never,
});
