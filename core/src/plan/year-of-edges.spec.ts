import { edgeKeep } from '../blade/edge-keep.js';
import type { Tool } from '../blade/tool.js';
import type { EdgeLife } from '../record/edge-lives.js';
import { flatBlade, waterStone } from '../testing/blades.js';
import { planOf } from './compose.js';
import { PLAN_DEFAULTS, type PlanRequest } from './plan-request.js';
import { regrindAdvice } from './regrind-advice.js';
import { yearOfEdges } from './year-of-edges.js';

const chisel: Tool = {
  name: 'Chisel',
  family: 'bench-chisel',
  steel: 'high-carbon',
  edge: flatBlade({ widthMm: 20, thicknessMm: 4, secondaryDeg: 30 }),
};
const bench = ['1000', '8000'].map((grade) => waterStone(grade, { standard: 'JIS', grade }));
const request: PlanRequest = { ...PLAN_DEFAULTS, condition: { kind: 'dull' }, finishUm: 2, laidAside: [] };
const life = (more: Partial<EdgeLife> = {}): EdgeLife => ({
  measure: 'minutes',
  shape: 2.5,
  scale: 100,
  worth: 10,
  amount: 90,
  low: 80,
  high: 100,
  blunt: 10,
  unended: 3,
  yearly: 1800,
  inWood: [],
  atDeg: [],
  byHand: [],
  ...more,
});
const years = (of = life(), regrindMin = 8) => yearOfEdges(chisel, request, bench, {}, of, regrindMin);
const minutes = ({ honingMin, grindingMin }: { honingMin: number; grindingMin: number }) =>
  honingMin + grindingMin;

describe('yearOfEdges', () => {
  it('has every angle with one bevel and, where it rises over the primary, with two, least minutes first', () => {
    expect(
      years()
        .map(({ angleDeg, bevels }) => `${angleDeg} ${bevels}`)
        .sort(),
    ).toEqual(['25 one', '30 one', '30 two', '35 one', '35 two']);
    const all = years().map(minutes);
    expect(all).toEqual([...all].sort((a, b) => a - b));
  });

  it('is so many honings as plans have them, and the grinding at its best interval', () => {
    const one = years().find(({ angleDeg, bevels }) => angleDeg === 30 && bevels === 'one');
    const whole = { ...chisel, edge: flatBlade({ widthMm: 20, thicknessMm: 4, primaryDeg: 30 }) };
    expect(one?.honings).toBe(20);
    expect(one?.grindingMin).toBe(0);
    expect(one?.honingMin).toBeCloseTo(20 * planOf(whole, bench, request, {}).totalMin, 9);

    const two = years().find(({ angleDeg, bevels }) => angleDeg === 30 && bevels === 'two');
    const ground = planOf(chisel, bench, { ...request, landMm: 0.7 }, {});
    const { honings } = regrindAdvice(chisel, ground, request, bench, {}, 8).best;
    expect(two?.grindingMin).toBeCloseTo((20 * 8) / honings, 9);
    const dearer = years(life(), 40).find(({ angleDeg, bevels }) => angleDeg === 30 && bevels === 'two');
    expect(dearer?.grindingMin).toBeGreaterThan(two?.grindingMin ?? NaN);
  });

  it('goes by edges of its own at an angle, else by the useful wear that one keeps', () => {
    const at = (of: EdgeLife, deg: number) => years(of).find(({ angleDeg }) => angleDeg === deg);
    const keeps = edgeKeep({ angleDeg: 35, referenceDeg: 30 }).ratio;
    expect(at(life(), 35)).toEqual(
      jasmine.objectContaining({ lasts: 90 * keeps, lastsLow: 80 * keeps, seen: false }),
    );
    const seen = life({ atDeg: [{ of: 35, amount: 120, low: 100, high: 140, blunt: 4, edges: 5 }] });
    expect(at(seen, 35)).toEqual(
      jasmine.objectContaining({ lasts: 120, lastsLow: 100, lastsHigh: 140, seen: true }),
    );
  });

  it('says nothing of a year that is not known', () => {
    const { yearly: _, ...short } = life();
    expect(yearOfEdges(chisel, request, bench, {}, short, 8)).toEqual([]);
  });
});
