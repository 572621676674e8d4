import { Joi } from './joi.js';

describe('Joi of the house', () => {
  it('refuses a list over its limit before any rule of an entry is asked', () => {
    let asked = 0;
    const item = Joi.any().custom((value: unknown) => {
      asked += 1;
      return value;
    });
    const list = Joi.array().items(item).max(3);
    expect(list.validate([1, 2, 3]).error).toBeUndefined();
    expect(asked).toBe(3);
    const { error } = list.validate(Array(100_000).fill(1));
    expect(error?.details.map(({ type }) => type)).toEqual(['array.max']);
    expect(asked).toBe(3);
  });

  it('refuses a text over its limit before its pattern is tried, also where all faults are wanted', () => {
    const tried: string[] = [];
    class Watched extends RegExp {
      override test(text: string): boolean {
        tried.push(text);
        return super.test(text);
      }
    }
    const text = Joi.string().max(5).pattern(new Watched('^a+$'));
    expect(text.validate('aaa').error).toBeUndefined();
    const { error } = text.validate('b'.repeat(80_000), { abortEarly: false });
    expect(error?.details.map(({ type }) => type)).toEqual(['string.max']);
    expect(tried).toEqual(['aaa']);
  });

  it('leaves lists and texts without a limit as they are', () => {
    expect(Joi.array().items(Joi.number()).validate([1, 'x']).error?.details[0]?.path).toEqual([1]);
    expect(Joi.string().validate('x'.repeat(10_000)).error).toBeUndefined();
  });
});
