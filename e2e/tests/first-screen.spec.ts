import type { Locator, Page } from '@playwright/test';
import { expect, test } from './workshop.js';

/** One tool of every form of edge: what a view answers is there before anyone scrolls, whichever it is. */
const TOOLS = [
  'bench-19',
  'smooth-50',
  'skew-12',
  'gouge-20',
  'v-10',
  'whittle',
  'hook-bailer',
  'planer-3',
  'scrape-reed',
];

/** Each of these is whole within what is seen of the scrolling part of the page it is in. */
async function expectSeen(things: Locator, what: string): Promise<void> {
  await expect(things.first(), what).toBeVisible();
  const hidden = await things.evaluateAll((all) => {
    const seenOf = (each: Element): DOMRect => {
      for (let at = each.parentElement; at; at = at.parentElement) {
        if (/auto|scroll/.test(getComputedStyle(at).overflowY)) return at.getBoundingClientRect();
      }
      return new DOMRect(0, 0, innerWidth, innerHeight);
    };
    return all.flatMap((each) => {
      const [own, seen] = [each.getBoundingClientRect(), seenOf(each)];
      const inside = own.top >= seen.top - 1 && own.bottom <= seen.bottom + 1 && own.right <= innerWidth + 1;
      return inside
        ? []
        : [`${each.textContent.trim().slice(0, 40)}: ${own.top}–${own.bottom} of ${seen.bottom}`];
    });
  });
  expect(hidden, what).toEqual([]);
}

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

const opened = async (page: Page, tool: string, side: string): Promise<Locator> => {
  await page.goto(`/tools/${tool}/${side}`);
  return page.locator('#vise');
};

test('what a view answers is there without scrolling, whatever the edge', async ({ page }) => {
  // Four sides of nine tools.
  test.slow();
  for (const tool of TOOLS) {
    const edge = await opened(page, tool, 'edge');
    await expectSeen(edge.locator('ma-edge-section svg').first(), `${tool}: its section`);
    await expectSeen(edge.locator('ma-edge-fields input'), `${tool}: every angle and measure`);
    const setUp = await opened(page, tool, 'set-up');
    await expectSeen(setUp.locator('ma-facet-list li'), `${tool}: every facet’s setting`);
    await expectSeen(setUp.locator('ma-guide-drawing svg, .told').first(), `${tool}: how it is held`);
    const plan = await opened(page, tool, 'plan');
    await expectSeen(plan.getByRole('button', { name: 'Dull', exact: true }), `${tool}: how dull`);
    await expectSeen(plan.locator('.word'), `${tool}: the verdict`);
    await expectSeen(plan.locator('.total .figure'), `${tool}: the minutes`);
    await expectSeen(plan.getByRole('button', { name: 'Take it to the bench' }), `${tool}: to the bench`);
    await expectSeen(plan.locator('ma-plan-answer li'), `${tool}: every stone`);
    const life = await opened(page, tool, 'life');
    if (tool === 'scrape-reed') {
      // Nothing was done with it yet.
      await expectSeen(life.getByText('Nothing yet'), `${tool}: that it has no record`);
      continue;
    }
    await expectSeen(life.locator('.sum'), `${tool}: where it stands`);
    await expectSeen(life.locator('canvas').first(), `${tool}: its time line`);
    await expectSeen(life.locator('.entries li'), `${tool}: its last entries`);
  }
  const camber = await opened(page, 'smooth-50', 'camber');
  await expectSeen(camber.locator('ma-front-arc svg, ma-shaving-drawing svg'), 'the curve and its shaving');
  await expectSeen(camber.locator('.sums dd'), 'their figures');
});

test('a dozen tools and nine stones are in sight, their names whole', async ({ page }) => {
  await page.goto('/');
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
  await page.goto('/stones');
  await expect(page.locator('tbody tr').first()).toBeVisible();
  expect(await seenOf(page.locator('tbody tr'))).toBeGreaterThanOrEqual(9);
});

test('what is chosen can be told where the system gives every colour', async ({ page }) => {
  await page.emulateMedia({ forcedColors: 'active' });
  await page.goto('/tools/smooth-50/plan');
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
