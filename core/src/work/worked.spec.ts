import fc from 'fast-check';
import type { Edge, EdgeForm } from '../blade/edge.js';
import type { OwnedAbrasive } from '../abrasive/abrasive.js';
import { planHoning } from '../plan/ways-out.js';
import { edgeHistory } from '../record/edge-state.js';
import type { SessionStep } from '../record/session.js';
import { familyFacts } from '../blade/families.js';
import type { Tool } from '../blade/tool.js';
import { sinDeg, tanDeg } from '../base/trig.js';
import { flatBlade, waterStone } from '../testing/blades.js';
import { EDGES, HOOK as hook } from '../testing/edges.js';
import { edgeAtMm } from './profile.js';
import { facetsNow, landMmOf, profileOf, tipUmOf, unworked, withTip } from './edge-at-work.js';
import { groundTo } from './ground.js';
import { sidesOf } from './sides.js';
import { contactMm2, setBack, steelToGoBackMm3, worked, type WorkItem } from './worked.js';
import { without } from '../testing/without.js';

const single = flatBlade({ widthMm: 40, secondaryDeg: 30, landMm: 0.5 });
const item = (strokes: number, more: Partial<WorkItem> = {}): WorkItem => ({
  strokes,
  forceN: 20,
  strokeMm: 150,
  removalMm3PerNm: 0.0048,
  marksUm: 1.4,
  steelFactor: 1,
  ...more,
});

