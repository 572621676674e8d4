import { stat, truncate } from 'node:fs/promises';
import { join } from 'node:path';
import type { APIRequestContext } from '@playwright/test';
import {
  OWN_SERVER,
  choose,
  expect,
  expectAccessible,
  giant,
  goOn,
  goTo,
  tabTo,
  test,
  toBench,
  type,
} from './workshop.js';

// What is the same on every screen is tried on one.
const PHONE = { width: 390, height: 844 };

/** Strokes the server has of a run, and the events they are in. */
async function stored(request: APIRequestContext, run: string): Promise<{ strokes: number; ids: string[] }> {
  const { events } = await (await request.get(`/api/runs/${run}`)).json();
  const taps = events.filter(({ kind }: { kind: string }) => kind === 'strokes');
  return {
    strokes: taps.reduce((sum: number, { count }: { count: number }) => sum + count, 0),
    ids: taps.map(({ id }: { id: string }) => id),
  };
}

test('five strokes tapped with the server dead are each stored once', async ({ page, served, allowed }) => {
  allowed.push(/ERR_CONNECTION_REFUSED|Failed to load resource/);
  const run = await toBench(page, 'plank-50');
  const before = await giant(page);
  await expect(page.getByText('Kept', { exact: true })).toBeVisible();
  await served.kill();
  for (let i = 0; i < 5; i++) await page.locator('.figure-zone').click();
  await expect(page.locator('.giant')).toHaveText(String(before - 5));
  await expect(page.getByText('5 entries safe on this device')).toBeVisible();
  await served.restart();
  await expect(page.getByText('Kept', { exact: true })).toBeVisible({ timeout: 20_000 });
  const { strokes, ids } = await stored(page.request, run);
  expect([strokes, new Set(ids).size]).toEqual([5, 5]);
});

test('a run goes on from the last stroke after the server was killed and the page reloaded', async ({
  page,
  served,
  allowed,
}) => {
  allowed.push(/ERR_CONNECTION_REFUSED|Failed to load resource/);
  const run = await toBench(page, 'plank-50');
  const before = await giant(page);
  for (let i = 0; i < 4; i++) await page.keyboard.press('PageDown');
  await expect(page.getByText('Kept', { exact: true })).toBeVisible();
  await served.kill();
  for (let i = 0; i < 3; i++) await page.keyboard.press('PageDown');
  await expect(page.getByText('3 entries safe on this device')).toBeVisible();
  await served.restart();
  await page.reload();
  await expect(page.locator('.giant')).toHaveText(String(before - 7));
  await page.keyboard.press('PageDown');
  await expect(page.locator('.giant')).toHaveText(String(before - 8));
  await expect.poll(async () => (await stored(page.request, run)).strokes).toBe(8);
  await goTo(page, '/');
  await page.getByRole('link', { name: 'Go on at the bench' }).click();
  await expect(page.locator('.giant')).toHaveText(String(before - 8));
  await page.getByRole('button', { name: 'Stop' }).click();
  await page.getByRole('button', { name: 'Throw this run away' }).click();
  await expect(page.getByRole('button', { name: 'Take it to the bench' })).toBeVisible();
  await expect.poll(async () => (await (await page.request.get('/api/runs')).json()).length).toBe(0);
});

test('three honings widen the land and raise the strokes, the plan says why, a regrind resets it', async ({
  page,
}) => {
  await goTo(page, '/tools/bench-32/edge');
  await type(page.getByLabel('Land now'), '1.2');
  await expect
    .poll(async () => (await (await page.request.get('/api/records/bench-32')).json()).record.state.landMm)
    .toBeCloseTo(1.2, 3);
  const plan = page.getByRole('region', { name: 'The whole order' });
  const counts: number[] = [];
  for (let honing = 0; honing < 3; honing++) {
    await goTo(page, '/tools/bench-32/plan');
    await page.getByRole('button', { name: 'Dull', exact: true }).click();
    await choose(page, 'By which school', 'Two stones');
    const first = plan.locator('.hone .strokes').first();
    await expect(plan.getByText(/The land has grown/)).toHaveCount(honing > 0 ? 1 : 0);
    counts.push(parseInt((await first.textContent()) ?? '', 10));
    await page.getByRole('button', { name: 'Take it to the bench' }).click();
    await goOn(page, () => page.locator('ma-stone-station').isVisible());
    for (let stroke = counts.at(-1) ?? 0; stroke > 0; stroke--) await page.keyboard.press('PageDown');
    await page.getByRole('button', { name: 'Stop' }).click();
    await page.getByRole('button', { name: 'Keep what was done' }).click();
    await page.getByRole('link', { name: 'See its life' }).click();
    await expect(page.locator('.sum')).toContainText(
      `${honing === 0 ? 'one honing' : `${honing + 1} honings`} since`,
    );
  }
  expect(counts[1]).toBeGreaterThan(counts[0] as number);
  expect(counts[2]).toBeGreaterThan(counts[1] as number);

  await page.getByRole('button', { name: 'Ground', exact: true }).click();
  await page.getByRole('button', { name: 'Put it in the record' }).click();
  await expect(page.locator('.sum')).toContainText(
    'The land is 0 mm ± 0.1 mm, reckoned from the last grinding',
  );
  await page.getByRole('link', { name: 'Plan', exact: true }).click();
  await expect(plan.getByText('freshly ground')).toBeVisible();
  expect(parseInt((await plan.locator('.hone .strokes').first().textContent()) ?? '', 10)).toBeLessThan(
    counts[0] as number,
  );
});

