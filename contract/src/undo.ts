import { Joi } from './joi.js';
import { shape } from './shape.js';

/** A change people can take back, as the page lists it. */
export interface CommandSummary {
  readonly id: number;
  readonly label: string;
  readonly createdAt: string;
}

/** What can be undone and redone, the next one first, and how far back that goes. */
export interface CommandList {
  readonly undo: readonly CommandSummary[];
  readonly redo: readonly CommandSummary[];
  /** The most commands that are kept, and the most bytes they hold together; the newest always is. */
  readonly kept: { readonly commands: number; readonly bytes: number };
}

export const commandSummarySchema = shape<CommandSummary>({
  id: Joi.number().integer().required(),
  label: Joi.string().required(),
  createdAt: Joi.string().required(),
});

export const commandListSchema = shape<CommandList>({
  undo: Joi.array().items(commandSummarySchema).required(),
  redo: Joi.array().items(commandSummarySchema).required(),
  kept: shape<CommandList['kept']>({
    commands: Joi.number().required(),
    bytes: Joi.number().required(),
  }).required(),
});

/** Which change is to be taken back or done again: the one the page saw, so that nothing else is. */
export const whichCommandSchema = shape<{ readonly id: number }>({
  id: Joi.number().integer().min(1).required().messages({ '*': 'Name the change by its id.' }),
}).required();
