import type { GateWord } from '../run/answers.js';
import type { ProofTest } from '../record/session.js';
import type { Look, Symptom } from './signs.js';
import type { Seen } from './ranking.js';

/** What a gate was told, as it was told: a symptom, or the answer to a look. */
const BY_GATE: Partial<Readonly<Record<GateWord, Symptom>>> = {
  'burr-gaps': 'burr-in-part',
  'burr-none': 'no-burr',
  'burr-none-again': 'no-burr',
  'burr-strong': 'burr-uneven',
  'marker-low': 'heel-shiny',
  'marker-steep': 'edge-shiny',
  'marker-skewed': 'one-side-shiny',
  scratches: 'scratches-show',
  'scratches-again': 'scratches-show',
  'scratches-sheet': 'scratches-show',
  'scratches-back': 'scratches-show',
  shakes: 'shakes-on-nail',
  coloured: 'temper-colour',
};
const LOOKED: Partial<Readonly<Record<GateWord, Look>>> = { 'marker-hollow': 'marker-patches' };
const BY_PROOF: Readonly<Record<ProofTest, Symptom>> = {
  nail: 'skates-on-nail',
  'nail-drawn': 'shakes-on-nail',
  paper: 'not-fine',
  hair: 'not-fine',
  cut: 'lines-in-cut',
  light: 'light-on-edge',
  sound: 'not-fine',
  shaving: 'not-fine',
  force: 'not-fine',
};

/** What a run's gates and proof recorded, to begin a puzzle with; each observation once. */
export function seenInRun(
  history: readonly GateWord[],
  proof: readonly { readonly test: ProofTest; readonly passed: boolean }[],
): Seen {
  const gates = history.flatMap((word) => BY_GATE[word] ?? []);
  const failed = proof.flatMap(({ test, passed }) => (passed ? [] : [BY_PROOF[test]]));
  const looks = history.flatMap((word) => LOOKED[word] ?? []);
  return {
    symptoms: [...new Set([...gates, ...failed])],
    looks: Object.fromEntries(looks.map((look) => [look, true])),
  };
}
