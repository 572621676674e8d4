import type { Page } from '@playwright/test';
import { boxFaultsAtRest } from './boxes.js';
import { expect, expectAccessible, goOn, goTo, test } from './workshop.js';

/** The knives and what each has had, as the bench shows them: “1 20 of 20”. */
const tally = (page: Page): Promise<string[]> =>
  page
    .getByRole('list', { name: 'Strokes of each knife' })
    .getByRole('listitem')
    .evaluateAll((items) => items.map((item) => item.textContent?.replaceAll(/\s+/g, ' ').trim() ?? ''));

/** The strokes of the stone at hand, knives changed where the bench says so; what it said. */
async function allRounds(page: Page, between?: () => Promise<void>): Promise<string[]> {
  const said: string[] = [];
  const change = page.locator('.change');
  const left = page.locator('.giant');
  for (;;) {
    if (await change.isVisible()) {
      said.push((await change.textContent()) ?? '');
      expect(await boxFaultsAtRest(page)).toEqual([]);
      // A foot on the pedal says that they are in, and counts nothing.
      const before = await tally(page);
      await page.keyboard.press('PageDown');
      await expect(change).toBeHidden();
      expect(await tally(page)).toEqual(before);
      if (said.length === 2) await between?.();
      continue;
    }
    if ((await left.textContent())?.trim() === '0') return said;
    const before = await tally(page);
    await page.getByRole('button', { name: 'Ten more made' }).click();
    await expect.poll(() => tally(page)).not.toEqual(before);
  }
}

async function leave(page: Page): Promise<void> {
  const past = page.locator('.way li.past');
  const before = await past.count();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await expect.poll(() => past.count()).toBeGreaterThan(before);
}

test('three knives in two places: each gets its twenty on every paper and not one more, over a reload', async ({
  page,
  served,
  allowed,
}) => {
  test.slow();
  allowed.push(/ERR_CONNECTION_REFUSED|Failed to load resource/);
  await goTo(page, '/tools/planer-3/plan');
  const each = page.getByRole('textbox', { name: 'Strokes for each knife' });
  await each.fill('20');
  await each.press('Tab');
  const bevels = page.locator('ma-work-list .step', { hasText: '20 on each of 3 knives' });
  await expect(bevels.first()).toContainText('1+2, 1+3, 2+3');
  const papers = await bevels.count();
  expect(papers).toBeGreaterThan(1);
  // Backs first, ten each, on the same papers.
  await expect(page.locator('ma-work-list .step', { hasText: '10 on each of 3 knives' })).toHaveCount(papers);
  await page.getByRole('button', { name: 'Thorough', exact: true }).click();
  await page.getByRole('button', { name: 'Take it to the bench' }).click();
  await expect(page.locator('.way li.now')).toHaveCount(1);
  const isStone = () => page.locator('ma-stone-station').isVisible();
  const run = page.url().split('/').at(-1) ?? '';

  for (let paper = 0; paper < papers; paper++) {
    await goOn(page, isStone);
    expect(await allRounds(page)).toEqual(['Knife 1, its back', 'Knife 2, its back', 'Knife 3, its back']);
    expect(await tally(page)).toEqual(['1 10 of 10', '2 10 of 10', '3 10 of 10']);
    await leave(page);
  }
  for (let paper = 0; paper < papers; paper++) {
    await goOn(page, isStone);
    const said = await allRounds(page, async () => {
      if (paper > 0) return;
      // The power goes in the middle of a round; it is known which knife is owed what.
      for (let stroke = 0; stroke < 4; stroke++) await page.keyboard.press('PageDown');
      await expect.poll(() => tally(page)).toEqual(['1 14 of 20', '2 10 of 20', '3 4 of 20']);
      await expect(page.getByText('Kept', { exact: true })).toBeVisible();
      await served.kill();
      await served.restart();
      await page.reload();
      await expect.poll(() => tally(page)).toEqual(['1 14 of 20', '2 10 of 20', '3 4 of 20']);
      await expectAccessible(page);
      // Ten more end where the knives are changed, six strokes on.
      await page.getByRole('button', { name: 'Ten more made' }).click();
      await expect(page.locator('.change')).toBeVisible();
      expect(await tally(page)).toEqual(['1 20 of 20', '2 10 of 20', '3 10 of 20']);
    });
    expect(said).toEqual(
      paper === 0
        ? ['Put in 1 and 2', 'Take out 2, put in 3', 'Take out 1, put in 2']
        : paper % 2 === 1
          ? ['Knives 2 and 3 stay in', 'Take out 2, put in 1', 'Take out 3, put in 2']
          : ['Knives 1 and 2 stay in', 'Take out 2, put in 3', 'Take out 1, put in 2'],
    );
    expect(await tally(page)).toEqual(['1 20 of 20', '2 20 of 20', '3 20 of 20']);
    await leave(page);
  }
  await goOn(page, () => page.getByRole('heading', { name: 'Done, and in the record' }).isVisible());
  await expect.poll(async () => (await page.request.get(`/api/sessions/${run}`)).status()).toBe(200);
  const { steps } = (await (await page.request.get(`/api/sessions/${run}`)).json()) as {
    steps: readonly { facet: string; strokes: number }[];
  };
  expect(steps.map(({ facet, strokes }) => `${facet} ${strokes}`)).toEqual([
    ...Array.from({ length: papers }, () => 'back 30'),
    ...Array.from({ length: papers }, () => 'bevel 30'),
  ]);
});
