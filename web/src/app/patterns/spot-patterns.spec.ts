import { TestBed } from '@angular/core/testing';
import type { Abrasive } from '@mellow-anvil/core/abrasive';
import { press, textOf, typeInto } from '../testing/host';
import { answer, page, playServer, stored } from '../testing/page';
import { SpotPatterns } from './spot-patterns';

const WHEEL: Abrasive = {
  name: 'Wet wheel',
  kind: 'wet-wheel',
  grade: { standard: 'FEPA-F', grade: 'F220' },
  lubricant: 'water',
  strokeMm: 50,
  overheadMin: 4,
  wheel: { readings: [{ on: '2026-08-24', diameterMm: 246.4 }] },
};

describe('SpotPatterns', () => {
  const show = async () => {
    const server = playServer();
    const fixture = TestBed.createComponent(SpotPatterns);
    const jig = {
      name: 'Jig',
      form: 'wet-wheel-jig',
      wheelRadiusMm: 125,
      wheelId: 'wheel',
      jigProjectionMm: 139,
      offsetMm: 12,
      barDiameterMm: 12,
    } as const;
    answer(server, '/api/guides', page([stored(jig, 'jig')]));
    answer(server, '/api/abrasives', page([stored({ ...WHEEL, sizeUm: 58 }, 'wheel')]));
    await fixture.whenStable();
    const host = fixture.nativeElement as HTMLElement;
    const link = (form: string): URL => {
      const links = [...host.querySelectorAll('a')].map(({ href }) => new URL(href));
      return links.find(({ pathname }) => pathname.endsWith(`.${form}`)) as URL;
    };
    return { fixture, link };
  };

  it('its links carry what is drawn, in every form', async () => {
    const { fixture, link } = await show();
    await typeInto(fixture, 'Angles', '17,5 30');
    expect(link('pdf').pathname).toBe('/api/patterns/bevel-gauge.pdf');
    expect(link('stl').searchParams.get('anglesDeg')).toBe('17.5,30');
    expect(textOf(fixture, 'svg')).toContain('17.5°');
    await typeInto(fixture, 'Angles', '30 flat');
    expect(textOf(fixture, '.sentence-error')).toBeTruthy();
    expect(link('pdf')).toBeUndefined();
  });

  it('a block and a template follow the wheel as it was last measured', async () => {
    const { fixture, link } = await show();
    await press(fixture, 'Block for a support bar');
    expect(textOf(fixture)).toContain('Wheel 246.4 mm across');
    expect(link('dxf').searchParams.get('wheelRadiusMm')).toBe('123.2');
    await press(fixture, 'Template for a tool rest');
    expect(link('svg').searchParams.get('wheelRadiusMm')).toBe('123.2');
    await typeInto(fixture, 'Wheel’s radius', '4');
    expect(textOf(fixture)).toContain('take a larger wheel');
  });

  it('a folding template is paper: no solid is offered', async () => {
    const { fixture, link } = await show();
    await press(fixture, 'Folding template');
    expect(link('pdf').searchParams.get('angleDeg')).toBe('30');
    expect(link('stl')).toBeUndefined();
  });
});
