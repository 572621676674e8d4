import type { Session } from '@mellow-anvil/core';
import { formatDay } from '@mellow-anvil/core';
import { outcomeWords } from '../life/entry-words';
import type { Figures } from '../shared/figures';

/** How an edge proved itself on a day, to be held against today. */
export function provedWords({ outcome, startedAt }: Session, figures: Figures): string {
  if (!outcome) return '';
  const grams = outcome.proof?.find(({ test }) => test === 'force')?.grams;
  const said = outcome.word ?? outcomeWords({ proof: outcome.proof });
  return `On ${formatDay(startedAt)}: ${said}${grams === undefined ? '' : `, ${figures.number(grams, 0)} g`}`;
}
