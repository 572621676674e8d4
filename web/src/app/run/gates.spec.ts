import type { HttpTestingController } from '@angular/common/http/testing';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { type Tool, usualEdge } from '@mellow-anvil/core/blade';
import type { Station } from '@mellow-anvil/core/plan';
import type { RunPlan } from '@mellow-anvil/core/run';
import { press, textOf, typeInto, until } from '../testing/host';
import { IRON, answer, page, playServer, stone, stored } from '../testing/page';

import { RunPage } from './run.page';
import { RunsStore } from '../data/runs.store';

const PLAN: RunPlan = {
  toolId: 'iron',
  condition: { kind: 'dull' },
  finishUm: 2,
  forceN: 20,
  strokesPerMin: 40,
  setting: { angleDeg: 30, projectionMm: 38.123, seatName: 'Iron jaws' },
  grinding: { wheelId: 'wheel', stopShortMm: 0.7, passes: 4, passS: 9 },
  steps: [
    { abrasiveId: 's1000', strokes: 6 },
    { abrasiveId: 's8000', strokes: 4 },
  ],
};
const SET: Station = { kind: 'set', setting: { angleDeg: 30, projectionMm: 38.123 } };
const GRIND: Station = {
  kind: 'grind',
  grinding: { wheelId: 'wheel', stopShortMm: 0.7, passes: 4, passS: 9 },
};

