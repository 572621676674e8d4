declare module '@jscad/stl-serializer' {
  import type { geometries } from '@jscad/modeling';
  /** A body's triangles as STL, in parts to be put together. */
  const serializer: {
    serialize(options: { readonly binary: boolean }, body: geometries.geom3.Geom3): readonly ArrayBuffer[];
  };
  export default serializer;
}

declare module '@jscad/stl-deserializer' {
  import type { geometries } from '@jscad/modeling';
  const deserializer: {
    deserialize(options: { readonly output: 'geometry' }, data: Buffer): readonly geometries.geom3.Geom3[];
  };
  export default deserializer;
}
