/**
 * A pure function of one thing, asked of the very same thing again and again: worked out once for each, and let go
 * with it. What it is asked of is never changed.
 * @example
 * const at = remembered(({ startedAt }: Session) => Date.parse(startedAt));
 */
export function remembered<T extends object, Answer>(reckon: (of: T) => Answer): (of: T) => Answer {
  const known = new WeakMap<T, { readonly answer: Answer }>();
  return (of) => {
    const before = known.get(of);
    if (before) return before.answer;
    const answer = reckon(of);
    known.set(of, { answer });
    return answer;
  };
}
