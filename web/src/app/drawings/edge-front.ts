import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { tanDeg, unlessRefused } from '@mellow-anvil/core/base';
import { type Edge, frontProfile } from '@mellow-anvil/core/blade';

const BOX = { width: 500, height: 60 } as const;
/** Most of the box a curve is drawn over: exaggerated, so that it is seen. */
const DEEP = 44;
const STEPS = 40;

/** Fraction of the box by which an edge stands back, at a place −1 to 1 across it. */
function backOf(edge: Edge): (u: number) => number {
  const round = (u: number): number => u * u;
  switch (edge.form) {
    case 'single-bevel': {
      const { widthMm, front } = edge;
      const profile = unlessRefused(() => frontProfile(front, widthMm, STEPS + 1)) ?? [];
      const deepest = Math.max(...profile.map(({ backMm }) => backMm), 0);
      if (deepest === 0) return () => 0;
      return (u) => (profile[Math.round(((u + 1) / 2) * STEPS)]?.backMm ?? 0) / deepest;
    }
    case 'double-bevel':
      return (u) => ((u + 1) / 2) * Math.min(1, tanDeg(edge.skewDeg));
    case 'gouge':
    case 'hook':
      return round;
    case 'v':
      return (u) => Math.abs(u);
    // Towards its tip a blade sweeps up.
    case 'knife':
      return (u) => (u > 0.3 ? ((u - 0.3) / 0.7) ** 2 : 0);
    default:
      return () => 0;
  }
}

/** The edge of a tool in its own shape from the front, its curve exaggerated: camber, skew, sweep or bend. */
@Component({
  selector: 'ma-edge-front',
  template: `
    <svg [attr.viewBox]="'0 0 ' + box.width + ' ' + box.height" preserveAspectRatio="none" aria-hidden="true">
      <path class="steel" [attr.d]="'M0 0' + line() + 'L' + box.width + ' 0Z'" />
      <path class="edge" [attr.d]="edgeLine()" />
    </svg>
  `,
  styles: `
    :host {
      display: block;
    }
    svg {
      width: 100%;
      height: 3.4rem;
      display: block;
    }
    .steel {
      fill: var(--steel);
      stroke: none;
    }
    .edge {
      fill: none;
      stroke: var(--accent);
      stroke-width: 5;
      vector-effect: non-scaling-stroke;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class EdgeFront {
  readonly edge = input.required<Edge>();
  protected readonly box = BOX;
  protected readonly line = computed(() => {
    const back = backOf(this.edge());
    return Array.from({ length: STEPS + 1 }, (_, i) => {
      const u = (2 * i) / STEPS - 1;
      return `L${((i / STEPS) * BOX.width).toFixed(1)} ${(BOX.height - 4 - DEEP * back(u)).toFixed(1)}`;
    }).join('');
  });
  protected readonly edgeLine = computed(() => `M${this.line().slice(1)}`);
}
