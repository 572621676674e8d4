import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { check, toolSchema } from '@mellow-anvil/contract';
import { type Edge, edgeChain, FAMILY_NAMES, usualEdge } from '@mellow-anvil/core/blade';
import { textOf, typeInto } from '../../testing/host';
import { EDGE, IRON, playServer } from '../../testing/page';
import { EDGE_FIGURES, readable, type EdgeDraft } from '../../drawings/blade';
import { EdgeFields } from './edge-fields';
import { FrontView } from '../../drawings/front-view';
import { handlesOf, scaleOf, VIEW } from '../../drawings/section-view';

describe('usualEdge', () => {
  for (const family of FAMILY_NAMES) {
    it(`begins a ${family} with an edge the contract takes and the desk draws, every figure in a field`, () => {
      const edge = usualEdge(family);
      expect(check(toolSchema, { ...IRON, family, edge })).toEqual(jasmine.objectContaining({ ok: true }));
      expect(() => edgeChain(edge)).not.toThrow();
      const typed = new Set(EDGE_FIGURES[edge.form].map(({ field }) => field));
      const numbers = Object.entries(edge).flatMap(([field, value]) =>
        typeof value === 'number' ? [field] : [],
      );
      expect(numbers.filter((field) => !typed.has(field))).toEqual([]);
    });
  }
});

describe('readable', () => {
  it('waits for what an edge cannot do without, and leaves out what is only half typed', () => {
    expect(readable({ ...EDGE, thicknessMm: undefined } as EdgeDraft)).toBeUndefined();
    expect(readable({ ...EDGE, primaryDeg: NaN } as EdgeDraft)).toBeUndefined();
    const edge = readable({ ...EDGE, secondaryDeg: NaN, microDeg: undefined } as EdgeDraft);
    expect(edge && Object.keys(edge)).not.toContain('secondaryDeg');
    expect(edge?.form).toBe('single-bevel');
  });
});

describe('handles of a section', () => {
  const edges: readonly Edge[] = [
    { ...EDGE, microDeg: 34, microLandMm: 0.2, back: 'shim', polishedMm: 0.5 },
    usualEdge('gouge'),
    usualEdge('skew'),
    usualEdge('chip-knife'),
    usualEdge('scraping-knife'),
  ];

  it('stand in view at every zoom, inside what they may be, and give their own value where they sit', () => {
    for (const edge of edges) {
      const chain = edgeChain(edge);
      for (let zoom = 0; zoom <= 1; zoom += 0.05) {
        for (const handle of handlesOf(chain, scaleOf(chain, zoom))) {
          const { at, least, most, value, label } = handle;
          const told = `${edge.form} ${label} at ${zoom.toFixed(2)}`;
          expect(at.x >= 0 && at.x <= VIEW.width && at.y >= 0 && at.y <= VIEW.height)
            .withContext(told)
            .toBeTrue();
          expect(value >= least && value <= most)
            .withContext(told)
            .toBeTrue();
          const step = handle.kind === 'angle' ? 0.5 : handle.step;
          expect(Math.abs(handle.valueAt(at) - value))
            .withContext(told)
            .toBeLessThanOrEqual(step / 2 + 1e-6);
        }
      }
    }
  });

  it('never drag an angle past its neighbour’s, nor a land to nothing', () => {
    const chain = edgeChain({ ...EDGE, microDeg: 34, microLandMm: 0.4 });
    const handles = handlesOf(chain, scaleOf(chain, 0.3));
    const of = (field: string) => handles.find((handle) => handle.field === field);
    expect(of('secondaryDeg')?.valueAt({ x: 60, y: -500 })).toBe(33.5);
    expect(of('secondaryDeg')?.valueAt({ x: 650, y: 250 })).toBe(25.5);
    expect(of('microLandMm')?.valueAt({ x: 0, y: 290 })).toBeGreaterThan(0);
  });
});

