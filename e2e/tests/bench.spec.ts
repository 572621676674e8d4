import { readFile, writeFile } from 'node:fs/promises';
import { BOTH_SCREENS, DEMO, choose, expect, goTo, test, type } from './workshop.js';

test('the look is chosen by hand and kept on this screen', async ({ page }) => {
  await goTo(page, '/settings');
  await page.getByRole('button', { name: 'Dark', exact: true }).click();
  await page.reload();
  await expect(page.locator('html')).toHaveClass(/dark/);
});

test('an angle is dragged on the drawing, kept, and undone', BOTH_SCREENS, async ({ page }) => {
  await goTo(page, '/tools/bench-32/edge');
  const handle = page.getByRole('slider', { name: 'Secondary angle' });
  await expect(handle).toHaveAttribute('aria-valuenow', '30');
  const box = await handle.locator('.knob').boundingBox();
  if (!box) throw new Error('no handle');
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x - 4, y - 30, { steps: 6 });
  const field = page.getByRole('textbox', { name: 'Secondary angle' });
  const dragged = Number(await handle.getAttribute('aria-valuenow'));
  expect(dragged).toBeGreaterThan(31);
  await expect(field).toHaveValue(String(dragged));
  await page.mouse.up();
  await expect(page.getByRole('button', { name: 'Undo: Change tool “Bench chisel 32”' })).toBeEnabled();
  const stored = await (await page.request.get('/api/tools/bench-32')).json();
  expect(stored.edge.secondaryDeg).toBe(dragged);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(field).toHaveValue('30');
});

