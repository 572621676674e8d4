import type { HttpTestingController } from '@angular/common/http/testing';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { press, textOf, until } from '../testing/host';
import { answer, playServer } from '../testing/page';
import { Undo } from '../platform/undo.store';
import { Reload } from '../platform/reload';
import { Backups } from './backups';
import { BackupsStore } from '../data/backups.store';

const NAME = 'workshop-2026-11-02T09-00-00-000Z.sqlite';
const LIST = {
  told: [],
  folder: '/data/backups',
  backups: [{ name: NAME, madeAt: '2026-11-02T09:00:00.000Z', bytes: 204800, because: 'regular' }],
};

describe('Backups', () => {
  let server: HttpTestingController;
  let fixture: ComponentFixture<Backups>;

  beforeEach(async () => {
    server = playServer();
    fixture = TestBed.createComponent(Backups);
    await until(
      () => server.match('/api/backups').map((each) => each.flush(LIST)).length > 0,
      'the list is asked for',
    );
    await fixture.whenStable();
  });

  it('asks before it restores, then has every store load again', async () => {
    let turned = 0;
    TestBed.inject(Undo).turned$.subscribe(() => (turned += 1));
    expect(textOf(fixture)).toContain('200 kB');
    await press(fixture, 'Restore the backup of 2 Nov 2026');
    server.expectNone({ method: 'POST', url: '/api/backups/restore' });
    await press(fixture, 'Restore it');
    const post = server.expectOne({ method: 'POST', url: '/api/backups/restore' });
    expect(post.request.body).toEqual({ name: NAME });
    post.flush({ before: 'x' });
    expect(turned).toBe(1);
  });

  it('has the whole page load again once a backup stands in place of a damaged file', async () => {
    const reload = spyOn(TestBed.inject(Reload), 'now');
    TestBed.inject(BackupsStore).look();
    answer(server, '/api/backups', { ...LIST, damage: { why: 'It is empty.', readable: false } });
    await fixture.whenStable();
    expect(textOf(fixture)).not.toContain('Back up now');
    await press(fixture, 'Restore the backup of 2 Nov 2026');
    expect(textOf(fixture)).toContain('the damaged file is set aside');
    await press(fixture, 'Restore it');
    server.expectOne({ method: 'POST', url: '/api/backups/restore' }).flush({ aside: 'x' });
    expect(reload).toHaveBeenCalledTimes(1);
  });

  it('tells why one could not be made or put back', async () => {
    await press(fixture, 'Back up now');
    const detail = 'There is no room left to store this: free some space, then try again.';
    server
      .expectOne({ method: 'POST', url: '/api/backups' })
      .flush({ title: 'The disk is full', detail }, { status: 507, statusText: 'Full' });
    answer(server, '/api/backups', { ...LIST, trouble: 'The backup of today was not made.' });
    await fixture.whenStable();
    expect(textOf(fixture)).toContain('free some space');
    expect(textOf(fixture)).toContain('was not made');
  });
});
