import fc from 'fast-check';
import { Refusal } from '../base/refusal.js';
import { progression, type ProgressionAbrasive, type ProgressionInput } from './progression.js';
import { verdicts } from './verdicts.js';

const stone = (id: string, sizeUm: number, overheadMin = 0.5): ProgressionAbrasive => ({
  id,
  sizeUm,
  strokeMm: 150,
  overheadMin,
});
const job = { removeMm3: 0.15, contactMm2: 22, forceN: 20, strokesPerMin: 40 };
const judge = (input: ProgressionInput): Map<string, { used: boolean; minutes?: number; why: string }> =>
  new Map(verdicts(input, progression(input)).map((verdict) => [verdict.id, verdict]));

describe('verdicts', () => {
  const set = [
    stone('coarse', 58),
    stone('middle', 11.5),
    stone('between', 5),
    stone('fine', 1.2),
    stone('finest', 0.5),
  ];
  const input: ProgressionInput = { abrasives: set, job, finishUm: 2, maxRatio: 10 };

  it('give each stone its own reason', () => {
    const found = judge(input);
    expect(found.get('coarse')?.why).toMatch(/^Too coarse a start/);
    expect(found.get('middle')?.why).toMatch(/^Takes the worn edge off\. Without it/);
    expect(found.get('between')?.why).toMatch(/^The next stone clears the scratches/);
    expect(found.get('fine')?.why).toMatch(/^Clears the scratches before it and leaves the finish/);
    expect(found.get('finest')?.why).toMatch(/^As fine as 0\.5 µm is not needed/);
  });

  it('say when nothing can take a stone’s place, and when no jump leads through it', () => {
    const lonely = judge({ ...input, abrasives: [stone('middle', 11.5), stone('fine', 1.2)], finishUm: 1.2 });
    expect(lonely.get('fine')?.why).toContain('Nothing else here can take its place');
    expect(lonely.get('fine')?.minutes).toBeUndefined();
    const stranded = judge({ ...input, abrasives: [stone('boulder', 400), stone('fine', 1.2)], maxRatio: 3 });
    expect(stranded.get('boulder')?.why).toContain('largest jump');
    const all = judge({ ...input, abrasives: [stone('only', 1.2)] });
    expect(all.get('only')?.why).toMatch(/^Takes the worn edge off and leaves the finish/);
  });

  it('price a stone by what the plan would really take without it (fast-check)', () => {
    const sizes = fc.uniqueArray(fc.constantFrom(58, 35, 25, 14, 11.5, 8, 5, 3, 2, 1.2, 0.5), {
      minLength: 2,
      maxLength: 7,
    });
    fc.assert(
      fc.property(sizes, fc.constantFrom(0.05, 0.4, 3), (list, removeMm3) => {
        const abrasives = list.map((um) => stone(String(um), um));
        const asked: ProgressionInput = {
          abrasives,
          job: { ...job, removeMm3 },
          finishUm: Math.max(2, Math.min(...list)),
        };
        const chosen = progression(asked);
        for (const { id, used, minutes } of verdicts(asked, chosen)) {
          expect(used).toBe(chosen.steps.some((step) => step.id === id));
          if (minutes !== undefined) expect(minutes).toBeGreaterThanOrEqual(0);
          if (!used) continue;
          const rest = abrasives.filter((abrasive) => abrasive.id !== id);
          let without: number | undefined;
          try {
            without = progression({ ...asked, abrasives: rest }).totalMin;
          } catch (reason) {
            expect(reason).toBeInstanceOf(Refusal);
          }
          if (without === undefined) expect(minutes).toBeUndefined();
          else expect(minutes).toBeCloseTo(without - chosen.totalMin, 9);
        }
      }),
      { numRuns: 100 },
    );
  });
});
