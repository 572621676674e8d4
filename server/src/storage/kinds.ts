import type { AnyKind, Reference } from './kind.js';
import type { KindName } from './table.js';

/** Every kind of stored thing there is, and how they hang together. */
export interface Kinds {
  /** Those named by others first. */
  readonly all: readonly AnyKind[];
  named(name: KindName): AnyKind;
  /** Kinds whose rows name one of this kind and are removed with it. */
  dependentsOn(name: KindName): readonly { readonly kind: AnyKind; readonly column: Reference['column'] }[];
}

/** The kinds of a server, those named by others first. */
export function kindsOf(all: readonly AnyKind[]): Kinds {
  const byName = new Map(all.map((kind) => [kind.name, kind]));
  return {
    all,
    named: (name) => {
      const kind = byName.get(name);
      if (!kind) throw new Error(`There is no kind “${name}”.`);
      return kind;
    },
    dependentsOn: (name) =>
      all.flatMap((kind) =>
        (kind.references ?? []).flatMap(({ column, to }) => (to === name ? [{ kind, column }] : [])),
      ),
  };
}
