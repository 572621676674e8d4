import modeling from '@jscad/modeling';
import stl from '@jscad/stl-serializer';
import openManifold, { type Manifold, type ManifoldToplevel } from 'manifold-3d';
import type { Pattern } from '@mellow-anvil/core';

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
export async function patternStl({ solids: parts }: Pattern): Promise<Buffer | undefined> {
  if (parts.length === 0) return undefined;
  const library = await solids();
  const bodies = parts.map(({ outline, fromMm, toMm }) => {
    const flat = new library.CrossSection([outline.map(({ x, y }) => [x, y])], 'EvenOdd');
    const lying = flat.extrude(toMm - fromMm);
    const body = lying.translate(0, 0, fromMm);
    for (const used of [flat, lying]) used.delete();
    return body;
  });
  const body = library.Manifold.union(bodies);
  const triangles = trianglesOf(body);
  for (const used of [...bodies, body]) used.delete();
  const written = stl.serialize({ binary: true }, modeling.geometries.geom3.fromPoints(triangles));
  return Buffer.concat(written.map((part) => Buffer.from(part)));
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
