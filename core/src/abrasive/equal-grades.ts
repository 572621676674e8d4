import { GRIT_STANDARDS, gradesOf, type Grade, type GritStandard } from './grit.js';

/** The grade of each system nearest in grain to a size, by ratio; µm as given for the last. */
export function equalGrades(sizeUm: number): readonly (Grade & { readonly sizeUm: number })[] {
  return GRIT_STANDARDS.map((standard) => {
    if (standard === 'UM') return { standard, grade: String(Number(sizeUm.toPrecision(3))), sizeUm };
    return nearest(standard, sizeUm);
  });
}

function nearest(standard: GritStandard, sizeUm: number): Grade & { readonly sizeUm: number } {
  const off = (um: number): number => Math.abs(Math.log(um / sizeUm));
  const [grade, um] = gradesOf(standard).reduce((best, each) => (off(each[1]) < off(best[1]) ? each : best));
  return { standard, grade: String(grade), sizeUm: um };
}
