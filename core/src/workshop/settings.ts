import type { LengthUnits } from '../measure/length.js';
import type { DecimalMark } from '../measure/number.js';

/** How this workshop is called and how its figures are written. */
export interface Settings {
  readonly name: string;
  readonly units: LengthUnits;
  readonly decimalMark: DecimalMark;
}

export const DEFAULT_SETTINGS: Settings = { name: 'My workshop', units: 'mm', decimalMark: 'point' };
