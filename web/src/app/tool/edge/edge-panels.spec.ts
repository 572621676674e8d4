import { HttpTestingController } from '@angular/common/http/testing';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { usualEdge } from '@mellow-anvil/core/blade';
import type { Type } from '@angular/core';
import type { Creep } from '@mellow-anvil/core/record';
import { press, textOf, typeInto } from '../../testing/host';
import { answer, EDGE, page, playServer, stone } from '../../testing/page';

import { BackPanel } from './back-panel';
import { EdgeFields } from './edge-fields';
import { HandlesPanel } from './handles-panel';
import { HostPanel } from './host-panel';
import { HeelPanel } from './heel-panel';
import { KeepPanel } from './keep-panel';
import { ShimFigures } from '../../parts/shim-figures';
import { SkewPanel } from './skew-panel';
import { TracedPanel } from './traced-panel';

async function show<T>(
  what: Type<T>,
  inputs: Readonly<Record<string, unknown>>,
): Promise<ComponentFixture<T>> {
  playServer();
  const fixture = TestBed.createComponent(what);
  for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
  await fixture.whenStable();
  return fixture;
}

describe('TracedPanel', () => {
  const gouge = usualEdge('gouge');

  it('has a gouge’s depth from one height of its tracing, and keeps it in one press', async () => {
    const fixture = await show(TracedPanel, { edge: { ...gouge, widthMm: 20 } });
    const kept: unknown[] = [];
    fixture.componentInstance.chosen.subscribe((each) => kept.push(each));
    expect(textOf(fixture)).not.toContain('It is so');
    await typeInto(fixture, 'Height in the middle', '5');
    expect(textOf(fixture, 'dl')).toBe('Depth of the curve5 mmRadius12.5 mmSweep106.3°');
    await press(fixture, 'It is so');
    expect(kept).toEqual([{ widthMm: 20, depthMm: 5 }]);
  });

  it('says where three readings lie on no circle, and refuses a height of nothing', async () => {
    const fixture = await show(TracedPanel, { edge: { ...gouge, widthMm: 20 } });
    for (const place of ['at a quarter', 'in the middle', 'at three quarters'])
      await typeInto(fixture, `Height ${place}`, '4');
    expect(textOf(fixture, '.warning')).toContain('It is no circle');
    await typeInto(fixture, 'Height in the middle', '0');
    expect(textOf(fixture)).toContain('above 0 mm');
    expect(textOf(fixture)).not.toContain('It is so');
  });
});

describe('HeelPanel', () => {
  const edge = {
    ...usualEdge('skew'),
    widthMm: 12,
    thicknessMm: 3,
    skewDeg: 25,
    leftDeg: 15,
    rightDeg: 15,
  };

  it('tells the steel of the corner and of the side thinned behind it, and draws it turned', async () => {
    const fixture = await show(HeelPanel, { edge });
    expect(textOf(fixture, '[role=status]')).toContain(
      '2.9 mm³ are the corner, 12.7 its side behind the round',
    );
    expect((fixture.nativeElement as HTMLElement).querySelector('ma-turned-drawing svg')).not.toBeNull();
    await typeInto(fixture, 'Its side thinned over', '0');
    expect(textOf(fixture, 'dl')).toContain('Off at the wheel2.9 mm³');
    await typeInto(fixture, 'Radius of the round', '60');
    expect(textOf(fixture)).toContain('would take the point too');
  });
});

