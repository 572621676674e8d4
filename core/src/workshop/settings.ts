import type { Packing } from '../guide/lift-stack.js';
import type { LengthUnits } from '../measure/length.js';
import type { DecimalMark } from '../measure/number.js';

/** How this workshop is called and how its figures are written. */
export interface Settings {
  readonly name: string;
  readonly units: LengthUnits;
  readonly decimalMark: DecimalMark;
  /** Washers, cards and coins at hand, to lift a knife's spine with. */
  readonly packing?: readonly Packing[];
}

export const DEFAULT_SETTINGS: Settings = { name: 'My workshop', units: 'mm', decimalMark: 'point' };
