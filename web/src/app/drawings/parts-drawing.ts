import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { sinDeg, cosDeg, toDeg, toRad } from '@mellow-anvil/core/base';
import type { Edge, GougeEdge, Point, VEdge } from '@mellow-anvil/core/blade';
import { gougeArc } from '@mellow-anvil/core/curve';
import { placeName } from './finger-drawing';
import { points } from './scene-marks';

const VIEW = { width: 520, height: 126 } as const;
const ROOM = { width: 260, height: 84, top: 10 } as const;
const V_PARTS = ['left wing', 'right wing', 'keel'] as const;
/** A keel is drawn no shorter than this, in the drawing’s units. */
const LEAST_KEEL = 14;

/** A curved edge whose strokes are counted by its own parts, seen from its end. */
export type EndOnEdge = GougeEdge | VEdge;

/** The edge that so many places are parts of; none where they lie along a straight one. */
export const endOnOf = (edge: Edge | undefined, places: number): EndOnEdge | undefined =>
  (edge?.form === 'gouge' && places === 5) || (edge?.form === 'v' && places === 3) ? edge : undefined;

/** What a part of an edge is called. */
export const partName = (edge: EndOnEdge | undefined, places: number, at: number): string =>
  edge?.form === 'v' ? (V_PARTS[at] ?? '') : placeName(places, at);

interface Part {
  readonly path: string;
  readonly label: Point;
  readonly anchor: 'start' | 'middle' | 'end';
}

/** A gouge or a V-tool from its end, with the strokes of each part; the part at hand stands out. */
@Component({
  selector: 'ma-parts-drawing',
  template: `
    <svg [attr.viewBox]="'0 0 ' + view.width + ' ' + view.height" role="img" [attr.aria-label]="words()">
      @for (part of parts(); track $index) {
        <g [class.here]="part.here" [class.idle]="part.count === 0">
          <path [attr.d]="part.path" />
          <text [attr.x]="part.label.x" [attr.y]="part.label.y" [attr.text-anchor]="part.anchor">
            {{ part.count }}
          </text>
        </g>
      }
      <text class="note" x="10" y="20">strokes by part</text>
    </svg>
  `,
  styles: `
    svg {
      width: 100%;
      height: auto;
      display: block;
    }
    path {
      fill: none;
      stroke: var(--steel-line);
      stroke-width: 7;
    }
    .idle path {
      stroke-dasharray: 5 5;
    }
    .here path {
      stroke: var(--accent);
      stroke-width: 12;
    }
    text {
      fill: var(--ink);
      font-size: 22px;
      font-weight: 700;
    }
    .idle text,
    .note {
      fill: var(--muted);
      font-weight: 400;
    }
    .here text {
      fill: var(--accent);
    }
    .note {
      font-size: 16px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PartsDrawing {
  readonly edge = input.required<EndOnEdge>();
  readonly strokes = input.required<readonly number[]>();
  /** The part being worked, from 0; none while the plan is only shown. */
  readonly at = input<number>();
  protected readonly view = VIEW;
  protected readonly parts = computed(() => {
    const edge = this.edge();
    const drawn = edge.form === 'v' ? wings(edge) : arcs(edge, this.strokes().length);
    return this.strokes().flatMap((count, i) => {
      const part = drawn[i];
      return part ? [{ ...part, count, here: this.at() === i }] : [];
    });
  });
  protected readonly words = computed(() => {
    const strokes = this.strokes();
    return `Strokes by part: ${strokes
      .map((count, i) => `${partName(this.edge(), strokes.length, i)} ${String(count)}`)
      .join(', ')}`;
  });
}

function arcs(edge: GougeEdge, count: number): readonly Part[] {
  const { radiusMm, arcMm } = gougeArc(edge);
  const half = toDeg(arcMm / 2 / radiusMm);
  const wide = half > 90 ? 2 * radiusMm : edge.widthMm;
  const scale = Math.min(ROOM.width / wide, ROOM.height / edge.depthMm);
  const lowest = { x: VIEW.width / 2, y: ROOM.top + edge.depthMm * scale };
  const at = (deg: number, mm: number): Point => ({
    x: lowest.x + mm * Math.sin(toRad(deg)) * scale,
    y: lowest.y - (radiusMm - mm * Math.cos(toRad(deg))) * scale,
  });
  return Array.from({ length: count }, (_, i) => {
    const [from, to] = [i, i + 1].map((k) => -half + (2 * half * k) / count) as [number, number];
    const curve = Array.from({ length: 9 }, (_at, k) => at(from + ((to - from) * k) / 8, radiusMm));
    const middle = (from + to) / 2;
    const { x, y } = at(middle, radiusMm);
    // Beside the curve, away from its middle.
    const label = { x: x + 18 * sinDeg(middle), y: y + 8 + 18 * cosDeg(middle) };
    return {
      path: `M${points(curve)}`,
      label,
      anchor: middle < -30 ? 'end' : middle > 30 ? 'start' : 'middle',
    };
  });
}

function wings({ wingMm, openingDeg }: VEdge): readonly Part[] {
  const scale = Math.min(ROOM.height / (wingMm * cosDeg(openingDeg / 2)), ROOM.width / 2 / wingMm);
  const keel = { x: VIEW.width / 2, y: ROOM.top + ROOM.height };
  const out = (side: 1 | -1, mm: number): Point => ({
    x: keel.x + side * mm * sinDeg(openingDeg / 2) * scale,
    y: keel.y - mm * cosDeg(openingDeg / 2) * scale,
  });
  const short = LEAST_KEEL / scale;
  const wing = (side: 1 | -1): Part => {
    const middle = out(side, wingMm / 2);
    return {
      path: `M${points([out(side, short), out(side, wingMm)])}`,
      label: { x: middle.x + side * 18, y: middle.y + 8 },
      anchor: side < 0 ? 'end' : 'start',
    };
  };
  return [
    wing(-1),
    wing(1),
    {
      path: `M${points([out(-1, short), keel, out(1, short)])}`,
      label: { x: keel.x + 20, y: keel.y + 16 },
      anchor: 'start',
    },
  ];
}
