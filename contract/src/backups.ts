import { Joi } from './joi.js';
import { oneOf } from './fields.js';
import { shape } from './shape.js';

/** A copy of the database in `backups/`. */
export interface Backup {
  readonly name: string;
  readonly madeAt: string;
  readonly bytes: number;
  /** Made on the schedule or by hand, before a restore, or before a migration. */
  readonly because: 'regular' | 'before-restore' | 'before-migration';
}

/** The backups there are, and how the workshop's own file stands. */
export interface BackupList {
  readonly folder: string;
  readonly backups: readonly Backup[];
  /** What the last start found that the user should know, in sentences. */
  readonly told: readonly string[];
  /** Why the last one could not be made, or that none was for too long, in words. */
  readonly trouble?: string;
  /** Why the workshop's file is not used as it is; `readable` when it can be all the same. */
  readonly damage?: { readonly why: string; readonly readable: boolean };
}

/** What became of what was there before a restore: a backup's name, or the folder damaged files lie in. */
export type Restored = { readonly before: string } | { readonly aside: string };

/** Which backup is to be put back. */
export const backupNameSchema = Joi.object<{ name: string }>({
  name: Joi.string().max(100).required().messages({ '*': 'Name the backup, as the list has it.' }),
}).required();

const BECAUSE = ['regular', 'before-restore', 'before-migration'] as const;

export const backupSchema = shape<Backup>({
  name: Joi.string().required(),
  madeAt: Joi.string().required(),
  bytes: Joi.number().required(),
  because: oneOf('Because', BECAUSE),
});

export const backupListSchema = shape<BackupList>({
  folder: Joi.string().required(),
  backups: Joi.array().items(backupSchema).required(),
  told: Joi.array().items(Joi.string()).required(),
  trouble: Joi.string().optional(),
  damage: shape<NonNullable<BackupList['damage']>>({
    why: Joi.string().required(),
    readable: Joi.boolean().required(),
  }).optional(),
});

export const restoredSchema = Joi.object<Restored>({ before: Joi.string(), aside: Joi.string() }).xor(
  'before',
  'aside',
);
