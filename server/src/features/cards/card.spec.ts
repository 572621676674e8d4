import { readFile } from 'node:fs/promises';
import jsQR from 'jsqr';
import { guideProjection } from '@mellow-anvil/core/guide';
import type { Workshop } from '@mellow-anvil/core/workshop';
import { readPdf } from '../../testing/read-back.js';
import { openTestWorkshop, type TestWorkshop } from '../../testing/workshop.js';

const DEMO = new URL('../../../../demo/saltmarsh-boat-shed.workshop.json', import.meta.url);
/** Pixels a millimetre of page for reading its code. */
const SHARP = 8;

describe('a tool’s card', () => {
  let shop: TestWorkshop;
  let demo: Workshop;
  beforeAll(async () => {
    shop = await openTestWorkshop();
    demo = JSON.parse(await readFile(DEMO, 'utf8')) as Workshop;
    await shop.ask('PUT', '/api/workshop', demo);
  });
  afterAll(() => shop.close());

  const card = async (id: string): Promise<Awaited<ReturnType<typeof readPdf>>> => {
    const response = await fetch(`${shop.origin}/api/tools/${id}/card.pdf`);
    expect([response.status, response.headers.get('content-type')]).toEqual([200, 'application/pdf']);
    return readPdf(Buffer.from(await response.arrayBuffer()));
  };

  it('says how each facet is set in each guide, by which stop, and opens the tool with its code', async () => {
    const [page, ...more] = await card('bench-19');
    expect(more).toEqual([]);
    const texts = page?.texts.map(({ text }) => text) ?? [];
    const guide = { rollerRadiusMm: 9, seatHeightMm: 16.25, noseMm: 16.25 };
    const out = guideProjection({ guide, angleDeg: 30 }).projectionMm.toFixed(2);
    expect(texts).toEqual(
      jasmine.arrayContaining(['Bench chisel 19', '30°', `${out} mm`, 'B, Shed board, chisels']),
    );
    // The bar’s gap follows the wet wheel as it was last measured, 123.2 mm of radius: worked out by hand.
    const [r, p, c, s] = [123.2, 139, 12, Math.PI / 6];
    const gap = Math.hypot(p + r * Math.sin(s), r * Math.cos(s) - c) - r;
    expect(texts).toContain(`${gap.toFixed(2)} mm gap`);

    const [wide, high] = [Math.round((page?.wide ?? 0) * SHARP), Math.round((page?.high ?? 0) * SHARP)];
    const pixels = new Uint8ClampedArray(wide * high * 4).fill(255);
    for (const points of page?.filled ?? []) {
      const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
      for (let x = Math.round(Math.min(...xs) * SHARP); x < Math.round(Math.max(...xs) * SHARP); x++)
        for (let y = Math.round(Math.min(...ys) * SHARP); y < Math.round(Math.max(...ys) * SHARP); y++)
          pixels.fill(0, ((high - 1 - y) * wide + x) * 4, ((high - 1 - y) * wide + x) * 4 + 3);
    }
    expect(jsQR.default(pixels, wide, high)?.data).toBe(`${shop.origin}/tools/bench-19`);
  });

  it('a tool of every family has a page of its own, none of it off the paper', async () => {
    const families = new Map(demo.tools.map((tool) => [tool.family, tool]));
    for (const { id, name } of families.values()) {
      const [page, ...more] = await card(id);
      expect(more).withContext(name).toEqual([]);
      for (const { text, x, y } of page?.texts ?? []) {
        expect(x).withContext(`${name}: ${text}`).toBeGreaterThan(4);
        expect(x)
          .withContext(`${name}: ${text}`)
          .toBeLessThan((page?.wide ?? 0) - 5);
        expect(y).withContext(`${name}: ${text}`).toBeGreaterThan(4);
      }
    }
    expect((await shop.ask('GET', '/api/tools/gone/card.pdf')).status).toBe(404);
  });
});
