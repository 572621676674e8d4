/**
 * A case the bench maths cannot answer: an input out of range, or a wish with no solution.
 * `field` is the dotted path of the input to change; `message` is a whole sentence for the person
 * at the bench that says what to change.
 */
export class Refusal extends Error {
  override readonly name = 'Refusal';

  constructor(
    readonly field: string,
    message: string,
  ) {
    super(message);
  }
}

/** Throws a {@link Refusal} for `field` unless `holds`; a costly sentence is given as a function. */
export function insist(holds: boolean, field: string, message: string | (() => string)): asserts holds {
  if (!holds) throw new Refusal(field, typeof message === 'string' ? message : message());
}

/** What `work` comes to, or the {@link Refusal} it throws; any other fault goes on its way. */
export function attempt<T>(work: () => T): T | Refusal {
  try {
    return work();
  } catch (reason) {
    if (reason instanceof Refusal) return reason;
    throw reason;
  }
}

/** What `work` comes to; what it refuses is told at `field` instead: the place of one thing in a list. */
export function refusedAt<T>(field: string, work: () => T): T {
  const result = attempt(work);
  if (result instanceof Refusal) throw new Refusal(field, result.message);
  return result;
}

/** What `work` comes to, or undefined where it is refused. */
export function unlessRefused<T>(work: () => T): T | undefined {
  const result = attempt(work);
  return result instanceof Refusal ? undefined : result;
}
