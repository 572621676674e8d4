import { Refusal } from '../base/refusal.js';
import { parseNumber } from '../base/number.js';
import { ANSI_COATED, FEPA_F, FEPA_P, JIS, type GradeTable } from './grade-tables.js';

export const GRIT_STANDARDS = ['FEPA-P', 'FEPA-F', 'ANSI', 'JIS', 'UM'] as const;
export type GritStandard = (typeof GRIT_STANDARDS)[number];

/** A grade as it is printed on an abrasive: `P1000`, `F400`, `#8000`, or µm as given. */
export interface Grade {
  readonly standard: GritStandard;
  readonly grade: string;
}

interface GritSize {
  /** Median grain size. */
  readonly sizeUm: number;
  /** The standard behind it. */
  readonly source: string;
  /** True where the table was written from memory and compared with no published copy. */
  readonly fromMemory: boolean;
}

const TABLES: Readonly<Record<Exclude<GritStandard, 'UM'>, GradeTable>> = {
  'FEPA-P': FEPA_P,
  'FEPA-F': FEPA_F,
  ANSI: ANSI_COATED,
  JIS,
};

/** Coarsest and finest µm accepted where a size is given outright. */
const UM_RANGE = [0.01, 5000] as const;

/**
 * Median grain size of a grade, µm. Prefixes people write (`P`, `F`, `#`, `J`) are ignored; grades
 * between two of the table's are refused, since the standards do not interpolate.
 * @throws Refusal on `grade` naming the nearest grades that exist.
 */
export function grit({ standard, grade }: Grade): GritSize {
  if (standard === 'UM') {
    const sizeUm = parseNumber(grade.replace(/(µm|μm|um|microns?)$/i, '').trimEnd(), 'grade');
    if (!(sizeUm >= UM_RANGE[0] && sizeUm <= UM_RANGE[1])) {
      throw new Refusal('grade', `Give a grain size between ${UM_RANGE[0]} and ${UM_RANGE[1]} µm.`);
    }
    return { sizeUm, source: 'as given', fromMemory: false };
  }
  const table = TABLES[standard];
  const number = /^[a-z#\s]*(\d+)\s*$/i.exec(grade.trim())?.[1];
  if (number === undefined) {
    throw new Refusal(
      'grade',
      `“${grade}” is not a grade of ${table.name}; write its number, such as ${table.example}.`,
    );
  }
  const sizeUm = table.sizes.get(Number(number));
  if (sizeUm === undefined) throw new Refusal('grade', unknownGrade(table, Number(number)));
  return { sizeUm, source: table.source, fromMemory: table.fromMemory };
}

/** The grades of a standard, coarse to fine, with their µm; empty for µm as given. */
export function gradesOf(standard: GritStandard): readonly (readonly [number, number])[] {
  return standard === 'UM' ? [] : [...TABLES[standard].sizes];
}

function unknownGrade(table: GradeTable, number: number): string {
  const grades = [...table.sizes.keys()];
  const finest = grades[grades.length - 1] as number;
  const shown = (grade: number): string => `${table.prefix}${grade}`;
  if (number > finest) {
    return `${table.name} ends at ${shown(finest)}; finer numbers are the maker’s own. Give its size in µm instead.`;
  }
  const below = grades.filter((g) => g < number).at(-1);
  const above = grades.find((g) => g > number);
  const near = [below, above].filter((g) => g !== undefined).map(shown);
  return `${table.name} has no ${shown(number)}; the nearest is ${near.join(' or ')}, or give its size in µm.`;
}
