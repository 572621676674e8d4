import fc from 'fast-check';
import { readInstant, utcInstant } from './instant.js';

describe('utcInstant', () => {
  it('turns every zone into UTC', () => {
    for (const text of [
      '2026-11-23T04:30:00Z',
      '2026-11-23T04:30Z',
      '2026-11-23T09:30:00+05',
      '2026-11-23T09:30:00+05:00',
      '2026-11-23T09:30:00.000+0500',
      '2026-11-22T23:00:00-05:30',
    ]) {
      expect(utcInstant(text)).withContext(text).toBe('2026-11-23T04:30:00.000Z');
    }
  });

  it('refuses what names no instant: no zone, no such day or hour, something beside it', () => {
    for (const text of [
      '2026-11-23',
      '2026-11-23T09:30:00',
      '2026-02-30T09:30:00Z',
      '2026-11-23T25:00:00Z',
      '2026-11-23T09:61:00Z',
      '2026-11-23T09:30:00+05x',
      ' 2026-11-23T09:30:00Z',
      '12026-11-23T09:30:00Z',
      '2026-11-23 09:30:00Z',
      '2026-W47T09:30:00Z',
      '0000-01-01T00:00:00+10:00',
      'yesterday',
      '',
    ]) {
      expect(utcInstant(text)).withContext(text).toBeUndefined();
    }
  });

  it('leaves its own form as it is, and sorts as text the way time goes', () => {
    const instants = fc
      .date({ min: new Date('0001-01-02'), max: new Date('9998-12-30'), noInvalidDate: true })
      .map((date) => date.toISOString());
    fc.assert(
      fc.property(instants, instants, fc.integer({ min: -14 * 60, max: 14 * 60 }), (a, b, zoneMin) => {
        expect(utcInstant(a)).toBe(a);
        expect(a < b).toBe(Date.parse(a) < Date.parse(b));
        const there = new Date(Date.parse(a) + zoneMin * 60_000).toISOString().slice(0, 23);
        const zone = `${zoneMin < 0 ? '-' : '+'}${two(Math.abs(zoneMin) / 60)}:${two(Math.abs(zoneMin) % 60)}`;
        expect(utcInstant(there + zone)).toBe(a);
      }),
    );
  });
});

describe('readInstant', () => {
  it('reads what older releases took as an instant', () => {
    expect(readInstant('2026-11-23')).toBe('2026-11-23T00:00:00.000Z');
    expect(readInstant('2026-11-23T09:30:00,5Z')).toBe('2026-11-23T09:30:00.500Z');
    expect(readInstant('2026-11-23T09:30:00')).toBe(new Date(2026, 10, 23, 9, 30).toISOString());
    expect(readInstant('20261123T093000Z')).toBe('2026-11-23T09:30:00.000Z');
    expect(readInstant('2026-W47-1T09:30:00Z')).toBe('2026-11-16T09:30:00.000Z');
    expect(readInstant('soon')).toBeUndefined();
  });
});

const two = (n: number): string => String(Math.floor(n)).padStart(2, '0');
