import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { SingleBevelEdge } from '@mellow-anvil/core/blade';
import { placedProfile, type PlacedWork } from '@mellow-anvil/core/camber';
import { wantedRemoval } from '@mellow-anvil/core/plan';
import { Figures } from '../ui/figures';

const VIEW = { width: 520, height: 180 } as const;
const PLOT = { left: 40, width: 440, top: 26, high: 104 } as const;
const POINTS = 101;

/** The curve strokes by place are reckoned to leave, against the one wanted; heights exaggerated and by how much. */
@Component({
  selector: 'ma-curve-drawing',
  template: `
    @if (drawing(); as d) {
      <svg [attr.viewBox]="'0 0 ' + view.width + ' ' + view.height" role="img" [attr.aria-label]="d.words">
        <path class="wanted" [attr.d]="d.wanted" />
        <path class="reckoned" [attr.d]="d.reckoned" />
        <text x="40" y="168">left</text>
        <text class="w" x="200" y="168" text-anchor="middle">- - wanted</text>
        <text class="r" x="330" y="168" text-anchor="middle">as reckoned</text>
        <text x="480" y="168" text-anchor="end">right</text>
        <text x="480" y="18" text-anchor="end">{{ d.factorText }}</text>
      </svg>
    }
  `,
  styleUrl: './plot.css',
  styles: `
    path {
      fill: none;
      stroke-width: 3.5;
    }
    .wanted {
      stroke: var(--water);
      stroke-dasharray: 8 6;
    }
    .reckoned {
      stroke: var(--accent);
    }
    .w {
      fill: var(--water);
    }
    .r {
      fill: var(--accent);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CurveDrawing {
  readonly edge = input.required<SingleBevelEdge>();
  readonly work = input.required<PlacedWork>();
  readonly strokes = input.required<readonly number[]>();
  /** Sagitta the edge has now, mm, and the one wanted. */
  readonly nowMm = input.required<number>();
  readonly wantedMm = input.required<number>();
  readonly leanMm = input(0);
  protected readonly view = VIEW;
  private readonly figures = inject(Figures);

  protected readonly drawing = computed(() => {
    const [nowMm, leanMm] = [this.nowMm(), this.leanMm()];
    const owed = wantedRemoval(this.edge(), nowMm, leanMm);
    const bow = Math.max(0, (nowMm + this.wantedMm()) / 2);
    const removed = placedProfile(this.work(), this.strokes(), bow);
    const us = Array.from({ length: POINTS }, (_, i) => (2 * i) / (POINTS - 1) - 1);
    const has = (u: number): number => nowMm * u * u + (leanMm / 2) * u;
    const wanted = us.map((u) => owed(u) + has(u));
    const left = us.map((u, i) => (removed[i] ?? 0) + has(u));
    // Both may lie anywhere along the blade: they are laid over each other at their means.
    const mean = (list: readonly number[]): number => list.reduce((sum, mm) => sum + mm, 0) / list.length;
    const [a, b] = [mean(wanted), mean(left)];
    const all = [...wanted.map((mm) => mm - a), ...left.map((mm) => mm - b)];
    const [least, most] = [Math.min(...all), Math.max(...all)];
    const up = PLOT.high / Math.max(most - least, 0.01);
    const across = PLOT.width / this.work().widthMm;
    const line = (list: readonly number[], off: number): string =>
      `M${list
        .map(
          (mm, i) =>
            `${(PLOT.left + (PLOT.width * i) / (POINTS - 1)).toFixed(1)} ${(PLOT.top + PLOT.high - (mm - off - least) * up).toFixed(1)}`,
        )
        .join('L')}`;
    return {
      wanted: line(wanted, a),
      reckoned: line(left, b),
      factorText: `heights drawn × ${this.figures.number(up / across, 0)}`,
      words:
        'How far back the edge stands across its width: wanted, and as these strokes are reckoned to leave it',
    };
  });
}
