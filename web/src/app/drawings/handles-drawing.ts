import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { cosDeg, sinDeg } from '@mellow-anvil/core/base';
import { type Handles, honedDeg, type SingleBevelEdge, type WayUp } from '@mellow-anvil/core/blade';
import { Figures } from '../ui/figures';

const VIEW = { width: 640, height: 230 } as const;
const EDGE = { x: 100, y: 176 } as const;

interface Point {
  readonly x: number;
  readonly y: number;
}

/** A drawknife on the wood, seen along its edge: how its handles rise, and the forearm they meet. */
@Component({
  selector: 'ma-handles-drawing',
  template: `
    @if (scene(); as s) {
      <svg [attr.viewBox]="'0 0 ' + view.width + ' ' + view.height" role="img" [attr.aria-label]="s.told">
        <path class="wood" [attr.d]="s.wood" />
        <path class="arm" [attr.d]="s.arm" />
        <path class="handle" [attr.d]="s.handle" [attr.stroke-width]="s.thick" />
        <path class="steel" [attr.d]="s.blade" />
        <text x="14" y="218">the wood</text>
        <text [attr.x]="s.degAt.x" [attr.y]="s.degAt.y">{{ s.deg }}</text>
        <text [attr.x]="s.armAt.x" [attr.y]="s.armAt.y">forearm</text>
      </svg>
    }
  `,
  styleUrl: './steel.css',
  styles: `
    .wood {
      fill: var(--accent-wash);
      stroke: var(--line);
    }
    .handle {
      stroke: var(--leather);
      stroke-linecap: butt;
      fill: none;
    }
    .arm {
      stroke: var(--muted);
      stroke-width: 3;
      stroke-dasharray: 9 7;
      fill: none;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HandlesDrawing {
  readonly handles = input.required<Handles>();
  readonly edge = input.required<SingleBevelEdge>();
  readonly way = input.required<WayUp>();
  readonly handleDeg = input.required<number>();
  private readonly figures = inject(Figures);
  protected readonly view = VIEW;

  protected readonly scene = computed(() => {
    const { fromEdgeMm, lengthMm, thickMm, towardsBevelDeg } = this.handles();
    const { thicknessMm } = this.edge();
    const bevelDeg = honedDeg(this.edge());
    if (!(fromEdgeMm + lengthMm > 0)) return undefined;
    const down = this.way() === 'bevel-down';
    const scale = 340 / (fromEdgeMm + lengthMm);
    // The blade lies on its back, or is turned over about its edge onto its bevel.
    const place = (x: number, z: number): Point => {
      const turned = down
        ? { x: x * cosDeg(bevelDeg) + z * sinDeg(bevelDeg), z: x * sinDeg(bevelDeg) - z * cosDeg(bevelDeg) }
        : { x, z };
      return { x: EDGE.x + turned.x * scale, y: EDGE.y - turned.z * scale };
    };
    const line = (points: readonly Point[]): string => `M${points.map(({ x, y }) => `${x} ${y}`).join('L')}`;
    const heel = thicknessMm / (sinDeg(bevelDeg) / cosDeg(bevelDeg));
    const start = place(fromEdgeMm, 0);
    const end = place(fromEdgeMm + lengthMm * cosDeg(towardsBevelDeg), lengthMm * sinDeg(towardsBevelDeg));
    const arm = { x: VIEW.width - 10, y: end.y };
    const deg = this.figures.angle(Math.round(this.handleDeg()));
    return {
      wood: `M0 ${EDGE.y}H${VIEW.width}V${VIEW.height}H0Z`,
      blade: `${line([place(0, 0), place(heel, thicknessMm), place(fromEdgeMm, thicknessMm), place(fromEdgeMm, 0)])}Z`,
      handle: line([start, end]),
      thick: thickMm * scale,
      arm: line([end, arm]),
      deg,
      armAt: { x: end.x + 40, y: end.y - 10 },
      degAt: { x: (start.x + end.x) / 2, y: Math.min(start.y, end.y) - thickMm * scale * 0.7 },
      told: `The drawknife ${down ? 'on its bevel' : 'on its back'} on the wood: its handles rise ${deg} over it, the forearm along it`,
    };
  });
}
