import fc from 'fast-check';
import { differenceInCalendarDays } from 'date-fns/differenceInCalendarDays';
import { parseISO } from 'date-fns/parseISO';
import { endingOn } from './ending-on.js';
import type { Workshop } from './workshop.js';

const workshop = (...days: string[]): Workshop =>
  ({
    name: '2026-11-27 is no day here',
    abrasives: [{ wheel: { readings: [{ on: '2026-01-31', diameterMm: 146 }] } }],
    boards: [{ cutOn: '2024-02-29' }],
    cares: [{ at: '2026-03-29T02:30:00.000Z' }],
    sessions: days.map((day, i) => ({ id: `s${i}`, startedAt: `${day}T16:30:00.000Z`, notes: day })),
  }) as unknown as Workshop;

describe('endingOn', () => {
  it('moves every day alike, whatever lies between, and leaves all else (days counted by date-fns)', () => {
    const before = workshop('2026-11-20', '2025-01-01');
    fc.assert(
      fc.property(
        fc.date({ min: new Date('2000-01-01'), max: new Date('2100-01-01'), noInvalidDate: true }),
        (to) => {
          const day = to.toISOString().slice(0, 10);
          const after = endingOn(before, day);
          const by = differenceInCalendarDays(parseISO(day), parseISO('2026-11-20'));
          const daysOf = ({
            abrasives,
            boards = [],
            cares = [],
            sessions,
          }: Workshop): (string | undefined)[] => [
            abrasives[0]?.wheel?.readings[0]?.on,
            boards[0]?.cutOn,
            cares[0]?.at.slice(0, 10),
            ...sessions.map(({ startedAt }) => startedAt.slice(0, 10)),
          ];
          const [was, is] = [daysOf(before), daysOf(after)];
          was.forEach((each, i) => {
            expect(differenceInCalendarDays(parseISO(is[i] ?? ''), parseISO(each ?? ''))).toBe(by);
          });
          expect(after.sessions[0]?.startedAt).toBe(`${day}T16:30:00.000Z`);
          expect([after.name, after.sessions[0]?.notes]).toEqual([before.name, '2026-11-20']);
        },
      ),
    );
  });

  it('leaves a workshop without entries as it is', () => {
    expect(endingOn(workshop(), '2027-01-01')).toEqual(workshop());
  });
});
