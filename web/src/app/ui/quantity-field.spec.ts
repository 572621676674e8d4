import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { HttpTestingController } from '@angular/common/http/testing';
import fc from 'fast-check';
import { SettingsStore } from '../data/settings.store';
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

  it('keeps a figure to the bit however often it is looked at and left in either unit (fast-check)', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.double({ min: 0.001, max: 900, noNaN: true }),
        fc.array(fc.constantFrom('mm' as const, 'inch' as const), { minLength: 1, maxLength: 6 }),
        async (mm, switches) => {
          fixture.componentRef.setInput('value', mm);
          await fixture.whenStable();
          for (const units of switches) {
            TestBed.inject(SettingsStore).load();
            answer(server, '/api/settings', { name: 'Shop', units, decimalMark: 'point', version: 1 });
            await fixture.whenStable();
            input().dispatchEvent(new Event('focus'));
            input().dispatchEvent(new Event('blur'));
            await fixture.whenStable();
            // What stands in the field is the figure itself, to the digits it is written in.
            const shown = Number(input().value) * (units === 'mm' ? 1 : 25.4);
            expect(Math.abs(shown - mm)).toBeLessThan(units === 'mm' ? 6e-5 : 1.4e-4);
          }
          expect(fixture.componentInstance.value()).toBe(mm);
        },
      ),
      { numRuns: 25 },
    );
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
