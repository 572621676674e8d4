import { insist } from '../base/refusal.js';
import { toDeg } from '../base/trig.js';
import type { DoubleBevelEdge, KnifeEdge } from './edge.js';
import { bevelArc, chord, steps } from './ground-face.js';
import type { ChainFacet, EdgeChain, Point } from './section.js';

/** The section of an edge bevelled on both sides, its centre plane along the axis. */
export function twoSided(edge: DoubleBevelEdge | KnifeEdge, bladeMm: number | undefined): EdgeChain {
  const thicknessMm = edge.form === 'knife' ? edge.spineMm : edge.thicknessMm;
  insist(thicknessMm > 0, 'thicknessMm', 'A blade has some thickness: give more than 0 mm.');
  const half = thicknessMm / 2;
  const side = (name: 'left' | 'right', deg: number): ChainFacet => {
    const angleField = `${name}Deg`;
    insist(deg > 0 && deg < 90, angleField, 'Choose an angle between 0° and 90° for this side.');
    const arc = bevelArc(edge, half, deg, angleField);
    const sign = name === 'left' ? 1 : -1;
    const points = steps(0, half, edge.grind).map((h) => ({ x: arc(h), y: sign * h }));
    return {
      name,
      side: name === 'left' ? 'upper' : 'lower',
      angleDeg: deg,
      lengthMm: chord(points),
      points,
      angleField,
    };
  };
  const [left, right] = [side('left', edge.leftDeg), side('right', edge.rightDeg)];
  const heelMm = Math.max(...[left, right].map(({ points }) => (points.at(-1) as Point).x));
  if (edge.form === 'knife') {
    insist(
      heelMm <= edge.widthMm,
      edge.leftDeg < edge.rightDeg ? 'leftDeg' : 'rightDeg',
      () =>
        `A blade ${edge.widthMm} mm wide and ${thicknessMm} mm thick at the spine tapers at ${toDeg(Math.atan(half / edge.widthMm)).toFixed(1)}° a side already: choose a steeper bevel.`,
    );
  }
  const endX =
    edge.form === 'knife' && bladeMm === undefined ? edge.widthMm : heelMm + (bladeMm ?? heelMm * 0.5);
  return {
    upper: [left],
    lower: [right],
    outline: [
      ...right.points,
      { x: endX, y: -half },
      { x: endX, y: half },
      ...left.points.slice(1).reverse(),
    ],
    gone: [],
    heelMm,
    thicknessMm,
  };
}
