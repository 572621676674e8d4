import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Figures } from '../ui/figures';

interface DrawnBack {
  readonly backMm: number;
  readonly edgeRimMm: number;
  readonly farRimMm: number;
  readonly passes: number;
  readonly chordMm: number;
}

const VIEW = { width: 640, height: 110 } as const;
const LEFT = 20;
const FACE = 40;
const BODY = 62;
/** Hollows are drawn so much deeper than they are, where that is more. */
const DEEP = 26;

/** A back from the side, its face up: rims and hollows, the depth drawn larger than it is, and how much is said. */
@Component({
  selector: 'ma-hollowed-back-drawing',
  template: `
    @if (scene(); as s) {
      <svg [attr.viewBox]="'0 0 ' + view.width + ' ' + view.height" role="img" [attr.aria-label]="s.told">
        <path class="steel" [attr.d]="s.steel" />
        @for (rim of s.rims; track $index) {
          <path class="rim" [attr.d]="rim" />
        }
        <text [attr.x]="s.edgeX" y="24">edge</text>
      </svg>
      <p aria-hidden="true">{{ s.told }}.</p>
    }
  `,
  styleUrl: './steel.css',
  styles: `
    .rim {
      stroke: var(--accent);
      stroke-width: 5;
      fill: none;
    }
    p {
      margin: 0;
      color: var(--muted);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HollowedBackDrawing {
  readonly back = input.required<DrawnBack>();
  readonly depthMm = input.required<number>();
  private readonly figures = inject(Figures);
  protected readonly view = VIEW;

  protected readonly scene = computed(() => {
    const { backMm, edgeRimMm, farRimMm, passes, chordMm } = this.back();
    if (!(backMm > 0 && chordMm > 0)) return undefined;
    const scale = (VIEW.width - 2 * LEFT) / backMm;
    const x = (mm: number): number => LEFT + mm * scale;
    const deep = Math.max(DEEP, this.depthMm() * scale);
    const times = deep / (this.depthMm() * scale);
    const [from, to, right] = [x(edgeRimMm), x(backMm - farRimMm), VIEW.width - LEFT];
    // A shallow arc through a chord: its control point lies twice as deep.
    const hollows = Array.from({ length: passes }, (_, i) => {
      const end = from + ((to - from) * (i + 1)) / passes;
      const middle = from + ((to - from) * (i + 0.5)) / passes;
      return `Q${middle} ${FACE + 2 * deep} ${end} ${FACE}`;
    });
    return {
      steel: `M${LEFT} ${FACE}H${from}${hollows.join('')}H${right}V${FACE + BODY}H${LEFT + BODY}Z`,
      rims: [`M${LEFT} ${FACE}H${from}`, `M${to} ${FACE}H${right}`],
      edgeX: LEFT,
      told: `${passes === 1 ? 'One hollow' : `${passes} hollows`} ${this.figures.length(this.depthMm())} deep${times > 1.05 ? `, drawn ${this.figures.number(times, 0)} times as deep` : ''}; the rims, ${this.figures.length(edgeRimMm)} and ${this.figures.length(farRimMm)}, are polished`,
    };
  });
}
