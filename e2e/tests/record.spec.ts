import { expect, expectAccessible, giant, test, toBench } from './workshop.js';

test('a plan is walked at the bench, proved, and kept as one honing in the record', async ({ page }) => {
  const run = await toBench(page, 'bench-12');
  const stone = await page.getByRole('heading', { level: 1 }).textContent();
  const planned = await giant(page);
  await expectAccessible(page);
  await page.locator('.figure-zone').click();
  await page.getByText('Push firmly').click();
  await page.keyboard.press('PageDown');
  await page.keyboard.press('Space');
  await page.keyboard.press('Enter');
  await expect(page.locator('.giant')).toHaveText(String(planned - 5));
  await page.getByRole('button', { name: 'One back' }).click();
  await expect(page.locator('.giant')).toHaveText(String(planned - 4));
  await page.getByRole('button', { name: 'Done' }).click();
  await expectAccessible(page);
  await page.getByRole('button', { name: /^In part/ }).click();
  await expect(page.getByText('press where it was missing')).toBeVisible();
  for (let i = 0; i < 3; i++) await page.keyboard.press('PageDown');
  await page.getByRole('button', { name: 'Done' }).click();
  await page.getByRole('button', { name: /^All along/ }).click();
  let stones = 1;
  while (!(await page.getByRole('heading', { name: 'Take off the burr' }).isVisible())) {
    stones += 1;
    for (let i = 0; i < 4; i++) await page.keyboard.press('Space');
    await page.getByRole('button', { name: 'Done' }).click();
    // Either the next stone with its own count, or off with the burr.
    await expect(page.getByRole('heading', { level: 1 })).not.toHaveText(stone ?? '');
  }
  await page.getByRole('button', { name: 'It is off' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/strop/i);
  await page.getByRole('button', { name: 'Done' }).click();
  await page.getByRole('button', { name: 'Bites' }).click();
  await page.getByRole('button', { name: 'Torn' }).click();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Finish' }).click();
  await expect(page.getByRole('heading', { name: 'Done, and in the record' })).toBeVisible();
  await expect(page.getByText('7 strokes on the')).toBeVisible();

  await expect.poll(async () => (await page.request.get(`/api/sessions/${run}`)).status()).toBe(200);
  const session = await (await page.request.get(`/api/sessions/${run}`)).json();
  expect(session).toMatchObject({
    toolId: 'bench-12',
    kind: 'honing',
    conditionBefore: { kind: 'very-dull' },
    setting: { guideId: 'side-clamp', seatName: 'Chisel jaws', angleDeg: 30 },
    outcome: {
      burr: 'all-along',
      proof: [
        { test: 'nail', passed: true },
        { test: 'cut', passed: false },
      ],
    },
  });
  expect(session.steps.map(({ strokes }: { strokes: number }) => strokes)).toEqual([
    7,
    ...Array.from({ length: stones - 1 }, () => 4),
  ]);
  await page.getByRole('link', { name: 'See its life' }).click();
  const newest = page.locator('ma-life-side li').first();
  await expect(newest).toContainText('bites the thumbnail, leaves torn fibre');
  await page.getByRole('button', { name: 'Undo: Hone “Bench chisel 12”' }).click();
  await expect(newest).not.toContainText('leaves torn fibre');
});

test('used it: one tap from the rack, put right in another, and the rack says what it asks for', async ({
  page,
}) => {
  await page.goto('/tools/bench-12/edge');
  if (await page.getByRole('button', { name: 'Rack', exact: true }).isVisible()) {
    await page.getByRole('button', { name: 'Rack', exact: true }).click();
  }
  const total = async (): Promise<number> =>
    (await (await page.request.get('/api/sessions?toolId=bench-12&pageSize=1')).json()).total;
  const before = await total();
  await page.getByRole('button', { name: 'Used it: Bench chisel 12' }).click();
  const panel = page.getByRole('region', { name: 'Used: Bench chisel 12' });
  await expect(panel).toContainText('In the record:');
  expect(await total()).toBe(before + 1);
  await expectAccessible(page);
  await panel.getByRole('button', { name: 'No', exact: true }).first().click();
  await panel.getByRole('button', { name: 'Keep this' }).click();
  await expect(panel).toBeHidden();
  const row = page
    .getByRole('navigation', { name: 'Rack' })
    .getByRole('listitem')
    .filter({ hasText: 'Bench chisel 12' });
  await expect(row).toContainText('It no longer cut after');
  expect(await total()).toBe(before + 1);

  await page.goto('/tools/bench-12/edge');
  const state = page.locator('ma-tool-state');
  await expect(state).toContainText('Hone');
  await page.getByRole('button', { name: 'Why this state' }).click();
  await page.getByRole('button', { name: 'Ready', exact: true }).click();
  await expect(state).toContainText('Your word of');
  await page.getByRole('button', { name: 'Undo: Change tool “Bench chisel 12”' }).click();
  await expect(state).toContainText('It no longer cut after');
});
