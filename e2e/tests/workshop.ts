import type axe from 'axe-core';
import { expect, test as base, type Locator, type Page } from '@playwright/test';
import { spawn, type ChildProcess } from 'node:child_process';
import { cp, mkdtemp, readFile, rm } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

const SERVER = fileURLToPath(new URL('../../server/dist/main.js', import.meta.url));
export const DEMO = fileURLToPath(new URL('../../demo/saltmarsh-boat-shed.workshop.json', import.meta.url));

interface Served {
  readonly address: string;
  readonly folder: string;
  /** Ends the program at once, as a power cut would. */
  readonly kill: () => Promise<void>;
  /** Starts it again over the same data, at the same address. */
  readonly restart: () => Promise<void>;
  readonly stop: () => Promise<void>;
}

/**
 * Starts the program as a person would and waits for the address it prints.
 * @param from a backup of the workshop to begin with
 */
async function serve(environment: Record<string, string>, from?: string): Promise<Served> {
  const folder = await mkdtemp(join(tmpdir(), 'mellow-anvil-e2e-'));
  if (from) await cp(from, join(folder, 'workshop.sqlite'));
  let server: ChildProcess;
  const start = (more: Record<string, string>): Promise<string> => {
    server = spawn(process.execPath, [SERVER], {
      env: { ...process.env, PORT: '0', DATA_DIR: folder, ...environment, ...more },
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    return new Promise<string>((resolve, reject) => {
      let said = '';
      server.stdout?.on('data', (chunk: Buffer) => {
        said += chunk.toString();
        const found = /(http:\/\/\S+?)\/\s/.exec(said);
        if (found?.[1]) resolve(found[1]);
      });
      server.once('exit', () => reject(new Error(`The server stopped: ${said}`)));
    });
  };
  const end = async (signal: NodeJS.Signals): Promise<void> => {
    if (server.exitCode !== null || server.signalCode !== null) return;
    const gone = new Promise((resolve) => server.once('exit', resolve));
    server.kill(signal);
    await gone;
  };
  const address = await start({});
  return {
    address,
    folder,
    kill: () => end('SIGKILL'),
    restart: async () => {
      await start({ PORT: new URL(address).port });
    },
    stop: async () => {
      await end('SIGTERM');
      await rm(folder, { recursive: true, force: true });
    },
  };
}

interface Options {
  /** Begin with the boat shed; else with nothing. */
  readonly demo: boolean;
}

interface Fixtures {
  readonly served: Served;
  /** Console messages a test expects, such as the browser's own word on a refused request. */
  readonly allowed: RegExp[];
}

interface OncePerWorker {
  /** A server with the boat shed, taken in once, and the backup that puts it back as it was. */
  readonly house: {
    readonly served: Served;
    readonly backup: string;
    /** Puts the boat shed back as it was, where a journey stored anything. */
    readonly putBack: () => Promise<void>;
  };
}

/** A journey whose room is laid out differently on a tablet is gone on both screens; the others on one. */
export const BOTH_SCREENS = { tag: '@both-screens' };

/** A journey that harms its data folder, or looks at its backups, has a server of its own. */
export const OWN_SERVER = { tag: '@own-server' };

export const test = base.extend<Fixtures & Options, OncePerWorker>({
  house: [
    async ({}, use) => {
      const served = await serve({ OPEN_FILE: DEMO });
      const made = await fetch(`${served.address}/api/backups`, { method: 'POST' });
      const { name } = (await made.json()) as { name: string };
      // Every change is a command, or a run at the bench.
      const stored = async (): Promise<string> =>
        (
          await Promise.all(
            ['undo', 'runs'].map(async (what) => (await fetch(`${served.address}/api/${what}`)).text()),
          )
        ).join();
      const atFirst = await stored();
      const putBack = async (): Promise<void> => {
        if ((await stored()) === atFirst) return;
        const put = await fetch(`${served.address}/api/backups/restore`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ name }),
        });
        if (!put.ok) throw new Error(`The boat shed was not put back: ${await put.text()}`);
      };
      await use({ served, backup: join(served.folder, 'backups', name), putBack });
      await served.stop();
    },
    // The first start opens two years of the shed, on a machine that may be busy.
    { scope: 'worker', timeout: 240_000 },
  ],
  demo: [true, { option: true }],
  allowed: async ({}, use) => use([]),
  served: async ({ demo, house }, use, { tags }) => {
    if (demo && !tags.includes(OWN_SERVER.tag)) {
      await house.putBack();
      await use(house.served);
      return;
    }
    const served = await serve({}, demo ? house.backup : undefined);
    await use(served);
    await served.stop();
  },
  baseURL: async ({ served }, use) => use(served.address),
  page: async ({ page, allowed }, use) => {
    const wrong: string[] = [];
    page.on('console', (message) => {
      if (message.type() === 'error' || message.type() === 'warning') wrong.push(message.text());
    });
    page.on('pageerror', (reason) => wrong.push(reason.message));
    await use(page);
    expect(wrong.filter((text) => !allowed.some((pattern) => pattern.test(text)))).toEqual([]);
  },
});

