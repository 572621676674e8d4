import { abrasives } from '../abrasives/abrasives.js';
import { cares } from '../abrasives/cares.js';
import { boards } from '../boards/boards.js';
import { guides } from '../guides/guides.js';
import { plans } from '../plans/plans.js';
import { sessions } from '../sessions/sessions.js';
import { settings } from '../settings/settings.js';
import { tools } from '../tools/tools.js';
import type { Kind, KindName, Reference } from './kind.js';

/** Every kind of stored thing, those named by others first. */
export const KINDS = [
  settings,
  tools,
  guides,
  boards,
  abrasives,
  cares,
  plans,
  sessions,
] as readonly unknown[] as readonly Kind<object>[];

/** Kinds whose rows name one of this kind and are removed with it. */
export const dependentsOn = (
  name: KindName,
): readonly { readonly kind: Kind<object>; readonly column: Reference['column'] }[] =>
  KINDS.flatMap((kind) =>
    (kind.references ?? []).flatMap(({ column, to }) => (to === name ? [{ kind, column }] : [])),
  );

export const kindNamed = (name: KindName): Kind<object> =>
  KINDS.find((kind) => kind.name === name) as Kind<object>;
