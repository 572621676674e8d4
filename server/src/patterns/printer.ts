import type { Response } from 'express';
import type { PrintQuery } from '@mellow-anvil/contract';
import {
  PRINTED_BAR_MM,
  formatAngle,
  formatLength,
  type Pattern,
  type PatternHand,
  type PrinterBars,
  type Settings,
} from '@mellow-anvil/core';
import { HttpProblem } from '../shared/problem.js';
import type { Store } from '../shared/store.js';
import { readSettings } from '../settings/settings.routes.js';
import { patternDxf } from './dxf.js';
import { patternPdf } from './pdf.js';
import { patternStl } from './stl.js';
import { patternSvg } from './svg.js';

const FORMS = {
  pdf: 'application/pdf',
  svg: 'image/svg+xml',
  dxf: 'image/vnd.dxf',
  stl: 'model/stl',
} as const;

/** Hands patterns out at true size, in the workshop's units and for its printer. */
export class Printer {
  constructor(private readonly settings: Store<Settings>) {}

  async hand(): Promise<PatternHand> {
    const { units, decimalMark: mark } = await readSettings(this.settings);
    return {
      length: (mm) => formatLength(mm, { units, mark }),
      setting: (mm) => formatLength(mm, { units, mark, fixed: true }),
      angle: (deg) => formatAngle(deg, 2, mark),
    };
  }

  /** The bars as the query has them, else as the settings do, else a true printer's. */
  async bars({ acrossMm, upMm }: Partial<PrinterBars>): Promise<PrinterBars> {
    const { printer } = await readSettings(this.settings);
    return {
      acrossMm: acrossMm ?? printer?.acrossMm ?? PRINTED_BAR_MM,
      upMm: upMm ?? printer?.upMm ?? PRINTED_BAR_MM,
    };
  }

  async send(response: Response, pattern: Pattern, form: string, query: PrintQuery): Promise<void> {
    if (!Object.hasOwn(FORMS, form)) {
      throw new HttpProblem(
        404,
        'No such form',
        `A pattern is handed out as ${Object.keys(FORMS).join(', ')}: ask for one of them.`,
      );
    }
    const body = await this.rendered(pattern, form as keyof typeof FORMS, query);
    if (body === undefined) {
      throw new HttpProblem(
        404,
        'Only paper',
        'This pattern is paper to fold and has no thickness: print it as PDF, SVG or DXF.',
      );
    }
    sendFile(response, body, FORMS[form as keyof typeof FORMS], `${pattern.title}.${form}`);
  }

  private async rendered(
    pattern: Pattern,
    form: keyof typeof FORMS,
    query: PrintQuery,
  ): Promise<Buffer | string | undefined> {
    switch (form) {
      case 'pdf':
        return patternPdf(pattern, { paper: query.paper, printer: await this.bars(query) });
      case 'svg':
        return patternSvg(pattern);
      case 'dxf':
        return patternDxf(pattern);
      case 'stl':
        return patternStl(pattern);
    }
  }
}

/** A file to keep or print, under a name every system can write. */
export function sendFile(response: Response, body: Buffer | string, type: string, name: string): void {
  const safe = name
    .replace(/[\\/:*?"<>|\p{Cc}]+/gu, ' ')
    .replace(/\s+/g, ' ')
    .trim()
    .slice(-120);
  // Express writes the plain and the full spelling of an odd name (RFC 6266).
  response.attachment(safe);
  response.set('Content-Disposition', response.get('Content-Disposition')?.replace(/^attachment/, 'inline'));
  // The page's content policy would keep a browser's own PDF viewer from showing it.
  if (type === FORMS.pdf) response.removeHeader('Content-Security-Policy');
  response.type(type).set('Cache-Control', 'no-store').send(body);
}
