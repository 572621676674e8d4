import fc from 'fast-check';
import { Joi, type Schema } from './joi.js';
import { FAMILIES, type Family, FAMILY_NAMES, familyFacts, STEEL_NAMES } from '@mellow-anvil/core/blade';
import {
  GENERIC_SIDE_CLAMPING_GUIDE,
  guideAngle,
  guideProjection,
  type GuideSeat,
  liftStack,
  seatGeometry,
} from '@mellow-anvil/core/guide';
import { progression } from '@mellow-anvil/core/plan';
import { abrasiveSchema } from './abrasives.js';
import { calculations } from './calculations.js';
import { check } from './check.js';
import { RANGES, line, number, whole, type RangeName } from './fields.js';
import { guideSchema } from './guides.js';
import { planDraftSchema } from './plans.js';
import { changeSchema, listSchema } from './stored.js';
import { toolSchema } from './tools.js';

const names = Object.keys(RANGES) as RangeName[];
const fieldsOf = (schema: Schema, value: unknown): string[] => {
  const result = check(schema, value);
  return result.ok ? [] : result.errors.map(({ field }) => field);
};
const sentence = (schema: Schema, value: unknown): string => {
  const result = check(schema, value);
  return result.ok ? '' : (result.errors[0]?.message ?? '');
};

const chisel = {
  name: 'Chisel',
  family: 'bench-chisel',
  steel: 'high-carbon',
  edge: {
    form: 'single-bevel',
    widthMm: 19,
    thicknessMm: 3.5,
    primaryDeg: 25,
    secondaryDeg: 30,
    grind: 'flat',
    back: 'flat',
    front: { shape: 'straight' },
  },
};

describe('ranges', () => {
  for (const name of names) {
    it(`of ${name} hold at their ends, and say why beyond them`, () => {
      const { min, max, why, label } = RANGES[name];
      const schema = Joi.object({ it: number(name) });
      expect(fieldsOf(schema, { it: min })).toEqual([]);
      expect(fieldsOf(schema, { it: max })).toEqual([]);
      const span = max - min;
      for (const beyond of [min - span / 1000, max + span / 1000, Infinity, NaN]) {
        expect(fieldsOf(schema, { it: beyond }))
          .withContext(String(beyond))
          .toEqual(['it']);
      }
      expect(sentence(schema, { it: max + span })).toContain(why);
      expect(sentence(schema, { it: '3' })).toContain(label);
      expect(sentence(schema, {})).toContain('missing');
    });
  }

  it('count what is counted in whole numbers', () => {
    expect(sentence(Joi.object({ it: whole('count') }), { it: 2.5 })).toContain('whole number');
  });

  it('take a name in any script, and no control characters', () => {
    const schema = Joi.object({ name: line('Name') });
    for (const name of [
      'Stemmeisen für Ålesund',
      '鑿 24',
      '<b>plain text</b>',
      'O’Hara’s “best” chisel 🪵',
    ]) {
      expect(fieldsOf(schema, { name })).withContext(name).toEqual([]);
    }
    for (const name of ['', '   ', 'two\nlines', 'nul\u0000', 'x'.repeat(81), 7]) {
      expect(fieldsOf(schema, { name })).withContext(String(name)).toEqual(['name']);
    }
  });
});

