/** A change to a draft: a field that is to be gone is undefined. */
export type FieldChange<T> = { readonly [K in keyof T]?: T[K] | undefined };

/** A thing with a change made to it: what the change says is undefined is not there any more. */
export const changed = <T extends object>(thing: T, change: FieldChange<T>): T =>
  Object.fromEntries(Object.entries({ ...thing, ...change }).filter(([, value]) => value !== undefined)) as T;
