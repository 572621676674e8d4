import fc from 'fast-check';
import { COUNTS } from '../blade/manner.js';
import { placesMade, strokesOf, visitAt, visitsOf } from '../plan/counting.js';
import type { Station } from '../plan/station.js';
import { newtonsOf, type Proof } from '../record/session.js';
import { edgeWord } from './edge-word.js';
import type { BurrFeel, ColourLeft, Light, SeenFromEnd } from './answers.js';
import { GAP_STROKES, ledBack } from './gates.js';
import type { RunPlan } from './run-plan.js';
import { sessionsOfRun } from './run-record.js';
import type { RunEvent, RunFact } from './events.js';
import type { Run, RunStep } from './run-state.js';
import { runOf, strokesLeft } from './run.js';

const PLAN: RunPlan = {
  toolId: 'iron',
  condition: { kind: 'dull' },
  finishUm: 1.2,
  forceN: 20,
  strokesPerMin: 40,
  setting: { angleDeg: 30, projectionMm: 38.12 },
  steps: [
    { abrasiveId: 'w1000', strokes: 8 },
    { abrasiveId: 'w8000', strokes: 5 },
    { abrasiveId: 'strop', strokes: 20, afterBurr: true },
  ],
};
const ORDER: readonly Station[] = [
  { kind: 'ready' },
  { kind: 'look' },
  { kind: 'set', setting: { angleDeg: 30, projectionMm: 38.12 } },
  { kind: 'marker', steeper: true },
  { kind: 'stone', step: 0 },
  { kind: 'burr', step: 0 },
  { kind: 'wash' },
  { kind: 'stone', step: 1 },
  { kind: 'scratch', step: 1 },
  { kind: 'burr-off' },
  { kind: 'nail' },
  { kind: 'proof', before: true },
  { kind: 'stone', step: 2 },
  { kind: 'proof' },
  { kind: 'wipe' },
  { kind: 'away' },
];
const kinds = (stations: readonly Station[]): string =>
  stations.map((s) => (s.kind === 'stone' ? `stone ${s.step}` : s.kind)).join(', ');

const START = Date.UTC(2026, 10, 27, 9);
function run(plan: RunPlan, ...facts: RunFact[]): Run {
  const events = [{ kind: 'begun', plan } as RunFact, ...facts].map((fact, seq): RunEvent => ({
    ...fact,
    id: `e${seq}`,
    seq,
    at: new Date(START + seq * 1000).toISOString(),
  }));
  return runOf(events) as Run;
}
const DONE: RunFact = { kind: 'done' };
const here = ({ stations, at }: Run): Station => stations[at] as Station;
/** Facts that walk a run of this order to the first station of a kind. */
function walkTo(plan: RunPlan, kind: Station['kind']): RunFact[] {
  const upto = (plan.order ?? []).findIndex((each) => each.kind === kind);
  return (plan.order ?? []).slice(0, upto).map((each): RunFact => {
    if (each.kind === 'marker') return { kind: 'marked', left: [] };
    if (each.kind === 'burr') return { kind: 'burr', burr: 'all-along' };
    if (each.kind === 'scratch') return { kind: 'scratched', gone: true };
    if (each.kind === 'nail') return { kind: 'shook', places: [] };
    if (each.kind === 'polished') return { kind: 'polished', polish: 'all' };
    return each.kind === 'heat' ? { kind: 'heated', heat: 'cool' } : DONE;
  });
}