describe('tools', () => {
  it('allow every family its own usual angles', () => {
    for (const family of FAMILY_NAMES) {
      const { form, primaryDeg, secondaryDeg } = familyFacts(family);
      if (form !== 'single-bevel') continue;
      for (const [primary, secondary] of [
        [primaryDeg[0], secondaryDeg?.[0]],
        [primaryDeg[1], secondaryDeg?.[1]],
      ]) {
        const edge = { ...chisel.edge, primaryDeg: primary, secondaryDeg: secondary };
        expect(fieldsOf(toolSchema, { ...chisel, family, edge }))
          .withContext(family)
          .toEqual([]);
      }
    }
  });

  it('never let a family that registers on its back have it bevelled', () => {
    const shim = { ...chisel.edge, back: 'shim' };
    const refused = FAMILY_NAMES.filter(
      (family) =>
        FAMILIES[family].form === 'single-bevel' &&
        fieldsOf(toolSchema, { ...chisel, family, edge: shim }).length > 0,
    );
    expect(refused).toEqual(['bench-chisel', 'paring-chisel', 'mortise-chisel', 'one-sided-knife']);
  });

  it('want each facet steeper than the one before it (fast-check)', () => {
    const deg = fc.integer({ min: 10, max: 60 });
    fc.assert(
      fc.property(
        deg,
        fc.option(deg, { nil: undefined }),
        fc.option(deg, { nil: undefined }),
        (primaryDeg, secondaryDeg, microDeg) => {
          const edge = { ...chisel.edge, primaryDeg, secondaryDeg, microDeg };
          const wrong = [
            ...(secondaryDeg !== undefined && secondaryDeg <= primaryDeg ? ['edge.secondaryDeg'] : []),
            ...(microDeg !== undefined && microDeg <= (secondaryDeg ?? primaryDeg) ? ['edge.microDeg'] : []),
          ];
          expect(fieldsOf(toolSchema, { ...chisel, edge })).toEqual(wrong);
        },
      ),
    );
  });

  it('refuse an edge of another form, an unknown family and an unknown steel', () => {
    expect(fieldsOf(toolSchema, { ...chisel, family: 'gouge' as Family })).toContain('edge.form');
    expect(fieldsOf(toolSchema, { ...chisel, family: 'spoon' })).toEqual(['family']);
    expect(sentence(toolSchema, { ...chisel, steel: 'cheese' })).toContain(STEEL_NAMES[0] as string);
    const cut = { shape: 'corners-relieved', widthMm: 3 };
    expect(fieldsOf(toolSchema, { ...chisel, edge: { ...chisel.edge, front: cut } })).toEqual([
      'edge.front.depthMm',
    ]);
  });

  it('are never changed without the version they were changed from', () => {
    const change = changeSchema(toolSchema);
    expect(fieldsOf(change, chisel)).toEqual(['version']);
    expect(fieldsOf(change, { ...chisel, version: 0 })).toEqual(['version']);
    expect(fieldsOf(change, { ...chisel, version: 1 })).toEqual([]);
  });
});

describe('an old edge on the rack', () => {
  const old = {
    name: 'Old drawknife',
    family: 'drawknife',
    steel: 'laminated',
    edge: {
      ...chisel.edge,
      widthMm: 190,
      secondaryDeg: undefined,
      back: 'hollowed',
      hollowMm: 20,
      farRimMm: 3,
    },
    handles: { fromEdgeMm: 45, lengthMm: 120, thickMm: 30, towardsBevelDeg: 10, besideMm: 5 },
    held: 'bevel-down',
    bought: {
      on: '2026-05-16',
      verdict: 'project',
      minutes: 92,
      recessionMm: 0.5,
      leftMm: 13,
      yearsLow: 36,
      yearsHigh: 130,
    },
  };

  it('keeps its hollowed back, its handles and how it was looked over', () => {
    expect(fieldsOf(toolSchema, old)).toEqual([]);
    expect(fieldsOf(toolSchema, { ...old, bought: { ...old.bought, verdict: 'maybe' } })).toEqual([
      'bought.verdict',
    ]);
    expect(fieldsOf(toolSchema, { ...old, handles: { ...old.handles, towardsBevelDeg: 95 } })).toEqual([
      'handles.towardsBevelDeg',
    ]);
    // A hollow's figures without a hollow say what to change.
    expect(sentence(toolSchema, { ...old, edge: { ...old.edge, back: 'flat' } })).toMatch(
      /belong to a back that is hollowed/,
    );
  });
});

