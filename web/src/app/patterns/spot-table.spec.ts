import { patternQueries, type PatternName } from '@mellow-anvil/contract';
import type { PatternHand } from '@mellow-anvil/core/pattern';
import { anglesIn, SPOT_PATTERNS, type SpotValues } from './spot-table';

/** A jig as one may be measured: what it gives besides what is typed. */
const GIVEN = {
  wheel: {},
  gouge: {},
  v: {},
  jig: { wheelRadiusMm: 123.2, jigProjectionMm: 139, offsetMm: 12 },
} as const;

const HAND: PatternHand = { length: String, setting: String, angle: String };

describe('the table of patterns made on the spot', () => {
  for (const [name, { fields, fixed, owned, draw }] of Object.entries(SPOT_PATTERNS)) {
    it(`asks for what a ${name} is asked for over HTTP, no more, and draws it from what it starts with`, () => {
      const asked: SpotValues = {
        ...Object.fromEntries(
          fields.map(({ name: field, start }) => [
            field,
            typeof start === 'string' ? anglesIn(start) : start,
          ]),
        ),
        ...fixed,
        ...(owned && GIVEN[owned]),
      };
      const query = Object.fromEntries(
        Object.entries(asked).map(([field, value]) => [
          field,
          typeof value === 'number' ? value : value.join(','),
        ]),
      );
      expect(patternQueries[name as PatternName].validate(query).error).toBeUndefined();
      expect(draw(asked, HAND).marks.length).toBeGreaterThan(2);
    });
  }

  it('reads angles with spaces, semicolons or degree signs between, and a decimal comma', () => {
    expect(anglesIn(' 17,5; 30°  35 ')).toEqual([17.5, 30, 35]);
    expect(() => anglesIn('30 flat')).toThrowError(/flat/);
  });
});
