import type { Locator, Page } from '@playwright/test';
import { BOTH_SCREENS, choose, expect, expectAccessible, goTo, test, toolOf, type } from './workshop.js';

test(
  'a curve is designed from its shaving, dragged, refused in words, kept and undone',
  BOTH_SCREENS,
  async ({ page }) => {
    await goTo(page, '/tools/plank-50/camber');
    await choose(page, 'What it is for', 'Smoothing');
    await expect
      .poll(async () => (await toolOf(page, 'plank-50')).edge.front)
      .toEqual({
        shape: 'arc',
        radiusMm: 4419,
      });
    // What it had before is where the making begins.
    expect((await toolOf(page, 'plank-50')).camber.hadMm).toBeCloseTo(0.08, 9);
    await expect(page.getByText('71 µm', { exact: true }).first()).toBeVisible();
    await expect(page.getByText(/A bed of 12° wants 24\d µm .* 3.4 times as much/)).toBeVisible();

    const handle = page.getByRole('slider', { name: 'Light at the corner' });
    const box = await handle.locator('.knob').boundingBox();
    if (!box) throw new Error('no corner to drag');
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x, y - 12, { steps: 5 });
    await page.mouse.up();
    await expect.poll(async () => (await toolOf(page, 'plank-50')).edge.front.radiusMm).toBeLessThan(3500);
    await expectAccessible(page);

    await type(page.getByLabel('and so wide'), '70');
    await expect(
      page.getByText('A shaving cannot be wider than its iron: give 50 mm or less.'),
    ).toBeVisible();
    await type(page.getByLabel('Radius'), '3');
    await expect(page.getByText(/cannot have a radius below 25 mm|lies between/).first()).toBeVisible();
  },
);

/** Strokes by place; where the edge only fades a strop would do, but for its curve. */
async function honed(page: Page, strokes: Locator): Promise<void> {
  const allTheSame = page.getByRole('button', { name: 'Hone it all the same' });
  await expect(allTheSame.or(strokes)).toBeVisible();
  if (await allTheSame.isVisible()) await allTheSame.click();
  await expect(strokes).toBeVisible();
}

test('strokes by place are planned, a reading corrects them, and the correction stays', async ({ page }) => {
  await goTo(page, '/tools/joint-60/camber');
  await choose(page, 'What it is for', 'Trying');
  await expect.poll(async () => (await toolOf(page, 'joint-60')).edge.front.radiusMm).toBe(1500);
  await page.getByRole('button', { name: 'Make it' }).click();
  const fingers = page.getByRole('img', { name: /^Strokes by place: left \d+/ });
  await honed(page, fingers);
  const before = await fingers.getAttribute('aria-label');
  await expectAccessible(page);
  await choose(page, 'Pressed at', 'Three places');
  await expect(
    page.getByRole('img', { name: /^Strokes by place: left \d+, middle \d+, right \d+$/ }),
  ).toBeVisible();
  await choose(page, 'Pressed at', 'Five places');

  await page.getByRole('button', { name: 'Read it back' }).click();
  await page.getByRole('button', { name: 'With a caliper' }).click();
  const field = page.getByLabel('Heights, a line each; or place and height');
  // A caliper that is a keyboard types faster than a hand, an Enter after each figure.
  await field.pressSequentially('41.82\n41.91\n41.97\n42.00\n41.97\n41.91\n41.82\n', { delay: 2 });
  await expect(field).toHaveValue('41.82\n41.91\n41.97\n42.00\n41.97\n41.91\n41.82\n');
  await expect(page.getByText(/17\d µm ± \d+ µm of light at the corners/)).toBeVisible();
  await page.getByRole('button', { name: 'Into the record' }).click();
  await expect(page.getByText(/by caliper.*it is in the record/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Make it' }).click();
  await expect(page.getByText(/it has 17\d µm ± \d+ µm.*as it was last read/)).toBeVisible();
  const after = await page.getByRole('img', { name: /^Strokes by place/ }).getAttribute('aria-label');
  expect(after).not.toBe(before);
  await page.reload();
  await page.getByRole('button', { name: 'Make it' }).click();
  await honed(page, page.getByRole('img', { name: after ?? '', exact: true }));
  await page.getByRole('link', { name: 'See it in the plan' }).click();
  await expect(page.getByText(/the curve, by place: /)).toBeVisible();
  await goTo(page, '/tools/joint-60/life');
  await expect(page.getByText(/Camber 17\d µm ± \d+ µm by caliper/)).toBeVisible();
});

test('a shaving, the light and the board’s tracks are read, and say when they cannot tell', async ({
  page,
}) => {
  await goTo(page, '/tools/smooth-50/camber');
  await page.getByRole('button', { name: 'Read it back' }).click();
  await type(page.getByLabel('Thickness', { exact: true }), '0.05');
  await type(page.getByLabel('Width', { exact: true }), '60');
  await expect(page.getByText(/This shaving is wider than the iron/)).toBeVisible();
  await type(page.getByLabel('Width', { exact: true }), '51');
  await expect(page.getByText(/As wide as the iron: .* at most/)).toBeVisible();
  await type(page.getByLabel('Width', { exact: true }), '40');
  await expect(page.getByText(/115 µm ± \d+ µm of light/)).toBeVisible();
  await type(page.getByLabel('known to ±', { exact: true }), '0.08');
  await expect(page.getByText(/it cannot be told from straight/)).toBeVisible();
  await page.getByRole('button', { name: 'By the light' }).click();
  await type(page.getByLabel('Left corner'), '0');
  await type(page.getByLabel('Right corner'), '0');
  await expect(page.getByText(/No leaf goes under/)).toBeVisible();
  await page.getByRole('button', { name: 'By the board’s tracks' }).click();
  await type(page.getByLabel('Step at the left'), '0.03');
  await type(page.getByLabel('Step at the right'), '0.03');
  await expect(page.getByText(/both sides of a pass leave a step/i)).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Over its life' }).click();
  await expect(page.getByText(/readings; .* wanted\./).first()).toBeVisible();
  const chisel = page.getByRole('navigation', { name: 'Sides of the vise' });
  await goTo(page, '/tools/bench-19/camber');
  await expect(chisel.getByRole('link', { name: 'Camber' })).toHaveCount(0);
});

test('eased corners are pressed at the corners, and a curved iron is brought back to straight', async ({
  page,
}) => {
  await goTo(page, '/tools/plank-50/camber');
  await choose(page, 'What it is for', 'Jointing');
  await page.getByRole('button', { name: 'Make it' }).click();
  // Its eased corners stood 80 µm back: the middle is worked.
  await honed(page, page.getByRole('img', { name: /^Strokes by place: left 0, .*middle [1-9]/ }));
  await goTo(page, '/tools/shave-flat/camber');
  await page.getByRole('button', { name: 'Design it' }).click();
  await choose(page, 'What it is for', 'Corners eased');
  await expect(page.getByText(/With its corners eased no pass leaves a step/)).toBeVisible();
  await page.getByRole('button', { name: 'Make it' }).click();
  await honed(
    page,
    page.getByRole('img', { name: /^Strokes by place: left [1-9]\d*, middle 0, right [1-9]/ }),
  );
});
