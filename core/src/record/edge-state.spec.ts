import { polygonArea } from 'd3-polygon';
import fc from 'fast-check';
import { edgeChain } from '../blade/chain.js';
import type { SingleBevelEdge } from '../blade/edge.js';
import type { PlanRequest } from '../plan/plan-request.js';
import { planHoning } from '../plan/ways-out.js';
import type { Session } from './session.js';
import type { Tool } from '../blade/tool.js';
import { asItStands, edgeHistory, edgeState, type EdgeState, type RecordedSession } from './edge-state.js';
import { landPmMm } from './land-doubt.js';
import { landReason } from '../plan/land-reason.js';
import { abrasive, flatBlade } from '../testing/blades.js';
import { without } from '../testing/without.js';
import { landMmOf } from '../work/edge-at-work.js';

const edge: SingleBevelEdge = flatBlade({ widthMm: 45, secondaryDeg: 30, landMm: 0.4 });
const iron: Tool = { name: 'Iron', family: 'plane-iron', steel: 'high-carbon', edge };
const bench = [abrasive('w1000', '1000'), abrasive('w8000', '8000')];
const request: PlanRequest = {
  condition: { kind: 'very-dull' },
  finishUm: 1.2,
  forceN: 20,
  strokesPerMin: 40,
  maxRatio: 10,
  laidAside: [],
};
const day = (n: number): string => new Date(Date.UTC(2026, 0, n, 9)).toISOString();
const entry = (n: number, session: Partial<Session> & Pick<Session, 'kind'>): RecordedSession => ({
  id: `s${String(n).padStart(3, '0')}`,
  toolId: 'iron',
  startedAt: day(n),
  ...session,
});
const honing = (n: number, w1000: number, more: Partial<Session> = {}): RecordedSession =>
  entry(n, {
    kind: 'honing',
    conditionBefore: { kind: 'dull' },
    setting: { angleDeg: 30, guideId: 'g', seatName: 'Jaws', projectionMm: 29.9 },
    steps: [{ abrasiveId: 'w1000', strokes: w1000, minutes: 1, forceN: 20 }],
    ...more,
  });

/** Area of the blade's section as the land leaves it, by d3-polygon, edge at `backMm` from where it began. */
function sectionMm2(landMm: number, backMm: number): number {
  const { outline } = edgeChain({ ...edge, landMm }, 0);
  const far = 40;
  const points = outline.map(({ x, y }): [number, number] => [x + backMm, y]);
  const [tip, , , ...bevel] = points as [[number, number], unknown, unknown, ...[number, number][]];
  return Math.abs(polygonArea([tip, [far, 0], [far, edge.thicknessMm], ...bevel]));
}

