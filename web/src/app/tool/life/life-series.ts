import { edgeSpans } from '@mellow-anvil/core/record';
import type { Ink } from '../../ui/chart-ink';
import type { OwnedAbrasive } from '@mellow-anvil/core/abrasive';
import type { SessionSetting } from '@mellow-anvil/core/guide';
import type { UseMeasure } from '@mellow-anvil/core/blade';
import type { ChartData, ChartOptions } from 'chart.js';
import type { Figures } from '../../ui/figures';
import type { Entry } from '../../data/records.store';

interface Dot {
  readonly x: number;
  readonly y: number;
}

const at = ({ session }: Entry): number => Date.parse(session.startedAt);

/** The land after every entry that moved it, and the angle each honing was set at. */
export function landAndAngle(entries: readonly Entry[], ink: Ink): ChartData<'line', Dot[]> {
  const lands = entries.flatMap((entry): Dot[] =>
    entry.landMm === undefined || entry.session.kind === 'use' || entry.session.kind === 'stropping'
      ? []
      : [{ x: at(entry), y: entry.landMm }],
  );
  const set = (of: (setting: SessionSetting) => number | undefined): Dot[] =>
    entries.flatMap((entry): Dot[] => {
      const { kind, setting } = entry.session;
      const y = kind === 'honing' && setting ? of(setting) : undefined;
      return y === undefined ? [] : [{ x: at(entry), y }];
    });
  const [angles, rights] = [set(({ angleDeg }) => angleDeg), set(({ rightDeg }) => rightDeg)];
  return {
    datasets: [
      ...(lands.length > 0
        ? [
            {
              label: 'Land',
              data: lands,
              yAxisID: 'land',
              borderColor: ink.accent,
              backgroundColor: ink.accent,
              borderWidth: 2.5,
              pointRadius: 3,
              pointStyle: 'circle',
            } as const,
          ]
        : []),
      {
        label: rights.length > 0 ? 'Left side set' : 'Angle set',
        data: angles,
        yAxisID: 'angle',
        borderColor: ink.water,
        backgroundColor: ink.water,
        borderWidth: 1.5,
        borderDash: [2, 3],
        pointRadius: 4,
        pointStyle: 'triangle',
      },
      ...(rights.length > 0
        ? [
            {
              label: 'Right side set',
              data: rights,
              yAxisID: 'angle',
              borderColor: ink.leather,
              backgroundColor: ink.leather,
              borderWidth: 1.5,
              borderDash: [6, 3],
              pointRadius: 4,
              pointStyle: 'rect' as const,
            },
          ]
        : []),
    ],
  };
}

/** How far back the edge has gone in all, and the marks every sharpening left at it. */
export function goneAndMarks(entries: readonly Entry[], ink: Ink): ChartData<'line', Dot[]> {
  // From the first entry to the last, so that a single honing is a step in a line.
  const steps = entries.filter(({ backMm }, i) => i === 0 || i === entries.length - 1 || backMm > 0);
  return {
    datasets: [
      {
        label: 'Gone back',
        data: steps.map((entry): Dot => ({ x: at(entry), y: entry.goneMm })),
        yAxisID: 'gone',
        stepped: 'before',
        borderColor: ink.ink,
        backgroundColor: ink.ink,
        borderWidth: 2.5,
        pointRadius: 0,
      },
      {
        label: 'Marks left',
        data: entries.flatMap((entry): Dot[] =>
          entry.marksUm === undefined ? [] : [{ x: at(entry), y: entry.marksUm }],
        ),
        yAxisID: 'marks',
        showLine: false,
        borderColor: ink.leather,
        backgroundColor: ink.leather,
        pointRadius: 4,
        pointStyle: 'rectRot',
      },
    ],
  };
}

