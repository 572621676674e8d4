import type { HttpTestingController } from '@angular/common/http/testing';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { Session } from '@mellow-anvil/core/record';
import { inputOf, press, textOf, typeInto } from '../testing/host';
import { answer, playServer, stored } from '../testing/page';
import { UsePanel } from './use-panel';

const USED: Session = {
  toolId: 'iron',
  kind: 'use',
  startedAt: '2026-11-02T09:00:00Z',
  who: 'Shed',
  use: { minutes: 45, wood: 'oak', stillCutting: true },
};

describe('UsePanel', () => {
  let server: HttpTestingController;
  let fixture: ComponentFixture<UsePanel>;

  beforeEach(async () => {
    server = playServer();
    fixture = TestBed.createComponent(UsePanel);
    fixture.componentRef.setInput('toolName', 'Iron');
    fixture.componentRef.setInput('stored', stored(USED, 'u1'));
    await fixture.whenStable();
    const record = {
      entries: 1,
      state: {},
      lastUse: { sessionId: 'u0', at: '', who: 'Carver', use: { wood: 'ash' } },
    };
    answer(server, '/api/records', { other: record });
    await fixture.whenStable();
  });

  it('says what was put down, and sends what was not like the last', async () => {
    expect(textOf(fixture, 'p')).toBe('In the record: 45 min in oak, still cutting, Shed.');
    await press(fixture, 'More');
    await press(fixture, 'ash');
    await press(fixture, 'Carver');
    expect(inputOf(fixture, 'Wood').value).toBe('ash');
    const host: HTMLElement = fixture.nativeElement;
    const [, no] = host.querySelectorAll<HTMLElement>('p-togglebutton');
    no?.click();
    await fixture.whenStable();
    await press(fixture, 'Keep this');
    const put = server.expectOne({ method: 'PUT', url: '/api/sessions/u1' });
    expect(put.request.body).toEqual({
      ...USED,
      who: 'Carver',
      use: { minutes: 60, wood: 'ash', stillCutting: false },
      version: 1,
    });
  });

  it('puts chips down with their depth, and leaves an emptied field out', async () => {
    const host: HTMLElement = fixture.nativeElement;
    host.querySelectorAll<HTMLElement>('p-togglebutton')[3]?.click();
    await fixture.whenStable();
    await typeInto(fixture, 'How deep', '0,3');
    await typeInto(fixture, 'Wood', '');
    await press(fixture, 'Keep this');
    const { body } = server.expectOne({ method: 'PUT', url: '/api/sessions/u1' }).request;
    expect([body.chips, body.use]).toEqual([
      { count: 1, deepestMm: 0.3 },
      { minutes: 45, stillCutting: true },
    ]);
  });

  it('sends nothing when it is right, and takes it back when it was not used at all', async () => {
    let left = 0;
    fixture.componentInstance.left.subscribe(() => (left += 1));
    await press(fixture, 'That is right');
    expect(left).toBe(1);
    server.expectNone({ method: 'PUT', url: '/api/sessions/u1' });
    await press(fixture, 'Take it back');
    server.expectOne((each) => each.method === 'DELETE' && each.url === '/api/sessions/u1').flush(null);
    expect(left).toBe(2);
  });
});