export { expect };

interface Audit {
  /** The rack of 29 tools and the rail with it, which stand beside every room. */
  readonly whole?: boolean;
  /** What else was judged on another page already. */
  readonly besides?: readonly string[];
  /** These rules of axe alone: of a page that was judged, and differs in nothing else. */
  readonly rules?: readonly string[];
}

/** At half the size of its own `source`, handed over at every page. */
const axeSource = readFile(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

const LEVEL_AA = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'];

/** The page holds nothing axe finds fault with at level AA; rack and rail are judged once, with the rooms. */
export async function expectAccessible(
  page: Page,
  { whole = false, besides = [], rules }: Audit = {},
): Promise<void> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(await axeSource);
  const exclude = [...besides, ...(whole ? [] : ['ma-rack', 'ma-rail'])];
  const { violations } = await page.evaluate(
    (asked) =>
      (window as unknown as { readonly axe: typeof axe }).axe.run(
        { exclude: asked.exclude },
        // What a rule finds no fault with is not told, box by box.
        { runOnly: asked.rules, resultTypes: ['violations'], preload: false },
      ),
    { exclude, rules: [...(rules ?? LEVEL_AA)] },
  );
  const told = violations.map(
    ({ id, nodes }) =>
      `${id}: ${nodes.map(({ target, failureSummary }) => `${target.join(' ')} ${failureSummary}`).join('; ')}`,
  );
  expect(told).toEqual([]);
}

/** Picks an option of a labelled select. */
export async function choose(page: Page, label: string, option: string): Promise<void> {
  await page.getByRole('combobox', { name: label }).click();
  await page.getByRole('option', { name: option, exact: true }).click();
}

/** Types a figure over what stands in a field, and leaves it. */
export async function type(field: Locator, text: string): Promise<void> {
  await field.fill(text);
  await field.press('Tab');
}

/**
 * Goes to a room: the first time the page is loaded, then the room is gone to within it, as its own links and its back
 * button do. `page.reload()` loads it anew.
 */
export async function goTo(page: Page, room: string): Promise<void> {
  if (!page.url().startsWith('http')) {
    await page.goto(room);
    return;
  }
  const { pathname, search } = new URL(page.url());
  // Whoever is in it already stays: the router does nothing then.
  if (pathname + search === room) return;
  await page.evaluate((to) => {
    history.pushState(null, '', to);
    dispatchEvent(new PopStateEvent('popstate'));
  }, room);
  // The router puts a state of its own in place of none once it has the room, which says what it says by the next frame.
  await page.waitForFunction(() => history.state !== null);
  await page.evaluate(
    () =>
      new Promise((resolve) => {
        requestAnimationFrame(() => requestAnimationFrame(resolve));
      }),
  );
  // The workshop's first page leads on to the tool in most need.
  if (room !== '/') await expect(page).toHaveURL((url) => url.pathname + url.search === room);
}

/** Takes the plan of a tool to the bench, past setting the guide, and returns the run's id. */
export async function toBench(page: Page, tool: string, dull = 'Very dull'): Promise<string> {
  await goTo(page, `/tools/${tool}/plan`);
  await page.getByRole('button', { name: dull, exact: true }).click();
  await walkedThoroughly(page);
  await page.getByRole('button', { name: 'Take it to the bench' }).click();
  await goOn(page, () => page.locator('ma-stone-station').isVisible());
  return page.url().split('/').at(-1) ?? '';
}

/** The whole order, whatever the tool's years at the bench would have offered. */
export async function walkedThoroughly(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Thorough', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Thorough', exact: true, pressed: true })).toBeVisible();
}

/** A station is passed at once: how soon it is looked whether it was. */
const OFTEN_MS = [20, 40, 60, 100];

/** A whole run and there are no more stations than this. */
const MOST_STATIONS = 60;

/**
 * Goes on at the bench, each station answered as when all is well, until something holds.
 * @returns the titles of the stations that were passed
 */
