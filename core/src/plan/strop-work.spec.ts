import type { Abrasive } from '../abrasive/abrasive.js';
import { stonesAtWork } from '../abrasive/at-work.js';
import type { Tool } from '../blade/tool.js';
import { flatBlade } from '../testing/blades.js';
import type { OwnedAbrasive } from '../abrasive/abrasive.js';
import type { PlanRequest } from './plan-request.js';
import { stropSteps } from './strop-work.js';

const strop = (id: string, um: number, more: Partial<Abrasive> = {}): OwnedAbrasive => ({
  id,
  name: id,
  kind: 'strop',
  grade: { standard: 'UM', grade: String(um) },
  lubricant: 'compound',
  strokeMm: 180,
  overheadMin: 0.25,
  strop: { face: 'smooth-leather', thicknessMm: 3, compound: 'paste' },
  ...more,
});
const chisel: Tool = { name: 'Chisel', family: 'bench-chisel', steel: 'high-carbon', edge: flatBlade({}) };
const gouge: Tool = {
  ...chisel,
  family: 'gouge',
  edge: { form: 'gouge', widthMm: 16, depthMm: 4, thicknessMm: 2.4, cannel: 'in', bevelDeg: 22 },
};
const request: PlanRequest = {
  condition: { kind: 'dull' },
  finishUm: 3,
  forceN: 20,
  strokesPerMin: 40,
  laidAside: [],
};
const charged = strop('charged', 3);
const fine = strop('fine', 0.5);
const bare = strop('bare', 0.5, { lubricant: 'dry', strop: { face: 'smooth-leather' } });
const channels = strop('channels', 1, { kind: 'profiled-strop', strop: { face: 'wood', compound: 'paste' } });
const planned = (
  tool: Tool,
  bench: readonly OwnedAbrasive[],
  lastUm?: number,
  more: Partial<PlanRequest> = {},
) => stropSteps(tool, stonesAtWork(bench), { ...request, ...more }, lastUm);
const ids = (steps: ReturnType<typeof planned>): string[] => steps.map(({ id }) => id);

describe('the strop of a plan (common practice, no source)', () => {
  it('is charged first, then bare, heavy to light', () => {
    const [first, then] = planned(chisel, [fine, bare, charged], 6);
    expect([first?.id, then?.id]).toEqual(['charged', 'bare']);
    expect([first?.firstN, first?.lastN, then?.firstN]).toEqual([20, 5, 5]);
    expect(ids(planned(chisel, [bare], 6))).toEqual(['bare']);
  });

  it('is for what its compound does after that stone', () => {
    const purpose = (bench: readonly OwnedAbrasive[], lastUm?: number) =>
      planned(chisel, bench, lastUm)[0]?.purpose;
    expect(purpose([charged], 11.5)).toBe('polishes');
    expect(purpose([fine], 1.2)).toBe('aligns');
    expect(purpose([fine], 25)).toBe('tops');
    expect(purpose([charged]))
      .withContext('stropped only')
      .toBe('aligns');
    // Coarser than the last stone it would undo it.
    expect(ids(planned(chisel, [charged, fine], 1.2))).toEqual(['fine']);
  });

  it('follows the edge, and is none where an edge is left off the stone', () => {
    expect(ids(planned(gouge, [charged, channels], 6))).toEqual(['channels']);
    expect(ids(planned(gouge, [charged], 6)))
      .withContext('a flat strop does not reach inside')
      .toEqual([]);
    const knives: Tool = {
      ...chisel,
      family: 'planer-knives',
      edge: { form: 'knife-set', count: 3, lengthMm: 200, widthMm: 20, thicknessMm: 3, bevelDeg: 45 },
    };
    const scraper: Tool = {
      ...chisel,
      family: 'scraping-knife',
      edge: { form: 'scraping', lengthMm: 60, thicknessMm: 2.5, bevelDeg: 20, burrSide: 'right' },
    };
    for (const tool of [knives, scraper]) expect(planned(tool, [charged, bare], 25)).toEqual([]);
    expect(planned(chisel, [charged], 6, { strop: false })).toEqual([]);
    expect(planned(chisel, [charged], 6, { laidAside: ['charged'] })).toEqual([]);
  });

  it('goes by a channel that takes the gouge’s outside, and by flat leather where none does', () => {
    const outside: Tool = { ...gouge, edge: { ...gouge.edge, cannel: 'out' } as Tool['edge'] };
    // 16 wide and 4 deep: a radius of 10 mm.
    const channel = (radiusMm: number) => ({ ...channels, id: `r${String(radiusMm)}`, radiusMm });
    expect(ids(planned(outside, [charged, channel(11)], 6))).toEqual(['r11']);
    expect(ids(planned(outside, [charged, channel(9)], 6))).toEqual(['charged']);
    expect(ids(planned(outside, [charged, channel(16)], 6))).toEqual(['charged']);
    expect(ids(planned(outside, [charged, channels], 6))).toEqual(['channels']);
  });
});
