import type { Locator } from '@playwright/test';
import { expect, goTo, test } from './workshop.js';

/** How many of these are whole in sight. */
const seenOf = (things: Locator): Promise<number> =>
  things.evaluateAll(
    (all) =>
      all.filter((each) => {
        const [own, seen] = [
          each.getBoundingClientRect(),
          each.closest('nav, p-table, .room')?.getBoundingClientRect(),
        ];
        return (
          seen !== undefined &&
          own.top >= seen.top - 1 &&
          own.bottom <= Math.min(seen.bottom, innerHeight) + 1
        );
      }).length,
  );

test('a dozen tools and nine stones are in sight, their names whole', async ({ page }) => {
  await goTo(page, '/');
  const rows = page.locator('ma-rack li');
  await expect(rows.first()).toBeVisible();
  // What is opened is what is in most need.
  await expect(rows.first()).toHaveClass(/held/);
  expect(await seenOf(rows)).toBeGreaterThanOrEqual(12);
  const cut = await page
    .locator('ma-rack :is(b, small)')
    .evaluateAll((all) =>
      all
        .filter((each) => each.scrollWidth > each.clientWidth + 1 || each.getClientRects().length > 1)
        .map((each) => each.textContent),
    );
  expect(cut).toEqual([]);
  const tall = await page.locator('ma-rack li').evaluateAll((all) => all.map((each) => each.clientHeight));
  expect(Math.max(...tall)).toBeLessThan(56);
  await goTo(page, '/stones');
  await expect(page.locator('tbody tr').first()).toBeVisible();
  expect(await seenOf(page.locator('tbody tr'))).toBeGreaterThanOrEqual(9);
});

test('what is chosen can be told where the system gives every colour', async ({ page }) => {
  await page.emulateMedia({ forcedColors: 'active' });
  await goTo(page, '/tools/smooth-50/plan');
  const ground = (of: Locator): Promise<string> =>
    of.evaluate((each) => getComputedStyle(each).backgroundColor);
  for (const [chosen, other] of [
    [
      page.getByRole('link', { name: 'Plan', exact: true }),
      page.getByRole('link', { name: 'Life', exact: true }),
    ],
    [
      page.getByRole('button', { name: 'Dull', exact: true }),
      page.getByRole('button', { name: 'Very dull', exact: true }),
    ],
    [page.getByRole('button', { name: 'Thorough' }), page.getByRole('button', { name: 'Brisk' })],
  ] as const) {
    expect(await ground(chosen)).not.toBe(await ground(other));
  }
});
