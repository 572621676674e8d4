import type { RecordsAnswer, Stored } from '@mellow-anvil/contract';
import type { Tool } from '@mellow-anvil/core/blade';
import { besideLikeTools } from '@mellow-anvil/core/record';

/** Records as they are judged here: each tool’s edges beside those of like tools, a dull one at what it costs. */
export function besideOthers(
  records: RecordsAnswer,
  tools: readonly Stored<Tool>[],
  lateCosts: number | undefined,
): RecordsAnswer {
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
