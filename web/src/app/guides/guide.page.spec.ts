import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { HttpTestingController } from '@angular/common/http/testing';
import { type Guide, type GuideForm, makeBoard, USUAL_BOARD } from '@mellow-anvil/core/guide';
import { atRest, inputOf, press, textOf, typeInto } from '../testing/host';
import { GUIDE, answer, page, playServer, stored } from '../testing/page';
import { GuidePage } from './guide.page';
import { GuidesPage } from './guides.page';

const WHEEL: Guide = {
  name: 'Wheel',
  form: 'wet-wheel-jig',
  wheelRadiusMm: 125,
  jigProjectionMm: 139,
  offsetMm: 12,
};

describe('GuidePage', () => {
  let server: HttpTestingController;
  let fixture: ComponentFixture<GuidePage>;
  const show = async (guide?: Guide): Promise<void> => {
    server = playServer();
    fixture = TestBed.createComponent(GuidePage);
    if (guide) fixture.componentRef.setInput('id', 'mine');
    answer(server, '/api/guides', page(guide ? [stored(guide, 'mine')] : []));
    await fixture.whenStable();
  };
  const turn = async (form: GuideForm): Promise<void> => {
    (fixture.componentInstance as unknown as { turn(form: GuideForm): void }).turn(form);
    await fixture.whenStable();
  };
  const sent = async (method: 'POST' | 'PUT') => {
    (fixture.nativeElement as HTMLElement)
      .querySelector('form')
      ?.dispatchEvent(new Event('submit', { cancelable: true }));
    await atRest();
    const found = server.expectOne(
      (request) => request.method === method && request.url.startsWith('/api/guides'),
    );
    return found.request.body as Record<string, unknown>;
  };

  it('says, as a figure is typed, which stops of its boards move and by how much', async () => {
    await show(GUIDE);
    const sizes = USUAL_BOARD;
    const stops = [{ label: 'A', angleDeg: 30 }];
    const asked = { ...sizes, name: 'Shed board', guideId: 'mine', seatName: 'Chisel jaws', stops };
    answer(server, '/api/boards', page([stored(makeBoard(GUIDE, asked, '2026-05-04'), 'board')]));
    await fixture.whenStable();
    expect(textOf(fixture, '.moved')).toBe('');
    await typeInto(fixture, 'Nose ahead of the axle', '17');
    expect(textOf(fixture, '.moved')).toMatch(/Shed board move: Stop A, 30°: .*, 0\.75 mm nearer the fence/);
  });

  it('asks of each form its own figures, and sends no other’s', async () => {
    await show();
    expect(inputOf(fixture, 'Roller radius').value).toBe('9');
    await turn('wet-wheel-jig');
    expect(textOf(fixture)).not.toContain('Roller radius');
    await typeInto(fixture, 'Wheel radius', '120');
    const body = await sent('POST');
    expect(Object.keys(body).sort()).toEqual([
      'form',
      'jigProjectionMm',
      'name',
      'offsetMm',
      'wheelRadiusMm',
    ]);
    expect(body['wheelRadiusMm']).toBe(120);
  });

  it('tells at its field a figure that is missing, and sends nothing', async () => {
    await show();
    await typeInto(fixture, 'Roller radius', '');
    (fixture.nativeElement as HTMLElement)
      .querySelector('form')
      ?.dispatchEvent(new Event('submit', { cancelable: true }));
    await atRest();
    expect(textOf(fixture)).toContain('needs this figure');
    server.expectNone({ method: 'POST', url: '/api/guides' });
  });

  it('takes a cam’s steps one by one, and one away by emptying it', async () => {
    await show({ ...GUIDE, camRisesMm: [0.6, 1.2] });
    await press(fixture, 'Add a cam step');
    expect(inputOf(fixture, 'Cam step 3 lifts').value).toBe('1.7');
    await typeInto(fixture, 'Cam step 1 lifts', '');
    expect((await sent('PUT'))['camRisesMm']).toEqual([1.2, 1.7]);
  });

  it('adds and removes seats, and measures each where it stands', async () => {
    await show(GUIDE);
    await press(fixture, 'Add a seat');
    expect(inputOf(fixture, 'Height above the axle').value).toBe('16.25');
    await press(fixture, 'Remove seat Iron jaws');
    await press(fixture, 'Measure Chisel jaws');
    await typeInto(fixture, 'Projection 1', '40');
    await typeInto(fixture, 'Angle 1', '25');
    await typeInto(fixture, 'Projection 2', '30');
    await typeInto(fixture, 'Angle 2', '30');
    await press(fixture, 'Set up by these readings');
    expect(textOf(fixture, '.measured')).toContain('2 readings');
    const seats = (await sent('PUT'))['seats'] as { name: string; measured?: object }[];
    expect(seats.map(({ name, measured }) => [name, measured !== undefined])).toEqual([
      ['Chisel jaws', true],
      ['Seat 3', false],
    ]);
  });
});

describe('GuidesPage', () => {
  it('lists rollers before jigs, with projections, a bar’s gap, or what else there is to say', async () => {
    const server = playServer();
    const fixture = TestBed.createComponent(GuidesPage);
    const hand: Guide = { name: 'By hand', form: 'freehand' };
    const pair: Guide = { name: 'Pair', form: 'pair-jig', fixedDeg: 45 };
    const all = [hand, WHEEL, pair, GUIDE].map((guide, i) => stored(guide, `g${i}`));
    answer(server, '/api/guides', page(all));
    await fixture.whenStable();
    const heads = [...(fixture.nativeElement as HTMLElement).querySelectorAll('h2')].map((h) =>
      h.textContent?.trim(),
    );
    expect(heads).toEqual(['Guide', 'Pair', 'Wheel', 'By hand']);
    // From the examples: chisel jaws 30° → 29.896, R 125 P 139 c 12 at 25° → D 216.926.
    expect(textOf(fixture)).toContain('29.90 mm');
    expect(textOf(fixture)).toContain('91.93 mm');
    expect(textOf(fixture)).toContain('holds every knife at 45°');
  });
});
