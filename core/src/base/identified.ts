/** A thing with an identity of its own. */
export type Identified<T> = T & { readonly id: string };
