import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { HttpTestingController } from '@angular/common/http/testing';
import { Desk } from '../../data/desk';
import { EDGE, IRON, answer, page, playServer, stone, stored } from '../../testing/page';
import { atRest, inputOf, press, textOf, typeInto, until } from '../../testing/host';
import { CamberSide } from './camber-side';

const SMOOTHER = {
  ...IRON,
  edge: { ...EDGE, widthMm: 50, front: { shape: 'arc' as const, radiusMm: 4420 } },
  host: { bedDeg: 45, orientation: 'bevel-down' as const },
  camber: { job: 'smoothing' as const, shavingMm: 0.05, passStepMm: 40, hadMm: 0 },
};
const CURVE = {
  camberMm: 0.005,
  leanMm: 0,
  pmMm: 0.03,
  from: 'entered',
  readings: 0,
  factor: 1,
  ratios: [],
  since: { camberMm: 0, leanMm: 0 },
};
const STATE = {
  recessionMm: 0.1,
  landMm: 0.6,
  landFrom: 'ground',
  honingsSinceThen: 3,
  honings: 3,
  backMm: 0,
  steelMm3: 0,
  stropsSinceHoned: 0,
  sinceHoned: { spells: 0, minutes: 0, metresPlaned: 0, mortises: 0, chips: 0, deepestMm: 0 },
  sinceSharpened: { spells: 0, minutes: 0, metresPlaned: 0, mortises: 0, chips: 0, deepestMm: 0 },
  camber: CURVE,
};

describe('CamberSide', () => {
  let server: HttpTestingController;
  let fixture: ComponentFixture<CamberSide>;
  const sent = async (
    method: string,
    url: string,
  ): Promise<{ request: { body: never }; flush(body: object): void }> => {
    await atRest();
    return server.expectOne({ method, url }) as never;
  };

  beforeEach(async () => {
    server = playServer();
    TestBed.inject(Desk).takeUp('iron');
    fixture = TestBed.createComponent(CamberSide);
    fixture.componentRef.setInput('tool', stored(SMOOTHER, 'iron'));
    await fixture.whenStable();
    answer(server, '/api/tools', page([stored(SMOOTHER, 'iron')]));
    answer(server, '/api/abrasives', page([stone('w1000', '1000'), stone('w8000', '8000')]));
    answer(server, '/api/guides', page([]));
    answer(server, '/api/boards', page([]));
    answer(server, '/api/stones', { stones: {}, gone: [] });
    answer(server, '/api/records', { iron: { entries: 3, state: STATE, chips: { edges: 0, chipped: 0 } } });
    await fixture.whenStable();
  });

  it('lets a smoother’s curve follow its shaving, and keeps it with what the iron had before', async () => {
    expect(textOf(fixture)).toContain('71 µm');
    await typeInto(fixture, 'Shaving in the middle', '0.1');
    const put = await sent('PUT', '/api/tools/iron');
    const body = put.request.body as typeof SMOOTHER;
    expect(body.edge.front.radiusMm).toBeCloseTo(2210, -1);
    expect(body.camber).toEqual(jasmine.objectContaining({ job: 'smoothing', shavingMm: 0.1, hadMm: 0 }));
  });

  it('is dragged at its corner, by keys too, and typed as a radius', async () => {
    const handle = (fixture.nativeElement as HTMLElement).querySelector('[role=slider]') as HTMLElement;
    const before = Number(handle.getAttribute('aria-valuenow'));
    handle.dispatchEvent(new KeyboardEvent('keydown', { key: 'PageUp' }));
    await fixture.whenStable();
    expect(Number(handle.getAttribute('aria-valuenow'))).toBeGreaterThan(before);
    const put = await sent('PUT', '/api/tools/iron');
    expect((put.request.body as typeof SMOOTHER).edge.front.radiusMm).toBeLessThan(4420);
    await typeInto(fixture, 'Radius', '20');
    expect(textOf(fixture)).toContain('cannot have a radius below 25 mm');
    server.expectNone({ method: 'PUT', url: '/api/tools/iron' });
  });

  it('refuses in words a shaving wider than the iron', async () => {
    await typeInto(fixture, 'and so wide', '60');
    expect(textOf(fixture)).toContain('A shaving cannot be wider than its iron');
  });

  it('shows strokes by place from what the record says the iron has, and none when asked to leave it', async () => {
    await press(fixture, 'Make it');
    expect(textOf(fixture)).toContain('it has 5 µm ± 30 µm, as it was entered');
    expect(textOf(fixture, 'ma-finger-drawing')).toMatch(/[1-9]\d*left/);
    expect(textOf(fixture)).toContain('Back each knob off 0.21 of a turn');
    TestBed.inject(Desk).ask({ camber: { positions: 0, nowMm: 0 } });
    await fixture.whenStable();
    expect(textOf(fixture)).toContain('leaves the curve alone');
  });

  it('reads a shaving, says when it cannot tell, and puts it into the record', async () => {
    await press(fixture, 'Read it back');
    await typeInto(fixture, 'Thickness', '0.05');
    await typeInto(fixture, 'Width', '30');
    expect(textOf(fixture)).toContain('196 µm ±');
    await typeInto(fixture, 'known to ±', '0.06');
    expect(textOf(fixture)).toContain('cannot be told from straight');
    await typeInto(fixture, 'known to ±', '0.005');
    await press(fixture, 'Into the record');
    const post = await sent('POST', '/api/sessions');
    expect(post.request.body).toEqual(
      jasmine.objectContaining({
        kind: 'measuring',
        camber: jasmine.objectContaining({ by: 'shaving', camberMm: 0.19643 }),
      }),
    );
  });

  it('reads a profile pasted, and the simulated caliper through the real parser', async () => {
    await press(fixture, 'Read it back');
    await press(fixture, 'With a caliper');
    const area = (fixture.nativeElement as HTMLElement).querySelector('textarea') as HTMLTextAreaElement;
    const paste = async (text: string): Promise<void> => {
      area.value = text;
      area.dispatchEvent(new Event('input'));
      await fixture.whenStable();
    };
    await paste('0 11.93\n12.5 11.98\n25 12\n37.5 11.98\n50 11.93');
    expect(textOf(fixture)).toMatch(/(69|7\d) µm ± \d+ µm of light/);
    await paste('0 12\n25 12\n50 x');
    expect(textOf(fixture)).toContain('Line 3: “x” is not a number');
    await press(fixture, 'Simulated caliper');
    await until(
      () => textOf(fixture).includes('9 read, 1 garbled and passed over.'),
      'the caliper is through',
    );
    await fixture.whenStable();
    expect(area.value.trim().split('\n').length).toBe(9);
  });

  it('tells what the tracks say, cheapest cure first', async () => {
    await press(fixture, 'Read it back');
    await press(fixture, 'By the board’s tracks');
    await typeInto(fixture, 'Step at the left', '0.04');
    expect(textOf(fixture, 'ma-read-tracks')).toContain(
      'Move the lateral lever until the left corner comes up',
    );
    await typeInto(fixture, 'From ridge to ridge', '70');
    expect(textOf(fixture)).toContain('not this iron’s');
    expect(inputOf(fixture, 'Step at the left').value).toBe('0.04');
  });
});
