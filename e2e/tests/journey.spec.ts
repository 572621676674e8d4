import { BOTH_SCREENS, choose, expect, expectAccessible, tabTo, test, type } from './workshop.js';

test.use({ demo: false });

/** A side-clamping guide's projection, straight from the tangency, not from the product's code. */
function projection(angleDeg: number, { r = 9, a = 16.25, h = 16.25 } = {}): string {
  const angle = (angleDeg * Math.PI) / 180;
  return ((r + h * Math.cos(angle)) / Math.sin(angle) - a).toFixed(2);
}

test('from an empty bench to a plan, with figures of one’s own', BOTH_SCREENS, async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Three things, and there is a plan' })).toBeVisible();
  await expectAccessible(page);

  await page.getByRole('link', { name: 'Add a tool' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Paring chisel by the window');
  await choose(page, 'Family', 'Paring chisel');
  await choose(page, 'Steel', 'Air-hardening (A2)');
  await type(page.getByLabel('Width'), '1 1/4 in');
  await type(page.getByLabel('Thickness'), '3,2');
  await type(page.getByRole('textbox', { name: 'Primary angle' }), '23');
  await type(page.getByRole('textbox', { name: 'Secondary angle' }), '27.5');
  await expect(page.getByRole('slider', { name: 'Secondary angle' })).toHaveAttribute(
    'aria-valuetext',
    '27.5°',
  );
  await page.getByRole('button', { name: 'Put it on the rack' }).click();
  await expect(page.getByText('Paring chisel by the window is on the rack.').first()).toBeVisible();

  await page.getByRole('button', { name: 'Take the usual side-clamping guide' }).click();
  const grade = page.getByLabel('Grade', { exact: true });
  await grade.fill('1000');
  await expect(page.getByText('11.5 µm', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Put it on the rail' }).click();
  await expect(page.getByText('On the rail: Water stone 1000.')).toBeVisible();
  await choose(page, 'Graded in', 'Microns (µm)');
  await page.getByLabel('Grain size').fill('1,2');
  await page.getByRole('button', { name: 'Put it on the rail' }).click();

  // Two stones and the bench opens, with the plan; the third comes from the Stones room.
  await expect(page.getByRole('heading', { level: 1, name: 'Paring chisel by the window' })).toBeVisible();
  await expect(page.getByRole('region', { name: 'The plan' })).toContainText('strokes');
  await page.getByRole('link', { name: 'Stones', exact: true }).click();
  await page.getByRole('link', { name: 'Add an abrasive' }).click();
  await choose(page, 'Kind', 'Film or paper on a flat plate');
  await choose(page, 'Graded in', 'P grade (FEPA P)');
  await page.getByLabel('Grade', { exact: true }).fill('P400');
  await page.getByRole('button', { name: 'Put it on the rail' }).click();
  await expect(page.getByRole('cell', { name: '35 µm' })).toBeVisible();

  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  await page.getByRole('link', { name: 'Set-up' }).click();
  const settings = page.getByRole('list', { name: 'Settings' });
  await expect(settings).toContainText(projection(23));
  await expect(settings).toContainText(projection(27.5));
  await expect(settings).toContainText(/1 mm too far out makes it 27\.00° \(−0\.50°\)/);
  await type(page.getByLabel('What angle does a projection give?'), '40');
  await expect(page.getByRole('status')).toHaveText(/gives 24\.96°/);

  await page.getByRole('link', { name: 'Plan' }).click();
  const plan = page.getByRole('region', { name: 'The plan' });
  await page.getByRole('button', { name: 'Very dull' }).click();
  await type(page.getByLabel('Land now'), '0.6');
  await type(page.getByLabel('Finish at least'), '1.2');
  await expect(plan.getByRole('listitem').filter({ hasText: 'strokes' }).last()).toContainText(
    'Water stone 1,2 µm',
  );
  const order = page.getByRole('region', { name: 'The whole order' });
  await expect(order).toContainText('Takes the worn edge off');
  await expect(order).toContainText('P400');
  const dull = await plan.locator('.total .figure').textContent();
  await page.getByRole('button', { name: 'Nicked' }).click();
  await type(page.getByLabel('Depth of the nick'), '0,4 mm');
  await expect(plan.locator('.total .figure')).not.toHaveText(dull ?? '');
  await page.getByRole('button', { name: 'Keep this plan' }).click();
  const kept = page.getByRole('region', { name: 'Plans kept for this tool' });
  await expect(kept).toContainText('Nicked, to 1.2 µm');

  await page.reload();
  await expect(kept).toContainText('Nicked, to 1.2 µm');
  await page.getByRole('button', { name: /^Undo: Add plan/ }).click();
  await expect(kept).toBeHidden();
  await page.getByRole('button', { name: /^Redo: Add plan/ }).click();
  await expect(kept).toContainText('Nicked, to 1.2 µm');
});

test('the same way with the keyboard only', async ({ page }) => {
  const { keyboard } = page;
  const reach = (name: RegExp): Promise<void> => tabTo(page, name);
  await page.goto('/');
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await reach(/Add a tool/);
  await keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'A tool for the rack' })).toBeVisible();
  await reach(/^Name/);
  await keyboard.type('Jack iron');
  await reach(/Primary angle/);
  await keyboard.press('ControlOrMeta+A');
  await keyboard.type('26');
  await reach(/Primary angle/);
  await keyboard.press('ArrowUp');
  await expect(page.getByRole('textbox', { name: 'Primary angle' })).toHaveValue('26.5');
  await page.getByRole('textbox', { name: 'Secondary angle' }).focus();
  await keyboard.press('Enter');
  await expect(page.getByText('Jack iron is on the rack.').first()).toBeVisible();
  await reach(/Take the usual side-clamping guide/);
  await keyboard.press('Enter');
  for (const grade of ['800', '8000']) {
    await reach(/^Grade/);
    await keyboard.type(grade);
    await keyboard.press('Enter');
    await expect(page.getByText(`Water stone ${grade} is on the rail.`).first()).toBeVisible();
  }
  await expect(page.getByRole('heading', { level: 1, name: 'Jack iron' })).toBeVisible();
  await reach(/^Plan$/);
  await keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'The plan' })).toContainText('strokes');
});
