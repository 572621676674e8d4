import { TestBed } from '@angular/core/testing';
import type { Session } from '@mellow-anvil/core/record';
import { Figures } from '../ui/figures';
import { playServer, stored } from '../testing/page';
import { blankEntry, filled, fromLocal, toLocal } from '../data/blank-entry';
import { changeWords, entryWords, outcomeWords, useWords } from './entry-words';
import { IRON } from '../testing/page';

const session = (more: Partial<Session> & Pick<Session, 'kind'>): Session => ({
  toolId: 'iron',
  startedAt: '2026-11-02T09:00:00Z',
  ...more,
});

describe('words of an entry', () => {
  let figures: Figures;
  beforeEach(() => {
    playServer();
    figures = TestBed.inject(Figures);
  });
  const named = (id: string): string => `Stone ${id}`;

  it('tell use by its measure, wood, chips and whether it still cut', () => {
    const use = (more: Partial<Session>): string => useWords(session({ kind: 'use', ...more }), figures);
    expect(use({ use: { minutes: 95, wood: 'oak', stillCutting: false } })).toBe(
      '1 h 35 min in oak, no longer cutting',
    );
    expect(use({ use: { metresPlaned: 40 }, chips: { count: 2, deepestMm: 0.3 } })).toBe(
      '40 m, 2 chips 0.3 mm deep',
    );
    expect(use({ use: { mortises: 1, stillCutting: true } })).toBe('1 mortise, still cutting');
    expect(use({ minutes: 20 })).toBe('20 min');
    expect(use({})).toBe('A spell');
  });

  it('tell a sharpening by what it was, the strokes that were made, angle and time', () => {
    const honing = session({
      kind: 'honing',
      minutes: 4,
      conditionBefore: { kind: 'very-dull' },
      setting: { angleDeg: 30.5 },
      steps: [
        { abrasiveId: 'a', strokes: 12, minutes: 2 },
        { abrasiveId: 'b', strokes: 0, minutes: 1 },
      ],
    });
    const words = (of: Session): string => entryWords({ session: stored(of, 's') }, named, figures);
    expect(words(honing)).toBe('was very dull · Stone a 12 strokes · 30.5° · 4 min');
    expect(words(session({ kind: 'measuring', landMm: 0.85 }))).toBe('Land 0.85 mm');
    expect(words(session({ kind: 'stropping', minutes: 1 }))).toBe('1 min');
  });

  it('tell burr, proof and the word said of it in one line', () => {
    const proof = [
      { test: 'nail', passed: true },
      { test: 'cut', passed: false },
    ] as const;
    expect(outcomeWords({ burr: 'in-part', proof, word: 'Later.' })).toBe(
      'Burr in part, bites the thumbnail, leaves torn fibre. Later.',
    );
    expect(outcomeWords({})).toBe('');
  });

  it('tell what changed of the edge, and nothing of a use', () => {
    const entry = { landBeforeMm: 0.5, landMm: 0.62, backMm: 0.014, steelMm3: 0.1 };
    const of = (kind: Session['kind']): string =>
      changeWords({ session: stored(session({ kind }), 's'), ...entry }, figures);
    expect(of('honing')).toBe('land 0.5 mm → 0.62 mm, edge back 14 µm');
    expect(of('use')).toBe('');
  });
});

describe('an entry put in by hand', () => {
  const tool = stored(IRON, 'iron');
  const now = new Date('2026-11-23T09:30:00Z');

  it('begins from the family’s measure and the setting last honed at', () => {
    const setting = {
      angleDeg: 31,
      guideId: 'g',
      seatName: 'Jaws',
      projectionMm: 28,
      at: '2026-11-01T00:00:00Z',
    };
    expect(Object.keys(blankEntry(tool, 'use', now, undefined).use ?? {})).toEqual([
      'metresPlaned',
      'stillCutting',
    ]);
    const honing = blankEntry(tool, 'honing', now, setting);
    expect(honing.setting).toEqual({ angleDeg: 31, guideId: 'g', seatName: 'Jaws', projectionMm: 28 });
    expect(blankEntry(tool, 'honing', now, undefined).setting).toBeUndefined();
    expect(blankEntry(tool, 'measuring', now, undefined).steps).toBeUndefined();
  });

  it('leaves empty fields out, all the way down, and keeps noes and noughts', () => {
    expect(
      filled({
        who: '',
        use: { wood: '', stillCutting: false },
        chips: undefined,
        steps: [{ strokes: 0, forceN: undefined }],
        setting: {},
      }),
    ).toEqual({ use: { stillCutting: false }, steps: [{ strokes: 0 }] } as never);
  });

  it('shows the time of day here, and takes it back to the same instant', () => {
    expect(fromLocal(toLocal('2026-07-04T15:45:00.000Z'))).toBe('2026-07-04T15:45:00.000Z');
    expect(fromLocal('')).toBe('');
  });
});
