import { boxFaultsAtRest } from './boxes.js';
import { expect, expectAccessible, giant, goOn, goTo, isAt, test } from './workshop.js';

test('an old drawknife: looked over before money, bought, its back hollowed, to the first shaving', async ({
  page,
}) => {
  test.slow();
  await goTo(page, '/tools/new');
  await page.getByRole('link', { name: 'An old edge, before money?' }).click();
  const answer = page.getByRole('region', { name: 'What it comes to' });
  await expect(answer).toContainText('A project');

  // A hammered back is left where it lies.
  await page.getByRole('button', { name: 'Hammered' }).click();
  await expect(answer).toContainText('Leave it');
  await page.getByRole('button', { name: 'Whole' }).click();
  await page.getByRole('button', { name: 'Loose' }).click();
  const pit = page.getByRole('textbox', { name: 'Deepest pit' });
  await pit.fill('0.15');
  await pit.press('Tab');
  await expect(page.getByRole('list', { name: 'Minute by minute' })).toContainText(
    'Back hollowed at the wheel',
  );
  await expect(answer).toContainText('A project');
  expect(await boxFaultsAtRest(page)).toEqual([]);
  await expectAccessible(page);

  await page.getByRole('button', { name: 'Bought: put it on the rack' }).click();
  await expect(page).toHaveURL(/\/tools\/[^/]+\/plan/);
  const id = page.url().split('/').at(-2) ?? '';
  const plan = page.getByRole('region', { name: 'The plan' });
  await expect(plan).toContainText('the back, hollowed first');
  await expect(plan).toContainText('the wheel first');
  await page.getByRole('button', { name: 'Take it to the bench' }).click();
  await expect(page.locator('.way li.now')).toHaveCount(1);

  await goOn(page, isAt(page, 'Hollow the back'));
  await expect(page.getByText(/hollows?, each 9\.5 mm wide/)).toBeVisible();
  await expectAccessible(page);
  await goOn(page, isAt(page, 'Colour the back'));
  await goOn(page, () => page.locator('ma-stone-station').isVisible());
  // The edge is longer than the stone: part by part, each with as many.
  await expect(page.locator('.turn')).toContainText('part 1 of 3 from the left');
  const all = await giant(page);
  expect(all % 3).toBe(0);
  await page.getByRole('button', { name: 'Ten more made' }).click();
  await page.reload();
  await expect.poll(() => giant(page)).toBe(all - 10);

  const passed = await goOn(page, () =>
    page.getByRole('heading', { name: 'Done, and in the record' }).isVisible(),
  );
  expect(passed).toContain('Polished corner to corner?');
  expect(passed).toContain('Prove it');
  const entries = async () =>
    (
      (await (await page.request.get(`/api/sessions?toolId=${id}`)).json()) as {
        items: readonly { kind: string; hollowedBack?: { rimMm: number } }[];
      }
    ).items;
  await expect
    .poll(async () => (await entries()).map(({ kind }) => kind).sort())
    .toEqual(['grinding', 'honing']);
  expect((await entries()).find(({ kind }) => kind === 'honing')?.hollowedBack?.rimMm).toBe(3);

  await goTo(page, `/tools/${id}/life`);
  await expect(page.getByText(/Bought .*, a project: /)).toBeVisible();
  await expect(
    page.getByText(/mm of flat is left between the edge and the hollow in its back/),
  ).toBeVisible();

  // Which way up, and what the handles foul.
  await goTo(page, `/tools/${id}/edge`);
  await page.getByRole('button', { name: 'Its handles' }).click();
  await page.getByRole('button', { name: 'Bevel down' }).click();
  await expect(page.getByText(/Yours is the other way, and stands/)).toBeVisible();
  expect(await boxFaultsAtRest(page)).toEqual([]);
});
