import type { Page } from '@playwright/test';
import { expectAnswered } from './answers.js';
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
  '/before-money',
  '/stones',
  '/stones/new',
  '/stones/w1000',
  '/stones/dry-wheel',
  '/guides',
  '/guides/new',
  '/guides/top-clamp',
  '/patterns',
  '/patterns/new',
  '/patterns/board-irons',
  '/strop',
  '/puzzle',
  '/ledger',
  '/settings',
];

/** What is wrong with a page as it stands, at every size. */
async function faultsOf(page: Page): Promise<readonly string[]> {
  const found: string[] = [];
  for (const [size, colorScheme] of LOOKS) {
    await page.emulateMedia({ colorScheme });
    await page.setViewportSize(size);
    for (const fault of await boxFaultsAtRest(page))
      found.push(`${new URL(page.url()).pathname} at ${size.width}, ${colorScheme}: ${fault}`);
  }
  await page.emulateMedia({ colorScheme: 'light' });
  await page.setViewportSize(SIZES[0]);
  return found;
}

for (const tools of FORMS) {
  test(`the answer is in sight, nothing overlaps, is cut off or hangs off sideways: ${tools.join(', ')}`, async ({
    page,
  }) => {
    test.slow();
    const found: string[] = [];
    for (const tool of tools) {
      await page.goto(`/tools/${tool}/edge`);
      for (const side of SIDES.filter((each) => each !== 'camber' || tool === 'smooth-50')) {
        await page.locator(`#vise header a[href="/tools/${tool}/${side}"]`).click();
        await expectAnswered(page, tool, side);
        found.push(...(await faultsOf(page)));
      }
    }
    expect(found).toEqual([]);
  });
}

test('nothing overlaps, is cut off or hangs off sideways in any room', async ({ page }) => {
  test.slow();
  const found: string[] = [];
  for (const room of ROOMS) {
    await page.goto(room);
    await page.waitForLoadState('networkidle');
    if (room === '/guides/top-clamp') await page.getByRole('button', { name: 'Measure Bed' }).click();
    found.push(...(await faultsOf(page)));
  }
  expect(found).toEqual([]);
});
