import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { HttpTestingController } from '@angular/common/http/testing';
import type { Tool } from '@mellow-anvil/core';
import { Desk } from '../bench/desk';
import { textOf, typeInto } from '../testing/host';
import { EDGE, GUIDE, IRON, answer, page, playServer, stored } from '../testing/page';
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
