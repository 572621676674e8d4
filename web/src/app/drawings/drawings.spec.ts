import { TestBed } from '@angular/core/testing';
import {
  type Edge,
  type EdgeForm,
  FAMILY_NAMES,
  familyFacts,
  type FrontLine,
  type Tool,
} from '@mellow-anvil/core/blade';
import { EDGE, IRON, playServer } from '../testing/page';
import { textOf } from '../testing/host';
import { edgeWords } from './blade';
import { EdgeGlyph } from './edge-glyph';
import { FrontView } from './front-view';

const EDGES: Readonly<Record<EdgeForm, Edge>> = {
  'single-bevel': EDGE,
  'double-bevel': {
    form: 'double-bevel',
    widthMm: 16,
    thicknessMm: 2.6,
    leftDeg: 15,
    rightDeg: 20,
    skewDeg: 25,
    grind: 'flat',
  },
  gouge: { form: 'gouge', widthMm: 12, depthMm: 9, thicknessMm: 2.2, cannel: 'in', bevelDeg: 22 },
  v: { form: 'v', wingMm: 9, openingDeg: 60, thicknessMm: 2, bevelDeg: 22, keelRadiusMm: 0.4 },
  knife: { form: 'knife', lengthMm: 78, widthMm: 18, spineMm: 2.7, leftDeg: 12, rightDeg: 12, grind: 'flat' },
  hook: {
    form: 'hook',
    make: 'flat-inside',
    lengthMm: 55,
    innerRadiusMm: 22,
    thicknessMm: 2.6,
    includedDeg: 25,
  },
  'knife-set': { form: 'knife-set', count: 3, lengthMm: 260, widthMm: 25, thicknessMm: 3, bevelDeg: 40 },
  scraping: { form: 'scraping', lengthMm: 60, thicknessMm: 2.5, bevelDeg: 20, burrSide: 'right' },
};

describe('small drawings', () => {
  it('draw and describe an edge of every family, with no nonsense in them', async () => {
    playServer();
    for (const family of FAMILY_NAMES) {
      const edge = EDGES[familyFacts(family).form];
      const fixture = TestBed.createComponent(EdgeGlyph);
      fixture.componentRef.setInput('edge', edge);
      await fixture.whenStable();
      const paths = [...(fixture.nativeElement as HTMLElement).querySelectorAll('path')].map(
        (path) => path.getAttribute('d') ?? '',
      );
      expect(paths.length).withContext(family).toBeGreaterThan(0);
      expect(paths.join(' '))
        .withContext(family)
        .not.toMatch(/NaN|Infinity|undefined/);
      const words = edgeWords({ ...IRON, family, edge } as Tool, (mm) => `${mm} mm`);
      expect(words)
        .withContext(family)
        .toMatch(/\d+°.*\d/);
    }
  });

  it('tell blades apart by thickness at one scale', async () => {
    playServer();
    const heightOf = async (thicknessMm: number): Promise<number> => {
      const fixture = TestBed.createComponent(EdgeGlyph);
      fixture.componentRef.setInput('edge', { ...EDGE, thicknessMm });
      await fixture.whenStable();
      const d = (fixture.nativeElement as HTMLElement).querySelector('.steel')?.getAttribute('d') ?? '';
      const ys = [...d.matchAll(/[ML]\S+ ([\d.]+)/g)].map(([, y]) => Number(y));
      return Math.max(...ys) - Math.min(...ys);
    };
    expect((await heightOf(6)) / (await heightOf(3))).toBeCloseTo(2, 1);
  });
});

describe('FrontView', () => {
  const show = async (front: FrontLine): Promise<string> => {
    TestBed.resetTestingModule();
    playServer();
    const fixture = TestBed.createComponent(FrontView);
    fixture.componentRef.setInput('edge', { ...EDGE, front });
    await fixture.whenStable();
    return textOf(fixture);
  };

  it('says by how much a slight camber is exaggerated, and draws a strong one as it is', async () => {
    expect(await show({ shape: 'straight' })).toContain('straight');
    const [, slight = '0'] = /drawn × (\d+)/.exec(await show({ shape: 'arc', radiusMm: 4420 })) ?? [];
    expect(Number(slight)).toBeGreaterThan(50);
    expect(await show({ shape: 'arc', radiusMm: 30 })).toContain('drawn × 1');
    expect(await show({ shape: 'corners-relieved', widthMm: 3, depthMm: 0.1 })).toContain('corners eased');
  });

  it('says that a radius is too tight instead of drawing it', async () => {
    expect(await show({ shape: 'arc', radiusMm: 10 })).toContain('radius too tight');
  });
});
