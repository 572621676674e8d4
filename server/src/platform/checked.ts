import { check, type Schema } from '@mellow-anvil/contract';
import { invalid } from './problem.js';

/** The checked value, or a 422 that names each field. */
export function checked<T>(schema: Schema<T>, value: unknown, convert = false): T {
  const result = check(schema, value, convert);
  if (!result.ok) throw invalid(result.errors);
  return result.value;
}
