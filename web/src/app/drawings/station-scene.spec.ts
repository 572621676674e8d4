import type { Abrasive } from '@mellow-anvil/core/abrasive';
import { FAMILY_NAMES, usualEdge } from '@mellow-anvil/core/blade';
import type { Station, StationKind } from '@mellow-anvil/core/plan';
import { beginRun, type RunPlan } from '@mellow-anvil/core/run';

import { SCENE, type Mark } from './scene-marks';
import { sceneOf } from './station-scene';

const PLAN: RunPlan = {
  toolId: 't',
  condition: { kind: 'dull' },
  finishUm: 2,
  forceN: 20,
  strokesPerMin: 40,
  steps: [
    { abrasiveId: 'wet', strokes: 6, side: 0 },
    { abrasiveId: 'wet', strokes: 6, side: 1 },
    { abrasiveId: 'wet', strokes: 6, facet: 'back' },
    { abrasiveId: 'strop', strokes: 20, afterBurr: true, lowerDeg: 3 },
  ],
};
const GRINDING = { wheelId: 'wheel', stopShortMm: 0.7 };
/** One station of every kind, as the type has them. */
const STATIONS: Readonly<Record<StationKind, Station>> = {
  ready: { kind: 'ready' },
  isolate: { kind: 'isolate' },
  care: { kind: 'care', abrasiveId: 'wet', care: 'flattened' },
  look: { kind: 'look' },
  template: { kind: 'template' },
  joint: { kind: 'joint', nickMm: 0.4 },
  grind: { kind: 'grind', grinding: GRINDING },
  heat: { kind: 'heat' },
  set: { kind: 'set', setting: { angleDeg: 30 } },
  lift: { kind: 'lift', lift: { bevelDeg: 12, sides: 2 } },
  marker: { kind: 'marker', side: 1 },
  stone: { kind: 'stone', step: 0 },
  polished: { kind: 'polished', step: 2 },
  'colour-back': { kind: 'colour-back' },
  hollow: {
    kind: 'hollow',
    hollowing: { wheelId: 'wheel', rimMm: 3, hollows: 2, chordMm: 9, depthMm: 0.15 },
  },
  burr: { kind: 'burr', side: 0 },
  straight: { kind: 'straight', step: 0 },
  even: { kind: 'even', step: 0 },
  wash: { kind: 'wash', oil: true },
  scratch: { kind: 'scratch', step: 0 },
  'burr-off': { kind: 'burr-off' },
  nail: { kind: 'nail' },
  proof: { kind: 'proof' },
  wipe: { kind: 'wipe' },
  refit: { kind: 'refit' },
  away: { kind: 'away' },
};
const ALL: readonly Station[] = [
  ...Object.values(STATIONS),
  { kind: 'stone', step: 1 },
  { kind: 'stone', step: 2 },
  { kind: 'stone', step: 3 },
];
const stoneOf = (id: string): Pick<Abrasive, 'kind' | 'lubricant'> =>
  id === 'strop' ? { kind: 'strop', lubricant: 'compound' } : { kind: 'water-stone', lubricant: 'water' };

/** Places that a mark names outright, without the relative ones along a curve. */
const placesOf = (mark: Mark): readonly number[] =>
  mark.tag === 'path'
    ? [...mark.d.matchAll(/[ML](-?[\d.]+) (-?[\d.]+)/g)].map(([, x]) => Number(x) + (mark.dx ?? 0))
    : [mark.at.x];

describe('the drawings of the stations', () => {
  for (const family of FAMILY_NAMES) {
    it(`show every station of a ${family}, its blade on the page and named in words`, () => {
      for (const station of ALL) {
        const scene = sceneOf({
          station,
          run: beginRun(PLAN, '2026-11-28T09:00:00.000Z'),
          edge: usualEdge(family),
          stoneOf,
          deg: (angle) => `${angle.toFixed(0)}°`,
        });
        const text = `${station.kind} ${'step' in station ? String(station.step) : ''}`;
        expect(scene.marks.length).withContext(text).toBeGreaterThan(1);
        expect(scene.words.length).withContext(text).toBeGreaterThan(10);
        expect(JSON.stringify(scene.marks))
          .withContext(text)
          .not.toMatch(/NaN|null|Infinity/);
        // What is drawn begins on the page; only a close look runs past its edge.
        if (['burr', 'scratch', 'look'].includes(station.kind)) continue;
        for (const x of scene.marks.flatMap(placesOf)) {
          expect(x).withContext(text).toBeGreaterThan(-20);
          expect(x)
            .withContext(text)
            .toBeLessThan(SCENE.width + 20);
        }
      }
    });
  }
});
