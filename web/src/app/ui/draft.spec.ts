import { TestBed } from '@angular/core/testing';
import type { HttpTestingController } from '@angular/common/http/testing';
import type { Abrasive } from '@mellow-anvil/core/abrasive';
import { AbrasivesStore } from '../data/abrasives.store';
import { atRest } from '../testing/host';
import { answer, page, playServer, stone } from '../testing/page';
import { contentOf } from '../data/collection.store';
import { Draft, placed } from './draft';

describe('a draft', () => {
  let server: HttpTestingController;
  let editor: Draft<Abrasive>;
  const kept = stone('s', '1000');

  beforeEach(() => {
    server = playServer();
    editor = TestBed.runInInjectionContext(
      () =>
        new Draft<Abrasive>({
          keeper: TestBed.inject(AbrasivesStore),
          schema: 'abrasiveSchema',
          begin: contentOf<Abrasive>(kept),
          ...placed('rail'),
        }),
    );
    answer(server, '/api/abrasives', page([kept]));
  });

  const sent = async (method: string, url: string) => {
    await atRest();
    return server.expectOne({ method, url });
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

  it('is sent once, however often it is asked to be kept', async () => {
    const [one, two] = [editor.keep(), editor.keep()];
    (await sent('POST', '/api/abrasives')).flush(kept);
    expect(await two).toBeUndefined();
    expect((await one)?.id).toBe('s');
    server.expectNone({ method: 'POST', url: '/api/abrasives' });
  });

  it('keeps what was typed while it was sent, and sends that after it, from the version it became', async () => {
    editor.load(kept);
    editor.set({ strokeMm: 120 });
    const changing = editor.keepChanges();
    const first = await sent('PUT', '/api/abrasives/s');
    editor.set({ overheadMin: 0.75 });
    void editor.keepChanges();
    first.flush({ ...kept, strokeMm: 120, version: 2 });
    const second = await sent('PUT', '/api/abrasives/s');
    expect(second.request.body).toEqual(
      jasmine.objectContaining({ strokeMm: 120, overheadMin: 0.75, version: 2 }),
    );
    second.flush({ ...kept, strokeMm: 120, overheadMin: 0.75, version: 3 });
    await changing;
    // Nothing was changed since.
    await editor.keepChanges();
    server.expectNone({ method: 'PUT', url: '/api/abrasives/s' });
  });

  it('merges what comes in from elsewhere field by field: what was typed stays', () => {
    editor.load(kept);
    editor.set({ strokeMm: 120 });
    editor.load({ ...kept, name: 'Renamed elsewhere', overheadMin: 0.9, version: 2 });
    expect(editor.draft()).toEqual(
      jasmine.objectContaining({ name: 'Renamed elsewhere', overheadMin: 0.9, strokeMm: 120 }),
    );
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
