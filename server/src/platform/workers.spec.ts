import { HttpProblem } from './problem.js';
import { calculateTask } from '../features/calc/tasks.js';
import { describeTask } from './openapi.js';
import { beside } from './workers.js';

describe('figures worked out beside the main thread', () => {
  const grit = (body: object): Promise<object> => beside(calculateTask, { name: 'grit', body });

  it('come back as they are, and a refusal with its fields', async () => {
    expect(await grit({ standard: 'JIS', grade: '1000' })).toEqual(
      jasmine.objectContaining({ sizeUm: jasmine.any(Number) }),
    );
    const reason = await grit({ standard: 'JIS', grade: 'cheese' }).catch((refused: unknown) => refused);
    expect(reason).toBeInstanceOf(HttpProblem);
    expect((reason as HttpProblem).status).toBe(422);
    expect((reason as HttpProblem).errors?.[0]?.field).toBe('grade');
  });

  it('are not begun for whoever is gone, and given up for whoever goes', async () => {
    const gone = AbortSignal.abort();
    await expectAsync(beside(describeTask, 'server', { signal: gone })).toBeRejectedWith(
      jasmine.objectContaining({ status: 499 }),
    );
    const going = new AbortController();
    const work = beside(describeTask, 'server', { signal: going.signal });
    going.abort();
    await expectAsync(work).toBeRejectedWith(jasmine.objectContaining({ status: 499 }));
    // The next finds a worker that answers.
    expect(await grit({ standard: 'JIS', grade: '8000' })).toBeTruthy();
  });
});
