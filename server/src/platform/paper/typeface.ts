import { createRequire } from 'node:module';
import { create, type Font } from 'fontkit';
import { readFileSync } from 'node:fs';

const here = createRequire(import.meta.url);
const file = (subset: string, weight: number): string =>
  here.resolve(
    `@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-${subset}-${weight}-normal.woff`,
  );

export type Weight = 'plain' | 'strong';
const NUMBERS: Readonly<Record<Weight, number>> = { plain: 400, strong: 700 };
export const WEIGHTS: readonly Weight[] = ['plain', 'strong'];
const SUBSETS = ['latin', 'latin-ext'] as const;

/** A file of the page's own typeface, and whether it has a character. */
export interface Face {
  readonly name: string;
  readonly data: Buffer;
  has(character: string): boolean;
}

const opened = new Map<Weight, readonly Face[]>();

/** The files of one weight, the commonest characters first. */
export function facesOf(weight: Weight): readonly Face[] {
  const known = opened.get(weight);
  if (known) return known;
  const faces = SUBSETS.map((subset): Face => {
    const data = readFileSync(file(subset, NUMBERS[weight]));
    const font = create(data) as Font;
    return {
      name: `${subset}-${weight}`,
      data,
      has: (character) => font.hasGlyphForCodePoint(character.codePointAt(0) ?? 0),
    };
  });
  opened.set(weight, faces);
  return faces;
}

/** Stands for a character no file has. */
const UNKNOWN = '?';

/** A stretch of text in one file of the typeface. */
export interface Run {
  readonly face: Face;
  readonly text: string;
}

/** A text in stretches, each in a file that has its characters; what none has becomes a question mark. */
export function runsOf(text: string, weight: Weight): readonly Run[] {
  const faces = facesOf(weight);
  const runs: { face: Face; text: string }[] = [];
  // The micro sign's Greek twin, and the other way round, are one to a reader.
  for (const given of text.normalize('NFC')) {
    const alike = [given, given.replace('µ', 'μ'), given.replace('μ', 'µ'), UNKNOWN];
    const found = alike
      .flatMap((character) => faces.map((face) => ({ face, character })))
      .find(({ face, character }) => face.has(character));
    if (!found) continue;
    const last = runs.at(-1);
    if (last?.face === found.face) last.text += found.character;
    else runs.push({ face: found.face, text: found.character });
  }
  return runs;
}

/** Whether every character of a text can be printed. */
export const printable = (text: string): boolean =>
  Array.from(text.normalize('NFC')).every((character) =>
    [character, character.replace('µ', 'μ'), character.replace('μ', 'µ')].some((each) =>
      facesOf('plain').some((face) => face.has(each)),
    ),
  );
