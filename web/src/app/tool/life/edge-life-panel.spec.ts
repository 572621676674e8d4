import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { edgeHistory, nextSpell, recordOf, type Session, type ToolRecord } from '@mellow-anvil/core/record';
import { atRest, textOf } from '../../testing/host';
import { IRON, playServer, stored } from '../../testing/page';
import { EdgeLifePanel } from './edge-life-panel';

const HOUR_MS = 3_600_000;
/** Sessions an hour apart. */
const sessions = (...entries: Partial<Session>[]): Session[] =>
  entries.map((entry, i) => ({
    toolId: 'iron',
    kind: 'use',
    startedAt: new Date(Date.UTC(2026, 0, 1) + i * 300 * HOUR_MS).toISOString(),
    ...entry,
  }));
const used = (metresPlaned: number, wood: string, stillCutting = true): Partial<Session> => ({
  use: { metresPlaned, wood, stillCutting },
});
const honed = (angleDeg: number): Partial<Session> => ({ kind: 'honing', minutes: 6, setting: { angleDeg } });
/** Edges of about 100 m in larch at 30° and 50 m in oak at 33°. */
const EDGES = Array.from({ length: 6 }, (_, i) => [
  honed(30),
  used(60, 'larch'),
  used(50 + i, 'larch', false),
  honed(33),
  used(30, 'oak'),
  used(24 + i, 'oak', false),
]).flat();

async function show(all: readonly Session[]): Promise<[ComponentFixture<EdgeLifePanel>, ToolRecord]> {
  playServer();
  const record = recordOf(
    IRON,
    edgeHistory(
      IRON,
      all.map((each, i) => stored(each, `e${i}`)),
      [],
    ),
  );
  const fixture = TestBed.createComponent(EdgeLifePanel);
  fixture.componentRef.setInput('record', record);
  fixture.componentRef.setInput('sessions', all);
  await atRest();
  return [fixture, record];
}

describe('EdgeLifePanel', () => {
  it('tells the usual life as a range, what the next spell would find, and what woods and angles come to', async () => {
    const [fixture, record] = await show(sessions(...EDGES, honed(30), used(40, 'larch')));
    const text = textOf(fixture);
    const next = nextSpell(record);
    expect(next).toBeDefined();
    expect(text).toContain(
      `a spell of ${next?.spell} m more would find it blunt ${Math.round(100 * (next?.blunt ?? 0))} %`,
    );
    expect(text).toMatch(/By wood.*larch.*oak.*By the angle.*30°.*33°/s);
    expect(text).toMatch(/kept at that, \d+ honings and .* a year/);
    expect(text).toMatch(/asks least of the stones|no angle is the better one yet/);
    const drawing = (fixture.nativeElement as HTMLElement).querySelector('ma-survival-drawing svg');
    expect(drawing?.getAttribute('aria-label')).toMatch(/half of them after \d+ m \(\d+ m to \d+ m\)/);
    // What was seen goes down a step for each edge that gave out.
    expect(drawing?.querySelector('.steps')?.getAttribute('d')?.match(/L/g)?.length).toBeGreaterThan(6);
    expect(drawing?.querySelector('circle.now')).not.toBeNull();
  });

  it('says what is missing while too few edges went blunt', async () => {
    const [fixture] = await show(sessions(honed(30), used(80, 'oak', false), honed(30), used(20, 'oak')));
    expect(textOf(fixture)).toContain('One edge of it went blunt in use so far.');
    expect((fixture.nativeElement as HTMLElement).querySelector('ma-survival-drawing')).toBeNull();
  });
});
