/** A thing without some of its fields: what a test has of it is not `undefined`, it is not there. */
export function without<T extends object, K extends keyof T>(thing: T, ...fields: readonly K[]): Omit<T, K> {
  const left: Partial<T> = { ...thing };
  for (const field of fields) Reflect.deleteProperty(left, field);
  return left as Omit<T, K>;
}
