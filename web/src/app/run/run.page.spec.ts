import type { HttpTestingController } from '@angular/common/http/testing';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { RunPlan } from '@mellow-anvil/core/run';
import { press, textOf } from '../testing/host';
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
  steps: [
    { abrasiveId: 's1000', strokes: 6 },
    { abrasiveId: 's8000', strokes: 4 },
  ],
};

describe('RunPage', () => {
  let server: HttpTestingController;
  let fixture: ComponentFixture<RunPage>;
  const giant = (): string => textOf(fixture, '.giant');
  const key = async (name: string, repeat = false): Promise<void> => {
    const target = document.activeElement ?? document.body;
    target.dispatchEvent(
      new KeyboardEvent('keydown', { key: name, repeat, bubbles: true, cancelable: true }),
    );
    await fixture.whenStable();
  };

  beforeEach(async () => {
    server = playServer();
    const id = TestBed.inject(RunsStore).begin(PLAN);
    fixture = TestBed.createComponent(RunPage);
    document.body.append(fixture.nativeElement);
    fixture.componentRef.setInput('id', id);
    answer(server, '/api/tools', page([stored(IRON, 'iron')]));
    answer(server, '/api/abrasives', page([stone('s1000', '1000'), stone('s8000', '8000')]));
    await fixture.whenStable();
  });
  afterEach(() => fixture.nativeElement.remove());

  it('shows the projection to set, then counts down by tap, key and pedal, a held key once', async () => {
    expect(giant()).toBe('38.12');
    await press(fixture, 'It is set');
    expect(textOf(fixture, 'h1')).toContain('Stone 1000');
    expect(giant()).toBe('6');
    fixture.nativeElement.querySelector('.figure-zone').click();
    await key('PageDown');
    await key('PageDown', true);
    expect(giant()).toBe('4');
    fixture.nativeElement.querySelector('aside').click();
    await fixture.whenStable();
    expect(giant()).withContext('beside the figure counts too').toBe('3');
    (document.activeElement as HTMLElement | null)?.blur();
    await key(' ');
    await key('Enter');
    await press(fixture, 'One back');
    expect(giant()).toBe('2');
    for (let i = 0; i < 4; i++) await key('PageDown');
    expect(giant()).toBe('+2');
    await press(fixture, 'Not yet');
    expect(giant()).toBe('4');
  });

  it('is sent back by a burr in part, goes on by one all along, and ends with its sum', async () => {
    await press(fixture, 'It is set');
    for (let i = 0; i < 6; i++) await key('PageDown');
    await press(fixture, 'Done');
    await press(fixture, 'middle: felt');
    await press(fixture, 'middle: strong');
    await press(fixture, 'As drawn');
    expect(textOf(fixture, '.sent-back')).toContain('press where it was missing');
    expect(textOf(fixture, '.sent-back')).toContain('(middle)');
    expect(giant()).toBe('3');
    expect(textOf(fixture, '.turn')).toBe('middle: 3 more');
    await press(fixture, 'Done');
    await press(fixture, 'All along');
    expect(textOf(fixture, 'h1')).toContain('Stone 8000');
    for (let i = 0; i < 4; i++) await key('PageDown');
    await press(fixture, 'Done');
    await press(fixture, 'It is off');
    await press(fixture, 'Skates');
    await press(fixture, 'Bites');
    await press(fixture, 'Finish');
    const sum = textOf(fixture, 'ma-run-summary');
    expect(sum).toContain('6 strokes on the Stone 1000');
    expect(sum).toContain('4 strokes on the Stone 8000');
    expect(sum).toContain('Burr all along, bites the thumbnail.');
    expect(sum).toContain('safe on this device');
  });

  it('asks before it stops, and keeps nothing of a run without a stroke', async () => {
    await press(fixture, 'Stop');
    expect(textOf(fixture, '.stop')).toContain('0 strokes made');
    expect(textOf(fixture, '.stop')).not.toContain('Keep what was done');
    await key('PageDown');
    await press(fixture, 'Go on');
    expect(giant()).toBe('38.12');
  });
});
