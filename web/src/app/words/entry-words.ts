import type { UseMeasure } from '@mellow-anvil/core/blade';
import type { CamberRead } from '@mellow-anvil/core/camber';
import {
  amount,
  newtonsOf,
  type Outcome,
  type ProofTest,
  type Session,
  type SessionKind,
} from '@mellow-anvil/core/record';
import { conditionWords } from './condition-words';
import { settingAngles } from './stop-words';
import type { Figures } from '../ui/figures';
import type { Entry } from '../data/records.store';

/** What was done, as the time line says it. */
/** Less than that nobody can tell. */
const LEAST_BACK_MM = 0.00005;

export const KIND_WORDS: Readonly<Record<SessionKind, string>> = {
  use: 'Used',
  stropping: 'Stropped',
  honing: 'Honed',
  grinding: 'Ground',
  measuring: 'Measured',
};

export const MEASURE_WORDS: Readonly<Record<UseMeasure, string>> = {
  minutes: 'Minutes',
  metresPlaned: 'Metres planed',
  mortises: 'Mortises',
};

/** What each test shows, passed and failed. */
export const PROOF_PASSED: Readonly<Record<ProofTest, readonly [string, string]>> = {
  nail: ['bites the thumbnail', 'skates on the thumbnail'],
  paper: ['parts paper', 'tears paper'],
  hair: ['takes hair', 'takes no hair'],
  cut: ['cuts clean', 'leaves torn fibre'],
  'nail-drawn': ['runs smooth along the nail', 'shakes along the nail'],
  light: ['shows no light', 'shows light'],
  sound: ['cuts crisply', 'drags dully'],
  shaving: ['takes a good shaving', 'takes a poor shaving'],
  force: ['parts the thread easily', 'needs force at the thread'],
};
export const BURR_SAID = {
  'all-along': 'burr all along',
  'in-part': 'burr in part',
  none: 'no burr',
  'cannot-tell': 'burr too small to feel',
} as const;

/** Burr and proof in one line. */
export function outcomeWords({ burr, proof = [], word }: Outcome): string {
  const parts = [
    burr && BURR_SAID[burr],
    ...proof.map((each) => {
      const newtons = newtonsOf(each);
      const said = PROOF_PASSED[each.test][each.passed ? 0 : 1];
      return newtons === undefined ? said : `${said} (${newtons.toFixed(2)} N)`;
    }),
  ].filter((part): part is string => part !== undefined);
  const [first, ...rest] = parts;
  const told = first ? `${[capital(first), ...rest].join(', ')}.` : '';
  return word ? `${told} ${capital(word)}`.trim() : told;
}

const capital = (words: string): string => `${words[0]?.toUpperCase() ?? ''}${words.slice(1)}`;

/** How much it was used, in what, and how it came out of it. */
export function useWords({ use = {}, minutes, chips }: Session, figures: Figures): string {
  const measures = (['metresPlaned', 'mortises', 'minutes'] as const).flatMap((measure) => {
    const value = use[measure] ?? (measure === 'minutes' ? minutes : undefined);
    return value === undefined ? [] : [amount(value, measure, figures.hand())];
  });
  const wood = use.wood ? ` in ${use.wood}` : '';
  const chipped = chips?.count
    ? `, ${chips.count} ${chips.count === 1 ? 'chip' : 'chips'}${chips.deepestMm ? ` ${figures.length(chips.deepestMm)} deep` : ''}`
    : '';
  const cutting =
    use.stillCutting === undefined ? '' : use.stillCutting ? ', still cutting' : ', no longer cutting';
  return `${measures.join(', ') || 'A spell'}${wood}${cutting}${chipped}`;
}

const READ_BY = { shaving: 'by a shaving', light: 'by the light', caliper: 'by caliper' } as const;

/** A curve as it was read. */
export function camberWords({ by, camberMm, pmMm, leanMm, atMost }: CamberRead, figures: Figures): string {
  const lean =
    leanMm === undefined || Math.abs(leanMm) < 0.005
      ? ''
      : `, ${leanMm > 0 ? 'right' : 'left'} corner ${figures.sliver(Math.abs(leanMm))} further back`;
  return atMost
    ? `Camber ${figures.sliver(camberMm)} at most, ${READ_BY[by]}`
    : `Camber ${figures.sliver(camberMm)} ± ${figures.sliver(pmMm)} ${READ_BY[by]}${lean}`;
}

/** What an entry was, in one line beside its kind. */
export function entryWords(
  { session }: Pick<Entry, 'session'>,
  nameOf: (abrasiveId: string) => string,
  figures: Figures,
): string {
  const {
    kind,
    steps = [],
    minutes,
    setting,
    conditionBefore,
    landMm,
    landLeftMm,
    camber,
    hollowedBack,
  } = session;
  const hollowed = hollowedBack && `back hollowed ${figures.length(hollowedBack.depthMm)} deep`;
  if (kind === 'use') return useWords(session, figures);
  if (kind === 'measuring') {
    return [
      landMm !== undefined && `Land ${figures.length(landMm)}`,
      camber && camberWords(camber, figures),
      hollowed,
    ]
      .filter(Boolean)
      .join(' · ');
  }
  const strokes = steps
    .filter((step) => step.strokes > 0)
    .map(
      (step) =>
        `${nameOf(step.abrasiveId)} ${step.strokes}${step.places ? ` (by place ${step.places.join('·')})` : ''}${step.facet === 'back' ? ' on the back' : ''}`,
    )
    .join(', ');
  return [
    conditionBefore && `was ${conditionWords(conditionBefore)}`,
    hollowed,
    strokes && `${strokes} strokes`,
    setting && settingAngles(setting, figures),
    setting?.stop && `stop ${setting.stop.label}`,
    landLeftMm !== undefined && `stopped ${figures.length(landLeftMm)} short`,
    minutes !== undefined && figures.minutes(minutes),
  ]
    .filter(Boolean)
    .join(' · ');
}

/** What an entry changed: the land before and after, and how far the edge went back. */
export function changeWords(
  { session, landBeforeMm, landMm, backMm }: Pick<Entry, 'session' | 'landBeforeMm' | 'landMm' | 'backMm'>,
  figures: Figures,
): string {
  if (session.kind === 'use' || session.kind === 'stropping') return '';
  const land =
    landBeforeMm !== undefined && landMm !== undefined && landBeforeMm !== landMm
      ? `land ${figures.length(landBeforeMm)} → ${figures.length(landMm)}`
      : '';
  const back = backMm >= LEAST_BACK_MM ? `edge back ${figures.sliver(backMm)}` : '';
  return [land, back].filter(Boolean).join(', ');
}
