import { TestBed } from '@angular/core/testing';
import type { GuideSeat } from '@mellow-anvil/core/guide';
import { EDGE, GUIDE, playServer } from '../testing/page';
import { GuideDrawing } from './guide-drawing';

describe('GuideDrawing', () => {
  it('stands the roller on the stone and writes the projection it was given', async () => {
    playServer();
    const fixture = TestBed.createComponent(GuideDrawing);
    for (const [name, value] of Object.entries({
      guide: GUIDE,
      seat: GUIDE.seats[1] as GuideSeat,
      edge: EDGE,
      setting: { facet: 'secondary', angleDeg: 30, projectionMm: 38.123 },
    })) {
      fixture.componentRef.setInput(name, value);
    }
    await fixture.whenStable();
    const host: HTMLElement = fixture.nativeElement;
    const read = (selector: string, name: string): number =>
      Number(host.querySelector(selector)?.getAttribute(name));
    const stone = read('.stone', 'y');
    expect(read('.roller', 'cy') + read('.roller', 'r')).toBeCloseTo(stone, 3);
    expect(host.querySelector('.figure')?.textContent).toContain('38.12 mm');
    const height = Math.max(
      ...(host.querySelector('.blade')?.getAttribute('d') ?? '')
        .split('L')
        .map((point) => Number(point.replace(/[MZ]/g, '').split(' ')[1])),
    );
    expect(height)
      .withContext('no steel below the stone')
      .toBeLessThanOrEqual(stone + 0.1);
  });
});
