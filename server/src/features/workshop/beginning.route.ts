import { randomUUID } from 'node:crypto';
import { ROUTES } from '@mellow-anvil/contract';
import { serving, type Served } from '../../platform/serve.js';
import type { Commands, RowChange } from '../../storage/commands.js';
import type { Kind } from '../../storage/kind.js';
import { newRow } from '../../storage/store.js';
import { abrasives } from '../abrasives/index.js';
import { guides } from '../guides/index.js';
import { tools } from '../tools/index.js';

/** What a new workshop begins with, in one change: all of it or nothing, and one undo takes it back. */
export const beginningRoute = (commands: Commands): Served =>
  serving(ROUTES.begin, async ({ body }) => {
    const begun = added(tools, body.tools);
    await commands.perform('Begin the workshop', () =>
      Promise.resolve([...begun, ...added(guides, body.guides), ...added(abrasives, body.abrasives)]),
    );
    return { toolIds: begun.map(({ after }) => after.id) };
  });

const added = <T extends object>(kind: Kind<T>, things: readonly T[]): readonly RowChange[] =>
  things.map((thing) => ({ kind: kind.name, before: null, after: newRow(kind, thing, randomUUID()) }));
