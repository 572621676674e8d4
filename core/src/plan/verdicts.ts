import { formatMinutes } from '../base/minutes.js';
import { formatNumber } from '../base/number.js';
import {
  progressionIfAny,
  routesThrough,
  type Progression,
  type ProgressionAbrasive,
  type ProgressionInput,
} from './progression.js';
import type { School } from './schools.js';

/** Why an abrasive is in a progression or out of it. */
export interface Verdict {
  readonly id: string;
  readonly used: boolean;
  /**
   * Minutes the abrasive is worth: saved by having it when it is in, lost by forcing it in when it
   * is out. Absent where there is no other route to compare with.
   */
  readonly minutes?: number;
  readonly why: string;
}

/** A sentence on each abrasive of the set, in input order, from routes actually computed. */
export function verdicts(
  input: ProgressionInput,
  chosen: Progression,
  school: School = 'least-time',
): readonly Verdict[] {
  const through = new Map(routesThrough(input).map(({ id, totalMin }) => [id, totalMin]));
  const last = chosen.steps.at(-1)?.id;
  return input.abrasives.map((abrasive) => {
    const place = chosen.steps.findIndex((step) => step.id === abrasive.id);
    return place >= 0
      ? inVerdict(input, chosen, abrasive, place, abrasive.id === last, school)
      : outVerdict(input, chosen, abrasive, through.get(abrasive.id) ?? Infinity, school);
  });
}

const NO_ROUTE: Readonly<Record<School, string>> = {
  'least-time':
    'No route through it reaches the finish within the largest jump and the most strokes allowed.',
  doubling: 'It has no place in the smallest even steps from start to finish.',
  'two-stones': 'No second stone goes with it within the largest jump allowed.',
  exact: 'It does not stand in the order asked for.',
};

function inVerdict(
  input: ProgressionInput,
  chosen: Progression,
  { id }: ProgressionAbrasive,
  place: number,
  isLast: boolean,
  school: School,
): Verdict {
  const part =
    place === 0
      ? isLast
        ? 'Takes the worn edge off and leaves the finish asked for.'
        : 'Takes the worn edge off.'
      : isLast
        ? 'Clears the scratches before it and leaves the finish asked for.'
        : 'Clears the scratches of the stone before it.';
  if (school === 'exact') return { id, used: true, why: `${part} It stands in the order asked for.` };
  const without = minutesWithout(input, id);
  if (without === undefined) return { id, used: true, why: `${part} Nothing else here can take its place.` };
  const minutes = Math.max(0, without - chosen.totalMin);
  return { id, used: true, minutes, why: `${part} ${longer('Without it the job would take', minutes)}` };
}

function outVerdict(
  input: ProgressionInput,
  chosen: Progression,
  { id, sizeUm }: ProgressionAbrasive,
  throughMin: number,
  school: School,
): Verdict {
  if (throughMin === Infinity) return { id, used: false, why: NO_ROUTE[school] };
  const minutes = Math.max(0, throughMin - chosen.totalMin);
  const first = input.abrasives.find((abrasive) => abrasive.id === chosen.steps[0]?.id);
  const lead =
    sizeUm <= input.finishUm
      ? `As fine as ${formatNumber(sizeUm, 1)} µm is not needed here.`
      : sizeUm >= (first?.sizeUm ?? 0)
        ? 'Too coarse a start for so little steel.'
        : 'The next stone clears the scratches fast enough without it.';
  return { id, used: false, minutes, why: `${lead} ${longer('Using it would take', minutes)}` };
}

function longer(lead: string, minutes: number): string {
  return minutes * 60 < 1
    ? `${lead} no longer, by the estimate.`
    : `${lead} ${formatMinutes(minutes)} longer.`;
}

function minutesWithout(input: ProgressionInput, id: string): number | undefined {
  const abrasives = input.abrasives.filter((abrasive) => abrasive.id !== id);
  const isFinished = abrasives.some(({ sizeUm }) => sizeUm <= input.finishUm);
  return isFinished ? progressionIfAny({ ...input, abrasives })?.totalMin : undefined;
}
