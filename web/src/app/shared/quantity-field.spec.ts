import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { HttpTestingController } from '@angular/common/http/testing';
import { answer, playServer } from '../testing/page';
import { QuantityField } from './quantity-field';

describe('QuantityField', () => {
  let server: HttpTestingController;
  let fixture: ComponentFixture<QuantityField>;
  const input = (): HTMLInputElement => fixture.nativeElement.querySelector('input');
  const type = async (text: string): Promise<void> => {
    input().value = text;
    input().dispatchEvent(new Event('input'));
    await fixture.whenStable();
  };

  beforeEach(async () => {
    server = playServer();
    fixture = TestBed.createComponent(QuantityField);
    fixture.componentRef.setInput('label', 'Width');
    fixture.componentRef.setInput('value', 38.1);
    await fixture.whenStable();
  });

  it('reads millimetres, inches and thou with comma or point', async () => {
    for (const [text, mm] of [
      ['38,5', 38.5],
      ['1 1/2 in', 38.1],
      ['4 thou', 0.1016],
    ] as const) {
      await type(text);
      expect(fixture.componentInstance.value()).withContext(text).toBeCloseTo(mm, 9);
    }
  });

  it('says beside the field why it cannot read, and tells its owner so', async () => {
    let settled = 0;
    fixture.componentInstance.settled.subscribe(() => settled++);
    await type('wide');
    input().dispatchEvent(new Event('blur'));
    expect(fixture.componentInstance.value()).toBeNaN();
    expect(input().getAttribute('aria-invalid')).toBe('true');
    const says = fixture.nativeElement.querySelector(`#${input().getAttribute('aria-describedby')}`);
    expect(says.textContent).toContain('not a');
    expect(settled).toBe(0);
    await type('');
    expect(fixture.componentInstance.value()).toBeUndefined();
  });

  it('never rewrites what is being typed, and tidies it when it is left', async () => {
    input().dispatchEvent(new Event('focus'));
    await type('');
    fixture.componentRef.setInput('value', 38.1);
    await fixture.whenStable();
    expect(input().value).toBe('');
    await type('40,50 mm');
    expect(input().value).toBe('40,50 mm');
    input().dispatchEvent(new Event('blur'));
    await fixture.whenStable();
    expect(input().value).toBe('40.5');
  });

  it('shows the same length when the workshop turns to inches, without changing it', async () => {
    expect(input().value).toBe('38.1');
    answer(server, '/api/settings', { name: 'W', units: 'inch', decimalMark: 'comma', version: 1 });
    await fixture.whenStable();
    expect(input().value).toBe('1,5');
    expect(fixture.componentInstance.value()).toBe(38.1);
  });
});
