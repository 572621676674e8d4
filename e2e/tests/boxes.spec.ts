import { expectAnswered } from './answers.js';
import { boxFaultsAtEverySize } from './boxes.js';
import { expect, goTo, test } from './workshop.js';

/** A tool of every form of edge. */
const FORMS = [
  ['bench-19', 'smooth-50', 'planer-3'],
  ['skew-12', 'gouge-20', 'v-10'],
  ['whittle', 'hook-bailer', 'scrape-reed'],
] as const;
const SIDES = ['edge', 'set-up', 'camber', 'plan', 'life'];

for (const tools of FORMS) {
  test(`the answer is in sight, nothing overlaps, is cut off or hangs off sideways: ${tools.join(', ')}`, async ({
    page,
  }) => {
    test.slow();
    const found: string[] = [];
    for (const tool of tools) {
      await goTo(page, `/tools/${tool}/edge`);
      for (const side of SIDES.filter((each) => each !== 'camber' || tool === 'smooth-50')) {
        await page.locator(`#vise header a[href="/tools/${tool}/${side}"]`).click();
        await expectAnswered(page, tool, side);
        found.push(...(await boxFaultsAtEverySize(page)));
      }
    }
    expect(found).toEqual([]);
  });
}
