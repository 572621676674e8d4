import { HttpProblem, invalid } from '../platform/problem.js';

/** What is read, or a 422 at the field that names something which is not here. */
export async function orInvalid<T>(field: string, reading: Promise<T>): Promise<T> {
  try {
    return await reading;
  } catch (reason) {
    if (reason instanceof HttpProblem && reason.status === 404) {
      throw invalid([{ field, message: reason.message }]);
    }
    throw reason;
  }
}
