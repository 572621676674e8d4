import type { HttpTestingController } from '@angular/common/http/testing';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { Tool } from '@mellow-anvil/core/blade';
import { press, textOf, typeInto } from '../testing/host';
import { answer, page, playServer, stone, stored } from '../testing/page';
import { StropPage } from './strop.page';

const CHIP: Tool = {
  name: 'Chip knife',
  family: 'chip-knife',
  steel: 'high-carbon',
  edge: { form: 'knife', lengthMm: 38, widthMm: 13, spineMm: 2, leftDeg: 10, rightDeg: 10, grind: 'flat' },
};
const STATE = { stropsSinceHoned: 9 };
const strop = stored({ ...stone('x', '8000'), kind: 'strop', lubricant: 'compound' }, 'strop');

describe('StropPage', () => {
  let server: HttpTestingController;
  let fixture: ComponentFixture<StropPage>;

  const open = async (): Promise<void> => {
    fixture = TestBed.createComponent(StropPage);
    await fixture.whenStable();
    answer(server, '/api/tools', page([stored(CHIP, 'chip')]));
    answer(server, '/api/abrasives', page([stone('s1000', '1000'), strop]));
    answer(server, '/api/records', {
      chip: { entries: 20, state: STATE, strop: { everyMin: 42, from: 8, spent: false } },
    });
    await fixture.whenStable();
    answer(server, '/api/records/chip', { record: {}, entries: [] });
    await fixture.whenStable();
  };

  beforeEach(async () => {
    localStorage.removeItem('mellow-anvil.carving');
    server = playServer();
    await open();
  });
  afterEach(() => localStorage.removeItem('mellow-anvil.carving'));

  it('goes by the tool’s own rhythm until another is typed, and says when stropping has stopped helping', async () => {
    expect(textOf(fixture)).toContain('about 42 min between strops, learned from 8 of them');
    expect(textOf(fixture, '.giant')).toBe('42:00');
    expect(textOf(fixture, '.warning')).toContain('Stropped 9 times since it was honed');
    await typeInto(fixture, 'Strop every', '25');
    expect(textOf(fixture, '.giant')).toBe('25:00');
    await typeInto(fixture, 'Strop every', '0');
    expect(textOf(fixture)).toContain('Give 1 to 240 minutes');
  });

  it('keeps the time over a reload, and puts the carving and the strop into the record', async () => {
    await press(fixture, 'Begin carving');
    const carving = JSON.parse(localStorage.getItem('mellow-anvil.carving') ?? '{}');
    expect(carving).toEqual(jasmine.objectContaining({ toolId: 'chip', everyMin: 42 }));
    localStorage.setItem(
      'mellow-anvil.carving',
      JSON.stringify({ ...carving, since: Date.now() - 44 * 60_000 }),
    );
    fixture.destroy();
    TestBed.resetTestingModule();
    server = playServer();
    await open();
    expect(textOf(fixture, '.clock')).toContain('over: time to strop');
    await press(fixture, 'Stropped: begin again');
    const posts = server.match({ method: 'POST', url: '/api/sessions' }).map(({ request }) => request.body);
    expect(posts.map(({ kind, use, steps }) => [kind, use?.minutes ?? steps?.[0].abrasiveId])).toEqual([
      ['use', 44],
      ['stropping', 'strop'],
    ]);
  });
});
