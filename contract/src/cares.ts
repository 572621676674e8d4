import { shape } from './shape.js';
import { type Care, CARE_KINDS } from '@mellow-anvil/core/abrasive';
import { atField, id, instant, line, notes, number, oneOf } from './fields.js';

/** One entry in an abrasive’s own record. */
export const careSchema = shape<Care>({
  abrasiveId: id,
  kind: oneOf('Care', CARE_KINDS),
  at: instant,
  who: line('Who', 60).optional(),
  minutes: number('minutes').optional(),
  hollowUm: number('hollowUm').optional(),
  notes: notes.optional(),
})
  .custom((care: Care, helpers) => {
    const state = atField(helpers.state, 'hollowUm', care);
    if (care.kind === 'straightedge' && care.hollowUm === undefined)
      return helpers.error('hollow.needed', {}, state);
    return care.kind !== 'straightedge' && care.hollowUm !== undefined
      ? helpers.error('hollow.foreign', {}, state)
      : care;
  })
  .messages({
    'hollow.needed': 'Say how deep the hollow under the straightedge is, by a feeler or by eye, in mm.',
    'hollow.foreign': 'Only a look with the straightedge has a depth: leave it out.',
  });
