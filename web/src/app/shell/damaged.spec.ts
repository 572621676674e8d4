import type { HttpTestingController } from '@angular/common/http/testing';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { Reload } from '../platform/reload';
import { press, textOf, until } from '../testing/host';
import { playServer } from '../testing/page';
import { Damaged } from './damaged';
import { KeepingWords } from './keeping-words';

const LIST = { folder: '/data/backups', backups: [], told: [] };

describe('Damaged', () => {
  let server: HttpTestingController;
  let fixture: ComponentFixture<Damaged>;

  beforeEach(async () => {
    server = playServer();
    fixture = TestBed.createComponent(Damaged);
    fixture.componentRef.setInput('damage', { why: 'Something changed it.', readable: true });
    await fixture.whenStable();
  });

  it('says why, and loads the page again once the file is opened as it is', async () => {
    const reload = spyOn(TestBed.inject(Reload), 'now');
    expect(textOf(fixture, '[role=alert]')).toBe('Something changed it.');
    await press(fixture, 'Open it as it is');
    server.expectOne({ method: 'POST', url: '/api/backups/open-as-it-is' }).flush(null);
    expect(reload).toHaveBeenCalledTimes(1);
  });

  it('offers that only for a file that can be read, and tells why a way out failed', async () => {
    fixture.componentRef.setInput('damage', { why: 'It is empty.', readable: false });
    await fixture.whenStable();
    expect(textOf(fixture)).not.toContain('Open it as it is');
    await press(fixture, 'Begin an empty workshop');
    server
      .expectOne({ method: 'POST', url: '/api/backups/begin-anew' })
      .flush({ title: 'The disk is full', detail: 'Free some space.' }, { status: 507, statusText: 'Full' });
    await fixture.whenStable();
    expect(textOf(fixture)).toContain('Free some space.');
  });
});

describe('KeepingWords', () => {
  it('stand until they are read, each by itself', async () => {
    const server = playServer();
    const fixture = TestBed.createComponent(KeepingWords);
    const list = { ...LIST, told: ['The last change is missing.'], trouble: 'No backup was made.' };
    await until(
      () => server.match('/api/backups').map((each) => each.flush(list)).length > 0,
      'the list is asked for',
    );
    await fixture.whenStable();
    expect(textOf(fixture)).toContain('The last change is missing.');
    expect(textOf(fixture)).toContain('No backup was made.');
    await press(fixture, 'I have read it');
    expect(textOf(fixture)).not.toContain('The last change is missing.');
    expect(textOf(fixture)).toContain('No backup was made.');
  });
});
