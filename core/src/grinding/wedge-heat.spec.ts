import fc from 'fast-check';
import { conduct, heldJ, type Bar } from './conduction.js';
import { TEMPER_COLOURS, temperColour } from './temper-colours.js';
import { THERMAL_STEELS, wedgeHeat, type WedgeHeatInput } from './wedge-heat.js';

const CHISEL: WedgeHeatInput = {
  bevelDeg: 25,
  thicknessMm: 3.5,
  widthMm: 19,
  stopShortMm: 0.7,
  pushN: 5,
  rimMs: 22,
  steel: 'high-carbon',
  limitC: 200,
};
const real = (min: number, max: number): fc.Arbitrary<number> => fc.double({ min, max, noNaN: true });

/** ierfc(x) = ∫ₓ^∞ erfc, and erfc itself, by Simpson's rule on its integrand: no table, no fit. */
function ierfc(x: number): number {
  const erfc = (from: number): number => (2 / Math.sqrt(Math.PI)) * simpson((t) => Math.exp(-t * t), from, 8);
  return Math.exp(-x * x) / Math.sqrt(Math.PI) - x * erfc(x);
}
function simpson(f: (x: number) => number, from: number, to: number): number {
  const parts = 2000;
  const h = (to - from) / parts;
  let sum = f(from) + f(to);
  for (let i = 1; i < parts; i++) sum += f(from + i * h) * (i % 2 ? 4 : 2);
  return (sum * h) / 3;
}

describe('the heat of grinding', () => {
  it('conducts as the closed solution of constant flux on a half space has it (Carslaw and Jaeger, §2.9)', () => {
    const { conductivity, density, heat } = THERMAL_STEELS['high-carbon'];
    const [cellM, cells, flux] = [0.05e-3, 800, 5e5];
    const diffusivity = conductivity / density / heat;
    const fill = (n: number, value: number): Float64Array => new Float64Array(n).fill(value);
    const bar: Bar = {
      capacity: fill(cells, cellM * density * heat),
      conductance: fill(cells - 1, conductivity / cellM),
      source: fill(cells, 0),
      loss: fill(cells, 0),
      coolantC: 20,
    };
    bar.source[0] = flux;
    for (const seconds of [0.2, 1, 3]) {
      const celsius = fill(cells, 20);
      conduct(bar, celsius, seconds);
      for (const cell of [0, 10, 40, 100]) {
        const depth = (cell + 0.5) * cellM;
        const spread = Math.sqrt(diffusivity * seconds);
        const exact = 20 + ((2 * flux * spread) / conductivity) * ierfc(depth / 2 / spread);
        expect(Math.abs((celsius[cell] ?? 0) - exact))
          .withContext(`${seconds} s, cell ${cell}`)
          .toBeLessThan(0.003 * (exact - 20) + 0.01);
      }
    }
  });

  it('keeps every joule: what the wheel puts in is in the steel or in the air (fast-check)', () => {
    fc.assert(
      fc.property(
        real(12, 45),
        real(2, 6),
        real(5, 60),
        real(0, 1),
        real(1, 20),
        real(60, 400),
        (bevelDeg, thicknessMm, widthMm, stopShortMm, pushN, limitC) => {
          const input = {
            ...CHISEL,
            bevelDeg,
            thicknessMm,
            widthMm,
            stopShortMm,
            pushN,
            limitC,
            longestS: 2,
            cellMm: 0.25,
          };
          const { energy } = wedgeHeat(input);
          expect(Math.abs(energy.heldJ + energy.lostJ - energy.inJ)).toBeLessThan(1e-9 * (energy.inJ + 1));
        },
      ),
      { numRuns: 40 },
    );
  });

  it('changes by less than a percent when its cells, and so its steps, are halved', () => {
    for (const change of [{}, { bevelDeg: 15, thicknessMm: 2 }, { stopShortMm: 0 }, { limitC: 55 }]) {
      const coarse = wedgeHeat({ ...CHISEL, ...change }).passS ?? NaN;
      const fine = wedgeHeat({ ...CHISEL, ...change, cellMm: 0.1 }).passS ?? NaN;
      expect(Math.abs(coarse / fine - 1))
        .withContext(JSON.stringify(change))
        .toBeLessThan(0.01);
    }
  });

  it('without conduction or air heats as q/(ρ·c·t): a lumped slab', () => {
    const bar: Bar = {
      capacity: Float64Array.of(2),
      conductance: new Float64Array(0),
      source: Float64Array.of(10),
      loss: Float64Array.of(0),
      coolantC: 20,
    };
    const celsius = Float64Array.of(20);
    conduct(bar, celsius, 3);
    expect(celsius[0]).toBeCloseTo(35, 9);
    expect(heldJ(bar, celsius, 20)).toBeCloseTo(30, 9);
  });

  it('gives a pass less time for a thinner tip, a harder push, a faster wheel, a nearer edge and worse steel', () => {
    const whole = wedgeHeat(CHISEL).passS ?? NaN;
    const hotter: Partial<WedgeHeatInput>[] = [
      { bevelDeg: 20 },
      { thicknessMm: 2.5 },
      { widthMm: 12 },
      { pushN: 8 },
      { rimMs: 30 },
      { stopShortMm: 0 },
      { steel: 'high-chromium' },
      { limitC: 150 },
      { startC: 60 },
    ];
    for (const change of hotter)
      expect(wedgeHeat({ ...CHISEL, ...change }).passS ?? Infinity)
        .withContext(JSON.stringify(change))
        .toBeLessThan(whole);
    expect(wedgeHeat({ ...CHISEL, rimMs: 1.2 }).passS)
      .withContext('a wet wheel’s speed')
      .toBeUndefined();
  });

  it('refuses what is no pass, in words', () => {
    expect(() => wedgeHeat({ ...CHISEL, stopShortMm: 9 })).toThrowError(/whole bevel/);
    expect(() => wedgeHeat({ ...CHISEL, limitC: 15 })).toThrowError(/limit above/);
  });

  it('names the colours of Machinery’s Handbook (from memory): straw-yellow at 238 °C, full blue at 293 °C', () => {
    expect([temperColour(220), temperColour(238), temperColour(294), temperColour(400)]).toEqual([
      undefined,
      'straw-yellow',
      'full blue',
      'light blue',
    ]);
    const rising = TEMPER_COLOURS.map(({ fromC }) => fromC);
    expect(rising).toEqual([...rising].sort((a, b) => a - b));
  });
});
