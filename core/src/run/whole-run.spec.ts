import fc from 'fast-check';
import type { Abrasive } from '../abrasive/abrasive.js';
import { flatBlade } from '../testing/blades.js';
import type { Edge } from '../edge/edge.js';
import { FAMILY_NAMES, familyFacts, type Family } from '../tool/families.js';
import type { Tool } from '../tool/tool.js';
import { COUNTS, placesMade, strokesOf, visitAt, visitsOf } from './counting.js';
import { edgeWord } from './edge-word.js';
import { GAP_STROKES, ledBack, type BurrFeel } from './gates.js';
import type { RunPlan } from './run-plan.js';
import { sessionsOfRun } from './run-record.js';
import { runOf, strokesLeft, type Run, type RunEvent, type RunFact } from './run.js';
import type { Station } from './station.js';
import { wholeOrder, type OrderInput } from './whole-order.js';

const STONES: Readonly<Record<string, Abrasive>> = {
  w1000: stone('water-stone', 'water'),
  oil: stone('oil-stone', 'oil'),
  w8000: stone('water-stone', 'water'),
  strop: stone('strop', 'compound'),
};
function stone(kind: Abrasive['kind'], lubricant: Abrasive['lubricant']): Abrasive {
  return {
    name: kind,
    kind,
    lubricant,
    grade: { standard: 'UM', grade: '9' },
    strokeMm: 150,
    overheadMin: 0.5,
  };
}
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
const IRON: Tool = {
  name: 'Iron',
  family: 'plane-iron',
  steel: 'high-carbon',
  edge: flatBlade({ widthMm: 50, secondaryDeg: 30 }),
  host: { bedDeg: 45, orientation: 'bevel-down' },
};
const order = (more: Partial<OrderInput> = {}): readonly Station[] =>
  wholeOrder({ plan: PLAN, tool: IRON, stoneOf: (id) => STONES[id], ...more });
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
    return each.kind === 'heat' ? { kind: 'heated', heat: 'cool' } : DONE;
  });
}

describe('the whole order of work', () => {
  it('runs from the bench made ready to the stones for next time, for a plane iron with a strop', () => {
    expect(kinds(order())).toBe(
      'ready, look, set, marker, stone 0, burr, wash, stone 1, scratch, burr-off, proof, stone 2, proof, wipe, refit, away, care, care',
    );
  });

  it('has care, template, wheel and heat in their places, and the curve after the first burr', () => {
    const plan: RunPlan = {
      ...PLAN,
      grinding: { wheelId: 'wheel', stopShortMm: 0.7 },
      steps: [
        { abrasiveId: 'w1000', strokes: 8 },
        { abrasiveId: 'w1000', strokes: 22, places: [11, 0, 0, 0, 11], curve: true },
        { abrasiveId: 'w8000', strokes: 5 },
      ],
    };
    const stations = order({ plan, care: [{ id: 'w1000', kind: 'flattened', minutes: 2 }], template: true });
    expect(kinds(stations)).toBe(
      'ready, care, look, template, grind, heat, set, marker, stone 0, burr, stone 1, wash, stone 2, scratch, burr-off, proof, wipe, refit, away, care, care',
    );
    const before: RunPlan = {
      ...PLAN,
      steps: [{ abrasiveId: 'w1000', strokes: 22, places: [11, 0, 0, 0, 11], curve: true }, ...PLAN.steps],
    };
    expect(kinds(order({ plan: before }))).toContain('marker, stone 0, wash, stone 1, burr, wash, stone 2');
  });

  it('wipes the oil off after an oil stone, and only flattens what dishes', () => {
    const plan: RunPlan = {
      ...PLAN,
      steps: [
        { abrasiveId: 'oil', strokes: 8 },
        { abrasiveId: 'w8000', strokes: 5 },
      ],
    };
    const stations = order({ plan });
    expect(stations.find(({ kind }) => kind === 'wash')).toEqual({ kind: 'wash', oil: true });
    expect(stations.filter(({ kind }) => kind === 'care')).toEqual([
      { kind: 'care', abrasiveId: 'w8000', care: 'flattened', after: true },
    ]);
  });

  it('keeps the burr of a scraping edge: nothing takes it off, and no strop follows', () => {
    const edge: Edge = { form: 'scraping', lengthMm: 90, thicknessMm: 2, bevelDeg: 20, burrSide: 'right' };
    const scraper: Tool = { name: 'Scraper', family: 'scraping-knife', steel: 'high-carbon', edge };
    const stations = order({ tool: scraper });
    expect(kinds(stations)).not.toContain('burr-off');
    expect(kinds(stations)).not.toContain('stone 2');
    expect(stations.find(({ kind }) => kind === 'burr')).toEqual({ kind: 'burr', wanted: true });
  });

  it('isolates the machine first for its knives, finds the bevel where a blade is held by hand', () => {
    const knives: Edge = {
      form: 'knife-set',
      count: 3,
      lengthMm: 260,
      widthMm: 25,
      thicknessMm: 3,
      bevelDeg: 40,
    };
    const set: Tool = { name: 'Knives', family: 'planer-knives', steel: 'high-speed', edge: knives };
    expect(order({ tool: set })[0]).toEqual({ kind: 'isolate' });
    const lift = { bevelDeg: 12, liftMm: 3.4, sides: 2 } as const;
    expect(order({ lift }).filter(({ kind }) => kind === 'set' || kind === 'lift')).toEqual([
      { kind: 'lift', lift },
    ]);
  });

  it('is short where only the strop is wanted', () => {
    const plan: RunPlan = {
      ...PLAN,
      setting: undefined,
      steps: [{ abrasiveId: 'strop', strokes: 20, afterBurr: true }],
    };
    expect(kinds(order({ plan, tool: { ...IRON, host: undefined } }))).toBe('stone 0, proof');
  });

  it('begins and ends for a tool of every family', () => {
    for (const family of FAMILY_NAMES as readonly Family[]) {
      const tool: Tool = { ...IRON, family, edge: { ...IRON.edge, form: familyFacts(family).form } as Edge };
      const stations = order({ tool });
      expect(stations.length).withContext(family).toBeGreaterThan(5);
      expect(stations.filter(({ kind }) => kind === 'proof').length)
        .withContext(family)
        .toBeGreaterThan(0);
    }
  });
});

