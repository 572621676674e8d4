import { formatDay } from '@mellow-anvil/core/base';
import { newtonsOf, type Session } from '@mellow-anvil/core/record';
import { outcomeWords } from './entry-words';
import type { Figures } from '../ui/figures';

/** How an edge proved itself on a day, to be held against today. */
export function provedWords({ outcome, startedAt }: Session, figures: Figures): string {
  if (!outcome) return '';
  const thread = outcome.proof?.find(({ test }) => test === 'force');
  const newtons = thread && newtonsOf(thread);
  const said = outcome.word ?? outcomeWords({ ...(outcome.proof && { proof: outcome.proof }) });
  return `On ${formatDay(startedAt)}: ${said}${newtons === undefined ? '' : `, ${figures.number(newtons, 2)} N`}`;
}
