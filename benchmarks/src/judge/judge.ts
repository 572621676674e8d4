import { CLAIMS, COST_PARTS, CONTESTANTS, SEEDS, totalOf, type Year } from '@mellow-anvil/core/simulate';
import { mkdirSync, writeFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import workerpool from 'workerpool';
import { plotOf } from './plot.js';
import type { Judged, Wanted } from './shop.worker.js';

// The advice tried in made-up shops whose truth is known: `npm run judge -- [tuning] [how many shops]`.
const FOLDER = new URL('../../../docs/judged/', import.meta.url);
const PAGE = new URL('../../../web/src/app/judged/judged.json', import.meta.url);
/** What is compared with the page shop by shop needs fewer of them. */
const FEW = 24;

const tuning = process.argv.includes('tuning');
const { from, shops: most } = tuning ? SEEDS.tuning : SEEDS.heldOut;
/** Fewer of them, where somebody has less time. */
const shops = Math.min(most, Number(process.argv.find((each) => /^\d+$/.test(each)) ?? most));
const places = CONTESTANTS.map((_, i) => i);
const isWhole = (i: number): boolean => ['page', 'rule', 'oracle'].includes(CONTESTANTS[i]?.kind ?? '');
const started = Date.now();

/** What is reckoned is short-lived: with room for it nothing is looked through twice. */
const YOUNG_MB = 192;

/** Shops shared out among the cores, a few at a time, so that none waits long for the last. */
async function judged(wanted: readonly Wanted[]): Promise<readonly Judged[]> {
  const cores = workerpool.pool(fileURLToPath(new URL('./shop.worker.js', import.meta.url)), {
    workerType: 'thread',
    maxWorkers: Math.max(2, availableParallelism()),
    workerThreadOpts: { resourceLimits: { maxYoungGenerationSizeMb: YOUNG_MB } },
  });
  try {
    const all = await Promise.all(
      wanted.map((each) => cores.exec('judged', [each]) as Promise<readonly Judged[]>),
    );
    return all.flat();
  } finally {
    await cores.terminate();
  }
}

/** So many are gone through at once: few, so that no core waits for another’s last. */
const AT_ONCE = 5;
const parcels = (count: number, atOnce: number, contestants: readonly number[]): readonly Wanted[] =>
  Array.from({ length: Math.ceil(count / atOnce) }, (_, i) => ({
    from: from + atOnce * i,
    shops: Math.min(atOnce, count - atOnce * i),
    contestants,
  }));

// Those that take longest first, one by one.
const results = await judged([
  ...parcels(
    Math.min(FEW, shops),
    1,
    places.filter((i) => !isWhole(i)),
  ),
  ...parcels(shops, AT_ONCE, places.filter(isWhole)),
]);
const minutes = (Date.now() - started) / 60_000;

const yearsOf = (contestant: number): ReadonlyMap<number, Year> =>
  new Map(results.filter((each) => each.contestant === contestant).map(({ shop, year }) => [shop, year]));
const mean = (values: readonly number[]): number =>
  values.reduce((sum, each) => sum + each, 0) / values.length;
const errorOf = (values: readonly number[]): number => {
  const middle = mean(values);
  return Math.sqrt(mean(values.map((each) => (each - middle) ** 2)) / values.length);
};
const page = yearsOf(0);
const oracle = yearsOf(places.filter((i) => CONTESTANTS[i]?.kind === 'oracle').at(-1) ?? 0);

/** A contestant beside the page, shop by shop, and where its year went. */
const rows = places.map((i) => {
  const years = yearsOf(i);
  const all = [...years.values()];
  const against = [...years].map(([shop, year]) => totalOf(year) - totalOf(page.get(shop) as Year));
  const round = (value: number, digits = 1): number => Number(value.toFixed(digits));
  return {
    name: CONTESTANTS[i]?.name ?? '',
    kind: CONTESTANTS[i]?.kind ?? 'page',
    shops: all.length,
    total: round(mean(all.map(totalOf))),
    over: round(mean(against)),
    error: round(errorOf(against)),
    // One who knows, in the same shops.
    best: round(mean([...years.keys()].map((shop) => totalOf(oracle.get(shop) as Year)))),
    ...Object.fromEntries(COST_PARTS.map((part) => [part, round(mean(all.map((year) => year[part])))])),
    gaveOut: round(mean(all.map(({ gaveOut }) => gaveOut))),
    early: round(mean(all.map(({ early }) => early))),
    honings: round(mean(all.map(({ honings }) => honings))),
    spells: round(mean(all.map(({ spells }) => spells))),
    grams: round(mean(all.map(({ steel }) => steel)) / 6, 2),
  };
});

/** What the page says with its ±, and how often that held, beside how often it should. */
const covered = (Object.keys(CLAIMS) as (keyof typeof CLAIMS)[]).map((claim) => {
  const told = [...page.values()].map((year) => year.told[claim]);
  const said = told.reduce((sum, each) => sum + each.said, 0);
  const held = told.reduce((sum, each) => sum + each.held, 0);
  return { ...CLAIMS[claim], said, held: Number((held / Math.max(1, said)).toFixed(3)) };
});

const columns = Object.keys(rows[0] ?? {}) as readonly (keyof (typeof rows)[number])[];
const table = [
  columns.join(','),
  ...rows.map((row) => columns.map((column) => JSON.stringify(row[column])).join(',')),
];
for (const { kind, name, total, over, error, best } of rows) {
  const beside = kind === 'page' ? '' : `, ${over > 0 ? '+' : ''}${over} ± ${error} beside the page`;
  console.log(`${kind.padEnd(7)} ${name.padEnd(42)} ${total} min a year (best ${best})${beside}`);
}
for (const { what, share, said, held } of covered)
  console.log(`± of ${what}: held ${(100 * held).toFixed(1)} % of ${said} times, should ${100 * share} %`);
console.log(`${shops} shops, ${minutes.toFixed(1)} min on ${availableParallelism()} cores.`);
if (!tuning) {
  mkdirSync(FOLDER, { recursive: true });
  writeFileSync(new URL('judged.csv', FOLDER), `${table.join('\n')}\n`);
  writeFileSync(
    new URL('covered.csv', FOLDER),
    [
      'what,should,said,held',
      ...covered.map(({ what, share, said, held }) => `"${what}",${share},${said},${held}`),
    ].join('\n') + '\n',
  );
  writeFileSync(new URL('judged.svg', FOLDER), plotOf(rows));
  writeFileSync(PAGE, `${JSON.stringify({ shops, rows, covered }, undefined, 2)}\n`);
}
