import { gapOf } from './marks-swatch';

describe('the marks a stone leaves, drawn', () => {
  it('lie farther apart the deeper they are, and never so close that they run together', () => {
    const depths = [0.01, 0.05, 0.14, 1.5, 3.6, 15];
    const gaps = depths.map(gapOf);
    expect(gaps).toEqual([...gaps].sort((a, b) => a - b));
    expect(Math.min(...gaps)).toBe(2);
    // Tenfold depths stand evenly apart.
    expect(gapOf(5) - gapOf(0.5)).toBeCloseTo(gapOf(50) - gapOf(5), 9);
  });
});
