import { readFile } from 'node:fs/promises';
import { request } from 'node:http';
import { Ajv2019 } from 'ajv/dist/2019.js';
import { FAMILY_NAMES, type Tool } from '@mellow-anvil/core/blade';
import { guideProjection } from '@mellow-anvil/core/guide';
import { planHoning, type HoningPlan } from '@mellow-anvil/core/plan';
import { httpReference } from './platform/http-reference.js';
import { workshopJsonSchema } from './platform/openapi.js';
import { GUIDE, TOOLS, stone } from './testing/fixtures.js';
import { openTestWorkshop, type TestWorkshop } from './testing/workshop.js';

const DEMO = new URL('../../demo/saltmarsh-boat-shed.workshop.json', import.meta.url);
const REFERENCE = new URL('../../docs/http.md', import.meta.url);
const PUBLISHED = new URL('../../docs/workshop.schema.json', import.meta.url);
const chisel = TOOLS['bench-chisel'];

describe('the server over a real SQLite file', () => {
  let shop: TestWorkshop;
  const ask: TestWorkshop['ask'] = (...wanted) => shop.ask(...wanted);
  const demo = async (): Promise<string> => readFile(DEMO, 'utf8');

  beforeEach(async () => {
    shop = await openTestWorkshop();
  });
  afterEach(() => shop.close());

  describe('plans', () => {
    it('are kept whose micro-bevel comes last, each step with its facet', async () => {
      const tool = (await ask('POST', '/api/tools', TOOLS['mortise-chisel'])).body;
      for (const grade of ['400', '1000', '8000']) await ask('POST', '/api/abrasives', stone(grade, grade));
      const made = await ask('POST', '/api/plans', {
        name: 'Micro last',
        toolId: tool.id,
        request: {
          condition: { kind: 'unknown' },
          finishUm: 2,
          forceN: 20,
          strokesPerMin: 40,
          laidAside: [],
        },
      });
      expect(made.status).toBe(201);
      const facets = (made.body.result as HoningPlan).steps.map(({ facet }) => facet);
      expect([facets[0], facets.at(-1)]).toEqual(['secondary', 'micro']);
      // Its file opens again, too.
      expect((await ask('PUT', '/api/workshop', (await ask('GET', '/api/workshop')).body)).status).toBe(200);
    });

    it('works a plan out on the bench set as it stands, as core does', async () => {
      const tool = (await ask('POST', '/api/tools', chisel)).body;
      const guide = (await ask('POST', '/api/guides', GUIDE)).body;
      for (const grade of ['400', '1000', '8000']) await ask('POST', '/api/abrasives', stone(grade, grade));
      const bench = (await ask('GET', '/api/abrasives?sort=-sizeUm')).body.items;
      const draft = {
        name: 'Dull',
        toolId: tool.id,
        guideId: guide.id,
        seatName: 'Jaws',
        request: { condition: { kind: 'dull' }, finishUm: 2, forceN: 20, strokesPerMin: 40, laidAside: [] },
      } as const;
      const made = await ask('POST', '/api/plans', draft);
      expect(made.status).toBe(201);
      expect(made.body.result).toEqual(JSON.parse(JSON.stringify(planHoning(tool, bench, draft.request))));
      const finer = await ask('POST', '/api/plans', {
        ...draft,
        request: { ...draft.request, finishUm: 0.5 },
      });
      expect([finer.status, finer.body.errors[0].field]).toEqual([422, 'finishUm']);
      const seatless = await ask('POST', '/api/plans', { ...draft, seatName: 'Lap' });
      expect(seatless.body.errors[0].field).toBe('seatName');
      const toolless = await ask('POST', '/api/plans', { ...draft, toolId: 'gone' });
      expect(toolless.body.errors[0].field).toBe('toolId');
      expect((await ask('GET', '/api/plans')).body.total).toBe(1);
      // The guide goes; the file saved after that still opens.
      await ask('DELETE', `/api/guides/${guide.id}?version=1`);
      const file = (await ask('GET', '/api/workshop')).body;
      expect(file.plans[0].guideId).toBeUndefined();
      expect((await ask('PUT', '/api/workshop', file)).status).toBe(200);
    });
  });

  describe('calculations', () => {
    it('answers what core answers', async () => {
      const guide = { rollerRadiusMm: 9, seatHeightMm: 16.25, noseMm: 16.25 };
      const answer = await ask('POST', '/api/calc/guide-projection', { guide, angleDeg: 30 });
      expect(answer.body).toEqual(guideProjection({ guide, angleDeg: 30 }));
      expect((await ask('POST', '/api/calc/grit', { standard: 'FEPA-P', grade: 'P600' })).body.sizeUm).toBe(
        25.8,
      );
      const grown = await ask('POST', '/api/calc/land-growth', {
        primaryDeg: 25,
        secondaryDeg: 30,
        recessionMm: 0.2,
      });
      expect(grown.body.landMm).toBeCloseTo(0.9698, 5);
    });

    it('refuses each in words at its field', async () => {
      const guide = { rollerRadiusMm: 9, seatHeightMm: 16.25, noseMm: 16.25 };
      const cases: [string, object, string, RegExp][] = [
        ['guide-projection', { guide, angleDeg: 80 }, 'angleDeg', /cannot hold/],
        [
          'guide-projection',
          { guide: { ...guide, seat: 'underside' }, angleDeg: 30 },
          'thicknessMm',
          /thickness/,
        ],
        ['guide-projection', { guide, angleDeg: '30' }, 'angleDeg', /write a number/],
        ['guide-angle', { guide, projectionMm: -1 }, 'projectionMm', /lies between/],
        ['land-growth', { primaryDeg: 30, secondaryDeg: 25, recessionMm: 0.1 }, 'secondaryDeg', /steeper/],
        ['grit', { standard: 'JIS', grade: '#9999' }, 'grade', /µm/],
      ];
      for (const [name, input, field, words] of cases) {
        const refused = await ask('POST', `/api/calc/${name}`, input);
        expect(refused.status).withContext(name).toBe(422);
        expect(refused.headers.get('content-type')).toContain('application/problem+json');
        expect(refused.body.errors[0].field).withContext(name).toBe(field);
        expect(refused.body.errors[0].message).toMatch(words);
      }
      const unknown = await ask('POST', '/api/calc/constructor', {});
      expect([unknown.status, unknown.body.title]).toEqual([404, 'No such calculation']);
    });

    it('describes every route, and the calculations by their schemas', async () => {
      const { paths, openapi } = (await ask('GET', '/api/openapi.json')).body;
      expect(openapi).toBe('3.1.0');
      for (const path of [
        '/api/calc/progression',
        '/api/runs/{id}/events',
        '/api/records/{toolId}',
        '/api/backups/restore',
      ]) {
        expect(Object.keys(paths)).toContain(path);
      }
      const body = paths['/api/calc/guide-angle'].post.requestBody.content['application/json'].schema;
      expect(body.required).toEqual(['guide', 'projectionMm']);
      expect(body.properties.projectionMm.minimum).toBe(0.1);
      expect(httpReference({ paths }) === (await readFile(REFERENCE, 'utf8')))
        .withContext('docs/http.md: run “npm run publish-docs”')
        .toBeTrue();
    });
  });

  describe('the open file', () => {
    it('opens the demo, which its published schema allows, and gives back the same file', async () => {
      const published = JSON.parse(await readFile(PUBLISHED, 'utf8'));
      expect(published)
        .withContext('docs/workshop.schema.json is as the server serves it')
        .toEqual(JSON.parse(JSON.stringify(workshopJsonSchema())));
      const file = JSON.parse(await demo());
      const validate = new Ajv2019({ strict: false, validateFormats: false }).compile(published);
      expect(validate(file)).withContext(JSON.stringify(validate.errors)).toBeTrue();
      expect(validate({ ...file, tools: [{ ...file.tools[0], family: 'spoon' }] })).toBeFalse();
      const opened = await ask('PUT', '/api/workshop', file);
      expect(opened.status).toBe(200);
      const back = await ask('GET', '/api/workshop');
      expect(back.headers.get('content-disposition')).toContain('saltmarsh-boat-shed.workshop.json');
      const byId = (list: { id: string }[]): { id: string }[] =>
        [...list].sort((a, b) => a.id.localeCompare(b.id));
      for (const kind of ['tools', 'guides', 'abrasives', 'plans', 'sessions']) {
        expect(byId(back.body[kind])).withContext(kind).toEqual(byId(file[kind]));
      }
    });

    it('shows every family in the demo, and enough of the rest', async () => {
      const file = JSON.parse(await demo());
      expect(new Set(file.tools.map((tool: Tool) => tool.family)).size).toBe(FAMILY_NAMES.length);
      expect(file.abrasives.length).toBeGreaterThanOrEqual(8);
      expect(file.guides.length).toBeGreaterThanOrEqual(2);
    });

    it('replaces a workshop in one undoable change', async () => {
      await ask('POST', '/api/tools', chisel);
      await ask('PUT', '/api/workshop', await demo());
      expect((await ask('GET', '/api/settings')).body.name).toBe('Saltmarsh boat shed');
      const [{ id }] = (await ask('GET', '/api/undo')).body.undo;
      await ask('POST', '/api/undo/undo', { id });
      expect((await ask('GET', '/api/tools')).body.items.map((t: Tool) => t.name)).toEqual([chisel.name]);
      expect((await ask('GET', '/api/settings')).body.name).toBe('My workshop');
    });

    it('is stopped when whoever opens it goes away, and nothing is changed', async () => {
      const file = JSON.parse(await demo());
      const [first] = file.sessions;
      const sessions = Array.from({ length: 20_000 }, (_, i) => ({ ...first, id: `s${i}` }));
      const stop = new AbortController();
      const put = fetch(`${shop.origin}/api/workshop`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ ...file, sessions }),
        signal: stop.signal,
      });
      const outcome = expectAsync(put).toBeRejected();
      while (!((await ask('GET', '/api/work')).body[0]?.done > 0)) {
        await new Promise((resolve) => setTimeout(resolve, 20));
      }
      stop.abort();
      await outcome;
      expect((await ask('POST', '/api/tools', chisel)).status).toBe(201);
      await new Promise((resolve) => setTimeout(resolve, 1500));
      expect((await ask('GET', '/api/sessions')).body.total).toBe(0);
      expect((await ask('GET', '/api/work')).body).toEqual([]);
      expect((await ask('PUT', '/api/workshop', file)).status).toBe(200);
    });

    it('refuses a hostile or broken file and changes nothing', async () => {
      await ask('POST', '/api/tools', chisel);
      const file = JSON.parse(await demo());
      const broken: [string, unknown, number][] = [
        [
          'one wrong tool at the end',
          { ...file, tools: [...file.tools, { ...file.tools[0], id: 'x', steel: 'cheese' }] },
          422,
        ],
        ['a session of no tool', { ...file, sessions: [{ ...file.sessions[0], toolId: 'nobody' }] }, 422],
        ['two tools with one id', { ...file, tools: [file.tools[0], file.tools[0]] }, 422],
        ['another format', { ...file, format: 'recipe' }, 422],
        ['a later version', { ...file, version: 99 }, 422],
        ['a path for an id', { ...file, tools: [{ ...file.tools[0], id: '../../etc' }] }, 422],
        ['a list', [], 422],
        ['deep nesting', `${'['.repeat(50000)}${']'.repeat(50000)}`, 400],
        ['a prototype', '{"__proto__":{"format":"mellow-anvil-workshop"},"constructor":{}}', 422],
        ['no JSON', '{"format":', 400],
      ];
      for (const [what, body, status] of broken) {
        const refused = await ask('PUT', '/api/workshop', body);
        expect(refused.status).withContext(what).toBe(status);
        expect(refused.body.detail.length).withContext(what).toBeGreaterThan(10);
      }
      expect((await ask('GET', '/api/tools')).body.items.map((t: Tool) => t.name)).toEqual([chisel.name]);
      expect(Object.prototype).not.toEqual(jasmine.objectContaining({ format: jasmine.anything() }));
    });
  });

  describe('bad input and strangers', () => {
    it('tells broken JSON, too much, and the wrong type of body', async () => {
      expect((await ask('POST', '/api/tools', '{"name":')).status).toBe(400);
      const large = await ask('POST', '/api/tools', { ...chisel, notes: 'x'.repeat(300_000) });
      expect([large.status, large.body.title]).toEqual([413, 'Too large']);
      const form = await ask('POST', '/api/tools', 'name=x', {
        'content-type': 'application/x-www-form-urlencoded',
      });
      expect(form.status).toBe(415);
      expect((await ask('GET', '/api/nothing')).status).toBe(404);
      expect((await ask('GET', '/api/tools/%E0%A4%A')).status).toBe(400);
    });

    it('names every wrong field with its own sentence', async () => {
      const edge = { ...chisel.edge, widthMm: -1, secondaryDeg: 25, back: 'shim', thicknessMm: undefined };
      const { status, body } = await ask('POST', '/api/tools', { ...chisel, name: ' ', edge, price: 3 });
      expect(status).toBe(422);
      const told = Object.fromEntries(
        body.errors.map((e: { field: string; message: string }) => [e.field, e.message]),
      );
      expect(told['name']).toMatch(/plain text/);
      expect(told['edge.widthMm']).toMatch(/lies between 0.5 and 420 mm/);
      expect(told['edge.thicknessMm']).toMatch(/missing/);
      expect(told['edge.secondaryDeg']).toMatch(/steeper than the primary/);
      expect(told['edge.back']).toMatch(/never bevelled over a shim/);
      expect(told['price']).toMatch(/leave it out/);
      const wrongForm = await ask('POST', '/api/tools', { ...chisel, edge: TOOLS.gouge.edge });
      expect(wrongForm.body.errors[0].field).toBe('edge.form');
      const oiled = await ask('POST', '/api/abrasives', stone('Oiled', '1000', { lubricant: 'oil' }));
      expect(oiled.body.errors[0].message).toContain('Oil ruins a water stone');
      const graded = await ask('POST', '/api/abrasives', stone('Odd', '1100'));
      expect(graded.body.errors[0]).toEqual(jasmine.objectContaining({ field: 'grade.grade' }));
    });

    it('refuses another host’s name, another page’s origin and cross-site reads', async () => {
      const elsewhere = { origin: 'http://elsewhere.example' };
      expect((await ask('GET', '/api/tools', undefined, elsewhere)).status).toBe(403);
      expect((await ask('POST', '/api/tools', chisel, elsewhere)).status).toBe(403);
      expect((await ask('GET', '/api/tools', undefined, { origin: 'null' })).status).toBe(403);
      const otherPort = { origin: 'http://127.0.0.1:1' };
      expect((await ask('POST', '/api/tools', chisel, otherPort)).status).toBe(403);
      expect((await ask('POST', '/api/tools', chisel, { origin: shop.origin })).status).toBe(201);
      for (const [headers, status] of [
        [{ host: 'rebound.example' }, 403],
        [{ 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'no-cors' }, 403],
        [{ 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'navigate' }, 200],
        [{ 'sec-fetch-site': 'same-origin', 'sec-fetch-mode': 'cors' }, 200],
      ] as const) {
        // fetch may not set these headers itself.
        const got = await new Promise<number | undefined>((resolve, reject) => {
          request(`${shop.origin}/api/tools`, { headers }, (answer) => resolve(answer.resume().statusCode))
            .on('error', reject)
            .end();
        });
        expect(got).withContext(JSON.stringify(headers)).toBe(status);
      }
    });

    it('allows no inline script', async () => {
      const policy = (await ask('GET', '/api/health')).headers.get('content-security-policy') ?? '';
      expect(policy).toContain("script-src 'self';");
      expect(policy).not.toContain('unsafe');
    });
  });
});
