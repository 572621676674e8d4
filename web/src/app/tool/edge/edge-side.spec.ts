import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { HttpTestingController } from '@angular/common/http/testing';
import { EDGE, IRON, answer, page, playServer, stored } from '../../testing/page';
import { atRest, inputOf, textOf, typeInto } from '../../testing/host';
import { EdgeSide } from './edge-side';

describe('EdgeSide', () => {
  let server: HttpTestingController;
  let fixture: ComponentFixture<EdgeSide>;
  const field = (label: string): HTMLInputElement => inputOf(fixture, label);
  const type = (label: string, text: string, leave = true): Promise<void> =>
    typeInto(fixture, label, text, leave);
  /** The contract is loaded when first needed; wait for it. */
  const putAppears = async () => {
    await atRest();
    return server.expectOne({ method: 'PUT', url: '/api/tools/iron' });
  };

  beforeEach(async () => {
    server = playServer();
    fixture = TestBed.createComponent(EdgeSide);
    fixture.componentRef.setInput('tool', stored(IRON, 'iron'));
    answer(server, '/api/tools', page([stored(IRON, 'iron')]));
    await fixture.whenStable();
  });

  it('keeps a figure as soon as it is left', async () => {
    await type('Width', '48');
    const put = await putAppears();
    expect(put.request.body).toEqual({ ...IRON, edge: { ...EDGE, widthMm: 48 }, version: 1 });
  });

  it('does not lose what is being typed when the answer to an earlier change comes in', async () => {
    await type('Width', '48');
    const put = await putAppears();
    await type('Thickness', '3.4', false);
    fixture.componentRef.setInput('tool', stored({ ...IRON, edge: { ...EDGE, widthMm: 48 } }, 'iron', 2));
    put.flush(stored({ ...IRON, edge: { ...EDGE, widthMm: 48 } }, 'iron', 2));
    await fixture.whenStable();
    expect(field('Thickness').value).toBe('3.4');
    field('Thickness').dispatchEvent(new Event('blur'));
    const second = await putAppears();
    expect(second.request.body.version).toBe(2);
    expect(second.request.body.edge).toEqual({ ...EDGE, widthMm: 48, thicknessMm: 3.4 });
  });

  it('sends nothing that the contract refuses, and says why at the field', async () => {
    await type('Secondary angle', '20');
    const host: HTMLElement = fixture.nativeElement;
    await atRest();
    expect(host.textContent).toContain('has to be steeper than the primary');
    expect(host.querySelector('[role=alert]')?.textContent).toContain('Not kept yet');
    server.expectNone({ method: 'PUT', url: '/api/tools/iron' });
  });

  it('puts a measured land into the record, and leaves the tool as it is', async () => {
    const state = { recessionMm: 0.1, landMm: 0.72, landFrom: 'ground', honingsSinceThen: 3, honings: 3 };
    answer(server, '/api/records', { iron: { entries: 4, state } });
    await fixture.whenStable();
    expect(field('Land now').value).toBe('0.72');
    expect(textOf(fixture)).toContain('Freshly ground, 3 honings since');
    await type('Land now', '0.9');
    await atRest();
    const { request } = server.expectOne({ method: 'POST', url: '/api/sessions' });
    expect(request.body).toEqual(
      jasmine.objectContaining({ toolId: 'iron', kind: 'measuring', landMm: 0.9 }),
    );
    server.expectNone({ method: 'PUT', url: '/api/tools/iron' });
  });

  it('says first of all that an edge has crept', async () => {
    expect(textOf(fixture, '.panels')).toContain('It lies');
    const state = { recessionMm: 0.1, landMm: 0.72, landFrom: 'ground', honingsSinceThen: 3, honings: 3 };
    const creep = { setDeg: 30, nowDeg: 32.5, steps: 3, since: '2026-08-01T09:00:00Z', keepRatio: 0.9 };
    answer(server, '/api/records', { iron: { entries: 4, state, creep } });
    await fixture.whenStable();
    expect(textOf(fixture, '.panels')).toContain('It has crept: set at 30°, it was last honed at 32.5°');
  });
});
