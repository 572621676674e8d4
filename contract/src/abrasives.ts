import { Joi } from './joi.js';
import { shape } from './shape.js';
import {
  type Abrasive,
  ABRASIVE_KIND_NAMES,
  type AbrasiveKind,
  type Between,
  type Grade,
  grit,
  GRIT_STANDARDS,
  isWheel,
  kindFacts,
  LUBRICANTS,
  type Sheets,
  STROP_FACES,
  type StropFace,
  type Wheel,
  type WheelReading,
} from '@mellow-anvil/core/abrasive';
import { attempt, Refusal } from '@mellow-anvil/core/base';
import { EDGE_SHAPES, type EdgeShape } from '@mellow-anvil/core/blade';
import { atField, day, id, instant, line, notes, number, oneOf, related, whole } from './fields.js';

/** A grade that its standard knows. */
export const gradeSchema = shape<Grade>({
  standard: oneOf('Grading', GRIT_STANDARDS),
  grade: related(line('Grade', 20), (grade: string, { standard }) => {
    if (!GRIT_STANDARDS.includes(standard as Grade['standard'])) return undefined;
    const result = attempt(() => {
      grit({ standard: standard as Grade['standard'], grade });
      return undefined;
    });
    return result instanceof Refusal ? result.message : result;
  }),
}).required();

const lubricant = Joi.alternatives().conditional('kind', {
  switch: [
    {
      is: 'water-stone',
      then: oneOf('Lubricant', ['water', 'dry'] as const).messages({
        'any.only': 'Oil ruins a water stone for good, and it takes no compound: choose water.',
      }),
    },
  ],
  otherwise: oneOf('Lubricant', LUBRICANTS),
});

const reading = shape<WheelReading>({
  on: day,
  diameterMm: number('wheelDiameterMm'),
  dressed: Joi.boolean().optional(),
});

const wheel = shape<Wheel>({
  widthMm: number('wheelWidthMm').optional(),
  rpm: number('rpm').optional(),
  readings: Joi.array().items(reading).max(1000).required(),
});

const sheets = shape<Sheets>({
  plate: line('Plate', 60).optional(),
  face: oneOf('Face', ['upper', 'lower'] as const).optional(),
  pieces: whole('sheetPieces').optional(),
  usesEach: whole('usesEach'),
  costEach: number('cost', 'Cost of a sheet').optional(),
  counted: Joi.object({ on: day, count: whole('sheetCount', 'Sheets on the shelf') }).optional(),
});

const strop = shape<StropFace>({
  face: oneOf('Face of the strop', STROP_FACES),
  thicknessMm: number('stropMm').optional(),
  compound: line('Compound', 60).optional(),
});

/** What only some kinds have: a field, whether a kind has it, and the sentence when it has not. */
const FOREIGN: readonly (readonly [keyof Abrasive, (kind: AbrasiveKind) => boolean, string])[] = [
  ['wheel', (kind) => isWheel({ kind }), 'Only a grinding wheel has these figures: leave them out.'],
  [
    'sheets',
    (kind) => kindFacts(kind).upkeep === 'sheet',
    'Only film and paper are used up by the sheet: leave this out.',
  ],
  [
    'strop',
    (kind) => kindFacts(kind).upkeep === 'charge',
    'Only a strop has a face like this: leave it out.',
  ],
];

/** A set as stones name it. */
export const setNameSchema = line('Name of the set', 40);

export const abrasiveSchema = shape<Abrasive>({
  name: line('Name'),
  kind: oneOf('Kind', ABRASIVE_KIND_NAMES),
  grade: gradeSchema,
  lubricant: lubricant,
  strokeMm: number('strokeMm'),
  overheadMin: number('overheadMin'),
  forceN: number('forceN').optional(),
  removalMm3PerNm: number('removalMm3PerNm').optional(),
  scratchUm: number('scratchUm').optional(),
  wheel: wheel.optional(),
  lengthMm: number('stoneMm', 'Length of the face').optional(),
  widthMm: number('stoneMm', 'Width of the face').optional(),
  radiusMm: number('stoneRadiusMm').optional(),
  serves: Joi.array<EdgeShape[]>()
    .items(oneOf('Shape of edge', EDGE_SHAPES).optional())
    .max(EDGE_SHAPES.length)
    .unique()
    .optional(),
  sets: Joi.array()
    .items(setNameSchema.optional())
    .max(20)
    .unique()
    .optional()
    .messages({ 'array.unique': 'A set stands here twice: name it once.' }),
  between: shape<Between>({ coarserId: id.optional(), finerId: id.optional() })
    .or('coarserId', 'finerId')
    .messages({ 'object.missing': 'Name the stone it is finer than, the one it is coarser than, or both.' })
    .optional(),
  sheets: sheets.optional(),
  strop: strop.optional(),
  learnFrom: instant.optional(),
  notes: notes.optional(),
})
  .custom((abrasive: Abrasive, helpers) => {
    const foreign = FOREIGN.find(([field, has]) => abrasive[field] !== undefined && !has(abrasive.kind));
    return foreign
      ? helpers.error('field.foreign', { sentence: foreign[2] }, atField(helpers.state, foreign[0], abrasive))
      : abrasive;
  })
  .messages({ 'field.foreign': '{#sentence}' });
