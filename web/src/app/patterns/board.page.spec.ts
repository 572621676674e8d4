import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { HttpTestingController } from '@angular/common/http/testing';
import {
  GENERIC_SIDE_CLAMPING_GUIDE,
  type Guide,
  makeBoard,
  type SettingBoard,
  USUAL_BOARD,
} from '@mellow-anvil/core/guide';
import { atRest, inputOf, press, textOf, typeInto } from '../testing/host';
import { answer, page, playServer, stored } from '../testing/page';
import { BoardPage } from './board.page';
import { cut, laidOut, newBoard, rollersOf } from './board-draft';

const GUIDE: Guide = GENERIC_SIDE_CLAMPING_GUIDE;
const BOARD: SettingBoard = makeBoard(
  GUIDE,
  {
    ...USUAL_BOARD,
    name: 'Shed board',
    guideId: 'guide',
    seatName: 'Chisel jaws',
    stops: [
      { label: 'A', angleDeg: 25 },
      { label: 'B', angleDeg: 30 },
    ],
  },
  '2026-05-04',
);

describe('BoardPage', () => {
  let server: HttpTestingController;
  let fixture: ComponentFixture<BoardPage>;
  const show = async (
    board?: SettingBoard,
    guide: Guide = GUIDE,
    asked: Readonly<Record<string, string>> = {},
  ): Promise<void> => {
    server = playServer();
    fixture = TestBed.createComponent(BoardPage);
    for (const [name, value] of Object.entries(asked)) fixture.componentRef.setInput(name, value);
    if (board) fixture.componentRef.setInput('id', 'mine');
    answer(server, '/api/guides', page([stored(guide, 'guide')]));
    answer(server, '/api/boards', page(board ? [stored(board, 'mine')] : []));
    await fixture.whenStable();
  };
  const sent = async (method: 'POST' | 'PUT'): Promise<SettingBoard & { again?: boolean }> => {
    await atRest();
    const found = server.expectOne(
      (request) => request.method === method && request.url.startsWith('/api/boards'),
    );
    return found.request.body as SettingBoard & { again?: boolean };
  };
  const submit = (): void =>
    void (fixture.nativeElement as HTMLElement)
      .querySelector('form')
      ?.dispatchEvent(new Event('submit', { cancelable: true }));

  it('begins with what the set-up asked for, and sends the angles, not the figures', async () => {
    await show(undefined, GUIDE, { guide: 'guide', seat: 'Iron jaws', angles: '25,31.5' });
    expect(inputOf(fixture, 'Angle of stop B').value).toBe('31.5');
    expect(textOf(fixture, 'tbody')).toContain('50.08 mm');
    submit();
    const board = await sent('POST');
    expect(board.seatName).toBe('Iron jaws');
    expect(board.stops.map(({ label, angleDeg }) => [label, angleDeg])).toEqual([
      ['A', 25],
      ['B', 31.5],
    ]);
    expect(Object.keys(board.stops[0] ?? {})).not.toContain('projectionMm');
  });

  it('says at its field what cannot be: past the end, in each other’s way, out of reach; and lays them out', async () => {
    await show(BOARD);
    await typeInto(fixture, 'Depth', '45');
    expect(textOf(fixture)).toMatch(/Stop A .* past the end of a board 45 mm deep/);
    await typeInto(fixture, 'Depth', '75');
    await typeInto(fixture, 'Place of stop B along the fence', '30');
    expect(textOf(fixture)).toMatch(/Stops A and B lie on top of each other/);
    await press(fixture, 'Lay them out side by side');
    expect(textOf(fixture)).not.toContain('on top of each other');
    await typeInto(fixture, 'Angle of stop B', '80');
    expect(textOf(fixture)).toContain('cannot hold 80°');
    await typeInto(fixture, 'Angle of stop B', '30');
    await press(fixture, 'Add a stop');
    expect(inputOf(fixture, 'Angle of stop C').value).toBe('35');
  });

  it('a stop is pushed along the fence with the arrow keys, and its lane goes with it', async () => {
    await show(BOARD);
    const handle = (fixture.nativeElement as HTMLElement).querySelector(
      '[aria-label="Stop A along the fence"]',
    );
    const before = Number(handle?.getAttribute('aria-valuenow'));
    handle?.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight' }));
    await fixture.whenStable();
    expect(Number(handle?.getAttribute('aria-valuenow'))).toBe(before + 1);
    expect(Number(inputOf(fixture, 'Place of stop A along the fence').value)).toBe(before + 1);
  });

  it('tells which stops moved when the guide was measured again, and cuts them anew when asked', async () => {
    const measured = { ...GENERIC_SIDE_CLAMPING_GUIDE, noseMm: 17 };
    await show(BOARD, measured);
    expect(textOf(fixture, '.moved')).toMatch(
      /2 stops moved.*Stop A, 25°: cut at 39\.89 mm, now 39\.14 mm, 0\.75 mm nearer the fence\. As it stands it gives 24\.\d+°/,
    );
    await press(fixture, 'Cut every stop again');
    expect((await sent('PUT')).again).toBeTrue();
  });

  it('keeps cut stops where they are until guide, seat or angle change', () => {
    const measured = { ...GENERIC_SIDE_CLAMPING_GUIDE, noseMm: 17 };
    const { revision, cutOn, earlier, ...form } = BOARD;
    expect(cut(form, measured, BOARD).stops).toEqual(BOARD.stops);
    const other = { ...form, stops: form.stops.map((stop) => ({ ...stop, angleDeg: stop.angleDeg + 1 })) };
    expect(cut(other, measured, BOARD).stops?.[0]?.projectionMm).not.toBe(BOARD.stops[0]?.projectionMm);
  });

  it('a new board of any seat and angles can be made as it begins', () => {
    const guides = rollersOf([{ ...GENERIC_SIDE_CLAMPING_GUIDE, id: 'guide' }]);
    const form = newBoard(guides, { seatName: 'Iron jaws', angles: [20, 25, 30, 35, 40] });
    expect(cut(form, guides[0]).wrong).toEqual({});
    const more = { ...form, stops: [...form.stops, { label: 'X', angleDeg: 17 }] };
    expect(cut(laidOut(more, guides[0]), guides[0]).wrong).toEqual({});
  });
});
