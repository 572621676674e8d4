import { readFile, writeFile } from 'node:fs/promises';
import { choose, expect, expectAccessible, goTo, test, type, walkedThoroughly } from './workshop.js';

test('care comes due, stands in the plan, is done in one tap, and can be taken back', async ({ page }) => {
  await goTo(page, '/stones');
  const due = page.locator('ma-due-list');
  await due.getByText(/want seeing to · /).click();
  await expect(due.getByText(/hollow across by \d+ straightedge readings/)).toBeVisible();
  await expect(page.getByRole('link', { name: /^\d wants? seeing to/ })).toBeVisible();
  await expectAccessible(page);

  await goTo(page, '/tools/bench-19/plan');
  await choose(page, 'The stones this tool is sharpened on', 'Sharpening bench');
  await page.getByRole('button', { name: 'Dull', exact: true }).click();
  await choose(page, 'By which school', 'Double each step');
  const total = page.locator('.total .figure');
  const before = await total.textContent();
  await expect(page.getByText('First, Water stone 1000: flatten it')).toBeVisible();
  await expect(
    page.getByText(/Yours cuts 1\.[45] times as fast as assumed, from \d+ readings/),
  ).toBeVisible();
  await walkedThoroughly(page);
  await expect(page.getByText('Wash', { exact: true }).first()).toBeVisible();
  await expect(page.getByText('Feel for the burr')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'It is done: First, Water stone 1000: flatten it' }).click();
  await expect(page.getByText('First, Water stone 1000: flatten it')).toHaveCount(0);
  await expect(total).not.toHaveText(before ?? '');
  await expect(page.getByRole('button', { name: /^Water stone 1000/ })).not.toContainText('dished');
  await page.getByRole('button', { name: 'Undo: Add care of a stone' }).click();
  await expect(page.getByText('First, Water stone 1000: flatten it')).toBeVisible();
  await goTo(page, '/stones');
  await due.getByText(/want seeing to · /).click();
  await page.getByRole('button', { name: 'Flatten it, done: Water stone 1000' }).click();
  await expect(due.getByText('Water stone 1000')).toHaveCount(0);
});

