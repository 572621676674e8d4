import { ADVICE_PARTS, RULES, type Adviser } from './advisers.js';
import { asThePageSays } from './as-the-page-says.js';
import { setDeg } from './hidden-shop.js';
import { KNOWS_THE_LAWS, ORACLE } from './oracle.js';

/** The application’s advice made worse on purpose, to see that each is told. */
const SPOILT = {
  'the rack asks only when it no longer cuts': (ours: Adviser): Adviser => ({
    ...ours,
    rack: (looked) => {
      const last = looked.entries.at(-1);
      return last?.kind === 'use' && last.use?.stillCutting === false ? 'hone' : 'use';
    },
  }),
  'half the strokes, and no burr felt for': (ours: Adviser): Adviser => ({
    ...ours,
    plan: (looked) => {
      const { coarse, fine } = ours.plan(looked);
      return { coarse: Math.ceil(coarse / 2), fine: Math.ceil(fine / 2), untilBurr: false };
    },
  }),
  'every knife three degrees flatter': (ours: Adviser): Adviser => ({
    ...ours,
    angle: (looked) => (looked.of.tool.edge.form === 'knife' ? setDeg(looked.of) - 3 : ours.angle(looked)),
  }),
  'no stone is ever flattened, nor looked at': (ours: Adviser): Adviser => ({
    ...ours,
    plan: (looked) => ({ ...ours.plan(looked), looksAtStone: false }),
    care: () => false,
  }),
} as const;

/**
 * Who advises: the page, rules of thumb, one who knows; the page with one part by that one; the page made worse; the page
 * and one who knows with a year’s record behind them.
 */
export interface Contestant {
  readonly name: string;
  readonly kind: 'page' | 'rule' | 'oracle' | 'part' | 'spoilt' | 'later';
  readonly adviser: () => Adviser;
  readonly yearsBefore?: number;
}
export const CONTESTANTS: readonly Contestant[] = [
  { name: 'this page', kind: 'page', adviser: asThePageSays },
  ...Object.entries(RULES).map(([name, rule]): Contestant => ({ name, kind: 'rule', adviser: () => rule })),
  { name: 'one who knows the laws', kind: 'oracle', adviser: () => KNOWS_THE_LAWS },
  { name: 'one who knows all', kind: 'oracle', adviser: () => ORACLE },
  ...ADVICE_PARTS.map((part): Contestant => ({
    name: part,
    kind: 'part',
    adviser: () => ({ ...asThePageSays(), [part]: ORACLE[part] }),
  })),
  ...Object.entries(SPOILT).map(([name, spoil]): Contestant => ({
    name,
    kind: 'spoilt',
    adviser: () => spoil(asThePageSays()),
  })),
  { name: 'this page, its second year', kind: 'later', adviser: asThePageSays, yearsBefore: 1 },
  {
    name: 'one who knows the laws, a second year',
    kind: 'later',
    adviser: () => KNOWS_THE_LAWS,
    yearsBefore: 1,
  },
];
