import fc from 'fast-check';
import { PROOFS } from '../session/session.js';
import { GATE_WORDS } from '../run/gates.js';
import { symptomsOf } from './from-run.js';
import { CAUSE_NAMES, LOOK_NAMES, SYMPTOM_NAMES, causeFacts, type Look, type Symptom } from './knowledge.js';
import { nextLooks, rankCauses } from './ranking.js';

const top = (symptoms: readonly Symptom[], looks: Partial<Record<Look, boolean>> = {}): string =>
  rankCauses({ symptoms, looks })[0]?.cause ?? '';

describe('the puzzle', () => {
  it('reaches every cause from what it shows and the looks that tell it', () => {
    for (const cause of CAUSE_NAMES) {
      const { shows, looks } = causeFacts(cause);
      const symptoms = (Object.keys(shows) as Symptom[]).filter((each) => shows[each] !== 'sometimes');
      const yes = Object.fromEntries(
        LOOK_NAMES.filter((look) => looks[look] !== 'sometimes').map((look) => [
          look,
          looks[look] !== undefined,
        ]),
      );
      const ranked = rankCauses({ symptoms, looks: yes })
        .slice(0, 2)
        .map((each) => each.cause);
      expect(ranked).withContext(cause).toContain(cause);
    }
  });

  it('has a cause and something worth looking at for every symptom, and every look tells something somewhere', () => {
    const told = new Set<Look>();
    for (const symptom of SYMPTOM_NAMES) {
      const [first] = rankCauses({ symptoms: [symptom], looks: {} });
      expect(first && causeFacts(first.cause).shows[symptom])
        .withContext(symptom)
        .toBeDefined();
      for (const { look } of nextLooks({ symptoms: [symptom], looks: {} })) told.add(look);
    }
    expect([...told].sort()).toEqual([...LOOK_NAMES].sort());
  });

  it('says what the trade says of plain cases (common practice, no source)', () => {
    expect(top(['heel-shiny'])).toBe('angle-too-low');
    expect(top(['edge-shiny'])).toBe('angle-steeper');
    expect(top(['dull-at-once', 'shakes-on-nail'])).toBe('burr-left');
    expect(top(['edge-bellied'])).toBe('dished-stone');
    expect(top(['temper-colour'])).toBe('overheated');
    expect(top(['sharp-does-not-cut'])).toBe('no-clearance');
    expect(top(['tracks-on-board'])).toBe('too-little-camber');
    expect(top(['tall-scallops'])).toBe('too-much-camber');
    expect(top(['crumbles'])).toBe('too-acute');
    expect(top(['crumbles'], { 'lens-pits': true, 'lens-chips': false })).toBe('pitted');
    expect(top(['scratches-show'])).toBe('moved-on-too-soon');
  });

  it('keeps shares that sum to one, and never expects a look to confuse (fast-check)', () => {
    fc.assert(
      fc.property(
        fc.subarray([...SYMPTOM_NAMES], { maxLength: 4 }),
        fc.dictionary(fc.constantFrom(...LOOK_NAMES), fc.boolean(), { maxKeys: 4 }),
        (symptoms, looks) => {
          const ranked = rankCauses({ symptoms, looks });
          expect(ranked.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
          for (const { bits } of nextLooks({ symptoms, looks })) expect(bits).toBeGreaterThan(0);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('begins with what a run’s gates and proof recorded', () => {
    expect(symptomsOf(['burr-gaps', 'hot', 'scratches'], [{ test: 'cut', passed: false }])).toEqual([
      'burr-in-part',
      'scratches-show',
      'lines-in-cut',
    ]);
    for (const test of PROOFS) expect(symptomsOf([], [{ test, passed: false }]).length).toBe(1);
    expect(symptomsOf(GATE_WORDS, []).length).toBeGreaterThan(6);
  });
});
