import { found, type Place } from './finding';

const place = (name: string, kind = 'tool'): Place => ({ name, kind, to: [] });
const SHED = [
  place('Bench chisel 19 mm'),
  place('Bench chisel 6 mm'),
  place('Chip knife'),
  place('Stones', 'room'),
  place('Water stone 8000', 'stone'),
  place('Pointed slate “Ä”', 'stone'),
];
const names = (typed: string): readonly string[] => found(SHED, typed).map(({ name }) => name);

describe('found', () => {
  it('takes each word as the beginning of one', () => {
    expect(names('be 6')).toEqual(['Bench chisel 6 mm']);
    expect(names('8000')).toEqual(['Water stone 8000']);
    expect(names('isel')).toEqual([]);
    expect(names('ä')).toEqual(['Pointed slate “Ä”']);
  });

  it('has the likeliest first: what begins with it before what has it later, a name before a kind', () => {
    expect(names('ch')).toEqual(['Chip knife', 'Bench chisel 19 mm', 'Bench chisel 6 mm']);
    expect(names('stone')).toEqual(['Stones', 'Water stone 8000', 'Pointed slate “Ä”']);
  });

  it('is everything while nothing is typed', () => {
    expect(names('  ').length).toBe(SHED.length);
  });
});
