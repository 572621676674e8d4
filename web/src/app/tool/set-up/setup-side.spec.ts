import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { HttpTestingController } from '@angular/common/http/testing';
import { firstValueFrom } from 'rxjs';
import type { Tool } from '@mellow-anvil/core/blade';
import { type Guide, type GuideSeat, makeBoard, USUAL_BOARD } from '@mellow-anvil/core/guide';
import { Desk, settingFor, type SetUp } from '../../data/desk';
import { textOf, typeInto } from '../../testing/host';
import { EDGE, GUIDE, IRON, answer, page, playServer, stone, stored } from '../../testing/page';
import { SetupSide } from './setup-side';

describe('SetupSide', () => {
  let server: HttpTestingController;
  const show = async (
    tool: Tool,
    guides = [stored(GUIDE, 'guide')],
  ): Promise<ComponentFixture<SetupSide>> => {
    server = playServer();
    const fixture = TestBed.createComponent(SetupSide);
    fixture.componentRef.setInput('tool', stored(tool, 'tool'));
    answer(server, '/api/tools', page([stored(tool, 'tool')]));
    answer(server, '/api/guides', page(guides));
    TestBed.inject(Desk).takeUp('tool');
    await fixture.whenStable();
    return fixture;
  };

  it('reads the projection of every angle to the hundredth, and what a millimetre’s slip does', async () => {
    const fixture = await show(IRON);
    // From the examples: iron jaws 30° → 38.123 mm.
    expect(textOf(fixture, 'ul')).toContain('38.12 mm');
    expect(textOf(fixture, 'ul')).toMatch(/1 mm too far out makes it 29\.\d\d° \(−0\.\d\d°\)/);
  });

  it('names the stop that gives a setting, what it is off by, and asks for stops only where one lacks', async () => {
    const fixture = await show(IRON);
    const link = (): HTMLAnchorElement | undefined =>
      [...(fixture.nativeElement as HTMLElement).querySelectorAll('a')].find(({ textContent }) =>
        textContent?.includes('Make stops for this'),
      );
    expect(link()?.search).toBe('?guide=guide&seat=Iron%20jaws&angles=25,30');
    const asked = {
      ...USUAL_BOARD,
      name: 'Shed board',
      guideId: 'guide',
      seatName: 'Iron jaws',
      bladeWidthMm: 45,
    };
    const stops = [
      { label: 'D', angleDeg: 25 },
      { label: 'E', angleDeg: 30.15 },
    ];
    answer(
      server,
      '/api/boards',
      page([stored(makeBoard(GUIDE, { ...asked, stops }, '2026-05-04'), 'board')]),
    );
    await fixture.whenStable();
    expect(textOf(fixture, 'ul')).toContain('Stop D · 50.08 mm · 25° Shed board.');
    expect(textOf(fixture, 'ul')).toMatch(/Stop E · 37\.\d\d mm · 30\.15° .*It sets 0\.15° steeper/);
    expect(link()).withContext('every setting has its stop').toBeUndefined();
    const setting = settingFor((await firstValueFrom(TestBed.inject(Desk).setUp$)) as SetUp);
    expect(setting?.stop).toEqual({ boardId: 'board', board: 'Shed board', label: 'E' });
    expect(setting?.angleDeg).withContext('what the stop really gives').toBeCloseTo(30.15, 6);
  });

  it('draws a jig on its wheel as that was last measured', async () => {
    const jig = {
      name: 'Jig',
      form: 'wet-wheel-jig',
      wheelRadiusMm: 125,
      wheelId: 'wheel',
      jigProjectionMm: 139,
      offsetMm: 12,
    } as const;
    const fixture = await show(IRON, [stored<Guide>(jig, 'jig')] as never);
    // From the examples: R 125, 25° → D 216.926.
    expect(textOf(fixture, 'ul')).toContain('91.93 mm');
    const wheel = {
      ...stone('wheel', '220'),
      kind: 'wet-wheel',
      grade: { standard: 'FEPA-F', grade: '220' },
      wheel: { readings: [{ on: '2026-08-24', diameterMm: 240 }] },
    };
    answer(server, '/api/abrasives', page([wheel]));
    await fixture.whenStable();
    // The same by hand with R 120.
    const gap =
      Math.hypot(139 + 120 * Math.sin((25 * Math.PI) / 180), 120 * Math.cos((25 * Math.PI) / 180) - 12) - 120;
    expect(textOf(fixture, 'ul')).toContain(`${gap.toFixed(2)} mm`);
    expect(fixture.nativeElement.querySelector('ma-wheel-drawing svg')?.getAttribute('aria-label')).toContain(
      'from the wheel’s rim',
    );
  });

  it('says beside an angle why the guide cannot hold it', async () => {
    const fixture = await show({ ...IRON, edge: { ...EDGE, microDeg: 78 } });
    expect(textOf(fixture, 'ul .sentence-error')).toContain('cannot hold 78°');
    expect(textOf(fixture, 'ul')).toContain('38.12 mm');
  });

  it('turns a measured projection into its angle, or says why it has none', async () => {
    const fixture = await show(IRON);
    await typeInto(fixture, 'What angle does a projection give?', '38.123');
    expect(textOf(fixture, '[role=status]')).toBe('gives 30.00°');
    await typeInto(fixture, 'What angle does a projection give?', '-4');
    expect(textOf(fixture, '.reverse')).toContain('above 0 mm');
  });

  it('remembers the setting it was last honed at: the same guide again, and what another angle costs', async () => {
    const fixture = await show(IRON, [stored({ ...GUIDE, name: 'Other' }, 'other'), stored(GUIDE, 'guide')]);
    const setting = {
      guideId: 'guide',
      seatName: 'Iron jaws',
      angleDeg: 32,
      projectionMm: 34.3,
      at: '2026-11-03T09:00:00Z',
    };
    const state = {
      landMm: 0.8,
      landFrom: 'measured',
      honingsSinceThen: 1,
      honings: 3,
      sinceHoned: { deepestMm: 0 },
      sinceSharpened: {},
      lastSetting: setting,
    };
    answer(server, '/api/records', { tool: { entries: 4, state } });
    await fixture.whenStable();
    expect(textOf(fixture, 'ma-last-setting')).toMatch(
      /Last honed 3 Nov 2026 at 32° \(Guide, Iron jaws, 34\.3 mm out\).*Today’s is 2(\.\d)?° less steep.*mm³/,
    );
    TestBed.inject(Desk).chooseGuide('other');
    await fixture.whenStable();
    expect(textOf(fixture, 'ma-last-setting')).toContain('Set up as last time');
  });

  it('sets up on what does not roll: a wet wheel’s bar, a pair jig that holds one angle', async () => {
    const wheel = {
      name: 'Jig',
      form: 'wet-wheel-jig',
      wheelRadiusMm: 125,
      jigProjectionMm: 139,
      offsetMm: 12,
    } as const;
    const fixture = await show(IRON, [stored(wheel as never, 'wheel')]);
    // From the examples: R 125, P 139, c 12, 25° → D 216.926.
    expect(textOf(fixture, 'ul')).toContain('91.93 mm from bar to wheel');
    TestBed.resetTestingModule();
    const pair = { name: 'Pair', form: 'pair-jig', fixedDeg: 45 } as const;
    const knives = {
      form: 'knife-set',
      count: 3,
      lengthMm: 260,
      widthMm: 25,
      thicknessMm: 3,
      bevelDeg: 40,
    } as const;
    const jig = await show({ ...IRON, family: 'planer-knives', edge: knives }, [
      stored(pair as never, 'pair'),
    ]);
    expect(textOf(jig, 'ul')).toContain('holds every knife at 45°');
    expect(textOf(jig)).toContain('Isolate the machine');
  });

  it('gives a measured seat’s projections with their ±', async () => {
    const [chisel, iron] = GUIDE.seats as [GuideSeat, GuideSeat];
    const readings = [
      { projectionMm: 50, angleDeg: 25 },
      { projectionMm: 38.1, angleDeg: 30 },
    ];
    const seats = [chisel, { ...iron, measured: { readings, divisionDeg: 0.5 } }];
    const fixture = await show(IRON, [stored({ ...GUIDE, seats }, 'guide')]);
    expect(textOf(fixture, 'ul')).toMatch(/± [\d.]+ mm by your own readings/);
  });

  it('warns of a blade the seat does not take, and asks for a guide where there is none', async () => {
    const wide = await show({ ...IRON, edge: { ...EDGE, widthMm: 20 } }, [
      stored({ ...GUIDE, seats: GUIDE.seats.slice(1) }, 'guide'),
    ]);
    expect(textOf(wide)).toContain('This seat takes blades from 35 mm');
    TestBed.resetTestingModule();
    const none = await show(IRON, []);
    expect(textOf(none)).toContain('There is no guide on the bench yet');
  });
});
