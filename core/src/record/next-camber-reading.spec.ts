import fc from 'fast-check';
import type { CamberState } from './camber-state.js';
import { nextCamberReading } from './next-camber-reading.js';

const curve = (pmMm: number, more: Partial<CamberState> = {}): CamberState => ({
  ...{ camberMm: 0.12, leanMm: 0, pmMm, from: 'made', readings: 2, factor: 1, ratios: [] },
  since: { camberMm: 0, leanMm: 0 },
  ...more,
});
const iron = { widthMm: 50, bedDeg: 45, shavingMm: 0.05 };
/** Strokes by place that are to make a tenth of a millimetre more camber, at so many minutes for each millimetre. */
const planned = (minPerMm: number, camberMm = 0.12) => ({
  planned: { minutes: 0.1 * minPerMm, wantedMm: camberMm + 0.1 },
});

describe('nextCamberReading', () => {
  it('takes the reading whose minutes saved pay for it best', () => {
    // 40 minutes of strokes a millimetre: a doubt of 0.1 mm either way is 1.6 minutes of them.
    const shaving = nextCamberReading(curve(0.1), { ...iron, ...planned(40) });
    expect(shaving?.by).toBe('shaving');
    // Where strokes are dear, a closer reading pays for its minute.
    const light = nextCamberReading(curve(0.1), { ...iron, ...planned(400) });
    expect(light?.by).toBe('light');
    expect(light?.savesMin).toBeCloseTo(
      (400 * Math.sqrt(2 / Math.PI) * (0.1 - (light?.leavesPmMm ?? 0))) / 1.96,
      9,
    );
    // 0.02 mm from leaf to leaf: 1.96·0.02/√12/√2, joined with 0.1.
    expect(light?.leavesPmMm).toBeCloseTo(1 / Math.hypot(1 / 0.1, 1 / 0.0080016), 5);
  });

  it('says nothing where the curve is known, or strokes are too few to save anything', () => {
    expect(nextCamberReading(curve(0.005), { ...iron, ...planned(400) })).toBeUndefined();
    expect(nextCamberReading(curve(0.02), { ...iron, ...planned(20) })).toBeUndefined();
  });

  it('cannot read by a shaving as wide as the iron, and without planned strokes names the quickest', () => {
    const flat = curve(0.03, { camberMm: 0.02 });
    expect(nextCamberReading(flat, iron)?.by).toBe('light');
    expect(nextCamberReading(curve(0.1), iron)?.by).toBe('shaving');
    expect(nextCamberReading(curve(0.1), iron)?.savesMin).toBeUndefined();
  });

  it('never leaves more doubt than there was', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.001, max: 0.5, noNaN: true }),
        fc.double({ min: 0.02, max: 1, noNaN: true }),
        fc.double({ min: 1, max: 1000, noNaN: true }),
        (pmMm, camberMm, minPerMm) => {
          const next = nextCamberReading(curve(pmMm, { camberMm }), {
            ...iron,
            ...planned(minPerMm, camberMm),
          });
          return !next || (next.leavesPmMm < next.pmMm && (next.savesMin ?? 0) > next.costMin);
        },
      ),
    );
  });
});
