import type { Guide, WetWheelJig } from '../guide/guide.js';
import type { Identified } from '../workshop/workshop.js';
import type { Abrasive, AbrasiveKind } from './abrasive.js';

/** A look at a wheel with the rule, and whether it was dressed that day. */
export interface WheelReading {
  /** ISO 8601 day. */
  readonly on: string;
  /** After dressing, where it was. */
  readonly diameterMm: number;
  readonly dressed?: boolean;
}

/** What a grinding wheel is beside its grain. */
export interface Wheel {
  /** Breadth of its rim. */
  readonly widthMm?: number;
  /** Turns a minute. */
  readonly rpm?: number;
  /** Oldest first; the last is what every set-up follows. */
  readonly readings: readonly WheelReading[];
}

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
export interface WheelWear {
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

/** A wet-wheel jig with the radius its wheel measures now; any other guide, and a jig of no wheel, as it is. */
export function onItsWheel<G extends Guide>(guide: G, bench: readonly Identified<Abrasive>[]): G {
  if (guide.form !== 'wet-wheel-jig') return guide;
  const { wheelId } = guide as WetWheelJig;
  const wheel = bench.find(({ id }) => id === wheelId);
  const radius = wheel && wheelRadiusMm(wheel);
  return radius === undefined ? guide : { ...guide, wheelRadiusMm: radius };
}
