import type { Locator, Page } from '@playwright/test';
import { expect } from './workshop.js';

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

/** Tools that are rolled or led round: their drawing is the answer. */
const CURVED = ['gouge-20', 'v-10', 'hook-bailer'];

/** What each side of a tool answers is there before anyone scrolls, at 1280×800. */
export async function expectAnswered(page: Page, tool: string, side: string): Promise<void> {
  const vise = page.locator('#vise');
  const seen = (things: Locator, what: string): Promise<void> => expectSeen(things, `${tool}: ${what}`);
  switch (side) {
    case 'edge':
      await seen(vise.locator('ma-edge-section svg').first(), 'its section');
      await seen(vise.locator('ma-edge-fields input'), 'every angle and measure');
      return;
    case 'set-up':
      await seen(vise.locator('ma-facet-list li'), 'every facet’s setting');
      await seen(vise.locator('ma-guide-drawing svg, .told').first(), 'how it is held');
      if (CURVED.includes(tool)) await seen(vise.locator('ma-turned-drawing svg'), 'how it lies and turns');
      return;
    case 'camber':
      await seen(vise.locator('ma-front-arc svg, ma-shaving-drawing svg'), 'the curve and its shaving');
      await seen(vise.locator('.sums dd'), 'their figures');
      return;
    case 'plan':
      await seen(page.getByRole('button', { name: 'Dull', exact: true }), 'how dull');
      await seen(vise.locator('.word'), 'the verdict');
      await seen(vise.locator('.total .figure'), 'the minutes');
      await seen(page.getByRole('button', { name: 'Take it to the bench' }), 'to the bench');
      await seen(vise.locator('ma-plan-answer li'), 'every stone');
      return;
    default:
      await seen(vise.locator('.sum'), 'where it stands');
      // A scraping edge goes by its ladder.
      if (tool === 'scrape-reed') return seen(vise.locator('ma-ladder li'), 'what is due');
      await seen(vise.locator('canvas').first(), 'its time line');
      await seen(vise.locator('.entries li'), 'its last entries');
  }
}