test('what cannot be is told beside its field and the record keeps what it had', async ({ page }) => {
  await goTo(page, '/tools/bench-19/edge');
  const secondary = page.getByRole('textbox', { name: 'Secondary angle' });
  await type(secondary, '24');
  await expect(page.getByText(/The secondary angle has to be steeper than the primary/)).toBeVisible();
  await expect(secondary).toHaveAttribute('aria-invalid', 'true');
  await type(page.getByLabel('Width'), '-3');
  await expect(page.getByText(/Width lies between 0.5 and 420 mm/)).toBeVisible();
  await type(page.getByLabel('Thickness'), 'thin');
  await expect(page.getByText(/“thin” is not/)).toBeVisible();
  expect((await (await page.request.get('/api/tools/bench-19')).json()).version).toBe(1);
  await page.reload();
  await expect(secondary).toHaveValue('30');

  await goTo(page, '/tools/bench-19/set-up');
  await type(page.getByLabel('What angle does a projection give?'), '0');
  await expect(page.getByText(/give a projection above 0 mm/)).toBeVisible();

  await goTo(page, '/tools/bench-19/plan');
  await page.getByRole('button', { name: 'Dull', exact: true }).click();
  await type(page.getByLabel('Finish at least'), '0.2');
  await expect(page.getByRole('alert')).toContainText('the finest is 1.2 µm');

  await goTo(page, '/stones/new');
  await page.getByLabel('Grade', { exact: true }).fill('1100');
  await expect(page.getByText(/JIS has no #1100; the nearest is #1000 or #1200/)).toBeVisible();
});

test('a guide of one’s own is measured, kept and used', async ({ page }) => {
  await goTo(page, '/guides/new');
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Side-clamping roller guide');
  await page.getByLabel('Name', { exact: true }).fill('Home-made guide');
  await type(page.getByLabel('Roller radius'), '10');
  await type(page.getByLabel('Nose ahead of the axle'), '12,5');
  await page.getByRole('button', { name: 'Remove seat Iron jaws' }).click();
  await expect(page.getByLabel('Name of the seat')).toHaveCount(1);
  await page.getByLabel('Name of the seat').fill('My bed');
  await choose(page, 'Holds the blade by', 'its underside');
  await type(page.getByLabel('Height above the axle'), '15');
  await type(page.getByLabel('Widest blade'), '1');
  await page.getByRole('button', { name: 'Put it on the bench' }).click();
  await expect(page.getByText('The widest blade is no narrower than the narrowest')).toBeVisible();
  await type(page.getByLabel('Widest blade'), '');
  await page.getByRole('button', { name: 'Put it on the bench' }).click();
  await expect(page.getByRole('row', { name: /^My bed for a blade 3 mm thick/ })).toBeVisible();

  await goTo(page, '/tools/bench-19/set-up');
  await choose(page, 'Guide', 'Home-made guide');
  // (r + (h + t)·cos 30°)/sin 30° − a, with the chisel 3.5 mm thick
  const projection = ((10 + 18.5 * Math.cos(Math.PI / 6)) / 0.5 - 12.5).toFixed(2);
  await expect(page.getByRole('list', { name: 'Settings' })).toContainText(projection);
});

test(
  'a stone laid aside on the rail changes the plan at once, and comes back',
  BOTH_SCREENS,
  async ({ page }) => {
    await goTo(page, '/tools/mortise-8/plan');
    const total = page.locator('.total .figure');
    const before = await total.textContent();
    const lit = page.locator('ma-rail button.lit .name').first();
    const name = (await lit.textContent())?.trim() ?? '';
    const plate = page.getByRole('button', { name: new RegExp(`^${name}, `) });
    await expect(plate).toContainText('strokes');
    await plate.click();
    await expect(total).not.toHaveText(before ?? '');
    await expect(plate).toContainText('laid aside');
    await expect(plate).toHaveAttribute('aria-pressed', 'false');
    await plate.click();
    await expect(total).toHaveText(before ?? '');
  },
);

test('a change made from an older page is refused, told, and nothing is overwritten', async ({
  page,
  context,
  allowed,
}) => {
  allowed.push(/409/);
  await goTo(page, '/tools/plank-50/edge');
  await expect(page.getByLabel('Width')).toHaveValue('50');
  const other = await context.newPage();
  await other.goto('/tools/plank-50/edge');
  await type(other.getByLabel('Width'), '49');
  await expect(other.getByRole('button', { name: /^Undo: Change tool/ })).toBeEnabled();
  await type(page.getByLabel('Thickness'), '2.5');
  await expect(page.getByText(/was changed elsewhere since you opened it/).first()).toBeVisible();
  await expect(page.getByLabel('Width')).toHaveValue('49');
  const { edge } = await (await page.request.get('/api/tools/plank-50')).json();
  expect([edge.widthMm, edge.thicknessMm]).toEqual([49, 2.4]);
});

test('a tool comes off the rack and back with one undo', async ({ page }) => {
  await goTo(page, '/tools/bench-6/edge');
  await page.getByRole('button', { name: 'Why this state' }).click();
  await page.getByRole('button', { name: 'Take off the rack' }).click();
  await expect(page.getByText(/Undo brings all of it back/)).toBeVisible();
  await goTo(page, '/tools/bench-6/edge');
  await expect(page.getByText('This tool is not on the rack')).toBeVisible();
  await page.getByRole('button', { name: /^Undo: Remove tool/ }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Bench chisel 6' })).toBeVisible();
});

test('the workshop is saved as a file, opened again, and a hostile file changes nothing', async ({
  page,
  allowed,
}, info) => {
  allowed.push(/400|422/);
  await goTo(page, '/settings');
  const saving = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Save the workshop as a file' }).click();
  const saved = await saving;
  expect(saved.suggestedFilename()).toBe('saltmarsh-boat-shed.workshop.json');
  const text = await readFile(await saved.path(), 'utf8');
  expect(JSON.parse(text).tools.length).toBe(JSON.parse(await readFile(DEMO, 'utf8')).tools.length);

  const hostile = info.outputPath('hostile.json');
  const workshop = JSON.parse(text);
  workshop.tools[3].edge.secondaryDeg = 1e308;
  workshop.tools[4].name = '<img src=x onerror=alert(1)>\u0000';
  await writeFile(hostile, JSON.stringify(workshop));
  const file = page.locator('input[type=file]');
  await file.setInputFiles(hostile);
  const alert = page.getByRole('alert').first();
  await expect(alert).toContainText('Not opened, and nothing was changed.');
  await expect(alert).toContainText('tools.3.edge.secondaryDeg');
  await file.setInputFiles({ name: 'list.txt', mimeType: 'text/plain', buffer: Buffer.from('milk, eggs') });
  await expect(alert).toContainText('The file is not JSON');
  expect((await (await page.request.get('/api/tools?pageSize=1')).json()).total).toBe(
    JSON.parse(text).tools.length,
  );

  await file.setInputFiles({
    name: 'shed.json',
    mimeType: 'application/json',
    buffer: Buffer.from(text.replace('Saltmarsh boat shed', 'Second shed')),
  });
  await expect(page.getByText('Second shed is open.').first()).toBeVisible();
  await page.getByRole('button', { name: /^Undo: Open the workshop/ }).click();
  await expect(page.getByText('Undone: Open the workshop').first()).toBeVisible();
  await goTo(page, '/settings');
  await expect(page.getByLabel('Name of the workshop')).toHaveValue('Saltmarsh boat shed');
});

test('lengths turn to inches everywhere and back, with either decimal mark', async ({ page }) => {
  await goTo(page, '/settings');
  await page.getByRole('button', { name: 'Inches' }).click();
  await page.getByRole('button', { name: '12,5' }).click();
  const kept = async (): Promise<unknown> => (await page.request.get('/api/settings')).json();
  await expect.poll(kept).toMatchObject({ units: 'inch', decimalMark: 'comma' });
  await goTo(page, '/tools/bench-19/set-up');
  await expect(page.getByRole('list', { name: 'Settings' })).toContainText('1,177');
  await goTo(page, '/tools/bench-19/edge');
  const width = page.getByLabel('Width');
  await expect(width).toHaveValue('0,74803');
  await type(width, '3/4');
  await expect(page.getByRole('button', { name: /^Undo: Change tool/ })).toBeEnabled();
  expect((await (await page.request.get('/api/tools/bench-19')).json()).edge.widthMm).toBeCloseTo(19.05, 9);
});
