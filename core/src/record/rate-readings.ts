import type { Abrasive } from '../abrasive/abrasive.js';
import { assumedRate } from '../abrasive/at-work.js';
import { removalPerStrokeMm3 } from '../abrasive/removal.js';
import { includedDeg } from '../edge/edge.js';
import { dullRecessionMm } from '../edge/dulling.js';
import { honedSection } from '../progression/honed-section.js';
import { unlessRefused } from '../refusal.js';
import type { SessionStep } from '../session/session.js';
import { STEELS, type Tool } from '../tool/tool.js';
import type { HistoryEntry } from './edge-state.js';
import { strokeOf } from './step-work.js';

/** How a recession came to be known. */
export type ReadingBy = 'measured' | 'nick' | 'land' | 'burr';

/** One step whose steel is known: how its stone cut against what was assumed. */
export interface RateReading {
  readonly abrasiveId: string;
  readonly sessionId: string;
  readonly toolId: string;
  /** ISO 8601 instant. */
  readonly at: string;
  readonly by: ReadingBy;
  /** Rate over the one assumed. */
  readonly ratio: number;
}

/** A stone of the bench with its grain as it is placed. */
export type SizedAbrasive = Abrasive & { readonly id: string; readonly sizeUm: number };

/** Fewer strokes than this say more of the counting than of the stone. */
const LEAST_STROKES = 3;
/** A whole honing is read off one stone only where that took at least this share of its steel. */
const MOST_OF_IT = 0.8;

/**
 * What a tool's record says of the stones it was honed on, from steps whose recession is known: measured
 * at the step; a nick of measured depth honed out, or a tip of measured radius honed to a burr all along,
 * by the stone that did nearly all of it; or the land measured before one honing and again after it.
 * What was only called dull says nothing: its strokes were the plan's own.
 */
export function rateReadings(
  tool: Tool,
  history: readonly HistoryEntry[],
  bench: ReadonlyMap<string, SizedAbrasive>,
): readonly RateReading[] {
  return history.flatMap(({ session, before }, i): RateReading[] => {
    if (session.kind !== 'honing') return [];
    const made = { sessionId: session.id, toolId: session.toolId, at: session.startedAt };
    const ratioOf = (step: SessionStep, steelMm3: number): number | undefined => {
      const expected = expectedMm3(tool, step, bench);
      return expected > 0 && step.strokes >= LEAST_STROKES && steelMm3 > 0 ? steelMm3 / expected : undefined;
    };
    const reading = (step: SessionStep | undefined, steelMm3: number, by: ReadingBy): RateReading[] => {
      const ratio = step && ratioOf(step, steelMm3);
      return step && ratio !== undefined ? [{ ...made, abrasiveId: step.abrasiveId, by, ratio }] : [];
    };
    const steel = (recessionMm: number): number =>
      unlessRefused(() => {
        const section = honedSection(tool.edge, session.landMm ?? before.landMm);
        return section.steelMm2(recessionMm) * section.lengthMm;
      }) ?? 0;

    const steps = session.steps ?? [];
    const measured = steps.filter(({ recessionMm }) => recessionMm !== undefined);
    if (measured.length > 0) {
      return measured.flatMap((step) => reading(step, steel(step.recessionMm ?? 0), 'measured'));
    }
    const landAfter = nextLand(history, i);
    if (session.landMm !== undefined && landAfter !== undefined) {
      const taken = landSteelMm3(tool, session.landMm, landAfter);
      return reading(mainStep(tool, steps, bench), taken, 'land');
    }
    const known = knownRecessionMm(tool, session);
    return known ? reading(mainStep(tool, steps, bench), steel(known.mm), known.by) : [];
  });
}

/** Steel a step takes at the assumed rate, mm³. */
function expectedMm3(tool: Tool, step: SessionStep, bench: ReadonlyMap<string, SizedAbrasive>): number {
  const stone = bench.get(step.abrasiveId);
  if (!stone) return 0;
  const { forceN, strokeMm } = strokeOf(step, stone);
  const rate = assumedRate(stone, stone.sizeUm);
  return step.strokes * removalPerStrokeMm3(rate, forceN, strokeMm, STEELS[tool.steel].factor);
}

/** The step that took nearly all of a honing's steel, if one did. */
function mainStep(
  tool: Tool,
  steps: readonly SessionStep[],
  bench: ReadonlyMap<string, SizedAbrasive>,
): SessionStep | undefined {
  const taken = steps.map((step) => expectedMm3(tool, step, bench));
  const all = taken.reduce((sum, mm3) => sum + mm3, 0);
  const most = Math.max(0, ...taken);
  return all > 0 && most >= MOST_OF_IT * all ? steps[taken.indexOf(most)] : undefined;
}

function knownRecessionMm(
  { edge }: Tool,
  { conditionBefore, outcome }: HistoryEntry['session'],
): { readonly mm: number; readonly by: ReadingBy } | undefined {
  if (!conditionBefore || outcome?.burr !== 'all-along') return undefined;
  const { nickMm, tipRadiusUm, faults } = conditionBefore;
  if (faults && faults.length > 0) return undefined;
  const tipMm = tipRadiusUm === undefined ? 0 : dullRecessionMm(tipRadiusUm, includedDeg(edge));
  if (nickMm !== undefined) return { mm: nickMm + tipMm, by: 'nick' };
  return tipMm > 0 ? { mm: tipMm, by: 'burr' } : undefined;
}

/** The land as it was measured next, where nothing but use came between. */
function nextLand(history: readonly HistoryEntry[], i: number): number | undefined {
  for (const { session } of history.slice(i + 1)) {
    if (session.landMm !== undefined) return session.landMm;
    if (session.kind === 'honing' || session.kind === 'grinding') return undefined;
  }
  return undefined;
}

/** Steel between two lands of a secondary, mm³; 0 where the edge has none or did not grow. */
function landSteelMm3({ edge }: Tool, beforeMm: number, afterMm: number): number {
  if (edge.form !== 'single-bevel' || edge.secondaryDeg === undefined || afterMm <= beforeMm) return 0;
  return (
    unlessRefused(() => {
      const section = honedSection(edge, beforeMm);
      // The land grows in proportion to the recession, so the second tells how far the edge went back.
      const perMm = (section.landMm(1e-3) - section.landMm(0)) / 1e-3;
      return perMm > 0 ? section.steelMm2((afterMm - beforeMm) / perMm) * section.lengthMm : 0;
    }) ?? 0
  );
}
