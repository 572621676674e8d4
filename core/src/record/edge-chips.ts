import type { HistoryEntry } from './edge-state.js';

/** What became of the edges a tool wore so far. */
export interface ChipRecord {
  /** Edges sharpened and used. */
  readonly edges: number;
  /** Those that chipped. */
  readonly chipped: number;
}

/** How often a tool's edges chipped: all of them, and in each wood by the name it was put down with. */
export interface EdgeChips extends ChipRecord {
  /** The angle they were honed at on average, where it was put down. */
  readonly settingDeg?: number;
  readonly inWood: Readonly<Record<string, ChipRecord>>;
}

/**
 * Edges that were used, from one sharpening to the next, and those that chipped. An edge used in two
 * woods counts in both; its chips count where they happened.
 */
export function edgeChips(history: readonly HistoryEntry[]): EdgeChips {
  let [edges, chipped] = [0, 0];
  const inWood = new Map<string, { edges: number; chipped: number }>();
  let edge = new Map<string, boolean>();
  const close = (): void => {
    if (edge.size === 0) return;
    edges++;
    if ([...edge.values()].includes(true)) chipped++;
    for (const [wood, hurt] of edge) {
      const of = inWood.get(wood) ?? { edges: 0, chipped: 0 };
      inWood.set(wood, { edges: of.edges + 1, chipped: of.chipped + (hurt ? 1 : 0) });
    }
    edge = new Map();
  };
  for (const { session } of history) {
    if (session.kind === 'honing' || session.kind === 'grinding') close();
    if (session.kind !== 'use') continue;
    const wood = session.use?.wood ?? '';
    edge.set(wood, (edge.get(wood) ?? false) || (session.chips?.count ?? 0) > 0);
  }
  close();
  inWood.delete('');
  const set = history.flatMap(({ session }) =>
    session.kind === 'honing' && session.setting ? [session.setting.angleDeg] : [],
  );
  const settingDeg = set.reduce((sum, deg) => sum + deg, 0) / set.length;
  return {
    edges,
    chipped,
    ...(set.length > 0 && { settingDeg }),
    inWood: Object.fromEntries(inWood),
  };
}
