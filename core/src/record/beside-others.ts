import type { Identified } from '../base/identified.js';
import type { Tool } from '../blade/tool.js';
import { besideLikeTools } from './edge-lives.js';
import type { ToolRecord } from './tool-record.js';

/**
 * Records as they are judged: each tool’s edges beside those of like tools, a dull one at what it costs.
 * @param records by tool id
 * @param tools those they are of, or as many as there is to lean on
 * @param lateCosts what an edge that gives out costs, where the workshop says so
 */
export function besideOthers(
  records: Readonly<Record<string, ToolRecord>>,
  tools: readonly Identified<Pick<Tool, 'family'>>[],
  lateCosts?: number,
): Readonly<Record<string, ToolRecord>> {
  const lives = besideLikeTools(
    tools.flatMap(({ id, family }) => {
      const life = records[id]?.life;
      return life ? [{ id, family, life }] : [];
    }),
  );
  return Object.fromEntries(
    Object.entries(records).map(([id, record]) => {
      const life = lives.get(id);
      return [id, { ...record, ...(life && { life }), ...(lateCosts !== undefined && { lateCosts }) }];
    }),
  );
}