describe('worked', () => {
  for (const [what, , edge] of EDGES) {
    it(`takes off ${what} just the steel of its strokes, and goes back as far as that much reaches (fast-check)`, () => {
      fc.assert(
        fc.property(fc.array(fc.integer({ min: 1, max: 200 }), { minLength: 1, maxLength: 4 }), (counts) => {
          const first = unworked(edge);
          const after = counts.reduce((state, strokes) => worked(edge, state, item(strokes)), first);
          const steel = counts.reduce((sum, strokes) => sum + strokes * 0.0048 * 20 * 0.15, 0);
          expect(after.steelMm3).toBeCloseTo(steel, 9);
          expect(after.recessionMm).toBeGreaterThan(0);
          const sides = sidesOf(edge);
          // Uneven sides share the steel, not the way: their apex wanders, and the measure taken back differs.
          if (sides.other && sides.one.facets.at(-1)?.deg !== sides.other.facets.at(-1)?.deg) return;
          expect(steelToGoBackMm3(edge, first, after.recessionMm) / steel).toBeCloseTo(1, 5);
          expect(setBack(edge, first, after.recessionMm).recessionMm).toBe(after.recessionMm);
        }),
        { numRuns: 25 },
      );
    });
  }

  it('clears marks as deep as the face went down, to the stone’s own and no further', () => {
    const first = { ...unworked(single), marksUm: { secondary: 6 } };
    const some = worked(single, first, item(2));
    const down = some.recessionMm * 1000 * sinDeg(30);
    expect(some.marksUm.secondary).toBeCloseTo(6 - down, 9);
    expect(worked(single, first, item(500)).marksUm.secondary).toBe(1.4);
  });

  it('a strop takes marks and no steel', () => {
    const first = { ...unworked(single), marksUm: { secondary: 1.4 } };
    const after = worked(single, first, item(40, { marksUm: 0.2, strop: true }));
    expect(after.marksUm.secondary).toBeLessThan(1.4);
    expect([after.steelMm3, after.recessionMm]).toEqual([0, 0]);
  });

  it('a nick goes first, then the tip; the tip is gone exactly where the circle says', () => {
    const nicked = { ...withTip(unworked(single), 4), nickMm: 0.1 };
    const tipMm = 0.004 / tanDeg(15);
    const at = (backMm: number): number => {
      const strokes = steelToGoBackMm3(single, nicked, backMm) / (0.0048 * 20 * 0.15);
      return tipUmOf(single, worked(single, nicked, item(strokes)));
    };
    expect(at(0.099)).toBe(4);
    expect(at(0.1 + tipMm / 2)).toBeCloseTo(2, 5);
    expect(at(0.1 + tipMm * 0.999)).toBeGreaterThan(0);
    expect(at(0.1 + tipMm * 1.001)).toBe(0);
  });

  it('strokes of the back lower the back: the edge goes back a little, the bevel is not touched', () => {
    const first = unworked(single);
    const after = worked(single, first, item(100, { facet: 'back' }));
    const downMm = (100 * 0.0048 * 20 * 0.15) / 40 / 3;
    expect(after.atMm.back).toBeCloseTo(downMm, 12);
    expect(after.recessionMm).toBeCloseTo(downMm / tanDeg(30), 9);
    expect(after.marksUm).toEqual({ back: 1.4 });
    // A whole back is more steel for the same way than a narrow land.
    expect(after.recessionMm).toBeLessThan(worked(single, first, item(100)).recessionMm / 4);
    const shimmed = { ...single, back: 'shim', shimMm: 0.5, shimAtMm: 45 } as const;
    const wedge = worked(shimmed, unworked(shimmed), item(10, { facet: 'back' }));
    const deeper = worked(shimmed, unworked(shimmed), item(40, { facet: 'back' }));
    expect((deeper.atMm.back ?? 0) / (wedge.atMm.back ?? 1))
      .withContext('a wedge grows with the square of its depth')
      .toBeCloseTo(2, 6);
  });

  it('a primary worked on stones shortens the land and leaves the edge alone', () => {
    const first = unworked({ ...single, landMm: 1.5 });
    const after = worked(single, first, item(300, { facet: 'primary' }));
    expect(landMmOf(single, after)).toBeLessThan(landMmOf(single, first));
    expect(after.recessionMm).toBe(0);
  });

  it('a secondary worked under a micro-bevel brings the edge back only once it is through', () => {
    const edge = { ...single, microDeg: 33, microLandMm: 0.1 } as const;
    const first = unworked(edge);
    const through = (first.atMm.micro ?? 0) - (first.atMm.secondary ?? 0);
    let state = first;
    while ((state.atMm.secondary ?? 0) - (first.atMm.secondary ?? 0) < through) {
      expect(state.recessionMm).toBe(0);
      state = worked(edge, state, item(1, { facet: 'secondary' }));
    }
    expect(worked(edge, state, item(1, { facet: 'secondary' })).recessionMm).toBeGreaterThan(0);
    const micro = facetsNow(edge, state).find(({ facet }) => facet === 'micro');
    expect(micro?.lengthMm).toBeCloseTo(0, 6);
  });

  it('one side of two alone moves the apex away from it; the other brings it back', () => {
    const [, , edge] = EDGES.find(([what]) => what === 'two whole sides') as (typeof EDGES)[number];
    const left = worked(edge, unworked(edge), item(50, { facet: 'left' }));
    expect(left.sidewaysMm).toBeGreaterThan(0);
    const both = worked(edge, left, item(50, { facet: 'right' }));
    expect(both.sidewaysMm).toBeCloseTo(0, 12);
    expect(both.recessionMm).toBeCloseTo(worked(edge, unworked(edge), item(100)).recessionMm, 12);
  });

  it('one side after the other leaves a nick and a tip as both in turn do', () => {
    const [, , edge] = EDGES.find(([what]) => what === 'two whole sides') as (typeof EDGES)[number];
    const nicked = { ...withTip(unworked(edge), 4), nickMm: 0.01 };
    for (const strokes of [10, 20, 30, 40]) {
      const half = item(strokes / 2);
      const [left, right] = (['left', 'right'] as const).map((facet) => ({ ...half, facet }));
      const turnAbout = worked(edge, worked(edge, nicked, left as WorkItem), right as WorkItem);
      const alike = worked(edge, nicked, item(strokes));
      expect(turnAbout.nickMm).toBeCloseTo(alike.nickMm, 12);
      expect(tipUmOf(edge, turnAbout)).withContext(String(strokes)).toBeCloseTo(tipUmOf(edge, alike), 9);
    }
    expect(tipUmOf(edge, worked(edge, nicked, item(400)))).toBe(0);
  });

  it('strokes by place bend the edge by where they pressed, less the deeper it is curved already', () => {
    const made = (camberMm: number, places: readonly number[]) => {
      const curve = { camberMm, leanMm: 0 };
      const strokes = places.reduce((sum, each) => sum + each, 0);
      const after = worked(single, { ...unworked(single), curve }, item(strokes, { places })).curve;
      return { camberMm: (after?.camberMm ?? NaN) - camberMm, leanMm: after?.leanMm ?? NaN };
    };
    const corners = made(0, [10, 0, 0, 0, 10]);
    expect(corners.camberMm).toBeGreaterThan(0);
    expect(corners.leanMm).toBeCloseTo(0, 12);
    expect(made(0, [0, 0, 0, 0, 10]).leanMm)
      .withContext('its right corner goes back')
      .toBeGreaterThan(0);
    expect(made(0.2, [0, 0, 20, 0, 0]).camberMm).toBeLessThan(made(0.05, [0, 0, 20, 0, 0]).camberMm);
    // A curve and a straight edge in between: pressed in the middle it flattens, and no further than straight.
    expect(made(0.1, [0, 0, 20, 0, 0]).camberMm).toBeLessThan(0);
    const evenly = worked(single, { ...unworked(single), curve: { camberMm: 0.1, leanMm: 0 } }, item(40));
    expect(evenly.curve).toEqual({ camberMm: 0.1, leanMm: 0 });
  });

  it('a knife hollow from heel to edge is honed on two rims, which widen until the hollow is gone', () => {
    const [, , edge] = EDGES.find(([what]) => what.startsWith('a knife hollow')) as (typeof EDGES)[number];
    const rim = (strokes: number): number =>
      (facetsNow(edge, worked(edge, unworked(edge), item(strokes)))[0]?.lengthMm ?? NaN) / 2;
    const half = 2.7 / 2 / sinDeg(12) / 2;
    expect(rim(1)).toBeLessThan(1);
    expect(rim(100)).toBeGreaterThan(rim(20));
    expect(rim(5000)).toBeCloseTo(half, 6);
    // The same strokes take a knife of flat facets down less: all of them lie on the stone.
    const flat = { ...edge, form: 'double-bevel', thicknessMm: 2.7, skewDeg: 0, grind: 'flat' } as Edge;
    const ratio =
      worked(edge, unworked(edge), item(20)).recessionMm / worked(flat, unworked(flat), item(20)).recessionMm;
    expect(ratio).toBeGreaterThan(1);
  });

  it('shows a hook bevelled on both sides both its faces: 10.05 mm at 30° and 2.6 mm', () => {
    const edge = { ...hook, make: 'bevelled-both-sides' } as const;
    expect(contactMm2(edge, unworked(edge)) / 50).toBeCloseTo(2.6 / sinDeg(15), 6);
    expect(2.6 / sinDeg(15)).toBeCloseTo(10.05, 2);
  });
});

