import type { Abrasive, AbrasiveKind } from './abrasive.js';

const WHEEL_KINDS = ['dry-wheel', 'wet-wheel'] as const satisfies readonly AbrasiveKind[];
export type WheelKind = (typeof WHEEL_KINDS)[number];

export const isWheel = ({ kind }: Pick<Abrasive, 'kind'>): boolean =>
  (WHEEL_KINDS as readonly AbrasiveKind[]).includes(kind);

/** Turns to begin with where the machine's plate was not read (common practice, no source). */
export const USUAL_RPM: Readonly<Record<WheelKind, number>> = { 'dry-wheel': 2850, 'wet-wheel': 90 };

/** A wheel's radius by its newest measurement, mm. */
export function wheelRadiusMm({ wheel }: Pick<Abrasive, 'wheel'>): number | undefined {
  const last = wheel?.readings.at(-1);
  return last && last.diameterMm / 2;
}

/** How fast a wheel's rim runs, m/s. */
export const rimSpeedMs = (radiusMm: number, rpm: number): number => (2 * Math.PI * radiusMm * rpm) / 60_000;

/** What a wheel has lost, over how long, and how often it was dressed. */
interface WheelWear {
  readonly lostMm: number;
  readonly dressings: number;
  readonly lastDressedOn?: string;
  readonly readings: number;
}

/** A wheel's wear across its readings; undefined before the first. */
export function wheelWear({ wheel }: Pick<Abrasive, 'wheel'>): WheelWear | undefined {
  const readings = wheel?.readings ?? [];
  const [first, last] = [readings[0], readings.at(-1)];
  if (!first || !last) return undefined;
  const dressed = readings.filter((reading) => reading.dressed);
  const lastDressed = dressed.at(-1);
  return {
    lostMm: first.diameterMm - last.diameterMm,
    dressings: dressed.length,
    ...(lastDressed && { lastDressedOn: lastDressed.on }),
    readings: readings.length,
  };
}
