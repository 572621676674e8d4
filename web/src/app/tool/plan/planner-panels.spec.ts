import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { Abrasive, OwnedAbrasive } from '@mellow-anvil/core/abrasive';
import { type Condition, type Family, type Tool, usualEdge } from '@mellow-anvil/core/blade';
import {
  compareSchools,
  type HoningPlan,
  orderOfWork,
  planHoning,
  type PlanRequest,
  regrindAdvice,
  regrindMin,
  savedBack,
  yearOfEdges,
  type TooMuch,
  type WayOut,
  type WorkOrder,
} from '@mellow-anvil/core/plan';
import { toolRecord } from '@mellow-anvil/core/record';
import { press, textOf, typeInto } from '../../testing/host';
import { IRON, playServer, stone } from '../../testing/page';
import { ConditionAsk } from './condition-ask';
import { IntakePanel } from './intake-panel';
import { RegrindPanel } from './regrind-panel';
import { BackPanel } from './back-panel';
import { EqualPanel } from './equal-panel';
import { YearPanel } from './year-panel';
import { SchoolsPanel } from './schools-panel';
import { WaysPanel } from './ways-panel';
import { WorkList } from './work-list';

const bench = [stone('s400', '400'), stone('s1000', '1000'), stone('s8000', '8000')].map((each, i) => ({
  ...each,
  sizeUm: [30, 11.5, 1.2][i] ?? 1,
}));
const request: PlanRequest = {
  condition: { kind: 'dull' },
  finishUm: 2,
  forceN: 20,
  strokesPerMin: 40,
  maxRatio: 10,
  laidAside: [],
};
const plan = planHoning(IRON, bench, request);

function shown<T>(component: new () => T, inputs: Readonly<Record<string, unknown>>): ComponentFixture<T> {
  const fixture = TestBed.createComponent(component);
  for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
  fixture.detectChanges();
  return fixture;
}

/** The order of a plan, its guide set. */
const ordered = (plan: HoningPlan, stones: readonly (Abrasive & { readonly id: string })[]): WorkOrder =>
  orderOfWork({
    plan,
    tool: IRON,
    settingOf: () => ({ angleDeg: 30, projectionMm: 38.12 }),
    stoneOf: (id) => stones.find((each) => each.id === id),
  });

