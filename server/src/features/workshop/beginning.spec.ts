import { TOOLS } from '../../testing/fixtures.js';
import { openTestWorkshop, type TestWorkshop } from '../../testing/workshop.js';

describe('the beginning of a workshop', () => {
  let shop: TestWorkshop;
  beforeEach(async () => {
    shop = await openTestWorkshop();
  });
  afterEach(() => shop.close());
  const stone = {
    name: 'Oil stone, fine',
    kind: 'oil-stone',
    grade: { standard: 'UM', grade: '25' },
    lubricant: 'oil',
    strokeMm: 150,
    overheadMin: 0.5,
  };
  const totals = async (): Promise<number[]> =>
    Promise.all(
      ['tools', 'guides', 'abrasives'].map(
        async (kind) => (await shop.ask('GET', `/api/${kind}`)).body.total as number,
      ),
    );

  it('puts tool, guide and stone in place in one change, which one undo takes back', async () => {
    const begun = await shop.ask('POST', '/api/beginnings', {
      tools: [TOOLS.gouge],
      guides: [{ name: 'By hand', form: 'freehand' }],
      abrasives: [stone],
    });
    expect(begun.status).toBe(201);
    expect((await shop.ask('GET', `/api/tools/${begun.body.toolIds[0]}`)).body.family).toBe('gouge');
    expect(await totals()).toEqual([1, 1, 1]);
    const [{ id }, ...others] = (await shop.ask('GET', '/api/undo')).body.undo;
    expect(others).toEqual([]);
    await shop.ask('POST', '/api/undo/undo', { id });
    expect(await totals()).toEqual([0, 0, 0]);
  });

  it('puts nothing in place where one of them is wrong, and says which', async () => {
    const refused = await shop.ask('POST', '/api/beginnings', {
      tools: [TOOLS.gouge],
      guides: [],
      abrasives: [{ ...stone, name: '' }],
    });
    expect(refused.status).toBe(422);
    expect(refused.body.errors[0].field).toBe('abrasives.0.name');
    expect(await totals()).toEqual([0, 0, 0]);
  });
});
