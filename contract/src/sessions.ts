import { Joi } from './joi.js';
import { shape } from './shape.js';
import { CAMBER_READ_BY, type CamberRead } from '@mellow-anvil/core/camber';
import type { SessionSetting, StopUsed } from '@mellow-anvil/core/guide';
import {
  BURRS,
  type Chips,
  type Felt,
  type HollowedIn,
  type Outcome,
  PROOFS,
  type Session,
  SESSION_KINDS,
  type SessionStep,
  STEERS,
  type Use,
} from '@mellow-anvil/core/record';
import { BURR_PLACES } from '@mellow-anvil/core/run';
import { FACETS } from '@mellow-anvil/core/work';
import { atField, id, instant, line, notes, number, oneOf, whole } from './fields.js';
import { conditionSchema } from './plans.js';

export const settingSchema = shape<SessionSetting>({
  guideId: id.optional(),
  seatName: line('Seat', 40).optional(),
  angleDeg: number('angleDeg'),
  rightDeg: number('angleDeg', 'Right side').optional(),
  projectionMm: number('projectionMm').optional(),
  stop: shape<StopUsed>({
    boardId: id,
    board: line('Board'),
    label: line('Stop', 6),
  }).optional(),
});

/** Strokes by place across an edge: three or five places, left to right. */
export const placesSchema = Joi.array()
  .items(whole('strokes').optional())
  .min(3)
  .max(5)
  .custom((places: readonly number[], helpers) =>
    places.length === 3 || places.length === 5 ? places : helpers.error('places.count'),
  )
  .messages({ 'places.count': 'Strokes by place come in threes or fives, left to right.' });

const camberRead = shape<CamberRead>({
  by: oneOf('Read by', CAMBER_READ_BY),
  camberMm: number('camberReadMm'),
  pmMm: number('camberPmMm'),
  leanMm: number('leanMm').optional(),
  atMost: Joi.boolean().optional(),
});

const step = shape<SessionStep>({
  abrasiveId: id,
  strokes: whole('strokes'),
  minutes: number('minutes'),
  forceN: number('forceN').optional(),
  bothWays: Joi.boolean().optional(),
  noBurrAt: whole('strokes').optional(),
  recessionMm: number('recessionMm').optional(),
  places: placesSchema.optional(),
  facet: oneOf('Face', FACETS).optional(),
})
  .custom((each: SessionStep, helpers) => {
    const placed = each.places?.reduce((sum, count) => sum + count, 0) ?? each.strokes;
    return placed === each.strokes ? each : helpers.error('places.sum', { placed, strokes: each.strokes });
  })
  .messages({
    'places.sum': 'Strokes by place add up to {#placed}, not to {#strokes}: correct one of them.',
  });

const felt = shape<Felt>({
  bites: Joi.boolean().optional(),
  holds: Joi.boolean().optional(),
  steers: oneOf('Steers', STEERS).optional(),
});

export const useSchema = shape<Use>({
  felt: felt.optional(),
  minutes: number('minutes').optional(),
  metresPlaned: number('metresPlaned').optional(),
  mortises: whole('mortises').optional(),
  wood: line('Wood', 60).optional(),
  stillCutting: Joi.boolean().optional(),
});

export const chipsSchema = shape<Chips>({
  count: whole('chips'),
  deepestMm: number('nickMm').optional(),
});

const outcome = shape<Outcome>({
  burr: oneOf('Burr', BURRS).optional(),
  lagged: Joi.array()
    .items(
      Joi.number()
        .integer()
        .min(0)
        .max(BURR_PLACES - 1)
        .optional(),
    )
    .unique()
    .max(BURR_PLACES)
    .messages({ '*': 'Places along an edge are counted 0 to 4 from the left, each once.' })
    .optional(),
  proof: Joi.array()
    .items(
      Joi.object({
        test: oneOf('Test', PROOFS),
        passed: Joi.boolean().required(),
        thickMm: number('shavingMm').optional(),
        wideMm: number('shavingWidthMm').optional(),
        newtons: number('newtons').optional(),
        grams: number('grams').optional(),
      }),
    )
    .max(20)
    .optional(),
  word: line('Word', 200).optional(),
});

export const sessionSchema = shape<Session>({
  toolId: id,
  kind: oneOf('Kind', SESSION_KINDS),
  startedAt: instant,
  minutes: number('minutes').optional(),
  who: line('Who', 60).optional(),
  conditionBefore: conditionSchema.optional(),
  landMm: number('landMm').optional(),
  landLeftMm: number('landMm', 'Land left').optional(),
  camber: camberRead.optional(),
  hollowedBack: shape<HollowedIn>({ rimMm: number('edgeRimMm'), depthMm: number('hollowDeepMm') }).optional(),
  setting: settingSchema.optional(),
  steps: Joi.array().items(step).max(100).optional(),
  use: useSchema.optional(),
  chips: chipsSchema.optional(),
  outcome: outcome.optional(),
  notes: notes.optional(),
})
  .custom((session: Session, helpers) =>
    session.kind === 'measuring' && session.landMm === undefined && session.camber === undefined
      ? helpers.error('land.needed', {}, atField(helpers.state, 'landMm', session))
      : session,
  )
  .messages({ 'land.needed': 'Say how wide the land measures, in mm, or how the edge is curved.' });
