import type { Stored } from '@mellow-anvil/contract';
import { FAMILY_NAMES, RACK_STATES, type Tool } from '@mellow-anvil/core/blade';
import { asItStands, type Hand, readiness, type Readiness } from '@mellow-anvil/core/record';
import type { Records } from './records.store';

/** A tool as its record has it, with what it asks for where that is known. */
export type RackTool = Stored<Tool> & { readonly ready?: Readiness };

const FAMILY_ORDER = new Map(FAMILY_NAMES.map((family, i) => [family, i]));

/** The tools as the rack has them: what needs most work first, then by family and by size. */
export function inOrderOfNeed(
  tools: readonly Stored<Tool>[],
  records: Records,
  hand?: Hand,
): readonly RackTool[] {
  return tools
    .map((tool): RackTool => {
      const record = records[tool.id];
      return record
        ? { ...tool, ...asItStands(tool, record.state), ready: readiness(tool, record, hand) }
        : tool;
    })
    .sort(
      (a, b) =>
        needOf(b) - needOf(a) ||
        (FAMILY_ORDER.get(a.family) ?? 0) - (FAMILY_ORDER.get(b.family) ?? 0) ||
        a.name.localeCompare(b.name, undefined, { numeric: true }),
    );
}

const needOf = ({ ready }: RackTool): number => (ready ? RACK_STATES.indexOf(ready.state) : 0);
