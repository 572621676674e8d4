import { existsSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { chromium, type Browser } from '@playwright/test';
import { openShop } from './shop.js';
import { median, ms, times, type Row } from './table.js';

const DEMO = new URL('../../demo/saltmarsh-boat-shed.workshop.json', import.meta.url);
const FRAME_MS = 1000 / 60;
const VIEWPORT = { width: 1280, height: 800 };
const PAINTS = 5;

export async function benchPage(): Promise<Row[]> {
  const executablePath = process.env['CHROME_BIN'] ?? '/usr/bin/chromium';
  if (!existsSync(executablePath)) return [{ what: 'the page', figure: 'not measured: no Chromium here' }];
  const shop = await openShop();
  await shop.open(JSON.parse(await readFile(DEMO, 'utf8')));
  const browser = await chromium.launch({
    executablePath,
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  try {
    const loads = [];
    for (const path of ['/', '/tools/bench-19/plan']) loads.push(await firstLoad(browser, shop.origin, path));
    const paints = await firstPaints(browser, shop.origin);
    const page = await browser.newPage({ viewport: VIEWPORT });
    await page.goto(`${shop.origin}/tools/bench-19/edge`);
    await page.getByRole('slider', { name: 'Primary angle' }).waitFor();
    await page.waitForLoadState('networkidle');
    const drag = await page.evaluate(dragManyTimes);
    return [
      ...loads,
      paints,
      {
        what: 'drag: pointer moved to drawing changed (script)',
        figure: ms(median(drag.script)),
        yardstick: `a 60 Hz frame ${ms(FRAME_MS)}`,
        aim: 'within a frame',
      },
      {
        what: 'drag: frame to frame, a move in every frame',
        figure: ms(median(drag.frames)),
        yardstick: `the same page at rest ${ms(median(drag.idle))}; software painting`,
        aim: 'within a frame',
      },
    ];
  } finally {
    await browser.close();
    await shop.close();
  }
}

/** What comes over the wire until a page asked for first rests. */
async function firstLoad(browser: Browser, origin: string, path: string): Promise<Row> {
  const page = await browser.newPage({ viewport: VIEWPORT });
  const network = await page.context().newCDPSession(page);
  await network.send('Network.enable');
  let [bytes, data, requests] = [0, 0, 0];
  const api = new Set<string>();
  network.on('Network.responseReceived', ({ requestId, response }) => {
    if (response.url.includes('/api/')) api.add(requestId);
  });
  network.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
    requests += 1;
    if (api.has(requestId)) data += encodedDataLength;
    else bytes += encodedDataLength;
  });
  await page.goto(origin + path);
  await page.locator('#vise svg').first().waitFor();
  await page.waitForLoadState('networkidle');
  await page.close();
  return {
    what: `first load of ${path}, fonts and styles with it`,
    figure: `${(bytes / 1000).toFixed(0)} kB compressed in ${requests - api.size} requests`,
    yardstick: `and ${(data / 1000).toFixed(0)} kB of the demo’s data in ${api.size}`,
    aim: 'below 350 kB, 25 requests at most',
  };
}

/** How long until the first thing is painted, beside the bare shell, turn by turn. */
async function firstPaints(browser: Browser, origin: string): Promise<Row> {
  const bare = await openShop('bare');
  const took: [ours: number[], bare: number[]] = [[], []];
  for (let i = 0; i < PAINTS; i++) {
    took[0].push(await firstPaint(browser, origin));
    took[1].push(await firstPaint(browser, bare.origin));
  }
  await bare.close();
  const [ours, theirs] = took.map(median) as [number, number];
  return {
    what: `first contentful paint, median of ${PAINTS}`,
    figure: ms(ours),
    yardstick: `a bare shell of the same framework and controls ${ms(theirs)}, ${times(ours / theirs)} as long`,
    aim: '≤ 1.3 ×',
  };
}

async function firstPaint(browser: Browser, origin: string): Promise<number> {
  const page = await browser.newPage({ viewport: VIEWPORT });
  const response = await page.goto(origin);
  if (!response?.ok()) throw new Error(`Nothing to paint at ${origin}: built with npm run bench.`);
  const painted = await page.evaluate(
    () =>
      new Promise<number>((resolve) => {
        new PerformanceObserver((all) => {
          for (const { name, startTime } of all.getEntries()) {
            if (name === 'first-contentful-paint') resolve(startTime);
          }
        }).observe({ type: 'paint', buffered: true });
      }),
  );
  await page.close();
  return painted;
}

interface Drag {
  /** From the pointer's event to the changed drawing, ms each. */
  readonly script: readonly number[];
  /** Between frames while every frame brings a move that redraws, ms each. */
  readonly frames: readonly number[];
  /** Between frames with nothing to do, ms each. */
  readonly idle: readonly number[];
}

/** Runs in the page: moves the secondary's handle and times script and frames. */
async function dragManyTimes(): Promise<Drag> {
  const handle = document.querySelector('[role=slider][aria-label="Secondary angle"]') as SVGGElement;
  const facet = document.querySelector('.facet.secondary') as SVGPathElement;
  const box = (handle.querySelector('.knob') as SVGElement).getBoundingClientRect();
  const [x, y] = [box.left + box.width / 2, box.top + box.height / 2];
  const send = (type: string, dy: number): void =>
    void handle.dispatchEvent(
      new PointerEvent(type, { clientX: x, clientY: y + dy, pointerId: 1, bubbles: true }),
    );
  const frame = (): Promise<number> => new Promise((resolve) => requestAnimationFrame(resolve));
  const intervals = async (each: (i: number) => void): Promise<number[]> => {
    const took: number[] = [];
    let before = await frame();
    for (let i = 0; i < 120; i++) {
      each(i);
      const now = await frame();
      took.push(now - before);
      before = now;
    }
    return took;
  };
  handle.setPointerCapture = () => undefined;
  send('pointerdown', 0);
  const script: number[] = [];
  for (let i = 0; i < 80; i++) {
    await frame();
    const changed = new Promise<void>((resolve) => {
      const observer = new MutationObserver(() => {
        observer.disconnect();
        resolve();
      });
      observer.observe(facet, { attributes: true });
    });
    const start = performance.now();
    send('pointermove', i % 2 ? -10 : -40);
    await changed;
    script.push(performance.now() - start);
  }
  const idle = await intervals(() => undefined);
  const frames = await intervals((i) => send('pointermove', i % 2 ? -10 : -40));
  send('pointerup', 0);
  return { script, frames, idle };
}