test('an entry is opened, corrected, and the correction undone', async ({ page }) => {
  await goTo(page, '/tools/smooth-50/life');
  await page.getByRole('button', { name: 'Sharpening', exact: true }).click();
  // The newest honing; a reading may have come after it.
  const newest = page.locator('ma-life-side li.honing').first();
  await expect(newest).toContainText('Honed');
  const before = await newest.getByRole('button').first().textContent();
  await newest.getByRole('button').first().click();
  const strokes = newest.getByLabel('Strokes').first();
  await type(strokes, '61');
  await type(newest.getByLabel('Who'), 'Foreman');
  await choose(page, 'Burr', 'burr in part');
  await newest.getByRole('button', { name: 'leaves torn fibre' }).click();
  await expectAccessible(page);
  await newest.getByRole('button', { name: 'Keep the correction' }).click();
  await expect(newest).toContainText('61');
  await expect(newest).toContainText('Foreman');
  await expect(newest).toContainText(/Burr in part, .*leaves torn fibre/);
  await page.getByRole('button', { name: 'Undo: Change entry in the record' }).click();
  await expect(newest.getByRole('button').first()).toHaveText(before ?? '');
});

test('a backup is put back, and what was there before is kept', OWN_SERVER, async ({ page }) => {
  await goTo(page, '/settings');
  await page.getByRole('button', { name: 'Back up now' }).click();
  await expect(page.getByText('Backed up.').first()).toBeVisible();
  await type(page.getByLabel('Name of the workshop'), 'Another shed');
  await expect
    .poll(async () => (await (await page.request.get('/api/settings')).json()).name)
    .toBe('Another shed');
  await page
    .getByRole('button', { name: /^Restore the backup/ })
    .first()
    .click();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Restore it' }).click();
  await expect(page.getByLabel('Name of the workshop')).toHaveValue('Saltmarsh boat shed');
  const list = page.getByRole('list', { name: 'Backups' });
  await expect(list.getByRole('listitem').first()).toContainText('as it was before a restore');
});

test('use, plan, run and its entry with the keyboard only', async ({ page }) => {
  const { keyboard } = page;
  await goTo(page, '/tools/bench-12/plan');
  await expect(page.getByRole('button', { name: 'Take it to the bench' })).toBeVisible();
  await page.getByRole('searchbox', { name: 'Find a tool' }).focus();
  await keyboard.type('Bench chisel 12');
  await tabTo(page, /^Used it: Bench chisel 12/);
  await keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Used: Bench chisel 12' })).toBeVisible();
  await keyboard.press('Escape');
  await expect(page.getByRole('region', { name: 'Used: Bench chisel 12' })).toBeHidden();
  await tabTo(page, /^Thorough/);
  await keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Thorough', exact: true, pressed: true })).toBeFocused();
  await keyboard.press('Shift+Tab');
  await expect(page.getByRole('button', { name: 'Take it to the bench' })).toBeFocused();
  await keyboard.press('Enter');
  // Every station is gone on from by Page Down, or by Enter on its one target, which has the focus.
  const first = page.getByRole('button', { name: /^It is (ready|done)$/ });
  await expect(first).toBeFocused();
  // Care that is due stands before the first of them.
  while ((await first.textContent())?.includes('done')) {
    const past = await page.locator('.way li.past').count();
    await keyboard.press('Enter');
    await expect(page.locator('.way li.past')).toHaveCount(past + 1);
    await expect(first).toBeFocused();
  }
  await expect(page.getByRole('button', { name: 'It is ready' })).toBeFocused();
  const readied = await page.locator('.way li.past').count();
  await keyboard.press('Enter');
  await expect(page.locator('.way li.past')).toHaveCount(readied + 1);
  while (!(await page.getByRole('heading', { name: 'Set the guide' }).isVisible())) {
    const past = await page.locator('.way li.past').count();
    await keyboard.press('PageDown');
    await expect(page.locator('.way li.past')).toHaveCount(past + 1);
  }
  await keyboard.press('PageDown');
  await tabTo(page, /^No colour left/);
  await keyboard.press('Enter');
  await expect(page.locator('button.figure-zone')).toBeFocused();
  const strokes = await giant(page);
  for (let i = 0; i < 2; i++) await keyboard.press('Enter');
  await expect(page.locator('.giant')).toHaveText(String(strokes - 2));
  await tabTo(page, /^Done/);
  await keyboard.press('Enter');
  await tabTo(page, /^All along/);
  await keyboard.press('Space');
  await tabTo(page, /^Stop/);
  await keyboard.press('Enter');
  await tabTo(page, /^Keep what was done/);
  await keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Done, and in the record' })).toBeVisible();
  await tabTo(page, /^See its life/);
  await keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Entries' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Entries' })).toBeVisible();
  await tabTo(page, /^Skip the rack/);
  await keyboard.press('Enter');
  await tabTo(page, /Honed.*2 strokes/);
  await keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Keep the correction' })).toBeVisible();
});