/** Strokes of every honing, stone upon stone. */
export function strokesByStone(
  entries: readonly Entry[],
  stones: readonly OwnedAbrasive[],
  ink: Ink,
): ChartData<'bar', Dot[]> {
  const honings = entries.filter(({ session }) => session.kind === 'honing');
  const used = new Set(
    honings.flatMap(({ session }) => session.steps?.map(({ abrasiveId }) => abrasiveId) ?? []),
  );
  const inOrder = [...stones.filter(({ id }) => used.has(id)).map(({ id }) => id)];
  const gone = [...used].filter((id) => !inOrder.includes(id));
  const colours = [ink.leather, ink.accent, ink.water, ink.oil, ink.dry, ink.steel];
  return {
    datasets: [...inOrder, ...gone].map((id, i) => ({
      label: stones.find((stone) => stone.id === id)?.name ?? 'Since removed',
      data: honings.map(({ session }, n): Dot => ({
        x: n,
        y: (session.steps ?? []).reduce((sum, step) => sum + (step.abrasiveId === id ? step.strokes : 0), 0),
      })),
      backgroundColor: colours[i % colours.length] as string,
      borderColor: ink.ink,
      borderWidth: { top: 1 },
      stack: 'strokes',
    })),
  };
}

/** How much each edge was used from one honing to the next; hollow where it still cut when honed. */
export function useBetweenHonings(
  entries: readonly Entry[],
  measure: UseMeasure,
  ink: Ink,
): { readonly data: ChartData<'bar', Dot[]>; readonly dull: number; readonly cutting: number } {
  const edges = edgeSpans(
    measure,
    entries.map(({ session }) => session),
  )
    .filter(({ ended }) => ended !== 'in-use')
    .map(({ amount, ended }) => ({ used: amount, dull: ended === 'blunt' }));
  return {
    data: {
      datasets: [
        {
          label: 'Until it no longer cut',
          data: edges.map((edge, x): Dot => ({ x, y: edge.dull ? edge.used : 0 })),
          backgroundColor: ink.leather,
          stack: 'life',
        },
        {
          label: 'Honed while it still cut',
          data: edges.map((edge, x): Dot => ({ x, y: edge.dull ? 0 : edge.used })),
          backgroundColor: 'transparent',
          borderColor: ink.leather,
          borderWidth: 2,
          stack: 'life',
        },
      ],
    },
    dull: edges.filter((edge) => edge.dull).length,
    cutting: edges.filter((edge) => !edge.dull).length,
  };
}

/** Everything on one line of time: a row for each kind of entry. */
const ROWS = ['Used', 'Stropped', 'Honed', 'Ground', 'Measured'] as const;
const ROW_OF = { use: 0, stropping: 1, honing: 2, grinding: 3, measuring: 4 } as const;

export function timeLine(entries: readonly Entry[], ink: Ink): ChartData<'scatter', Dot[]> {
  const shapes = ['line', 'cross', 'circle', 'rectRot', 'triangle'] as const;
  return {
    datasets: ROWS.map((label, row) => ({
      label,
      data: entries
        .filter(({ session }) => ROW_OF[session.kind] === row)
        .map((entry): Dot => ({ x: at(entry), y: row })),
      pointStyle: shapes[row],
      rotation: row === 0 ? 90 : 0,
      pointRadius: row === 0 ? 6 : 5,
      borderColor: row === 0 ? ink.muted : ink.leather,
      backgroundColor: ink.accent,
      borderWidth: 1.5,
    })),
  };
}

/** Every chart over time begins and ends at the same place, so that one can be read under another. */
const sidePx = (chart: { readonly width: number }): number => (chart.width < 500 ? 66 : 74);
const asWide = (axis: { width: number; readonly chart: { readonly width: number } }): void => {
  axis.width = sidePx(axis.chart);
};

const text = (words: string, ink: Ink): { display: boolean; text: string; color: string } => ({
  display: true,
  text: words,
  color: ink.ink,
});

function common(ink: Ink, still: boolean): ChartOptions<'line' | 'bar' | 'scatter'> {
  return {
    responsive: true,
    maintainAspectRatio: false,
    animation: still ? false : { duration: 250 },
    plugins: {
      legend: {
        position: 'top',
        align: 'start',
        labels: { color: ink.ink, usePointStyle: true, boxHeight: 8, font: { size: 14 } },
      },
    },
  };
}

const time = (ink: Ink, from: number, to: number): object => ({
  type: 'time',
  min: from,
  max: to,
  time: { minUnit: 'day', tooltipFormat: 'd MMM yyyy', displayFormats: { month: 'MMM yy', day: 'd MMM' } },
  ticks: { color: ink.muted, maxRotation: 0, autoSkipPadding: 24, font: { size: 13 } },
  grid: { color: ink.line },
});

