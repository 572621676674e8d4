import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { HttpTestingController } from '@angular/common/http/testing';
import { App } from './app';
import { Undo } from '../platform/undo.store';
import { press, textOf } from '../testing/host';
import { answer, playServer } from '../testing/page';

describe('App', () => {
  let server: HttpTestingController;
  let fixture: ComponentFixture<App>;
  const button = (words: string): HTMLButtonElement | undefined =>
    [...(fixture.nativeElement as HTMLElement).querySelectorAll('button')].find((each) =>
      each.getAttribute('aria-label')?.startsWith(words),
    );

  beforeEach(async () => {
    server = playServer();
    fixture = TestBed.createComponent(App);
    TestBed.inject(Undo).refresh();
    answer(server, '/api/health', { status: 'ok', version: '9.8.7', schema: '' });
    answer(server, '/api/settings', { name: 'Boat shed', units: 'mm', decimalMark: 'point', version: 1 });
    await fixture.whenStable();
  });

  it('shows the release and the workshop, and has nothing to undo at first', async () => {
    const brand = (fixture.nativeElement as HTMLElement).querySelector<HTMLElement>('.brand');
    expect(brand?.title).toBe('Mellow Anvil 9.8.7');
    expect(textOf(fixture, '.workshop')).toBe('Boat shed');
    expect(button('Undo')?.disabled).toBeTrue();
  });

  it('names what an undo would take back, takes it back, and says so', async () => {
    answer(server, '/api/undo', { undo: [{ id: 4, label: 'Add tool “Adze”', createdAt: '' }], redo: [] });
    await fixture.whenStable();
    expect(button('Undo')?.getAttribute('aria-label')).toBe('Undo: Add tool “Adze”');
    await press(fixture, 'Undo: Add tool');
    server
      .expectOne({ method: 'POST', url: '/api/undo/undo' })
      .flush({ id: 4, label: 'Add tool “Adze”', createdAt: '' });
    answer(server, '/api/undo', { undo: [], redo: [{ id: 4, label: 'Add tool “Adze”', createdAt: '' }] });
    await fixture.whenStable();
    expect(button('Undo')?.disabled).toBeTrue();
    expect(button('Redo')?.getAttribute('aria-label')).toBe('Redo: Add tool “Adze”');
  });

  it('asks again what can be undone when an undo is refused', async () => {
    answer(server, '/api/undo', { undo: [{ id: 4, label: 'Add', createdAt: '' }], redo: [] });
    await fixture.whenStable();
    await press(fixture, 'Undo: Add');
    server
      .expectOne({ method: 'POST', url: '/api/undo/undo' })
      .flush({ title: 'Out of date', detail: 'Look again.' }, { status: 409, statusText: 'Conflict' });
    answer(server, '/api/undo', { undo: [{ id: 5, label: 'Change', createdAt: '' }], redo: [] });
    await fixture.whenStable();
    expect(button('Undo')?.getAttribute('aria-label')).toBe('Undo: Change');
  });
});
