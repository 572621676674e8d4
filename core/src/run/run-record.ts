import { facetOfStep, pushOf } from '../plan/bench-step.js';
import { placesMade } from '../plan/counting.js';
import { afterGrinding } from '../plan/grinding-first.js';
import type { StationKind } from '../plan/station.js';
import type { Session, SessionKind, SessionStep } from '../record/session.js';
import { knivesOwed } from './in-the-jig.js';
import { edgeWord } from './edge-word.js';
import type { Skip } from './events.js';
import type { Run } from './run-state.js';

/**
 * What a run amounts to, for the record: a grinding, a honing, both, or nothing where nothing was done.
 * @param forces what this tool has needed to part a thread before, N
 */
export function sessionsOfRun(run: Run, forces: readonly number[] = []): readonly Session[] {
  return [groundIn(run), honedIn(run, forces)].filter((session) => session !== undefined);
}

function groundIn({ plan, groundAt, grindMin, startedAt }: Run): Session | undefined {
  const { grinding, toolId, who, condition, landMm } = plan;
  if (!grinding || groundAt === undefined) return undefined;
  const minutes = rounded(grindMin);
  return {
    toolId,
    kind: 'grinding',
    startedAt,
    minutes,
    ...(who !== undefined && { who }),
    conditionBefore: condition,
    ...(landMm !== undefined && { landMm }),
    landLeftMm: grinding.stopShortMm,
    steps: [{ abrasiveId: grinding.wheelId, strokes: 0, minutes }],
  };
}

function honedIn(run: Run, forces: readonly number[]): Session | undefined {
  const { plan, burr, proof, groundAt, hollowed, hollowMin } = run;
  const atWheel: readonly SessionStep[] = hollowed
    ? [{ abrasiveId: hollowed.wheelId, strokes: 0, minutes: rounded(hollowMin), facet: 'back' }]
    : [];
  const steps = run.steps
    .map(({ abrasiveId, strokes, minutes, places, like, noBurrAt }, i): SessionStep => {
      const planned = plan.steps[like ?? i];
      const facet = planned && facetOfStep(planned);
      return {
        abrasiveId,
        strokes,
        minutes: rounded(minutes),
        forceN: planned ? pushOf(planned, plan.forceN) : plan.forceN,
        ...(planned?.bothWays && { bothWays: true }),
        ...(noBurrAt !== undefined && { noBurrAt }),
        ...(places && { places: placesMade(places, strokes) }),
        ...(facet && { facet }),
      };
    })
    .filter(({ strokes }) => strokes > 0);
  if (steps.length + atWheel.length === 0) return undefined;
  // A run of an earlier release had no word for its edge.
  const word = plan.order && edgeWord(proof, forces);
  const notes = [plan.order ? skippedWords(run.skipped) : '', owedWords(run)].filter(Boolean).join(' ');
  return {
    toolId: plan.toolId,
    kind: kindOf(run, steps),
    startedAt: groundAt ?? run.startedAt,
    minutes: rounded(run.minutes - run.grindMin),
    ...(plan.who !== undefined && { who: plan.who }),
    conditionBefore: groundAt ? afterGrinding(plan.condition) : plan.condition,
    // Measured before the wheel, the land is the grinding's.
    ...(plan.landMm !== undefined && !groundAt && { landMm: plan.landMm }),
    ...(plan.setting && { setting: plan.setting }),
    steps: [...atWheel, ...steps],
    ...(hollowed && { hollowedBack: { rimMm: hollowed.rimMm, depthMm: hollowed.depthMm } }),
    ...((burr || proof.length > 0) && {
      outcome: {
        ...(burr && { burr }),
        ...(run.lagged.length > 0 && { lagged: run.lagged }),
        ...(proof.length > 0 && { proof }),
        ...(word && { word }),
      },
    }),
    ...(notes && { notes }),
  };
}

/** Broken off after the wheel hollowed its back, the edge itself is as it was. */
function kindOf({ plan }: Run, made: readonly SessionStep[]): SessionKind {
  if (made.length === 0) return 'measuring';
  return plan.steps.every(({ afterBurr }) => afterBurr) ? 'stropping' : 'honing';
}

const SKIPPED: Readonly<Record<StationKind, string>> = {
  ready: 'the bench made ready',
  isolate: 'the machine unplugged',
  care: 'care of a stone',
  look: 'the look',
  template: 'the template',
  joint: 'jointing the edge',
  grind: 'the wheel',
  hollow: 'hollowing the back',
  heat: 'the heat',
  set: 'setting the guide',
  lift: 'finding the bevel',
  marker: 'the marker',
  'colour-back': 'colour on the back',
  stone: 'a stone',
  polished: 'the look at the back',
  burr: 'the burr',
  wash: 'a wash',
  scratch: 'the scratches',
  'burr-off': 'taking the burr off',
  nail: 'drawing it along the nail',
  straight: 'the look against the light',
  even: 'the look from its end',
  proof: 'the proof',
  wipe: 'wiping',
  refit: 'refitting',
  away: 'putting away',
};
const WHY: Readonly<Record<Skip, string>> = {
  'not-needed': 'not needed',
  'done-before': 'done before',
  'no-time': 'no time',
  cannot: 'could not',
};

function skippedWords(skipped: Run['skipped']): string {
  if (skipped.length === 0) return '';
  return `Left out: ${skipped.map(({ kind, why }) => `${SKIPPED[kind]} (${WHY[why]})`).join(', ')}.`;
}

/** Of a set broken off on its way: what which knife is still owed, so that the next run can even it. */
function owedWords({ steps }: Run): string {
  return steps
    .map((step, i) => {
      const owed = step.strokes > 0 ? knivesOwed(step) : [];
      const words = owed.flatMap((strokes, knife) =>
        strokes > 0 ? [`knife ${String(knife + 1)}: ${String(strokes)}`] : [],
      );
      return words.length === 0 ? '' : `Strokes owed at step ${String(i + 1)}, ${words.join(', ')}.`;
    })
    .filter(Boolean)
    .join(' ');
}

const rounded = (minutes: number): number => Math.round(minutes * 100) / 100;
