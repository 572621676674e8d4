import fc from 'fast-check';
import { gougeArc } from '../curve/gouge-arc.js';
import { rodFit } from '../curve/rod-fit.js';
import { sagittaMm } from '../base/arc.js';
import { Refusal } from '../base/refusal.js';
import { boardTracks } from './board-tracks.js';
import { CAMBER_JOBS } from '../blade/camber-design.js';
import { cornerBackMm, frontForJob } from './camber-jobs.js';
import { camberReading } from './camber-reading.js';
import { camber, camberOnBed } from './camber.js';
import { cornerLeanDeg } from './lean.js';
import { lightReading } from './light-reading.js';
import { rocker } from './rocker.js';
import { planedBoard, shavingSection } from './shaving-section.js';

const mm = (min: number, max: number): fc.Arbitrary<number> => fc.double({ min, max, noNaN: true });
const rad = (deg: number): number => (deg * Math.PI) / 180;

describe('camber', () => {
  it('agrees with the worked examples', () => {
    const steep = camber({ widthMm: 50, bedDeg: 45, shavingMm: 0.05 });
    expect(steep.radiusMm).toBeCloseTo(4419.45, 2);
    expect(steep.camberMm).toBeCloseTo(0.070711, 6);
    const low = camber({ widthMm: 44, bedDeg: 12, shavingMm: 0.05 });
    expect(low.radiusMm).toBeCloseTo(1006.41, 2);
    expect(low.camberMm).toBeCloseTo(0.240487, 6);
    expect(camber({ widthMm: 50, bedDeg: 45, shavingMm: 0.05, shavingWidthMm: 30 }).camberMm).toBeCloseTo(
      0.196426,
      6,
    );
  });

  it('leaves about a hair of light at the corners of a smoother (common practice; a hair is 0.05–0.1 mm across, from memory)', () => {
    const { camberMm } = camber({ widthMm: 50, bedDeg: 45, shavingMm: 0.05 });
    expect(camberMm).toBeGreaterThan(0.05);
    expect(camberMm).toBeLessThan(0.1);
  });

  it('asks of a low bed 3.4 times the camber of a steep one, as the sines of the beds have it', () => {
    const of = (bedDeg: number): number => camber({ widthMm: 50, bedDeg, shavingMm: 0.05 }).camberMm;
    expect(of(12) / of(45)).toBeCloseTo(Math.sin(rad(45)) / Math.sin(rad(12)), 9);
    expect(of(12) / of(45)).toBeCloseTo(3.4, 1);
    expect(camberOnBed(of(45), 45, 12)).toBeCloseTo(of(12), 9);
  });

  it('reads back from its own shaving what it was designed to, and arc and parabola agree while it is flat (fast-check)', () => {
    fc.assert(
      fc.property(mm(10, 80), mm(10, 60), mm(0.01, 0.3), mm(0.3, 1), (widthMm, bedDeg, shavingMm, share) => {
        const shavingWidthMm = share * widthMm;
        // Past a half circle there is no such edge.
        fc.pre(shavingMm / Math.sin(rad(bedDeg)) < (share ** 2 * widthMm) / 8);
        const made = camber({ widthMm, bedDeg, shavingMm, shavingWidthMm });
        const read = camberReading({ widthMm, bedDeg, shavingMm, shavingWidthMm });
        expect(read.camberMm).toBeCloseTo(made.camberMm, 9);
        const parabola = (shavingMm * widthMm ** 2) / (shavingWidthMm ** 2 * Math.sin(rad(bedDeg)));
        if (made.camberMm < widthMm / 50) expect(made.camberMm / parabola).toBeCloseTo(1, 2);
        const { widthMm: cut } = shavingSection({
          front: { shape: 'arc', radiusMm: made.radiusMm },
          widthMm,
          bedDeg,
          shavingMm,
        });
        expect(Math.abs(cut - shavingWidthMm)).toBeLessThan(0.002 * widthMm);
      }),
      // A shaving all but as wide as its iron: rounding lets one corner cut and the other not.
      { examples: [[13.151322366116718, 10, 0.09984859174007107, 0.999999999999999]] },
    );
  });

  it('leaves ridges as high as the board worked out pass by pass has them (fast-check)', () => {
    fc.assert(
      fc.property(mm(20, 70), mm(12, 55), mm(0.02, 0.4), mm(0.1, 1), (widthMm, bedDeg, shavingMm, share) => {
        const passStepMm = share * widthMm;
        const { radiusMm, cuspMm = 0 } = camber({ widthMm, bedDeg, shavingMm, passStepMm });
        const front = { shape: 'arc', radiusMm } as const;
        const board = planedBoard({ front, widthMm, bedDeg, shavingMm, passStepMm });
        expect(Math.abs(board.ridgeMm - cuspMm)).toBeLessThan(0.02 * shavingMm);
      }),
    );
  });

  it('leaves a step where a straight iron ends, and none where its corners are eased', () => {
    const iron = { widthMm: 50, bedDeg: 45, shavingMm: 0.05 };
    expect(shavingSection({ ...iron, front: { shape: 'straight' } }).shoulderMm).toBe(0.05);
    const eased = { shape: 'corners-relieved', widthMm: 3, depthMm: 0.1 } as const;
    const section = shavingSection({ ...iron, front: eased });
    expect(section.shoulderMm).toBe(0);
    // 0.05 deep is 0.0707 back: √0.707 of the way out over the last 3 mm.
    expect(section.widthMm).toBeCloseTo(50 - 2 * 3 * (1 - Math.sqrt(0.05 / Math.sin(rad(45)) / 0.1)), 1);
  });

  it('makes an edge for every job that its iron can have', () => {
    for (const job of CAMBER_JOBS) {
      for (const widthMm of [12, 33, 50, 70]) {
        const front = frontForJob(job, widthMm, 45, { shavingMm: 0.05 });
        expect(cornerBackMm(front, widthMm)).toBeLessThanOrEqual(widthMm / 2);
      }
    }
    // Common practice: a scrub's radius is about 75 mm.
    expect(frontForJob('scrub', 33, 45, { shavingMm: 1 })).toEqual({ shape: 'arc', radiusMm: 75 });
  });

  it('refuses in words what cannot be', () => {
    const iron = { widthMm: 50, bedDeg: 45, shavingMm: 0.05 };
    expect(() => camber({ ...iron, shavingWidthMm: 51 })).toThrowError(
      Refusal,
      /cannot be wider than its iron/,
    );
    expect(() => camber({ ...iron, passStepMm: 60 })).toThrowError(Refusal, /leave wood between/);
    expect(() => camber({ ...iron, shavingMm: 30, shavingWidthMm: 10 })).toThrowError(Refusal, /half circle/);
    expect(() => camberReading({ ...iron, shavingWidthMm: 50.5 })).toThrowError(
      Refusal,
      /wider than the iron/,
    );
    expect(() => rocker({ widthMm: 50, camberMm: 26, knobSpacingMm: 30, threadPitchMm: 0.8 })).toThrowError(
      Refusal,
      /half circle/,
    );
  });
});

