import { abrasives } from './features/abrasives/abrasives.js';
import { cares } from './features/abrasives/cares.js';
import { boards } from './features/boards/boards.js';
import { guides } from './features/guides/guides.js';
import { plans } from './features/plans/plans.js';
import { sessions } from './features/sessions/sessions.js';
import { settings } from './features/settings/settings.js';
import { tools } from './features/tools/tools.js';
import { kindsOf } from './storage/kinds.js';

/** Every kind of stored thing, those named by others first. */
export const KINDS = kindsOf([settings, tools, guides, boards, abrasives, cares, plans, sessions]);
