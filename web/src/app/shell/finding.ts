/** Somewhere to go: a room, a tool, a stone, a guide. */
export interface Place {
  readonly name: string;
  /** What it is: “tool”. */
  readonly kind: string;
  readonly to: readonly string[];
}

/**
 * The places meant by a few letters, the likeliest first: each word typed begins a word of the name, or of what the
 * place is. Nothing typed means every place, as they come.
 * @example
 * found([{ name: 'Bench chisel 19 mm', kind: 'tool', to: [] }], 'ch 19').length; // 1
 */
export function found(places: readonly Place[], typed: string): readonly Place[] {
  const wanted = wordsOf(typed);
  return places
    .map((place) => ({ place, rank: rankOf(place, wanted) }))
    .filter(({ rank }) => rank < Infinity)
    .sort((a, b) => a.rank - b.rank)
    .map(({ place }) => place);
}

const wordsOf = (text: string): readonly string[] =>
  text
    .toLocaleLowerCase()
    .split(/[^\p{L}\p{N}.,]+/u)
    .filter((word) => word !== '');

/** How far from the beginning of its name a place is meant; infinite where it is not. */
function rankOf({ name, kind }: Place, wanted: readonly string[]): number {
  const own = wordsOf(name);
  const ranks = wanted.map((word) => {
    const at = own.findIndex((each) => each.startsWith(word));
    if (at >= 0) return at;
    return kind.startsWith(word) ? own.length : Infinity;
  });
  return ranks.reduce((sum, rank) => sum + rank, 0);
}