describe('edgeState', () => {
  it('three honings of one edge: the land grows, the plan’s strokes rise, and it says why', () => {
    const strokes: number[] = [];
    const lands: number[] = [];
    const sessions: RecordedSession[] = [];
    for (let n = 1; n <= 3; n++) {
      const state = edgeState(iron, sessions, bench);
      const plan = planHoning(asItStands(iron, state), bench, request);
      const first = plan.steps[0]?.strokes ?? 0;
      lands.push(state.landMm ?? NaN);
      strokes.push(first);
      expect(landReason(iron, state, plan, request) === undefined).toBe(n === 1);
      sessions.push(honing(n, first));
    }
    expect(lands[0]).toBeCloseTo(0.4, 12);
    expect(lands[1]).toBeGreaterThan(lands[0] as number);
    expect(lands[2]).toBeGreaterThan(lands[1] as number);
    expect(strokes[1]).toBeGreaterThan(strokes[0] as number);
    expect(strokes[2]).toBeGreaterThan(strokes[1] as number);
    const state = edgeState(iron, sessions, bench);
    const plan = planHoning(asItStands(iron, state), bench, request);
    expect(landReason(iron, state, plan, request)).toMatch(
      /^The land has grown to 0\.\d+ mm over 3 honings since it was 0\.4 mm, as entered\. .* now \d\.\d times what/,
    );

    const ground = edgeState(iron, [...sessions, entry(9, { kind: 'grinding' })], bench);
    expect([ground.landMm, ground.recessionMm, ground.honings]).toEqual([0, 0, 0]);
    const fresh = planHoning(asItStands(iron, ground), bench, request);
    expect(fresh.steps[0]?.strokes).toBeLessThan(strokes[0] as number);
    expect(landReason(iron, ground, fresh, request)).toContain('freshly ground');
  });

  it('takes just the steel the strokes took off the section (area by d3-polygon)', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 60 }), { minLength: 1, maxLength: 8 }), (counts) => {
        const state = edgeState(
          iron,
          counts.map((count, i) => honing(i + 1, count)),
          bench,
        );
        // Archard, from the constants of docs/formulas.md: K(11.5 µm)·20 N·150 mm/1000 per stroke.
        const perStroke = 0.0056 * Math.pow(11.5 / 14, 0.8) * 20 * 0.15;
        const taken = counts.reduce((sum, count) => sum + count, 0) * perStroke;
        expect(state.steelMm3).toBeCloseTo(taken, 9);
        const lost = sectionMm2(0.4, 0) - sectionMm2(state.landMm ?? NaN, state.backMm);
        expect(lost * edge.widthMm).toBeCloseTo(taken, 6);
      }),
    );
  });

  it('a regrind gives up what honing left of e·t, the whole thickness of what is gone', () => {
    const measured = honing(1, 10, {
      steps: [{ abrasiveId: 'w1000', strokes: 10, minutes: 1, recessionMm: 0.1 }],
    });
    const from = edgeState(iron, [], bench).recessionMm;
    const after = edgeState(iron, [measured, entry(2, { kind: 'grinding' })], bench);
    const honedBefore =
      ((from * from) / 2) *
      ((Math.tan(rad(25)) * Math.tan(rad(30))) / (Math.tan(rad(30)) - Math.tan(rad(25))));
    expect(after.backMm).toBeCloseTo(0.1, 12);
    expect(after.steelMm3).toBeCloseTo(((from + 0.1) * 3 - honedBefore) * 45, 9);
  });

  it('goes by a measured land and a measured recession over any reckoning', () => {
    const sessions = [honing(1, 500), entry(2, { kind: 'measuring', landMm: 0.7 })];
    const state = edgeState(iron, sessions, bench);
    // So much was reckoned to have come off that the reading is all but all of it.
    expect(Math.abs((state.landMm ?? NaN) - 0.7)).toBeLessThan(0.005);
    expect([state.landFrom, state.honingsSinceThen, state.honings]).toEqual(['measured', 0, 1]);
    const before = edgeState(
      iron,
      [without(honing(1, 12, { landMm: 0.9, steps: [] }), 'conditionBefore')],
      bench,
    );
    expect(before.landMm).toBeCloseTo(0.9, 12);
  });

  it('falls back on the condition where no stroke was counted: ρ·cot(α/2) for a dull tip of 4 µm', () => {
    const state = edgeState(iron, [without(honing(1, 0), 'steps')], bench);
    expect(state.backMm).toBeCloseTo(0.004 / Math.tan(rad(15)), 12);
  });

  it('keeps the angle last set with its guide and stop, and counts use since', () => {
    const use = (n: number, stillCutting: boolean, minutes = 40): RecordedSession =>
      entry(n, { kind: 'use', use: { minutes, wood: 'oak', stillCutting } });
    const sessions = [
      use(3, true),
      honing(2, 9, { setting: { angleDeg: 31, guideId: 'g', seatName: 'Jaws', projectionMm: 28.1 } }),
      use(5, false, 25),
      entry(4, { kind: 'stropping' }),
    ];
    const state = edgeState(iron, sessions, bench);
    expect(state.lastSetting).toEqual({
      angleDeg: 31,
      guideId: 'g',
      seatName: 'Jaws',
      projectionMm: 28.1,
      at: day(2),
    });
    expect([state.sinceHoned.minutes, state.sinceSharpened.minutes, state.stropsSinceHoned]).toEqual([
      65, 25, 1,
    ]);
    expect(state.sinceHoned.stillCutting).toBeFalse();
    expect(edgeState(iron, [...sessions, honing(6, 8)], bench).sinceHoned.spells).toBe(0);
  });

  it('does not mind the order entries come in, and tells each one’s before and after', () => {
    const sessions = [
      honing(1, 9),
      entry(2, { kind: 'use', use: { minutes: 30 } }),
      honing(3, 9),
      entry(4, { kind: 'grinding' }),
      honing(5, 6),
    ];
    const inOrder = edgeHistory(iron, sessions, bench);
    fc.assert(
      fc.property(fc.shuffledSubarray(sessions, { minLength: 5 }), (shuffled) => {
        expect(edgeHistory(iron, shuffled, bench)).toEqual(inOrder);
      }),
      { numRuns: 20 },
    );
    for (let i = 1; i < inOrder.length; i++)
      expect(inOrder[i]?.before).toBe(inOrder[i - 1]?.after as EdgeState);
  });

  it('goes on from a history it is given, to the same as from the first entry', () => {
    const sessions = [
      honing(1, 9),
      entry(2, { kind: 'use', use: { minutes: 30 } }),
      honing(3, 9),
      honing(5, 6),
    ];
    const more = [...sessions, entry(4, { kind: 'grinding' }), honing(6, 8)];
    fc.assert(
      fc.property(fc.subarray(more), fc.subarray(more), (then, now) => {
        const kept = edgeHistory(iron, then, bench);
        const history = edgeHistory(iron, now, bench, kept);
        expect(history).toEqual(edgeHistory(iron, now, bench));
        const same = history.findIndex(({ session }, i) => session !== kept[i]?.session);
        // Not reckoned again, as far as nothing is another.
        for (let i = 0; i < (same < 0 ? history.length : same); i++)
          expect(history[i]).toBe(kept[i] as (typeof kept)[number]);
      }),
      { numRuns: 60 },
    );
  });

  it('reckons on past the point where the land has eaten the bevel', () => {
    const worn = edgeState(iron, [honing(1, 40000)], bench);
    expect(worn.landMm).toBeCloseTo(3 / Math.sin(rad(30)), 9);
    expect(worn.backMm).toBeGreaterThan(1);
  });
});