describe('the gates of a run', () => {
  let server: HttpTestingController;
  let fixture: ComponentFixture<RunPage>;
  const title = (): string => textOf(fixture, 'h1');
  const giantOf = (): string => textOf(fixture, '.giant');
  const open = (...order: Station[]): Promise<void> => openRun({ order });
  const openRun = async (more: Partial<RunPlan>, tool: Tool = IRON): Promise<void> => {
    const id = TestBed.inject(RunsStore).begin({ ...PLAN, ...more });
    fixture = TestBed.createComponent(RunPage);
    document.body.append(fixture.nativeElement);
    fixture.componentRef.setInput('id', id);
    answer(server, '/api/tools', page([stored(tool, 'iron')]));
    answer(server, '/api/abrasives', page([stone('s1000', '1000'), stone('s8000', '8000')]));
    await fixture.whenStable();
  };

  beforeEach(() => {
    localStorage.removeItem('mellow-anvil.cautions-said');
    server = playServer();
  });
  afterEach(() => fixture.nativeElement.remove());

  it('wait for covered eyes at the wheel, and send back past a colour', async () => {
    await open(GRIND, { kind: 'heat' }, SET, { kind: 'stone', step: 0 }, { kind: 'proof' });
    expect(textOf(fixture, '.caution')).toContain('Cover your eyes');
    expect(textOf(fixture, 'footer')).not.toContain('Ground');
    document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'PageDown', bubbles: true }));
    await fixture.whenStable();
    expect(title()).toBe('At the wheel');
    await press(fixture, 'My eyes are covered');
    await press(fixture, 'Ground');
    await press(fixture, 'It has coloured');
    expect(title()).toBe('Grind past the colour');
    await press(fixture, 'Ground');
    await press(fixture, 'It stayed cool');
    expect(title()).toBe('Set the guide');
  });

  it('are ticked off on one screen too, but for the wheel, which waits for a tick of its own', async () => {
    await open({ kind: 'look' }, GRIND, { kind: 'heat' }, SET, { kind: 'stone', step: 0 }, { kind: 'proof' });
    await press(fixture, 'As a list');
    const done = (): number => fixture.nativeElement.querySelectorAll('ma-run-list .done').length;
    await press(fixture, 'Tick off as planned: Set the guide');
    expect(done()).withContext('the look, and no further').toBe(1);
    await press(fixture, 'Tick off as planned: Eyes covered, at the wheel');
    expect(done()).toBe(2);
    await press(fixture, 'Tick off as planned: Stone 1000');
    expect(done()).toBe(5);
    await press(fixture, 'Step by step');
    expect(title()).toBe('Prove it');
    await press(fixture, 'Bites');
    await press(fixture, 'Finish');
    expect(textOf(fixture)).toContain('6 strokes on the Stone 1000');
  });

  it('ask a practised hand for one tap each: strokes taken as made, the proof and the end in one', async () => {
    const order: Station[] = [
      SET,
      { kind: 'stone', step: 0 },
      { kind: 'burr', step: 0 },
      { kind: 'stone', step: 1 },
      { kind: 'burr-off' },
      { kind: 'proof' },
    ];
    await openRun({ order, manner: 'brisk' });
    const taps = [
      'It is set',
      'All 6 made',
      'All along',
      'All 4 made',
      'It is off',
      'It bites the nail: finish',
    ];
    for (const tap of taps) await press(fixture, tap);
    expect(title()).toBe('Done, and in the record');
    expect(textOf(fixture)).toContain('4 strokes on the Stone 8000');
  });

  it('ask for each burr in its turn, and name the side it stands on', async () => {
    const KNIFE: Tool = { ...IRON, family: 'whittling-knife', edge: usualEdge('whittling-knife') };
    const order: Station[] = [
      { kind: 'stone', step: 0 },
      { kind: 'burr', step: 0, side: 0 },
      { kind: 'stone', step: 1 },
      { kind: 'burr', step: 1, side: 1 },
      { kind: 'nail' },
      { kind: 'proof' },
    ];
    const steps = [
      { abrasiveId: 's1000', strokes: 6, facet: 'left', side: 0 },
      { abrasiveId: 's1000', strokes: 6, facet: 'right', side: 1 },
    ] as const;
    await openRun({ steps, order }, KNIFE);
    expect(textOf(fixture, '.turn')).toBe('left side: 6 more');
    await press(fixture, 'Done');
    expect(title()).toBe('Feel for the burr: right side');
    await press(fixture, 'All along');
    expect(textOf(fixture, '.turn')).toBe('right side: 6 more');
    await press(fixture, 'Done');
    expect(title()).toBe('Feel for the burr: left side');
    await press(fixture, 'All along');
    await press(fixture, 'heel');
    await press(fixture, 'It shakes there');
    expect(textOf(fixture, '.sent-back')).toContain('(left end)');
    expect(giantOf()).toBe('3');
  });

  it('say a caution plainly the first time on this device, and briefly after', async () => {
    await open(SET, { kind: 'stone', step: 0 }, { kind: 'proof' });
    expect(textOf(fixture, '.caution')).toContain('already sharp enough to cut');
    expect(textOf(fixture, '.caution')).toContain('local rules come before');
    fixture.nativeElement.remove();
    TestBed.resetTestingModule();
    server = playServer();
    await open(SET, { kind: 'stone', step: 0 }, { kind: 'proof' });
    expect(textOf(fixture, '.caution')).toContain('Hold it by its sides.');
  });

  it('turn colour left in patches into a flattening, noted for the stone, and the marker again', async () => {
    await open({ kind: 'marker' }, { kind: 'stone', step: 0 }, { kind: 'proof' });
    await press(fixture, 'in patches');
    await press(fixture, 'Colour is left there');
    expect(title()).toBe('Flatten Stone 1000');
    expect(textOf(fixture, '.sent-back')).toContain('hollow there');
    await press(fixture, 'It is done');
    expect(title()).toBe('Colour the bevel');
  });

  it('prove an edge with figures, say one word, and lead back with why where it falls short', async () => {
    await open({ kind: 'stone', step: 0 }, { kind: 'burr-off' }, { kind: 'proof' });
    await press(fixture, 'Done');
    await press(fixture, 'It is off');
    expect(textOf(fixture, '.word')).toContain('Not proved yet');
    await typeInto(fixture, 'Thickness', '0.04');
    await press(fixture, 'Good');
    expect(textOf(fixture, '.word')).toContain('Keen');
    await press(fixture, 'Simulated tester');
    await until(() => /1[.,][67]\d? N/.test(textOf(fixture, 'ma-proof-gate')), 'the tester has read');
    await fixture.whenStable();
    // The first thread of a tool has nothing to be held against.
    expect(textOf(fixture, 'ma-proof-gate')).toContain('kept, to hold the next ones against');
    expect(textOf(fixture, '.word')).toContain('Keen');
    await press(fixture, 'Shakes');
    expect(textOf(fixture, '.word')).toContain('Serviceable');
    expect(textOf(fixture, 'aside')).toContain('What shakes along the nail is a burr');
    await press(fixture, 'Back: take off the burr');
    expect(title()).toBe('Take off the burr');
  });

  it('leave a step out with its reason, do one again, put strokes in', async () => {
    await open(
      SET,
      { kind: 'stone', step: 0 },
      { kind: 'wash' },
      { kind: 'stone', step: 1 },
      { kind: 'proof' },
    );
    await press(fixture, 'Other steps');
    await press(fixture, 'Done before');
    expect(title()).toContain('Stone 1000');
    await press(fixture, 'Done');
    await press(fixture, 'Other steps');
    await press(fixture, 'Stone 1000');
    expect(textOf(fixture, '.giant')).toBe('6');
    await press(fixture, 'Other steps');
    await typeInto(fixture, 'How many', '7');
    await press(fixture, 'Put them in');
    expect(textOf(fixture, '.giant')).toBe('7');
  });
});
