import { Refusal } from './refusal.js';
import { formatNumber, parseNumber, type DecimalMark } from './number.js';

const PARTS =
  /^(?:([\d.,]+)\s*h(?:ours?|rs?)?)?(?:\s*([\d.,]+)\s*m(?:in(?:utes?)?)?)?(?:\s*([\d.,]+)\s*s(?:ec(?:onds?)?)?)?$/i;

/**
 * Reads a span of time: `12`, `12 min`, `1 h 5 min`, `90 s`, `2,5 min`. A bare number is minutes.
 * `1:30` is refused, since at a bench it may be hours or minutes.
 * @returns minutes
 * @throws Refusal on `field`.
 */
export function parseMinutes(text: string, field = 'minutes'): number {
  const trimmed = text.trim();
  if (trimmed === '') throw new Refusal(field, 'Write a time, such as 12 min or 1 h 5 min.');
  if (trimmed.includes(':')) {
    throw new Refusal(field, `“${trimmed}” can be read two ways; write 1 h 30 min or 1 min 30 s.`);
  }
  const parts = PARTS.exec(trimmed);
  const [hours, minutes, seconds] = [parts?.[1], parts?.[2], parts?.[3]];
  if (parts && (hours ?? minutes ?? seconds) !== undefined) {
    const read = (part: string | undefined): number => (part ? parseNumber(part, field) : 0);
    return read(hours) * 60 + read(minutes) + read(seconds) / 60;
  }
  return parseNumber(trimmed, field);
}

/** Writes minutes as a person would say them: `40 s`, `2.5 min`, `12 min`, `1 h 5 min`. */
export function formatMinutes(minutes: number, mark: DecimalMark = 'point'): string {
  const seconds = Math.round(minutes * 60);
  if (seconds < 60) return `${seconds} s`;
  if (minutes < 9.95) return `${formatNumber(minutes, 1, mark)} min`;
  const whole = Math.round(minutes);
  if (whole < 60) return `${whole} min`;
  const rest = whole % 60;
  return rest === 0 ? `${whole / 60} h` : `${Math.floor(whole / 60)} h ${rest} min`;
}
