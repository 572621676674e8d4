import fc from 'fast-check';
import { USUAL_RPM } from '../abrasive/wheel.js';
import type { OwnedAbrasive } from '../abrasive/abrasive.js';
import type { SingleBevelEdge } from '../blade/edge.js';
import { wheelAtWork } from '../grinding/grinding-work.js';
import { HEAT_LIMITS } from '../grinding/temper-colours.js';
import { wedgeHeat } from '../grinding/wedge-heat.js';
import { grindingStep, inPasses, passHeat } from './grinding-first.js';

const EDGE: SingleBevelEdge = {
  form: 'single-bevel',
  widthMm: 19,
  thicknessMm: 3.5,
  primaryDeg: 25,
  secondaryDeg: 30,
  landMm: 1.9,
  grind: 'flat',
  back: 'flat',
  front: { shape: 'straight' },
};
const DRY: OwnedAbrasive = {
  id: 'wheel',
  name: 'Dry wheel',
  kind: 'dry-wheel',
  grade: { standard: 'UM', grade: '260' },
  lubricant: 'dry',
  strokeMm: 100,
  overheadMin: 2,
  wheel: { widthMm: 25, rpm: USUAL_RPM['dry-wheel'], readings: [{ on: '2026-10-19', diameterMm: 146 }] },
};
const WET: OwnedAbrasive = { ...DRY, kind: 'wet-wheel', lubricant: 'water' };
const grindAt = (wheel: OwnedAbrasive, pushN: number) =>
  grindingStep(EDGE, [wheel], { condition: { kind: 'dull' } }, { wheelId: 'wheel', stopShortMm: 0.5, pushN });

describe('a grinding in passes', () => {
  it('is in contact as long as its steel takes: mm³ × 40 J over push × drag 0.4 × rim speed (Malkin and Guo, from memory)', () => {
    const grinding = grindAt(DRY, 5);
    const work = wheelAtWork(DRY, 5);
    const heat = passHeat(EDGE, 'high-carbon', grinding, work);
    if (!heat) throw new Error('a dry wheel heats');
    const { passes = 0, passS = 0, dipS = 0 } = inPasses(grinding, work, wedgeHeat(heat));
    const contactS = (grinding.removeMm3 * 40) / (5 * 0.4 * Math.PI * 0.146 * (USUAL_RPM['dry-wheel'] / 60));
    expect(Math.abs(passes * passS - contactS)).toBeLessThan(0.05 * passes + 0.01);
    expect(dipS).toBeGreaterThan(0);
  });

  it('keeps each pass well under where plain steel loses its temper, whatever the push (fast-check)', () => {
    fc.assert(
      fc.property(fc.double({ min: 2, max: 15, noNaN: true }), (pushN) => {
        const grinding = grindAt(DRY, pushN);
        const work = wheelAtWork(DRY, pushN);
        const heat = passHeat(EDGE, 'high-carbon', grinding, work);
        if (!heat) throw new Error('a dry wheel heats');
        const { passS = 0 } = inPasses(grinding, work, wedgeHeat(heat));
        const hottest = wedgeHeat({ ...heat, limitC: 5000, longestS: passS }).history.at(-1);
        expect(hottest?.celsius ?? 0).toBeLessThan(HEAT_LIMITS['usual-tempering'] * 0.75);
      }),
      { numRuns: 8 },
    );
  });

  it('asks nothing of the heat of a wet wheel, and no dips', () => {
    const grinding = grindAt(WET, 5);
    const work = wheelAtWork(WET, 5);
    expect(passHeat(EDGE, 'high-carbon', grinding, work)).toBeUndefined();
    const run = inPasses(grinding, work);
    expect(run.passes).toBe(1);
    expect(run).not.toEqual(jasmine.objectContaining({ dipS: jasmine.anything() }));
  });
});
