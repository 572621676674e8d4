import { HttpClient } from '@angular/common/http';
import type { HttpTestingController, TestRequest } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import type { RunEvent, RunPlan } from '@mellow-anvil/core/run';
import { until } from '../testing/host';
import { playServer } from '../testing/page';
import { BenchRun, type BenchView } from './bench-run';
import { RunShelf } from '../platform/run-shelf';

const PLAN: RunPlan = {
  toolId: 'iron',
  condition: { kind: 'dull' },
  finishUm: 2,
  forceN: 20,
  strokesPerMin: 40,
  steps: [{ abrasiveId: 'w1000', strokes: 8 }],
};
const STROKE = { kind: 'strokes', count: 1 } as const;

describe('BenchRun', () => {
  let server: HttpTestingController;
  let shelf: RunShelf;
  let id: string;
  let run: BenchRun;
  let view: BenchView;
  const begin = (): BenchRun => {
    const made = new BenchRun(id, TestBed.inject(HttpClient), shelf);
    made.view$.subscribe((now) => (view = now));
    return made;
  };
  /** The request of a kind waiting now. */
  const waiting = async (method: string): Promise<TestRequest> => {
    let found: TestRequest | undefined;
    await until(() => {
      found ??= server.match(
        (request) => request.method === method && request.url.startsWith(`/api/runs/${id}`),
      )[0];
      return found !== undefined;
    }, `a ${method} goes out`);
    return found as TestRequest;
  };
  const sent = (request: TestRequest): RunEvent[] => request.request.body.events;
  const away = (request: TestRequest): void => request.error(new ProgressEvent('error'));
  const store = (request: TestRequest, state = 'open'): void => {
    const last = sent(request).at(-1) as RunEvent;
    request.flush({ id, toolId: 'iron', state, startedAt: '', next: last.seq + 1 });
  };

  beforeEach(() => {
    server = playServer();
    shelf = TestBed.inject(RunShelf);
    id = `run-${crypto.randomUUID()}`;
    run = begin();
  });
  afterEach(() => shelf.clear(id));

  it('keeps five taps on the device while the server is away, and delivers each once, in order', async () => {
    run.begin(PLAN);
    store(await waiting('POST'));
    run.add({ kind: 'done' });
    away(await waiting('POST'));
    for (let i = 0; i < 5; i++) run.add(STROKE);
    expect(view.unsent).toBe(6);
    expect(view.trouble).toContain('does not answer');
    await until(() => view.run?.events === 7, 'the taps are counted at once');
    expect((await shelf.read(id)).map(({ seq }) => seq)).toEqual([0, 1, 2, 3, 4, 5, 6]);
    away(await waiting('POST'));
    const delivery = await waiting('POST');
    expect(sent(delivery).map(({ seq, kind }) => `${seq} ${kind}`)).toEqual([
      '1 done',
      ...[2, 3, 4, 5, 6].map((seq) => `${seq} strokes`),
    ]);
    expect(new Set(sent(delivery).map((event) => event.id)).size).toBe(6);
    store(delivery);
    expect([view.unsent, view.trouble]).toEqual([0, undefined]);
    server.expectNone((request) => request.method === 'POST');
  });

  it('goes on after a reload from what the device and the server have between them', async () => {
    run.begin(PLAN);
    const first = await waiting('POST');
    run.add(STROKE);
    run.add(STROKE);
    await until(() => view.run?.events === 3, 'counted');
    // The server stored the first two, its answer was lost, and the page was closed.
    const stored = [...sent(first), (await shelf.read(id))[1] as RunEvent];
    const again = begin();
    const loading = again.load();
    (await waiting('GET')).flush({
      id,
      toolId: 'iron',
      state: 'open',
      startedAt: '',
      next: 2,
      events: stored,
    });
    await loading;
    expect([view.run?.events, view.unsent]).toEqual([3, 1]);
    const delivery = await waiting('POST');
    expect(sent(delivery).map(({ seq }) => seq)).toEqual([2]);
  });

  it('puts its own after what another page added, under the same ids', async () => {
    run.begin(PLAN);
    const first = await waiting('POST');
    store(first);
    run.add(STROKE);
    const clash = await waiting('POST');
    const [mine] = sent(clash) as [RunEvent];
    clash.flush(
      { title: 'Out of step', detail: 'next is number 2' },
      { status: 409, statusText: 'Conflict' },
    );
    const other = { kind: 'strokes', count: 1, id: 'theirs', seq: 1, at: mine.at };
    (await waiting('GET')).flush({
      id,
      toolId: 'iron',
      state: 'open',
      startedAt: '',
      next: 2,
      events: [...sent(first), other],
    });
    const delivery = await waiting('POST');
    expect(sent(delivery)).toEqual([{ ...mine, seq: 2 }]);
    store(delivery);
    expect([view.run?.events, view.unsent]).toEqual([3, 0]);
  });

  it('clears the device once the end is stored, and says why when it is refused', async () => {
    run.begin(PLAN);
    store(await waiting('POST'));
    run.add({ kind: 'thrown-away' });
    store(await waiting('POST'), 'thrown-away');
    let left = 1;
    await until(() => {
      void shelf.read(id).then((events) => (left = events.length));
      return left === 0;
    }, 'the device is cleared');

    id = `run-${crypto.randomUUID()}`;
    const refused = begin();
    refused.begin(PLAN);
    (await waiting('POST')).flush(
      { title: 'Please change this', detail: 'This tool is not on the rack.' },
      { status: 422, statusText: 'Unprocessable' },
    );
    expect(view.refusal).toBe('This tool is not on the rack.');
    expect(view.unsent).toBe(1);
  });
});
