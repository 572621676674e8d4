import {
  boardDraftSchema,
  careSchema,
  planDraftSchema,
  sessionSchema,
  type BoardDraft,
  type PlanDraft,
} from '@mellow-anvil/contract';
import { type Abrasive, type Care, caresOf, kindFacts } from '@mellow-anvil/core/abrasive';
import type { Tool } from '@mellow-anvil/core/blade';
import { type Guide, isRoller, makeBoard, type SettingBoard } from '@mellow-anvil/core/guide';
import { asItStands, type Session } from '@mellow-anvil/core/record';
import type { Plan } from '@mellow-anvil/core/workshop';
import { figured } from '../workers/workers.js';
import type { Reckoner } from '../records/reckoner.js';
import { HttpProblem, invalid } from './problem.js';
import type { Drafted } from './resource.routes.js';
import type { Store } from './store.js';

/**
 * A plan is asked for and worked out here, on the bench set as it stands, so that what is kept is
 * what the bench maths says. The land is as the tool's record has it, unless it was measured.
 */
export function planDrafts(
  tools: Store<Tool>,
  guides: Store<Guide>,
  abrasives: Store<Abrasive>,
  reckoner: Reckoner,
): Drafted<Plan, PlanDraft> {
  return {
    draft: planDraftSchema,
    async complete(draft) {
      const tool = await orInvalid('toolId', tools.read(draft.toolId));
      const guide = draft.guideId && (await orInvalid('guideId', guides.read(draft.guideId)));
      if (
        draft.seatName &&
        !(guide && isRoller(guide) && guide.seats.some((seat) => seat.name === draft.seatName))
      ) {
        throw invalid([
          { field: 'seatName', message: `The guide has no seat “${draft.seatName}”; choose one of its own.` },
        ]);
      }
      const items = await abrasives.all('-sizeUm');
      const { state } = await reckoner.record(draft.toolId);
      return {
        ...draft,
        result: await figured('plan', {
          tool: asItStands(tool, state),
          abrasives: items,
          request: draft.request,
          bench: await reckoner.stonesRecord(),
        }),
      };
    },
  };
}

/** A board's stops are cut here, by the guide as it is; those already cut stay as they were. */
export function boardDrafts(guides: Store<Guide>, today: () => string): Drafted<SettingBoard, BoardDraft> {
  return {
    draft: boardDraftSchema,
    async complete({ again, ...asked }, before) {
      const guide = await orInvalid('guideId', guides.read(asked.guideId));
      return makeBoard(guide, asked, today(), before, again);
    },
  };
}

/** Care is of an abrasive on the bench, and of the sort its kind takes. */
export function careDrafts(abrasives: Store<Abrasive>): Drafted<Care, Care> {
  return {
    draft: careSchema,
    async complete(care) {
      const abrasive = await orInvalid('abrasiveId', abrasives.read(care.abrasiveId));
      if (!caresOf(abrasive).includes(care.kind)) {
        const { label } = kindFacts(abrasive.kind);
        throw invalid([
          {
            field: 'kind',
            message: `A ${label.toLowerCase()} is not cared for in this way: choose ${caresOf(abrasive).join(' or ')}.`,
          },
        ]);
      }
      return care;
    },
  };
}

/** A session is of a tool on the rack. */
export function sessionDrafts(tools: Store<Tool>): Drafted<Session, Session> {
  return {
    draft: sessionSchema,
    async complete(session) {
      await orInvalid('toolId', tools.read(session.toolId));
      return session;
    },
  };
}

export async function orInvalid<T>(field: string, reading: Promise<T>): Promise<T> {
  try {
    return await reading;
  } catch (reason) {
    if (reason instanceof HttpProblem && reason.status === 404) {
      throw invalid([{ field, message: reason.message }]);
    }
    throw reason;
  }
}
