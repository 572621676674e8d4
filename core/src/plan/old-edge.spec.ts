import type { OwnedAbrasive } from '../abrasive/abrasive.js';
import { abrasive } from '../testing/blades.js';
import { hollowedBack } from '../grinding/hollowed-back.js';
import type { SingleBevelEdge } from '../blade/edge.js';
import { orderOfWork } from './order-of-work.js';
import { type OldEdge, oldEdge, type OldEdgeFound } from './old-edge.js';
import { planOf } from './compose.js';

const wheel: OwnedAbrasive = {
  ...abrasive('wheel', 250),
  kind: 'dry-wheel',
  overheadMin: 2,
  wheel: { widthMm: 25, rpm: 2850, readings: [{ on: '2026-10-19', diameterMm: 150 }] },
};
const bench = [35, 14, 1.8].map((um) => abrasive(`${um} µm`, um, { widthMm: 70 }));
const old: OldEdge = {
  family: 'drawknife',
  steel: 'high-carbon',
  handles: 'sound',
  blade: 'whole',
  rust: 'none',
  line: 'straight',
  edgeMm: 200,
  thicknessMm: 5,
  backMm: 25,
  hardMm: 12,
  nickMm: 0,
  pitsMm: 0.1,
  rimPitsMm: 0.05,
};
const look = (change: Partial<OldEdge>, on = [...bench, wheel]) => oldEdge({ ...old, ...change }, on, 6);

function takenOf({ taken }: OldEdgeFound): NonNullable<OldEdgeFound['taken']> {
  if (!taken) throw new Error('no plan was made');
  return taken;
}

describe('an old edge before money', () => {
  it('takes what the plan takes that would be walked, part for part', () => {
    const found = look({ nickMm: 0.6 });
    const { tool, request } = takenOf(found);
    const plan = planOf(tool, [...bench, wheel], request);
    expect(found.minutes).toBeCloseTo(plan.totalMin, 9);
    expect(found.work.reduce((sum, { minutes }) => sum + minutes, 0)).toBeCloseTo(plan.totalMin, 9);
    const backMm = plan.job.recessionMm + (plan.grinding?.backMm ?? 0);
    expect(found.recessionMm).toBeCloseTo(backMm, 9);
    expect(found.leftMm).toBeCloseTo(12 - backMm, 9);
    expect(found.recessionMm).toBeGreaterThanOrEqual(0.6);
  });

  it('hollows a pitted back where there is a wheel, far sooner than flattening it without one', () => {
    const [hollowed, whole] = [look({}), look({}, bench)];
    expect(hollowed.work.map(({ what }) => what)).toContain('hollow');
    expect(whole.work.map(({ what }) => what)).not.toContain('hollow');
    expect(hollowed.minutes).toBeLessThan(whole.minutes / 2);
    const edge = hollowed.taken?.tool.edge as SingleBevelEdge;
    const passes = edge.hollows ?? 1;
    const hollow = hollowedBack({ wheelRadiusMm: 75, backMm: 25, edgeRimMm: 3, farRimMm: 3, passes });
    expect(edge.hollowDeepMm).toBeCloseTo(hollow.depthMm, 9);
    expect(hollow.depthMm).toBeLessThanOrEqual(0.5);
  });

  it('is walked with the wheel at the back first, colour on it, and its rims before the edge', () => {
    const { tool, request } = takenOf(look({ nickMm: 0.6 }));
    const plan = planOf(tool, [...bench, wheel], request);
    const { order, steps } = orderOfWork({ plan, tool, request, stoneOf: () => undefined });
    const kinds = order.map(({ kind }) => kind);
    expect(kinds.indexOf('hollow')).toBeLessThan(kinds.indexOf('colour-back'));
    expect(kinds.indexOf('colour-back')).toBeLessThan(kinds.indexOf('polished'));
    expect(steps.find(({ facet }) => facet === 'back')?.along).toEqual({ way: 'parts', visits: 3 });
    for (const { strokes, along } of steps) if (along) expect(strokes % along.visits).toBe(0);
  });

  it('is left for what no stone mends, and for steel that would be gone', () => {
    expect(look({ blade: 'hammered' })).toEqual(
      jasmine.objectContaining({ verdict: 'leave', reasons: ['hammered'] }),
    );
    expect(look({ blade: 'bent' }).verdict).toBe('leave');
    expect(look({ hardMm: 2.2, nickMm: 0.5 }).reasons).toContain('steel-gone');
    expect(look({}, []).reasons).toContain('no-plan');
    // Sound and clean, it is a user; pits and handles make it a project.
    expect(look({ pitsMm: 0, rimPitsMm: 0, hardMm: 20 }).verdict).toBe('user');
    expect(look({ handles: 'broken' }).verdict).toBe('project');
  });

  it('grows dearer with every fault, and its years fall', () => {
    const clean = look({});
    const worse = [
      { nickMm: 1 },
      { rimPitsMm: 0.1 },
      { handles: 'loose' },
      { rust: 'scale' },
      { edgeMm: 260 },
    ] as const;
    for (const change of worse)
      expect(look(change).minutes).withContext(JSON.stringify(change)).toBeGreaterThan(clean.minutes);
    const { low, high } = look({ nickMm: 3 }).years;
    expect(low).toBeLessThan(clean.years.low);
    expect(high).toBeGreaterThan(low);
    expect(oldEdge(old, [...bench, wheel], 12).years.low).toBeCloseTo(clean.years.low / 2, 6);
  });

  it('leaves a wide rim at the edge of what is guided by its back', () => {
    const edge = look({ family: 'bench-chisel', edgeMm: 25, backMm: 100, thicknessMm: 4 }).taken?.tool.edge;
    expect(edge).toEqual(jasmine.objectContaining({ back: 'hollowed', polishedMm: 10 }));
  });

  it('lays a plane iron’s back over a shim, in place of hours', () => {
    const found = look({ family: 'plane-iron', edgeMm: 50, backMm: 40, thicknessMm: 2.5 });
    expect(found.taken?.tool.edge).toEqual(jasmine.objectContaining({ back: 'shim' }));
    expect(found.work.map(({ what }) => what)).not.toContain('hollow');
    expect(found.minutes).toBeLessThan(60);
  });

  it('refuses what has no flat back, and pits that cannot be', () => {
    expect(() => look({ family: 'gouge' })).toThrowError(/flat back/);
    expect(() => look({ pitsMm: 0.02, rimPitsMm: 0.1 })).toThrowError(/at least as deep/);
  });
});
