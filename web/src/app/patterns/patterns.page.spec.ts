import { TestBed } from '@angular/core/testing';
import { GENERIC_SIDE_CLAMPING_GUIDE, makeBoard, USUAL_BOARD } from '@mellow-anvil/core/guide';
import { atRest, textOf, typeInto } from '../testing/host';
import { answer, page, playServer, stored } from '../testing/page';
import { PaperChoice } from '../data/paper-choice';
import { PatternsPage } from './patterns.page';

const BOARD = makeBoard(
  GENERIC_SIDE_CLAMPING_GUIDE,
  {
    ...USUAL_BOARD,
    name: 'Shed board',
    guideId: 'guide',
    seatName: 'Chisel jaws',
    stops: [{ label: 'A', angleDeg: 30 }],
  },
  '2026-05-04',
);

describe('PatternsPage', () => {
  const show = async (noseMm = GENERIC_SIDE_CLAMPING_GUIDE.noseMm) => {
    const server = playServer();
    const fixture = TestBed.createComponent(PatternsPage);
    const settings = { name: 'Shop', units: 'mm', decimalMark: 'point', version: 3 };
    answer(server, '/api/settings', settings);
    answer(server, '/api/guides', page([stored({ ...GENERIC_SIDE_CLAMPING_GUIDE, noseMm }, 'guide')]));
    answer(server, '/api/boards', page([stored(BOARD, 'board')]));
    await fixture.whenStable();
    return { server, fixture, settings };
  };
  afterEach(() => localStorage.clear());

  it('lists each board with its stops, and says when its guide was measured again', async () => {
    const { fixture } = await show();
    expect(textOf(fixture, 'article')).toContain('Stop A · 29.90 mm · 30°');
    expect(textOf(fixture, 'article .moved')).toBe('');
    TestBed.resetTestingModule();
    const again = await show(17);
    expect(textOf(again.fixture, 'article .moved')).toContain('one stop has moved');
  });

  it('keeps what the printed bars measure, and refuses what no printer does', async () => {
    const { server, fixture, settings } = await show();
    await typeInto(fixture, 'Bar across measures', '49.5');
    await atRest();
    const sent = server.expectOne(({ method }) => method === 'PUT');
    expect(sent.request.body).toEqual({ ...settings, printer: { acrossMm: 49.5, upMm: 50 } });
    sent.flush({ ...settings, version: 4, printer: { acrossMm: 49.5, upMm: 50 } });
    await typeInto(fixture, 'Upright bar measures', '5');
    await atRest();
    expect(textOf(fixture)).toContain('lies between 40 and 60');
    expect(server.match(({ method }) => method === 'PUT')).toEqual([]);
  });

  it('prints on the paper chosen for this desk', async () => {
    const { fixture } = await show();
    const print = (): string =>
      (fixture.nativeElement as HTMLElement).querySelector<HTMLAnchorElement>('article a[href*=".pdf"]')
        ?.search ?? '';
    expect(print()).toBe('?paper=a4');
    TestBed.inject(PaperChoice).choose('letter');
    await fixture.whenStable();
    expect(print()).toBe('?paper=letter');
  });
});
