import { Joi, type ObjectSchema, type Schema } from './joi.js';
import { parseNumber, unlessRefused } from '@mellow-anvil/core/base';
import { MOST_NOTCHES } from '@mellow-anvil/core/pattern';
import type { PrinterBars } from '@mellow-anvil/core/workshop';
import { RANGES, number, oneOf, type RangeName } from './fields.js';

export const PAPERS = ['a4', 'letter'] as const;
export type Paper = (typeof PAPERS)[number];

/** What a pattern is handed out as. */
export const PATTERN_FORMS = ['pdf', 'svg', 'dxf', 'stl'] as const;
export type PatternForm = (typeof PATTERN_FORMS)[number];

/** How a page is printed; without the bars, the settings' own. */
export interface PrintQuery extends Partial<PrinterBars> {
  readonly paper: Paper;
}

const print = {
  paper: oneOf('Paper', PAPERS).optional().default('a4'),
  acrossMm: number('printedBarMm', 'Bar across, as printed').optional(),
  upMm: number('printedBarMm', 'Bar upright, as printed').optional(),
};
export const printQuerySchema = Joi.object<PrintQuery>(print);

/** Angles in an address: `20,25,32.5`. */
function angles(range: RangeName): Schema<readonly number[]> {
  const { min, max } = RANGES[range];
  return Joi.string()
    .max(400)
    .required()
    .custom((text: string, helpers) => {
      const given = text.split(',').map((part) => unlessRefused(() => parseNumber(part.trim(), 'anglesDeg')));
      if (given.length > MOST_NOTCHES) return helpers.error('angles.many');
      return given.every((deg) => deg !== undefined && deg >= min && deg <= max)
        ? given
        : helpers.error('angles.base');
    })
    .messages({
      'angles.base': `Give angles from ${min}° to ${max}°, with commas between: 20,25,30.`,
      'angles.many': `Give at most ${MOST_NOTCHES} angles: print the rest on a second sheet.`,
      'any.required': 'Say which angles, with commas between: anglesDeg=20,25,30.',
      'string.empty': 'Say which angles, with commas between: 20,25,30.',
    }) as unknown as Schema<readonly number[]>;
}

/** The query of each pattern that is worked out on the spot, beside how it is printed. */
export const patternQueries = {
  'bevel-gauge': Joi.object({
    ...print,
    anglesDeg: angles('includedNotchDeg'),
    notchMm: number('notchMm').optional().default(14),
    thicknessMm: number('plateMm').optional().default(2),
  }),
  'rest-template': Joi.object({
    ...print,
    wheelRadiusMm: number('wheelRadiusMm'),
    thicknessMm: number('thicknessMm'),
    bevelDeg: number('bevelDeg'),
    plateMm: number('plateMm').optional().default(6),
  }),
  'gauge-block': Joi.object({
    ...print,
    wheelRadiusMm: number('wheelRadiusMm'),
    jigProjectionMm: number('jigProjectionMm'),
    offsetMm: number('barOffsetMm'),
    barDiameterMm: number('barDiameterMm'),
    anglesDeg: angles('angleDeg'),
    thicknessMm: number('plateMm').optional().default(12),
  }),
  'camber-template': Joi.object({
    ...print,
    widthMm: number('widthMm'),
    radiusMm: number('frontRadiusMm'),
    plateMm: number('plateMm').optional().default(3),
  }),
  'gouge-strop': Joi.object({
    ...print,
    widthMm: number('widthMm'),
    depthMm: number('depthMm'),
    wallMm: number('thicknessMm', 'Thickness of the wall'),
    leatherMm: number('leatherMm').optional().default(2),
    lengthMm: number('blockMm').optional().default(120),
  }),
  'v-strop': Joi.object({
    ...print,
    wingMm: number('wingMm'),
    openingDeg: number('openingDeg'),
    keelRadiusMm: number('keelRadiusMm'),
    leatherMm: number('leatherMm').optional().default(2),
    lengthMm: number('blockMm').optional().default(120),
  }),
  'folding-sheet': Joi.object({
    ...print,
    angleDeg: number('angleDeg'),
    sideMm: number('sheetMm').optional().default(120),
  }),
} as const satisfies Record<string, ObjectSchema>;

export type PatternName = keyof typeof patternQueries;
