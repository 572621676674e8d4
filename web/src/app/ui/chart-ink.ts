import { Chart } from 'chart.js';

Chart.defaults.font.family = "'Atkinson Hyperlegible Next', system-ui, sans-serif";

const NAMES = ['ink', 'muted', 'line', 'accent', 'leather', 'steel', 'water', 'oil', 'dry'] as const;

/** Colours and letters of the charts, as the page has them now. */
export type Ink = Readonly<Record<(typeof NAMES)[number], string>>;

/** The page's colours, light or dark, for what is drawn on a canvas. */
export function inkNow(): Ink {
  const style = getComputedStyle(document.documentElement);
  return Object.fromEntries(NAMES.map((name) => [name, style.getPropertyValue(`--${name}`).trim()])) as Ink;
}
