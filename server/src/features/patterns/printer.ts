import type { Response } from 'express';
import { PATTERN_FORMS, type PatternForm, type PrintQuery } from '@mellow-anvil/contract';
import type { Pattern, PatternHand } from '@mellow-anvil/core/pattern';
import { PRINTED_BAR_MM, type PrinterBars, type Settings } from '@mellow-anvil/core/workshop';
import { HttpProblem } from '../../platform/problem.js';
import type { Store } from '../../storage/store.js';
import { readSettings } from '../settings/index.js';
import { beside } from '../../platform/workers.js';
import { handOf } from './hand.js';
import { FILE_TYPES } from '../../platform/file-types.js';
import { drawPatternTask } from './tasks.js';

/** Hands patterns out at true size, in the workshop's units and for its printer. */
export class Printer {
  constructor(private readonly settings: Store<Settings>) {}

  async hand(): Promise<PatternHand> {
    return handOf(await this.figures());
  }

  /** How the workshop writes its figures. */
  async figures(): Promise<Pick<Settings, 'units' | 'decimalMark'>> {
    const { units, decimalMark } = await readSettings(this.settings);
    return { units, decimalMark };
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
    if (!isForm(form)) {
      throw new HttpProblem(
        404,
        'No such form',
        `A pattern is handed out as ${PATTERN_FORMS.join(', ')}: ask for one of them.`,
      );
    }
    const body = await beside(drawPatternTask, {
      pattern,
      form,
      paper: query.paper,
      printer: await this.bars(query),
    });
    if (body === undefined) {
      throw new HttpProblem(
        404,
        'Only paper',
        'This pattern is paper to fold and has no thickness: print it as PDF, SVG or DXF.',
      );
    }
    sendFile(response, body, FILE_TYPES[form] ?? '', `${pattern.title}.${form}`);
  }
}

const isForm = (form: string): form is PatternForm => (PATTERN_FORMS as readonly string[]).includes(form);

/** A file to keep or print, under a name every system can write. */
export function sendFile(response: Response, body: Uint8Array | string, type: string, name: string): void {
  const safe = name
    .replace(/[\\/:*?"<>|\p{Cc}]+/gu, ' ')
    .replace(/\s+/g, ' ')
    .trim()
    .slice(-120);
  // Express writes the plain and the full spelling of an odd name (RFC 6266).
  response.attachment(safe);
  response.set('Content-Disposition', response.get('Content-Disposition')?.replace(/^attachment/, 'inline'));
  // The page's content policy would keep a browser's own PDF viewer from showing it.
  if (type === FILE_TYPES['pdf']) response.removeHeader('Content-Security-Policy');
  response
    .type(type)
    .set('Cache-Control', 'no-store')
    .send(typeof body === 'string' ? body : Buffer.from(body));
}
