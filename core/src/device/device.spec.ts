import fc from 'fast-check';
import { Refusal } from '../base/refusal.js';
import { caliperChunks, simulatedReadings } from '../simulate/caliper.js';
import { CALIPER_START, caliperText, type CaliperLine } from './caliper-text.js';
import { forceText, simulatedForce } from './force-text.js';
import { profileLines } from './number-lines.js';

function read(chunks: readonly string[]): readonly CaliperLine[] {
  let stream = CALIPER_START;
  return chunks.flatMap((chunk) => {
    const { stream: next, lines } = caliperText(stream, chunk);
    stream = next;
    return lines;
  });
}
const figures = (lines: readonly CaliperLine[]): readonly number[] =>
  lines.flatMap((line) => (line.ok ? [line.mm] : []));

describe('a caliper’s text', () => {
  it('reads the same however the line is cut into pieces (fast-check)', () => {
    const text = '+12.34 mm\r\n-0.05mm\r\nA1 3,20 mm\r\n0.5000 in\r\n0.25\r\nmm\r\n7\r\n';
    const whole = read([text]);
    expect(figures(whole)).toEqual([12.34, -0.05, 3.2, 12.7, 6.35, 7]);
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: text.length - 1 }), { maxLength: 20 }), (cuts) => {
        const at = [0, ...[...new Set(cuts)].sort((a, b) => a - b), text.length];
        const chunks = at.slice(1).map((to, i) => text.slice(at[i], to));
        expect(read(chunks)).toEqual([...whole]);
      }),
    );
  });

  it('tells a garbled line and never guesses; a unit stays until another is named', () => {
    const lines = read(['+4ÿ.7#mm\r\n12..5\r\n1 2\r\n99999\r\nin\r\n1\r\n', 'mm\r\n1\r\n']);
    expect(lines.filter(({ ok }) => !ok).length).toBe(4);
    expect(figures(lines)).toEqual([25.4, 1]);
  });

  it('gives up on a line that never ends, and goes on with the next', () => {
    const lines = read(['x'.repeat(200), '\r\n2.00 mm\r\n']);
    expect(lines[0]?.ok).toBeFalse();
    expect(figures(lines)).toEqual([2]);
  });

  it('brings every reading of the simulated caliper through, but for the garbled line', () => {
    let state = 1;
    const random = (): number => (state = (state * 16807) % 2147483647) / 2147483647;
    const readings = simulatedReadings({ widthMm: 50, camberMm: 0.07, leanMm: 0.02 }, 9, random);
    const lines = read(caliperChunks(readings, random));
    const got = figures(lines);
    expect(got.length).toBe(9);
    got.forEach((mm, i) => expect(Math.abs(mm - (readings[i]?.outMm ?? 0))).toBeLessThan(0.0015));
    expect(lines.filter(({ ok }) => !ok).length).toBe(1);
  });
});

describe('a profile typed or pasted', () => {
  it('reads places and heights with either mark and what spreadsheets put between them', () => {
    const wanted = [
      { atMm: 0, outMm: 11.93 },
      { atMm: 25, outMm: 12 },
      { atMm: 50, outMm: 11.94 },
    ];
    expect(profileLines('place;height\n0;11.93\n25;12\n50;11.94\n', 50)).toEqual(wanted);
    expect(profileLines('0 11,93\n25 12\n50 11,94', 50)).toEqual(wanted);
    expect(profileLines('0.0,11.93\n25.0,12.00\n50.0,11.94', 50)).toEqual(wanted);
    expect(profileLines('11.93\n12\n11.94', 50)).toEqual(wanted);
  });

  it('names the line that cannot be read', () => {
    expect(() => profileLines('0 1\n5 x', 50)).toThrowError(Refusal, /Line 2: “x”/);
    expect(() => profileLines('0 1\n5 1 2', 50)).toThrowError(Refusal, /Line 2: write place and height/);
  });
});

describe('a force tester’s text', () => {
  it('reads newtons, one plain number a line however it is cut, and tells the rest as unread', () => {
    let rest = '';
    const lines = ['1.', '79\r\n 2,0', '4\r\nREADY\r', '\n182 g\n0\n', '99999\n'].flatMap((chunk) => {
      const read = forceText(rest, chunk);
      rest = read.rest;
      return read.lines;
    });
    expect(lines.flatMap((line) => (line.ok ? [line.newtons] : []))).toEqual([1.79, 2.04]);
    expect(lines.filter(({ ok }) => !ok).length).toBe(4);
  });

  it('brings the simulated cut through', () => {
    let rest = '';
    const lines = simulatedForce(2, () => 0.5).flatMap((chunk) => {
      const read = forceText(rest, chunk);
      rest = read.rest;
      return read.lines;
    });
    expect(lines.flatMap((line) => (line.ok ? [line.newtons] : []))).toEqual([2]);
  });
});
