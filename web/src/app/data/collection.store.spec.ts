import { TestBed } from '@angular/core/testing';
import type { HttpTestingController } from '@angular/common/http/testing';
import type { Tool } from '@mellow-anvil/core/blade';
import type { Stored } from '@mellow-anvil/contract';
import { IRON, answer, page, playServer, stored } from '../testing/page';
import { ToolsStore } from './tools.store';
import { contentOf } from './collection.store';
import { Undo } from '../platform/undo.store';

describe('a collection on the page', () => {
  let server: HttpTestingController;
  let tools: ToolsStore;
  let items: readonly Stored<Tool>[] = [];

  beforeEach(() => {
    server = playServer();
    tools = TestBed.inject(ToolsStore);
    tools.items$.subscribe((now) => (items = now));
  });

  it('reads every page of a long list', () => {
    const first = server.expectOne((request) => request.params.get('page') === '1');
    first.flush({ items: [stored(IRON, 'a')], page: 1, pageSize: 500, total: 501 });
    server
      .expectOne((request) => request.params.get('page') === '2')
      .flush({ items: [stored(IRON, 'b')], page: 2, pageSize: 500, total: 501 });
    expect(items.map(({ id }) => id)).toEqual(['a', 'b']);
  });

  it('shows what the server answered, not what was sent', () => {
    answer(server, '/api/tools', page([stored(IRON, 'a')]));
    tools.change('a', 1, { ...IRON, name: 'Sent' }).subscribe();
    const put = server.expectOne({ method: 'PUT', url: '/api/tools/a' });
    expect(put.request.body.version).toBe(1);
    put.flush(stored({ ...IRON, name: 'Kept' }, 'a', 2));
    expect(items.map(({ name, version }) => [name, version])).toEqual([['Kept', 2]]);
  });

  it('keeps what it had when a change is refused', () => {
    answer(server, '/api/tools', page([stored(IRON, 'a')]));
    let refused = 0;
    tools.change('a', 1, { ...IRON, name: 'Sent' }).subscribe({ error: () => refused++ });
    server
      .expectOne({ method: 'PUT', url: '/api/tools/a' })
      .flush({ detail: 'no' }, { status: 409, statusText: 'Conflict' });
    expect(refused).toBe(1);
    expect(items[0]?.name).toBe('Iron');
  });

  it('loads again after an undo', () => {
    answer(server, '/api/tools', page([stored(IRON, 'a')]));
    const undo = TestBed.inject(Undo);
    undo.refresh();
    answer(server, '/api/undo', { undo: [{ id: 7, label: 'Add', createdAt: '' }], redo: [] });
    undo.undo().subscribe();
    const post = server.expectOne({ method: 'POST', url: '/api/undo/undo' });
    expect(post.request.body).toEqual({ id: 7 });
    post.flush({ id: 7, label: 'Add', createdAt: '' });
    answer(server, '/api/tools', page([]));
    expect(items).toEqual([]);
  });

  it('takes a thing’s content apart from what the server keeps about it', () => {
    expect(contentOf(stored(IRON, 'a'))).toEqual(IRON);
  });
});
