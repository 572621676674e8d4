import modeling from '@jscad/modeling';
import type { BoardDraft } from '@mellow-anvil/contract';
import {
  GENERIC_SIDE_CLAMPING_GUIDE,
  guideProjection,
  leastLengthMm,
  nextLabel,
  seatGeometry,
  USUAL_BOARD,
} from '@mellow-anvil/core/guide';
import { extentOf, restTemplate } from '@mellow-anvil/core/pattern';
import { readDxf, readPdf, readStl, readSvg, type Line } from '../../testing/read-back.js';
import { openTestWorkshop, type TestWorkshop } from '../../testing/workshop.js';

const ANGLES = [25, 30, 35];
const [CHISEL_JAWS] = GENERIC_SIDE_CLAMPING_GUIDE.seats;
if (!CHISEL_JAWS) throw new Error('the generic guide has jaws');
const GEOMETRY = seatGeometry(GENERIC_SIDE_CLAMPING_GUIDE, CHISEL_JAWS);
const wanted = (angleDeg: number): number => guideProjection({ guide: GEOMETRY, angleDeg }).projectionMm;
const projections = (angles: readonly number[]): number[] => angles.map(wanted).sort((a, b) => a - b);
const sorted = (values: readonly number[]): number[] => [...values].sort((a, b) => a - b);
const lying = ({ points }: Line): number => points[0]?.[1] ?? NaN;

/** The circle through three points of a file. */
function circleThrough(
  [ax, ay]: Line['points'][number],
  [bx, by]: Line['points'][number],
  [cx, cy]: Line['points'][number],
): { readonly x: number; readonly y: number; readonly r: number } {
  const d = 2 * (ax * (by - cy) + bx * (cy - ay) + cx * (ay - by));
  const [a2, b2, c2] = [ax * ax + ay * ay, bx * bx + by * by, cx * cx + cy * cy];
  const x = (a2 * (by - cy) + b2 * (cy - ay) + c2 * (ay - by)) / d;
  const y = (a2 * (cx - bx) + b2 * (ax - cx) + c2 * (bx - ax)) / d;
  return { x, y, r: Math.hypot(ax - x, ay - y) };
}

