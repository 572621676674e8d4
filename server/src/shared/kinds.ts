import { abrasives } from '../abrasives/abrasives.js';
import { cares } from '../abrasives/cares.js';
import { boards } from '../boards/boards.js';
import { guides } from '../guides/guides.js';
import { plans } from '../plans/plans.js';
import { sessions } from '../sessions/sessions.js';
import { settings } from '../settings/settings.js';
import { tools } from '../tools/tools.js';
import type { Kind, KindName } from './kind.js';

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

export const kindNamed = (name: KindName): Kind<object> =>
  KINDS.find((kind) => kind.name === name) as Kind<object>;
