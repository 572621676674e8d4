import type { Felt, RecordedSession, Session } from '@mellow-anvil/core/record';

/** An edge of the pocket knife: the day it was honed, the angles measured under its spine, and what became of it. */
interface PocketEdge {
  readonly day: string;
  readonly deg: readonly [left: number, right: number];
  readonly spells: readonly number[];
  readonly wood: string;
  readonly ended: 'blunt' | 'chipped' | 'cutting';
  readonly felt: Felt;
}

/** A year of it: too thin at first and chipping, then climbing out of the cut, until 14 and 9 stood. */
const POCKET: readonly PocketEdge[] = [
  { day: '2025-11-22', deg: [10, 10], spells: [20, 25], wood: 'oak', ended: 'chipped', felt: { bites: true, holds: false } },
  { day: '2025-12-13', deg: [13, 13], spells: [30, 40], wood: 'ash', ended: 'blunt', felt: { bites: false, holds: true } },
  { day: '2026-01-17', deg: [12, 12], spells: [35, 40, 30], wood: 'larch', ended: 'blunt', felt: { bites: true, holds: true, steers: 'out' } },
  { day: '2026-02-21', deg: [13, 10], spells: [40, 45, 40], wood: 'larch', ended: 'blunt', felt: { bites: true, holds: true, steers: 'out' } },
  { day: '2026-03-28', deg: [14, 9], spells: [45, 40, 40, 20], wood: 'ash', ended: 'blunt', felt: { bites: true, holds: true, steers: 'straight' } },
  { day: '2026-05-02', deg: [15, 10], spells: [40, 30, 25], wood: 'larch', ended: 'blunt', felt: { bites: false, holds: true, steers: 'straight' } },
  { day: '2026-06-06', deg: [14, 9], spells: [45, 45, 45, 15], wood: 'larch', ended: 'blunt', felt: { bites: true, holds: true, steers: 'straight' } },
  { day: '2026-07-18', deg: [13, 8], spells: [40, 35], wood: 'oak', ended: 'chipped', felt: { bites: true, holds: false, steers: 'in' } },
  { day: '2026-08-22', deg: [14, 9], spells: [50, 45, 40, 25], wood: 'larch', ended: 'blunt', felt: { bites: true, holds: true, steers: 'straight' } },
  { day: '2026-10-03', deg: [14, 9], spells: [45, 50, 35], wood: 'ash', ended: 'blunt', felt: { bites: true, holds: true, steers: 'straight' } },
  { day: '2026-11-07', deg: [14, 9], spells: [30, 25], wood: 'larch', ended: 'cutting', felt: { bites: true, holds: true, steers: 'straight' } },
];

const DAY_MS = 86_400_000;
const after = (day: string, days: number, hour: number): string =>
  new Date(Date.parse(`${day}T00:00:00Z`) + days * DAY_MS + hour * 3_600_000).toISOString();

/** The pocket knife’s year, as its hand put it down. */
function pocketYear(): readonly Session[] {
  return POCKET.flatMap(({ day, deg: [angleDeg, rightDeg], spells, wood, ended, felt }, edge): Session[] => [
    {
      toolId: 'pocket',
      kind: 'honing',
      startedAt: after(day, 0, 16),
      minutes: 5,
      who: 'Carver',
      conditionBefore: { kind: edge % 3 === 2 ? 'very-dull' : 'dull' },
      setting: { angleDeg, rightDeg },
      steps: [
        { abrasiveId: 'd1200', strokes: 16, minutes: 2, forceN: 10 },
        { abrasiveId: 'film3', strokes: 20, minutes: 2.2, forceN: 10 },
      ],
      outcome: { burr: 'all-along', proof: [{ test: 'nail', passed: true }] },
    },
    ...spells.map((minutes, i): Session => {
      const last = i === spells.length - 1;
      return {
        toolId: 'pocket',
        kind: 'use',
        startedAt: after(day, 2 + 6 * i, 10),
        who: 'Carver',
        use: { minutes, wood, stillCutting: !(last && ended === 'blunt'), ...(last && { felt }) },
        ...(last && ended === 'chipped' && { chips: { count: 2, deepestMm: 0.1 } }),
      };
    }),
  ]);
}

/** Sittings with the reed scraping knife, Saturdays since it was new. */
const SITTINGS = { from: '2026-06-06', weeks: 24 } as const;
/** It goes to the oil stone so often, weeks, and once to the diamond plate, late. */
const OIL_EVERY = 4;
const DIAMOND_WEEKS: readonly number[] = [14];

/** The scraping knife’s ladder: ceramic every sitting, oil stone every fourth week, the diamond plate by the season. */
function scrapingYear(): readonly Session[] {
  return Array.from({ length: SITTINGS.weeks }, (_, week): Session[] => {
    const day = after(SITTINGS.from, 7 * week, 0).slice(0, 10);
    const stone = DIAMOND_WEEKS.includes(week) ? 'd1200' : week % OIL_EVERY === 2 ? 'oil-fine' : undefined;
    const honed = (abrasiveId: string, strokes: number, minutes: number, hour: number): Session => ({
      toolId: 'scrape-reed',
      kind: 'honing',
      startedAt: after(day, 0, hour),
      minutes,
      who: 'Carver',
      steps: [{ abrasiveId, strokes, minutes, forceN: 6 }],
      outcome: { burr: 'all-along' },
    });
    return [
      ...(stone ? [honed(stone, 14, 3, 13)] : []),
      {
        toolId: 'scrape-reed',
        kind: 'use',
        startedAt: after(day, 0, 14),
        who: 'Carver',
        use: { minutes: 25 + 5 * (week % 3), stillCutting: true },
      },
      // The last sitting was broken off for supper.
      ...(week === SITTINGS.weeks - 1 ? [] : [honed('ceramic', 6, 0.5, 15)]),
    ];
  }).flat();
}

/** What was put down by hand: tools that nobody plans for. */
export const byHand = (): readonly RecordedSession[] =>
  [...pocketYear(), ...scrapingYear()].map((session, i) => ({ id: `hand-${String(i + 1)}`, ...session }));
