import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { Router } from '@angular/router';
import type { HttpTestingController } from '@angular/common/http/testing';
import { Desk } from '../bench/desk';
import { IRON, answer, page, playServer, stone, stored } from '../testing/page';
import { Rail } from './rail';

describe('Rail', () => {
  let server: HttpTestingController;
  let fixture: ComponentFixture<Rail>;
  const buttons = (): HTMLButtonElement[] => [
    ...(fixture.nativeElement as HTMLElement).querySelectorAll('button'),
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

  it('opens a stone’s own page when no plan is in view', async () => {
    const go = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    buttons()[0]?.click();
    expect(go).toHaveBeenCalledWith(['/stones', 'coarse']);
  });
});