test('a stone’s page: straightedge, readings forgotten and brought back, its place by hand', async ({
  page,
}) => {
  const { care, rate } = await (await page.request.get('/api/stones/w1000')).json();
  const readings = new RegExp(`as fast as assumed, from ${rate.readings} readings`);
  await goTo(page, '/stones/w1000');
  await expect(page.getByText(/≈ P1500/)).toBeVisible();
  await expect(page.getByText(readings)).toBeVisible();
  await type(page.getByLabel('Hollow under a straightedge'), '0.02');
  await page.getByRole('button', { name: 'Note what it shows' }).click();
  await expect(
    page.getByText(`About 20 µm hollow across by ${care.readings + 1} straightedge readings`),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Forget these readings' }).click();
  await expect(page.getByText(/No reading yet/)).toBeVisible();
  await page.getByRole('button', { name: /^Undo: Change stone/ }).click();
  await expect(page.getByText(readings)).toBeVisible();
  await choose(page, 'Wetted with', 'Oil');
  await page.getByRole('button', { name: 'Keep the change' }).click();
  await expect(page.getByText(/Oil ruins a water stone for good/)).toBeVisible();
  await expectAccessible(page);

  await goTo(page, '/stones');
  await page.getByRole('button', { name: 'Finer: Water stone 1000' }).click();
  await expect(page.getByText('stands there by hand')).toBeVisible();
  const { between } = await (await page.request.get('/api/abrasives/w1000')).json();
  expect(between).toEqual({ coarserId: 'd1200', finerId: 'ceramic' });
  await expect(page.getByRole('row', { name: /Water stone 1000/ })).toContainText('by hand');
});

test('what is wrong becomes millimetres and steel; schools, one more stone, regrinding', async ({ page }) => {
  await goTo(page, '/tools/bench-32/plan');
  await choose(page, 'The stones this tool is sharpened on', 'Sharpening bench');
  const needs = page.getByRole('region', { name: 'What it needs' });
  await page.getByRole('button', { name: 'Fading', exact: true }).click();
  await expect(needs).toContainText('Strop only');
  await expect(page.getByRole('region', { name: 'The plan' })).toContainText('the strop only aligns');
  await page.getByRole('button', { name: 'Hone it on the stones' }).click();
  await expect(page.locator('.hone').first()).toBeVisible();

  await page.getByRole('button', { name: 'Dull', exact: true }).click();
  await page.getByText('Anything else wrong with it?').click();
  await page.getByRole('button', { name: 'Out of square' }).click();
  await type(page.getByLabel('One corner ahead by'), '0.1');
  await expect(needs).toContainText('Hone');
  await page.getByRole('button', { name: 'Overheated' }).click();
  await type(page.getByLabel('Colours reach back'), '0.4');
  await expect(needs).toContainText('Grind, then hone');
  await page.getByText(/the arithmetic/).click();
  // 4 µm round on 30°: 4·cot 15°; then 0.4 mm of lost temper and 0.1 mm out of square on it.
  await expect(needs).toContainText('Together the edge goes back 515 µm');
  await type(page.getByLabel('Colours reach back'), '40');
  await expect(page.getByText(/How far it reaches lies between 0.01 and 30 mm/).first()).toBeVisible();
  await type(page.getByLabel('Colours reach back'), '0.4');
  await expect(page.getByText('First the wheel: Dry wheel, open grain')).toBeVisible();
  await page.getByRole('button', { name: 'Hone it on the stones' }).click();
  await expect(page.getByText('First the wheel')).toHaveCount(0);
  await page.getByRole('button', { name: 'Grind it first', exact: true }).click();
  await expect(page.getByText('First the wheel')).toBeVisible();
  await page.getByRole('button', { name: 'Overheated' }).click();

  await page.getByText('The same by other schools').click();
  const table = page.getByRole('table', { name: 'The same job by every school' });
  await expect(table.getByRole('row')).toHaveCount(4);
  await table.getByRole('button', { name: 'Use it: Double each step' }).click();
  await expect(table.getByRole('row', { name: /Double each step/ })).toContainText('in use');
  await page.getByText('Would one more stone pay?').click();
  await expect(page.getByText(/would save this job|does it as quickly/).first()).toBeVisible();
  await page.getByText('Regrind now or later?').click();
  await expect(page.getByText(/Least work: \d+ honings to a regrinding/).first()).toBeVisible();
  await expectAccessible(page);
  await choose(page, 'By which school', 'This exact order');
  await expect(page.locator('.hone').first()).toBeVisible();
});

test('a set goes out and in as a table, a wrong row is named, and history outlives a stone', async ({
  page,
  allowed,
}, info) => {
  allowed.push(/422/);
  await goTo(page, '/stones');
  await page.getByRole('button', { name: 'Boat trolley' }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Boat trolley as CSV' }).click(),
  ]);
  const csv = await readFile(await download.path(), 'utf8');
  expect(csv).toContain('Diamond plate 600');
  const wrong = info.outputPath('wrong.csv');
  await writeFile(wrong, csv.replace(',UM,25,', ',JIS,1001,'));
  const input = page.locator('ma-set-files input[type=file]');
  await input.setInputFiles(wrong);
  await expect(page.getByText(/Nothing was taken in/)).toBeVisible();
  await expect(page.getByText(/^Row \d+ \(.+\), grade\.grade: .*nearest/).first()).toBeVisible();
  const right = info.outputPath('right.csv');
  await writeFile(right, csv.replace(/^d600,/m, 'd600b,'));
  await page.getByLabel('Into the set').fill('Van');
  await input.setInputFiles(right);
  await expect(page.getByText(/Taken in: 1 added/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Van', exact: true })).toBeVisible();

  const steel = async (): Promise<number> =>
    (await (await page.request.get('/api/records/plank-50')).json()).record.state.steelMm3;
  const before = await steel();
  await goTo(page, '/stones/w1000');
  await page.getByRole('button', { name: 'Take off the bench' }).click();
  await expect(page).toHaveURL(/\/stones$/);
  expect(await steel()).toBe(before);
  await goTo(page, '/tools/plank-50/life');
  await expect(page.getByText('Water stone 1000 (off the bench)').first()).toBeAttached();
});
