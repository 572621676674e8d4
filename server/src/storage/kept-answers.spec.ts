import { KeptAnswers } from './kept-answers.js';

describe('KeptAnswers', () => {
  let edition: number;
  let worked: number;
  let kept: KeptAnswers;
  const answer = (): Promise<string> => Promise.resolve(`answer ${(worked += 1)}`);
  beforeEach(() => {
    [edition, worked] = [0, 0];
    kept = new KeptAnswers(() => edition);
  });

  it('answers the same question from what is known until something is stored', async () => {
    expect([await kept.to('a', answer), await kept.to('a', answer), await kept.to('b', answer)]).toEqual([
      'answer 1',
      'answer 1',
      'answer 2',
    ]);
    edition += 1;
    expect(await kept.to('a', answer)).toBe('answer 3');
  });

  it('does not keep what was worked out while something was stored', async () => {
    const meanwhile = kept.to('a', async () => {
      edition += 1;
      return answer();
    });
    expect(await meanwhile).toBe('answer 1');
    expect(await kept.to('a', answer)).toBe('answer 2');
  });

  it('keeps no failure', async () => {
    await expectAsync(kept.to('a', () => Promise.reject(new Error('no')))).toBeRejected();
    expect(await kept.to('a', answer)).toBe('answer 1');
  });
});
