import {
  atEnd,
  choose,
  expect,
  expectAccessible,
  giant,
  goOn,
  goTo,
  isAt,
  sessionOf,
  test,
  toBench,
  walkedThoroughly,
} from './workshop.js';

const PHONE = { width: 390, height: 844 };

test('a chisel’s whole run, with the server killed and the page loaded anew on the way', async ({
  page,
  served,
  allowed,
}) => {
  test.slow();
  allowed.push(/ERR_CONNECTION_REFUSED|Failed to load resource/);
  await goTo(page, '/tools/bench-19/plan');
  await page.getByRole('button', { name: 'Very dull', exact: true }).click();
  // Honed so often, it is offered briskly; the choice is one tap, and stays with the tool.
  await expect(page.getByRole('button', { name: 'Brisk', pressed: true })).toBeVisible();
  await walkedThoroughly(page);
  // On paper, on one screen and step by step it is one list.
  await page.getByRole('link', { name: 'As a card' }).click();
  await expect(page.getByRole('button', { name: 'Print' })).toBeVisible();
  await expect(page.getByRole('listitem').first()).toBeVisible();
  await expectAccessible(page);
  const onCard = await page.locator('ma-card li > span:last-of-type').allTextContents();
  await page.getByRole('link', { name: 'To the plan' }).click();
  await page.getByRole('button', { name: 'Take it to the bench' }).click();
  await page.getByRole('button', { name: 'As a list' }).click();
  await expect(page.getByRole('button', { name: 'Step by step' })).toHaveCount(2);
  await expectAccessible(page);
  expect(await page.locator('ma-run-list .name').allTextContents()).toEqual(onCard);
  await page.getByRole('button', { name: 'Step by step' }).first().click();
  const before = await goOn(page, isAt(page, 'Set the guide'));
  expect(before[0]).toBe('Ready the bench');
  expect(before).toContain('Look at it');
  const run = page.url().split('/').at(-1) ?? '';
  await page.getByRole('button', { name: 'It is set' }).click();
  // Colour left on one side: the guide is set again, then the marker is looked at again.
  await page.getByRole('button', { name: 'left side' }).click();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Colour is left there' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Set the guide');
  await expect(page.getByText(/not square. Clamp it against a stop/)).toBeVisible();
  await page.getByRole('button', { name: 'It is set' }).click();
  await page.getByRole('button', { name: 'No colour left' }).click();

  const left = await giant(page);
  await page.keyboard.press('PageDown');
  await page.getByRole('button', { name: 'Ten more made' }).click();
  await page.getByRole('button', { name: 'Ten back' }).click();
  await expect(page.locator('.giant')).toHaveText(String(left - 1));
  await expect(page.getByText('Kept', { exact: true })).toBeVisible();
  await served.kill();
  for (let i = 0; i < 3; i++) await page.keyboard.press('PageDown');
  await expect(page.getByText('3 entries safe on this device')).toBeVisible();
  await served.restart();
  await page.reload();
  await expect(page.locator('.giant')).toHaveText(String(left - 4));

  await page.getByRole('button', { name: 'Other steps: leave out, once more, put in' }).click();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Wash', exact: true }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Wash');
  await page.getByRole('button', { name: 'Other steps: leave out, once more, put in' }).click();
  await page.getByRole('button', { name: 'Not needed here' }).click();
  await expect(page.locator('.giant')).toHaveText(String(left - 4));
  await goOn(page, atEnd(page));
  const session = await sessionOf(page, run);
  expect(session.kind).toBe('honing');
  expect(session.notes).toBe('Left out: a wash (not needed).');
  expect(session.outcome).toMatchObject({ burr: 'all-along', word: 'sharp' });
});

