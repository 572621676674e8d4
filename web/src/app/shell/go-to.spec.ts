import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { Router } from '@angular/router';
import { IRON, answer, page, playServer, stone, stored } from '../testing/page';
import { GoTo } from './go-to';

describe('GoTo', () => {
  let fixture: ComponentFixture<GoTo>;
  // The dialog hangs under the body.
  const field = (): HTMLInputElement => document.querySelector('input[role=combobox]') as HTMLInputElement;
  const options = (): readonly string[] =>
    [...document.querySelectorAll('[role=option]')].map((each) => each.textContent.trim());
  const type = async (text: string): Promise<void> => {
    field().value = text;
    field().dispatchEvent(new Event('input'));
    await fixture.whenStable();
  };
  const press = async (key: string): Promise<void> => {
    field().dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
    await fixture.whenStable();
  };

  beforeEach(async () => {
    const server = playServer();
    fixture = TestBed.createComponent(GoTo);
    answer(server, '/api/tools', page([stored({ ...IRON, name: 'Jack iron' }, 'jack')]));
    answer(server, '/api/abrasives', page([stone('w1', '1000'), stone('w8', '8000')]));
    answer(server, '/api/guides', page([]));
    await fixture.whenStable();
  });
  afterEach(() => fixture.destroy());

  it('has rooms before anything is typed, and says when nothing is called so', async () => {
    expect(options()[0]).toContain('Tools');
    await type('zinc');
    expect(options()).toEqual([]);
    expect(document.querySelector('[role=status]')?.textContent).toContain('Nothing');
    expect(field().getAttribute('aria-activedescendant')).toBeNull();
  });

  it('goes by arrows and Enter to what is marked, round from the last to the first', async () => {
    const navigate = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    await type('stone');
    expect(options().map((words) => words.replace(/\s+/g, ' '))).toEqual([
      'Stones room',
      'Stone 1000 stone',
      'Stone 8000 stone',
      'Add a stone new',
    ]);
    await press('ArrowUp');
    expect(field().getAttribute('aria-activedescendant')).toBe('place-3');
    await press('ArrowUp');
    await press('ArrowUp');
    await press('Enter');
    expect(navigate).toHaveBeenCalledOnceWith(['/stones', 'w1']);
  });

  it('goes to a tool on the side that is looked at', async () => {
    const navigate = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    spyOnProperty(TestBed.inject(Router), 'url').and.returnValue('/tools/x/plan');
    await type('ja');
    await press('Enter');
    expect(navigate).toHaveBeenCalledOnceWith(['/tools', 'jack', 'plan']);
  });
});