const rad = (deg: number): number => (deg * Math.PI) / 180;

describe('the doubt of a land', () => {
  const measured = (n: number, landMm: number): RecordedSession => entry(n, { kind: 'measuring', landMm });
  const stateOf = (...sessions: RecordedSession[]): EdgeState => edgeState(iron, sessions, bench);

  it('is a reading’s own, grows with what is reckoned since, and is back with the next reading', () => {
    const read = landPmMm(stateOf(measured(1, 0.5)));
    const pms = [20, 60, 120].map((strokes) => landPmMm(stateOf(measured(1, 0.5), honing(2, strokes))));
    expect([read, ...pms]).toEqual([read, ...pms].sort((a, b) => a - b));
    const reread = stateOf(measured(1, 0.5), honing(2, 120), measured(3, 0.8));
    expect(landPmMm(reread)).toBeLessThanOrEqual(read);
    // A land nobody ever measured is hardly known at all.
    const { landMm: _land, ...unmeasured } = edge;
    expect(landPmMm(edgeState({ ...iron, edge: unmeasured }, [], bench))).toBeGreaterThan(0.2);
  });

  it('weighs a reading against what was reckoned, and takes it whole where nothing was', () => {
    // A second look at the same land: the mean of both, and half as doubtful in the square.
    const twice = stateOf(measured(1, 0.5), measured(2, 0.54));
    expect(twice.landMm).toBeCloseTo(0.52, 9);
    expect(landPmMm(twice)).toBeCloseTo(landPmMm(stateOf(measured(1, 0.5))) / Math.SQRT2, 9);
    // The edge stands where its land says it does.
    expect(landMmOf(edge, twice.work)).toBeCloseTo(0.52, 9);
    const reckoned = stateOf(measured(1, 0.5), honing(2, 60));
    const read = landPmMm(stateOf(measured(1, 0.5)));
    const { landMm: before = NaN } = reckoned;
    const { landMm: after = NaN } = stateOf(measured(1, 0.5), honing(2, 60), measured(3, before + 0.04));
    const share = (after - before) / 0.04;
    // However many honings lie between, the nearer to the reading the more was only reckoned.
    expect(share).toBeGreaterThan(0.5);
    expect(share).toBeLessThan(1);
    expect(share).toBeCloseTo(landPmMm(reckoned) ** 2 / (landPmMm(reckoned) ** 2 + read ** 2), 6);
    expect(stateOf(measured(1, 0.43)).landMm).toBeCloseTo(0.43, 9);
  });

  it('calls a reading a contradiction where it lies further off than both doubts allow, until it is ground', () => {
    expect(stateOf(measured(1, 0.5), measured(2, 0.55)).landAgainst).toBeUndefined();
    const told = stateOf(measured(1, 0.5), measured(2, 0.9));
    expect(told.landMm).toBeCloseTo(0.9, 6);
    expect(told.landAgainst?.landMm).toBeCloseTo(0.5, 6);
    const ground = stateOf(measured(1, 0.5), measured(2, 0.9), entry(3, { kind: 'grinding' }));
    expect(ground.landAgainst).toBeUndefined();
  });
});
