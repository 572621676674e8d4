import type { SizedAbrasive } from '../abrasive/placing.js';
import { remembered } from '../base/remembered.js';
import type { Tool } from '../blade/tool.js';
import type { Facet } from '../work/facet.js';
import { takenMm3 } from '../work/worked.js';
import type { Session, SessionStep } from './session.js';
import { itemOf } from './step-work.js';

/** Faces whose steel is not the edge’s. */
const BEHIND: readonly (Facet | undefined)[] = ['back', 'body', 'inside'];

/** A step and the steel it took at the edge, at the rates its stones are taken at, mm³. */
export interface Taken {
  readonly step: SessionStep;
  readonly mm3: number;
}

/** What a session’s steps took at the edge; strops, and faces behind it, are left out. */
export const takenBy = (
  tool: Tool,
  session: Pick<Session, 'steps' | 'setting'>,
  bench: ReadonlyMap<string, SizedAbrasive>,
): readonly Taken[] => takenOn(bench)(tool)(session);

/** A record is read off from its beginning after every honing. */
const takenOn = remembered((bench: ReadonlyMap<string, SizedAbrasive>) =>
  remembered((tool: Tool) =>
    remembered(({ steps = [], setting }: Pick<Session, 'steps' | 'setting'>): readonly Taken[] =>
      steps.flatMap((step): readonly Taken[] => {
        const item = itemOf(tool, step, setting, bench);
        return item && !item.strop && !BEHIND.includes(item.facet) ? [{ step, mm3: takenMm3(item) }] : [];
      }),
    ),
  ),
);