describe('the rest of the bench', () => {
  it('takes the generic guide, and refuses a guide without seats or with two of one name', () => {
    const guide = GENERIC_SIDE_CLAMPING_GUIDE;
    expect(fieldsOf(guideSchema, guide)).toEqual([]);
    expect(sentence(guideSchema, { ...guide, seats: [] })).toContain('at least one seat');
    const [seat] = guide.seats;
    expect(sentence(guideSchema, { ...guide, seats: [seat, seat] })).toContain('share a name');
  });

  it('wants of every form of guide its own figures and no others, each told at its field', () => {
    const { rollerRadiusMm: _none, ...without } = GENERIC_SIDE_CLAMPING_GUIDE;
    expect(fieldsOf(guideSchema, without)).toEqual(['rollerRadiusMm']);
    const jig = {
      name: 'Jig',
      form: 'wet-wheel-jig',
      wheelRadiusMm: 125,
      jigProjectionMm: 139,
      offsetMm: 12,
    };
    expect(fieldsOf(guideSchema, jig)).toEqual([]);
    expect(fieldsOf(guideSchema, { ...jig, noseMm: 3 })).toEqual(['noseMm']);
    expect(fieldsOf(guideSchema, { name: 'Pair jig', form: 'pair-jig' })).toEqual(['fixedDeg']);
    expect(fieldsOf(guideSchema, { name: 'By hand', form: 'freehand' })).toEqual([]);
    expect(
      fieldsOf(guideSchema, { ...without, rollerRadiusMm: 9, noseMm: undefined, seats: undefined }).sort(),
    ).toEqual(['noseMm', 'seats']);
    const [seat] = GENERIC_SIDE_CLAMPING_GUIDE.seats;
    const one = { ...seat, measured: { readings: [{ projectionMm: 30, angleDeg: 30 }], divisionDeg: 0.5 } };
    expect(sentence(guideSchema, { ...GENERIC_SIDE_CLAMPING_GUIDE, seats: [one] })).toContain('two settings');
  });

  it('refuses an edge no blade can have, at the figure that makes it so', () => {
    const edge = (more: object): object => ({ ...chisel, edge: { ...chisel.edge, ...more } });
    expect(fieldsOf(toolSchema, edge({ thicknessMm: 4, grind: 'hollow', grindRadiusMm: 10 }))).toEqual([
      'edge.grindRadiusMm',
    ]);
    expect(fieldsOf(toolSchema, edge({ front: { shape: 'arc', radiusMm: 9 } }))).toEqual([
      'edge.front.radiusMm',
    ]);
    const knife = {
      form: 'knife',
      lengthMm: 80,
      widthMm: 12,
      spineMm: 4,
      leftDeg: 8,
      rightDeg: 8,
      grind: 'flat',
    };
    expect(sentence(toolSchema, { ...chisel, family: 'chip-knife', edge: knife })).toContain(
      '9.5° a side already',
    );
  });

  it('takes a shim’s figures only with a shim, and never one that stands the blade up', () => {
    const iron = { ...chisel, family: 'plane-iron' };
    const edge = (more: object): object => ({ ...iron, edge: { ...chisel.edge, ...more } });
    expect(fieldsOf(toolSchema, edge({ back: 'shim', shimMm: 0.5, shimAtMm: 45 }))).toEqual([]);
    expect(fieldsOf(toolSchema, edge({ back: 'rim', shimMm: 0.5 }))).toEqual(['edge.shimMm']);
    expect(fieldsOf(toolSchema, edge({ back: 'shim', shimMm: 3, shimAtMm: 3 }))).toEqual([
      'edge.shimMm',
      'edge.shimAtMm',
    ]);
  });

  it('asks a nicked edge how deep, and only a nicked one', () => {
    const draft = (condition: object): object => ({
      name: 'Plan',
      toolId: 'a',
      request: { condition, finishUm: 2, forceN: 20, strokesPerMin: 40, laidAside: [] },
    });
    expect(fieldsOf(planDraftSchema, draft({ kind: 'nicked' }))).toEqual(['request.condition.nickMm']);
    expect(fieldsOf(planDraftSchema, draft({ kind: 'nicked', nickMm: 0.3 }))).toEqual([]);
    expect(fieldsOf(planDraftSchema, draft({ kind: 'dull', nickMm: 0.3 }))).toEqual([
      'request.condition.nickMm',
    ]);
  });

  it('knows a grade by its standard', () => {
    const stone = (grade: object): object => ({
      name: 'Stone',
      kind: 'diamond-plate',
      grade,
      lubricant: 'water',
      strokeMm: 150,
      overheadMin: 0.5,
    });
    expect(fieldsOf(abrasiveSchema, stone({ standard: 'JIS', grade: '#1000' }))).toEqual([]);
    expect(fieldsOf(abrasiveSchema, stone({ standard: 'FEPA-P', grade: '1000 grit' }))).toEqual([
      'grade.grade',
    ]);
    expect(fieldsOf(abrasiveSchema, stone({ standard: 'mesh', grade: '1000' }))).toEqual(['grade.standard']);
  });

  it('tells at most twenty problems, each short', () => {
    const result = check(
      toolSchema,
      Object.fromEntries(Array.from({ length: 500 }, (_, i) => [`x${i}`.repeat(50), i])),
    );
    expect(result.ok).toBeFalse();
    if (result.ok) return;
    expect(result.errors.length).toBe(20);
    expect(Math.max(...result.errors.map(({ field }) => field.length))).toBeLessThanOrEqual(200);
  });

  it('reads numbers from text in a query, and nowhere else', () => {
    const list = listSchema(['name']);
    expect(check(list, { page: '3' }, true)).toEqual({
      ok: true,
      value: { page: 3, sort: 'name', pageSize: 100 } as never,
    });
    expect(fieldsOf(list, { page: '3' })).toEqual(['page']);
  });
});