describe('groundTo', () => {
  it('joints a nick: the land it leaves is still to be honed, and comes out as long', () => {
    const after = groundTo(single, unworked(single), { nickMm: 0.3, landLeftMm: 0.7 });
    expect(after.recessionMm).toBeCloseTo(0.3, 12);
    expect(landMmOf(single, after)).toBeCloseTo(0, 9);
    const square = sidesOf(single).one;
    expect(edgeAtMm(profileOf(square, after))).toBeCloseTo(after.jointMm ?? NaN, 12);
    const steel = steelToGoBackMm3(single, after, 0);
    expect(steel).withContext('it costs its strokes').toBeGreaterThan(0.5);
    const honed = worked(single, after, item(steel / (0.0048 * 20 * 0.15)));
    expect(landMmOf(single, honed)).toBeCloseTo(0.7, 4);
    expect(honed.recessionMm).toBeCloseTo(0.3, 6);
  });

  it('leaves a wheel’s hollow where the bevel stands now: its rims begin anew', () => {
    const hollow = {
      ...without(single, 'secondaryDeg'),
      landMm: 0.2,
      grind: 'hollow',
      grindRadiusMm: 75,
    } as const;
    const worn = worked(hollow, unworked(hollow), item(3000));
    expect(landMmOf(hollow, worn)).toBeGreaterThan(1);
    const again = groundTo(hollow, worn, { nickMm: 0, landLeftMm: 0 });
    expect(landMmOf(hollow, again)).toBeLessThan(0.01);
    // Honed as at first, it comes out as at first.
    const honed = worked(hollow, again, item(100));
    const first = worked(hollow, { ...unworked(hollow), atMm: {} }, item(100));
    expect(honed.recessionMm - again.recessionMm).toBeCloseTo(first.recessionMm, 6);
  });

  it('without a nick leaves the land at the edge, and takes what honing left of the primary', () => {
    const wide = unworked({ ...single, landMm: 2 });
    const after = groundTo(single, wide, { nickMm: 0, landLeftMm: 0.7 });
    expect(landMmOf(single, after)).toBeCloseTo(0.7, 9);
    expect(after.recessionMm).toBe(0);
    expect(after.steelMm3).toBeGreaterThan(0);
  });
});

