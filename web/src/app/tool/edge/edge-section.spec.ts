import { TestBed } from '@angular/core/testing';
import { textOf } from '../../testing/host';
import { EDGE, playServer } from '../../testing/page';
import type { Edge } from '@mellow-anvil/core/blade';
import { EdgeSection, type EdgeDrag } from './edge-section';

describe('EdgeSection', () => {
  const show = async (edge: Edge = EDGE) => {
    playServer();
    const fixture = TestBed.createComponent(EdgeSection);
    fixture.componentRef.setInput('edge', edge);
    const drags: EdgeDrag[] = [];
    fixture.componentInstance.dragged.subscribe((drag) => drags.push(drag));
    await fixture.whenStable();
    const host: HTMLElement = fixture.nativeElement;
    return { fixture, host, drags };
  };
  /** The slope a drawn facet really has on the screen, degrees. */
  const slope = (host: HTMLElement, facet: string): number => {
    const numbers =
      (host.querySelector(`.facet.${facet}`)?.getAttribute('d') ?? '').match(/-?[\d.]+/g)?.map(Number) ?? [];
    const [x1 = 0, y1 = 0, x2 = 0, y2 = 0] = numbers;
    return (Math.atan2(y1 - y2, x2 - x1) * 180) / Math.PI;
  };

  const handle = (host: HTMLElement, label: string): Element | null =>
    host.querySelector(`[role=slider][aria-label="${label}"]`);
  const press = (at: Element | null | undefined, key: string): unknown =>
    at?.dispatchEvent(new KeyboardEvent('keydown', { key }));

  it('draws each facet at its own angle, and again when a figure changes', async () => {
    const { fixture, host } = await show();
    expect(slope(host, 'primary')).toBeCloseTo(25, 0);
    expect(slope(host, 'secondary')).toBeCloseTo(30, 0);
    fixture.componentRef.setInput('edge', { ...EDGE, primaryDeg: 20 });
    await fixture.whenStable();
    expect(slope(host, 'primary')).toBeCloseTo(20, 0);
  });

  it('moves an angle with the arrow keys, never past its neighbour', async () => {
    const { host, drags } = await show({ ...EDGE, secondaryDeg: 25.5 });
    const [primary, secondary] = ['Primary angle', 'Secondary angle'].map((label) => handle(host, label));
    press(primary, 'ArrowUp');
    press(secondary, 'ArrowUp');
    press(secondary, 'ArrowDown');
    expect(drags).toEqual([
      { field: 'primaryDeg', value: 25 },
      { field: 'secondaryDeg', value: 26 },
      { field: 'secondaryDeg', value: 25.5 },
    ]);
    expect(primary?.getAttribute('aria-valuetext')).toBe('25°');
  });

  it('zooms from the whole blade to the last 50 µm, the edge staying where it is', async () => {
    const { fixture, host } = await show();
    const bar = (): string => host.querySelectorAll('.note')[0]?.textContent?.trim() ?? '';
    const tip = (): string =>
      /M([\d.]+ [\d.]+)/.exec(host.querySelector('.steel')?.getAttribute('d') ?? '')?.[1] ?? '';
    const [wholeBar, wholeTip] = [bar(), tip()];
    expect(wholeBar).toContain('mm');
    expect(host.querySelector('.worn')).toBeNull();
    fixture.componentRef.setInput('tipUm', 4);
    for (let i = 0; i < 40; i++) {
      host.querySelector('svg')?.dispatchEvent(new WheelEvent('wheel', { deltaY: -1, cancelable: true }));
    }
    await fixture.whenStable();
    expect(bar()).toBe('10 µm');
    expect(tip()).toBe(wholeTip);
    expect(slope(host, 'secondary')).toBeCloseTo(30, 0);
    expect(host.querySelector('.worn')).not.toBeNull();
    expect(textOf(fixture)).toContain('Tip worn to 4 µm');
    expect(textOf(fixture)).toContain('honing takes 15 µm off');
  });

  it('drags a land along its own face, to where the pointer is', async () => {
    const { host, drags } = await show({ ...EDGE, landMm: 3 });
    const land = handle(host, 'Secondary land');
    const box = host.querySelector('svg')?.getBoundingClientRect() as DOMRect;
    const knob = land?.querySelector('.knob') as SVGRectElement;
    const at = { x: Number(knob.getAttribute('x')) + 6, y: Number(knob.getAttribute('y')) + 6 };
    const client = (px: { x: number; y: number }) => ({
      clientX: box.left + (px.x / 660) * box.width,
      clientY: box.top + (px.y / 290) * box.height,
      pointerId: 1,
    });
    if (land) land.setPointerCapture = () => undefined;
    land?.dispatchEvent(new PointerEvent('pointerdown', client(at)));
    const tip = { x: 56, y: 244 };
    land?.dispatchEvent(
      new PointerEvent('pointermove', client({ x: (at.x + tip.x) / 2, y: (at.y + tip.y) / 2 })),
    );
    expect(drags.at(-1)?.field).toBe('landMm');
    expect(drags.at(-1)?.value).toBeCloseTo(1.5, 1);
  });

  it('takes both sides of a double bevel by their own handles', async () => {
    const { host, drags } = await show({
      form: 'double-bevel',
      widthMm: 16,
      thicknessMm: 2.6,
      leftDeg: 15,
      rightDeg: 20,
      skewDeg: 0,
      grind: 'flat',
    });
    press(handle(host, 'Right bevel'), 'ArrowUp');
    press(handle(host, 'Left bevel'), 'ArrowDown');
    expect(drags).toEqual([
      { field: 'rightDeg', value: 20.5 },
      { field: 'leftDeg', value: 14.5 },
    ]);
  });

  it('never writes nonsense into the drawing, whatever the edge and however close', async () => {
    for (const more of [
      { grind: 'hollow', grindRadiusMm: 60 },
      { grind: 'convex', grindRadiusMm: 80, secondaryDeg: undefined },
      { back: 'shim', shimMm: 0.5, shimAtMm: 45 },
      { back: 'rim', microDeg: 33, microLandMm: 0.1 },
    ] as const) {
      TestBed.resetTestingModule();
      const { fixture, host } = await show({ ...EDGE, ...more } as Edge);
      fixture.componentRef.setInput('tipUm', 4);
      for (let i = 0; i < 26; i++) {
        host.querySelector('svg')?.dispatchEvent(new WheelEvent('wheel', { deltaY: -1, cancelable: true }));
        await fixture.whenStable();
        expect(host.innerHTML).not.toMatch(/NaN|Infinity|undefined/);
      }
    }
  });

  it('says what is wrong instead of drawing nonsense', async () => {
    const { host } = await show({ ...EDGE, thicknessMm: -1 });
    expect(host.querySelector('.steel')).toBeNull();
    expect(host.textContent).toContain('more than 0 mm');
  });
});