describe('the gates', () => {
  const plan: RunPlan = { ...PLAN, order: order() };
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
    const strong = at('burr', burr('felt', 'felt', 'felt', 'strong', 'strong'));
    expect([here(strong).kind, strong.told]).toEqual(['wash', { by: 'burr-strong', press: [0, 1, 2] }]);
    expect(here(at('burr', { kind: 'burr', burr: 'cannot-tell' })).kind).toBe('wash');
  });

  it('colour left says what to change: set again, flatten the stone, or nothing at a land’s heel', () => {
    const left = (...colour: never[]): Run => at('marker', { kind: 'marked', left: colour });
    expect(here(left()).kind).toBe('stone');
    expect(here(left('heel' as never)).kind).toBe('stone');
    const low = left('edge' as never);
    expect([here(low).kind, low.told?.by]).toEqual(['set', 'marker-low']);
    expect(left('left' as never).told?.by).toBe('marker-skewed');
    const hollow = left('patches' as never);
    expect(here(hollow)).toEqual({ kind: 'care', abrasiveId: 'w1000', care: 'flattened' });
    expect(kinds(hollow.stations)).toContain('care, marker, stone 0');
    const cared = run(plan, ...walkTo(plan, 'marker'), { kind: 'marked', left: ['patches'] }, DONE);
    expect(cared.cares.map(({ abrasiveId, kind }) => [abrasiveId, kind])).toEqual([['w1000', 'flattened']]);
    expect(here(cared).kind).toBe('marker');
  });

  it('scratches still there ask for more strokes, and the second time for a wash too', () => {
    const once = at('scratch', { kind: 'scratched', gone: false });
    expect([here(once), once.told?.by]).toEqual([{ kind: 'stone', step: 1 }, 'scratches']);
    expect(strokesLeft(once.steps[1] as never)).toBeGreaterThan(0);
    const twice = at('scratch', { kind: 'scratched', gone: false }, DONE, { kind: 'scratched', gone: false });
    expect([here(twice).kind, twice.told?.by]).toEqual(['wash', 'scratches-again']);
  });

  it('heat sends back to the wheel: lighter when hot, past the colour when it shows', () => {
    const hot: RunPlan = { ...PLAN, grinding: { wheelId: 'wheel', stopShortMm: 0.7 } };
    const wheel: RunPlan = { ...hot, order: order({ plan: hot }) };
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
    expect(visitAt(visitsOf('through', 0, [3, 0, 2]), 4)).toEqual(
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
    expect(edgeWord([{ test: 'force', passed: true, grams: 120 }])).toBe('keen');
    expect(edgeWord([{ test: 'force', passed: true, grams: 220 }])).toBe('sharp');
    expect(
      edgeWord([
        { test: 'hair', passed: true },
        { test: 'force', passed: true, grams: 220 },
      ]),
    ).toBe('sharp');
    expect(edgeWord([{ test: 'force', passed: true, grams: 400 }])).toBe('serviceable');
  });
});