describe('HostPanel', () => {
  const host = { bedDeg: 45, orientation: 'bevel-down' } as const;

  it('says cutting, clearance and included, and warns plainly where clearance runs out', async () => {
    const fixture = await show(HostPanel, { edge: EDGE, host });
    expect(textOf(fixture, 'dl')).toBe('Cutting45°Clearance15°Included30°');
    expect(textOf(fixture)).not.toContain('Clearance runs thin');
    fixture.componentRef.setInput('edge', { ...EDGE, secondaryDeg: 37 });
    await fixture.whenStable();
    expect(textOf(fixture, '[role=status]')).toMatch(/runs thin.*bevel faces the wood/);
    fixture.componentRef.setInput('edge', { ...EDGE, secondaryDeg: 46 });
    await fixture.whenStable();
    expect(textOf(fixture, '[role=status]')).toContain('will not cut, however sharp');
    expect(textOf(fixture, 'svg[role=img]')).toContain('no clearance');
  });

  it('counts a shim’s back bevel, and says what it eats in a bevel-up plane', async () => {
    const shim = { ...EDGE, back: 'shim', shimMm: 0.5, shimAtMm: 45 };
    const fixture = await show(HostPanel, { edge: shim, host: { bedDeg: 12, orientation: 'bevel-up' } });
    expect(textOf(fixture, 'dl')).toBe('Cutting42°Clearance11.36°Included30.64°');
    expect(textOf(fixture, '[role=status]')).toContain('back faces the wood');
  });

  it('takes a plane away and gives one, with the bed a kind usually has', async () => {
    const fixture = await show(HostPanel, { edge: EDGE, host: undefined });
    const hosts: unknown[] = [];
    fixture.componentInstance.hostChange.subscribe((each) => hosts.push(each));
    expect(textOf(fixture)).not.toContain('Bed angle');
    (fixture.componentInstance as unknown as { turn(way: string): void }).turn('bevel-up');
    expect(hosts).toEqual([{ orientation: 'bevel-up', bedDeg: 12 }]);
  });
});

describe('KeepPanel', () => {
  it('lays two wedges over each other at their angles, worn to the same tip', async () => {
    const fixture = await show(KeepPanel, { edge: EDGE });
    await typeInto(fixture, 'Against', '40');
    expect(textOf(fixture, '[role=status]')).toMatch(/At 40° the edge keeps 67 % .* at 30°: 33 % is gone/);
    const host: HTMLElement = fixture.nativeElement;
    const spread = [...host.querySelectorAll('.wedge')].map((path) => {
      const [x, y, x2, y2] = (path.getAttribute('d')?.match(/-?[\d.]+/g) ?? []).map(Number) as [
        number,
        number,
        number,
        number,
      ];
      return (2 * Math.atan2(Math.abs(x2 - x), y2 - y) * 180) / Math.PI;
    });
    expect(spread[0]).toBeCloseTo(30, 6);
    expect(spread[1]).toBeCloseTo(40, 6);
  });

  it('tells creep from the record, and compares with where it has crept to', async () => {
    const creep: Creep = { setDeg: 30, nowDeg: 33, steps: 2, since: '2026-08-01T09:00:00Z', keepRatio: 0.88 };
    const fixture = await show(KeepPanel, { edge: EDGE, creep });
    expect(textOf(fixture, '[role=status]')).toMatch(/set at 30°, it was last honed at 33°.*twice.*88 %/);
    expect(textOf(fixture, 'svg[role=img]')).toContain('33°');
  });

  it('says what angles there are instead of drawing others', async () => {
    const fixture = await show(KeepPanel, { edge: EDGE });
    await typeInto(fixture, 'Against', '0');
    expect(textOf(fixture)).toContain('from 5° to 170°');
    expect((fixture.nativeElement as HTMLElement).querySelector('.wedge')).toBeNull();
  });
});

describe('BackPanel', () => {
  it('refuses a chisel the shim, with the reason, and lets an iron choose it', async () => {
    const chisel = await show(BackPanel, { family: 'bench-chisel', edge: EDGE });
    const shimOf = (fixture: ComponentFixture<BackPanel>): HTMLButtonElement | undefined =>
      [...(fixture.nativeElement as HTMLElement).querySelectorAll('button')].find((each) =>
        each.textContent?.includes('over a shim'),
      );
    expect(shimOf(chisel)?.disabled).toBeTrue();
    expect(textOf(chisel)).toContain('A chisel registers on its flat back');
    TestBed.resetTestingModule();
    const iron = await show(BackPanel, { family: 'plane-iron', edge: EDGE });
    const changes: object[] = [];
    iron.componentInstance.changed.subscribe((change) => changes.push(change));
    await press(iron, 'over a shim');
    expect(changes).toEqual([jasmine.objectContaining({ back: 'shim' })]);
  });
});

