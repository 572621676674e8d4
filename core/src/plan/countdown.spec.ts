import { countdown } from './countdown.js';

describe('countdown', () => {
  it('gives each side one fewer a round (common practice: 5-4-3-2-1 a side, 10…1 on the strop)', () => {
    expect(countdown({ from: 5 })).toEqual({ strokes: 30, sequence: [5, 5, 4, 4, 3, 3, 2, 2, 1, 1] });
    expect(countdown({ from: 10, sides: 1 })).toEqual({
      strokes: 55,
      sequence: [10, 9, 8, 7, 6, 5, 4, 3, 2, 1],
    });
    expect(() => countdown({ from: 2.5 })).toThrowError(/whole number, 1 to 100/);
    expect(() => countdown({ from: 5, sides: 0 })).toThrowError(/sides/);
  });
});
