import { TestBed } from '@angular/core/testing';
import type { HttpTestingController } from '@angular/common/http/testing';
import type { Abrasive } from '@mellow-anvil/core/abrasive';
import { AbrasivesStore } from '../data/abrasives.store';
import { until } from '../testing/host';
import { answer, page, playServer, stone } from '../testing/page';
import { contentOf } from '../data/collection.store';
import { Editor } from './editor';

describe('Editor', () => {
  let server: HttpTestingController;
  let editor: Editor<Abrasive>;
  const kept = stone('s', '1000');

  beforeEach(() => {
    server = playServer();
    editor = TestBed.runInInjectionContext(
      () => new Editor(TestBed.inject(AbrasivesStore), 'abrasiveSchema', contentOf<Abrasive>(kept), 'rail'),
    );
    answer(server, '/api/abrasives', page([kept]));
  });

  const sent = async (method: string, url: string) => {
    let found = server.match({ method, url });
    await until(
      () => (found = found.length ? found : server.match({ method, url })).length > 0,
      `${method} ${url}`,
    );
    return found[0] as NonNullable<(typeof found)[0]>;
  };

  it('adds what is new and changes what is stored, from its version', async () => {
    const adding = editor.keep();
    (await sent('POST', '/api/abrasives')).flush(kept);
    expect((await adding)?.id).toBe('s');
    editor.load(kept);
    editor.set({ strokeMm: 120 });
    const changing = editor.keep();
    const put = await sent('PUT', '/api/abrasives/s');
    expect(put.request.body).toEqual(jasmine.objectContaining({ strokeMm: 120, version: 1 }));
    put.flush({ ...kept, version: 2 });
    expect((await changing)?.version).toBe(2);
  });

  it('sends nothing the contract refuses, and keeps the draft', async () => {
    editor.set({ strokeMm: 2000, lubricant: 'oil' });
    expect(await editor.keep()).toBeUndefined();
    expect(Object.keys(editor.sentences()).sort()).toEqual(['lubricant', 'strokeMm']);
    expect(editor.refusal()).toContain('Not kept yet');
    expect(editor.draft().strokeMm).toBe(2000);
    server.expectNone({ method: 'POST', url: '/api/abrasives' });
  });

  it('shows what the server refuses at its fields', async () => {
    const adding = editor.keep();
    const errors = [{ field: 'name', message: 'There is one of that name.' }];
    (await sent('POST', '/api/abrasives')).flush(
      { type: 'about:blank', title: 'No', status: 422, detail: 'There is one of that name.', errors },
      { status: 422, statusText: 'Unprocessable' },
    );
    expect(await adding).toBeUndefined();
    expect(editor.sentences()).toEqual({ name: 'There is one of that name.' });
    expect(editor.refusal()).toBe('There is one of that name.');
  });

  it('does not throw away a draft for the version it was made from', () => {
    editor.load(kept);
    editor.set({ name: 'Being typed' });
    editor.load(kept);
    expect(editor.draft().name).toBe('Being typed');
  });
});
