import modeling from '@jscad/modeling';
import deserializer from '@jscad/stl-deserializer';
import dxf from 'dxf-parser';
import { XMLParser } from 'fast-xml-parser';
import { OPS, getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

// The package's types describe its CommonJS build; Node takes the other.
const Parser = dxf as unknown as typeof dxf.DxfParser;

/** A line found in a file, mm. */
export interface Line {
  readonly points: readonly (readonly [number, number])[];
  /** How thick, or what layer it is on. */
  readonly of: string;
}

/** The paper, lines and texts of each page of a PDF, mm from its lower left corner; by pdf.js. */
export async function readPdf(data: Buffer): Promise<
  readonly {
    readonly wide: number;
    readonly high: number;
    readonly lines: readonly Line[];
    /** What is filled in black. */
    readonly filled: readonly Line['points'][];
    readonly texts: readonly { readonly text: string; readonly x: number; readonly y: number }[];
  }[]
> {
  const task = getDocument({ data: new Uint8Array(data), verbosity: 0 });
  const document = await task.promise;
  const pages = await Promise.all(
    Array.from({ length: document.numPages }, (_, i) => document.getPage(i + 1)),
  );
  const read = await Promise.all(
    pages.map(async (page) => {
      const mm = 25.4 / 72;
      const [, , wide = 0, high = 0] = page.view;
      const lines: Line[] = [];
      const filled: Line['points'][] = [];
      let black = true;
      let matrix = [1, 0, 0, 1, 0, 0];
      let [pen, kept] = ['', [] as [number[], string][]];
      let points: [number, number][] = [];
      const place = (x: number, y: number): [number, number] => {
        const [a = 1, b = 0, c = 0, d = 1, e = 0, f = 0] = matrix;
        return [(a * x + c * y + e) * mm, (b * x + d * y + f) * mm];
      };
      const { fnArray, argsArray } = await page.getOperatorList();
      fnArray.forEach((fn, i) => {
        const args = argsArray[i];
        if (fn === OPS.save) kept.push([matrix, pen]);
        else if (fn === OPS.restore) [matrix, pen] = kept.pop() ?? [matrix, pen];
        else if (fn === OPS.transform) {
          const [a = 1, b = 0, c = 0, d = 1, e = 0, f = 0] = matrix;
          const [p, q, r, s, t, u] = args as number[] as [number, number, number, number, number, number];
          matrix = [
            a * p + c * q,
            b * p + d * q,
            a * r + c * s,
            b * r + d * s,
            a * t + c * u + e,
            b * t + d * u + f,
          ];
        } else if (fn === OPS.setLineWidth) pen = (args[0] * mm).toFixed(2);
        else if (fn === OPS.constructPath) {
          const [ops, numbers] = args as [number[], number[]];
          points = [];
          let at = 0;
          for (const op of ops) {
            if (op === OPS.moveTo || op === OPS.lineTo) {
              points.push(place(numbers[at] ?? 0, numbers[at + 1] ?? 0));
              at += 2;
            } else if (op === OPS.rectangle) at += 4;
          }
        } else if (fn === OPS.stroke) {
          lines.push({ points, of: pen });
        } else if (fn === OPS.setFillRGBColor) {
          black = args.every((part: unknown) => part === 0 || part === '#000000');
        } else if (fn === OPS.fill && black) {
          filled.push(points);
        }
      });
      kept = [];
      const { items } = await page.getTextContent();
      const texts = items.flatMap((item) =>
        'str' in item && item.str !== ''
          ? [{ text: item.str, x: item.transform[4] * mm, y: item.transform[5] * mm }]
          : [],
      );
      return { wide: wide * mm, high: high * mm, lines, filled, texts };
    }),
  );
  await task.destroy();
  return read;
}

/** The named paths of an SVG in its millimetres, y upwards from the drawing's foot; by an XML parser. */
export function readSvg(svg: string): {
  readonly wide: string;
  readonly lines: readonly (Line & { name: string })[];
} {
  const parser = new XMLParser({
    ignoreAttributes: false,
    attributeNamePrefix: '',
    isArray: (name) => name === 'path',
  });
  const { svg: root } = parser.parse(svg) as {
    svg: { width: string; viewBox: string; path: { d: string; class: string; 'data-name': string }[] };
  };
  const high = Number(root.viewBox.split(' ')[3]);
  return {
    wide: root.width,
    lines: root.path.map(({ d, class: of, 'data-name': name }) => ({
      of,
      name,
      points: [...d.matchAll(/[ML](\S+) ([^LZ]+)/g)].map(
        ([, x, y]) => [Number(x), high - Number(y)] as const,
      ),
    })),
  };
}

/** The lines and texts of a DXF; by dxf-parser. */
export function readDxf(text: string): {
  readonly units: unknown;
  readonly lines: readonly Line[];
  readonly texts: readonly string[];
} {
  const parsed = new Parser().parseSync(text);
  const entities = (parsed?.entities ?? []) as unknown as readonly {
    type: string;
    layer: string;
    text?: string;
    vertices?: readonly { x: number; y: number }[];
  }[];
  return {
    units: parsed?.header['$INSUNITS'],
    lines: entities.flatMap(({ layer, vertices }) =>
      vertices ? [{ of: layer, points: vertices.map(({ x, y }) => [x, y] as const) }] : [],
    ),
    texts: entities.flatMap(({ type, text }) => (type === 'TEXT' && text !== undefined ? [text] : [])),
  };
}

/** What a binary STL encloses; by @jscad/modeling, which refuses a body with an open edge. */
export function readStl(data: Buffer): {
  readonly volumeMm3: number;
  readonly sizeMm: readonly number[];
} {
  const { geometries, measurements } = modeling;
  const [body] = deserializer.deserialize({ output: 'geometry' }, data);
  if (!body) throw new Error('the STL holds no body');
  geometries.geom3.validate(body);
  return {
    volumeMm3: measurements.measureVolume(body),
    sizeMm: measurements.measureDimensions(body),
  };
}
