import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';

const WIDTH = 52;
/** Marks so shallow stand as close as lines can and still be told apart; ten times as deep, so much farther. */
const FINEST = { um: 0.05, gap: 2 } as const;
const GAP_A_DECADE = 3.2;

/** Marks on a face as a lens would show them: the deeper they are, the coarser they lie. */
@Component({
  selector: 'ma-marks-swatch',
  template: `
    <svg [attr.viewBox]="'0 0 ' + width + ' 8'" aria-hidden="true">
      <rect [attr.width]="width" height="8" rx="2" />
      <path [attr.d]="lines()" [attr.stroke-width]="gap() / 4" />
    </svg>
  `,
  styles: `
    :host {
      display: block;
      width: 52px;
    }
    svg {
      display: block;
      overflow: hidden;
    }
    rect {
      fill: var(--steel);
    }
    path {
      stroke: var(--ink);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MarksSwatch {
  readonly depthUm = input.required<number>();

  protected readonly width = WIDTH;
  protected readonly gap = computed(() => gapOf(this.depthUm()));
  protected readonly lines = computed(() => {
    const gap = this.gap();
    return Array.from({ length: Math.floor(WIDTH / gap) }, (_, i) => `M${(i + 0.5) * gap} 0v8`).join('');
  });
}

/** How far the lines stand apart, px: evenly farther with every tenfold of depth. */
export const gapOf = (depthUm: number): number =>
  FINEST.gap + GAP_A_DECADE * Math.max(0, Math.log10(depthUm / FINEST.um));