describe('the gates', () => {
  const plan: RunPlan = { ...PLAN, order: ORDER };
  const at = (kind: Station['kind'], ...more: RunFact[]): Run => run(plan, ...walkTo(plan, kind), ...more);
  const burr = (...places: BurrFeel[]): RunFact => ({ kind: 'burr', burr: 'in-part', places });

  it('a burr with gaps puts in three strokes at each of them, and is felt for again', () => {
    const sent = at('burr', burr('felt', 'none', 'felt', 'felt', 'none'));
    const station = here(sent);
    expect(station.kind).toBe('stone');
    const step = sent.steps[(station as { step: number }).step];
    expect(step).toEqual(
      jasmine.objectContaining({ abrasiveId: 'w1000', target: 2 * GAP_STROKES, places: [0, 3, 0, 0, 3] }),
    );
    expect(sent.told).toEqual({ by: 'burr-gaps', press: [1, 4] });
    const again = run(plan, ...walkTo(plan, 'burr'), burr('felt', 'none', 'felt', 'felt', 'none'), DONE);
    expect(here(again).kind).toBe('burr');
    expect(again.told).toBeUndefined();
  });

  it('the weaker side of a double bevel counts; none sends back to the stone; strong places are told and go on', () => {
    const both: RunFact = {
      kind: 'burr',
      burr: 'all-along',
      places: ['felt', 'felt', 'felt', 'felt', 'felt'],
      other: ['felt', 'felt', 'none', 'felt', 'felt'],
    };
    expect(at('burr', both).told?.press).toEqual([2]);
    const none = at('burr', burr('none', 'none', 'none', 'none', 'none'));
    expect([here(none), none.told?.by]).toEqual([{ kind: 'stone', step: 0 }, 'burr-none']);
    const nothing = burr('none', 'none', 'none', 'none', 'none');
    const again = at('burr', nothing, DONE, nothing);
    expect([here(again), again.told?.by]).toEqual([{ kind: 'stone', step: 0 }, 'burr-none-again']);
    const strong = at('burr', burr('felt', 'felt', 'felt', 'strong', 'strong'));
    expect([here(strong).kind, strong.told]).toEqual(['wash', { by: 'burr-strong', press: [0, 1, 2] }]);
    expect(here(at('burr', { kind: 'burr', burr: 'cannot-tell' })).kind).toBe('wash');
  });

  it('colour left says what to change: set again, flatten the stone, or nothing at a land’s heel', () => {
    const left = (...colour: ColourLeft[]): Run => at('marker', { kind: 'marked', left: colour });
    expect(here(left()).kind).toBe('stone');
    expect(here(left('heel')).kind).toBe('stone');
    const low = left('edge');
    expect([here(low).kind, low.told?.by]).toEqual(['set', 'marker-low']);
    expect(left('left').told?.by).toBe('marker-skewed');
    const hollow = left('patches');
    expect(here(hollow)).toEqual({ kind: 'care', abrasiveId: 'w1000', care: 'flattened' });
    expect(kinds(hollow.stations)).toContain('care, marker, stone 0');
    const cared = run(plan, ...walkTo(plan, 'marker'), { kind: 'marked', left: ['patches'] }, DONE);
    expect(cared.cares.map(({ abrasiveId, kind }) => [abrasiveId, kind])).toEqual([['w1000', 'flattened']]);
    expect(here(cared).kind).toBe('marker');
  });

  it('scratches still there ask for more strokes, and the second time for a wash too', () => {
    const once = at('scratch', { kind: 'scratched', gone: false });
    expect([here(once), once.told?.by]).toEqual([{ kind: 'stone', step: 1 }, 'scratches']);
    expect(strokesLeft(once.steps[1] as RunStep)).toBeGreaterThan(0);
    const twice = at('scratch', { kind: 'scratched', gone: false }, DONE, { kind: 'scratched', gone: false });
    expect([here(twice).kind, twice.told?.by]).toEqual(['wash', 'scratches-again']);
  });

  it('on film or paper the second time asks for the next piece, and keeps that this one was laid aside', () => {
    const order = ORDER.map((each) => (each.kind === 'scratch' ? { ...each, sheet: true } : each));
    const still: RunFact = { kind: 'scratched', gone: false };
    const facts = [...walkTo(plan, 'scratch'), still, DONE, still];
    const twice = run({ ...PLAN, order }, ...facts);
    expect([here(twice), twice.told?.by]).toEqual([
      { kind: 'care', abrasiveId: 'w8000', care: 'laid-aside' },
      'scratches-sheet',
    ]);
    const cared = run({ ...PLAN, order }, ...facts, DONE);
    expect(cared.cares.map(({ abrasiveId, kind }) => [abrasiveId, kind])).toEqual([['w8000', 'laid-aside']]);
    expect(here(cared)).toEqual({ kind: 'stone', step: 1 });
  });

  it('a third time they lead back to the stone before, whose own work is not done, and then here again', () => {
    const still: RunFact = { kind: 'scratched', gone: false };
    const back = at('scratch', still, DONE, still, DONE, DONE, still);
    expect([here(back).kind, back.told?.by]).toEqual(['stone', 'scratches-back']);
    const step = back.steps[(here(back) as { step: number }).step];
    expect([step?.abrasiveId, step?.like]).toEqual(['w1000', 0]);
    expect(kinds(back.stations.slice(back.at, back.at + 4))).toBe('stone 3, wash, stone 1, scratch');
  });

  it('shaking along the nail asks for strokes there on the finest stone, the burr off, and the nail again', () => {
    const shook = at('nail', { kind: 'shook', places: ['tip', 'heel'] });
    expect([shook.told?.by, shook.told?.press]).toEqual(['shakes', [0, 4]]);
    const step = shook.steps[(here(shook) as { step: number }).step];
    expect([step?.abrasiveId, step?.places]).toEqual(['w8000', [GAP_STROKES, 0, 0, 0, GAP_STROKES]]);
    expect(kinds(shook.stations.slice(shook.at, shook.at + 3))).toBe('stone 3, burr-off, nail');
    expect(here(at('nail', { kind: 'shook', places: [] })).kind).toBe('proof');
  });

  it('what stands ahead from its end is given strokes part by part, and it is looked at again', () => {
    const order: readonly Station[] = [
      { kind: 'stone', step: 0 },
      { kind: 'even', step: 0 },
      { kind: 'proof' },
    ];
    const seen = (what: SeenFromEnd): Run => run({ ...PLAN, order }, DONE, { kind: 'evened', seen: what });
    expect(here(seen('even')).kind).toBe('proof');
    const tooth = seen('tooth');
    expect(tooth.told).toEqual({ by: 'tooth' });
    expect(tooth.steps.at(-1)).toEqual(
      jasmine.objectContaining({ abrasiveId: 'w1000', places: [0, 0, GAP_STROKES], target: GAP_STROKES }),
    );
    expect(kinds(tooth.stations.slice(tooth.at, tooth.at + 2))).toBe('stone 3, even');
    expect(seen('hook-right').steps.at(-1)?.places).toEqual([0, GAP_STROKES, 0]);
    expect(seen('corners-ahead').steps.at(-1)?.places).toEqual([2, 1, 0, 1, 2]);
  });

  it('light beside a scraping edge is pressed away where it stands proud, and it is looked at again', () => {
    const order: readonly Station[] = [
      { kind: 'stone', step: 0 },
      { kind: 'burr', step: 0, wanted: true },
      { kind: 'straight', step: 0 },
      { kind: 'proof' },
    ];
    const scraping: RunPlan = { ...PLAN, steps: PLAN.steps.slice(0, 1), order };
    const lit = (light: Light, ...more: RunFact[]): Run =>
      run(scraping, DONE, { kind: 'burr', burr: 'all-along' }, { kind: 'lit', light }, ...more);
    for (const [light, press, places] of [
      ['middle', [0, 4], [GAP_STROKES, 0, 0, 0, GAP_STROKES]],
      ['ends', [1, 2, 3], [0, GAP_STROKES, GAP_STROKES, GAP_STROKES, 0]],
    ] as const) {
      const pressed = lit(light);
      expect(pressed.told).toEqual({ by: `light-${light}`, press });
      expect(pressed.steps[(here(pressed) as { step: number }).step]?.places).toEqual(places);
      expect(here(lit(light, DONE)).kind).toBe('straight');
    }
    expect(here(lit('none')).kind).toBe('proof');
  });

  it('a back not polished yet gets more strokes; a corner that may wait does not', () => {
    const back: RunPlan = {
      ...PLAN,
      steps: [{ abrasiveId: 'w8000', strokes: 20, facet: 'back' }],
      order: [{ kind: 'stone', step: 0 }, { kind: 'polished', step: 0 }, { kind: 'proof' }],
    };
    const answer = (polish: 'all' | 'corner' | 'not-yet'): Run =>
      run(back, { kind: 'strokes', count: 20 }, DONE, { kind: 'polished', polish });
    expect(here(answer('all')).kind).toBe('proof');
    expect(here(answer('corner')).kind).toBe('proof');
    expect([here(answer('not-yet')).kind, answer('not-yet').told?.by]).toEqual(['stone', 'unpolished']);
    expect(strokesLeft(answer('not-yet').steps[0] as RunStep)).toBeGreaterThan(0);
  });

  it('keeps where the burr lagged, and books strokes put in on the side they were made on', () => {
    const sided: RunPlan = {
      ...PLAN,
      steps: [
        { abrasiveId: 'w1000', strokes: 4, facet: 'left', side: 0 },
        { abrasiveId: 'w1000', strokes: 4, facet: 'right', side: 1 },
      ],
      order: [
        { kind: 'stone', step: 0 },
        { kind: 'burr', step: 0, side: 0 },
        { kind: 'stone', step: 1 },
        { kind: 'burr', step: 1, side: 1 },
        { kind: 'proof' },
      ],
    };
    const four: RunFact = { kind: 'strokes', count: 4 };
    const lags = burr('felt', 'felt', 'felt', 'felt', 'none');
    const none: RunFact = { kind: 'burr', burr: 'none' };
    const back = run(sided, four, DONE, { kind: 'burr', burr: 'all-along' }, four, DONE, none);
    expect(here(back)).withContext('the side that raises it').toEqual({ kind: 'stone', step: 1 });
    const done = run(
      sided,
      four,
      DONE,
      { kind: 'burr', burr: 'all-along' },
      four,
      DONE,
      lags,
      { kind: 'strokes', count: 3 },
      DONE,
      { kind: 'burr', burr: 'all-along' },
      { kind: 'finished' },
    );
    const [session] = sessionsOfRun(done);
    expect(session?.steps?.map(({ facet, strokes }) => [facet, strokes])).toEqual([
      ['left', 4],
      ['right', 4],
      ['right', 3],
    ]);
    expect(session?.outcome).toEqual({ burr: 'all-along', lagged: [4] });
  });

  it('heat sends back to the wheel: lighter when hot, past the colour when it shows', () => {
    const grinding = { wheelId: 'wheel', stopShortMm: 0.7 };
    const wheel: RunPlan = {
      ...PLAN,
      grinding,
      order: [{ kind: 'grind', grinding }, { kind: 'heat' }, ...ORDER.slice(2)],
    };
    const answer = (heat: 'cool' | 'hot' | 'coloured'): Run =>
      run(wheel, ...walkTo(wheel, 'heat'), { kind: 'heated', heat });
    expect(here(answer('cool')).kind).toBe('set');
    expect([here(answer('hot')).kind, answer('hot').told?.by]).toEqual(['grind', 'hot']);
    expect(here(answer('coloured'))).toEqual(jasmine.objectContaining({ kind: 'grind', pastColour: true }));
  });

  it('an edge that falls short is led back to the likeliest step, and is proved anew', () => {
    const failed: RunFact = { kind: 'proved', test: 'nail-drawn', passed: false };
    const short = at('proof', failed);
    const back = ledBack(short, 'nail-drawn');
    expect(short.stations[back?.station ?? -1]?.kind).toBe('burr-off');
    const gone = at('proof', failed, { kind: 'go', station: back?.station ?? 0 });
    expect([here(gone).kind, gone.told?.by, gone.proof.length]).toEqual(['burr-off', 'not-proved', 0]);
    // The burr stood all along: a nail that skates is the finish, not the shaping stone.
    expect(short.stations[ledBack(short, 'nail')?.station ?? -1]).toEqual({ kind: 'stone', step: 1 });
    const unsure = { ...short, burr: 'cannot-tell' as const };
    expect(unsure.stations[ledBack(unsure, 'nail')?.station ?? -1]).toEqual({ kind: 'stone', step: 0 });
  });

  it('lets a step be skipped with its reason, done again, and work be put in', () => {
    const skipped = run(plan, { kind: 'skipped', why: 'not-needed' });
    expect(skipped.skipped).toEqual([{ kind: 'ready', why: 'not-needed' }]);
    const again = at('wash', { kind: 'again', station: 4 });
    expect(here(again)).toEqual({ kind: 'stone', step: 3 });
    expect(again.steps[3]).toEqual(jasmine.objectContaining({ abrasiveId: 'w1000', target: 8, strokes: 0 }));
    const put = at('wash', { kind: 'put-in', work: { kind: 'strokes', abrasiveId: 'oil', strokes: 6 } });
    expect(put.steps[3]?.abrasiveId).toBe('oil');
    expect(here(at('wash', { kind: 'put-in', work: { kind: 'marker' } })).kind).toBe('marker');
    const done = at(
      'wash',
      { kind: 'again', station: 4 },
      { kind: 'strokes', count: 3 },
      { kind: 'finished' },
    );
    expect(sessionsOfRun(done)[0]?.steps).toEqual([
      jasmine.objectContaining({ abrasiveId: 'w1000', strokes: 3 }),
    ]);
  });

  it('keeps strokes by place as far as they were made, what was left out, and one word for the edge', () => {
    const curved: RunPlan = {
      ...PLAN,
      steps: [{ abrasiveId: 'w1000', strokes: 12, places: [4, 2, 0, 2, 4] }],
      order: [{ kind: 'look' }, { kind: 'stone', step: 0 }, { kind: 'proof' }],
    };
    const [session] = sessionsOfRun(
      run(
        curved,
        { kind: 'skipped', why: 'no-time' },
        { kind: 'strokes', count: 7 },
        DONE,
        { kind: 'proved', test: 'hair', passed: true },
        { kind: 'finished' },
      ),
    );
    expect(session?.steps?.[0]?.places).toEqual([4, 2, 0, 1, 0]);
    expect(session?.outcome?.word).toBe('keen');
    expect(session?.notes).toBe('Left out: the look (no time).');
  });
});