test('a cambered iron is worked by place, each place in its turn, to the finish', async ({
  page,
  served,
  allowed,
}) => {
  test.slow();
  allowed.push(/ERR_CONNECTION_REFUSED|Failed to load resource/);
  await goTo(page, '/tools/plank-50/camber');
  await choose(page, 'What it is for', 'Smoothing');
  await page.getByRole('button', { name: 'Make it' }).click();
  await expect(page.getByText(/Wanted 71 µm of light/)).toBeVisible();
  // From its eased corners of 80 µm to an arc: read it first, or there is nothing to make.
  await page.getByRole('button', { name: 'Read it back' }).click();
  await page.getByRole('button', { name: 'With a caliper' }).click();
  await page.getByLabel('Heights, a line each; or place and height').fill('42\n42\n42\n42\n42');
  await expect(page.getByText(/cannot be told from straight/)).toBeVisible();
  await page.getByRole('button', { name: 'Into the record' }).click();
  await expect(page.getByText(/it is in the record/).first()).toBeVisible();

  const run = await toBench(page, 'plank-50');
  await goOn(page, async () => page.locator('ma-finger-drawing').isVisible());
  await expect(page.getByRole('img', { name: /^Strokes by place: left [1-9]/ })).toBeVisible();
  await expect(page.getByText(/^left: \d+ more$/)).toBeVisible();
  const places = await page.getByRole('img', { name: /^Strokes by place/ }).getAttribute('aria-label');
  const outer = Number(/left (\d+)/.exec(places ?? '')?.[1]);
  await served.kill();
  for (let i = 0; i < outer; i++) await page.keyboard.press('PageDown');
  await expect(page.getByText(/^(half left|middle|half right|right): \d+ more$/)).toBeVisible();
  await served.restart();
  await page.reload();
  await expect(page.getByText(/^(half left|middle|half right|right): \d+ more$/)).toBeVisible();
  const rest = await giant(page);
  for (let i = 0; i < rest; i++) await page.keyboard.press('PageDown');
  await expect(page.getByText(/that is all of/)).toBeVisible();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  const passed = await goOn(page, atEnd(page));
  expect(passed.join()).toMatch(/Refit it.*Put away/);
  const session = await sessionOf(page, run);
  const curve = session.steps.find(({ places: each }: { places?: number[] }) => each);
  expect(curve.places[0]).toBe(outer);
  expect(curve.places[0]).toBe(curve.places[4]);
  const { record } = await (await page.request.get('/api/records/plank-50')).json();
  expect(record.state.camber).toMatchObject({ from: 'made' });
  expect(record.state.camber.camberMm).toBeGreaterThan(0.04);
});

test('a scraping edge keeps its burr: the gate asks whether it is up, and nothing takes it off', async ({
  page,
  served,
  allowed,
}) => {
  test.slow();
  allowed.push(/ERR_CONNECTION_REFUSED|Failed to load resource/);
  await toBench(page, 'scrape-reed');
  await expect(page.getByText(/^reverse side, left: \d+ more$/)).toBeVisible();
  await served.kill();
  await page.keyboard.press('PageDown');
  await served.restart();
  await page.reload();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  // Raised on the reverse first, then turned over by the side that scrapes.
  await expect(page.getByRole('heading', { name: 'Feel for the burr: scraping side, right' })).toBeVisible();
  await page.getByRole('button', { name: 'All along' }).click();
  await expect(page.getByText(/^scraping side, right: \d+ more$/)).toBeVisible();
  await page.keyboard.press('PageDown');
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Is the burr up?' })).toBeVisible();
  await expect(page.getByText(/Here it is wanted/)).toBeVisible();
  await page.getByRole('button', { name: 'None' }).click();
  await expect(page.getByText(/No burr yet/)).toBeVisible();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  const passed = await goOn(page, atEnd(page));
  expect(passed.join()).not.toContain('Take off the burr');
});

