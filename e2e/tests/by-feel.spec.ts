import type { Page } from '@playwright/test';
import {
  atEnd,
  choose,
  expect,
  expectAccessible,
  goOn,
  goTo,
  isAt,
  sessionOf,
  test,
  toBench,
  type,
  walkedThoroughly,
} from './workshop.js';

/** Its edge made another, over HTTP. */
async function reshaped(page: Page, id: string, edge: object): Promise<void> {
  const {
    id: _id,
    createdAt: _made,
    updatedAt: _now,
    ...tool
  } = await (await page.request.get(`/api/tools/${id}`)).json();
  const put = await page.request.put(`/api/tools/${id}`, {
    data: { ...tool, edge: { ...tool.edge, ...edge } },
  });
  expect(put.status()).toBe(200);
}

test('a hollow whittling knife, from its lift to the record: two rims, and when they close', async ({
  page,
}) => {
  test.slow();
  await reshaped(page, 'whittle', { grind: 'hollow', grindRadiusMm: 125 });
  const run = await toBench(page, 'whittle', 'Dull');
  const passed = await goOn(page, atEnd(page));
  expect(passed.filter((each) => each.startsWith('Feel for the burr')).length).toBe(2);
  const session = await sessionOf(page, run);
  expect(session.setting).toEqual({ angleDeg: 12 });
  expect(session.steps.map(({ facet }: { facet?: string }) => facet).slice(0, 2)).toEqual(['left', 'right']);
  await goTo(page, '/tools/whittle/life');
  await expect(page.locator('.sum')).toContainText(/hollow (closes in about \d+ more honings|is closed)/);
});

test('a chip knife rolls on the stone and not on the strop; its countdown is remembered', async ({
  page,
}) => {
  test.slow();
  await toBench(page, 'chip', 'Dull');
  await expect(page.getByText(/Laid flat, then tipped as it comes, to 10° at the end/)).toBeVisible();
  await expect(page.getByText('laid flat, tipped to 10° by its end')).toBeVisible();
  // The second stone is worked side by side: how it is counted may be chosen.
  const select = page.getByRole('combobox', { name: 'Count' });
  await goOn(page, async () => select.isVisible());
  await choose(page, 'Count', '5-4-3-2-1 a side');
  await expect(page.getByText('strokes left of 30')).toBeVisible();
  await goOn(page, async () => (await page.getByText(/No roll here: 10° all the way/).count()) > 0);
  await goOn(page, atEnd(page));
  // The next time it is counted so from the start.
  await toBench(page, 'chip', 'Dull');
  await goOn(page, async () => select.isVisible());
  await expect(page.getByText('strokes left of 30')).toBeVisible();
  await expect(select).toHaveText(/5-4-3-2-1/);
});

test('a pocket knife kept uneven: each side lifted, recorded, judged, and moved on its own', async ({
  page,
}) => {
  test.slow();
  await goTo(page, '/tools/pocket/life');
  await expect(page.locator('.sum')).toContainText('Keep 14° left, 9° right.');
  await expectAccessible(page);
  await page.getByRole('group', { name: 'Whether it steers' }).getByText('It dives').click();
  await expect(page.getByText(/Try 13° left and 10° right next. It dives/)).toBeVisible();
  await page.getByRole('button', { name: 'Hone it at 13° and 10° from now on' }).click();
  await expect(page.getByText('Its plan, its lift and its runs go by that now.')).toBeVisible();
  await goTo(page, '/tools/pocket/plan');
  await page.getByRole('button', { name: 'Dull', exact: true }).click();
  await page.getByRole('button', { name: 'Thorough', exact: true }).click();
  await page.getByRole('button', { name: 'Take it to the bench' }).click();
  await goOn(page, isAt(page, 'Find the bevel'));
  await expect(page.getByText(/for 13° on the left/)).toBeVisible();
  await expect(page.getByText('on the right, for 10°')).toBeVisible();
  const run = page.url().split('/').at(-1) ?? '';
  await goOn(page, atEnd(page));
  expect((await sessionOf(page, run)).setting).toEqual({ angleDeg: 13, rightDeg: 10 });
  // What the hand really does is measured under the spine, and kept as it is.
  await goTo(page, '/tools/pocket/set-up');
  await type(page.getByLabel('Left side'), '2.7');
  await type(page.getByLabel('Right side'), '1.3');
  await expect(page.getByText(/14.5° left, 9° right/)).toBeVisible();
  await page.getByRole('button', { name: 'Keep these angles' }).click();
  await expect(page.getByText('Pocket knife is kept at 14.5° left and 9° right.')).toBeVisible();
});

