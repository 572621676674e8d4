import type { HttpTestingController, TestRequest } from '@angular/common/http/testing';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { Session } from '@mellow-anvil/core/record';
import { press, textOf, typeInto, until } from '../testing/host';
import { IRON, answer, page, playServer, stored } from '../testing/page';
import { LedgerPage } from './ledger.page';

const USE: Session = {
  toolId: 'iron',
  kind: 'use',
  startedAt: '2026-11-02T09:00:00Z',
  who: 'Carver',
  use: { minutes: 45, wood: 'oak', stillCutting: true },
};

describe('LedgerPage', () => {
  let server: HttpTestingController;
  let fixture: ComponentFixture<LedgerPage>;
  const asked = async (): Promise<TestRequest> => {
    let found: TestRequest | undefined;
    await until(() => {
      found ??= server.match((request) => request.url === '/api/sessions').at(-1);
      return found !== undefined;
    }, 'a page is asked for');
    return found as TestRequest;
  };

  beforeEach(async () => {
    server = playServer();
    fixture = TestBed.createComponent(LedgerPage);
    answer(server, '/api/tools', page([stored(IRON, 'iron')]));
    await fixture.whenStable();
  });

  it('asks for one page of the newest, and tells each entry in words', async () => {
    const request = await asked();
    expect(request.request.params.toString()).toBe('sort=-startedAt&page=1&pageSize=50');
    request.flush({ items: [stored(USE, 'u')], page: 1, pageSize: 50, total: 120 });
    await fixture.whenStable();
    expect(textOf(fixture, 'tbody')).toMatch(/2 Nov 2026 ?Iron ?Used ?45 min in oak, still cutting ?Carver/);
    expect(textOf(fixture, 'p-table')).toContain('1–50 of 120');
  });

  it('narrows by kind and by text, from the first page again', async () => {
    (await asked()).flush({ items: [], page: 1, pageSize: 50, total: 0 });
    await press(fixture, 'Honed');
    await typeInto(fixture, 'Who or in the notes', 'carver');
    const { params } = (await asked()).request;
    expect([params.get('kind'), params.get('q'), params.get('page')]).toEqual(['honing', 'carver', '1']);
  });
});
