import type { GateWord } from '../run/gates.js';
import type { ProofTest } from '../session/session.js';
import type { Symptom } from './knowledge.js';

const BY_GATE: Partial<Readonly<Record<GateWord, Symptom>>> = {
  'burr-gaps': 'burr-in-part',
  'burr-none': 'no-burr',
  'burr-strong': 'burr-in-part',
  'marker-low': 'heel-shiny',
  'marker-steep': 'edge-shiny',
  'marker-skewed': 'one-side-shiny',
  'marker-hollow': 'edge-bellied',
  scratches: 'scratches-show',
  'scratches-again': 'scratches-show',
  coloured: 'temper-colour',
};
const BY_PROOF: Readonly<Record<ProofTest, Symptom>> = {
  nail: 'skates-on-nail',
  'nail-drawn': 'shakes-on-nail',
  paper: 'skates-on-nail',
  hair: 'skates-on-nail',
  cut: 'lines-in-cut',
  light: 'light-on-edge',
  sound: 'skates-on-nail',
  shaving: 'lines-in-cut',
  force: 'skates-on-nail',
};

/** What a run's gates and proof recorded, as symptoms to begin a puzzle with. */
export function symptomsOf(
  history: readonly GateWord[],
  proof: readonly { readonly test: ProofTest; readonly passed: boolean }[],
): readonly Symptom[] {
  const gates = history.flatMap((word) => BY_GATE[word] ?? []);
  const failed = proof.flatMap(({ test, passed }) => (passed ? [] : [BY_PROOF[test]]));
  return [...new Set([...gates, ...failed])];
}
