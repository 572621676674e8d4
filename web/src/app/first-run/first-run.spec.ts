import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { HttpTestingController } from '@angular/common/http/testing';
import { Router } from '@angular/router';
import type { Beginning } from '@mellow-anvil/contract';
import { type Abrasive, grit } from '@mellow-anvil/core/abrasive';
import { GENERIC_SIDE_CLAMPING_GUIDE } from '@mellow-anvil/core/guide';
import { press, textOf } from '../testing/host';
import { IRON, answer, page, playServer, stone, stored } from '../testing/page';
import { FirstRun } from './first-run';
import { FirstRunState } from '../data/first-run.state';

describe('FirstRun', () => {
  let server: HttpTestingController;
  const show = async (): Promise<ComponentFixture<FirstRun>> => {
    server = playServer();
    const fixture = TestBed.createComponent(FirstRun);
    await fixture.whenStable();
    return fixture;
  };
  const tile = async (fixture: ComponentFixture<FirstRun>, words: string): Promise<void> => {
    const tiles = [
      ...(fixture.nativeElement as HTMLElement).querySelectorAll<HTMLElement>('.questions button'),
    ];
    tiles.find(({ textContent }) => textContent.trim().startsWith(words))?.click();
    await fixture.whenStable();
  };
  const sent = async (fixture: ComponentFixture<FirstRun>): Promise<Beginning> => {
    await press(fixture, 'Begin with these');
    return server.expectOne({ method: 'POST', url: '/api/beginnings' }).request.body as Beginning;
  };

  it('has a plan before anything is answered, and puts all of it in place in one change', async () => {
    const fixture = await show();
    expect(textOf(fixture, '.total .figure')).toMatch(/^\d.* min$/);
    expect(textOf(fixture, '.answer li')).toContain('strokes');
    const navigate = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    await press(fixture, 'Begin with these');
    const post = server.expectOne('/api/beginnings');
    const { tools, guides, abrasives } = post.request.body as Beginning;
    expect(tools.map(({ family }) => family)).toEqual(['bench-chisel']);
    expect(guides).toEqual([GENERIC_SIDE_CLAMPING_GUIDE]);
    expect(abrasives.map(({ name }) => name)).toEqual(['Water stone, middle']);
    post.flush({ toolIds: ['t'] });
    expect(navigate).toHaveBeenCalledOnceWith(['/tools', 't', 'plan']);
  });

  it('a carver with one knife, one stone and a strop is asked for no guide and no width of a chisel', async () => {
    const fixture = await show();
    await tile(fixture, 'Whittling knife');
    expect(textOf(fixture, '.questions')).not.toContain('How is it held?');
    await tile(fixture, 'Man-made oil stone');
    await press(fixture, 'Slick, like slate');
    await press(fixture, 'Add a strop');
    expect(textOf(fixture, '.answer ol')).toContain('Strop');
    const { tools, guides, abrasives } = await sent(fixture);
    expect(tools[0]?.family).toBe('whittling-knife');
    expect(guides.map(({ form }) => form)).toEqual(['freehand']);
    expect(abrasives.map(({ name }) => name)).toEqual(['Man-made oil stone, fine', 'Strop']);
  });

  it('tells who has nothing yet which one stone to begin with, and plans on it', async () => {
    const fixture = await show();
    await tile(fixture, 'Whittling knife');
    await press(fixture, 'Nothing yet: which one?');
    expect(textOf(fixture, '.answer [role=status]')).toMatch(/One stone for this tool: .* about \d+ µm/);
    const told = / about (\d+) µm/.exec(textOf(fixture, '.answer [role=status]'))?.[1];
    const { abrasives } = await sent(fixture);
    expect(Math.round(grit((abrasives[0] as Abrasive).grade).sizeUm)).toBe(Number(told));
  });

  it('offers a tool only what follows its edge, and takes a number found on a stone over its feel', async () => {
    const fixture = await show();
    await tile(fixture, 'Hooked blade');
    expect(textOf(fixture, '.stones')).not.toContain('Water stone');
    expect(textOf(fixture, '.stones')).toContain('Paper on a rod');
    await tile(fixture, 'Bench chisel');
    const number = (fixture.nativeElement as HTMLElement).querySelector('ma-line input') as HTMLInputElement;
    const typed = async (text: string): Promise<void> => {
      number.value = text;
      number.dispatchEvent(new Event('input'));
      await fixture.whenStable();
    };
    await typed('a lot');
    expect(textOf(fixture, 'ma-line .sentence-error')).not.toBe('');
    expect(textOf(fixture, '.answer')).not.toContain('Begin with these');
    await typed('3000');
    expect((await sent(fixture)).abrasives[0]?.grade).toEqual({ standard: 'JIS', grade: '3000' });
  });

  it('is over once there is a tool, or something to hone one on', () => {
    for (const [tools, abrasives, over] of [
      [[], [], false],
      [[], [{ ...stone('w', '400'), kind: 'dry-wheel' }], false],
      [[], [{ ...stone('l', '400'), kind: 'strop' }], false],
      [[], [stone('s', '1000')], true],
      [[stored(IRON, 'a')], [], true],
    ] as const) {
      TestBed.resetTestingModule();
      server = playServer();
      let unfinished: boolean | undefined;
      TestBed.inject(FirstRunState).unfinished$.subscribe((now) => (unfinished = now));
      answer(server, '/api/tools', page(tools));
      answer(server, '/api/abrasives', page(abrasives));
      expect(unfinished).toBe(!over);
    }
  });
});