describe('what curves come to', () => {
  it('agrees with the worked examples of gouges, past a half circle too', () => {
    const shallow = gougeArc({ widthMm: 20, depthMm: 5 });
    expect(shallow.radiusMm).toBeCloseTo(12.5, 9);
    expect(shallow.arcDeg).toBeCloseTo(106.26, 3);
    expect(shallow.arcMm).toBeCloseTo(23.182, 3);
    const deep = gougeArc({ widthMm: 12, depthMm: 9 });
    expect([deep.radiusMm, deep.arcDeg, deep.arcMm].map((x) => Number(x.toFixed(3)))).toEqual([
      6.5, 225.24, 25.553,
    ]);
  });

  it('measures an arc as long as its chords, halved until they stop growing (fast-check)', () => {
    fc.assert(
      fc.property(mm(4, 40), mm(0.5, 30), (widthMm, depthMm) => {
        const { radiusMm, arcDeg, arcMm } = gougeArc({ widthMm, depthMm });
        const chords = 4096;
        const each = 2 * radiusMm * Math.sin(rad(arcDeg) / 2 / chords);
        expect(each * chords).toBeCloseTo(arcMm, 4);
        if (arcDeg < 180) expect(sagittaMm(radiusMm, widthMm)).toBeCloseTo(depthMm, 6);
      }),
    );
  });

  it('fits a rod with its paper into a hook', () => {
    expect(rodFit({ innerRadiusMm: 14 }).rodDiameterMm).toBe(28);
    expect(rodFit({ innerRadiusMm: 14, paperMm: 0.25 }).rodDiameterMm).toBe(27.5);
    expect(() => rodFit({ innerRadiusMm: 3, paperMm: 3 })).toThrowError(Refusal);
  });
});

describe('the ways of making a curve', () => {
  it('backs a wet wheel’s knobs off about a quarter turn for a smoother (common practice)', () => {
    const { turns } = rocker({ widthMm: 50, camberMm: 0.07, knobSpacingMm: 30, threadPitchMm: 0.8 });
    expect(turns).toBeCloseTo(0.21, 9);
  });

  it('leans a blade until the stone holds the edge’s own direction at its corner (vectors, fast-check)', () => {
    fc.assert(
      fc.property(mm(20, 70), mm(0.0005, 0.1), mm(20, 45), (widthMm, share, bevelDeg) => {
        const camberMm = share * widthMm;
        if ((4 * share * Math.sin(rad(bevelDeg))) / Math.cos(rad(bevelDeg)) >= 0.99) return;
        const roll = rad(cornerLeanDeg({ widthMm, camberMm, bevelDeg }));
        const [s, c] = [Math.sin(rad(bevelDeg)), Math.cos(rad(bevelDeg))];
        // The stone's normal seen from a blade set at the bevel and then rolled about its own length.
        const normal = [s, c * Math.sin(roll), c * Math.cos(roll)];
        const slope = Math.atan((4 * camberMm) / widthMm);
        const along = [-Math.sin(slope), Math.cos(slope), 0];
        expect(normal.reduce((sum, n, i) => sum + n * (along[i] as number), 0)).toBeCloseTo(0, 9);
      }),
    );
    expect(() => cornerLeanDeg({ widthMm: 33, camberMm: 16, bevelDeg: 40 })).toThrowError(
      Refusal,
      /template/,
    );
  });
});

