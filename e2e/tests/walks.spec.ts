import type { Page } from '@playwright/test';
import { boxFaultsAtRest } from './boxes.js';
import { expect, expectAccessible, goOn, goTo, test } from './workshop.js';

/** A tool of every form of edge. */
const TOOLS = {
  'single-bevel': 'smooth-50',
  knife: 'whittle',
  gouge: 'gouge-20',
  'double-bevel': 'skew-12',
  hook: 'hook-bailer',
  'knife-set': 'planer-3',
  v: 'v-10',
  scraping: 'scrape-reed',
} as const;
const SIZES = [
  { width: 1280, height: 800 },
  { width: 820, height: 1180 },
  { width: 390, height: 844 },
] as const;
const MANNERS = ['Thorough', 'Brisk'] as const;

interface Walk {
  readonly form: string;
  readonly tool: string;
  readonly manner: (typeof MANNERS)[number];
  readonly size: (typeof SIZES)[number];
}

const EVERY: readonly Walk[] = Object.entries(TOOLS).flatMap(([form, tool]) =>
  MANNERS.flatMap((manner) => SIZES.map((size) => ({ form, tool, manner, size }))),
);
/** Each form once, manners and sizes shared out among them; every one of them where WALKS says so. */
const WALKS =
  process.env['WALKS'] === 'every'
    ? EVERY
    : Object.values(TOOLS).map((tool, i) => {
        const own = EVERY.filter((walk) => walk.tool === tool);
        return own.find(
          ({ manner, size }) => manner === MANNERS[i % 2] && size === SIZES[i % SIZES.length],
        ) as Walk;
      });

/** Stones of the page's list and the strokes on each, in order. */
async function listed(page: Page): Promise<readonly (readonly [string, number])[]> {
  const rows = await page.locator('ma-work-list .step').all();
  return Promise.all(
    rows.map(async (row) => {
      const name = (await row.locator('.name').evaluate((at) => at.firstChild?.textContent)) ?? '';
      return [name.trim(), Number.parseInt((await row.locator('.strokes').textContent()) ?? '', 10)] as const;
    }),
  );
}

/** Neighbours on the same stone taken together. */
const together = (steps: readonly (readonly [string, number])[]): readonly (readonly [string, number])[] =>
  steps.reduce<readonly (readonly [string, number])[]>((all, [name, strokes]) => {
    const last = all.at(-1);
    return last?.[0] === name ? [...all.slice(0, -1), [name, last[1] + strokes]] : [...all, [name, strokes]];
  }, []);

for (const [i, { form, tool, manner, size }] of WALKS.entries()) {
  test(`a whole run on a ${form} edge, ${manner.toLowerCase()}, ${String(size.width)} wide`, async ({
    page,
    served,
    allowed,
  }) => {
    test.slow();
    allowed.push(/ERR_CONNECTION_REFUSED|Failed to load resource/);
    await page.setViewportSize(size);
    await goTo(page, `/tools/${tool}/plan`);
    await page.getByRole('button', { name: 'Very dull', exact: true }).click();
    await page.getByRole('button', { name: manner, exact: true }).click();
    await expect(page.getByRole('button', { name: manner, exact: true, pressed: true })).toBeVisible();
    const wanted = together(await listed(page));
    await page.getByRole('button', { name: 'Take it to the bench' }).click();
    await expect(page.locator('.way li.now')).toHaveCount(1);
    const run = page.url().split('/').at(-1) ?? '';

    const stations: string[] = [];
    let broken = process.env['WALKS'] === 'every' ? i % 3 !== 0 : i > 0;
    await goOn(page, async () => {
      if ((await page.getByRole('heading', { name: 'Done, and in the record' }).count()) > 0) return true;
      await expect(page.locator('ma-station-drawing svg')).toHaveCount(1);
      expect(await boxFaultsAtRest(page)).toEqual([]);
      if (await page.locator('ma-stone-station').isVisible()) {
        stations.push((await page.locator('h1').evaluate((at) => at.firstChild?.textContent ?? '')).trim());
        // The power goes, the page is loaded anew: the run stands where it stood.
        if (!broken) {
          broken = true;
          await expectAccessible(page);
          await served.kill();
          await page.keyboard.press('PageDown');
          await served.restart();
          await page.reload();
          await expect(page.locator('ma-stone-station')).toBeVisible();
          await expect(page.getByText('Kept', { exact: true })).toBeVisible();
        }
      }
      return false;
    });

    // What the page listed, the bench walked and the record keeps is the same work in the same order.
    expect(together(stations.map((name) => [name, 0])).map(([name]) => name)).toEqual(
      wanted.map(([name]) => name),
    );
    await expect.poll(async () => (await page.request.get(`/api/sessions/${run}`)).status()).toBe(200);
    const { steps } = (await (await page.request.get(`/api/sessions/${run}`)).json()) as {
      steps: readonly { abrasiveId: string; strokes: number }[];
    };
    const { items } = (await (await page.request.get('/api/abrasives?pageSize=200')).json()) as {
      items: readonly { id: string; name: string }[];
    };
    const kept = together(
      steps.map(({ abrasiveId, strokes }) => [
        items.find(({ id }) => id === abrasiveId)?.name ?? '',
        strokes,
      ]),
    );
    expect(kept.map(([name]) => name)).toEqual(wanted.map(([name]) => name));
    if (manner === 'Brisk') expect(kept).toEqual(wanted);
  });
}