export async function goOn(page: Page, until: () => Promise<boolean>): Promise<readonly string[]> {
  const passed: string[] = [];
  await expect(page.locator('.way li.now')).toHaveCount(1);
  const click = (name: string | RegExp): Promise<void> =>
    page.getByRole('button', { name, exact: typeof name === 'string' }).click();
  for (let i = 0; i < MOST_STATIONS; i++) {
    if (await until()) return passed;
    const { past, title, station, buttons } = await stationNow(page);
    passed.push(title);
    const bites = 'It bites the nail: finish';
    switch (station) {
      case 'ma-stone-station':
        if (buttons.some((each) => ALL_MADE.test(each))) await click(ALL_MADE);
        else {
          await page.keyboard.press('PageDown');
          await click('Done');
        }
        break;
      case 'ma-burr-gate':
        await click('All along');
        break;
      case 'ma-marker-gate':
        await click('No colour left');
        break;
      case 'ma-choice-gate':
        await page.locator('ma-choice-gate button').first().click();
        break;
      case 'ma-nail-gate':
        await click('Smooth all along');
        break;
      case 'ma-proof-gate':
        if (buttons.includes(bites)) await click(bites);
        else {
          await click('Bites');
          await click(/^(Proved|Finish)$/);
        }
        break;
      default:
        if (buttons.includes('My eyes are covered')) await click('My eyes are covered');
        await page.locator('footer button').last().click();
    }
    await expect
      .poll(
        async () => {
          const after = await stationNow(page);
          if (after.past > past || after.isOver) return true;
          // Knives are changed round by round before a set is done with a stone.
          if (after.ofSet && after.buttons.some((each) => ALL_MADE.test(each))) await click(ALL_MADE);
          return false;
        },
        { intervals: OFTEN_MS },
      )
      .toBe(true);
  }
  throw new Error(`It never came to this: ${passed.join(', ')}`);
}

/** What ends the strokes of a station at once. */
const ALL_MADE = /^(All \d+ made|They are in)$/;

/** The station at hand as it is seen, in one look. */
const stationNow = (
  page: Page,
): Promise<{
  readonly past: number;
  readonly isOver: boolean;
  readonly title: string;
  readonly station: string | undefined;
  readonly buttons: readonly string[];
  /** Knives of a set are counted one by one. */
  readonly ofSet: boolean;
}> =>
  page.evaluate(() => {
    const words = (at: Element | null): string => (at?.textContent ?? '').trim().replace(/\s+/g, ' ');
    const seen = (selector: string): Element[] =>
      [...document.querySelectorAll(selector)].filter((each) => each.checkVisibility());
    const [station] = seen(
      'ma-stone-station, ma-burr-gate, ma-marker-gate, ma-choice-gate, ma-nail-gate, ma-proof-gate',
    );
    return {
      past: document.querySelectorAll('.way li.past').length,
      isOver: document.querySelector('.way li.now') === null,
      title: words(document.querySelector('h1')),
      station: station?.tagName.toLowerCase(),
      buttons: seen('button').map((each) => each.getAttribute('aria-label') ?? words(each)),
      ofSet: seen('[aria-label="Strokes of each knife"]').length > 0,
    };
  });

/** Whether the station at hand has this title. */
export const isAt =
  (page: Page, title: string): (() => Promise<boolean>) =>
  async () =>
    ((await page.getByRole('heading', { level: 1 }).textContent()) ?? '').includes(title);

/** The giant figure at the bench. */
export const giant = (page: Page): Promise<number> => page.locator('.giant').textContent().then(Number);

/** Tabs on until the thing named has the focus. */
export async function tabTo(page: Page, name: RegExp, most = 60): Promise<void> {
  const seen: string[] = [];
  for (let i = 0; i < most; i++) {
    await page.keyboard.press('Tab');
    const here = await page.evaluate(() => {
      const at = document.activeElement as HTMLInputElement | null;
      if (at === document.body) return '';
      const label = at?.labels?.[0]?.textContent ?? '';
      return `${at?.getAttribute('aria-label') ?? ''} ${label} ${at?.textContent ?? ''}`.trim();
    });
    if (name.test(here)) return;
    seen.push(here.slice(0, 40));
  }
  throw new Error(`Not reached by Tab: ${name}; reached ${seen.join(', ')}`);
}

/** The last station of a run is passed, and it is in the record. */
export const atEnd = (page: Page) => async (): Promise<boolean> =>
  (await page.getByRole('heading', { name: 'Done, and in the record' }).count()) > 0;

/** A tool as it is kept. */
export const toolOf = async (page: Page, id: string): Promise<ReturnType<typeof JSON.parse>> =>
  (await page.request.get(`/api/tools/${id}`)).json();

/** The entry a run became. */
export async function sessionOf(page: Page, run: string): Promise<ReturnType<typeof JSON.parse>> {
  await expect.poll(async () => (await page.request.get(`/api/sessions/${run}`)).status()).toBe(200);
  return (await page.request.get(`/api/sessions/${run}`)).json();
}