describe('counting', () => {
  it('goes by sides, countdowns, singles and places', () => {
    expect(strokesOf('five-down', 8)).toBe(30);
    expect(strokesOf('ten-down', 20)).toBe(110);
    expect(visitsOf('half', 7).map(({ side, strokes }) => [side, strokes])).toEqual([
      [0, 4],
      [1, 3],
    ]);
    expect(visitAt(visitsOf('five-down', 0), 5)).toEqual(jasmine.objectContaining({ side: 1, left: 5 }));
    expect(visitAt(visitsOf('singles', 4), 3)).toEqual(jasmine.objectContaining({ side: 1, left: 1 }));
    expect(visitAt(visitsOf('through', 0, { places: [3, 0, 2] }), 4)).toEqual(
      jasmine.objectContaining({ place: 2, left: 1 }),
    );
    expect(visitAt(visitsOf('through', 4), 4)).toBeUndefined();
  });

  it('gives every stroke one visit, and places made never lose or invent one (fast-check)', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...COUNTS),
        fc.integer({ min: 1, max: 60 }),
        fc.array(fc.nat(9), { minLength: 5, maxLength: 5 }),
        (count, planned, places) => {
          const visits = visitsOf(count, planned);
          const total = strokesOf(count, planned);
          for (let made = 0; made < total; made++) expect(visitAt(visits, made)).toBeDefined();
          expect(visitAt(visits, total)).toBeUndefined();
          fc.pre(places.some((each) => each > 0));
          const placed = placesMade(places, planned);
          expect(placed.reduce((sum, each) => sum + each, 0)).toBe(planned);
        },
      ),
    );
  });
});

