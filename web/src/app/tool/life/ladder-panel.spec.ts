import { TestBed } from '@angular/core/testing';
import type { RecordedSession } from '@mellow-anvil/core/record';
import { textOf } from '../../testing/host';
import { answer, page, playServer, stored } from '../../testing/page';
import { LadderPanel } from './ladder-panel';

const stone = (id: string, kind: string, grade: string) =>
  stored(
    {
      ...{ kind, name: id, grade: { standard: 'UM', grade } },
      ...{ lubricant: 'dry', strokeMm: 100, overheadMin: 0 },
    },
    id,
  );
const on = (day: string, abrasiveId?: string): RecordedSession => ({
  ...{ id: day, toolId: 'k', kind: abrasiveId ? 'honing' : 'use', startedAt: `${day}T09:00:00.000Z` },
  ...(abrasiveId && { steps: [{ abrasiveId, strokes: 5, minutes: 1 }] }),
});

describe('the ladder of visits', () => {
  const show = async (...sessions: readonly RecordedSession[]) => {
    const server = playServer();
    const fixture = TestBed.createComponent(LadderPanel);
    fixture.componentRef.setInput('sessions', sessions);
    fixture.componentRef.setInput('now', '2026-11-27T09:00:00.000Z');
    answer(
      server,
      '/api/abrasives',
      page([
        stone('stick', 'ceramic', '4'),
        stone('oil', 'oil-stone', '25'),
        stone('plate', 'diamond-plate', '9'),
      ]),
    );
    await fixture.whenStable();
    return textOf(fixture).replace(/\s+/g, ' ');
  };

  it('says what today asks, the coarsest first, and that no strop does', async () => {
    const told = await show(on('2026-10-01', 'oil'), on('2026-11-20'));
    expect(told).toContain('Today: man-made oil stone, then ceramic stone.');
    expect(told).toContain('Never a strop');
    expect(told).toContain('never on one yet');
    expect(told).toContain('from 30 Dec 2026');
  });

  it('is content where nothing is due', async () => {
    expect(await show(on('2026-11-20', 'oil'), on('2026-11-21', 'stick'))).toContain('Nothing is due.');
  });
});