test('on a phone held upright everything is within reach', async ({ page }) => {
  await page.setViewportSize(PHONE);
  await toBench(page, 'bench-12');
  for (const name of ['Done', 'Not yet', 'One back', 'Stop']) {
    await expect(page.getByRole('button', { name, exact: true })).toBeInViewport({ ratio: 1 });
  }
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Done' }).click();
  await page.getByRole('button', { name: /^All along/ }).click();
  await page.getByRole('button', { name: 'Stop' }).click();
  await page.getByRole('link', { name: 'Leave it open and look at the rack' }).click();
  await page.getByRole('button', { name: 'Rack', exact: true }).click();
  await page.getByRole('button', { name: 'More for Block plane iron' }).click();
  await page.getByRole('button', { name: 'Used it: Block plane iron' }).click();
  await expect(page.getByRole('button', { name: 'That is right' })).toBeInViewport({ ratio: 1 });
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Take it back' }).click();
  await goTo(page, '/tools/bench-12/life');
  await expect(page.getByRole('heading', { name: 'Entries' })).toBeVisible();
  const wide = await page.evaluate(() => document.documentElement.scrollWidth);
  expect(wide).toBeLessThanOrEqual(PHONE.width);
  await expectAccessible(page);
});

test(
  'a damaged workshop says so, and a backup is put back from the page',
  OWN_SERVER,
  async ({ page, served, allowed }) => {
    allowed.push(/Failed to load resource/);
    await page.request.post('/api/backups', { data: {} });
    const { name: before } = await (await page.request.get('/api/settings')).json();
    const { total } = await (await page.request.get('/api/tools')).json();
    await served.kill();
    await truncate(join(served.folder, 'workshop.sqlite'), 5000);
    await served.restart();
    await goTo(page, '/');
    await expect(page.getByRole('heading', { name: 'The workshop’s file is damaged' })).toBeVisible();
    await expectAccessible(page);
    await page
      .getByRole('button', { name: /^Restore the backup of/ })
      .first()
      .click();
    await page.getByRole('button', { name: 'Restore it' }).click();
    await expect(page.getByRole('button', { name: 'Undo', exact: false }).first()).toBeVisible();
    await expect(page.locator('.workshop')).toHaveText(before);
    expect((await (await page.request.get('/api/tools')).json()).total).toBe(total);
  },
);

test('a log cut short is told on the page until it is read', OWN_SERVER, async ({ page, served }) => {
  for (const notes of ['one', 'two']) {
    const { version, createdAt, updatedAt, id, ...tool } = await (
      await page.request.get('/api/tools/bench-19')
    ).json();
    await page.request.put(`/api/tools/${id}`, { data: { ...tool, notes, version } });
  }
  await served.kill();
  const log = join(served.folder, 'workshop.sqlite-wal');
  await truncate(log, (await stat(log)).size - 5000);
  await served.restart();
  await goTo(page, '/');
  const words = page.getByRole('alert').filter({ hasText: 'missing from the workshop’s file' });
  await expect(words).toBeVisible();
  await words.getByRole('button', { name: 'I have read it' }).click();
  await expect(words).toBeHidden();
});
