import fc from 'fast-check';
import { changesOf, fullRounds, rota } from './rota.js';

/** The fewest swaps of any rota with the fewest rounds, by trying every loading after every other. */
function exhaustive(pieces: number, slots: number, owed: number): { rounds: number; swaps: number } {
  const rounds = Math.max(owed, Math.ceil((pieces * owed) / Math.min(slots, pieces)));
  const all = 2 ** pieces;
  const knives = Array.from({ length: pieces }, (_, i) => i);
  // What each knife is still owed, in base owed + 1.
  const powers = knives.map((i) => (owed + 1) ** i);
  const owes = (state: number, i: number): boolean =>
    Math.floor(state / (powers[i] as number)) % (owed + 1) > 0;
  const loadings = Array.from({ length: all }, (_, bits) => ({
    bits,
    held: knives.filter((i) => (bits >> i) & 1),
    taken: knives.reduce((sum, i) => sum + ((bits >> i) & 1) * (powers[i] as number), 0),
  })).filter(({ held }) => held.length > 0 && held.length <= slots);
  const ones = Array.from({ length: all }, (_, bits) => knives.filter((i) => (bits >> i) & 1).length);
  // By what is owed and the loading before: the fewest swaps until there.
  let reached = new Map([[knives.reduce((sum, i) => sum + owed * (powers[i] as number), 0) * all, 0]]);
  for (let round = 0; round < rounds; round++) {
    const next = new Map<number, number>();
    for (const [key, swaps] of reached) {
      const [state, before] = [Math.floor(key / all), key % all];
      for (const { bits, held, taken } of loadings) {
        if (!held.every((i) => owes(state, i))) continue;
        const more = swaps + (round === 0 ? 0 : (ones[bits & ~before] as number));
        const to = (state - taken) * all + bits;
        if (more < (next.get(to) ?? Infinity)) next.set(to, more);
      }
    }
    reached = next;
  }
  // Nothing is owed any more where the key is the last loading alone.
  const done = [...reached].filter(([key]) => key < all).map(([, swaps]) => swaps);
  return { rounds, swaps: Math.min(...done) };
}

describe('rota', () => {
  it('takes three knives through two places, and five', () => {
    const three = rota({ pieces: 3, slots: 2, strokesEach: 20, strokesPerRound: 10 });
    expect(three).toEqual({
      rounds: [
        [1, 2],
        [1, 3],
        [2, 3],
      ],
      swaps: 2,
    });
    // Common practice changes both knives after every round but one: eight changes.
    const five = rota({ pieces: 5, slots: 2, strokesEach: 2, strokesPerRound: 1 });
    expect(five.rounds.length).toBe(5);
    expect(five.swaps).toBe(4);
  });

  it('is as short and changes as little as the best of all, up to seven knives in four places', () => {
    for (let pieces = 1; pieces <= 7; pieces++) {
      for (let slots = 1; slots <= 4; slots++) {
        for (let owed = 1; owed <= (pieces > 5 ? 2 : 3); owed++) {
          const { rounds, swaps } = rota({ pieces, slots, strokesEach: owed, strokesPerRound: 1 });
          expect({ rounds: rounds.length, swaps })
            .withContext(`${pieces} in ${slots}, ${owed} rounds each`)
            .toEqual(exhaustive(pieces, slots, owed));
        }
      }
    }
  });

  it('owes every knife the same, holds no more than there are places, and none twice', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 24 }),
        fc.integer({ min: 1, max: 12 }),
        fc.integer({ min: 1, max: 9 }),
        fc.integer({ min: 1, max: 30 }),
        (pieces, slots, owed, strokesPerRound) => {
          const { rounds, swaps } = rota({
            pieces,
            slots,
            strokesEach: owed * strokesPerRound,
            strokesPerRound,
          });
          for (let piece = 1; piece <= pieces; piece++)
            expect(rounds.filter((round) => round.includes(piece)).length).toBe(owed);
          for (const round of rounds) {
            expect(round.length).toBeLessThanOrEqual(slots);
            expect(new Set(round).size).toBe(round.length);
          }
          // Place by place: a knife that stays keeps its place.
          const entered = rounds
            .slice(1)
            .map((round, i) => round.filter((piece, place) => rounds[i]?.[place] !== piece).length);
          expect(entered.reduce((sum, each) => sum + each, 0)).toBe(swaps);
          expect(changesOf(rounds).length).toBe(rounds.length - 1);
        },
      ),
    );
  });

  it('leaves no place empty where each is owed rounds that fill it', () => {
    for (const [pieces, slots] of [
      [3, 2],
      [5, 2],
      [4, 2],
      [3, 4],
      [6, 4],
      [7, 3],
    ] as const) {
      const owed = fullRounds(pieces, slots);
      const { rounds } = rota({ pieces, slots, strokesEach: owed, strokesPerRound: 1 });
      expect(rounds.every((round) => round.length === Math.min(slots, pieces))).toBeTrue();
    }
  });

  it('says what to change where strokes do not come out even', () => {
    expect(() => rota({ pieces: 3, slots: 2, strokesEach: 25, strokesPerRound: 10 })).toThrowError(
      /multiple/,
    );
    expect(() => rota({ pieces: 0, slots: 2, strokesEach: 20, strokesPerRound: 10 })).toThrowError(
      /whole number/,
    );
  });
});