test('a left-handed scraping knife: its ladder, its reverse first, its burr kept, never a strop', async ({
  page,
}) => {
  test.slow();
  await reshaped(page, 'scrape-reed', { burrSide: 'left' });
  await goTo(page, '/tools/scrape-reed/life');
  const ladder = page.locator('ma-ladder li');
  await expect(ladder).toHaveCount(3);
  await expect(ladder.nth(1)).toContainText('every 28 days, by its record');
  await expectAccessible(page);
  // Fading, it still goes to a stone.
  const run = await toBench(page, 'scrape-reed', 'Fading');
  await expect(page.getByText(/^reverse side, right: \d+ more$/)).toBeVisible();
  const before = await goOn(page, isAt(page, 'Straight against the light?'));
  // Its middle shows light: its ends stand proud, are pressed, and it is held up again.
  await page.getByRole('button', { name: /^In the middle/ }).click();
  await expect(page.getByText(/Press at both ends/)).toBeVisible();
  await expect(page.getByText(/^left: 3 more$/)).toBeVisible();
  await goOn(page, isAt(page, 'Straight against the light?'));
  const passed = [...before, ...(await goOn(page, atEnd(page)))];
  expect(passed).toContain('Is the burr up?');
  expect(passed.join()).not.toContain('Take off the burr');
  const { abrasives } = await (await page.request.get('/api/workshop')).json();
  const strops = abrasives.filter(({ kind }: { kind: string }) => kind.includes('strop'));
  const used = (await sessionOf(page, run)).steps.map(({ abrasiveId }: { abrasiveId: string }) => abrasiveId);
  expect(used.length).toBeGreaterThan(0);
  expect(strops.filter(({ id }: { id: string }) => used.includes(id))).toEqual([]);
});

test('a knife without an edge yet: its steel, its coarse stone, and its swept edge part by part', async ({
  page,
}) => {
  await goTo(page, '/tools/galley/plan');
  await page.getByRole('button', { name: 'New', exact: true }).click();
  await page.getByText('Anything else wrong with it?').click();
  await page.getByRole('button', { name: 'No edge yet' }).click();
  await type(page.getByLabel('Thick where the edge will be'), '0.2');
  await expect(page.getByText(/It has no edge yet/)).toBeVisible();
  await page.getByText(/the arithmetic$/).click();
  const told = page.getByText(/thick where the edge will be: facets/);
  await expect(told).toBeVisible();
  // 160 mm long, 15° on a body of 1.51°: 2·½·0.1·0.1/(tan 15° − tan 1.51°)·160.
  await expect(page.getByText('6.6 mm³ to hone')).toBeVisible();
  await walkedThoroughly(page);
  await page.getByRole('button', { name: 'Take it to the bench' }).click();
  await goOn(page, () => page.locator('ma-stone-station').isVisible());
  const run = page.url().split('/').at(-1) ?? '';
  // The left side alone, its first part before its next.
  await expect(page.getByText(/^part 1 of 3 from the heel: \d+ more$/)).toBeVisible();
  await goOn(page, atEnd(page));
  const session = await sessionOf(page, run);
  expect(session.conditionBefore).toEqual({ kind: 'new', faults: [{ kind: 'unsharpened', mm: 0.2 }] });
});

test('a knife thinned on its body first, and drawn on its last stone as on a strop; the habit is kept', async ({
  page,
}) => {
  await goTo(page, '/tools/whittle/plan');
  await page.getByLabel('Thin the body behind the edge too').check();
  await page.getByText('Wheel, pace and push').click();
  await page.getByLabel('The last stone as a strop first').check();
  await expect(page.locator('.answer')).toContainText('the body');
  await page.getByRole('button', { name: 'Brisk', exact: true }).click();
  await page.getByRole('button', { name: 'Take it to the bench' }).click();
  await goOn(page, () => page.locator('ma-stone-station').isVisible());
  const run = page.url().split('/').at(-1) ?? '';
  await expect(page.getByText('the edge clear of it')).toBeVisible();
  await goOn(page, () => page.getByText('The last stone as a strop: it lays').isVisible());
  await goOn(page, () => page.getByRole('heading', { name: 'Done, and in the record' }).isVisible());
  await expect.poll(async () => (await page.request.get(`/api/sessions/${run}`)).status()).toBe(200);
  const { steps } = (await (await page.request.get(`/api/sessions/${run}`)).json()) as {
    steps: readonly { abrasiveId: string; facet?: string; forceN: number }[];
  };
  expect(steps[0]?.facet).toBe('body');
  const [last, before] = [steps.at(-1), steps.at(-2)];
  expect(last?.abrasiveId).toBe(before?.abrasiveId);
  expect(last?.forceN).toBeLessThan(before?.forceN ?? 0);
  const { counts } = (await (await page.request.get('/api/tools/whittle')).json()) as {
    counts: { onStone?: string };
  };
  expect(counts.onStone).toBe('half');
});
