import type { OwnedAbrasive } from '@mellow-anvil/core/abrasive';
import type { Identified } from '@mellow-anvil/core/base';
import type { Tool } from '@mellow-anvil/core/blade';
import type { Session } from '@mellow-anvil/core/record';
import { type Workshop, WORKSHOP_FORMAT } from '@mellow-anvil/core/workshop';

/** A workshop of many tools and nothing else. */
export function shopOf(count: number): Workshop {
  const tools = Array.from({ length: count }, (_, i): Identified<Tool> => ({
    id: `tool-${i}`,
    name: `Chisel ${i}`,
    family: 'bench-chisel',
    steel: 'high-carbon',
    edge: {
      form: 'single-bevel',
      widthMm: 6 + (i % 32),
      thicknessMm: 3.5,
      primaryDeg: 25,
      secondaryDeg: 30,
      landMm: 0.5,
      grind: 'flat',
      back: 'flat',
      front: { shape: 'straight' },
    },
    notes: 'One of many.',
  }));
  return {
    format: 'mellow-anvil-workshop',
    version: WORKSHOP_FORMAT,
    name: 'Many',
    tools,
    guides: [],
    abrasives: [],
    plans: [],
    sessions: [],
  };
}

export const SESSIONS = 20_000;
export const LONG_RECORD = 500;

/** Honings and use in turns over some years, the first tool with a record of five hundred. */
export function sessionsOf(tools: readonly Identified<Tool>[], count: number): Identified<Session>[] {
  return Array.from({ length: count }, (_, i): Identified<Session> => {
    const tool = i < LONG_RECORD ? tools[0] : tools[1 + (i % (tools.length - 1))];
    const common = {
      id: `session-${i}`,
      toolId: tool?.id ?? '',
      startedAt: new Date(Date.UTC(2020, 0, 1, 8) + i * 3 * 3_600_000).toISOString(),
      who: 'Shed',
    };
    return i % 4 === 3
      ? {
          ...common,
          kind: 'honing',
          minutes: 6,
          conditionBefore: { kind: 'dull' },
          setting: { guideId: 'guide', seatName: 'Chisel jaws', angleDeg: 30, projectionMm: 29.9 },
          steps: [
            { abrasiveId: 'w1000', strokes: 8, minutes: 1.1 },
            { abrasiveId: 'w8000', strokes: 6, minutes: 1 },
          ],
          outcome: { burr: 'all-along', proof: [{ test: 'nail', passed: true }] },
        }
      : { ...common, kind: 'use', use: { minutes: 40, wood: 'oak', stillCutting: i % 4 !== 2 } };
  });
}

export const stone = (id: string, grade: string): OwnedAbrasive => ({
  id,
  name: `Water stone ${grade}`,
  kind: 'water-stone',
  grade: { standard: 'JIS', grade },
  lubricant: 'water',
  strokeMm: 150,
  overheadMin: 0.5,
});
