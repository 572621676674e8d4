import { besideOthers } from './beside-others.js';
import type { EdgeLife } from './edge-lives.js';
import type { ToolRecord } from './tool-record.js';

type Records = Readonly<Record<string, ToolRecord>>;

const life = (scale: number, blunt: number): EdgeLife => ({
  measure: 'metresPlaned',
  shape: 2.5,
  scale,
  worth: blunt + 0.5,
  amount: 0.86 * scale,
  low: 0.7 * scale,
  high: 1.1 * scale,
  blunt,
  unended: 0,
  inWood: [],
  atDeg: [],
  byHand: [],
});

describe('records beside each other', () => {
  const tools = [
    { id: 'new', family: 'plane-iron' },
    { id: 'old', family: 'plane-iron' },
    { id: 'other', family: 'gouge' },
  ] as const;
  const records = { new: { life: life(300, 1) }, old: { life: life(150, 20) }, other: { life: life(20, 9) } };
  const judged = (lateCosts?: number): Records =>
    besideOthers(records as unknown as Records, tools, lateCosts);

  it('lend a new iron what old ones showed, and nothing across families', () => {
    const { new: fresh, other } = judged();
    expect(fresh?.life?.scale).toBeLessThan(250);
    expect(fresh?.life?.lent).toEqual({ tools: 1, blunt: 20 });
    expect(other?.life).toEqual(records.other.life);
  });

  it('carry what a dull edge costs in this workshop, where it says so', () => {
    expect(judged(5)['old']?.lateCosts).toBe(5);
    expect(judged()['old']).not.toEqual(jasmine.objectContaining({ lateCosts: jasmine.anything() }));
  });
});
