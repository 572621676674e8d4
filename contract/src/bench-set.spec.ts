import type { Schema } from './joi.js';
import { abrasiveSchema } from './abrasives.js';
import { careSchema } from './cares.js';
import { check } from './check.js';
import { conditionSchema } from './plans.js';

const errorsOf = (schema: Schema, value: unknown): readonly { field: string; message: string }[] => {
  const result = check(schema, value);
  return result.ok ? [] : result.errors;
};
const fieldsOf = (schema: Schema, value: unknown): string[] =>
  errorsOf(schema, value).map(({ field }) => field);
const sentence = (schema: Schema, value: unknown): string => errorsOf(schema, value)[0]?.message ?? '';

describe('stones', () => {
  const stone = {
    name: 'Stone',
    kind: 'water-stone',
    grade: { standard: 'JIS', grade: '1000' },
    lubricant: 'water',
    strokeMm: 150,
    overheadMin: 0.5,
  };

  it('have what their kind has and nothing else', () => {
    const sheets = { usesEach: 6, plate: 'Glass', face: 'upper' };
    const strop = { face: 'smooth-leather', thicknessMm: 3 };
    expect(fieldsOf(abrasiveSchema, { ...stone, kind: 'film', sheets })).toEqual([]);
    expect(fieldsOf(abrasiveSchema, { ...stone, sheets })).toEqual(['sheets']);
    expect(fieldsOf(abrasiveSchema, { ...stone, kind: 'strop', lubricant: 'compound', strop })).toEqual([]);
    expect(fieldsOf(abrasiveSchema, { ...stone, strop })).toEqual(['strop']);
    expect(fieldsOf(abrasiveSchema, { ...stone, between: {} })).toEqual(['between']);
    expect(fieldsOf(abrasiveSchema, { ...stone, sets: ['Roll', 'Roll'] })).toEqual(['sets.1']);
    expect(fieldsOf(abrasiveSchema, { ...stone, serves: ['spoon'] })).toEqual(['serves.0']);
    expect(sentence(abrasiveSchema, { ...stone, lubricant: 'oil' })).toContain('Oil ruins a water stone');
  });

  it('are cared for with a depth only where one was measured', () => {
    const care = { abrasiveId: 'a', kind: 'flattened', at: '2026-11-24T09:00:00Z' };
    expect(fieldsOf(careSchema, care)).toEqual([]);
    expect(fieldsOf(careSchema, { ...care, hollowUm: 20 })).toEqual(['hollowUm']);
    expect(fieldsOf(careSchema, { ...care, kind: 'straightedge' })).toEqual(['hollowUm']);
    expect(fieldsOf(careSchema, { ...care, kind: 'polished' })).toEqual(['kind']);
  });
});

describe('conditions', () => {
  it('say of each fault how far it reaches, or which angle was found', () => {
    const faults = (...list: object[]): string[] => fieldsOf(conditionSchema, { kind: 'dull', faults: list });
    expect(
      faults({ kind: 'pits', mm: 0.2 }, { kind: 'wide-land' }, { kind: 'wrong-angle', foundDeg: 31 }),
    ).toEqual([]);
    expect(faults({ kind: 'pits' })).toEqual(['faults.0.mm']);
    expect(faults({ kind: 'wide-land', mm: 1 })).toEqual(['faults.0.mm']);
    expect(faults({ kind: 'wrong-angle' })).toEqual(['faults.0.foundDeg']);
    expect(faults({ kind: 'pits', mm: 0.2 }, { kind: 'pits', mm: 0.3 })).toEqual(['faults.1']);
  });
});
