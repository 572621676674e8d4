import { expect, expectAccessible, giant, goOn, goTo, isAt, test, toBench } from './workshop.js';

test('a plan is walked at the bench, proved, and kept as one honing in the record', async ({ page }) => {
  const run = await toBench(page, 'bench-12');
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
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await expectAccessible(page);
  // Missing at the left end and half left: three strokes each are put in there, and the burr is felt for again.
  const place = (name: string): Promise<void> => page.getByRole('button', { name: `${name}: felt` }).click();
  await place('left end');
  await page.getByRole('button', { name: 'left end: strong' }).click();
  await place('half left');
  await page.getByRole('button', { name: 'half left: strong' }).click();
  await page.getByRole('button', { name: 'As drawn' }).click();
  await expect(page.getByText('press where it was missing. (left end, half left)')).toBeVisible();
  await expect(
    page.getByRole('img', { name: /^Strokes by place: left 3, half left 3, middle 0/ }),
  ).toBeVisible();
  await expect(page.locator('.giant')).toHaveText('6');
  await expectAccessible(page);
  for (let i = 0; i < 6; i++) await page.keyboard.press('PageDown');
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await page.getByRole('button', { name: 'All along' }).click();
  await goOn(page, isAt(page, 'Are the marks gone?'));
  await expectAccessible(page);
  await page.getByRole('button', { name: 'They still show' }).click();
  await expect(page.getByText(/still show: more here/)).toBeVisible();
  await goOn(page, isAt(page, 'Take off the burr'));
  await page.getByRole('button', { name: 'It is off' }).click();
  // It shakes at the tip: strokes come in there, the burr is taken off again, and it is drawn along the nail anew.
  await page.getByRole('button', { name: 'tip' }).click();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'It shakes there' }).click();
  await expect(page.getByText(/It shook there: a burr is left.*\(right end\)/)).toBeVisible();
  await expect(page.locator('.giant')).toHaveText('3');
  for (let i = 0; i < 3; i++) await page.keyboard.press('PageDown');
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await page.getByRole('button', { name: 'It is off' }).click();
  await page.getByRole('button', { name: 'Smooth all along' }).click();
  await page.getByRole('button', { name: 'Bites' }).click();
  await page.getByRole('button', { name: 'Shakes' }).click();
  // What falls short is led back to the likeliest step, with why.
  await expect(page.getByText(/What shakes along the nail is a burr/)).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Back: take off the burr' }).click();
  await expect(page.getByText(/Led back here by the proof/)).toBeVisible();
  await page.getByRole('button', { name: 'It is off' }).click();
  await page.getByRole('button', { name: 'Smooth all along' }).click();
  await page.getByRole('button', { name: 'Simulated tester' }).click();
  await expect(page.getByText(/^1\.\d+ N: /)).toBeVisible();
  await page.getByRole('button', { name: 'Clean' }).click();
  await page.getByRole('button', { name: 'Proved' }).click();
  await goOn(
    page,
    async () => (await page.getByRole('heading', { name: 'Done, and in the record' }).count()) > 0,
  );

  await expect.poll(async () => (await page.request.get(`/api/sessions/${run}`)).status()).toBe(200);
  const session = await (await page.request.get(`/api/sessions/${run}`)).json();
  expect(session).toMatchObject({
    toolId: 'bench-12',
    kind: 'honing',
    conditionBefore: { kind: 'very-dull' },
    setting: { guideId: 'side-clamp', seatName: 'Chisel jaws', angleDeg: 30 },
    outcome: { burr: 'all-along' },
  });
  expect(session.outcome.proof).toContainEqual({ test: 'cut', passed: true });
  expect(
    session.outcome.proof.find(({ test }: { test: string }) => test === 'force').newtons,
  ).toBeGreaterThan(1);
  expect(session.steps[0].strokes).toBe(4);
  expect(session.steps.find(({ places }: { places?: number[] }) => places)).toMatchObject({
    strokes: 6,
    places: [3, 3, 0, 0, 0],
  });
  await page.getByRole('link', { name: 'See its life' }).click();
  const newest = page.locator('ma-life-side li').first();
  await expect(newest).toContainText('cuts clean');
  await page.getByRole('button', { name: 'Undo: Hone “Bench chisel 12”' }).click();
  await expect(newest).not.toContainText('parts the thread');
});

test('used it: one tap from the rack, put right in another, and the rack says what it asks for', async ({
  page,
}) => {
  await goTo(page, '/tools/bench-12/edge');
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
  await expect(row).toContainText('blunt at');
  expect(await total()).toBe(before + 1);

  await goTo(page, '/tools/bench-12/edge');
  const state = page.locator('ma-tool-state');
  await expect(state).toContainText('Hone');
  await page.getByRole('button', { name: 'Why this state' }).click();
  await page.getByRole('button', { name: 'Ready', exact: true }).click();
  await expect(state).toContainText('by your word');
  await page.getByRole('button', { name: 'Undo: Change tool “Bench chisel 12”' }).click();
  await expect(state).toContainText('blunt at');
});

test('the rack asks for the stone before the edge gives out, says why with its doubt, and goes by what a dull edge costs', async ({
  page,
}) => {
  const asked = page.locator('ma-rack li', { hasText: 'blunt next' });
  await goTo(page, '/tools/spar-44/life');
  await expect(asked.filter({ hasText: 'Spar plane iron' })).toContainText('Hone');
  const before = await asked.count();
  await page.getByRole('button', { name: 'Why this state' }).click();
  const why = page.getByRole('dialog', { name: 'Why this state' });
  await expect(why).toContainText(/more would find it blunt \d+ % of the time/);
  await expect(why.locator('ma-survival-drawing svg')).toHaveAttribute(
    'aria-label',
    /half of them after \d+ m/,
  );
  await expectAccessible(page);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('heading', { name: 'How long an edge lasts' })).toBeVisible();
  await expect(page.locator('ma-edge-life-panel')).toContainText(/By wood.*spruce/);

  await goTo(page, '/settings');
  const sent = page.waitForResponse((answer) => answer.request().method() === 'PUT');
  await page.getByRole('button', { name: 'Ten times' }).click();
  expect((await sent).status()).toBe(200);
  await goTo(page, '/tools/spar-44/life');
  await expect.poll(() => asked.count()).toBeGreaterThan(before);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(asked).toHaveCount(before);
});
