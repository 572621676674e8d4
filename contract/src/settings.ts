import { Joi } from './joi.js';
import { shape } from './shape.js';
import type { Packing } from '@mellow-anvil/core/guide';
import type { PrinterBars, Settings } from '@mellow-anvil/core/workshop';
import { line, number, oneOf, whole } from './fields.js';

export const packingSchema = Joi.array()
  .items(
    shape<Packing>({
      name: line('Name of the piece', 40),
      thicknessMm: number('packingMm'),
      count: whole('packingCount'),
    }),
  )
  .max(20)
  .unique('name')
  .messages({ 'array.unique': 'Two kinds of piece share a name: give each its own.' });

export const settingsSchema = shape<Settings>({
  name: line('Name of the workshop'),
  units: oneOf('Units', ['mm', 'inch'] as const),
  decimalMark: oneOf('Decimal mark', ['point', 'comma'] as const),
  packing: packingSchema.optional(),
  printer: shape<PrinterBars>({
    acrossMm: number('printedBarMm', 'Bar across, as printed'),
    upMm: number('printedBarMm', 'Bar upright, as printed'),
  }).optional(),
  lateCosts: number('lateCosts').optional(),
});
