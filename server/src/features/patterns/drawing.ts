import { formatAngle, formatLength } from '@mellow-anvil/core/base';
import type { Pattern, PatternHand } from '@mellow-anvil/core/pattern';
import type { Settings } from '@mellow-anvil/core/workshop';
import { patternDxf } from './dxf.js';
import { patternPdf, type PrintOptions } from './pdf.js';
import { patternStl } from './stl.js';
import { patternSvg } from './svg.js';
import type { PatternForm } from '@mellow-anvil/contract';

/** How a workshop's figures are written on what is handed out. */
export const handOf = ({
  units,
  decimalMark: mark,
}: Pick<Settings, 'units' | 'decimalMark'>): PatternHand => ({
  length: (mm) => formatLength(mm, { units, mark }),
  setting: (mm) => formatLength(mm, { units, mark, fixed: true }),
  angle: (deg) => formatAngle(deg, 2, mark),
});

/** A pattern as the content of a file; nothing for paper that has no thickness. */
export async function drawn(
  pattern: Pattern,
  form: PatternForm,
  options: PrintOptions,
): Promise<Uint8Array | string | undefined> {
  switch (form) {
    case 'pdf':
      return patternPdf(pattern, options);
    case 'svg':
      return patternSvg(pattern);
    case 'dxf':
      return patternDxf(pattern);
    case 'stl':
      return patternStl(pattern);
  }
}
