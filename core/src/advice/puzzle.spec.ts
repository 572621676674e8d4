import fc from 'fast-check';
import { PROOFS } from '../record/session.js';
import { GATE_WORDS } from '../run/answers.js';
import { seenInRun } from './from-run.js';
import { CAUSE_NAMES, causeFacts } from './causes.js';
import { LOOK_NAMES, SEEN_ALREADY, SYMPTOM_NAMES, type Look, type Symptom } from './signs.js';
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
    // Nothing but heat colours steel: said with confidence, and not asked again.
    expect(rankCauses({ symptoms: ['temper-colour'], looks: {} })[0]).toEqual({
      cause: 'overheated',
      share: jasmine.any(Number) as unknown as number,
    });
    expect(rankCauses({ symptoms: ['temper-colour'], looks: {} })[0]?.share).toBeGreaterThan(0.85);
    expect(top(['sharp-does-not-cut'])).toBe('no-clearance');
    expect(top(['tracks-on-board'])).toBe('too-little-camber');
    expect(top(['tall-scallops'])).toBe('too-much-camber');
    expect(top(['crumbles'])).toBe('too-acute');
    expect(top(['crumbles'], { 'lens-pits': true, 'lens-chips': false })).toBe('pitted');
    expect(top(['scratches-show'])).toBe('moved-on-too-soon');
    expect(top(['no-burr'], { 'stone-shines': true })).toBe('stone-loaded');
    expect(top(['dull-at-once'], { 'file-bites': true })).toBe('steel-soft');
    expect(top(['shavings-jam'])).toBe('breaker-off');
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
    expect(seenInRun(['burr-gaps', 'hot', 'scratches'], [{ test: 'cut', passed: false }])).toEqual({
      symptoms: ['burr-in-part', 'scratches-show', 'lines-in-cut'],
      looks: {},
    });
    for (const test of PROOFS) expect(seenInRun([], [{ test, passed: false }]).symptoms.length).toBe(1);
    expect(seenInRun(GATE_WORDS, []).symptoms.length).toBeGreaterThan(6);
    expect(seenInRun(['marker-hollow'], [])).toEqual({ symptoms: [], looks: { 'marker-patches': true } });
  });

  it('takes a run’s evidence as it was given: a strong place is no gap, a failed hair test no skating nail', () => {
    expect(seenInRun(['burr-strong'], [])).toEqual({ symptoms: ['burr-uneven'], looks: {} });
    expect(seenInRun([], [{ test: 'hair', passed: false }]).symptoms).toEqual(['not-fine']);
    expect(top(['burr-uneven'])).toBe('uneven-pressure');
    expect(top(['not-fine'])).toBe('moved-on-too-soon');
  });

  it('takes nobody’s record for what a straightedge on the stone has just denied', () => {
    const seen = { symptoms: ['edge-bellied'], looks: {}, likelier: { 'dished-stone': 2 } } as const;
    expect(rankCauses(seen)[0]?.cause).toBe('dished-stone');
    const denied = rankCauses({ ...seen, looks: { 'straightedge-stone': false } });
    expect(denied.find(({ cause }) => cause === 'dished-stone')?.share).toBeLessThan(0.1);
    expect(denied[0]?.cause).not.toBe('dished-stone');
  });

  it('counts no look twice: what a symptom names already is neither asked for nor counted again', () => {
    for (const [look, symptom] of Object.entries(SEEN_ALREADY) as [Look, Symptom][]) {
      const seen = { symptoms: [symptom], looks: {} };
      expect(nextLooks(seen).map((next) => next.look))
        .withContext(look)
        .not.toContain(look);
      expect(rankCauses({ ...seen, looks: { [look]: true } })).toEqual(rankCauses(seen));
    }
  });
});
