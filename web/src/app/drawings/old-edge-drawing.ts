import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { OldEdge } from '@mellow-anvil/core/plan';
import { Figures } from '../ui/figures';

const VIEW = { width: 640, height: 200 } as const;
const TOP = 44;
const SIDE = 20;
const HANDLE = 34;
/** No blade is drawn narrower. */
const NARROW = 60;

/** An old blade from above, to scale along its back: what of its hard steel the work takes, and what is left. */
@Component({
  selector: 'ma-old-edge-drawing',
  template: `
    @if (scene(); as s) {
      <svg [attr.viewBox]="'0 0 ' + view.width + ' ' + view.height" role="img" [attr.aria-label]="s.told">
        <path class="steel" [attr.d]="s.blade" />
        <path class="hard" [attr.d]="s.hard" />
        <path class="goes" [attr.d]="s.goes" />
        @for (pit of s.pits; track $index) {
          <circle class="pit" [attr.cx]="pit.x" [attr.cy]="pit.y" [attr.r]="pit.r" />
        }
        <text [attr.x]="s.textX" [attr.y]="s.leftY">{{ s.left }}</text>
        <text [attr.x]="s.textX" y="32">{{ s.taken }}</text>
      </svg>
    }
  `,
  styleUrl: './steel.css',
  styles: `
    .hard {
      fill: var(--accent-wash);
      stroke: var(--steel-line);
      stroke-dasharray: 5 4;
    }
    .goes {
      fill: var(--danger);
    }
    .pit {
      fill: var(--ink);
      opacity: 0.55;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OldEdgeDrawing {
  readonly old = input.required<OldEdge>();
  readonly recessionMm = input.required<number>();
  readonly leftMm = input.required<number>();
  private readonly figures = inject(Figures);
  protected readonly view = VIEW;

  protected readonly scene = computed(() => {
    const { backMm, hardMm, pitsMm, family, edgeMm } = this.old();
    if (!(backMm > 0)) return undefined;
    // Along the back to scale; a long edge is only as wide as the picture, and the words stand beside a short one.
    const scale = (VIEW.height - TOP - 16) / Math.max(backMm, hardMm);
    const drawn = family === 'drawknife' ? HANDLE : 0;
    const room = VIEW.width - 2 * (SIDE + drawn);
    const wide = drawn > 0 ? room : Math.min(room / 2, Math.max(NARROW, edgeMm * scale));
    const [from, to] = [SIDE + drawn, SIDE + drawn + wide];
    const y = (mm: number): number => TOP + mm * scale;
    const box = (a: number, b: number): string => `M${from} ${y(a)}H${to}V${y(b)}H${from}Z`;
    const tang = (x: number, out: 1 | -1): string =>
      drawn
        ? `M${x} ${y(backMm * 0.6)}h${out * drawn}V${VIEW.height - 4}h${-out * drawn * 0.7}V${y(backMm)}h${-out * drawn * 0.3}Z`
        : '';
    const goes = Math.min(hardMm, this.recessionMm());
    const count = pitsMm > 0 ? Math.min(26, 6 + Math.round(pitsMm * 60)) : 0;
    return {
      blade: `${box(0, backMm)}${tang(from, -1)}${tang(to, 1)}`,
      hard: box(0, Math.min(hardMm, backMm)),
      // A hair of it is still to be seen.
      goes: box(0, Math.max(goes, 2 / scale)),
      pits: Array.from({ length: count }, (_, i) => ({
        // Beside the words.
        x: to - 10 - (drawn > 0 ? wide / 2 : wide - 20) * ((i * 0.618 + 0.11) % 1),
        y: y(backMm * (0.2 + 0.75 * ((i * 0.414 + 0.3) % 1))),
        r: 1.5 + 14 * pitsMm * (0.4 + 0.6 * ((i * 0.271) % 1)),
      })),
      textX: drawn > 0 ? from + 10 : to + 14,
      leftY: y(Math.min(hardMm, backMm) / 2) + 8,
      taken: `${this.figures.length(this.recessionMm())} goes`,
      left: `${this.figures.length(this.leftMm())} of hard steel left`,
      told: `The blade from above: of ${this.figures.length(hardMm)} of hard steel behind its edge the work takes ${this.figures.length(this.recessionMm())} and leaves ${this.figures.length(this.leftMm())}`,
    };
  });
}