describe('ShimFigures and SkewPanel', () => {
  it('give the back bevel of a shim, and refuse one that stands the blade up', async () => {
    const fixture = await show(ShimFigures, { shimMm: 0.5, shimAtMm: 45 });
    expect(textOf(fixture, 'dd')).toBe('0.64°');
    fixture.componentRef.setInput('shimAtMm', 0.4);
    await fixture.whenStable();
    expect(textOf(fixture, 'ma-quantity:nth-of-type(2)')).toContain('move it further back');
    expect(textOf(fixture)).not.toContain('NaN');
  });

  it('give what the wood meets when an edge is turned, each side its own', async () => {
    const fixture = await show(SkewPanel, { edge: { ...EDGE, secondaryDeg: undefined } });
    expect(textOf(fixture, 'dl')).toBe('The wood meets21.99°');
    await typeInto(fixture, 'Turned from square', '95');
    expect(textOf(fixture)).toContain('just below 90°');
  });
});

describe('EdgeFields', () => {
  it('tells a V-tool’s usual angles under its bevel, not between its wings', async () => {
    const fixture = await show(EdgeFields, { draft: usualEdge('v-tool'), family: 'v-tool' });
    const fields = [...(fixture.nativeElement as HTMLElement).querySelectorAll('ma-quantity')];
    const usual = fields.filter((each) => each.textContent?.includes('Usual:'));
    expect(usual.map((each) => each.querySelector('label')?.textContent?.trim())).toEqual(['Bevel angle']);
  });
});

describe('HandlesPanel', () => {
  const handles = { fromEdgeMm: 48, lengthMm: 115, thickMm: 32, towardsBevelDeg: 18, besideMm: 4 };
  const edge = { ...EDGE, widthMm: 190, thicknessMm: 5.5, secondaryDeg: undefined, landMm: undefined };

  it('says which way up keeps the wrists straight, and lets the user’s word stand over it', async () => {
    const fixture = await show(HandlesPanel, { edge, handles });
    expect(textOf(fixture, '[role=status]')).toContain(
      'Bevel down keeps them straighter: wrists bent 18° bevel up, 7° bevel down.',
    );
    expect(textOf(fixture, 'ma-handles-drawing')).toContain('7°');
    fixture.componentRef.setInput('held', 'bevel-up');
    await fixture.whenStable();
    expect(textOf(fixture, '[role=status]')).toContain('Yours is the other way, and stands.');
    expect(textOf(fixture, 'ma-handles-drawing')).toContain('18°');
  });

  it('says of each wheel and a stone whether the handles foul it, and what helps', async () => {
    const fixture = await show(HandlesPanel, { edge, handles });
    const server = TestBed.inject(HttpTestingController);
    const wheel = {
      ...stone('w', '60'),
      name: 'Wheel',
      kind: 'dry-wheel',
      grade: { standard: 'FEPA-F', grade: '60' },
    };
    answer(server, '/api/abrasives', page([{ ...stone('s', '1000'), widthMm: 70 }, wheel]));
    await fixture.whenStable();
    const text = textOf(fixture);
    expect(text).toMatch(/Wheel, the bevel clears: the handles pass it by \d+ mm/);
    expect(text).toMatch(
      /Wheel, the back fouls the handles at the last 9 mm of each end: there use the wheel’s corner, the blade turned 11°/,
    );
    expect(text).toMatch(
      /Stone 1000, the back lies between the handles, which hang 16 mm below its face: raise it 19 mm/,
    );
    await typeInto(fixture, 'Guard beside the wheel', '0');
    expect(textOf(fixture)).toContain('Wheel, the back passes beside the handles');
  });

  it('keeps what is measured once it is left', async () => {
    const fixture = await show(HandlesPanel, { edge, handles });
    const kept: unknown[] = [];
    fixture.componentInstance.handlesChange.subscribe((each) => kept.push(each));
    await typeInto(fixture, 'Its thickness', '28');
    expect(kept.at(-1)).toEqual({ ...handles, thickMm: 28 });
  });
});
