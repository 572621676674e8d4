import { scratchOf } from '../abrasive/removal.js';
import { STEELS, type Tool } from '../blade/tool.js';
import type { EdgeAtWork } from '../work/edge-at-work.js';
import type { Facet } from '../work/facet.js';
import { worked, type WorkItem } from '../work/worked.js';
import { removalOf, type ProgressionInput } from './progression.js';

/** Work on a tool with one of a plan's abrasives, but for its strokes. */
export const itemOn = (
  { steel }: Pick<Tool, 'steel'>,
  stone: ProgressionInput['abrasives'][number],
  job: Pick<ProgressionInput['job'], 'forceN'>,
): Omit<WorkItem, 'strokes'> => ({
  forceN: stone.forceN ?? job.forceN,
  strokeMm: stone.strokeMm,
  removalMm3PerNm: removalOf(stone),
  marksUm: scratchOf(stone),
  steelFactor: STEELS[steel].factor,
});

/** The edge as steps will leave it. */
export function leftBySteps(
  tool: Pick<Tool, 'edge' | 'steel'>,
  found: EdgeAtWork,
  {
    abrasives,
    job,
  }: {
    readonly abrasives: ProgressionInput['abrasives'];
    readonly job: Pick<ProgressionInput['job'], 'forceN'>;
  },
  steps: readonly {
    readonly id: string;
    readonly strokes: number;
    readonly facet?: Facet;
    readonly forceN?: number;
  }[],
): EdgeAtWork {
  return steps.reduce((state, { id, strokes, facet, forceN }) => {
    const stone = abrasives.find((each) => each.id === id);
    if (!stone) return state;
    return worked(tool.edge, state, {
      ...itemOn(tool, stone, job),
      strokes,
      ...(facet && { facet }),
      ...(forceN !== undefined && { forceN }),
    });
  }, found);
}