test('a knife by hand: lift, one side until its burr stands, then the other, then by turns', async ({
  page,
}) => {
  test.slow();
  await page.setViewportSize(PHONE);
  await goTo(page, '/tools/whittle/plan');
  await page.getByRole('button', { name: 'Very dull', exact: true }).click();
  await walkedThoroughly(page);
  await page.getByRole('button', { name: 'Take it to the bench' }).click();
  await goOn(page, isAt(page, 'Find the bevel'));
  await expect(page.getByText(/under the spine, for 12° a side/)).toBeVisible();
  await goOn(page, async () => page.locator('ma-stone-station').isVisible());
  await expect(page.getByText(/^left side: \d+ more$/)).toBeVisible();
  // Within reach of a thumb: targets of 64 px at least, the figure 96 px or taller, nothing off the side.
  for (const name of ['Done', 'Not yet', 'One back', 'Ten more made', 'Stop']) {
    const box = await page.getByRole('button', { name, exact: true }).boundingBox();
    expect([name, Math.round(box?.height ?? 0) >= 64]).toEqual([name, true]);
  }
  const figure = await page
    .locator('.giant')
    .evaluate((giantAt) => parseFloat(getComputedStyle(giantAt).fontSize));
  expect(figure).toBeGreaterThanOrEqual(96);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(PHONE.width);
  await page.getByRole('button', { name: 'Beat 40 a minute' }).click();
  await expect(page.getByRole('button', { name: 'Stop the beat' })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  // What the left side raised stands on the right; where it is missing, strokes of the left side come in.
  await expect(page.getByRole('heading', { name: 'Feel for the burr: right side' })).toBeVisible();
  await page.getByRole('button', { name: 'middle: felt' }).click();
  await page.getByRole('button', { name: 'middle: strong' }).click();
  await page.getByRole('button', { name: 'As drawn' }).click();
  await expect(page.getByText('(middle)')).toBeVisible();
  await expect(page.locator('.giant')).toHaveText('3');
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await page.getByRole('button', { name: 'All along' }).click();
  await expect(page.getByText(/^right side: \d+ more$/)).toBeVisible();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Feel for the burr: left side' })).toBeVisible();
  await page.getByRole('button', { name: 'All along' }).click();
  await choose(page, 'Count', '5-4-3-2-1 a side');
  await expect(page.locator('.giant')).toHaveText('30');
  for (let i = 0; i < 5; i++) await page.keyboard.press('PageDown');
  await expect(page.getByText('right side: 5 more')).toBeVisible();
});

test('the wheel waits for covered eyes, and heat sends back to it', async ({ page }) => {
  test.slow();
  await goTo(page, '/tools/shave-round/plan');
  await page.getByRole('button', { name: 'Take it to the bench' }).click();
  await goOn(page, isAt(page, 'At the wheel'));
  await expect(page.getByRole('button', { name: 'Ground' })).toHaveCount(0);
  await expect(page.getByText(/Cover your eyes.*come before anything said here/s)).toBeVisible();
  await page.getByRole('button', { name: 'My eyes are covered' }).click();
  await page.getByRole('button', { name: 'Ground' }).click();
  await page.getByRole('button', { name: 'It has coloured' }).click();
  await expect(page.getByRole('heading', { name: 'Grind past the colour' })).toBeVisible();
  await page.getByRole('link', { name: 'What went wrong?' }).click();
  await expect(page.getByRole('heading', { name: 'What went wrong?' })).toBeVisible();
  await expect(
    page.getByRole('button', { name: 'Straw, brown or blue at the edge', pressed: true }),
  ).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('link', { name: 'Back to the bench' }).click();
  await expect(page.getByRole('heading', { name: 'Grind past the colour' })).toBeVisible();
  await goTo(page, '/tools/planer-3/plan');
  await page.getByRole('button', { name: 'Take it to the bench' }).click();
  await expect(page.getByRole('heading', { name: 'Isolate the machine' })).toBeVisible();
});

test('the puzzle goes from what is seen by the best look to a cure that is a plan', async ({ page }) => {
  await goTo(page, '/puzzle?tool=smooth-50');
  await page.getByRole('button', { name: 'The edge has a belly nobody meant' }).click();
  await expect(page.getByRole('listitem').first()).toContainText(/The stone is dished.*By its record/s);
  const look = page.getByRole('group', { name: /Lay a straightedge on the stone/ });
  await look.getByRole('button', { name: 'No' }).click();
  await expect(page.getByRole('listitem').first()).not.toContainText('The stone is dished');
  await page.getByRole('button', { name: /^Take back: Lay a straightedge/ }).click();
  await page.getByRole('button', { name: 'Scratches of an earlier stone still show' }).click();
  await page.getByRole('button', { name: 'The edge has a belly nobody meant' }).click();
  await expect(page.getByRole('listitem').first()).toContainText('Moved on to the finer stone too soon');
  await page.getByRole('button', { name: 'Plan the cure: Moved on to the finer stone too soon' }).click();
  await expect(page).toHaveURL(/smooth-50\/plan$/);
  await expect(page.getByRole('button', { name: 'Dull', exact: true })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
});

test('the strop room times the carving over a reload, and the carving goes into the record with the strop', async ({
  page,
}) => {
  await page.clock.install();
  await goTo(page, '/strop?tool=chip');
  await expect(page.getByText(/learned from \d+ of them/)).toBeVisible();
  await page.getByRole('button', { name: 'Begin carving' }).click();
  const shown = async (): Promise<number> => parseInt((await page.locator('.giant').textContent()) ?? '', 10);
  const whole = await shown();
  await page.clock.fastForward('10:00');
  await expect.poll(shown).toBeLessThanOrEqual(whole - 9);
  const left = await shown();
  await page.reload();
  await expect(page.getByText('until the next strop')).toBeVisible();
  expect(left - (await shown())).toBeLessThanOrEqual(1);
  await page.clock.fastForward('59:00');
  await expect(page.getByText('over: time to strop')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Stropped: begin again' }).click();
  await expect(page.getByText(/is stropped; it is in the record/).first()).toBeVisible();
  const { items } = await (
    await page.request.get('/api/sessions?toolId=chip&pageSize=2&sort=-startedAt')
  ).json();
  expect(items.map(({ kind }: { kind: string }) => kind).sort()).toEqual(['stropping', 'use']);
});

test('a strop is one tap from the rack, and the tool is ready after it', async ({ page }, { project }) => {
  await goTo(page, '/tools/bench-19/edge');
  // Held upright, a tablet keeps the rack in a drawer.
  if (project.name === 'tablet') await page.getByRole('button', { name: 'Rack', exact: true }).click();
  const stropped = page.getByRole('button', { name: /^Stropped: / }).first();
  const name = ((await stropped.getAttribute('aria-label')) ?? '').replace('Stropped: ', '');
  await stropped.click();
  await expect(page.getByText(`${name} is stropped; it is in the record.`).first()).toBeVisible();
  await expect(page.getByRole('button', { name: `Stropped: ${name}`, exact: true })).toHaveCount(0);
  await expect(page.getByRole('button', { name: /^Undo: / })).toBeEnabled();
});
