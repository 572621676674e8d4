import { FAMILY_NAMES, type Tool } from '@mellow-anvil/core/blade';
import { GUIDE, JIGS, TOOLS, session } from './testing/fixtures.js';
import { openTestWorkshop, type TestWorkshop } from './testing/workshop.js';

const chisel = TOOLS['bench-chisel'];

describe('what is stored, over a real SQLite file', () => {
  let shop: TestWorkshop;
  const ask: TestWorkshop['ask'] = (...wanted) => shop.ask(...wanted);

  beforeEach(async () => {
    shop = await openTestWorkshop();
  });
  afterEach(() => shop.close());

  describe('things stored', () => {
    for (const family of FAMILY_NAMES) {
      it(`brings a ${family} back as it went in: core, contract, database, HTTP`, async () => {
        const made = await ask('POST', '/api/tools', TOOLS[family]);
        expect(made.status).toBe(201);
        expect(made.body.version).toBe(1);
        const read = await ask('GET', made.headers.get('location') ?? '');
        const { id, version, createdAt, updatedAt, ...tool } = read.body;
        expect([id, version, createdAt, updatedAt].every(Boolean)).toBeTrue();
        // JSON has no undefined: what the fixture leaves out is left out.
        expect(tool).toEqual(JSON.parse(JSON.stringify(TOOLS[family])));
      });
    }

    it('brings a guide and a session back whole, through the database opened again', async () => {
      const guides = [];
      for (const guide of [GUIDE, ...JIGS]) guides.push((await ask('POST', '/api/guides', guide)).body);
      const tool = (await ask('POST', '/api/tools', chisel)).body;
      const kept = (await ask('POST', '/api/sessions', session(tool.id))).body;
      await shop.close({ keep: true });
      const again = await openTestWorkshop(shop.folder);
      for (const [i, guide] of [GUIDE, ...JIGS].entries()) {
        const { id, version, createdAt, updatedAt, ...read } = (
          await again.ask('GET', `/api/guides/${guides[i].id}`)
        ).body;
        expect([id, version, createdAt, updatedAt].every(Boolean)).toBeTrue();
        expect(read).toEqual(guide);
      }
      expect((await again.ask('GET', `/api/sessions/${kept.id}`)).body).toEqual(
        jasmine.objectContaining(session(tool.id)),
      );
      await again.close({ keep: true });
      shop = await openTestWorkshop(shop.folder);
    });

    it('lists, filters, sorts and pages', async () => {
      for (const family of ['gouge', 'bench-chisel', 'skew', 'bench-chisel'] as const) {
        await ask('POST', '/api/tools', TOOLS[family]);
      }
      const page = (await ask('GET', '/api/tools?sort=-family&pageSize=2&page=1')).body;
      expect(page.items.map((tool: Tool) => tool.family)).toEqual(['skew', 'gouge']);
      expect(page.total).toBe(4);
      expect((await ask('GET', '/api/tools?family=bench-chisel')).body.total).toBe(2);
      expect((await ask('GET', '/api/tools?q=GOUGE')).body.total).toBe(1);
      expect((await ask('GET', '/api/tools?q=%25')).body.total).toBe(0);
      const refused = await ask('GET', '/api/tools?sort=price&pageSize=9999');
      expect(refused.status).toBe(422);
      expect(refused.body.errors.map((e: { field: string }) => e.field)).toEqual(['sort', 'pageSize']);
    });

    it('refuses a change made from an older version, and keeps what is there', async () => {
      const { id } = (await ask('POST', '/api/tools', chisel)).body;
      const first = await ask('PUT', `/api/tools/${id}`, { ...chisel, name: 'Mine', version: 1 });
      expect(first.body.version).toBe(2);
      const stale = await ask('PUT', `/api/tools/${id}`, { ...chisel, name: 'Theirs', version: 1 });
      expect(stale.status).toBe(409);
      expect(stale.body.detail).toContain('Load it again');
      expect((await ask('DELETE', `/api/tools/${id}?version=1`)).status).toBe(409);
      expect((await ask('GET', `/api/tools/${id}`)).body.name).toBe('Mine');
    });

    it('lets only one of many changes from the same version through', async () => {
      const { id } = (await ask('POST', '/api/tools', chisel)).body;
      const answers = await Promise.all(
        Array.from({ length: 8 }, (_, i) =>
          ask('PUT', `/api/tools/${id}`, { ...chisel, name: `Hand ${i}`, version: 1 }),
        ),
      );
      expect(answers.filter(({ status }) => status === 200).length).toBe(1);
      expect(answers.filter(({ status }) => status === 409).length).toBe(7);
    });
  });

  describe('undo', () => {
    const newest = async (): Promise<{ id: number; label: string }> =>
      (await ask('GET', '/api/undo')).body.undo[0];
    const undo = async (): Promise<void> => {
      expect((await ask('POST', '/api/undo/undo', { id: (await newest()).id })).status).toBe(200);
    };

    it('takes back the last fifty changes one by one, and does them again', async () => {
      const { id } = (await ask('POST', '/api/tools', chisel)).body;
      let version = 1;
      for (let i = 1; i <= 50; i++) {
        ({ version } = (
          await ask('PUT', `/api/tools/${id}`, { ...chisel, name: `Name ${i}`, version })
        ).body);
      }
      for (let i = 49; i >= 1; i--) {
        await undo();
        expect((await ask('GET', `/api/tools/${id}`)).body.name).toBe(`Name ${i}`);
      }
      const [next] = (await ask('GET', '/api/undo')).body.redo;
      await ask('POST', '/api/undo/redo', { id: next.id });
      expect((await ask('GET', `/api/tools/${id}`)).body.name).toBe('Name 2');
    });

    it('brings back a removed tool with its plans and its record', async () => {
      const tool = (await ask('POST', '/api/tools', chisel)).body;
      await ask('POST', '/api/sessions', session(tool.id));
      await ask('DELETE', `/api/tools/${tool.id}?version=1`);
      expect((await ask('GET', `/api/tools/${tool.id}`)).status).toBe(404);
      expect((await ask('GET', '/api/sessions')).body.total).toBe(0);
      await undo();
      const back = (await ask('GET', `/api/tools/${tool.id}`)).body;
      expect(back.name).toBe(chisel.name);
      expect(back.version).toBeGreaterThan(tool.version);
      expect((await ask('GET', '/api/sessions')).body.total).toBe(1);
    });

    it('undoes only the change the page saw', async () => {
      await ask('POST', '/api/tools', chisel);
      const seen = await newest();
      await ask('POST', '/api/tools', TOOLS.gouge);
      expect((await ask('POST', '/api/undo/undo', { id: seen.id })).status).toBe(409);
      expect((await ask('GET', '/api/tools')).body.total).toBe(2);
    });

    it('drops what was undone once something new is done', async () => {
      await ask('POST', '/api/tools', chisel);
      await undo();
      await ask('POST', '/api/tools', TOOLS.gouge);
      expect((await ask('GET', '/api/undo')).body.redo).toEqual([]);
      expect((await ask('GET', '/api/tools')).body.items.map((t: Tool) => t.family)).toEqual(['gouge']);
    });
  });
});
