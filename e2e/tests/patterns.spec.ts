import { choose, expect, expectAccessible, giant, goOn, goTo, isAt, test, type } from './workshop.js';

test('stops are made from the set-up, printed, cut anew when the guide is measured again, and used at the bench', async ({
  page,
}) => {
  await goTo(page, '/tools/joint-60/set-up');
  await page.getByRole('link', { name: 'Make stops for this' }).click();
  await expect(page).toHaveURL(/\/patterns\/new\?guide=side-clamp/);
  await expect(page.getByLabel('Angle of stop B')).toHaveValue('30');
  await type(page.getByLabel('Name', { exact: true }), 'Irons & “odd” <names>');
  await type(page.getByLabel('Depth', { exact: true }), '50');
  await expect(
    page.getByText(/past the end of a board 50 mm deep: make the board at least 68/).first(),
  ).toBeVisible();
  await expectAccessible(page);
  await type(page.getByLabel('Depth', { exact: true }), '75');
  const stop = page.getByRole('slider', { name: 'Stop B along the fence' });
  const before = Number(await stop.getAttribute('aria-valuenow'));
  await stop.press('ArrowRight');
  await expect(stop).toHaveAttribute('aria-valuenow', String(before + 1));
  await page.getByRole('button', { name: 'Keep this board' }).click();
  await expect(page).toHaveURL(/\/patterns\/[\w-]{36}$/);
  const print = page.getByRole('link', { name: /Print \(PDF\) of/ });
  await expect(print).toBeVisible();
  for (const form of ['Print (PDF)', 'SVG', 'DXF', 'STL']) {
    const link = page.getByRole('link', { name: `${form} of Irons` });
    const file = await page.request.get((await link.getAttribute('href')) ?? '');
    expect([file.status(), file.headers()['content-type']?.split(';')[0]]).toEqual([
      200,
      { 'Print (PDF)': 'application/pdf', SVG: 'image/svg+xml', DXF: 'image/vnd.dxf', STL: 'model/stl' }[
        form
      ],
    ]);
    expect((await file.body()).length).toBeGreaterThan(500);
  }

  // The guide is measured again: its nose stands half a millimetre further out.
  const guide = await (await page.request.get('/api/guides/side-clamp')).json();
  const { id, createdAt, updatedAt, ...content } = guide;
  const changed = await page.request.put('/api/guides/side-clamp', { data: { ...content, noseMm: 16.75 } });
  expect(changed.status()).toBe(200);
  await page.reload();
  await expect(page.getByText('The guide was measured again: 2 stops moved')).toBeVisible();
  await expect(page.getByText(/Stop B, 30°: cut at 38\.12 mm, now 37\.62 mm, 0\.5 mm nearer/)).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Cut every stop again' }).click();
  await expect(page.getByText('Revision 2, cut')).toBeVisible();
  await expect(page.getByText(/Revision 1, cut .*38\.12 mm/)).toBeVisible();

  await goTo(page, '/tools/joint-60/set-up');
  await expect(page.getByRole('link', { name: /Stop B · 37\.62 mm · 30°/ })).toBeVisible();
  await goTo(page, '/tools/joint-60/plan');
  await page.getByRole('button', { name: 'Dull', exact: true }).click();
  await expect(
    page.getByText(/Set it in the Side-clamping roller guide by Irons .*: stop B · 37\.62 mm · 30°/),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Take it to the bench' }).click();
  await goOn(page, isAt(page, 'Set the guide'));
  await expect(page.getByText('Stop B', { exact: true })).toBeVisible();
  expect(await giant(page)).toBe(37.62);
  await expectAccessible(page);
});

test('gauges, templates and the printer: what is asked is drawn and handed out', async ({ page }) => {
  await goTo(page, '/patterns');
  await expect(page.getByRole('link', { name: 'Shed board, chisels', exact: true })).toBeVisible();
  await expectAccessible(page);
  await type(page.getByLabel('Bar across measures'), '49.5');
  await expect(page.getByText('every page is corrected for this printer')).toBeVisible();
  await type(page.getByLabel('Upright bar measures'), '20');
  await expect(page.getByText(/Bar upright, as printed lies between 40 and 60/)).toBeVisible();
  const kept = await (await page.request.get('/api/settings')).json();
  expect(kept.printer).toEqual({ acrossMm: 49.5, upMm: 50 });
  for (const kind of [
    'Template for a tool rest',
    'Block for a support bar',
    'Folding template',
    'Bevel gauge',
  ]) {
    await page.getByRole('button', { name: kind }).click();
    const link = page.locator('ma-spot-patterns').getByRole('link', { name: /^Print/ });
    const file = await page.request.get((await link.getAttribute('href')) ?? '');
    expect([kind, file.status()]).toEqual([kind, 200]);
  }
  await expectAccessible(page);
  const card = await page.request.get('/api/tools/bench-19/card.pdf');
  expect(card.headers()['content-type']).toBe('application/pdf');
});

test('the wheel: measured and dressed, its jig follows; a regrind goes through the wheel into the record', async ({
  page,
}) => {
  await goTo(page, '/stones/wet-wheel');
  await expect(
    page.getByText(/It has lost 3\.6 mm in 3 readings\. Dressed twice|Dressed 2 times/),
  ).toBeVisible();
  await type(page.getByLabel('Diameter today'), '240');
  await page.getByLabel('Dressed today').check();
  await page.getByRole('button', { name: 'Note it' }).click();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Keep the change' }).click();
  await expect(page).toHaveURL(/\/stones$/);
  await goTo(page, '/tools/bench-19/set-up');
  await choose(page, 'Guide', 'Wet-wheel jig');
  // D = √(P² + c² + R² + 2R(P sin θ − c cos θ)) − R with R 120, P 139, c 12, 30°: worked out here.
  const [r, p, c] = [120, 139, 12];
  const gap = Math.hypot(p + r * 0.5, r * Math.cos(Math.PI / 6) - c) - r;
  await expect(page.getByText(`${gap.toFixed(2)} mm`, { exact: true })).toBeVisible();
  await choose(page, 'Guide', 'Side-clamping roller guide');

  await page.getByText('On the wheel', { exact: true }).click();
  await expect(page.getByText(/honings on the two rims .* and the hollow is gone/)).toBeVisible();
  await expect(page.getByText('This is a model: the wheel decides')).toBeVisible();
  await expect(page.locator('ma-heat-panel .pass')).toHaveText(/\d+(\.\d)? s/);
  await expectAccessible(page);

  await goTo(page, '/tools/shave-round/plan');
  await expect(page.getByText('First the wheel: Dry wheel, open grain')).toBeVisible();
  await expect(page.getByText(/light pass(es)? of at most/)).toBeVisible();
  await type(page.getByLabel('Stop short of the edge'), '9');
  await expect(page.getByText('no wider than what grinding would leave').first()).toBeVisible();
  await type(page.getByLabel('Stop short of the edge'), '0.8');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Take it to the bench' }).click();
  await goOn(page, isAt(page, 'At the wheel'));
  const run = page.url().split('/').at(-1) ?? '';
  await expectAccessible(page);
  await page.getByRole('button', { name: 'My eyes are covered' }).click();
  await page.getByRole('button', { name: 'Ground' }).click();
  await page.getByRole('button', { name: 'It stayed cool' }).click();
  await goOn(page, () => page.locator('ma-stone-station').isVisible());
  for (let i = 0; i < 5; i++) await page.keyboard.press('PageDown');
  await page.getByRole('button', { name: 'Stop' }).click();
  await page.getByRole('button', { name: 'Keep what was done' }).click();
  await expect(page.getByRole('heading', { name: 'Done, and in the record' })).toBeVisible();
  await expect.poll(async () => (await page.request.get(`/api/sessions/${run}-wheel`)).status()).toBe(200);
  const wheel = await (await page.request.get(`/api/sessions/${run}-wheel`)).json();
  expect([wheel.kind, wheel.landLeftMm]).toEqual(['grinding', 0.8]);
  const { record } = await (await page.request.get('/api/records/shave-round')).json();
  expect(record.state.landFrom).toBe('ground');
  // Jointed for its nick, the edge ended square: five strokes have made some of the land, not all.
  expect(record.state.landMm).toBeGreaterThan(0.1);
  expect(record.state.landMm).toBeLessThan(1);
});
