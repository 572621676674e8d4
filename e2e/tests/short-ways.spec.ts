import { expect, expectAccessible, goTo, test } from './workshop.js';

test('a few letters go to a tool, a stone or a room; the keys are on a sheet and can be switched off', async ({
  page,
}) => {
  const { keyboard } = page;
  await goTo(page, '/tools/bench-19/plan');
  await expect(page.getByRole('region', { name: 'The plan' })).toBeVisible();
  await keyboard.press('/');
  const field = page.getByRole('combobox', { name: 'A tool, a stone, a guide or a room' });
  await expect(field).toBeFocused();
  await expectAccessible(page, { besides: ['.vise'] });
  await keyboard.type('smooth');
  await keyboard.press('Enter');
  // On the side one was looking from.
  await expect(page).toHaveURL(/\/tools\/smooth-50\/plan$/);
  await page.getByRole('button', { name: 'Go to a tool, a stone or a room' }).click();
  await field.fill('water 8');
  await expect(page.getByRole('option')).toHaveText([/Water stone 8000/]);
  await field.press('Enter');
  await expect(page).toHaveURL(/\/stones\//);
  await page.goBack();
  await expect(page.getByRole('region', { name: 'The plan' })).toBeVisible();
  await keyboard.press('1');
  await expect(page).toHaveURL(/\/edge$/);

  await keyboard.press('?');
  const sheet = page.getByRole('dialog', { name: 'Keys' });
  await expect(sheet).toContainText('foot pedal');
  await expectAccessible(page, { besides: ['.vise'] });
  await sheet.getByRole('checkbox').uncheck();
  await keyboard.press('Escape');
  await expect(sheet).toBeHidden();
  await keyboard.press('4');
  await keyboard.press('/');
  await expect(page).toHaveURL(/\/edge$/);
  await expect(field).toBeHidden();
});

test('who comes back is told what changed since, and an undo by key', async ({ page }) => {
  await goTo(page, '/tools/bench-19/edge');
  await page
    .getByRole('button', { name: /^Used it: / })
    .first()
    .click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.keyboard.press('Escape');
  // Left a week ago, when every tool was ready.
  const tools = await page
    .locator('ma-rack a.tool')
    .evaluateAll((links) => links.map((link) => (link.getAttribute('href') ?? '').split('/')[2] ?? ''));
  await page.addInitScript((ids) => {
    const at = new Date(Date.now() - 7 * 86_400_000).toISOString();
    const states = Object.fromEntries(ids.map((id) => [id, 'ready']));
    localStorage.setItem('mellow-anvil.last-look', JSON.stringify({ at, states }));
  }, tools);
  await page.reload();
  const since = page.locator('ma-since');
  await expect(since).toContainText(/Since \d+ \w+: \d+ tools want more, 1 change/);
  await since.locator('summary').click();
  await expect(since).toContainText('Add entry');
  await page.keyboard.press('Control+z');
  await expect(since).not.toContainText('Add entry');
  await since.getByRole('button', { name: 'Seen' }).click();
  await expect(since.locator('details')).toBeHidden();
});
