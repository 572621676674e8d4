import type { HttpTestingController } from '@angular/common/http/testing';
import type { DestroyRef } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { RunSummary } from '@mellow-anvil/contract';
import { Undo } from '../platform/undo.store';
import { until } from '../testing/host';
import { answer, playServer } from '../testing/page';
import { RunShelf } from '../platform/run-shelf';
import { RunsStore } from './runs.store';
import { StayAwake } from '../platform/stay-awake';

describe('RunsStore', () => {
  let server: HttpTestingController;
  const OPEN: RunSummary = { id: 'r', toolId: 'iron', state: 'open', startedAt: '', next: 3 };

  beforeEach(() => {
    server = playServer();
  });

  it('delivers what a page that was closed had left on the device', async () => {
    const shelf = TestBed.inject(RunShelf);
    const id = `left-${crypto.randomUUID()}`;
    const at = '2026-11-23T09:00:00Z';
    await shelf.keep(id, [{ kind: 'done', id: `${id}-4`, seq: 4, at }]);
    TestBed.inject(RunsStore);
    const there = { ...OPEN, id, next: 4, events: [] };
    let asked: ReturnType<HttpTestingController['match']>[number] | undefined;
    await until(() => {
      asked ??= server.match({ method: 'GET', url: `/api/runs/${id}` })[0];
      return asked !== undefined;
    }, 'the run is looked up');
    asked?.flush(there);
    let sent: ReturnType<HttpTestingController['match']>[number] | undefined;
    await until(() => {
      sent ??= server.match({ method: 'POST', url: `/api/runs/${id}/events` })[0];
      return sent !== undefined;
    }, 'what was left goes out');
    expect(sent?.request.body.events.map((event: { id: string }) => event.id)).toEqual([`${id}-4`]);
    await shelf.clear(id);
    expect(await shelf.runIds()).not.toContain(id);
  });

  it('knows the open runs, and looks again after every change', () => {
    let open: readonly RunSummary[] = [];
    TestBed.inject(RunsStore).open$.subscribe((now) => (open = now));
    answer(server, '/api/runs', [OPEN]);
    expect(open).toEqual([OPEN]);
    TestBed.inject(Undo).refresh();
    answer(server, '/api/runs', []);
    expect(open).toEqual([]);
  });
});

describe('StayAwake', () => {
  it('asks for the screen to stay on, and lets go of it when the place is left', async () => {
    playServer();
    let [asked, released] = [0, 0];
    const lock = { release: () => Promise.resolve(void (released += 1)) };
    spyOnProperty(navigator, 'wakeLock').and.returnValue({
      request: () => {
        asked += 1;
        return Promise.resolve(lock);
      },
    } as never);
    let leave = (): void => undefined;
    const place = { onDestroy: (done: () => void) => (leave = done) } as unknown as DestroyRef;
    TestBed.inject(StayAwake).while(place);
    document.dispatchEvent(new Event('visibilitychange'));
    await Promise.resolve();
    leave();
    expect([asked, released]).toEqual([2, 1]);
    document.dispatchEvent(new Event('visibilitychange'));
    expect(asked).toBe(2);
  });
});