describe('EdgeFields', () => {
  let fixture: ComponentFixture<EdgeFields>;
  const changes: object[] = [];
  const show = async (draft: EdgeDraft, more: Readonly<Record<string, unknown>> = {}): Promise<void> => {
    TestBed.resetTestingModule();
    playServer();
    changes.length = 0;
    fixture = TestBed.createComponent(EdgeFields);
    for (const [name, value] of Object.entries({ draft, family: 'plane-iron', ...more })) {
      fixture.componentRef.setInput(name, value);
    }
    fixture.componentInstance.changed.subscribe((change) => changes.push(change));
    await fixture.whenStable();
  };

  it('asks a wheel’s radius of a hollow grind only, and says what stands in its place', async () => {
    await show(EDGE);
    expect(textOf(fixture)).not.toContain('Radius of the');
    await show({ ...EDGE, grind: 'hollow' });
    expect(textOf(fixture)).toContain('Radius of the wheel');
    expect(textOf(fixture)).toContain('Taken as 75 mm until you give it');
    await typeInto(fixture, 'Radius of the wheel', '100');
    expect(changes.at(-1)).toEqual({ grindRadiusMm: 100 });
  });

  it('takes the front line whole: an arc by its radius, eased corners by width and depth', async () => {
    await show({ ...EDGE, front: { shape: 'corners-relieved', widthMm: 3, depthMm: 0.08 } });
    await typeInto(fixture, 'Corners eased over', '4');
    expect(changes.at(-1)).toEqual({ front: { shape: 'corners-relieved', widthMm: 4, depthMm: 0.08 } });
    await show({ ...EDGE, front: { shape: 'arc', radiusMm: 4500 } });
    await typeInto(fixture, 'Radius of the arc', '300');
    expect(changes.at(-1)).toEqual({ front: { shape: 'arc', radiusMm: 300 } });
  });

  it('shows the contract’s sentence at the very figure, of every form', async () => {
    await show(usualEdge('whittling-knife'), {
      family: 'whittling-knife',
      sentences: { 'edge.leftDeg': 'choose a steeper bevel' },
    });
    expect(textOf(fixture, '[aria-invalid=true]')).toBe('');
    expect(textOf(fixture, '.sentence-error')).toBe('choose a steeper bevel');
    expect((fixture.nativeElement as HTMLElement).querySelectorAll('[aria-invalid=true]').length).toBe(1);
  });

  it('asks a new tool only for what it cannot do without', async () => {
    await show(EDGE, { fresh: true });
    expect(textOf(fixture)).not.toMatch(/Grind|Edge from the front|Micro-bevel|Land now/);
  });
});

describe('FrontView of edges that are not straight across', () => {
  const paths = async (edge: Edge): Promise<string> => {
    TestBed.resetTestingModule();
    playServer();
    const fixture = TestBed.createComponent(FrontView);
    fixture.componentRef.setInput('edge', edge);
    await fixture.whenStable();
    const host: HTMLElement = fixture.nativeElement;
    return host.querySelector('.edge')?.getAttribute('d') ?? '';
  };

  it('slants a skewed edge by its skew', async () => {
    const edge: Edge = {
      form: 'double-bevel',
      widthMm: 12,
      thicknessMm: 2,
      leftDeg: 15,
      rightDeg: 15,
      skewDeg: 25,
      grind: 'flat',
    };
    const [x1, y1, x2, y2] = ((await paths(edge)).match(/[\d.]+/g) ?? []).map(Number) as [
      number,
      number,
      number,
      number,
    ];
    expect((Math.atan2(y1 - y2, x2 - x1) * 180) / Math.PI).toBeCloseTo(25, 0);
  });

  it('draws a gouge past a half circle the long way round, and a shallow one the short way', async () => {
    const gouge = { form: 'gouge', thicknessMm: 2, cannel: 'out', bevelDeg: 22 } as const;
    expect(await paths({ ...gouge, widthMm: 12, depthMm: 9 })).toMatch(/A[\d.]+ [\d.]+ 0 1 0/);
    expect(await paths({ ...gouge, widthMm: 20, depthMm: 5 })).toMatch(/A[\d.]+ [\d.]+ 0 0 0/);
  });

  it('opens a V-tool’s wings by their angle, and draws no front of a knife', async () => {
    const v: Edge = { form: 'v', wingMm: 9, openingDeg: 60, thicknessMm: 2, bevelDeg: 22, keelRadiusMm: 0 };
    const [x1, y1, x2, y2] = ((await paths(v)).match(/[\d.]+/g) ?? []).map(Number) as [
      number,
      number,
      number,
      number,
    ];
    expect((2 * Math.atan2(x2 - x1, y2 - y1) * 180) / Math.PI).toBeCloseTo(60, 0);
    expect(await paths(usualEdge('chip-knife'))).toBe('');
  });
});
