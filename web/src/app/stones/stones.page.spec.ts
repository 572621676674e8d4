import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { HttpTestingController, TestRequest } from '@angular/common/http/testing';
import { type StonesRecord, learnedRate, stoneCare } from '@mellow-anvil/core/abrasive';
import { press, textOf, typeInto, until } from '../testing/host';
import { answer, page, playServer, stone, stored } from '../testing/page';
import { SetFiles } from './set-files';
import { StoneLifePanel } from './stone-life';
import { StonesPage } from './stones.page';

const worn = Array.from({ length: 8 }, (_, i) => ({
  at: `2026-03-0${i + 1}T09:00:00Z`,
  strokes: 60,
  minutes: 2,
  forceN: 20,
  strokeMm: 150,
  edgeMm: 40,
}));
const middle = stone('middle', '1000');
const record: StonesRecord = {
  middle: { care: stoneCare(middle, 11.5, worn, []), rate: learnedRate([1.4, 1.4, 1.4]) },
};

describe('the Stones room', () => {
  let server: HttpTestingController;
  let fixture: ComponentFixture<StonesPage>;

  beforeEach(async () => {
    localStorage.clear();
    server = playServer();
    fixture = TestBed.createComponent(StonesPage);
    fixture.detectChanges();
    const fine = { ...stone('fine', '8000'), sets: ['Roll'] };
    const coarse = { ...stone('coarse', '400'), sets: ['Van'] };
    answer(server, '/api/abrasives', page([fine, coarse, middle]));
    answer(server, '/api/stones', { stones: record, gone: [] });
    await fixture.whenStable();
  });
  afterEach(() => localStorage.clear());

  it('lists what is due with its minutes, and puts it on record in one tap', async () => {
    expect(textOf(fixture, 'ma-due-list')).toContain('One wants seeing to · 2 min');
    expect(textOf(fixture)).toContain('dished');
    expect(textOf(fixture)).toContain('1.4 ×');
    await press(fixture, 'Flatten it, done');
    const { request } = server.expectOne({ method: 'POST', url: '/api/cares' });
    expect(request.body).toEqual({ abrasiveId: 'middle', kind: 'flattened', at: jasmine.any(String) });
  });

  it('puts a stone between its new neighbours by hand, and keeps the rest of it', async () => {
    await press(fixture, 'Coarser: Stone 8000');
    const put = server.expectOne({ method: 'PUT', url: '/api/abrasives/fine' });
    expect(put.request.body).toEqual(
      jasmine.objectContaining({
        name: 'Stone 8000',
        sets: ['Roll'],
        version: 1,
        between: { coarserId: 'coarse', finerId: 'middle' },
      }),
    );
    expect(put.request.body.sizeUm).toBeUndefined();
  });

  it('shows one set, with what stands in every one', async () => {
    await press(fixture, 'Roll');
    const names = [...(fixture.nativeElement as HTMLElement).querySelectorAll('tbody td b')].map((each) =>
      each.textContent?.trim(),
    );
    expect(names).toContain('Stone 8000');
    expect(names).toContain('Stone 1000');
    expect(names).not.toContain('Stone 400');
    const links = [
      ...(fixture.nativeElement as HTMLElement).querySelectorAll<HTMLAnchorElement>('a[download]'),
    ];
    expect(links.map((link) => link.getAttribute('href'))).toEqual([
      '/api/sets/set.json?set=Roll',
      '/api/sets/set.csv?set=Roll',
    ]);
  });
});

describe('a stone’s own record', () => {
  it('shows estimate and range, notes a straightedge in µm, and forgets when asked', async () => {
    const server = playServer();
    const fixture = TestBed.createComponent(StoneLifePanel);
    fixture.componentRef.setInput('stone', { ...middle, sizeUm: 11.5 });
    let forgotten = 0;
    fixture.componentInstance.forget.subscribe(() => (forgotten += 1));
    fixture.detectChanges();
    answer(server, '/api/abrasives', page([middle]));
    answer(server, '/api/tools', page([]));
    const made = { abrasiveId: 'middle', kind: 'flattened', at: '2026-01-05T09:00:00Z' } as const;
    const slow = [1.5, 1.4, 1.5, 1.4, 0.7, 0.7, 0.7].map((ratio, i) => ({
      abrasiveId: 'middle',
      sessionId: `s${i}`,
      toolId: 't',
      at: worn[i]?.at ?? '',
      by: 'nick' as const,
      ratio,
      ...(i === 6 && { looked: {} }),
      ...(i === 5 && { looked: { upTo: 0.9 } }),
    }));
    answer(server, '/api/stones/middle', {
      ...record['middle'],
      rate: learnedRate(slow.map(({ ratio }) => ratio)),
      slowedTo: 0.48,
      readings: slow,
      cares: [stored(made, 'c1')],
    });
    await fixture.whenStable();
    expect(textOf(fixture)).toContain('≈ JIS #1000 (11.5 µm)');
    expect(textOf(fixture)).toMatch(/1\.0\d × as fast as assumed, from 7 readings/);
    expect(textOf(fixture)).toContain('48 % of those before');
    expect(textOf(fixture)).toContain('A triangle says at least');
    const told = (fixture.nativeElement as HTMLElement).querySelector('canvas')?.getAttribute('aria-label');
    expect(told).toMatch(/0\.7 to 0\.9 times .*; .* at least 0\.7 times/);
    await typeInto(fixture, 'Hollow under a straightedge', '0,08');
    await press(fixture, 'Note what it shows');
    const { request } = server.expectOne({ method: 'POST', url: '/api/cares' });
    expect(request.body).toEqual(jasmine.objectContaining({ kind: 'straightedge', hollowUm: 80 }));
    await press(fixture, 'Forget these readings');
    expect(forgotten).toBe(1);
    await press(fixture, 'Take back: Flattened');
    server.expectOne({ method: 'DELETE', url: '/api/cares/c1?version=1' });
  });
});

describe('SetFiles', () => {
  it('sends a table as it is, and names the rows that are wrong', async () => {
    const server = playServer();
    const fixture = TestBed.createComponent(SetFiles);
    await fixture.whenStable();
    const input = (fixture.nativeElement as HTMLElement).querySelector<HTMLInputElement>('input[type=file]');
    const files = new DataTransfer();
    files.items.add(new File(['name,kind\nA,stone'], 'set.csv'));
    if (input) input.files = files.files;
    input?.dispatchEvent(new Event('change'));
    let sent: TestRequest | undefined;
    await until(
      () => (sent ??= server.match({ method: 'POST', url: '/api/sets/import' })[0]) !== undefined,
      'the table is sent',
    );
    if (!sent) return;
    expect(sent.request.body).toEqual({ csv: 'name,kind\nA,stone' });
    const errors = [{ field: 'rows.2.kind', message: 'Row 2 (A), kind: choose one of the list.' }];
    sent.flush(
      { type: 'about:blank', title: 'Not valid', status: 422, detail: 'Wrong', errors },
      { status: 422, statusText: 'Unprocessable' },
    );
    await fixture.whenStable();
    expect(textOf(fixture)).toContain('Nothing was taken in');
    expect(textOf(fixture)).toContain('Row 2 (A), kind');
  });
});
