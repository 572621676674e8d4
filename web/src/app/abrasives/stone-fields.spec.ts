import { TestBed } from '@angular/core/testing';
import { playServer } from '../testing/page';
import { usualStone } from './stone-draft';
import { StoneFields } from './stone-fields';

describe('StoneFields', () => {
  const type = async (grade: string) => {
    playServer();
    const fixture = TestBed.createComponent(StoneFields);
    fixture.componentRef.setInput('draft', usualStone());
    await fixture.whenStable();
    const host: HTMLElement = fixture.nativeElement;
    const input = [...host.querySelectorAll('input')].find(({ id }) =>
      id.endsWith('grade'),
    ) as HTMLInputElement;
    input.value = grade;
    input.dispatchEvent(new Event('input'));
    await fixture.whenStable();
    return { fixture, says: host.querySelector('[id$=grade-says]')?.textContent?.trim() };
  };

  it('reads the grain size of a grade out at once and names the stone by it', async () => {
    const { fixture, says } = await type('1000');
    expect(says).toBe('11.5 µm');
    expect(fixture.componentInstance.draft().name).toBe('Water stone 1000');
  });

  it('says what grade there is instead of one there is not', async () => {
    const { says } = await type('1100');
    expect(says).toContain('#1000 or #1200');
  });
});
