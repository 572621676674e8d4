import { boxFaultsAtEverySize } from './boxes.js';
import { expect, expectAccessible, goTo, test } from './workshop.js';

const ROOMS = [
  '/tools/bench-19/edge',
  '/tools/smooth-50/set-up',
  '/tools/smooth-50/plan',
  '/tools/smooth-50/camber',
  '/tools/bench-19/life',
  '/tools/gouge-20/edge',
  '/tools/new',
  '/before-money',
  '/stones',
  '/stones/new',
  '/stones/w1000',
  '/stones/dry-wheel',
  '/guides',
  '/guides/new',
  '/guides/side-clamp',
  '/guides/top-clamp',
  '/patterns',
  '/patterns/new',
  '/patterns/board-irons',
  '/ledger',
  '/strop',
  '/puzzle?seen=scratches-show',
  '/settings',
  '/how-good',
];
/** So many tests share the rooms. */
const SHARES = 2;

for (let share = 0; share < SHARES; share++) {
  const rooms = ROOMS.filter((_, i) => i % SHARES === share);
  test(`can be read and worked by everyone, nothing overlapping or cut off: ${rooms.join(', ')}`, async ({
    page,
  }) => {
    // A dozen rooms in one test, on a machine that may be busy with others.
    test.slow();
    const found: string[] = [];
    for (const room of rooms) {
      await goTo(page, room);
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
      await page.waitForLoadState('networkidle');
      await page.evaluate(() => document.fonts.ready);
      if (room === '/guides/top-clamp') await page.getByRole('button', { name: 'Measure Bed' }).click();
      // Rack and rail are the same in every room: judged in the first of all.
      const whole = room === ROOMS[0];
      await expectAccessible(page, { whole });
      const faults = await boxFaultsAtEverySize(page, async (width, colorScheme) => {
        // Nowhere is less room for a thumb than on a phone; colours are in the dark what they are at any width.
        if (colorScheme === 'dark') {
          await expect(page.locator('html')).toHaveClass(/dark/);
          await expectAccessible(page, { whole, rules: ['color-contrast'] });
        } else if (width === 390) await expectAccessible(page, { rules: ['target-size'] });
      });
      found.push(...faults);
    }
    expect(found).toEqual([]);
  });
}
