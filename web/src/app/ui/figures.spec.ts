import { TestBed } from '@angular/core/testing';
import { answer, playServer } from '../testing/page';
import { Figures } from './figures';

describe('Figures', () => {
  const as = (units: 'mm' | 'inch', decimalMark: 'point' | 'comma'): Figures => {
    const server = playServer();
    const figures = TestBed.inject(Figures);
    answer(server, '/api/settings', { name: 'Shed', units, decimalMark, version: 1 });
    TestBed.tick();
    return figures;
  };

  it('writes millimetres with a point', () => {
    const figures = as('mm', 'point');
    expect(figures.length(29.896)).toBe('29.9 mm');
    expect(figures.setting(29.896)).toBe('29.90');
    expect(figures.sliver(0.0149)).toBe('15 µm');
    expect(figures.angle(30)).toBe('30°');
    expect(figures.minutes(2.25)).toBe('2.3 min');
    expect(figures.unitOf('length')).toBe('mm');
  });

  it('writes inches and thou with a comma', () => {
    const figures = as('inch', 'comma');
    expect(figures.length(38.1)).toBe('1,5 in');
    expect(figures.setting(29.896)).toBe('1,177');
    expect(figures.sliver(0.1)).toBe('3,9 thou');
    expect(figures.unitOf('length')).toBe('in');
  });

  it('reads back what it wrote in a field, in either unit and mark, without drift', () => {
    for (const units of ['mm', 'inch'] as const) {
      for (const mark of ['point', 'comma'] as const) {
        TestBed.resetTestingModule();
        const figures = as(units, mark);
        for (const mm of [0.1, 3.175, 19, 29.896, 250]) {
          const once = figures.read('length', figures.write('length', mm));
          expect(figures.write('length', once))
            .withContext(`${mm} ${units}`)
            .toBe(figures.write('length', mm));
          expect(Math.abs(once - mm)).toBeLessThan(2e-4);
        }
        expect(figures.read('micron', figures.write('micron', 1.25))).toBe(1.25);
        expect(figures.read('angle', figures.write('angle', 27.5))).toBe(27.5);
      }
    }
  });
});