describe('the planner’s panels', () => {
  beforeEach(() => playServer());

  it('ask for faults each as far as it reaches, and keep them when the dullness changes', async () => {
    const fixture = shown(ConditionAsk, { edge: IRON.edge, condition: { kind: 'dull' }, said: () => '' });
    const asked: Condition[] = [];
    fixture.componentInstance.asked.subscribe((condition) => {
      asked.push(condition);
      fixture.componentRef.setInput('condition', condition);
    });
    await press(fixture, 'Out of square');
    await press(fixture, 'Wrong angle');
    await typeInto(fixture, 'One corner ahead by', '0,4');
    await press(fixture, 'Very dull');
    expect(asked.at(-1)).toEqual({
      kind: 'very-dull',
      faults: [
        { kind: 'out-of-square', mm: 0.4 },
        { kind: 'wrong-angle', foundDeg: 29 },
      ],
    });
    await press(fixture, 'Wrong angle');
    await press(fixture, 'Out of square');
    expect(asked.at(-1)).toEqual({ kind: 'very-dull' });
  });

  it('ask of each form of edge only what it can have', () => {
    const offered = (family: Family): string =>
      textOf(
        shown(ConditionAsk, { edge: usualEdge(family), condition: { kind: 'dull' }, said: () => '' }),
        '.faults',
      );
    expect(offered('v-tool')).toContain('A tooth at the apex');
    expect(offered('v-tool')).not.toContain('Corners ahead');
    expect(offered('gouge')).toContain('Corners ahead');
    expect(offered('whittling-knife')).toContain('No edge yet');
    expect(offered('bench-chisel')).not.toMatch(/No edge yet|tooth|Corners/);
  });

  it('take a tip as round as its own burrs have shown it, and say so', () => {
    const tipsSeen = Array.from({ length: 5 }, () => ({ on: 's1000', low: 2, high: 2.1 }));
    const { state } = toolRecord(IRON, [], []);
    const text = (more: object): string =>
      textOf(shown(IntakePanel, { tool: IRON, request, stones: bench, state: { ...state, ...more } }));
    expect(text({})).toContain('Tip 4 µm round by the word');
    expect(text({ tipsSeen })).toMatch(/Tip (7\.\d|8\.\d|8) µm round by its own burrs/);
  });

  it('show what a condition comes to, line by line, and the other ways', () => {
    const condition: Condition = { kind: 'nicked', nickMm: 0.3, faults: [{ kind: 'pits', mm: 0.1 }] };
    const wheel = { ...stone('wheel', '400'), kind: 'dry-wheel', lubricant: 'dry' } as const;
    const fixture = shown(IntakePanel, {
      tool: IRON,
      request: { ...request, condition },
      stones: [...bench, wheel],
    });
    const text = textOf(fixture);
    expect(text).toContain('Grind, then hone');
    // 4 µm round on 30°: 4·cot 15° = 15 µm; the nick 300 µm; the pits lie within it.
    expect(text).toContain('15 µm back');
    expect(text).toContain('The nick, the whole edge with it');
    expect(text).toContain('The pits, gone before the deeper fault is');
    expect(text).toContain('315 µm');
    expect(text).toContain('Grind it first');
  });

  it('set the schools side by side as core has them, and take one over', async () => {
    const fixture = shown(SchoolsPanel, { tool: IRON, request, stones: bench });
    const rows = [...(fixture.nativeElement as HTMLElement).querySelectorAll('tbody tr')];
    const plans = compareSchools(IRON, bench, request);
    expect(rows.length).toBe(plans.length);
    plans.forEach(({ strokes }, i) => expect(rows[i]?.textContent).toContain(String(strokes)));
    let chosen = '';
    fixture.componentInstance.chosen.subscribe((school) => (chosen = school));
    await press(fixture, 'Use it: Two stones');
    expect(chosen).toBe('two-stones');
  });

  it('tell the ways out soonest first, and hand over the one that is taken', async () => {
    const tooMuch: TooMuch = {
      id: 's1000',
      strokes: 955,
      rubbingMin: 28,
      ways: [
        { way: 'part-now', minutes: 6, nickMm: 0.1, honingsAfter: 3, ask: { condition: { kind: 'dull' } } },
        { way: 'coarser-stone', minutes: 8, stone: { kind: 'rod-paper', sizeUm: 80 } },
        { way: 'steeper-for-now', minutes: 9, microDeg: 34 },
        { way: 'shim-back', minutes: 10 },
        { way: 'wheel', minutes: 12 },
        { way: 'send-out' },
      ],
    };
    const fixture = shown(WaysPanel, { tooMuch, stones: bench });
    expect(textOf(fixture, '.why')).toContain('955 strokes on the Stone 1000, 28 min of rubbing');
    const rows = [...(fixture.nativeElement as HTMLElement).querySelectorAll('li')].map(
      (row) => row.textContent ?? '',
    );
    expect(rows.map((row) => /\d+ min/.exec(row)?.[0])).toEqual([
      '6 min',
      '8 min',
      '9 min',
      '10 min',
      '12 min',
      undefined,
    ]);
    expect(rows[0]).toContain('0.1 mm of the nick now');
    expect(rows[0]).toContain('over the next 3 honings');
    expect(rows[1]).toContain('paper on a rod');
    expect(rows[2]).toContain('34°');
    const taken: WayOut[] = [];
    fixture.componentInstance.taken.subscribe((way) => taken.push(way));
    for (const way of ['0.1 mm of the nick now', 'Grind it first'])
      await press(fixture, `Plan it so: ${way}`);
    expect(taken.map(({ way }) => way)).toEqual(['part-now', 'wheel']);
  });

  it('list a primary to be shaped before all else, the strops one after the other, each stone with its range', () => {
    const strop = (id: string, dry: boolean) => ({
      ...stone(id, '8000'),
      name: id,
      kind: 'strop' as const,
      lubricant: dry ? ('dry' as const) : ('compound' as const),
      strop: { face: 'smooth-leather' as const, ...(dry ? {} : { compound: 'paste' }) },
      sizeUm: 0.5,
    });
    const stones = [...bench, strop('Charged', false), strop('Bare', true)];
    const steep: PlanRequest = {
      ...request,
      condition: { kind: 'dull', faults: [{ kind: 'wrong-angle', foundDeg: 34 }] },
    };
    const shaped = planHoning(IRON, stones, steep);
    const fixture = shown(WorkList, {
      plan: shaped,
      work: ordered(shaped, stones),
      tool: IRON,
      stones,
      record: {},
    });
    const rows = [...(fixture.nativeElement as HTMLElement).querySelectorAll('.step')].map(
      (row) => row.textContent ?? '',
    );
    expect(rows[0]).toContain('the primary, at 25°');
    expect(rows.at(-2)).toContain('Charged');
    expect(rows.at(-2)).toContain('push 20 N at first, 5 N at the end');
    expect(rows.at(-1)).toContain('Bare');
    const [first] = shaped.steps;
    expect(rows.find((row) => row.includes('Takes the worn edge off'))).toContain(
      `${String(first?.low)}–${String(first?.high)}`,
    );
  });

  it('say when to regrind, by core’s own count, and say when there is nothing to say', async () => {
    const fixture = shown(RegrindPanel, { tool: IRON, request, plan, stones: bench });
    const { best } = regrindAdvice(IRON, plan, request, bench, {}, 12);
    expect(textOf(fixture, '.told')).toContain(`${best.honings} honings to a regrinding`);
    expect(textOf(fixture, '.told')).toContain('With one bevel from edge to heel every honing would take');
    await typeInto(fixture, 'One regrinding takes', '30');
    const later = regrindAdvice(IRON, plan, request, bench, {}, 30).best.honings;
    expect(later).toBeGreaterThan(best.honings);
    expect(textOf(fixture, '.told')).toContain(`${later} honings to a regrinding`);
    await typeInto(fixture, 'One regrinding takes', '0');
    expect(textOf(fixture, '.told')).toContain('Give more than 0');
  });

  it('tell a year of every angle, with one bevel and two, least minutes first', () => {
    const life = {
      measure: 'minutes' as const,
      ...{ shape: 2.5, scale: 100, worth: 9, amount: 90, low: 80, high: 100 },
      ...{ blunt: 9, unended: 2, yearly: 600, inWood: [], atDeg: [], byHand: [] },
    };
    const fixture = shown(YearPanel, { tool: IRON, request, stones: bench, record: {}, life });
    const years = yearOfEdges(IRON, request, bench, {}, life, regrindMin(IRON, bench));
    const rows = [...(fixture.nativeElement as HTMLElement).querySelectorAll('tbody tr')];
    expect(rows.length).toBe(years.length);
    expect(rows[0]?.textContent).toContain(
      `${Math.round((years[0]?.honingMin ?? 0) + (years[0]?.grindingMin ?? 0))} min`,
    );
    expect(textOf(fixture, 'tr.now')).toContain('30°, as it is now');

    const { yearly: _, ...unknown } = life;
    const none = shown(YearPanel, { tool: IRON, request, stones: bench, record: {}, life: unknown });
    expect(textOf(none, '.told')).toContain('A year’s use and three edges');
  });

  it('set hollowing an old back beside flattening it whole, or say what does not fit', async () => {
    const wheel: OwnedAbrasive = { ...stone('wheel', '1000'), name: 'Wheel', kind: 'dry-wheel' };
    const stones = [...bench, wheel];
    const old = { backMm: 25, edgeRimMm: 3, farRimMm: 3, passes: 2, pitsMm: 0.1, rimPitsMm: 0.05 };
    const fixture = shown(BackPanel, { tool: IRON, request, stones });
    const { hollowed, whole } = savedBack(IRON, old, stones, request);
    expect(whole.minutes).toBeGreaterThan(hollowed.minutes);
    expect(textOf(fixture, '.told')).toContain('On the Wheel');
    expect(textOf(fixture, 'ma-hollowed-back-drawing')).toContain('2 hollows');
    const taken: unknown[] = [];
    fixture.componentInstance.taken.subscribe((each) => taken.push(each));
    await press(fixture, 'Plan it hollowed');
    await press(fixture, 'Plan it flattened whole');
    expect(taken).toEqual([
      {
        edge: jasmine.objectContaining({
          back: 'hollowed',
          polishedMm: 3,
          hollowMm: 19,
          hollows: 2,
          farRimMm: 3,
        }),
        oldBack: { pitsMm: 0.05, wheelId: 'wheel' },
      },
      { edge: jasmine.objectContaining({ back: 'flat', polishedMm: 25 }), oldBack: { pitsMm: 0.1 } },
    ]);
    await typeInto(fixture, 'Rim at the edge', '1');
    expect(textOf(fixture, '.told')).toContain('Leave 2 mm flat at the edge at least');
    await typeInto(fixture, 'Rim at the edge', '3');
    expect(textOf(shown(BackPanel, { tool: IRON, request, stones: bench }), '.told')).toContain('no wheel');
  });

  it('tell how far the knives of a set lie apart, and what evens them', async () => {
    const set: Tool = {
      name: 'Knives',
      family: 'planer-knives',
      steel: 'high-speed',
      edge: { form: 'knife-set', count: 2, lengthMm: 150, widthMm: 20, thicknessMm: 3, bevelDeg: 40 },
    };
    const asked: PlanRequest = { ...request, finishUm: 30 };
    const fixture = shown(EqualPanel, {
      tool: set,
      plan: planHoning(set, bench, asked),
      request: asked,
      stones: bench,
    });
    expect(textOf(fixture, '.told')).toContain('Measure each with a caliper');
    await typeInto(fixture, 'Knife 1, edge to far side', '20');
    await typeInto(fixture, 'Knife 2, edge to far side', '19.9');
    expect(textOf(fixture, '.told')).toMatch(/They lie 0\.1 mm apart.*knife 1: \d+ strokes/);
    await typeInto(fixture, 'Knife 2, edge to far side', '20');
    expect(textOf(fixture, '.told')).toBe('They are equal.');
  });

  it('lay the work out in order, with what a stone’s readings say', () => {
    const record = {
      s1000: {
        care: { strokes: 0, uses: 0, minutes: 0, readings: 0, wearFactor: 1, recharges: 0 },
        rate: { factor: 1.4, sd: 0.1, low: 1.2, high: 1.6, readings: 9 },
      },
    };
    const work = ordered(plan, bench);
    const fixture = shown(WorkList, { plan, work, tool: IRON, stones: bench, record, guideName: 'Roller' });
    const text = textOf(fixture);
    const places = [
      'Set it in the Roller: 38.1',
      'Feel for the burr',
      'Wash',
      'Take off the burr',
      'Wipe and oil',
    ].map((words) => text.indexOf(words));
    expect(places).toEqual([...places].sort((a, b) => a - b));
    expect(Math.min(...places)).toBeGreaterThanOrEqual(0);
    expect(text).toContain('Yours cuts 1.4 times as fast as assumed, from 9 readings.');
  });
});
