import type { Page } from '@playwright/test';
import {
  atEnd,
  expect,
  giant,
  goOn,
  goTo,
  isAt,
  sessionOf,
  test,
  toolOf,
  walkedThoroughly,
} from './workshop.js';

/** What the run put into the record. */
interface Kept {
  readonly steps: readonly { readonly strokes: number; readonly places?: readonly number[] }[];
}

test('a V-tool with a tooth: its keel first, then wing, wing, keel; a hook seen at the apex is mended', async ({
  page,
}) => {
  await goTo(page, '/tools/v-10/plan');
  await page.getByText('Anything else wrong with it?').click();
  await page.getByRole('button', { name: 'A tooth at the apex' }).click();
  await expect(page.locator('.answer')).toContainText('the part ahead');
  await walkedThoroughly(page);
  await page.getByRole('button', { name: 'Take it to the bench' }).click();
  await goOn(page, () => page.locator('ma-stone-station').isVisible());
  const run = page.url().split('/').at(-1) ?? '';
  // Only the keel is honed: a tooth is what the stone left of it.
  await expect(page.locator('.turn')).toHaveText(/^keel: \d+ more$/);
  await expect(page.locator('ma-parts-drawing svg')).toHaveAttribute(
    'aria-label',
    /left wing 0, right wing 0, keel \d+/,
  );
  await goOn(page, isAt(page, 'Even from its end?'));
  await page.getByRole('button', { name: 'A hook to the left' }).click();
  await expect(page.locator('.turn')).toHaveText('left wing: 3 more');
  await expect(page.getByText('the right wing took too much')).toBeVisible();
  for (let i = 0; i < 3; i++) await page.keyboard.press('PageDown');
  await expect.poll(() => giant(page)).toBe(0);
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await goOn(page, async () => {
    const turn = page.locator('.turn');
    return (await turn.isVisible()) && /^left wing/.test((await turn.textContent()) ?? '');
  });
  const shown = await page.locator('ma-parts-drawing svg').getAttribute('aria-label');
  const [, left, right, keel] = /left wing (\d+), right wing (\d+), keel (\d+)/.exec(shown ?? '') ?? [];
  expect(left).toBe(right);
  expect(Number(keel)).toBeLessThan(Number(left));
  await goOn(page, () => page.getByRole('heading', { name: 'Done, and in the record' }).isVisible());
  await expect.poll(async () => (await page.request.get(`/api/sessions/${run}`)).status()).toBe(200);
  const { steps } = (await (await page.request.get(`/api/sessions/${run}`)).json()) as Kept;
  expect(steps[0]?.places?.slice(0, 2)).toEqual([0, 0]);
  expect(steps.some(({ places }) => places?.join() === '3,0,0')).toBe(true);
});

test('an in-cannel gouge is rolled on a rod that goes into it, and a gouge turns under the finger', async ({
  page,
}) => {
  await goTo(page, '/tools/gouge-25-in/set-up');
  const fits = page.locator('ma-roll-panel li');
  await expect(fits.filter({ hasText: 'radius 11 mm' }).first()).toContainText('goes in');
  // A rod of 18 mm does not go into a hollow of 11.7.
  await expect(fits.filter({ hasText: 'radius 18 mm' })).toContainText('too large');
  await goTo(page, '/tools/gouge-25-in/plan');
  await page.getByRole('button', { name: 'Brisk', exact: true }).click();
  await page.getByRole('button', { name: 'Take it to the bench' }).click();
  await goOn(page, () => page.locator('ma-stone-station').isVisible());
  await expect(page.locator('.feel')).toContainText(/Rolled \d+° in every stroke/);
  await goOn(page, () => page.getByRole('heading', { name: 'Done, and in the record' }).isVisible());

  await goTo(page, '/tools/gouge-20/set-up');
  const seen = page.locator('ma-turned-drawing svg');
  await expect(seen).toHaveAttribute('aria-label', 'Its middle down: 1.63 mm of the edge touches');
  const curves = () => seen.locator('.edge').evaluateAll((all) => all.map((each) => each.getAttribute('d')));
  const before = await curves();
  expect(before).toHaveLength(3);
  const box = await seen.boundingBox();
  if (!box) throw new Error('nothing is drawn');
  // All three views turn with the finger.
  await page.mouse.move(box.x + box.width / 4, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * 0.75, box.y + box.height / 2, { steps: 4 });
  await page.mouse.up();
  await expect(seen).toHaveAttribute('aria-label', /^Rolled 49° to the right/);
  (await curves()).forEach((curve, i) => expect(curve).not.toBe(before[i]));

  await goTo(page, '/tools/gouge-20/edge');
  await page.getByRole('button', { name: 'From a tracing' }).click();
  await page.getByRole('textbox', { name: 'Height at a quarter' }).fill('4.2');
  await page.getByRole('textbox', { name: 'Height in the middle' }).fill('5.4');
  await page.getByRole('textbox', { name: 'Height at three quarters' }).fill('4.2');
  await page.getByRole('button', { name: 'It is so' }).click();
  await expect.poll(async () => (await toolOf(page, 'gouge-20')).edge.depthMm).toBeCloseTo(5.33, 2);
});

