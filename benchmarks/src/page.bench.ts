import { existsSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { chromium } from '@playwright/test';
import { openShop } from './shop.js';
import { median, ms, type Row } from './table.js';

const DEMO = new URL('../../demo/saltmarsh-boat-shed.workshop.json', import.meta.url);
const FRAME_MS = 1000 / 60;

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
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const network = await page.context().newCDPSession(page);
    await network.send('Network.enable');
    let [bytes, data] = [0, 0];
    const api = new Set<string>();
    network.on('Network.responseReceived', ({ requestId, response }) => {
      if (response.url.includes('/api/')) api.add(requestId);
    });
    network.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
      if (api.has(requestId)) data += encodedDataLength;
      else bytes += encodedDataLength;
    });
    await page.goto(`${shop.origin}/tools/bench-19/edge`);
    await page.getByRole('slider', { name: 'Primary angle' }).waitFor();
    await page.waitForLoadState('networkidle');
    const drag = await page.evaluate(dragManyTimes);
    return [
      {
        what: 'first load of the page, fonts and styles with it',
        figure: `${(bytes / 1000).toFixed(0)} kB compressed`,
        yardstick: `and ${(data / 1000).toFixed(0)} kB of the demo’s data`,
        aim: 'below 350 kB',
      },
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