const HANDLES = { fromEdgeMm: 45, lengthMm: 120, thickMm: 30, towardsBevelDeg: 10, besideMm: 5 };

describe('calculations', () => {
  it('answer by core what their schemas allow, in the form their schemas promise', () => {
    const guide = seatGeometry(
      GENERIC_SIDE_CLAMPING_GUIDE,
      GENERIC_SIDE_CLAMPING_GUIDE.seats[0] as GuideSeat,
    );
    const abrasives = [{ id: 'a', sizeUm: 3, strokeMm: 150, overheadMin: 0.5 }];
    const job = { removeMm3: 0.1, contactMm2: 20, forceN: 20, strokesPerMin: 40 };
    const cases: Record<string, [object, object?]> = {
      'guide-projection': [{ guide, angleDeg: 30 }, guideProjection({ guide, angleDeg: 30 })],
      'guide-angle': [{ guide, projectionMm: 30 }],
      grit: [{ standard: 'JIS', grade: '8000' }],
      'land-growth': [{ primaryDeg: 25, secondaryDeg: 30, recessionMm: 0.2 }],
      'guide-calibration': [
        {
          rollerRadiusMm: 9,
          readings: [40, 34, 30, 26].map((projectionMm) => ({
            projectionMm,
            angleDeg: guideAngle({ guide, projectionMm }).angleDeg + (projectionMm === 34 ? 4 : 0),
          })),
        },
      ],
      'back-bevel': [{ shimMm: 0.5, distanceMm: 45 }],
      'knife-lift': [{ widthMm: 22, spineThicknessMm: 3, bevelDeg: 15 }],
      'lift-stack': [
        { widthMm: 22, bevelDeg: 15, packing: [{ name: 'washer', thicknessMm: 1.9, count: 6 }] },
        liftStack({ widthMm: 22, bevelDeg: 15 }, [{ name: 'washer', thicknessMm: 1.9, count: 6 }]),
      ],
      'right-angle-folding': [{ angleDeg: 30 }],
      'wheel-support': [{ wheelRadiusMm: 125, jigProjectionMm: 139, offsetMm: 12, angleDeg: 25 }],
      'honed-hollow': [{ wheelRadiusMm: 75, thicknessMm: 4, bevelDeg: 25, recessionMm: 0.2 }],
      'pass-heat': [
        {
          bevelDeg: 25,
          thicknessMm: 3.5,
          widthMm: 19,
          stopShortMm: 0.7,
          pushN: 5,
          rimMs: 22,
          steel: 'high-carbon',
          limitC: 200,
        },
      ],
      'held-ways': [{ towardsBevelDeg: 10, bevelDeg: 28 }],
      'handles-at-wheel': [
        { handles: HANDLES, face: 'bevel', bevelDeg: 28, thicknessMm: 5, wheelRadiusMm: 75 },
      ],
      'handles-at-slab': [{ handles: HANDLES, face: 'back', backMm: 25, edgeMm: 200, stoneMm: 70 }],
      'strokes-along': [{ along: 'parts', edgeMm: 230, stoneMm: 70, strokes: 30 }],
      'hollowed-back': [{ wheelRadiusMm: 75, backMm: 30, edgeRimMm: 3, farRimMm: 3 }],
      'hollow-grind': [{ wheelRadiusMm: 75, thicknessMm: 4, bevelDeg: 25 }],
      camber: [{ widthMm: 50, bedDeg: 45, shavingMm: 0.05, passStepMm: 40 }],
      'camber-reading': [{ widthMm: 50, bedDeg: 45, shavingMm: 0.05, shavingWidthMm: 30 }],
      'camber-strokes': [
        {
          widthMm: 50,
          camberMm: 0.07,
          positions: 3,
          landMm: 0.6,
          secondaryDeg: 30,
          removalPerStrokeMm3: 0.01,
        },
      ],
      rocker: [{ widthMm: 50, camberMm: 0.07, knobSpacingMm: 30, threadPitchMm: 0.8 }],
      'corner-lean': [{ widthMm: 50, camberMm: 0.07, bevelDeg: 30 }],
      'edge-profile': [{ widthMm: 50, points: [0, 12, 25, 38, 50].map((atMm) => ({ atMm, outMm: 12 })) }],
      'light-reading': [{ widthMm: 50, leftMm: 0.06, rightMm: 0.08 }],
      'board-tracks': [{ widthMm: 50, bedDeg: 45, leftMm: 0.02, rightMm: 0 }],
      'gouge-arc': [{ widthMm: 20, depthMm: 5 }],
      'traced-arc': [{ widthMm: 20, heights: [{ atMm: 10, heightMm: 5 }] }],
      'running-edge': [{ widthMm: 12, thicknessMm: 3, skewDeg: 25, leftDeg: 15, rightDeg: 15, radiusMm: 4 }],
      'rod-fit': [{ innerRadiusMm: 14, paperMm: 0.2 }],
      'plane-angles': [{ bedDeg: 45, orientation: 'bevel-down', bevelDeg: 38, backBevelDeg: 0 }],
      'edge-keep': [{ angleDeg: 40, referenceDeg: 30 }],
      'skew-cut': [{ bevelDeg: 25, skewDeg: 30 }],
      'setting-shift': [
        {
          primaryDeg: 25,
          thicknessMm: 3,
          widthMm: 50,
          landMm: 0.8,
          lastDeg: 30,
          nextDeg: 31,
          recessionMm: 0.01,
        },
      ],
      'angle-advice': [
        {
          family: 'plane-iron',
          steel: 'air-hardening',
          job: 'smoothing',
          sideHardnessLbf: 1360,
          record: { edges: 9, chipped: 2, includedDeg: 33, sideHardnessLbf: 1100, steel: 'air-hardening' },
          host: { bedDeg: 45, orientation: 'bevel-down' },
        },
      ],
      'finish-advice': [{ family: 'plane-iron', job: 'smoothing', sideHardnessLbf: 510 }],
      progression: [{ abrasives, job, finishUm: 3 }, progression({ abrasives, job, finishUm: 3 })],
      'regrind-interval': [
        {
          primaryDeg: 25,
          secondaryDeg: 30,
          widthMm: 50,
          recessionPerHoningMm: 0.02,
          removalMm3PerMin: 1.5,
          regrindMin: 12,
        },
      ],
      rota: [
        { pieces: 3, slots: 2, strokesEach: 2, strokesPerRound: 1 },
        {
          rounds: [
            [1, 2],
            [1, 3],
            [2, 3],
          ],
          swaps: 2,
        },
      ],
      countdown: [{ from: 3 }, { strokes: 12, sequence: [3, 3, 2, 2, 1, 1] }],
      'condition-intake': [
        {
          edge: chisel.edge,
          condition: { kind: 'dull', faults: [{ kind: 'out-of-square', mm: 0.1 }] },
          landMm: 0.5,
        },
      ],
      'edge-life': [
        {
          intervals: [
            { minutes: 60, censored: false },
            { minutes: 90, censored: false },
            { minutes: 45, censored: true },
          ],
        },
      ],
      'learned-rate': [{ ratios: [1.2, 1.4] }],
      'edge-work': [
        {
          edge: { form: 'double-bevel', widthMm: 20, thicknessMm: 4, leftDeg: 12, rightDeg: 12 },
          tipUm: 3,
          marksUm: 1.4,
          works: [{ removalMm3PerNm: 0.005, forceN: 20, strokeMm: 150, strokes: 10, marksUm: 1.38 }],
        },
      ],
      'primary-shaping': [{ thicknessMm: 3, foundDeg: 34, wantedDeg: 25, landLeftMm: 0 }],
      'strop-wrap': [{ forceN: 22, widthMm: 20, contactMm: 1, leatherMm: 2, modulusMPa: 30 }],
      'knife-angle': [{ widthMm: 18, liftMm: 3.2 }],
    };
    expect(Object.keys(cases).sort()).toEqual(Object.keys(calculations).sort());
    for (const [name, { input, output, run }] of Object.entries(calculations)) {
      const [body, expected] = cases[name] as [object, object?];
      expect(fieldsOf(input, body)).withContext(name).toEqual([]);
      const answer = run(body as never);
      expect(fieldsOf(output, answer)).withContext(name).toEqual([]);
      if (expected) expect(answer).withContext(name).toEqual(expected);
    }
  });
});
