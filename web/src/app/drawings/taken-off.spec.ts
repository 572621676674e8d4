import { TestBed } from '@angular/core/testing';
import fc from 'fast-check';
import { EDGE, playServer } from '../testing/page';
import { sharesOfDepth, TakenOff } from './taken-off';

describe('sharesOfDepth', () => {
  it('parts the strip so that each stone has its share of the steel', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.001, max: 5, noNaN: true }), { minLength: 1, maxLength: 6 }),
        fc.double({ min: 0, max: 3, noNaN: true }),
        fc.double({ min: 0.001, max: 3, noNaN: true }),
        (removed, before, more) => {
          const after = before + more;
          const shares = sharesOfDepth(removed, before, after);
          const all = removed.reduce((sum, each) => sum + each, 0);
          const area = (t: number): number => before * t + (more * t * t) / 2;
          removed.forEach((each, i) => {
            const own = area(shares[i + 1] as number) - area(shares[i] as number);
            expect(own / area(1)).toBeCloseTo(each / all, 6);
          });
          expect(shares.at(-1)).toBeCloseTo(1, 9);
        },
      ),
    );
  });
});

describe('TakenOff', () => {
  const JOB = {
    recessionMm: 0.02,
    removeMm3: 1,
    contactMm2: 1,
    landBeforeMm: 0.2,
    landAfterMm: 0.25,
    wholeBevel: false,
  };
  const show = async (change: object): Promise<HTMLElement> => {
    playServer();
    const fixture = TestBed.createComponent(TakenOff);
    for (const [name, value] of Object.entries({ edge: EDGE, job: JOB, removedMm3: [3, 1], ...change }))
      fixture.componentRef.setInput(name, value);
    await fixture.whenStable();
    return fixture.nativeElement as HTMLElement;
  };

  it('draws the edge before and after and a band for each stone, and says so', async () => {
    const drawing = await show({});
    expect(drawing.querySelectorAll('.band').length).toBe(2);
    const told = drawing.querySelector('svg')?.getAttribute('aria-label');
    expect(told).toContain('20 µm');
    expect(told).toContain('0.2 mm → 0.25 mm');
  });

  it('goes so close that a sliver on a whole bevel is seen, and draws nothing where nothing comes off', async () => {
    const drawing = await show({ job: { ...JOB, landBeforeMm: 9, landAfterMm: 9, wholeBevel: true } });
    const [from, to] = [
      ...(drawing.querySelector('.measure')?.getAttribute('d') ?? '').matchAll(/M([\d.]+) 90/g),
    ].map(([, x]) => Number(x));
    expect(Number(to) - Number(from)).toBeGreaterThanOrEqual(12);
    TestBed.resetTestingModule();
    expect((await show({ job: { ...JOB, recessionMm: 0 } })).querySelector('svg')).toBeNull();
  });
});
