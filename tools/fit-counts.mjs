import { join } from 'node:path';
import { ROOT, build, install, say } from './lib/project.mjs';

// Holds the three constants of the stones (rate, its power of the grain, depth of marks) against the strokes
// that people say they make: what each row comes to, how far off that is, and whether other constants would do
// better. Counts of the trade are common practice, no source; what a row assumes beside is said with it.
await install();
build();
const { ABRASIVE_KINDS } = await import(join(ROOT, 'core/dist/abrasive/index.js'));
const { contactMm2, recessionForTipMm, steelToGoBackMm3, unworked } = await import(
  join(ROOT, 'core/dist/work/index.js')
);

const straight = { grind: 'flat', back: 'flat', front: { shape: 'straight' } };
const iron = {
  form: 'single-bevel',
  widthMm: 45,
  thicknessMm: 3,
  primaryDeg: 25,
  secondaryDeg: 30,
  landMm: 0.5,
  ...straight,
};
const chisel = {
  form: 'single-bevel',
  widthMm: 19,
  thicknessMm: 3.5,
  primaryDeg: 25,
  landMm: 0.5,
  ...straight,
  grind: 'hollow',
  grindRadiusMm: 75,
};
const knives = { form: 'knife-set', count: 2, lengthMm: 150, widthMm: 20, thicknessMm: 3, bevelDeg: 40 };
const sloyd = {
  form: 'knife',
  lengthMm: 80,
  widthMm: 18,
  spineMm: 2.6,
  leftDeg: 11.5,
  rightDeg: 11.5,
  grind: 'flat',
};
const chip = {
  form: 'knife',
  lengthMm: 40,
  widthMm: 14,
  spineMm: 2,
  leftDeg: 10,
  rightDeg: 10,
  grind: 'flat',
};
const hook = {
  form: 'hook',
  make: 'flat-inside',
  lengthMm: 50,
  innerRadiusMm: 20,
  thicknessMm: 2.5,
  includedDeg: 25,
};
const TWO_HANDS_N = 20;
const ONE_HAND_N = 12;

/** Strokes of an abrasive that take so much steel. */
const strokes = (mm3, { rate, forceN, strokeMm }) => mm3 / ((rate * forceN * strokeMm) / 1000);
const toABurr = (edge, tipUm, sides) =>
  steelToGoBackMm3(edge, unworked(edge), recessionForTipMm(tipUm, included(edge), sides));
const included = ({ secondaryDeg, primaryDeg, bevelDeg, leftDeg, includedDeg }) =>
  secondaryDeg ?? primaryDeg ?? bevelDeg ?? (leftDeg ? 2 * leftDeg : includedDeg);
const marks = (edge, fromUm, toUm) => (contactMm2(edge, unworked(edge)) * Math.max(0, fromUm - toUm)) / 1000;

/** @type {readonly [what: string, low: number, high: number, (c: Constants) => number][]} */
const ROWS = [
  [
    'plane iron 25/30, to a burr, JIS 1000 (tip 3 µm)',
    4,
    10,
    (c) => strokes(toABurr(iron, 3, 1), c.on(11.5, 'water-stone', TWO_HANDS_N, 150)),
  ],
  [
    'the same polished, JIS 8000, pulled',
    4,
    5,
    (c) => strokes(marks(iron, c.marks(11.5), c.marks(1.2)), c.on(1.2, 'water-stone', TWO_HANDS_N, 150)),
  ],
  [
    'hollow chisel touched up, 600 diamond (25 µm; tip 3 µm)',
    3,
    4,
    (c) => strokes(toABurr(chisel, 3, 1), c.on(25, 'diamond-plate', TWO_HANDS_N, 120)),
  ],
  [
    'machine knives, two at a time, P220 (68 µm; tip 4 µm)',
    20,
    20,
    (c) => strokes(toABurr(knives, 4, 1), c.on(68, 'film', TWO_HANDS_N, 150)),
  ],
  [
    'machine knives, P400 after P320',
    20,
    20,
    (c) => strokes(marks(knives, c.marks(46.2), c.marks(35)), c.on(35, 'film', TWO_HANDS_N, 150)),
  ],
  [
    'sloyd knife, coarse plate (45 µm; tip 4 µm), both sides',
    10,
    12,
    (c) => strokes(toABurr(sloyd, 4, 2), c.on(45, 'diamond-plate', ONE_HAND_N, 100)),
  ],
  [
    'sloyd knife, fine plate after middle (9 after 25 µm)',
    10,
    12,
    (c) => strokes(marks(sloyd, c.marks(25), c.marks(9)), c.on(9, 'diamond-plate', ONE_HAND_N, 100)),
  ],
  [
    'chip knife, 1000 (tip 3 µm), both sides',
    30,
    30,
    (c) => strokes(toABurr(chip, 3, 2), c.on(11.5, 'water-stone', ONE_HAND_N, 100)),
  ],
  [
    'hook, P400 on a rod (tip 5 µm), at 60 a minute',
    20,
    90,
    (c) => strokes(toABurr(hook, 5, 1), c.on(35, 'rod-paper', 8, 60)),
  ],
];

const constants = ({ k14, power, share }) => ({
  marks: (um) => share * um,
  on: (um, kind, forceN, strokeMm) => ({
    rate: k14 * (um / 14) ** power * (ABRASIVE_KINDS[kind].factor ?? 1),
    forceN,
    strokeMm,
  }),
});
const off = (made, low, high) =>
  made < low ? Math.log(made / low) : made > high ? Math.log(made / high) : 0;
const misfit = (c) =>
  ROWS.reduce((sum, [, low, high, made]) => sum + off(made(constants(c)), low, high) ** 2, 0);

function print(title, c) {
  say(
    `\n${title}: K(14 µm) ${c.k14.toFixed(4)} mm³/N·m, power ${c.power.toFixed(2)}, marks ${c.share.toFixed(3)} of the grain; rms ${Math.sqrt(misfit(c) / ROWS.length).toFixed(2)} in ln`,
  );
  for (const [what, low, high, made] of ROWS) {
    const is = made(constants(c));
    const far = off(is, low, high);
    say(
      `  ${what.padEnd(60)} ${String(low === high ? low : `${low}–${high}`).padStart(6)}  ${is.toFixed(1).padStart(6)}  ${far === 0 ? 'within' : `× ${Math.exp(far).toFixed(2)}`}`,
    );
  }
}

let best = { k14: 0.0056, power: 0.8, share: 0.12 };
print('As they stand', best);
for (let k14 = 0.002; k14 <= 0.03; k14 *= 1.05) {
  for (let power = 0.2; power <= 1.6; power += 0.05) {
    for (let share = 0.02; share <= 0.3; share *= 1.05) {
      if (misfit({ k14, power, share }) < misfit(best)) best = { k14, power, share };
    }
  }
}
print('Fitted to these rows', best);