describe('a plan and its record', () => {
  const stone = (id: string, grade: string): OwnedAbrasive => ({
    ...waterStone(id, { standard: 'JIS', grade }),
    serves: ['straight', 'outside-curve', 'inside-curve', 'hook'],
  });
  const bench = [stone('w400', '400'), stone('w1000', '1000'), stone('w8000', '8000')];

  for (const [what, family, edge] of EDGES) {
    for (const kind of ['dull', 'new', 'nicked'] as const) {
      it(`agree to the last digit on ${what}, ${kind}: done as planned, it is as the plan said`, () => {
        const tool: Tool = { name: what, family, steel: 'air-hardening', edge };
        const condition = { kind, ...(kind === 'nicked' && { nickMm: 0.05 }) };
        const plan = planHoning(tool, bench, {
          condition,
          finishUm: familyFacts(family).finestUm === undefined ? 14 : 30,
          forceN: 18,
          strokesPerMin: 40,
          laidAside: [],
        });
        const steps = [
          ...(plan.back ?? []).flatMap(({ id, strokes, prepares }): SessionStep[] =>
            prepares ? [{ abrasiveId: id, strokes, minutes: 1, forceN: 18, facet: 'back' }] : [],
          ),
          ...plan.steps.map(({ id, strokes, facet }): SessionStep => ({
            abrasiveId: id,
            strokes,
            minutes: 1,
            forceN: 18,
            ...(facet && { facet }),
          })),
        ];
        const [entry] = edgeHistory(
          tool,
          [
            {
              id: 's',
              toolId: 't',
              kind: 'honing',
              startedAt: '2026-11-28T09:00:00.000Z',
              conditionBefore: condition,
              steps,
            },
          ],
          bench,
        );
        expect(entry?.after.backMm).toBeCloseTo(plan.job.recessionMm, 12);
        expect(landMmOf(edge, (entry as NonNullable<typeof entry>).after.work)).toBeCloseTo(
          plan.job.landAfterMm,
          9,
        );
        expect(tipUmOf(edge, (entry as NonNullable<typeof entry>).after.work))
          .withContext('a burr will stand')
          .toBe(0);
      });
    }
  }

  it('agree on a stone placed by hand, whose grain is its neighbours’, not its grade’s', () => {
    const placed: OwnedAbrasive = {
      ...stone('found', '1000'),
      between: { coarserId: 'w400', finerId: 'w1000' },
    };
    const tool: Tool = { name: 'Iron', family: 'plane-iron', steel: 'high-carbon', edge: single };
    const set = [...bench, placed];
    const plan = planHoning(tool, set, {
      condition: { kind: 'dull' },
      finishUm: 1.2,
      forceN: 20,
      strokesPerMin: 40,
      school: 'exact',
      order: ['found', 'w8000'],
      laidAside: [],
    });
    const steps = plan.steps.map(({ id, strokes }): SessionStep => ({
      abrasiveId: id,
      strokes,
      minutes: 1,
      forceN: 20,
    }));
    expect(steps.map(({ abrasiveId }) => abrasiveId)).toEqual(['found', 'w8000']);
    const session = {
      id: 's',
      toolId: 't',
      kind: 'honing',
      startedAt: '2026-11-28T09:00:00.000Z',
      conditionBefore: { kind: 'dull' },
      steps,
    } as const;
    const after = edgeHistory(tool, [session], set)[0]?.after;
    expect(after?.backMm).toBeCloseTo(plan.job.recessionMm, 12);
    expect(after?.landMm).toBeCloseTo(plan.job.landAfterMm, 9);
  });

  it('have every form of edge there is', () => {
    const forms = new Set<EdgeForm>(EDGES.map(([, , { form }]) => form));
    expect(forms.size).toBe(8);
  });
});
