import { TestBed } from '@angular/core/testing';
import { EDGE, playServer } from '../testing/page';
import { EdgeSection, type AngleDrag } from './edge-section';

describe('EdgeSection', () => {
  const show = async (edge = EDGE) => {
    playServer();
    const fixture = TestBed.createComponent(EdgeSection);
    fixture.componentRef.setInput('edge', edge);
    const drags: AngleDrag[] = [];
    fixture.componentInstance.dragged.subscribe((drag) => drags.push(drag));
    await fixture.whenStable();
    const host: HTMLElement = fixture.nativeElement;
    return { fixture, host, drags };
  };
  /** The slope a drawn facet really has on the screen, degrees. */
  const slope = (host: HTMLElement, facet: string): number => {
    const numbers =
      (host.querySelector(`.facet.${facet}`)?.getAttribute('d') ?? '').match(/[\d.]+/g)?.map(Number) ?? [];
    const [x1 = 0, y1 = 0, x2 = 0, y2 = 0] = numbers;
    return (Math.atan2(y1 - y2, x2 - x1) * 180) / Math.PI;
  };

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
    const [primary, secondary] = host.querySelectorAll('[role=slider]');
    const press = (at: Element | undefined, key: string): unknown =>
      at?.dispatchEvent(new KeyboardEvent('keydown', { key }));
    press(primary, 'ArrowUp');
    press(secondary, 'ArrowUp');
    press(secondary, 'ArrowDown');
    expect(drags).toEqual([
      { field: 'primaryDeg', deg: 25 },
      { field: 'secondaryDeg', deg: 26 },
      { field: 'secondaryDeg', deg: 25.5 },
    ]);
    expect(primary?.getAttribute('aria-valuetext')).toBe('25°');
  });

  it('says what is wrong instead of drawing nonsense', async () => {
    const { host } = await show({ ...EDGE, thicknessMm: -1 });
    expect(host.querySelector('.steel')).toBeNull();
    expect(host.textContent).toContain('more than 0 mm');
  });
});
