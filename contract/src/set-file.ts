import type { Abrasive, OwnedAbrasive } from '@mellow-anvil/core/abrasive';
import { abrasiveSchema, setNameSchema } from './abrasives.js';
import { id } from './fields.js';
import { Joi } from './joi.js';
import { shape, withFields } from './shape.js';

/** A set of stones as one open JSON file. */
export interface SetFile {
  readonly format: 'mellow-anvil-set';
  readonly version: 1;
  readonly name: string;
  readonly abrasives: readonly OwnedAbrasive[];
}

const setName = setNameSchema
  .optional()
  .messages({ '*': 'Name the set in 1 to 40 characters on one line, or leave it out for the whole bench.' });

/** Which set is asked for; the whole bench unless said. */
export const whichSetSchema = Joi.object<{ readonly set?: string }>({ set: setName });

const head = {
  format: Joi.valid('mellow-anvil-set')
    .required()
    .messages({ '*': 'This is not a set file: its “format” is not “mellow-anvil-set”.' }),
  version: Joi.valid(1).required().messages({ '*': 'This release reads set files of version 1.' }),
  name: Joi.string().max(80).required(),
};

/** A set file as it is handed out. */
export const setFileSchema = Joi.object<SetFile>({
  ...head,
  abrasives: Joi.array()
    .items(withFields<Abrasive, { readonly id: string }>(abrasiveSchema, { id }))
    .required(),
});

/** What is sent to be taken in: a set file, or a table as text, and the set it is to become. */
export const setImportSchema = Joi.object<{
  readonly set?: string;
  readonly csv?: string;
  readonly file?: { readonly name: string; readonly abrasives: readonly object[] };
}>({
  set: setName,
  csv: Joi.string()
    .max(200_000)
    .messages({ '*': 'The table is empty or too long: send at most 200,000 characters.' }),
  // Each stone is looked at on its own, so that what is wrong is told of its row.
  file: Joi.object({ ...head, abrasives: Joi.array().items(Joi.object().unknown()).max(500).required() }),
})
  .xor('csv', 'file')
  .messages({ 'object.missing': 'Send a table as “csv” or a set as “file”.' });

/** How many stones a set brought, and how many it changed. */
export interface SetTaken {
  readonly added: number;
  readonly changed: number;
}

export const setTakenSchema = shape<SetTaken>({
  added: Joi.number().required(),
  changed: Joi.number().required(),
});
