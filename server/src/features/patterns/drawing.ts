import type { PatternForm } from '@mellow-anvil/contract';
import type { Pattern } from '@mellow-anvil/core/pattern';
import type { PrintOptions } from './pdf.js';

/**
 * A pattern as the content of a file; nothing for paper that has no thickness. What writes a form is loaded when the
 * form is first asked for.
 */
export async function drawn(
  pattern: Pattern,
  form: PatternForm,
  options: PrintOptions,
): Promise<Uint8Array | string | undefined> {
  switch (form) {
    case 'pdf':
      return (await import('./pdf.js')).patternPdf(pattern, options);
    case 'svg':
      return (await import('./svg.js')).patternSvg(pattern);
    case 'dxf':
      return (await import('./dxf.js')).patternDxf(pattern);
    case 'stl':
      return (await import('./stl.js')).patternStl(pattern);
  }
}
