import Papa from 'papaparse';
import type { Abrasive, StonesRecord } from '@mellow-anvil/core/abrasive';
import type { HoningPlan } from '@mellow-anvil/core/plan';
import { TOOLS, stone } from '../../testing/fixtures.js';
import { openTestWorkshop, type TestWorkshop } from '../../testing/workshop.js';

const day = (n: number, hour = 9): string =>
  `2026-03-${String(n).padStart(2, '0')}T${String(hour).padStart(2, '0')}:00:00Z`;

describe('the bench set', () => {
  let shop: TestWorkshop;
  const ask: TestWorkshop['ask'] = (...wanted) => shop.ask(...wanted);
  const bench = async (): Promise<StonesRecord> => (await ask('GET', '/api/stones')).body.stones;
  const made = async (path: string, thing: object): Promise<{ id: string; version: number }> => {
    const { status, body } = await ask('POST', path, thing);
    expect(status).withContext(JSON.stringify(body)).toBe(201);
    return body;
  };
  const honed = (toolId: string, abrasiveId: string, n: number, more: object = {}): Promise<{ id: string }> =>
    made('/api/sessions', {
      toolId,
      kind: 'honing',
      startedAt: day(n),
      steps: [{ abrasiveId, strokes: 40, minutes: 1, forceN: 20, ...more }],
    });

  beforeEach(async () => {
    shop = await openTestWorkshop();
  });
  afterEach(() => shop.close());

  it('goes out as a table and comes in again letter for letter, and no cell is a formula', async () => {
    const names = [
      "'=x",
      "''=x",
      '=1+1',
      '＝1+1',
      '＋1',
      '-dash',
      '@here',
      ' blanks ',
      "'Twas",
      '"quoted", and;',
      'é',
    ];
    for (const name of names)
      await made('/api/abrasives', stone(name, '1000', { notes: `${name}\n${name}` }));
    const csv = (await ask('GET', '/api/sets/set.csv')).body as string;
    const cells = Papa.parse<string[]>(csv).data.flat();
    expect(cells.filter((cell) => /^[=+\-@＝＋－＠]/.test(cell))).toEqual([]);
    const other = await openTestWorkshop();
    expect((await other.ask('POST', '/api/sets/import', { csv })).body.added).toBe(names.length);
    const stones = (await other.ask('GET', '/api/abrasives')).body.items as Abrasive[];
    expect(stones.map(({ name }) => name).sort()).toEqual([...names].sort());
    expect(stones.map(({ notes }) => notes).sort()).toEqual(names.map((name) => `${name}\n${name}`).sort());
    expect((await other.ask('GET', '/api/sets/set.csv')).body.split('\r\n').sort()).toEqual(
      csv.split('\r\n').sort(),
    );
    await other.close();
  });

  it('comes due by what was done, is made good in one record, and that can be undone', async () => {
    const tool = await made('/api/tools', TOOLS['bench-chisel']);
    const { id } = await made('/api/abrasives', stone('W', '1000'));
    for (const n of [1, 2, 3, 4]) await honed(tool.id, id, n, { strokes: 90 });
    const before = (await bench())[id]?.care;
    expect([before?.strokes, before?.due?.kind]).toEqual([360, 'flattened']);
    const plan = {
      name: 'Plan',
      toolId: tool.id,
      request: { condition: { kind: 'dull' }, finishUm: 20, forceN: 20, strokesPerMin: 40, laidAside: [] },
    };
    const result = async (): Promise<HoningPlan> => (await ask('POST', '/api/plans', plan)).body.result;
    expect((await result()).care).toEqual([{ id, kind: 'flattened', minutes: 2 }]);
    await made('/api/cares', { abrasiveId: id, kind: 'flattened', at: day(5), minutes: 4 });
    expect((await bench())[id]?.care).toEqual(jasmine.objectContaining({ strokes: 0, hollowUm: 0 }));
    expect((await result()).care).toBeUndefined();
    for (let i = 0; i < 2; i++) {
      const { undo } = (await ask('GET', '/api/undo')).body;
      await ask('POST', '/api/undo/undo', { id: undo[0].id });
    }
    expect((await bench())[id]?.care.due?.kind).toBe('flattened');
    await made('/api/cares', { abrasiveId: id, kind: 'straightedge', at: day(6), hollowUm: 20 });
    expect((await bench())[id]?.care).toEqual(jasmine.objectContaining({ hollowUm: 20, readings: 1 }));
  });

  it('refuses care that makes no sense, at its field', async () => {
    const { id } = await made('/api/abrasives', stone('W', '1000'));
    const refused = async (care: object): Promise<string> => {
      const { status, body } = await ask('POST', '/api/cares', { abrasiveId: id, at: day(1), ...care });
      expect(status).toBe(422);
      return `${body.errors[0].field}: ${body.errors[0].message}`;
    };
    expect(await refused({ kind: 'dressed' })).toMatch(/^kind: A water stone .* flattened or straightedge/);
    expect(await refused({ kind: 'straightedge' })).toMatch(/^hollowUm: Say how deep/);
    expect(await refused({ kind: 'flattened', hollowUm: 3 })).toMatch(/^hollowUm: Only a look/);
    expect(await refused({ kind: 'flattened', abrasiveId: 'gone' })).toMatch(/^abrasiveId: /);
    const oiled = await ask('POST', '/api/abrasives', { ...stone('W', '1000'), lubricant: 'oil' });
    expect([oiled.status, oiled.body.errors[0].field]).toEqual([422, 'lubricant']);
    const wheeled = await ask('POST', '/api/abrasives', { ...stone('W', '1000'), sheets: { usesEach: 3 } });
    expect(wheeled.body.errors[0]).toEqual(jasmine.objectContaining({ field: 'sheets' }));
  });

  it('learns a stone’s rate from measured honings, plans and reckons by it, and forgets when told', async () => {
    const tool = await made('/api/tools', TOOLS['bench-chisel']);
    const stored = await made('/api/abrasives', stone('W', '1000'));
    const { id } = stored;
    const plan = {
      name: 'Plan',
      toolId: tool.id,
      request: {
        condition: { kind: 'nicked', nickMm: 0.1 },
        landMm: 0.7,
        finishUm: 20,
        forceN: 20,
        strokesPerMin: 40,
        laidAside: [],
      },
    };
    const strokes = async (): Promise<number> =>
      (await ask('POST', '/api/plans', plan)).body.result.steps[0].strokes;
    const before = await strokes();
    for (const n of [1, 2, 3, 4, 5]) await honed(tool.id, id, n, { recessionMm: 0.1, strokes: 30 });
    const { factor, readings } = (await bench())[id]?.rate ?? { factor: NaN, readings: 0 };
    expect(readings).toBe(5);
    expect(factor).toBeGreaterThan(1);
    expect((await strokes()) / before).toBeCloseTo(1 / factor, 1);
    const one = (await ask('GET', `/api/stones/${id}`)).body;
    expect(one.readings.length).toBe(5);
    expect(one.readings[0]).toEqual(jasmine.objectContaining({ by: 'measured', toolId: tool.id }));
    const learnFrom = day(6);
    await ask('PUT', `/api/abrasives/${id}`, { ...stone('W', '1000'), learnFrom, version: stored.version });
    expect((await bench())[id]?.rate).toEqual(jasmine.objectContaining({ factor: 1, readings: 0 }));
    expect(await strokes()).toBe(before);
  });

  it('keeps history true when a stone that it names is taken off, here and in the open file', async () => {
    const tool = await made('/api/tools', TOOLS['bench-chisel']);
    const { id } = await made('/api/abrasives', stone('Old stone', '1000'));
    await made('/api/abrasives', stone('Never used', '400'));
    await honed(tool.id, id, 1);
    const record = async (): Promise<unknown> => (await ask('GET', `/api/records/${tool.id}`)).body;
    const before = await record();
    await ask('DELETE', `/api/abrasives/${id}?version=1`);
    expect(await record()).toEqual(before);
    expect((await ask('GET', '/api/stones')).body.gone).toEqual([{ id, name: 'Old stone' }]);
    const file = (await ask('GET', '/api/workshop')).body;
    expect(file.removedAbrasives.map(({ name }: Abrasive) => name)).toEqual(['Old stone']);
    const other = await openTestWorkshop();
    expect((await other.ask('PUT', '/api/workshop', file)).status).toBe(200);
    const there = (await other.ask('GET', `/api/records/${tool.id}`)).body.record;
    expect(there.state.steelMm3).toBe((before as { record: typeof there }).record.state.steelMm3);
    expect((await other.ask('GET', '/api/abrasives')).body.total).toBe(1);
    await other.close();
  });

  it('goes out and in as JSON and CSV, the same stones again', async () => {
    const slate: Abrasive = {
      ...stone('=cmd|’/c calc’!A1', '1000', {}),
      kind: 'natural-stone',
      sets: ['Roll'],
      widthMm: 50.5,
      serves: ['straight', 'hook'],
    };
    const first = await made('/api/abrasives', slate);
    await made('/api/abrasives', { ...stone('Plain, with “commas”', '400'), notes: '-1+2\nsecond line' });
    const csv = (await ask('GET', '/api/sets/set.csv')).body as string;
    expect(csv).toContain("'=cmd");
    expect(csv).not.toMatch(/(^|,|")=cmd/m);
    const json = (await ask('GET', '/api/sets/set.json?set=Roll')).body;
    expect(json.abrasives.length).toBe(2);
    const all = (await ask('GET', '/api/abrasives?sort=name')).body.items as (Abrasive & { id: string })[];
    const bare = (items: readonly object[]): unknown =>
      items.map((item) => ({ ...item, version: 0, createdAt: '', updatedAt: '' }));

    const other = await openTestWorkshop();
    const there = async (): Promise<object[]> =>
      (await other.ask('GET', '/api/abrasives?sort=name')).body.items;
    expect((await other.ask('POST', '/api/sets/import', { csv })).body).toEqual({ added: 2, changed: 0 });
    // A table does not hold which sets a stone stands in.
    expect(bare(await there())).toEqual(bare(all.map(({ sets: _, ...rest }) => rest)));
    await other.ask('POST', '/api/sets/import', { file: json });
    expect(bare(await there())).toEqual(bare(all));
    expect((await other.ask('POST', '/api/sets/import', { csv, set: 'Van' })).body).toEqual({
      added: 0,
      changed: 2,
    });
    const slateThere = (await other.ask('GET', `/api/abrasives/${first.id}`)).body;
    expect(slateThere.sets).toEqual(['Roll', 'Van']);
    const { undo } = (await other.ask('GET', '/api/undo')).body;
    expect(undo[0].label).toBe('Take in the set “Van”');
    await other.close();
  });

  it('takes nothing in where a row is wrong, and says which and why', async () => {
    const head = 'name,kind,grade.standard,grade.grade,lubricant,strokeMm,overheadMin';
    const good = 'Good,water-stone,JIS,1000,water,150,"0,5"';
    const said = async (body: object): Promise<string[]> => {
      const { status, body: problem } = await ask('POST', '/api/sets/import', body);
      expect(status).toBe(422);
      return problem.errors.map(
        ({ field, message }: { field: string; message: string }) => `${field} | ${message}`,
      );
    };
    const wrong = await said({
      csv: [
        head,
        good,
        'Odd,water-stone,JIS,1001,water,150,0.5',
        'Oily,water-stone,JIS,1000,oil,150,far',
      ].join('\n'),
    });
    expect(wrong[0]).toMatch(/^rows\.3\.grade\.grade \| Row 3 \(Odd\).*nearest/);
    expect(wrong.some((each) => /^rows\.4\.lubricant \| Row 4 \(Oily\).*Oil ruins/.test(each))).toBeTrue();
    expect(wrong.some((each) => each.startsWith('rows.4.overheadMin'))).toBeTrue();
    expect((await ask('GET', '/api/abrasives')).body.total).toBe(0);
    expect((await said({ csv: 'what,ever\n1,2' }))[0]).toMatch(/Row 1 names the columns/);
    expect((await said({ csv: head }))[0]).toMatch(/no stones/);
    expect((await said({}))[0]).toMatch(/Send a table/);
    expect((await said({ file: { format: 'other', version: 1, name: 'x', abrasives: [] } }))[0]).toMatch(
      /not a set file/,
    );
    const twice = { id: 'a', ...stone('A', '1000') };
    const file = { format: 'mellow-anvil-set', version: 1, name: 'x', abrasives: [twice, twice] };
    expect((await said({ file }))[0]).toMatch(/share an id/);
    const semicolons = [head, good].join('\n').replaceAll(',', ';').replace('0;5', '0,5');
    expect((await ask('POST', '/api/sets/import', { csv: semicolons })).body.added).toBe(1);
  });
});
