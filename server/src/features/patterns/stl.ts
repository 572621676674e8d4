import modeling from '@jscad/modeling';
import stl from '@jscad/stl-serializer';
import openManifold, { type Manifold, type ManifoldToplevel } from 'manifold-3d';
import { LETTERS_RISE_MM, type Pattern, type SolidText } from '@mellow-anvil/core/pattern';

let opening: Promise<ManifoldToplevel> | undefined;

/** The library that joins solids, compiled the first time it is asked for. */
function solids(): Promise<ManifoldToplevel> {
  return (opening ??= openManifold().then((library) => {
    library.setup();
    return library;
  }));
}

/**
 * A pattern's solids as one closed body, binary STL in millimetres.
 * @returns undefined for what is only paper
 */
export async function patternStl({ solids: parts, letters }: Pattern): Promise<Buffer | undefined> {
  if (parts.length === 0) return undefined;
  const library = await solids();
  const bodies = parts.map(({ outline, fromMm, toMm }) => {
    const flat = new library.CrossSection([outline.map(({ x, y }) => [x, y])], 'EvenOdd');
    const lying = flat.extrude(toMm - fromMm);
    const body = lying.translate(0, 0, fromMm);
    for (const used of [flat, lying]) used.delete();
    return body;
  });
  const lettered = letters.map((text) => {
    const flat = new library.CrossSection(strokes(text), 'NonZero');
    const lying = flat.extrude(LETTERS_RISE_MM + ROOT_MM);
    const body = lying.translate(0, 0, text.onMm - ROOT_MM);
    for (const used of [flat, lying]) used.delete();
    return body;
  });
  const body = library.Manifold.union([...bodies, ...lettered]);
  const triangles = trianglesOf(body);
  for (const used of [...bodies, ...lettered, body]) used.delete();
  const written = stl.serialize({ binary: true }, modeling.geometries.geom3.fromPoints(triangles));
  return Buffer.concat(written.map((part) => Buffer.from(part)));
}

/** How deep letters are rooted in what they stand on, so that they are one piece with it. */
const ROOT_MM = 0.5;
/** Breadth of a stroke, of a letter's height. */
const STROKE = 0.14;

/** A text's strokes as little boxes, one for each piece of a line, about its middle. */
function strokes({ text, at, sizeMm, turnDeg = 0 }: SolidText): [number, number][][] {
  const asDrawn = modeling.text.vectorText({ height: sizeMm }, text);
  const heights = asDrawn.flat().map(([, y]) => y);
  // The package counts its line, not its letters, as the height.
  const scale = sizeMm / (Math.max(...heights) - Math.min(...heights));
  const lines = asDrawn.map((line) =>
    line.map(([x, y]): readonly [number, number] => [x * scale, y * scale]),
  );
  const points = lines.flat();
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  const middle = [(Math.min(...xs) + Math.max(...xs)) / 2, (Math.min(...ys) + Math.max(...ys)) / 2] as const;
  const [cos, sin] = [Math.cos((turnDeg * Math.PI) / 180), Math.sin((turnDeg * Math.PI) / 180)];
  const place = (x: number, y: number): [number, number] => {
    const [u, v] = [x - middle[0], y - middle[1]];
    return [at.x + u * cos - v * sin, at.y + u * sin + v * cos];
  };
  const half = (sizeMm * STROKE) / 2;
  return lines.flatMap((line) =>
    line.slice(1).flatMap(([bx, by], i): [number, number][][] => {
      const [ax = 0, ay = 0] = line[i] ?? [];
      const long = Math.hypot(bx - ax, by - ay);
      if (long === 0) return [];
      const [dx, dy] = [((bx - ax) / long) * half, ((by - ay) / long) * half];
      return [
        [
          place(ax - dx + dy, ay - dy - dx),
          place(bx + dx + dy, by + dy - dx),
          place(bx + dx - dy, by + dy + dx),
          place(ax - dx - dy, ay - dy + dx),
        ],
      ];
    }),
  );
}

function trianglesOf(body: Manifold): [number, number, number][][] {
  const { triVerts, vertProperties, numProp } = body.getMesh();
  const corner = (vertex: number): [number, number, number] => {
    const at = vertex * numProp;
    return [vertProperties[at] ?? 0, vertProperties[at + 1] ?? 0, vertProperties[at + 2] ?? 0];
  };
  return Array.from({ length: triVerts.length / 3 }, (_, i) =>
    [0, 1, 2].map((k) => corner(triVerts[3 * i + k] ?? 0)),
  );
}
