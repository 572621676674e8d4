import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { cosDeg, Refusal, sinDeg, tanDeg } from '@mellow-anvil/core/base';
import { type Edge, type FrontPoint, frontProfile } from '@mellow-anvil/core/blade';
import { hookArcMm } from '@mellow-anvil/core/curve';
import { Figures } from '../ui/figures';
import { gouging, winging } from './end-on';

const VIEW = { width: 210, height: 210 } as const;
const BLADE = { width: 150, top: 18, edge: 140 } as const;
const SHOWN_PX = 26;

interface Drawing {
  readonly edge: string;
  /** The blade behind the edge, where there is one to see. */
  readonly blade: string;
  readonly measureMm: number;
  readonly words: string;
}

/** The edge from the front: its corners, skew and camber, a slight curve exaggerated and by how much. */
@Component({
  selector: 'ma-front-view',
  template: `
    @if (drawing(); as d) {
      <svg
        [attr.viewBox]="'0 0 ' + view.width + ' ' + view.height"
        role="img"
        [attr.aria-label]="'Front view: ' + d.words"
      >
        <path class="steel" [attr.d]="d.blade" />
        <path class="edge" [attr.d]="d.edge" />
        <path class="measure" d="M30 164h150m0 -5v10m-150 0v-10" />
        <text [attr.x]="view.width / 2" y="182" text-anchor="middle">{{ figures.length(d.measureMm) }}</text>
        <text [attr.x]="view.width / 2" y="201" text-anchor="middle">{{ d.words }}</text>
      </svg>
    }
  `,
  styles: `
    svg {
      width: 100%;
      height: auto;
      display: block;
    }
    .steel {
      fill: var(--steel);
      stroke: var(--steel-line);
      stroke-width: 1.5;
      stroke-linejoin: round;
    }
    .edge {
      fill: none;
      stroke: var(--accent);
      stroke-width: 4;
      stroke-linecap: round;
      stroke-linejoin: round;
    }
    .measure {
      stroke: var(--muted);
      fill: none;
      stroke-width: 1.5;
    }
    text {
      fill: var(--muted);
      font-size: 15px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FrontView {
  readonly edge = input.required<Edge>();
  protected readonly view = VIEW;
  protected readonly figures = inject(Figures);
  protected readonly drawing = computed((): Drawing | undefined => {
    const edge = this.edge();
    switch (edge.form) {
      case 'single-bevel':
        return this.across(edge.widthMm, () => frontProfile(edge.front, edge.widthMm), edge.front.shape);
      case 'double-bevel':
        return this.skewed(edge.widthMm, edge.skewDeg, edge.heelRadiusMm);
      case 'gouge':
        return curved(edge.widthMm, edge.depthMm);
      case 'hook': {
        const half = hookArcMm(edge) / edge.innerRadiusMm / 2;
        const wide = 2 * edge.innerRadiusMm * Math.sin(Math.min(half, Math.PI / 2));
        return curved(
          2 * edge.innerRadiusMm * Math.sin(half),
          edge.innerRadiusMm * (1 - Math.cos(half)),
          wide,
        );
      }
      case 'v':
        return winged(edge.wingMm, edge.openingDeg);
      default:
        return undefined;
    }
  });

  private across(widthMm: number, profileOf: () => readonly FrontPoint[], shape: string): Drawing {
    let profile: readonly FrontPoint[];
    let refusal = '';
    try {
      profile = profileOf();
    } catch (reason) {
      if (!(reason instanceof Refusal)) throw reason;
      refusal = 'radius too tight';
      profile = frontProfile({ shape: 'straight' }, widthMm);
    }
    const deepest = Math.max(...profile.map(({ backMm }) => backMm));
    const across = BLADE.width / widthMm;
    const factor = deepest * across > SHOWN_PX || deepest === 0 ? 1 : SHOWN_PX / (deepest * across);
    const points = profile.map(({ atMm, backMm }) => ({
      x: VIEW.width / 2 + atMm * across,
      y: BLADE.edge - backMm * across * factor,
    }));
    const words = shape === 'arc' ? 'arc' : 'corners eased';
    return {
      ...onBlade(points),
      measureMm: widthMm,
      words: refusal || (deepest === 0 ? 'straight' : `${words}, drawn × ${Math.round(factor)}`),
    };
  }

  private skewed(widthMm: number, skewDeg: number, heelMm = 0): Drawing {
    const rise = Math.min(BLADE.edge - BLADE.top - 10, BLADE.width * tanDeg(skewDeg));
    const [left, right] = [VIEW.width / 2 - BLADE.width / 2, VIEW.width / 2 + BLADE.width / 2];
    const heel = { x: right, y: BLADE.edge - rise };
    // As a quadratic curve between both tangents, near enough to the round to be seen.
    const off = ((heelMm * tanDeg((90 - skewDeg) / 2)) / widthMm) * BLADE.width;
    const round = Array.from({ length: off > 0 ? 13 : 0 }, (_, i) => {
      const t = i / 12;
      const along = off * (1 - t) ** 2;
      return { x: heel.x - along * cosDeg(skewDeg), y: heel.y + along * sinDeg(skewDeg) - off * t ** 2 };
    });
    return {
      ...onBlade([{ x: left, y: BLADE.edge }, ...(off > 0 ? round : [heel])]),
      measureMm: widthMm,
      words:
        skewDeg === 0 ? 'square' : `skewed ${this.figures.angle(skewDeg)}${off > 0 ? ', round heel' : ''}`,
    };
  }
}

interface Px {
  readonly x: number;
  readonly y: number;
}
const path = (points: readonly Px[]): string =>
  points.map(({ x, y }) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L');

function onBlade(points: readonly Px[]): Pick<Drawing, 'edge' | 'blade'> {
  const [first, last] = [points[0] as Px, points.at(-1) as Px];
  return {
    edge: `M${path(points)}`,
    blade: `M${first.x} ${BLADE.top}L${path(points)}L${last.x} ${BLADE.top}Z`,
  };
}

const END_ON = { blade: '', words: 'end on, to scale' } as const;
const ROOM = BLADE.edge - BLADE.top;

/** @param acrossMm what it measures across where it is widest */
function curved(widthMm: number, depthMm: number, acrossMm = widthMm): Drawing {
  const scale = Math.min(BLADE.width / acrossMm, ROOM / depthMm);
  const mouth = { x: VIEW.width / 2, y: BLADE.edge - depthMm * scale };
  return { ...END_ON, edge: gouging(widthMm, depthMm, scale, mouth), measureMm: BLADE.width / scale };
}

function winged(wingMm: number, openingDeg: number): Drawing {
  const scale = Math.min(
    BLADE.width / (2 * wingMm * sinDeg(openingDeg / 2)),
    ROOM / (wingMm * cosDeg(openingDeg / 2)),
  );
  const keel = { x: VIEW.width / 2, y: BLADE.edge };
  return { ...END_ON, edge: winging(wingMm, openingDeg, scale, keel), measureMm: BLADE.width / scale };
}