test('a skew is given a second edge round its heel, and is honed straight, then round, side by side', async ({
  page,
}) => {
  await goTo(page, '/tools/skew-12/edge');
  await page.getByRole('button', { name: 'A second edge at the heel' }).click();
  const panel = page.locator('ma-heel-panel');
  await expect(panel).toContainText(/Off at the wheel/);
  await expect(panel.locator('ma-turned-drawing svg')).toBeVisible();
  await panel.getByRole('textbox', { name: /Radius of the round/ }).fill('60');
  await expect(panel).toContainText(/would take the point too/);
  await panel.getByRole('textbox', { name: /Radius of the round/ }).fill('4');
  await panel.getByRole('button', { name: 'It is ground so' }).click();
  await expect(panel.getByRole('button', { name: 'It has none' })).toBeVisible();
  await goTo(page, '/tools/skew-12/plan');
  await page.getByRole('button', { name: 'Brisk', exact: true }).click();
  await page.getByRole('button', { name: 'Take it to the bench' }).click();
  await goOn(page, () => page.locator('ma-stone-station').isVisible());
  await expect(page.locator('.turn')).toHaveText(/^the straight part: \d+ more$/);
  await expect(page.locator('.feel')).toContainText(/the handle swung \d+°/);
  const parts = /(\d+) more/.exec((await page.locator('.turn').textContent()) ?? '');
  for (let i = 0; i < Number(parts?.[1]); i++) await page.keyboard.press('PageDown');
  await expect(page.locator('.turn')).toHaveText(/^round the heel: \d+ more$/);
  await goOn(page, () => page.getByRole('heading', { name: 'Done, and in the record' }).isVisible());
});

/** A hook of another make in place of the shed's own. */
async function remade(page: Page, make: string): Promise<void> {
  const { id: _id, createdAt: _made, updatedAt: _changed, ...tool } = await toolOf(page, 'hook-bailer');
  const put = await page.request.put('/api/tools/hook-bailer', {
    data: { ...tool, edge: { ...tool.edge, make } },
  });
  expect(put.status(), await put.text()).toBe(200);
}

test('the other makes of hook: a flat inside, and both sides bevelled: each face until its burr, then turn about', async ({
  page,
}) => {
  for (const make of ['flat-inside', 'bevelled-both-sides']) {
    await remade(page, make);
    await page.goto('/tools/hook-bailer/plan');
    await walkedThoroughly(page);
    await page.getByRole('button', { name: 'Take it to the bench' }).click();
    await goOn(page, () => page.locator('ma-stone-station').isVisible());
    const run = page.url().split('/').at(-1) ?? '';
    const passed = (await goOn(page, atEnd(page))).join(' | ');
    // What the outside raised stands inside, and the other way round; then no burr is asked for any more.
    expect(passed).toMatch(
      /^(.*) \| Feel for the burr: inside \| \1 \| Feel for the burr: outside \| \1 \| /,
    );
    const { steps } = (await sessionOf(page, run)) as Kept;
    const [outside, inside, turnAbout] = steps;
    expect(outside?.strokes).toBe(inside?.strokes);
    expect(turnAbout?.strokes).toBeGreaterThan(0);
  }
});
