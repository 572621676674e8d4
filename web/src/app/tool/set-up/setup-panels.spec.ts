import { TestBed } from '@angular/core/testing';
import type { Edge, KnifeEdge } from '@mellow-anvil/core/blade';
import type { Packing } from '@mellow-anvil/core/guide';
import { atRest, press, textOf, typeInto } from '../../testing/host';
import { answer, page, playServer, stone, stored } from '../../testing/page';
import { FoldingPanel } from './folding-panel';
import { HandAngles } from './hand-angles';
import { LiftPanel } from './lift-panel';
import { RollPanel } from './roll-panel';

const KNIFE: KnifeEdge = {
  form: 'knife',
  lengthMm: 80,
  widthMm: 22,
  spineMm: 3,
  leftDeg: 15,
  rightDeg: 15,
  grind: 'flat',
};

describe('HandAngles', () => {
  it('turns the height under each side’s spine into its angle, and keeps both as they are', async () => {
    const server = playServer();
    const fixture = TestBed.createComponent(HandAngles);
    fixture.componentRef.setInput('tool', stored({ name: 'K', edge: KNIFE }, 'k'));
    fixture.componentRef.setInput('knife', KNIFE);
    answer(server, '/api/settings', { name: 'Shop', units: 'mm', decimalMark: 'point', version: 2 });
    await fixture.whenStable();
    await typeInto(fixture, 'Left side', '4.25');
    expect(textOf(fixture)).not.toContain('Keep these angles');
    await typeInto(fixture, 'Right side', '2.2');
    expect(textOf(fixture, '[role=status]')).toContain('15° left, 9.5° right');
    expect(textOf(fixture, '[role=status]')).toContain('24.5° at the edge');
    await press(fixture, 'Keep these angles');
    const { body } = server.expectOne('/api/tools/k').request;
    expect((body as { edge: KnifeEdge }).edge).toEqual({ ...KNIFE, leftDeg: 15, rightDeg: 9.5 });
    await typeInto(fixture, 'Right side', '40');
    expect(textOf(fixture)).not.toContain('Keep these angles');
  });
});

describe('LiftPanel', () => {
  const show = async (packing: readonly Packing[] = []) => {
    const server = playServer();
    const fixture = TestBed.createComponent(LiftPanel);
    fixture.componentRef.setInput('knife', KNIFE);
    answer(server, '/api/settings', { name: 'Shop', units: 'mm', decimalMark: 'point', version: 2, packing });
    await fixture.whenStable();
    return { server, fixture };
  };

  it('lifts the spine for the bevel, and stacks the fewest pieces at hand', async () => {
    const { fixture } = await show([
      { name: 'washer', thicknessMm: 1.6, count: 4 },
      { name: 'thin washer', thicknessMm: 1, count: 4 },
    ]);
    expect(textOf(fixture, 'dd')).toBe('4.25 mm');
    expect(textOf(fixture, '[role=status]')).toMatch(
      /Stack 2 × washer and 1 × thin washer: 4\.2 mm, which gives 14\.9°/,
    );
    expect((fixture.nativeElement as HTMLElement).querySelectorAll('.piece').length).toBe(3);
    await typeInto(fixture, 'Bevel per side', '3');
    expect(textOf(fixture)).toContain('already stands at 3.9°');
  });

  it('says how near they come where no stack will do', async () => {
    const { fixture } = await show([{ name: 'coin', thicknessMm: 2.2, count: 1 }]);
    expect(textOf(fixture, '[role=status]')).toContain('nearest they come to is 9.6°');
  });

  it('keeps a piece on the server once it is whole, and refuses a foil of nothing', async () => {
    const { server, fixture } = await show();
    await press(fixture, 'Add a piece');
    await typeInto(fixture, 'Piece', 'card');
    await typeInto(fixture, 'Thickness', '0');
    await typeInto(fixture, 'How many', '12');
    await atRest();
    expect(textOf(fixture)).toContain('lies between 0.01 and 50 mm');
    server.expectNone({ method: 'PUT', url: '/api/settings' });
    await typeInto(fixture, 'Thickness', '0.3');
    await atRest();
    const put = server.expectOne({ method: 'PUT', url: '/api/settings' });
    expect(put.request.body.packing).toEqual([{ name: 'card', thicknessMm: 0.3, count: 12 }]);
  });
});

describe('FoldingPanel', () => {
  it('leads to the nearest crease by halving, and says how far off it is', async () => {
    playServer();
    const fixture = TestBed.createComponent(FoldingPanel);
    fixture.componentRef.setInput('angleDeg', 22.5);
    await fixture.whenStable();
    expect(textOf(fixture, '[role=status]')).toBe('The crease at 22.5° is exactly what is wanted.');
    await typeInto(fixture, 'Angle to find', '30');
    expect(textOf(fixture, 'ol')).toContain('Halve 22.5° to 33.75°: a crease at 28.13°');
    await typeInto(fixture, 'Angle to find', '90');
    expect(textOf(fixture)).toContain('below 90°');
  });
});

describe('RollPanel', () => {
  const show = async (edge: Edge, bench: readonly unknown[]) => {
    const server = playServer();
    const fixture = TestBed.createComponent(RollPanel);
    fixture.componentRef.setInput(
      'tool',
      stored({ name: 'G', family: 'gouge', steel: 'high-carbon', edge }, 'g'),
    );
    answer(server, '/api/settings', { name: 'Shop', units: 'mm', decimalMark: 'point', version: 2 });
    answer(server, '/api/abrasives', page(bench));
    await fixture.whenStable();
    return fixture;
  };
  const rod = (id: string, radiusMm: number) => ({ ...stone(id, '400'), kind: 'rod-paper', radiusMm });

  it('turns a gouge by all of its arc but a patch', async () => {
    const fixture = await show(
      { form: 'gouge', widthMm: 20, depthMm: 5, thicknessMm: 2.4, cannel: 'out', bevelDeg: 22 },
      [],
    );
    expect(textOf(fixture, '.answer')).toContain('99°');
    expect(textOf(fixture)).toContain('1.63 mm of it touches at a time: laid in 21 places');
  });

  it('says what of the bench goes into a hook, and the dowel for its paper', async () => {
    const fixture = await show(
      {
        ...{ form: 'hook', make: 'hollow-inside', lengthMm: 55, innerRadiusMm: 22, thicknessMm: 2.6 },
        includedDeg: 25,
      },
      [rod('R21', 21), rod('R30', 30)],
    );
    expect(textOf(fixture, 'ul')).toMatch(/radius 21 mm, goes in.*radius 30 mm, too large/);
    expect(textOf(fixture)).toContain('A dowel of 43.5 mm across');
    await typeInto(fixture, 'Paper round a dowel, thick', '1');
    expect(textOf(fixture)).toContain('A dowel of 42 mm across');
  });
});
