import {
  type Abrasive,
  type CareKind,
  FLATTEN_AT_UM,
  kindFacts,
  type StoneCare,
  usualSheetUses,
} from '@mellow-anvil/core/abrasive';
import { formatDay } from '@mellow-anvil/core/base';
import type { Figures } from '../ui/figures';

/** What to do, as a command; said of one stone. */
export const CARE_WORDS: Readonly<Record<CareKind, string>> = {
  flattened: 'Flatten it',
  straightedge: 'Lay a straightedge on it',
  'new-sheet': 'Put a new sheet on',
  'laid-aside': 'Lay this piece aside',
  recharged: 'Recharge it',
  scraped: 'Scrape it clean and recharge',
  dressed: 'Dress it',
  cleaned: 'Clean it',
};
export const CARE_DONE: Readonly<Record<CareKind, string>> = {
  flattened: 'Flattened',
  straightedge: 'Straightedge laid on',
  'new-sheet': 'New sheet',
  'laid-aside': 'Piece laid aside',
  recharged: 'Recharged',
  scraped: 'Scraped clean',
  dressed: 'Dressed',
  cleaned: 'Cleaned',
};
/** The state a stone is in while that care is due. */
const DUE_STATE: Readonly<Record<CareKind, string>> = {
  flattened: 'dished',
  straightedge: '',
  'new-sheet': 'spent',
  'laid-aside': 'scratched',
  recharged: 'dry',
  scraped: 'caked',
  dressed: 'glazed',
  cleaned: 'loaded',
};

/** One word for how a stone stands. */
export function stateWord(stone: Abrasive, care: StoneCare | undefined): string {
  if (!care) return '';
  if (care.due) return DUE_STATE[care.due.kind];
  if (care.hollowUm === undefined) return '';
  return care.hollowUm < FLATTEN_AT_UM / 2 ? 'flat' : 'hollowing';
}

/** How a stone stands, in a sentence. */
export function careSentence(stone: Abrasive, care: StoneCare, figures: Figures): string {
  if (care.uses === 0 && !care.lastAt) return `Not used on record.${shelf(care, pieces(stone))}`;
  if (care.uses === 0 && care.lastAt)
    return `Not used since ${formatDay(care.lastAt)}.${shelf(care, pieces(stone))}`;
  const strokes = counted(care.strokes, 'stroke');
  const since = (done: string): string =>
    care.lastAt ? `${strokes} since it was ${done}` : `${strokes} on record, it was never noted as ${done}`;
  switch (kindFacts(stone.kind).upkeep) {
    case 'flatten': {
      if (care.hollowUm === undefined) return `${since('flattened')}.`;
      const by =
        care.readings > 0 ? `by ${counted(care.readings, 'straightedge reading')}` : 'by the estimate alone';
      return `About ${figures.sliver(care.hollowUm / 1000)} hollow across ${by}: ${since('flattened')}.`;
    }
    case 'sheet':
      return `${counted(care.uses, 'honing')} on this ${pieces(stone) > 1 ? 'piece' : 'sheet'}, which serves about ${stone.sheets?.usesEach ?? usualSheetUses(stone)}.${shelf(care, pieces(stone))}`;
    case 'charge':
      return `${since('charged')}.`;
    case 'dress':
      return `${figures.minutes(care.minutes)} of grinding ${care.lastAt ? 'since it was dressed' : 'on record, no dressing noted'}.`;
    case 'clean':
      return `${since('cleaned')}.`;
  }
}

const pieces = ({ sheets }: Abrasive): number => sheets?.pieces ?? 1;

/** What is left on the shelf, by pieces where sheets are cut; and what was laid aside. */
function shelf({ sheetsLeft, aside }: StoneCare, cutInto = 1): string {
  const left =
    sheetsLeft === undefined
      ? ''
      : ` ${counted(Math.round(sheetsLeft * cutInto), cutInto > 1 ? 'piece' : 'sheet')} left on the shelf.`;
  return `${left}${aside === undefined ? '' : ` ${counted(aside, 'piece')} laid aside, scratched: good for rough work.`}`;
}

const counted = (count: number, what: string): string =>
  `${count.toLocaleString('en-GB')} ${what}${count === 1 ? '' : 's'}`;
