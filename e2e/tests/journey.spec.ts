import { boxFaultsAtEverySize } from './boxes.js';
import { choose, expect, expectAccessible, goTo, tabTo, test, type } from './workshop.js';

test.use({ demo: false });

/** A side-clamping guide's projection, straight from the tangency, not from the product's code. */
function projection(angleDeg: number, { r = 9, a = 16.25, h = 16.25 } = {}): string {
  const angle = (angleDeg * Math.PI) / 180;
  return ((r + h * Math.cos(angle)) / Math.sin(angle) - a).toFixed(2);
}

/** What three people begin with, each an answer of theirs: a tap, or a figure typed. */
const BEGINNINGS = [
  {
    who: 'a plane iron in a guide',
    answers: ['Bench-plane iron', 'In a roller guide', 'Diamond plate', 'Slick, like slate'],
    plan: 'Diamond plate, fine',
    heldBy: 'Side-clamping roller guide',
  },
  {
    who: 'a chisel by hand',
    answers: ['Mortise chisel', 'By hand', 'Man-made oil stone'],
    plan: 'Man-made oil stone, middle',
    heldBy: 'By hand',
  },
  {
    who: 'a carver with one knife, one stone and a strop',
    answers: ['Whittling knife', 'Natural stone', 'Slick, like slate', 'Add a strop'],
    plan: 'Strop',
    heldBy: 'By hand',
  },
] as const;

test('three people begin, each within twelve answers, and one undo takes a beginning back', async ({
  page,
}) => {
  await goTo(page, '/');
  await expect(page.getByRole('heading', { name: 'What is dull?' })).toBeVisible();
  await expectAccessible(page);
  expect(await boxFaultsAtEverySize(page)).toEqual([]);
  for (const { who, answers, plan, heldBy } of BEGINNINGS) {
    for (const words of answers) await page.getByRole('button', { name: words }).first().click();
    await expect(page.getByRole('region', { name: 'The plan' }), who).toContainText(plan);
    await page.getByRole('button', { name: 'Begin with these' }).click();
    expect(answers.length + 1, who).toBeLessThanOrEqual(12);
    const answered = page.getByRole('region', { name: 'The plan' });
    await expect(answered.getByRole('button', { name: 'Take it to the bench' }), who).toBeVisible();
    await expect(answered, who).toContainText(plan);
    await page.getByRole('link', { name: 'Set-up' }).click();
    await expect(page.locator('#vise'), who).toContainText(heldBy);
    await page.getByRole('button', { name: 'Undo: Begin the workshop' }).click();
    await expect(page.getByRole('button', { name: 'Redo: Begin the workshop' })).toBeEnabled();
    await goTo(page, '/');
    await expect(page.getByRole('heading', { name: 'What is dull?' }), who).toBeVisible();
  }
});

test('from an empty bench to a plan, with figures of one’s own', async ({ page }) => {
  await goTo(page, '/');
  await page.getByLabel('Number on it').fill('1000');
  await page.getByRole('button', { name: 'Begin with these' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Bench chisel' })).toBeVisible();
  await expect(page.getByRole('region', { name: 'The plan' })).toContainText('Water stone 1000');
  if (await page.getByRole('button', { name: 'Rack', exact: true }).isVisible())
    await page.getByRole('button', { name: 'Rack', exact: true }).click();
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
  await expect(page.getByRole('heading', { level: 1, name: 'Paring chisel by the window' })).toBeVisible();
  const tool = new URL(page.url()).pathname;

  for (const [kind, graded, field, grade] of [
    ['Water stone', 'Microns (µm)', 'Grain size', '1,2'],
    ['Film or paper on a flat plate', 'P grade (FEPA P)', 'Grade', 'P400'],
  ] as const) {
    await page.getByRole('link', { name: 'Stones', exact: true }).click();
    await page.getByRole('link', { name: 'Add a stone' }).click();
    await choose(page, 'Kind', kind);
    await choose(page, 'Graded in', graded);
    await page.getByLabel(field, { exact: true }).fill(grade);
    await page.getByRole('button', { name: 'Put it on the rail' }).click();
    await expect(page.getByRole('cell', { name: field === 'Grade' ? '35 µm' : '1.2 µm' })).toBeVisible();
  }

  await goTo(page, tool);
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
  await goTo(page, '/');
  await expect(page.getByRole('heading', { level: 1, name: 'What is dull?' })).toBeVisible();
  for (const name of [/Bench-plane iron/, /In a roller guide/, /Man-made oil stone/]) {
    await reach(name);
    await keyboard.press('Enter');
  }
  await reach(/Grain on it/);
  await keyboard.type('20');
  await reach(/Begin with these/);
  await keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1, name: 'Bench-plane iron' })).toBeVisible();
  await expect(page.getByRole('region', { name: 'The plan' })).toContainText('Man-made oil stone 20');
  await reach(/^Edge$/);
  await keyboard.press('Enter');
  await reach(/Primary angle/);
  await keyboard.press('ArrowUp');
  await expect(page.getByRole('textbox', { name: 'Primary angle' })).toHaveValue('25.5');
});
