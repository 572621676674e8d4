import { TestBed } from '@angular/core/testing';
import type { RackState } from '@mellow-anvil/core/blade';
import { IRON, stored } from '../testing/page';
import { sinceThen, LastLook, type Since } from './last-look';
import type { RackTool } from './rack-order';
import { answer, page, playServer } from '../testing/page';

const AT = '2026-11-20T18:00:00Z';
const tool = (id: string, state: RackState): RackTool =>
  ({ ...stored({ ...IRON, name: id }, id), ready: { state, words: '', brief: '' } }) as unknown as RackTool;
const ids = (tools: readonly RackTool[] = []): readonly string[] => tools.map(({ id }) => id);

describe('sinceThen', () => {
  it('is what wants more, what was seen to, and what was stored after that moment', () => {
    const since = sinceThen(
      { at: AT, states: { a: 'ready', b: 'hone', c: 'ready', gone: 'hone' } },
      [tool('a', 'hone'), tool('b', 'ready'), tool('c', 'ready'), tool('new', 'hone')],
      [
        { id: 2, label: 'Hone “b”', createdAt: '2026-11-21T08:00:00Z' },
        { id: 1, label: 'Before', createdAt: '2026-11-20T17:59:00Z' },
      ],
    );
    expect(ids(since?.wantMore)).toEqual(['a']);
    expect(ids(since?.seenTo)).toEqual(['b']);
    expect(since?.changes.map(({ label }) => label)).toEqual(['Hone “b”']);
  });

  it('is nothing where all stands as it did', () => {
    expect(sinceThen({ at: AT, states: { a: 'ready' } }, [tool('a', 'ready')], [])).toBeUndefined();
  });
});

describe('LastLook', () => {
  const KEY = 'mellow-anvil.last-look';
  const look = (hoursAgo: number): Since | undefined => {
    const at = new Date(Date.now() - hoursAgo * 3_600_000).toISOString();
    localStorage.setItem(KEY, JSON.stringify({ at, states: {} }));
    const server = playServer();
    let since: Since | undefined;
    TestBed.inject(LastLook).since$.subscribe((now) => (since = now));
    answer(server, '/api/tools', page([]));
    answer(server, '/api/records', {});
    return since;
  };
  afterEach(() => localStorage.removeItem(KEY));

  it('has nothing to tell in the same sitting, nor the first time, nor of what cannot be read', () => {
    expect(look(1)).toBeUndefined();
    TestBed.resetTestingModule();
    expect(look(30)).toBeUndefined();
    TestBed.resetTestingModule();
    localStorage.setItem(KEY, '{broken');
    playServer();
    expect(() => TestBed.inject(LastLook)).not.toThrow();
  });
});
