import fc from 'fast-check';
import type { Condition } from '../blade/dulling.js';
import type { Edge } from '../blade/edge.js';
import type { Tool } from '../blade/tool.js';
import { unworked, type EdgeAtWork } from '../work/edge-at-work.js';
import { asFound, clearingMm } from '../work/found.js';
import { marksAtEdgeUm, worked, type WorkItem } from '../work/worked.js';
import { flatBlade } from '../testing/blades.js';
import { stonesAtWork, type StoneAtWork } from '../abrasive/at-work.js';
import { estimatedScratchUm } from '../abrasive/removal.js';
import { leastMinutes } from './compose.js';
import type { OwnedAbrasive } from '../abrasive/abrasive.js';
import type { PlanRequest } from './plan-request.js';

const BLADES: Readonly<Record<string, Edge>> = {
  'narrow land': flatBlade({ widthMm: 40, secondaryDeg: 30, landMm: 0.3 }),
  'micro-bevel': flatBlade({ secondaryDeg: 30, landMm: 0.6, microDeg: 33, microLandMm: 0.05 }),
  'whole bevel': flatBlade({ primaryDeg: 32 }),
  'hollow bevel': flatBlade({ grind: 'hollow', grindRadiusMm: 75, thicknessMm: 4 }),
  'both sides': {
    form: 'double-bevel',
    widthMm: 14,
    thicknessMm: 2.6,
    leftDeg: 14,
    rightDeg: 18,
    skewDeg: 20,
    grind: 'flat',
  },
  knife: { form: 'knife', lengthMm: 70, widthMm: 18, spineMm: 2.7, leftDeg: 12, rightDeg: 12, grind: 'flat' },
  gouge: { form: 'gouge', widthMm: 16, depthMm: 4, thicknessMm: 2.4, cannel: 'out', bevelDeg: 22 },
};
const STROKES_PER_MIN = 40;
const LEAST_STROKES = 4;

const item = (stone: StoneAtWork, strokes: number): WorkItem => ({
  strokes,
  forceN: 20,
  strokeMm: stone.strokeMm,
  removalMm3PerNm: stone.removalMm3PerNm,
  marksUm: estimatedScratchUm(stone.sizeUm),
  steelFactor: 1,
});

/** Least strokes, tried one by one in ever smaller strides, after which the edge is as a stone should leave it. */
function workedUntil(
  edge: Edge,
  from: EdgeAtWork,
  stone: StoneAtWork,
  goneBackMm: number,
): { readonly strokes: number; readonly state: EdgeAtWork } {
  const after = (strokes: number): EdgeAtWork => worked(edge, from, item(stone, strokes));
  const done = (state: EdgeAtWork): boolean =>
    state.recessionMm >= goneBackMm - 1e-10 &&
    (marksAtEdgeUm(edge, state) ?? 0) <= estimatedScratchUm(stone.sizeUm) + 1e-7;
  let strokes = LEAST_STROKES;
  for (let stride = 4096; stride >= 1; stride /= 2) {
    while (!done(after(strokes + stride - 1))) strokes += stride;
  }
  return { strokes, state: after(strokes) };
}

/** Every order of stones from coarse to fine, worked stroke by stroke: the least minutes of all. */
function leastOfAll(
  edge: Edge,
  stones: readonly StoneAtWork[],
  condition: Condition,
  finishUm: number,
): number {
  const found = asFound(edge, unworked(edge), condition);
  const goneBackMm = clearingMm(edge, condition);
  const from = (state: EdgeAtWork, left: readonly StoneAtWork[], wantedMm: number): number =>
    left.reduce((least, stone, i) => {
      const { strokes, state: next } = workedUntil(edge, state, stone, wantedMm);
      const here = strokes / STROKES_PER_MIN + stone.overheadMin;
      const finer = left.slice(i + 1).filter(({ sizeUm }) => sizeUm < stone.sizeUm);
      const rest = stone.sizeUm <= finishUm ? 0 : from(next, finer, 0);
      return Math.min(least, here + rest);
    }, Infinity);
  return from(found, stones, goneBackMm);
}

describe('the search for a plan', () => {
  const anyStone = fc.record({
    um: fc.constantFrom(58, 35, 25, 18, 14, 11.5, 9, 6, 4, 3, 2, 1.2),
    overheadMin: fc.double({ min: 0.1, max: 1.5, noNaN: true }),
    strokeMm: fc.integer({ min: 60, max: 200 }),
  });
  const anyCondition = fc.constantFrom<Condition>(
    { kind: 'dull' },
    { kind: 'very-dull' },
    { kind: 'new' },
    { kind: 'unknown' },
    { kind: 'nicked', nickMm: 0.08 },
  );

  for (const [name, edge] of Object.entries(BLADES)) {
    it(`finds the least minutes there are: ${name}, against every order worked stroke by stroke (fast-check)`, () => {
      fc.assert(
        fc.property(
          fc.uniqueArray(anyStone, { minLength: 1, maxLength: 6, selector: ({ um }) => um }),
          anyCondition,
          (set, condition) => {
            const bench = set.map(({ um, overheadMin, strokeMm }): OwnedAbrasive => ({
              id: String(um),
              name: String(um),
              kind: 'water-stone',
              grade: { standard: 'UM', grade: String(um) },
              lubricant: 'water',
              overheadMin,
              strokeMm,
              serves: ['straight', 'outside-curve'],
            }));
            const stones = stonesAtWork(bench);
            const finishUm = Math.max(3, ...stones.slice(-1).map(({ sizeUm }) => sizeUm));
            const request: PlanRequest = {
              condition,
              finishUm,
              forceN: 20,
              strokesPerMin: STROKES_PER_MIN,
              // Marks found count as a stone before the first: a jump without limit leaves every start open.
              maxRatio: 1e6,
              laidAside: [],
            };
            const tool: Tool = { name, family: 'bench-chisel', steel: 'high-carbon', edge };
            expect(leastMinutes(tool, bench, request)).toBeCloseTo(
              leastOfAll(edge, stones, condition, finishUm),
              9,
            );
          },
        ),
        { numRuns: 60 },
      );
    });
  }
});
