import type { StoredThing } from './commands.js';
import { DerivedAnswers, type Derived } from './derived-answers.js';

describe('derived answers', () => {
  let store: (...things: StoredThing[]) => void;
  let answers: DerivedAnswers<{ readonly value: number }>;
  let asked: (readonly string[])[];
  let values: Record<string, number>;
  const of = async (...ids: string[]): Promise<Record<string, { readonly value: number }>> => {
    const found = await answers.of(ids, async (missing) => {
      asked.push(missing);
      return new Map(
        missing.flatMap((id): [string, Derived<{ readonly value: number }>][] => {
          const value = values[id];
          return value === undefined
            ? []
            : [[id, { answer: { value }, restsOn: new Set([`stone of ${id}`]) }]];
        }),
      );
    });
    return Object.fromEntries(found);
  };

  beforeEach(() => {
    asked = [];
    values = { a: 1, b: 2 };
    answers = new DerivedAnswers(
      { onStored: (listener) => (store = (...things) => listener(things)) },
      ({ kind, id, toolId }) => (kind === 'tools' ? [id] : toolId === undefined ? [] : [toolId]),
    );
  });

  it('are reckoned once, until what they rest on is stored', async () => {
    const { a } = await of('a', 'b');
    expect((await of('a', 'b'))['a']).toBe(a);
    expect(asked).toEqual([['a', 'b'], []]);
    store({ kind: 'sessions', id: 's', toolId: 'a' });
    values['a'] = 5;
    expect((await of('a', 'b'))['a']).toEqual({ value: 5 });
    expect(asked.at(-1)).toEqual(['a']);
  });

  it('stay the very same where they come out the same', async () => {
    const { a } = await of('a');
    store({ kind: 'tools', id: 'a' });
    expect((await of('a'))['a']).toBe(a);
  });

  it('are forgotten with what else they rest on, and only those', async () => {
    await of('a', 'b');
    answers.forgetResting(['stone of b']);
    await of('a', 'b');
    expect(asked.at(-1)).toEqual(['b']);
  });

  it('are not kept where something was stored while they were reckoned', async () => {
    await answers.of(['a'], async () => {
      store({ kind: 'guides', id: 'g' });
      return new Map([['a', { answer: { value: 0 }, restsOn: new Set<string>() }]]);
    });
    expect((await of('a'))['a']).toEqual({ value: 1 });
  });

  it('leave out what is not there', async () => {
    expect(Object.keys(await of('a', 'gone'))).toEqual(['a']);
  });
});
