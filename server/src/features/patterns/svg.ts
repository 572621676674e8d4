import { create } from 'xmlbuilder2';
import type { Point } from '@mellow-anvil/core/blade';
import { extentOf, type Pattern } from '@mellow-anvil/core/pattern';
import { PENS } from './pdf.js';

const MARGIN = 5;
/** Places kept: a ten-thousandth of a millimetre. */
const n = (value: number): string => String(Number(value.toFixed(4)));
/** Control characters no XML file may hold. */

const plain = (text: string): string =>
  text.replace(/[\u0000-\u001F\uFFFE\uFFFF]|[\uD800-\uDFFF](?![\uDC00-\uDFFF])/g, ' ');

/** A pattern as SVG in millimetres, one named path for each line. */
export function patternSvg(pattern: Pattern): string {
  const { left, right, top, bottom } = extentOf(pattern);
  const [width, height] = [right - left + 2 * MARGIN, top - bottom + 2 * MARGIN];
  const at = ({ x, y }: Point): Point => ({ x: x - left + MARGIN, y: top - y + MARGIN });
  const root = create({ version: '1.0', encoding: 'UTF-8' }).ele('http://www.w3.org/2000/svg', 'svg', {
    width: `${n(width)}mm`,
    height: `${n(height)}mm`,
    viewBox: `0 0 ${n(width)} ${n(height)}`,
  });
  root.ele('title').txt(plain(pattern.title));
  for (const mark of pattern.marks) {
    if (mark.kind === 'path') {
      const { widthMm, dashMm } = PENS[mark.layer];
      const points = mark.points.map(at).map(({ x, y }) => `${n(x)} ${n(y)}`);
      root.ele('path', {
        class: mark.layer,
        ...(mark.name && { 'data-name': plain(mark.name) }),
        d: `M${points.join('L')}${mark.closed ? 'Z' : ''}`,
        fill: 'none',
        stroke: 'black',
        'stroke-width': String(widthMm),
        ...(dashMm && { 'stroke-dasharray': dashMm.join(' ') }),
      });
    } else {
      const { x, y } = at(mark.at);
      root
        .ele('text', {
          x: n(x),
          y: n(y),
          'font-size': String(mark.sizeMm),
          'font-family': 'Atkinson Hyperlegible Next, sans-serif',
          'text-anchor': mark.align ?? 'start',
          ...(mark.turnDeg && { transform: `rotate(${n(-mark.turnDeg)} ${n(x)} ${n(y)})` }),
        })
        .txt(plain(mark.text));
    }
  }
  return root.end({ prettyPrint: true });
}
