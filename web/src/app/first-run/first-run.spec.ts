import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { HttpTestingController } from '@angular/common/http/testing';
import { GENERIC_SIDE_CLAMPING_GUIDE } from '@mellow-anvil/core/guide';
import { press, textOf } from '../testing/host';
import { GUIDE, IRON, answer, page, playServer, stone, stored } from '../testing/page';
import { FirstRun } from './first-run';
import { FirstRunState } from '../data/first-run.state';

describe('FirstRun', () => {
  let server: HttpTestingController;
  const show = async (
    tools: object[],
    guides: object[],
    abrasives: object[],
  ): Promise<ComponentFixture<FirstRun>> => {
    server = playServer();
    const fixture = TestBed.createComponent(FirstRun);
    answer(server, '/api/tools', page(tools));
    answer(server, '/api/guides', page(guides));
    answer(server, '/api/abrasives', page(abrasives));
    await fixture.whenStable();
    return fixture;
  };

  it('leads one step at a time', async () => {
    expect(textOf(await show([], [], []), 'li.now h2')).toBe('A chisel or a plane iron');
    TestBed.resetTestingModule();
    const second = await show([stored(IRON, 'a')], [], []);
    expect(textOf(second, 'li.now h2')).toBe('The guide you clamp it in');
    expect(textOf(second, 'li.done')).toContain('Iron is on the rack.');
    TestBed.resetTestingModule();
    expect(textOf(await show([stored(IRON, 'a')], [stored(GUIDE, 'g')], []), 'li.now h2')).toBe(
      'What you hone on',
    );
  });

  it('takes the usual guide with one press', async () => {
    const fixture = await show([stored(IRON, 'a')], [], []);
    await press(fixture, 'Take the usual side-clamping guide');
    const post = server.expectOne({ method: 'POST', url: '/api/guides' });
    expect(post.request.body).toEqual(GENERIC_SIDE_CLAMPING_GUIDE);
    post.flush(stored(GENERIC_SIDE_CLAMPING_GUIDE, 'g'));
    await fixture.whenStable();
    expect(textOf(fixture, 'li.now h2')).toBe('What you hone on');
  });

  it('is over once there is a tool, a guide and two stones a bevel can be honed on', async () => {
    for (const [count, over] of [
      [1, false],
      [2, true],
    ] as const) {
      TestBed.resetTestingModule();
      await show(
        [stored(IRON, 'a')],
        [stored(GUIDE, 'g')],
        Array.from({ length: count }, (_, i) => stone(`s${i}`, '1000')),
      );
      let unfinished: boolean | undefined;
      TestBed.inject(FirstRunState).unfinished$.subscribe((now) => (unfinished = now));
      expect(unfinished).toBe(!over);
    }
    TestBed.resetTestingModule();
    const wheel = { ...stone('w', '400'), kind: 'dry-wheel' };
    await show([stored(IRON, 'a')], [stored(GUIDE, 'g')], [wheel, wheel]);
    let unfinished: boolean | undefined;
    TestBed.inject(FirstRunState).unfinished$.subscribe((now) => (unfinished = now));
    expect(unfinished).toBeTrue();
  });
});
