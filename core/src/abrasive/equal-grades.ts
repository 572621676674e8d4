import { GRIT_STANDARDS, gradesOf, type Grade, type GritStandard } from './grit.js';

/** A grade of another system, and the grain it has. */
type EqualGrade = Grade & { readonly sizeUm: number };

/** Further off than this, a system has no grade that may be called equal. */
const NEAR = 1.3;

/**
 * The grade of each system nearest in grain to a size, by ratio; µm as given for the last. A system that
 * has none within 1.3 times is left out.
 */
export function equalGrades(sizeUm: number): readonly EqualGrade[] {
  return GRIT_STANDARDS.map((standard) =>
    standard === 'UM'
      ? { standard, grade: String(Number(sizeUm.toPrecision(3))), sizeUm }
      : nearest(standard, sizeUm),
  ).filter((equal) => Math.max(equal.sizeUm / sizeUm, sizeUm / equal.sizeUm) <= NEAR);
}

function nearest(standard: GritStandard, sizeUm: number): EqualGrade {
  const off = (um: number): number => Math.abs(Math.log(um / sizeUm));
  const [grade, um] = gradesOf(standard).reduce((best, each) => (off(each[1]) < off(best[1]) ? each : best));
  return { standard, grade: String(grade), sizeUm: um };
}
