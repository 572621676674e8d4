import type { HttpTestingController } from '@angular/common/http/testing';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { edgeHistory, lifeOf, recordOf, type Session } from '@mellow-anvil/core/record';
import { atRest, press, textOf, typeInto } from '../../testing/host';
import { IRON, answer, page, playServer, stone, stored } from '../../testing/page';
import type { Life } from '../../data/records.store';
import { goneAndMarks, landAndAngle, strokesByStone, timeLine, useBetweenHonings } from './life-series';
import type { Ink } from '../../ui/chart-ink';
import { LifeSide } from './life-side';

const bench = [stone('s1000', '1000'), stone('s8000', '8000')];
const session = (n: number, more: Partial<Session> & Pick<Session, 'kind'>): Session => ({
  toolId: 'iron',
  startedAt: `2026-0${n}-05T09:00:00Z`,
  ...more,
});
const honing = (n: number, strokes: number): Session =>
  session(n, {
    kind: 'honing',
    minutes: 4,
    who: 'Shed',
    setting: { angleDeg: 30 + n / 10 },
    steps: [
      { abrasiveId: 's1000', strokes, minutes: 2 },
      { abrasiveId: 's8000', strokes: 5, minutes: 1 },
    ],
    outcome: { burr: 'all-along', proof: [{ test: 'nail', passed: true }] },
  });
const use = (n: number, minutes: number, stillCutting: boolean): Session =>
  session(n, { kind: 'use', use: { minutes, wood: 'oak', stillCutting } });
const sessions = [
  honing(1, 8),
  use(2, 60, true),
  use(3, 50, false),
  honing(4, 11),
  use(5, 30, true),
  honing(6, 12),
];
const history = edgeHistory(
  IRON,
  sessions.map((each, i) => stored(each, `e${i}`)),
  bench,
);
const life: Life = { record: recordOf(IRON, history), entries: lifeOf(history) };
const ink = {} as Ink;

describe('life series', () => {
  it('draw the land after each honing and the angle of each, at its time', () => {
    const [land, angle] = landAndAngle(life.entries, ink).datasets;
    const honings = life.entries.filter((entry) => entry.session.kind === 'honing');
    expect(land?.data).toEqual(
      honings.map((entry) => ({ x: Date.parse(entry.session.startedAt), y: entry.landMm as number })),
    );
    expect(angle?.data.map(({ y }) => y)).toEqual([30.1, 30.4, 30.6]);
  });

  it('draw how far the edge went back in steps from the first entry to the last, and the marks of each honing', () => {
    const [gone, marks] = goneAndMarks(life.entries, ink).datasets;
    const way = gone?.data.map(({ y }) => y) ?? [];
    expect(way).toEqual([...way].sort((a, b) => a - b));
    expect(way.at(-1)).toBe(life.record.state.backMm);
    expect(marks?.data.length).toBe(3);
    // After the 8000 its own marks, or what it did not clear of the 1000’s.
    for (const { y } of marks?.data ?? []) expect(y).toBeGreaterThanOrEqual(0.12 * 1.2 - 1e-9);
  });

  it('stack strokes in the order of the bench set, and tell edges worn out from those honed before', () => {
    const strokes = strokesByStone(life.entries, bench, ink).datasets;
    expect(strokes.map(({ label, data }) => [label, ...data.map(({ y }) => y)])).toEqual([
      ['Stone 1000', 8, 11, 12],
      ['Stone 8000', 5, 5, 5],
    ]);
    const { data, dull, cutting } = useBetweenHonings(life.entries, 'minutes', ink);
    expect(data.datasets.map(({ data: bars }) => bars.map(({ y }) => y))).toEqual([
      [110, 0],
      [0, 30],
    ]);
    expect([dull, cutting]).toEqual([1, 1]);
    expect(timeLine(life.entries, ink).datasets.map(({ data: dots }) => dots.length)).toEqual([
      3, 0, 3, 0, 0,
    ]);
  });
});

describe('LifeSide', () => {
  let server: HttpTestingController;
  let fixture: ComponentFixture<LifeSide>;
  const entries = (): string[] =>
    [...(fixture.nativeElement as HTMLElement).querySelectorAll('li > button')].map(
      (each) => each.textContent?.replace(/\s+/g, ' ').trim() ?? '',
    );

  beforeEach(async () => {
    server = playServer();
    fixture = TestBed.createComponent(LifeSide);
    fixture.componentRef.setInput('tool', stored(IRON, 'iron'));
    await fixture.whenStable();
    answer(server, '/api/records/iron', life);
    answer(server, '/api/abrasives', page(bench));
    await fixture.whenStable();
  });

  it('tells every entry, newest first, with what it changed', async () => {
    expect(entries().length).toBe(5);
    await press(fixture, 'Show 1 earlier');
    expect(entries().length).toBe(6);
    expect(entries()[0]).toMatch(
      /^5 Jun 2026 ?Honed Stone 1000 12, Stone 8000 5 strokes · 30\.6° · 4 min land 0\.\d+ mm → 0\.\d+ mm, edge back \d+ µm ?Shed · Burr all along, bites the thumbnail\.$/,
    );
    expect(entries()[1]).toContain('30 min in oak, still cutting');
    expect(textOf(fixture, '.sum')).toContain('honed 3 times');
    expect(textOf(fixture, '.sum')).toContain('Last set to 30.6° ± 2°, on 5 Jun 2026.');
    await press(fixture, 'Sharpening');
    expect(entries().length).toBe(3);
  });

  it('opens an entry, sends its correction from the version seen, and takes it out', async () => {
    const host: HTMLElement = fixture.nativeElement;
    host.querySelector<HTMLButtonElement>('li > button')?.click();
    await fixture.whenStable();
    await typeInto(fixture, 'Angle set', '31,2');
    await press(fixture, 'Keep the correction');
    await atRest();
    const { request } = server.expectOne({ method: 'PUT', url: '/api/sessions/e5' });
    expect(request.body).toEqual({ ...honing(6, 12), setting: { angleDeg: 31.2 }, version: 1 });
    await press(fixture, 'Take it out of the record');
    server.expectOne((each) => each.method === 'DELETE' && each.url === '/api/sessions/e5');
  });

  it('puts in by hand what the contract allows, and says at the field what it does not', async () => {
    await press(fixture, 'Measured');
    await press(fixture, 'Put it in the record');
    await atRest();
    expect(textOf(fixture)).toContain('Say how wide the land measures, in mm, or how the edge is curved.');
    await typeInto(fixture, 'Land', '0.8');
    await press(fixture, 'Put it in the record');
    await atRest();
    const { request } = server.expectOne({ method: 'POST', url: '/api/sessions' }) as {
      request: { body: Session };
    };
    expect([request.body.kind, request.body.landMm, request.body.toolId]).toEqual(['measuring', 0.8, 'iron']);
  });
});
