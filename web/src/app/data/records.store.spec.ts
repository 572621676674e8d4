import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { RecordsStore, type Records } from './records.store';

describe('RecordsStore', () => {
  beforeEach(() => {
    jasmine.clock().install();
    TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
  });
  afterEach(() => jasmine.clock().uninstall());

  it('shows what the server knows, and asks again as long as it says that is not all', () => {
    const shown: Records[] = [];
    const http = TestBed.inject(HttpTestingController);
    const showing = TestBed.inject(RecordsStore).known$.subscribe((records) => shown.push(records));
    // What else the page asks for is not looked at here.
    const aside = (): void =>
      ['/api/tools', '/api/settings'].forEach((url) => http.match((asked) => asked.url === url));
    aside();
    const answer = (records: object, still: boolean): void =>
      http
        .expectOne((asked) => asked.url === '/api/records' && asked.params.get('withinMs') === '400')
        .flush(records, { headers: still ? { 'X-Still-Reckoning': 'yes' } : {} });
    answer({ a: { entries: 1 } }, true);
    http.expectNone('/api/records');
    jasmine.clock().tick(1000);
    answer({ a: { entries: 1 } }, true);
    jasmine.clock().tick(1000);
    answer({ a: { entries: 2 } }, false);
    jasmine.clock().tick(10_000);
    http.verify();
    expect(shown).toEqual([{ a: { entries: 1 } }, { a: { entries: 1 } }, { a: { entries: 2 } }] as never);
    showing.unsubscribe();
  });
});
