/** A colour plain carbon steel takes on in air, and from what temperature. */
interface TemperColour {
  readonly fromC: number;
  readonly colour: string;
}

/**
 * Temper colours of plain carbon steel: Machinery's Handbook, table “Temperatures as indicated by the
 * color of plain carbon steel”, 430–640 °F; from memory.
 */
export const TEMPER_COLOURS: readonly TemperColour[] = (
  [
    [430, 'very pale yellow'],
    [440, 'light yellow'],
    [450, 'pale straw-yellow'],
    [460, 'straw-yellow'],
    [470, 'deep straw-yellow'],
    [480, 'dark yellow'],
    [490, 'yellow-brown'],
    [500, 'brown-yellow'],
    [510, 'spotted red-brown'],
    [520, 'brown-purple'],
    [530, 'light purple'],
    [540, 'full purple'],
    [550, 'dark purple'],
    [560, 'full blue'],
    [570, 'dark blue'],
    [640, 'light blue'],
  ] as const
).map(([fahrenheit, colour]) => ({ fromC: ((fahrenheit - 32) * 5) / 9, colour }));

/** The colour a temperature leaves; undefined below the first. */
export const temperColour = (celsius: number): string | undefined =>
  TEMPER_COLOURS.filter(({ fromC }) => celsius >= fromC).at(-1)?.colour;

/** Temperatures one may not want to pass, °C. */
export const HEAT_LIMITS = {
  /** Skin cannot stay on metal this hot (common practice, no source). */
  'too-hot-to-hold': 55,
  /** Where plain carbon edge tools are usually tempered: light straw (common practice, no source). */
  'usual-tempering': 200,
} as const;
export type HeatLimit = keyof typeof HEAT_LIMITS;
