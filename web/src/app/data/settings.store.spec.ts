import { TestBed } from '@angular/core/testing';
import { answer, playServer } from '../testing/page';
import { SettingsStore } from './settings.store';

describe('SettingsStore', () => {
  it('sends quick changes one after the other, each from the version the last one left', () => {
    const server = playServer();
    const store = TestBed.inject(SettingsStore);
    const start = { name: 'Shed', units: 'mm', decimalMark: 'point', version: 3 };
    answer(server, '/api/settings', start);
    store.change({ units: 'inch' }).subscribe();
    store.change({ decimalMark: 'comma' }).subscribe();
    const first = server.expectOne({ method: 'PUT', url: '/api/settings' });
    expect(first.request.body).toEqual({ ...start, units: 'inch' });
    first.flush({ ...start, units: 'inch', version: 4 });
    const second = server.expectOne({ method: 'PUT', url: '/api/settings' });
    expect(second.request.body).toEqual({ ...start, units: 'inch', decimalMark: 'comma', version: 4 });
  });
});
