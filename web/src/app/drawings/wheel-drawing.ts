import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { unlessRefused } from '@mellow-anvil/core/base';
import type { Point } from '@mellow-anvil/core/blade';
import { type FacetSetting, type WetWheelJig, wheelPose } from '@mellow-anvil/core/guide';
import { Figures } from '../ui/figures';

const VIEW = { width: 560, height: 300 } as const;
const PAD = 22;

/** A jig on the bar of a wet wheel with the blade at its angle, to scale. */
@Component({
  selector: 'ma-wheel-drawing',
  template: `
    @if (drawing(); as d) {
      <svg [attr.viewBox]="'0 0 ' + view.width + ' ' + view.height" role="img" [attr.aria-label]="d.words">
        <circle class="wheel" [attr.cx]="d.centre.x" [attr.cy]="d.centre.y" [attr.r]="d.radius" />
        <path class="blade" [attr.d]="d.blade" />
        <path class="jig" [attr.d]="d.jig" />
        <circle class="bar" [attr.cx]="d.bar.x" [attr.cy]="d.bar.y" [attr.r]="d.barRadius" />
        <path class="measure" [attr.d]="d.gap" />
        <text [attr.x]="d.gapText.x" [attr.y]="d.gapText.y">{{ d.label }}</text>
        <text [attr.x]="d.degText.x" [attr.y]="d.degText.y">{{ d.deg }}</text>
      </svg>
    }
  `,
  styleUrl: './drawing.css',
  styles: `
    .wheel {
      fill: color-mix(in srgb, var(--water) 18%, var(--raised));
      stroke: var(--water);
      stroke-width: 3;
    }
    .jig {
      stroke: var(--leather);
      stroke-width: 9;
      stroke-linecap: round;
    }
    .bar {
      fill: var(--raised);
      stroke: var(--leather);
      stroke-width: 3;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WheelDrawing {
  readonly jig = input.required<WetWheelJig>();
  readonly thicknessMm = input.required<number>();
  readonly setting = input.required<FacetSetting>();
  private readonly figures = inject(Figures);
  protected readonly view = VIEW;

  protected readonly drawing = computed(() => {
    const { angleDeg, gapMm = 0 } = this.setting();
    const jig = this.jig();
    const pose = unlessRefused(() => wheelPose({ ...jig, angleDeg }, this.thicknessMm()));
    if (!pose) return undefined;
    const { edge, bar, rim, blade, foot } = pose;
    const shown = [...blade, bar, { x: 0, y: jig.wheelRadiusMm }, { x: jig.wheelRadiusMm * 0.2, y: 0 }];
    const [xs, ys] = [shown.map(({ x }) => x), shown.map(({ y }) => y)];
    const [left, low, top] = [Math.min(...xs), Math.min(...ys), Math.max(...ys)];
    const scale = Math.min(
      (VIEW.width - 2 * PAD) / (Math.max(...xs) - left),
      (VIEW.height - 2 * PAD) / (top - low),
    );
    const px = ({ x, y }: Point): Point => ({ x: PAD + (x - left) * scale, y: PAD + (top - y) * scale });
    const at = (point: Point): string => {
      const { x, y } = px(point);
      return `${x.toFixed(1)} ${y.toFixed(1)}`;
    };
    const [from, to] = [px(rim), px(bar)];
    const label = `${this.figures.setting(gapMm)} ${this.figures.unitOf('length')}`;
    return {
      centre: px({ x: 0, y: 0 }),
      radius: jig.wheelRadiusMm * scale,
      blade: `M${blade.map(at).join('L')}Z`,
      jig: `M${at(foot)}L${at(bar)}`,
      bar: to,
      barRadius: Math.max(5, ((jig.barDiameterMm ?? 12) / 2) * scale),
      gap: `M${at(rim)}L${at(bar)}`,
      gapText: { x: (from.x + to.x) / 2 + 12, y: (from.y + to.y) / 2 + 22 },
      label,
      deg: this.figures.angle(angleDeg, 1),
      degText: { x: px(edge).x + 34, y: px(edge).y - 16 },
      words: `The bar’s centre stands ${label} from the wheel’s rim for ${this.figures.angle(angleDeg, 1)}`,
    };
  });
}
