import { provideHttpClient } from '@angular/common/http';
import { provideHttpClientTesting } from '@angular/common/http/testing';
import type { ComponentFixture } from '@angular/core/testing';
import { TestBed } from '@angular/core/testing';
import type { Edge } from '@mellow-anvil/core/blade';
import { turning } from '@mellow-anvil/core/curve';
import { TurnedDrawing } from './turned-drawing';

const GOUGE: Edge = {
  ...{ form: 'gouge', widthMm: 20, depthMm: 5, thicknessMm: 2.4, cannel: 'out', bevelDeg: 22 },
};

describe('TurnedDrawing', () => {
  beforeEach(() =>
    TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] }),
  );
  const show = async (edge: Edge, rodMm?: number): Promise<ComponentFixture<TurnedDrawing>> => {
    const fixture = TestBed.createComponent(TurnedDrawing);
    fixture.componentRef.setInput('turning', turning(edge, rodMm));
    await fixture.whenStable();
    return fixture;
  };
  const all = (fixture: ComponentFixture<TurnedDrawing>, cls: string): string[] =>
    [...(fixture.nativeElement as HTMLElement).querySelectorAll(`.${cls}`)].map(
      (each) => each.getAttribute('d') ?? '',
    );
  const wordsOf = (fixture: ComponentFixture<TurnedDrawing>): string =>
    (fixture.nativeElement as HTMLElement).querySelector('svg')?.getAttribute('aria-label') ?? '';

  it('shows a gouge from its end, its side and above, and turns all three with the slider and the finger', async () => {
    const fixture = await show(GOUGE);
    const host = fixture.nativeElement as HTMLElement;
    expect([...host.querySelectorAll('p span')].map(({ textContent }) => textContent.trim())).toEqual([
      'from its end',
      'from its side',
      'from above',
    ]);
    expect(wordsOf(fixture)).toContain('Its middle down: 1.63 mm');
    expect(host.querySelector('label')?.textContent).toContain('Turn it, 99° in all');
    const middle = all(fixture, 'edge');
    const slider = host.querySelector('input[type=range]') as HTMLInputElement;
    slider.value = '-1';
    slider.dispatchEvent(new Event('input'));
    await fixture.whenStable();
    const left = all(fixture, 'edge');
    left.forEach((each, i) =>
      expect(each === middle[i])
        .withContext(each)
        .toBeFalse(),
    );
    expect(wordsOf(fixture)).toContain('Rolled 49° to the left');
    const svg = host.querySelector('svg') as SVGSVGElement;
    svg.setPointerCapture = () => undefined;
    const point = (type: string, clientX: number): boolean =>
      svg.dispatchEvent(new PointerEvent(type, { clientX, pointerId: 1 }));
    point('pointerdown', 10);
    point('pointermove', 10 + svg.getBoundingClientRect().width);
    point('pointerup', 10);
    point('pointermove', 0);
    await fixture.whenStable();
    expect(wordsOf(fixture)).toContain('Rolled 49° to the right');
  });

  it('lays a rod in a hollow instead of a stone under it, in every view', async () => {
    const fixture = await show({ ...GOUGE, cannel: 'in' } as Edge, 7);
    expect(all(fixture, 'rod').filter(Boolean).length).toBe(3);
    expect(all(fixture, 'stone').filter(Boolean)).toEqual([]);
    expect(all(await show(GOUGE), 'stone').filter(Boolean).length).toBe(2);
  });
});
