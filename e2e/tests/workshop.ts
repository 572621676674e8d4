import { AxeBuilder } from '@axe-core/playwright';
import { expect, test as base, type Locator, type Page } from '@playwright/test';
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

const SERVER = fileURLToPath(new URL('../../server/dist/main.js', import.meta.url));
export const DEMO = fileURLToPath(new URL('../../demo/saltmarsh-boat-shed.workshop.json', import.meta.url));

interface Served {
  readonly address: string;
  readonly stop: () => Promise<void>;
}

/** Starts the program as a person would and waits for the address it prints. */
async function serve(environment: Record<string, string>): Promise<Served> {
  const folder = await mkdtemp(join(tmpdir(), 'mellow-anvil-e2e-'));
  const server: ChildProcess = spawn(process.execPath, [SERVER], {
    env: { ...process.env, PORT: '0', DATA_DIR: folder, ...environment },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const address = await new Promise<string>((resolve, reject) => {
    let said = '';
    server.stdout?.on('data', (chunk: Buffer) => {
      said += chunk.toString();
      const found = /(http:\/\/\S+?)\/\s/.exec(said);
      if (found?.[1]) resolve(found[1]);
    });
    server.once('exit', () => reject(new Error(`The server stopped: ${said}`)));
  });
  return {
    address,
    stop: async () => {
      const gone = new Promise((resolve) => server.once('exit', resolve));
      server.kill('SIGTERM');
      await gone;
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

export const test = base.extend<Fixtures & Options>({
  demo: [true, { option: true }],
  allowed: async ({}, use) => use([]),
  served: async ({ demo }, use) => {
    const served = await serve(demo ? { OPEN_FILE: DEMO } : {});
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

/** The page holds nothing axe finds fault with at level AA. */
export async function expectAccessible(page: Page): Promise<void> {
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
    .analyze();
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