describe('one word for an edge', () => {
  it('is honest: any failure is no better than serviceable, and nothing tried is no word', () => {
    expect(edgeWord([])).toBeUndefined();
    expect(edgeWord([{ test: 'nail', passed: true }])).toBe('sharp');
    expect(edgeWord([{ test: 'nail', passed: false }])).toBe('dull');
    expect(
      edgeWord([
        { test: 'nail', passed: true },
        { test: 'hair', passed: false },
      ]),
    ).toBe('serviceable');
  });

  it('holds the thread against this tool’s own cuts, with no band of its own; old grams are newtons', () => {
    const thread = (newtons: number): Proof => ({ test: 'force', passed: true, newtons });
    expect(edgeWord([thread(9)]))
      .withContext('nothing to hold it against')
      .toBe('sharp');
    const own = [1.8, 2, 2.4, 3];
    expect(edgeWord([thread(1.7)], own)).toBe('keen');
    expect(edgeWord([thread(2.6)], own)).toBe('sharp');
    expect(edgeWord([{ test: 'hair', passed: true }, thread(2.6)], own)).toBe('sharp');
    expect(edgeWord([thread(3.1)], own)).toBe('serviceable');
    expect(edgeWord([{ test: 'force', passed: true, grams: 400 }], own)).toBe('serviceable');
    expect(newtonsOf({ grams: 1000 / 9.80665 })).toBeCloseTo(1, 12);
  });
});
