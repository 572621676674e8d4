import { TestBed } from '@angular/core/testing';
import { textOf } from '../testing/host';
import { playServer } from '../testing/page';
import judged from './judged.json';
import { JudgedPage } from './judged.page';

describe('JudgedPage', () => {
  it('tells what a year costs by whose advice, the cheapest first, the page among them', async () => {
    playServer();
    const fixture = TestBed.createComponent(JudgedPage);
    await fixture.whenStable();
    const bars = [...(fixture.nativeElement as HTMLElement).querySelectorAll('.bars li')];
    const hours = bars.map((bar) => Number.parseFloat(bar.querySelector('.hours')?.textContent ?? ''));
    expect(hours).toEqual([...hours].sort((a, b) => a - b));
    expect(hours.length).toBe(
      judged.rows.filter(({ kind }) => ['page', 'rule', 'oracle'].includes(kind)).length,
    );
    expect(bars.filter((bar) => bar.classList.contains('own')).length).toBe(1);
    expect(textOf(fixture, '.own')).toContain('this page');
    expect(textOf(fixture, '.later')).toMatch(/In a second year, .* it cost .* less/);
    for (const { name } of judged.rows.filter(({ kind }) => kind === 'spoilt'))
      expect((fixture.nativeElement as HTMLElement).textContent).toContain(name);
  });
});
