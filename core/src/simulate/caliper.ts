import { MM_PER_INCH } from '../base/length.js';
import type { EdgePoint } from '../camber/profile-reading.js';

/** A made-up digital caliper: it reads an edge and speaks as such instruments do. */
export interface SimulatedEdge {
  readonly widthMm: number;
  readonly camberMm: number;
  readonly leanMm: number;
}

/** Reading noise of the jaw, mm (standard deviation). */
const NOISE_MM = 0.004;
const BASE_MM = 42;

/** What the caliper sees at places across the edge, with its noise, to its division. */
export function simulatedReadings(
  { widthMm, camberMm, leanMm }: SimulatedEdge,
  places: number,
  random: () => number,
): readonly EdgePoint[] {
  return Array.from({ length: places }, (_, i) => {
    const u = (2 * i) / (places - 1) - 1;
    const noise = NOISE_MM * Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
    const outMm = BASE_MM - camberMm * u * u - (leanMm * u) / 2 + noise;
    return { atMm: widthMm * (i / (places - 1)), outMm: Math.round(outMm * 100) / 100 };
  });
}

/**
 * The same as text down a wire, as it really comes: in pieces cut anywhere, now and then a garbled line that
 * has to be read again, and the unit switched to inches on the way and back.
 */
export function caliperChunks(readings: readonly EdgePoint[], random: () => number): readonly string[] {
  const switchAt = Math.floor(readings.length / 2);
  const lines = readings.map(({ outMm }, i) => {
    if (i === switchAt) return `${(outMm / MM_PER_INCH).toFixed(4)} in\r\n`;
    return i === switchAt + 1 ? `mm\r\n+${outMm.toFixed(2)}\r\n` : `+${outMm.toFixed(2)} mm\r\n`;
  });
  const garbled = Math.floor(random() * lines.length);
  lines.splice(garbled, 0, `+4\u00ff.${Math.floor(random() * 90)}#mm\r\n`);
  const text = lines.join('');
  const chunks: string[] = [];
  for (let at = 0; at < text.length;) {
    const long = 1 + Math.floor(random() * 7);
    chunks.push(text.slice(at, at + long));
    at += long;
  }
  return chunks;
}
