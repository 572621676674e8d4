import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { EdgePoint, ProfileReading } from '@mellow-anvil/core/camber';
import { Figures } from '../ui/figures';

const VIEW = { width: 520, height: 220 } as const;
const PLOT = { left: 40, width: 440, top: 30, high: 140 } as const;

/** Readings across an edge with the curve fitted through them; heights exaggerated and by how much. */
@Component({
  selector: 'ma-profile-drawing',
  template: `
    @if (drawing(); as d) {
      <svg [attr.viewBox]="'0 0 ' + view.width + ' ' + view.height" role="img" [attr.aria-label]="d.words">
        <path class="fit" [attr.d]="d.fit" />
        @for (dot of d.dots; track $index) {
          <circle [attr.cx]="dot.x" [attr.cy]="dot.y" r="5" />
        }
        <text x="40" y="206">left</text>
        <text x="480" y="206" text-anchor="end">right</text>
        <text x="260" y="206" text-anchor="middle">{{ d.factorText }}</text>
      </svg>
    }
  `,
  styleUrl: './plot.css',
  styles: `
    .fit {
      fill: none;
      stroke: var(--accent);
      stroke-width: 3;
    }
    circle {
      fill: var(--raised);
      stroke: var(--ink);
      stroke-width: 2.5;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ProfileDrawing {
  readonly points = input.required<readonly EdgePoint[]>();
  readonly reading = input.required<ProfileReading>();
  readonly widthMm = input.required<number>();
  protected readonly view = VIEW;
  private readonly figures = inject(Figures);
  protected readonly drawing = computed(() => {
    const [points, { residualsMm }, widthMm] = [this.points(), this.reading(), this.widthMm()];
    const heights = points.map(({ outMm }) => outMm);
    const [least, most] = [Math.min(...heights), Math.max(...heights)];
    const up = PLOT.high / Math.max(most - least, 0.02);
    const across = PLOT.width / widthMm;
    const x = (mm: number): number => Number((PLOT.left + mm * across).toFixed(1));
    const y = (mm: number): number => Number((PLOT.top + (most - mm) * up).toFixed(1));
    // A residual is how much further back the reading lies than the curve.
    const fitted = points
      .map(({ atMm, outMm }, i) => ({ atMm, outMm: outMm + (residualsMm[i] ?? 0) }))
      .sort((a, b) => a.atMm - b.atMm);
    return {
      fit: `M${fitted.map((p) => `${x(p.atMm)} ${y(p.outMm)}`).join('L')}`,
      dots: points.map(({ atMm, outMm }) => ({ x: x(atMm), y: y(outMm) })),
      factorText: `heights drawn × ${this.figures.number(up / across, 0)}`,
      words: `${points.length} readings across the edge and the curve through them`,
    };
  });
}
