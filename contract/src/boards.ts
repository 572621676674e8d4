import { Joi, type ArraySchema, type ObjectSchema, type StrictSchemaMap } from './joi.js';
import { shape } from './shape.js';
import {
  type BoardAsked,
  type BoardRevision,
  type BoardSizes,
  type BoardStop,
  MOST_STOPS,
  type SettingBoard,
  type StopAsked,
} from '@mellow-anvil/core/guide';
import { day, id, line, number, whole } from './fields.js';

const sizes: StrictSchemaMap<BoardSizes> = {
  lengthMm: number('boardLengthMm'),
  depthMm: number('boardDepthMm'),
  thicknessMm: number('boardThicknessMm'),
  stopWidthMm: number('stopWidthMm'),
  stopDepthMm: number('stopDepthMm'),
  stopHeightMm: number('stopHeightMm'),
  bladeWidthMm: number('bladeWidthMm'),
};

const asked = {
  name: line('Name'),
  guideId: id,
  seatName: line('Seat', 40),
  camRiseMm: number('camRiseMm').optional(),
  bladeThicknessMm: number('thicknessMm', 'Thickness of the blade').optional(),
  ...sizes,
};

const label = line('Letter', 6);
const stopAsked = shape<StopAsked>({
  label,
  angleDeg: number('angleDeg'),
  alongMm: number('alongMm').optional(),
});
const stop = shape<BoardStop>({
  label,
  angleDeg: number('angleDeg'),
  alongMm: number('alongMm'),
  projectionMm: number('projectionMm'),
});

const stopList = (schema: ObjectSchema): ArraySchema =>
  Joi.array()
    .items(schema)
    .min(1)
    .max(MOST_STOPS)
    .unique('label')
    .required()
    .messages({
      'array.min': 'A setting board holds at least one stop: give an angle.',
      'array.max': `One board holds at most ${MOST_STOPS} stops: put the rest on a second board.`,
      'array.unique': 'Two stops share a letter: give each its own.',
    });

/** What a person sends to have a board: the server cuts its stops by the guide. */
export interface BoardDraft extends BoardAsked {
  /** Cut every stop anew, by the guide as it measures now. */
  readonly again?: boolean;
}

export const boardDraftSchema = shape<BoardDraft>({
  ...asked,
  stops: stopList(stopAsked),
  again: Joi.boolean().optional(),
});

const revision = shape<BoardRevision>({
  revision: whole('revision'),
  cutOn: day,
  stops: stopList(stop),
});

/** A board whole, as it stands in the open file. */
export const boardSchema = shape<SettingBoard>({
  ...asked,
  stops: stopList(stop),
  revision: whole('revision'),
  cutOn: day,
  earlier: Joi.array().items(revision).max(50).required(),
});