const figuresOn = (ink: Ink): object => ({ color: ink.muted, font: { size: 13 } });

/** A length over time at the left, and something else beside it at the right. */
function lengthBeside(
  left: { readonly axis: string; readonly words: string },
  right: { readonly axis: string; readonly words: string; readonly scale: object },
  { ink, figures, span, still }: Drawn,
): ChartOptions<'line'> {
  const options = common(ink, still) as ChartOptions<'line'>;
  return {
    ...options,
    scales: {
      x: time(ink, ...span),
      [left.axis]: {
        position: 'left',
        beginAtZero: true,
        afterFit: asWide,
        title: text(`${left.words}, ${figures.unitOf('length')}`, ink),
        ticks: {
          ...figuresOn(ink),
          callback: (mm: number | string) => figures.write('length', Number(Number(mm).toFixed(3))),
        },
        grid: { color: ink.line },
      },
      [right.axis]: {
        position: 'right',
        afterFit: asWide,
        title: text(right.words, ink),
        ticks: figuresOn(ink),
        grid: { drawOnChartArea: false },
        ...right.scale,
      },
    } as never,
  };
}

/** How a chart over time is drawn: its ink, the user's figures, from when to when, without motion. */
export interface Drawn {
  readonly ink: Ink;
  readonly figures: Figures;
  readonly span: readonly [number, number];
  readonly still: boolean;
}

export const landOptions = (drawn: Drawn): ChartOptions<'line'> =>
  lengthBeside(
    { axis: 'land', words: 'Land' },
    { axis: 'angle', words: 'Angle, °', scale: { grace: 1 } },
    drawn,
  );

export const goneOptions = (drawn: Drawn): ChartOptions<'line'> =>
  lengthBeside(
    { axis: 'gone', words: 'Edge gone back' },
    { axis: 'marks', words: 'Marks at the edge, µm', scale: { beginAtZero: true } },
    drawn,
  );

export function timeLineOptions(
  ink: Ink,
  span: readonly [number, number],
  still: boolean,
): ChartOptions<'scatter'> {
  const options = common(ink, still) as ChartOptions<'scatter'>;
  return {
    ...options,
    layout: { padding: ({ chart }) => ({ right: sidePx(chart) }) },
    plugins: {
      legend: { display: false },
      tooltip: { callbacks: { label: ({ parsed }) => ROWS[parsed.y ?? 0] ?? '' } },
    },
    scales: {
      x: time(ink, ...span),
      y: {
        min: -0.5,
        max: ROWS.length - 0.5,
        reverse: true,
        afterFit: asWide,
        afterBuildTicks: (axis: { ticks: { value: number }[] }) => {
          axis.ticks = ROWS.map((_, value) => ({ value }));
        },
        ticks: { ...figuresOn(ink), callback: (row: number) => ROWS[row] ?? '' },
        grid: { color: ink.line },
      },
    } as never,
  };
}

/** Bars in order of the honings, with a day under some of them. */
export function barOptions(
  ink: Ink,
  words: string,
  days: readonly string[],
  still: boolean,
  shown: (value: number) => string,
): ChartOptions<'bar'> {
  const options = common(ink, still) as ChartOptions<'bar'>;
  return {
    ...options,
    plugins: {
      ...options.plugins,
      tooltip: {
        callbacks: {
          title: ([item]) => days[item?.parsed.x ?? -1] ?? '',
          label: ({ dataset, parsed }) => `${dataset.label ?? ''}: ${shown(parsed.y ?? 0)}`,
        },
      },
    },
    scales: {
      x: {
        type: 'linear',
        stacked: true,
        offset: false,
        min: -0.5,
        max: Math.max(0.5, days.length - 0.5),
        ticks: {
          color: ink.muted,
          font: { size: 13 },
          maxRotation: 0,
          autoSkipPadding: 24,
          precision: 0,
          callback: (n) => (Number.isInteger(Number(n)) ? (days[Number(n)] ?? '') : ''),
        },
        grid: { display: false },
      },
      y: {
        stacked: true,
        beginAtZero: true,
        grace: '5%',
        title: text(words, ink),
        ticks: figuresOn(ink),
        grid: { color: ink.line },
      },
    },
  };
}
