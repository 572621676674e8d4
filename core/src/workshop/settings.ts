import type { Packing } from '../guide/lift-stack.js';
import type { LengthUnits } from '../base/length.js';
import type { DecimalMark } from '../base/number.js';

/** How this workshop is called and how its figures are written. */
export interface Settings {
  readonly name: string;
  readonly units: LengthUnits;
  readonly decimalMark: DecimalMark;
  /** Washers, cards and coins at hand, to lift a knife's spine with. */
  readonly packing?: readonly Packing[];
  /** What the two 50 mm bars of a printed page measure, where the printer is off. */
  readonly printer?: PrinterBars;
  /** How many times what a sharpening too early costs it costs when an edge gives out in the work. */
  readonly lateCosts?: number;
}

/** The length of the bars a page is checked by, mm. */
export const PRINTED_BAR_MM = 50;

/** What those bars measure on paper, mm. */
export interface PrinterBars {
  readonly acrossMm: number;
  readonly upMm: number;
}

export const DEFAULT_SETTINGS: Settings = { name: 'My workshop', units: 'mm', decimalMark: 'point' };
