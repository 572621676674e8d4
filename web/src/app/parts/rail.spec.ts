import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { Router } from '@angular/router';
import type { HttpTestingController } from '@angular/common/http/testing';
import { Desk } from '../data/desk';
import { IRON, answer, page, playServer, stone, stored } from '../testing/page';
import { AbrasivesStore } from '../data/abrasives.store';
import { ChosenSet } from '../data/chosen-set';
import { Rail } from './rail';

describe('Rail', () => {
  let server: HttpTestingController;
  let fixture: ComponentFixture<Rail>;
  const buttons = (): HTMLButtonElement[] => [
    ...(fixture.nativeElement as HTMLElement).querySelectorAll<HTMLButtonElement>('button.stone'),
  ];

  beforeEach(async () => {
    server = playServer();
    fixture = TestBed.createComponent(Rail);
    answer(server, '/api/tools', page([stored(IRON, 'iron')]));
    answer(server, '/api/guides', page([]));
    answer(server, '/api/records', {});
    answer(
      server,
      '/api/abrasives',
      page([stone('fine', '8000'), stone('coarse', '400'), stone('middle', '1000')]),
    );
    TestBed.inject(Desk).takeUp('iron');
    await fixture.whenStable();
  });

  it('stands the set coarse to fine, whatever order it came in', () => {
    expect(buttons().map((each) => each.querySelector('.name')?.textContent)).toEqual([
      'Stone 400',
      'Stone 1000',
      'Stone 8000',
    ]);
    const lefts = buttons().map((each) => parseFloat(each.style.left));
    expect(lefts).toEqual([...lefts].sort((a, b) => a - b));
  });

  it('lights the plan’s stones with their strokes, and lays one aside at a tap', async () => {
    expect(buttons().some((each) => each.classList.contains('lit'))).toBeFalse();
    fixture.componentRef.setInput('planning', true);
    await fixture.whenStable();
    expect(buttons().map((each) => each.classList.contains('lit'))).toEqual([false, true, true]);
    expect(buttons()[1]?.textContent).toMatch(/\d+ strokes/);
    buttons()[1]?.click();
    await fixture.whenStable();
    expect(buttons()[1]?.textContent).toContain('laid aside');
    expect(buttons()[1]?.getAttribute('aria-pressed')).toBe('false');
    expect(buttons()[1]?.getAttribute('aria-label')).toContain('laid aside');
  });

  it('shows the set chosen, and marks what wants seeing to', async () => {
    const care = {
      strokes: 400,
      uses: 9,
      minutes: 9,
      readings: 0,
      wearFactor: 1,
      recharges: 0,
      hollowUm: 90,
    };
    const due = { kind: 'flattened', minutes: 2 };
    const rate = { factor: 1, sd: 0.5, low: 0.5, high: 2, readings: 0 };
    answer(server, '/api/stones', { stones: { middle: { care: { ...care, due }, rate } }, gone: [] });
    await fixture.whenStable();
    expect(buttons()[1]?.textContent).toContain('dished');
    expect(buttons()[1]?.getAttribute('aria-label')).toContain('dished');
    expect((fixture.nativeElement as HTMLElement).textContent).toContain('1 wants seeing to');
    TestBed.inject(AbrasivesStore).load();
    answer(
      server,
      '/api/abrasives',
      page([
        { ...stone('coarse', '400'), sets: ['Van'] },
        { ...stone('fine', '8000'), sets: ['Roll'] },
      ]),
    );
    await fixture.whenStable();
    // Nobody chose a set for this tool: the one that comes nearest to its finish.
    expect(buttons().map((each) => each.querySelector('.name')?.textContent)).toEqual(['Stone 8000']);
    TestBed.inject(Desk).chooseSet('Van');
    const put = server.expectOne(({ method, url }) => method === 'PUT' && url === '/api/tools/iron');
    expect(put.request.body.stoneSet).toBe('Van');
    put.flush({ ...stored(IRON, 'iron'), stoneSet: 'Van', version: 2 });
    await fixture.whenStable();
    expect(buttons().map((each) => each.querySelector('.name')?.textContent)).toEqual(['Stone 400']);
    // Without a tool in the vise the rail has a set of its own.
    TestBed.inject(Desk).takeUp(undefined);
    TestBed.inject(Desk).chooseSet('Roll');
    await fixture.whenStable();
    expect(buttons().map((each) => each.querySelector('.name')?.textContent)).toEqual(['Stone 8000']);
    TestBed.inject(ChosenSet).choose(undefined);
  });

  it('opens a stone’s own page when no plan is in view', async () => {
    const go = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    buttons()[0]?.click();
    expect(go).toHaveBeenCalledWith(['/stones', 'coarse']);
  });
});
