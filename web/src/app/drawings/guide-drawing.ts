import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { cosDeg, sinDeg, unlessRefused } from '@mellow-anvil/core/base';
import type { Edge, Point } from '@mellow-anvil/core/blade';
import {
  bladeGeometry,
  type FacetSetting,
  guidePose,
  type GuideSeat,
  type RollerGuide,
} from '@mellow-anvil/core/guide';
import { Figures } from '../ui/figures';

const VIEW = { width: 560, height: 300 } as const;
const PAD = 26;
const STONE_PX = 44;

/** The guide on the stone with the blade at its projection, to scale. */
@Component({
  selector: 'ma-guide-drawing',
  template: `
    @if (drawing(); as d) {
      <svg [attr.viewBox]="'0 0 ' + view.width + ' ' + view.height" role="img" [attr.aria-label]="d.words">
        <rect class="stone" x="0" [attr.y]="d.stoneY" [attr.width]="view.width" [attr.height]="d.stonePx" />
        @if (d.runsAtY > d.stoneY) {
          <path class="runs" [attr.d]="'M0 ' + d.runsAtY + 'H' + view.width" />
        }
        <path class="body" [attr.d]="d.body" />
        <path class="blade" [attr.d]="d.blade" />
        <circle class="roller" [attr.cx]="d.axle.x" [attr.cy]="d.axle.y" [attr.r]="d.rollerPx" />
        <circle class="axle" [attr.cx]="d.axle.x" [attr.cy]="d.axle.y" r="4" />
        <path class="measure" [attr.d]="d.projection" />
        <text
          class="figure"
          [attr.x]="d.labelX"
          [attr.y]="d.labelY"
          text-anchor="middle"
          [attr.transform]="d.turn"
        >
          {{ d.label }}
        </text>
        <path class="angle" [attr.d]="d.arc" />
        <text class="deg" [attr.x]="d.degX" [attr.y]="d.degY">{{ d.deg }}</text>
      </svg>
    }
  `,
  styleUrl: './drawing.css',
  styles: `
    .stone {
      fill: var(--line);
    }
    .runs {
      stroke: var(--muted);
      stroke-dasharray: 6 5;
    }
    .body {
      fill: var(--panel);
      stroke: var(--leather);
      stroke-width: 2;
      stroke-linejoin: round;
    }
    .roller {
      fill: var(--raised);
      stroke: var(--leather);
      stroke-width: 2.5;
    }
    .axle {
      fill: var(--leather);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class GuideDrawing {
  readonly guide = input.required<RollerGuide>();
  readonly seat = input.required<GuideSeat>();
  readonly edge = input.required<Edge>();
  readonly setting = input.required<FacetSetting>();
  protected readonly view = VIEW;
  private readonly figures = inject(Figures);

  protected readonly drawing = computed(() => {
    const { projectionMm, angleDeg } = this.setting();
    if (projectionMm === undefined) return undefined;
    const blade = bladeGeometry(this.edge(), this.guide(), this.seat());
    const reachMm = projectionMm + blade.guide.noseMm + this.guide().rollerRadiusMm;
    const pose = unlessRefused(() => guidePose({ ...blade, angleDeg, projectionMm, edge: this.edge() }));
    if (!pose) return undefined;
    const points = [...pose.blade, { x: pose.axle.x, y: pose.axle.y + pose.rollerRadiusMm }];
    const [right, top] = [Math.max(...points.map(({ x }) => x)), Math.max(...points.map(({ y }) => y))];
    // A roller beside the stone runs on the bench: then the stone is drawn as thick as it stands above it.
    const dropMm = Math.max(0, -pose.rollerRunsAtMm);
    const [beneath, floor] = [dropMm > 0 ? 18 : STONE_PX, dropMm > 0 ? 0 : 16];
    const scale = Math.min(
      (VIEW.width - 2 * PAD) / right,
      (VIEW.height - beneath - floor - PAD) / (top + 6 + dropMm),
    );
    const stonePx = dropMm > 0 ? dropMm * scale : STONE_PX;
    const stoneY = VIEW.height - (dropMm > 0 ? stonePx + beneath : STONE_PX);
    const px = ({ x, y }: Point): Point => ({ x: PAD + x * scale, y: stoneY - y * scale });
    const path = (...list: readonly Point[]): string =>
      list
        .map(px)
        .map(({ x, y }) => `${x.toFixed(1)} ${y.toFixed(1)}`)
        .join('L');
    const [axle, edge, nose] = [px(pose.axle), px(pose.edge), px(pose.nose)];
    const off = { x: -sinDeg(angleDeg) * 22, y: -cosDeg(angleDeg) * 22 };
    const middle = { x: (edge.x + nose.x) / 2 + off.x * 1.4, y: (edge.y + nose.y) / 2 + off.y * 1.4 };
    const arcPx = Math.min(110, reachMm * scale * 0.5);
    return {
      stoneY,
      stonePx,
      runsAtY: stoneY - pose.rollerRunsAtMm * scale,
      blade: `M${path(...pose.blade)}Z`,
      body: `M${path(pose.nose, pose.heel, { x: pose.axle.x + pose.rollerRadiusMm * 0.6, y: pose.axle.y }, { x: pose.axle.x - pose.rollerRadiusMm * 0.6, y: pose.axle.y })}Z`,
      axle,
      rollerPx: pose.rollerRadiusMm * scale,
      projection: `M${edge.x} ${edge.y}l${off.x} ${off.y}M${nose.x} ${nose.y}l${off.x} ${off.y}M${edge.x + off.x * 0.8} ${edge.y + off.y * 0.8}L${nose.x + off.x * 0.8} ${nose.y + off.y * 0.8}`,
      labelX: middle.x,
      labelY: middle.y,
      turn: `rotate(${-angleDeg} ${middle.x} ${middle.y})`,
      label: `${this.figures.setting(projectionMm)} ${this.figures.unitOf('length')}`,
      arc: `M${edge.x + arcPx} ${stoneY}A${arcPx} ${arcPx} 0 0 0 ${edge.x + arcPx * cosDeg(angleDeg)} ${stoneY - arcPx * sinDeg(angleDeg)}`,
      degX: edge.x + arcPx + 8,
      degY: stoneY - Math.max(14, arcPx * sinDeg(angleDeg / 2) * 0.6),
      deg: this.figures.angle(angleDeg),
      words: `${this.guide().name}: the edge stands ${this.figures.length(projectionMm)} out of the guide for ${this.figures.angle(angleDeg)}`,
    };
  });
}
