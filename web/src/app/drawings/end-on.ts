import { cosDeg, sinDeg } from '@mellow-anvil/core/base';
import type { Point } from '@mellow-anvil/core/blade';

/** A gouge end on, its mouth's middle at a place: chord and depth to scale with each other, an SVG path. */
export function gouging(widthMm: number, depthMm: number, scale: number, mouth: Point): string {
  const radius = (((widthMm / 2) ** 2 + depthMm ** 2) / (2 * depthMm)) * scale;
  const half = (widthMm / 2) * scale;
  const large = depthMm * scale > radius ? 1 : 0;
  const [left, right] = [mouth.x - half, mouth.x + half];
  return `M${px(left)} ${px(mouth.y)}A${px(radius)} ${px(radius)} 0 ${large} 0 ${px(right)} ${px(mouth.y)}`;
}

/** A V-tool end on, its keel at a place. */
export function winging(wingMm: number, openingDeg: number, scale: number, keel: Point): string {
  const dx = wingMm * sinDeg(openingDeg / 2) * scale;
  const top = keel.y - wingMm * cosDeg(openingDeg / 2) * scale;
  return `M${px(keel.x - dx)} ${px(top)}L${px(keel.x)} ${px(keel.y)}L${px(keel.x + dx)} ${px(top)}`;
}

const px = (value: number): string => value.toFixed(1);
