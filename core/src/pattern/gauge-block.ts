import type { Point } from '../blade/section.js';
import { wheelSupport } from '../guide/wheel-support.js';
import { insist, refusedAt } from '../base/refusal.js';
import type { Mark, Pattern, PatternHand } from './pattern.js';

interface GaugeBlockInput {
  readonly wheelRadiusMm: number;
  readonly jigProjectionMm: number;
  readonly offsetMm: number;
  /** Of the support bar; the block goes between the rim and the bar's near side. */
  readonly barDiameterMm: number;
  readonly anglesDeg: readonly number[];
  readonly thicknessMm: number;
}

interface GaugeStep {
  readonly angleDeg: number;
  /** Rim to the bar's near side. */
  readonly heightMm: number;
}

/** Breadth of one step, enough to feel the bar on. */
const STEP_MM = 14;

/**
 * How high a block stands between a wheel's rim and its support bar at each angle: the bar's gap less
 * its own half.
 * @throws Refusal on `anglesDeg.<n>` or `barDiameterMm` where no block fits
 */
export function gaugeSteps(input: GaugeBlockInput): readonly GaugeStep[] {
  const { anglesDeg, barDiameterMm } = input;
  insist(anglesDeg.length > 0, 'anglesDeg', 'A gauge block has at least one step: give an angle.');
  return anglesDeg.map((angleDeg, i) => {
    const { gapMm } = refusedAt(`anglesDeg.${i}`, () => wheelSupport({ ...input, angleDeg }));
    const heightMm = gapMm - barDiameterMm / 2;
    insist(
      heightMm > 0.5,
      `anglesDeg.${i}`,
      `At ${angleDeg}° the bar stands against the wheel and no block goes between: set the blade further out of the jig.`,
    );
    return { angleDeg, heightMm };
  });
}

/**
 * A stepped block to set a support bar by: it stands on the wheel's rim, along the axle, and the bar
 * is brought down on the step of its angle.
 */
export function gaugeBlock(input: GaugeBlockInput, hand: PatternHand): Pattern {
  const steps = [...gaugeSteps(input)].sort((a, b) => a.heightMm - b.heightMm);
  const outline: readonly Point[] = [
    ...steps
      .flatMap(({ heightMm }, i) => [
        { x: i * STEP_MM, y: heightMm },
        { x: (i + 1) * STEP_MM, y: heightMm },
      ])
      .reverse(),
    { x: 0, y: 0 },
    { x: steps.length * STEP_MM, y: 0 },
  ];
  const title = `Gauge block for the bar, wheel ${hand.length(2 * input.wheelRadiusMm)} across`;
  return {
    title,
    marks: [
      { kind: 'path', layer: 'cut', name: 'block', closed: true, points: outline },
      ...steps.flatMap(({ angleDeg, heightMm }, i): readonly Mark[] => [
        {
          kind: 'path',
          layer: 'face',
          name: `step ${angleDeg}`,
          points: [
            { x: i * STEP_MM, y: heightMm },
            { x: (i + 1) * STEP_MM, y: heightMm },
          ],
        },
        {
          kind: 'text',
          text: `${hand.angle(angleDeg)} · ${hand.length(heightMm)}`,
          sizeMm: 4.2,
          turnDeg: 90,
          at: { x: (i + 0.5) * STEP_MM + 1.5, y: 4 },
        },
      ]),
    ],
    notes: [
      'Wheel stopped: stand the block’s straight side on the rim, along the axle, and bring the bar down on the step of your angle.',
      `Made for this wheel as it measures now, and the blade standing ${hand.length(input.jigProjectionMm)} out of the jig’s bar: make it again as the wheel shrinks.`,
    ],
    solids: [{ outline, fromMm: 0, toMm: input.thicknessMm }],
    letters: steps.map(({ angleDeg, heightMm }, i) => ({
      text: String(Number(angleDeg.toFixed(2))),
      at: { x: (i + 0.5) * STEP_MM, y: heightMm / 2 },
      sizeMm: Math.min(5, heightMm / 4),
      turnDeg: 90,
      onMm: input.thicknessMm,
    })),
  };
}