describe('boards and patterns over HTTP', () => {
  let shop: TestWorkshop;
  let guideId: string;
  beforeAll(async () => {
    shop = await openTestWorkshop();
    guideId = (await shop.ask('POST', '/api/guides', GENERIC_SIDE_CLAMPING_GUIDE)).body.id;
  });
  afterAll(() => shop.close());

  const draft = (angles: readonly number[], change: Partial<BoardDraft> = {}): BoardDraft => {
    const labels = angles.reduce<string[]>((taken) => [...taken, nextLabel(taken)], []);
    return {
      ...USUAL_BOARD,
      name: 'Chisels',
      guideId,
      seatName: 'Chisel jaws',
      stops: angles.map((angleDeg, i) => ({ label: labels[i] as string, angleDeg })),
      ...change,
    };
  };
  const made = async (asked: BoardDraft): Promise<ReturnType<typeof JSON.parse>> => {
    const { status, body } = await shop.ask('POST', '/api/boards', asked);
    expect(status).withContext(JSON.stringify(body)).toBe(201);
    return body;
  };
  const file = async (path: string): Promise<Buffer> => {
    const response = await fetch(`${shop.origin}${path}`);
    const body = Buffer.from(await response.arrayBuffer());
    expect(response.status)
      .withContext(`${path}: ${body.subarray(0, 300).toString()}`)
      .toBe(200);
    return body;
  };

  it('a camber template’s arc is its radius to 0.05 mm in PDF, SVG, DXF and STL', async () => {
    for (const radiusMm of [75, 250, 1500]) {
      const query = `?widthMm=44&radiusMm=${radiusMm}`;
      const path = (form: string): string => `/api/patterns/camber-template.${form}${query}`;
      const [page] = await readPdf(await file(path('pdf')));
      const dxf = readDxf((await file(path('dxf'))).toString());
      const svg = readSvg((await file(path('svg'))).toString());
      for (const [form, lines] of [
        ['pdf', page?.lines ?? []],
        ['svg', svg.lines],
        ['dxf', dxf.lines],
      ] as const) {
        // Of all lines the two plates are walked with the most points.
        const { points } = lines.reduce((one, next) => (next.points.length > one.points.length ? next : one));
        const xs = points.map(([x]) => x);
        const middle = (Math.min(...xs) + Math.max(...xs)) / 2;
        expect(Math.max(...xs) - Math.min(...xs))
          .withContext(`${form} ${radiusMm}`)
          .toBeCloseTo(56, 1);
        // The plate's own corners stand at the very ends.
        const arc = points.map(([x, y]) => [x - middle, y] as const).filter(([x]) => Math.abs(x) < 27.9);
        const [, apex] = arc.reduce((one, next) => (Math.abs(next[0]) < Math.abs(one[0]) ? next : one));
        expect(arc.length).toBeGreaterThan(3);
        for (const [x, y] of arc) {
          const sagitta = radiusMm - Math.sqrt(radiusMm ** 2 - x ** 2);
          expect(Math.abs(Math.abs(y - apex) - sagitta))
            .withContext(`${form} ${radiusMm} at ${x}`)
            .toBeLessThan(0.05);
        }
      }
      const stl = readStl(await file(path('stl')));
      expect(stl.volumeMm3).withContext(`stl ${radiusMm}`).toBeGreaterThan(0);
    }
    const { status } = await shop.ask('GET', '/api/patterns/camber-template.pdf?widthMm=44&radiusMm=20');
    expect(status).toBe(422);
  });

  it('every stop in the PDF, the SVG and the DXF stands at its guide-projection, to a hundredth', async () => {
    const { id } = await made(draft(ANGLES));
    const [page] = await readPdf(await file(`/api/boards/${id}/board.pdf`));
    const fence = page?.lines.filter(({ of }) => of === '0.70').map(lying)[0] ?? NaN;
    const faces = page?.lines.filter(({ of }) => of === '0.50').map((line) => lying(line) - fence) ?? [];
    const svg = readSvg((await file(`/api/boards/${id}/board.svg`)).toString());
    const foot = svg.lines.filter(({ of }) => of === 'fence').map(lying)[0] ?? NaN;
    const dxf = readDxf((await file(`/api/boards/${id}/board.dxf`)).toString());
    expect(dxf.units).toBe(4);
    const found = {
      pdf: faces,
      svg: svg.lines.filter(({ of }) => of === 'face').map((line) => lying(line) - foot),
      dxf: dxf.lines.filter(({ of }) => of === 'face').map(lying),
    };
    for (const [form, stops] of Object.entries(found)) {
      expect(stops.length).withContext(form).toBe(3);
      sorted(stops).forEach((stop, i) =>
        expect(Math.abs(stop - (projections(ANGLES)[i] ?? NaN)))
          .withContext(form)
          .toBeLessThan(0.01),
      );
    }
    const { alongMm } = (await shop.ask('GET', `/api/boards/${id}`)).body.stops[2];
    const block = svg.lines.find(({ name }) => name === 'stop C')?.points ?? [];
    expect(((block[0]?.[0] ?? 0) + (block[1]?.[0] ?? 0)) / 2 - 5).toBeCloseTo(alongMm, 2);
    expect(page?.texts.map(({ text }) => text)).toContain('29.90 mm');
    expect(dxf.texts).toContain('C');
  });

  it('the 50 mm bars are 50 mm both ways, and a printer that is off is met with its opposite', async () => {
    const { id } = await made(draft(ANGLES));
    const bars = async (query: string): Promise<number[]> => {
      const [page] = await readPdf(await file(`/api/boards/${id}/board.pdf${query}`));
      return (page?.lines ?? [])
        .filter(({ of, points }) => of === '0.25' && points.length === 2)
        .map(({ points: [a, b] }) => Math.hypot((b?.[0] ?? 0) - (a?.[0] ?? 0), (b?.[1] ?? 0) - (a?.[1] ?? 0)))
        .filter((length) => length > 10);
    };
    (await bars('')).forEach((length) => expect(length).toBeCloseTo(50, 4));
    const [across, up] = await bars('?acrossMm=49.5&upMm=50.4');
    expect(across).toBeCloseTo(2500 / 49.5, 4);
    expect(up).toBeCloseTo(2500 / 50.4, 4);
    const settings = { name: 'Shed', units: 'mm', decimalMark: 'point', version: 0 };
    const kept = await shop.ask('PUT', '/api/settings', { ...settings, printer: { acrossMm: 49, upMm: 50 } });
    expect((await bars(''))[0])
      .withContext('the settings’ own')
      .toBeCloseTo(2500 / 49, 4);
    await shop.ask('PUT', '/api/settings', { ...settings, version: kept.body.version });
    const refused = await shop.ask('GET', `/api/boards/${id}/board.pdf?acrossMm=5`);
    expect([refused.status, refused.body.errors[0].field]).toEqual([422, 'acrossMm']);
  });

  it('the STL is one closed solid of the board’s size', async () => {
    const { id } = await made(draft(ANGLES));
    const stl = await file(`/api/boards/${id}/board.stl`);
    const opened = Buffer.from(stl.subarray(0, -50));
    opened.writeUInt32LE(stl.readUInt32LE(80) - 1, 80);
    expect(() => readStl(opened))
      .withContext('one triangle short')
      .toThrowError(/non-manifold/);
    const solid = readStl(stl);
    const { lengthMm, depthMm, thicknessMm, stopWidthMm, stopDepthMm, stopHeightMm } = USUAL_BOARD;
    const volume = lengthMm * depthMm * thicknessMm + 3 * stopWidthMm * stopDepthMm * stopHeightMm;
    // Letters stand 0.6 mm up on the stops, as little as letters are.
    expect(solid.volumeMm3).toBeGreaterThan(volume * 1.00005);
    expect(solid.volumeMm3).toBeLessThan(volume * 1.002);
    [lengthMm, depthMm, thicknessMm + stopHeightMm + 0.6].forEach((size, i) =>
      expect(solid.sizeMm[i]).toBeCloseTo(size, 3),
    );
  });

  it('forty stops go on as many sheets as they need, each where it belongs', async () => {
    const angles = Array.from({ length: 40 }, (_, i) => 20 + i * 0.5);
    const short = await shop.ask('POST', '/api/boards', draft(angles));
    expect(short.status).toBe(422);
    expect(short.body.detail).toMatch(/40 such stops need one of \d+ mm/);
    const sizes = { ...USUAL_BOARD, depthMm: 90 };
    const lengthMm = leastLengthMm(sizes, 40);
    const { id } = await made(draft(angles, { ...sizes, lengthMm }));
    const pages = await readPdf(await file(`/api/boards/${id}/board.pdf`));
    expect(pages.length).toBeGreaterThan(4);
    const found = new Set<string>();
    for (const { lines } of pages) {
      const fence = lines.filter(({ of }) => of === '0.70').map(lying)[0] ?? NaN;
      lines.filter(({ of }) => of === '0.50').forEach((line) => found.add((lying(line) - fence).toFixed(2)));
    }
    expect([...found].sort()).toEqual(
      projections(angles)
        .map((p) => p.toFixed(2))
        .sort(),
    );
    expect(readStl(await file(`/api/boards/${id}/board.stl`)).sizeMm[0]).toBeCloseTo(lengthMm, 2);
  });

  it('a stop past the end, two that collide, an angle out of reach: each told at its field', async () => {
    const wrong: [Partial<BoardDraft>, readonly number[], string, RegExp][] = [
      [
        { depthMm: 40 },
        ANGLES,
        'stops.0.angleDeg',
        /past the end of a board 40 mm deep: make the board at least 57/,
      ],
      [
        {
          stops: [
            { label: 'A', angleDeg: 25, alongMm: 50 },
            { label: 'B', angleDeg: 30, alongMm: 70 },
          ],
        },
        [],
        'stops.1.alongMm',
        /Stops A and B lie on top of each other: set them 38.5 mm apart/,
      ],
      [
        {
          stops: [
            { label: 'A', angleDeg: 25, alongMm: 50 },
            { label: 'B', angleDeg: 30, alongMm: 80 },
          ],
        },
        [],
        'stops.1.alongMm',
        /stand in the way of a blade 51 mm wide/,
      ],
      [{}, [25, 80], 'stops.1.angleDeg', /cannot hold 80°/],
      [
        {
          stops: [
            { label: 'A', angleDeg: 25 },
            { label: 'A', angleDeg: 30 },
          ],
        },
        [],
        'stops.1',
        /share a letter/,
      ],
      [{ seatName: 'Gone' }, ANGLES, 'seatName', /no seat “Gone”/],
    ];
    for (const [change, angles, field, sentence] of wrong) {
      const { status, body } = await shop.ask('POST', '/api/boards', draft(angles, change));
      expect(status).toBe(422);
      expect(body.errors[0].field).toBe(field);
      expect(body.errors[0].message).toMatch(sentence);
    }
    const many = draft(Array.from({ length: 41 }, (_, i) => 20 + i));
    expect((await shop.ask('POST', '/api/boards', many)).body.detail).toMatch(/at most 40 stops/);
  });

  it('odd names reach every form, and what cannot be printed is said', async () => {
    const name = 'Łódź <b>&"]]> 鑿 / стамеска';
    const { id } = await made(draft([30], { name }));
    const [page] = await readPdf(await file(`/api/boards/${id}/board.pdf`));
    const texts = page?.texts.map(({ text }) => text).join('') ?? '';
    expect(texts).toContain('Łódź <b>&"]]> ? / ????????');
    expect(texts).toContain('typeface lacks');
    const svg = (await file(`/api/boards/${id}/board.svg`)).toString();
    expect(svg).toContain('&lt;b&gt;&amp;"]]&gt; 鑿 / стамеска');
    expect(readSvg(svg).lines.length).toBeGreaterThan(3);
    const dxf = readDxf((await file(`/api/boards/${id}/board.dxf`)).toString());
    expect(dxf.texts.some((text) => text.startsWith(name))).toBeTrue();
    const sent = await shop.ask('GET', `/api/boards/${id}/board.svg`);
    expect(sent.headers.get('content-disposition')).toMatch(/^inline; filename=.*filename\*=UTF-8''/);
  });

  it('a re-measured guide moves no stop until the board is cut again; then the old ones are remembered', async () => {
    const own = await shop.ask('POST', '/api/guides', GENERIC_SIDE_CLAMPING_GUIDE);
    const asked = draft(ANGLES, { guideId: own.body.id });
    const first = await made(asked);
    await shop.ask('PUT', `/api/guides/${own.body.id}`, {
      ...GENERIC_SIDE_CLAMPING_GUIDE,
      noseMm: 17,
      version: 1,
    });
    const renamed = (
      await shop.ask('PUT', `/api/boards/${first.id}`, { ...asked, name: 'Renamed', version: 1 })
    ).body;
    expect([renamed.revision, renamed.stops]).toEqual([1, first.stops]);
    const added = { ...asked, stops: [...asked.stops, { label: 'D', angleDeg: 40 }], version: 2 };
    const grown = (await shop.ask('PUT', `/api/boards/${first.id}`, added)).body;
    expect(grown.stops.slice(0, 3)).toEqual(first.stops);
    expect([grown.revision, grown.stops[3].projectionMm]).toEqual([
      2,
      guideProjection({ guide: { ...GEOMETRY, noseMm: 17 }, angleDeg: 40 }).projectionMm,
    ]);
    const again = (await shop.ask('PUT', `/api/boards/${first.id}`, { ...added, version: 3, again: true }))
      .body;
    expect(again.revision).toBe(3);
    expect(again.stops[0].projectionMm).toBeCloseTo(wanted(25) - 0.75, 9);
    expect(again.earlier.map(({ revision }: { revision: number }) => revision)).toEqual([1, 2]);
    expect(again.earlier[0].stops).toEqual(first.stops);
    await shop.ask('DELETE', `/api/guides/${own.body.id}?version=2`);
    expect((await shop.ask('GET', `/api/boards/${first.id}`)).status)
      .withContext('goes with its guide')
      .toBe(404);
  });

  it('a board is taken back and brought back, alone and with its guide; an older change is refused', async () => {
    const undone = async (way: 'undo' | 'redo'): Promise<void> => {
      const [{ id }] = (await shop.ask('GET', '/api/undo')).body[way];
      expect((await shop.ask('POST', `/api/undo/${way}`, { id })).status).toBe(200);
    };
    const own = (await shop.ask('POST', '/api/guides', GENERIC_SIDE_CLAMPING_GUIDE)).body;
    const board = await made(draft(ANGLES, { guideId: own.id }));
    const there = async (): Promise<number> => (await shop.ask('GET', `/api/boards/${board.id}`)).status;
    await undone('undo');
    expect(await there()).toBe(404);
    await undone('redo');
    expect((await shop.ask('GET', `/api/boards/${board.id}`)).body.stops).toEqual(board.stops);
    await shop.ask('DELETE', `/api/guides/${own.id}?version=1`);
    expect(await there()).toBe(404);
    await undone('undo');
    expect(await there()).toBe(200);
    const late = await shop.ask('PUT', `/api/boards/${board.id}`, {
      ...draft(ANGLES, { guideId: own.id }),
      version: 1,
    });
    expect(late.status).toBe(409);
    const listed = (await shop.ask('GET', `/api/boards?guideId=${own.id}`)).body;
    expect(listed.items.map(({ id }: { id: string }) => id)).toEqual([board.id]);
  });

  it('what is no board and no pattern is refused at its field, and nothing is stored', async () => {
    const before = (await shop.ask('GET', '/api/boards')).body.total;
    const wrong: [object, string][] = [
      [{ lengthMm: 5 }, 'lengthMm'],
      [{ stopHeightMm: 'high' }, 'stopHeightMm'],
      [{ guideId: 'gone' }, 'guideId'],
      [{ name: '' }, 'name'],
      [{ stops: [] }, 'stops'],
      [{ stops: [{ label: 'TOO LONG', angleDeg: 30 }] }, 'stops.0.label'],
      [{ stops: [{ label: 'A', angleDeg: 30, projectionMm: 1 }] }, 'stops.0.projectionMm'],
    ];
    for (const [change, field] of wrong) {
      const { status, body } = await shop.ask('POST', '/api/boards', { ...draft(ANGLES), ...change });
      expect([status, body.errors[0].field]).toEqual([422, field]);
    }
    expect((await shop.ask('GET', '/api/boards')).body.total).toBe(before);
    const queries: [string, string][] = [
      ['rest-template.pdf?wheelRadiusMm=75&thicknessMm=4', 'bevelDeg'],
      ['rest-template.svg?wheelRadiusMm=20&thicknessMm=15&bevelDeg=20', 'wheelRadiusMm'],
      ['folding-sheet.pdf?angleDeg=30&sideMm=5', 'sideMm'],
      ['bevel-gauge.dxf?anglesDeg=', 'anglesDeg'],
      ['bevel-gauge.pdf?anglesDeg=30&paper=papyrus', 'paper'],
      [
        'gauge-block.pdf?wheelRadiusMm=125&jigProjectionMm=20&offsetMm=12&barDiameterMm=40&anglesDeg=15',
        'anglesDeg.0',
      ],
    ];
    for (const [query, field] of queries) {
      const { status, body } = await shop.ask('GET', `/api/patterns/${query}`);
      expect([query, status, body.errors?.[0].field]).toEqual([query, 422, field]);
    }
    const form = await shop.ask('GET', '/api/patterns/bevel-gauge.docx?anglesDeg=30');
    expect([form.status, form.body.detail]).toEqual([404, jasmine.stringContaining('pdf, svg, dxf, stl')]);
  });

  it('a strop’s channel, ridge and groove are those of their solids, in STL and in DXF, to 0.05 mm', async () => {
    // A gouge 20 wide and 5 deep has a radius of 12.5 outside; its wall 2.4, the leather 2.
    const gouge = 'widthMm=20&depthMm=5&wallMm=2.4&leatherMm=2&lengthMm=100';
    const dxf = readDxf((await file(`/api/patterns/gouge-strop.dxf?${gouge}`)).toString());
    const [channel, ridge] = dxf.lines.filter(({ of }) => of === 'face');
    for (const [line, radius] of [
      [channel, 14.5],
      [ridge, 8.1],
    ] as const) {
      const points = line?.points ?? [];
      const { x, y, r } = circleThrough(
        points[0] ?? [0, 0],
        points[points.length >> 1] ?? [0, 0],
        points.at(-1) ?? [0, 0],
      );
      expect(r).toBeCloseTo(radius, 2);
      for (const [px, py] of points) expect(Math.abs(Math.hypot(px - x, py - y) - radius)).toBeLessThan(0.05);
    }
    // The same as a solid of a box, less a rod along it, and a rod beside it.
    const half = Math.asin(10 / 12.5);
    const [deep, wide] = [14.5 * (1 - Math.cos(half)), 2 * 14.5 * Math.sin(half)];
    const foot = 2 * 8.1 * Math.sin(half);
    const { booleans, measurements, primitives } = modeling;
    const slab = (left: number, width: number, high: number) =>
      primitives.cuboid({ size: [width, high, 100], center: [left + width / 2, high / 2, 50] });
    const rod = (x: number, y: number, radius: number) =>
      primitives.cylinder({ height: 100, radius, center: [x, y, 50], segments: 512 });
    const right = 12 + wide;
    const solid = booleans.union(
      booleans.subtract(slab(0, right, 10 + deep), rod(6 + wide / 2, 24.5, 14.5)),
      slab(right, 12 + foot, 10),
      booleans.intersect(
        rod(right + 6 + foot / 2, 10 - 8.1 * Math.cos(half), 8.1),
        primitives.cuboid({ size: [foot, 40, 100], center: [right + 6 + foot / 2, 30, 50] }),
      ),
    );
    const stl = readStl(await file(`/api/patterns/gouge-strop.stl?${gouge}`));
    expect(stl.volumeMm3 / measurements.measureVolume(solid)).toBeCloseTo(1, 3);
    const [least, most] = measurements.measureBoundingBox(solid);
    stl.sizeMm.forEach((mm, i) =>
      expect(Math.abs(mm - ((most[i] ?? 0) - (least[i] ?? 0)))).toBeLessThan(0.05),
    );
    // A V at 60°, its keel 0.4 and the leather 1: flanks at 30° to the upright, a floor of 1.4.
    const v = readDxf(
      (
        await file('/api/patterns/v-strop.dxf?wingMm=9&openingDeg=60&keelRadiusMm=0.4&leatherMm=1')
      ).toString(),
    );
    const groove = v.lines.find(({ of }) => of === 'face')?.points ?? [];
    const [[ax, ay], [bx, by]] = groove as [Line['points'][number], Line['points'][number]];
    expect((Math.atan2(bx - ax, ay - by) * 180) / Math.PI).toBeCloseTo(30, 1);
    expect(Math.hypot(bx - ax, by - ay)).toBeCloseTo(10, 2);
    const floor = groove.slice(1, -1);
    expect(
      circleThrough(floor[0] ?? [0, 0], floor[floor.length >> 1] ?? [0, 0], floor.at(-1) ?? [0, 0]).r,
    ).toBeCloseTo(1.4, 2);
  });

  it('gauges, templates and blocks come in every form, at the size core says', async () => {
    const query = {
      'bevel-gauge': 'anglesDeg=20,25,30,45',
      'rest-template': 'wheelRadiusMm=75&thicknessMm=4&bevelDeg=25',
      'gauge-block': 'wheelRadiusMm=125&jigProjectionMm=139&offsetMm=12&barDiameterMm=12&anglesDeg=20,25,30',
    };
    for (const [name, asked] of Object.entries(query)) {
      const path = `/api/patterns/${name}`;
      expect((await readPdf(await file(`${path}.pdf?${asked}`))).length).toBe(1);
      expect(readStl(await file(`${path}.stl?${asked}`)).volumeMm3)
        .withContext(name)
        .toBeGreaterThan(100);
      expect(readDxf((await file(`${path}.dxf?${asked}`)).toString()).lines.length).toBeGreaterThan(0);
    }
    const size = { wheelRadiusMm: 75, thicknessMm: 4, bevelDeg: 25, plateMm: 6 };
    const { left, right } = extentOf(restTemplate(size, { length: String, setting: String, angle: String }));
    const svg = readSvg((await file(`/api/patterns/rest-template.svg?${query['rest-template']}`)).toString());
    expect(parseFloat(svg.wide) - 10).toBeCloseTo(right - left, 3);
    const steps = readDxf((await file(`/api/patterns/gauge-block.dxf?${query['gauge-block']}`)).toString());
    const at25 = sorted(steps.lines.filter(({ of }) => of === 'face').map(lying))[1];
    expect(at25).withContext('216.926 − 125 − 6').toBeCloseTo(85.926, 2);
    const paper = await shop.ask('GET', '/api/patterns/folding-sheet.stl?angleDeg=30');
    expect([paper.status, paper.body.detail]).toEqual([404, jasmine.stringContaining('paper to fold')]);
    const wrong = await shop.ask('GET', '/api/patterns/bevel-gauge.pdf?anglesDeg=20,bevel');
    expect([wrong.status, wrong.body.errors[0].field]).toEqual([422, 'anglesDeg']);
    expect((await shop.ask('GET', '/api/patterns/chair.pdf')).body.detail).toMatch(/there are bevel-gauge/);
  });
});
