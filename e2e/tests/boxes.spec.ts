import { boxFaultsAtRest } from './boxes.js';
import { expect, test } from './workshop.js';

/** A desk, a tablet held upright, a phone, and the desk at twice the size of letters. */
const SIZES = [
  { width: 1280, height: 800 },
  { width: 820, height: 1180 },
  { width: 390, height: 844 },
  { width: 640, height: 400 },
] as const;

const LOOKS = [
  ...SIZES.map((size) => [size, 'light'] as const),
  ...SIZES.slice(0, 1).map((size) => [size, 'dark'] as const),
];

/** A tool of every form of edge. */
const FORMS = [
  ['bench-19', 'smooth-50', 'planer-3'],
  ['skew-12', 'gouge-20', 'v-10'],
  ['whittle', 'hook-bailer', 'scrape-reed'],
] as const;
const SIDES = ['edge', 'set-up', 'camber', 'plan', 'life'];

const ROOMS = [
  '/tools/new',
  '/stones',
  '/stones/new',
  '/stones/w1000',
  '/guides',
  '/guides/new',
  '/patterns',
  '/patterns/new',
  '/strop',
  '/puzzle',
  '/ledger',
  '/settings',
];

const VIEWS: readonly (readonly [name: string, paths: readonly string[]])[] = [
  ...FORMS.map((tools): readonly [string, readonly string[]] => [
    `the sides of ${tools.join(', ')}`,
    tools.flatMap((tool) =>
      SIDES.filter((side) => side !== 'camber' || tool === 'smooth-50').map(
        (side) => `/tools/${tool}/${side}`,
      ),
    ),
  ]),
  ['the rooms', ROOMS],
];

for (const [name, paths] of VIEWS) {
  test(`nothing overlaps, is cut off or hangs off sideways: ${name}`, async ({ page }) => {
    test.slow();
    const found: string[] = [];
    for (const path of paths) {
      await page.setViewportSize(SIZES[0]);
      await page.goto(path);
      await page.waitForLoadState('networkidle');
      // Themes differ in colours alone: the dark one is looked at where most is in sight.
      for (const [size, colorScheme] of LOOKS) {
        await page.emulateMedia({ colorScheme });
        await page.setViewportSize(size);
        for (const fault of await boxFaultsAtRest(page))
          found.push(`${path} at ${size.width}, ${colorScheme}: ${fault}`);
      }
    }
    expect(found).toEqual([]);
  });
}
