import type { Edge, EdgeForm } from '@mellow-anvil/core/blade';
import type { BenchStep, StropPurpose } from '@mellow-anvil/core/plan';
import type { Figures } from '../ui/figures';

const STROP_FOR: Readonly<Record<StropPurpose, string>> = {
  polishes: 'It polishes what the last stone left.',
  aligns: 'It lays the tip straight.',
  tops: 'It only polishes the tops of the grooves.',
  draws: 'The last stone as a strop: it lays the tip straight in the marks it left.',
};

/** About how many strokes, and how they lie; by the form of the edge (common practice, no source). */
const HOW: Partial<Readonly<Record<EdgeForm, string>>> & { readonly knife: string } = {
  knife:
    'About ten strokes a side, edge trailing, the weight of the blade; an upswept blade in two overlapping strokes, base and tip.',
  'double-bevel': 'About ten strokes a side on the bevel itself, edge trailing; firm, then lighter.',
  gouge: 'About ten strokes rolled along its arc, in the channel it cut itself.',
  v: 'About ten strokes a wing, each flat as a small chisel, then the keel in a V groove.',
  hook: 'About ten strokes.',
};

/** How a stroke ends, and what of the edge comes after: what has a hollow is not turned over. Common practice. */
const ENDS: Partial<Readonly<Record<EdgeForm, string>>> = {
  gouge:
    'Rolled as it comes, never lifted at the end. Then the inside, on a ridge or a folded scrap of leather.',
  v: 'Never lifted at the end. Then the inside, with a folded scrap of leather.',
  hook: 'The outside only, so that the angle of attack stays; never lifted at the end.',
};
const endOf = (form: EdgeForm | undefined): string =>
  (form && ENDS[form]) ?? 'Stop, then turn over: never lift at the end.';

/** How an edge is kept going on a strop, whoever planned nothing. */
export const keptOnStrop = (form: EdgeForm | undefined): string =>
  `${(form && HOW[form]) ?? HOW.knife} ${endOf(form)} To align, the weight of the blade is enough; to keep it, a light hand.`;

/** How a strop is used: what for, how hard, how low. */
export function stropWords(
  step: BenchStep | undefined,
  edge: Pick<Edge, 'form'> | undefined,
  figures: Figures,
): string {
  const { purpose, forceN, lastN, lowerDeg } = step ?? {};
  const push =
    forceN === undefined || lastN === undefined || forceN === lastN
      ? ''
      : ` ${figures.number(forceN, 0)} N at first, ${figures.number(lastN, 0)} N at the end.`;
  const lower =
    lowerDeg === undefined
      ? ''
      : ` It gives: laid about ${figures.angle(Math.round(lowerDeg))} lower than its bevel.`;
  return `${purpose ? `${STROP_FOR[purpose]} ` : ''}Pull only, edge trailing.${push}${lower} ${endOf(edge?.form)}`;
}