describe('camber-reading', () => {
  it('only bounds the camber where the shaving is as wide as the iron', () => {
    const full = camberReading({ widthMm: 50, bedDeg: 45, shavingMm: 0.05, shavingWidthMm: 50 });
    expect(full.bound).toBeTrue();
    expect(full.camberMm).toBeCloseTo(0.070711, 6);
    expect(camberReading({ widthMm: 50, bedDeg: 45, shavingMm: 0.05, shavingWidthMm: 30 }).bound).toBeFalse();
  });

  it('gives a ± that holds 93 to 97 of 100 shavings measured with noise (seeded normal noise)', () => {
    const random = seeded(5);
    let held = 0;
    const runs = 2000;
    for (let i = 0; i < runs; i++) {
      const [widthMm, bedDeg, tau, share] = [
        44 + 16 * random(),
        45,
        0.05 + 0.1 * random(),
        0.5 + 0.4 * random(),
      ];
      const truth = camber({ widthMm, bedDeg, shavingMm: tau, shavingWidthMm: share * widthMm });
      const [dTau, dWidth] = [0.01, 1];
      const read = camberReading({
        widthMm,
        bedDeg,
        shavingMm: tau + (normal(random) * dTau) / 1.96,
        shavingWidthMm: Math.min(widthMm, share * widthMm + (normal(random) * dWidth) / 1.96),
      });
      if (Math.abs(read.camberMm - truth.camberMm) <= read.pmMm) held += 1;
    }
    expect(held / runs).toBeGreaterThan(0.93);
    expect(held / runs).toBeLessThan(0.97);
  });
});

describe('light under a straightedge', () => {
  it('takes the mean of the corners, and their difference as lean, however it rocks', () => {
    const even = lightReading({ widthMm: 50, leftMm: 0.06, rightMm: 0.06 });
    const rocked = lightReading({ widthMm: 50, leftMm: 0.1, rightMm: 0.02 });
    expect(rocked.camber.mm).toBeCloseTo(even.camber.mm, 9);
    expect(rocked.lean.mm).toBeCloseTo(-0.08, 9);
    expect(even.told).toBeTrue();
  });

  it('cannot tell a camber where no leaf goes under', () => {
    const dark = lightReading({ widthMm: 50, leftMm: 0, rightMm: 0 });
    expect(dark.told).toBeFalse();
    expect(dark.camber).toEqual({ mm: 0, pmMm: 0.02 });
  });
});

describe('a board’s tracks', () => {
  const iron = { widthMm: 50, bedDeg: 45, leftMm: 0, rightMm: 0 };
  const causes = (more: object): readonly string[] =>
    boardTracks({ ...iron, ...more }).map(({ cause }) => cause);

  it('tell tilt, want of camber and a nick apart, and name all three where they meet', () => {
    expect(causes({ leftMm: 0.04 })).toEqual(['tilted']);
    expect(causes({ leftMm: 0.04, rightMm: 0.04 })).toEqual(['too-flat']);
    expect(causes({ lineMm: 0.03, spacingMm: 30 })).toEqual(['nicked']);
    expect(causes({ leftMm: 0.06, rightMm: 0.03, lineMm: 0.02 })).toEqual(['tilted', 'too-flat', 'nicked']);
    expect(causes({})).toEqual(['none']);
  });

  it('measure the tilt by the width and the missing camber by the bed', () => {
    const [tilt] = boardTracks({ ...iron, rightMm: 0.05 });
    expect(tilt?.figure).toBeCloseTo((Math.atan(0.001) * 180) / Math.PI, 9);
    expect(tilt?.says).toContain('right side');
    const [flat] = boardTracks({ ...iron, leftMm: 0.05, rightMm: 0.05 });
    expect(flat?.figure).toBeCloseTo(0.0707, 4);
  });

  it('refuse readings that contradict each other', () => {
    expect(() => boardTracks({ ...iron, spacingMm: 60, leftMm: 0.02 })).toThrowError(
      Refusal,
      /not this iron’s/,
    );
    expect(() => boardTracks({ ...iron, spacingMm: 30 })).toThrowError(Refusal, /no height/);
  });
});

/** Mulberry32, public domain: the same numbers every time. */
function seeded(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}
const normal = (random: () => number): number =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
