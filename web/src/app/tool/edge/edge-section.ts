import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Slider } from 'primeng/slider';
import { attempt, cosDeg, Refusal, sinDeg } from '@mellow-anvil/core/base';
import {
  backBevelDeg,
  type Edge,
  edgeChain,
  type EdgeChain,
  type Point,
  wornTip,
} from '@mellow-anvil/core/blade';
import { recessionForTipMm } from '@mellow-anvil/core/work';
import { Figures } from '../../ui/figures';
import { VIEW, handlesOf, scaleOf, type Handle, type Scale } from '../../drawings/section-view';

/** A figure dragged on the drawing: the field of the edge it is kept in, and what it stands at now. */
export interface EdgeDrag {
  readonly field: string;
  readonly value: number;
}

/**
 * The blade's section, drawn to scale from core's geometry, from the whole blade to the last 50 µm.
 * Angles and lands are dragged at their handles or moved with the arrow keys.
 */
@Component({
  selector: 'ma-edge-section',
  imports: [FormsModule, Slider],
  templateUrl: './edge-section.html',
  styleUrl: './edge-section.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class EdgeSection {
  readonly edge = input.required<Edge>();
  /** Radius of the tip as it is worn, µm; drawn where the view is close enough to show it. */
  readonly tipUm = input<number>();
  readonly dragged = output<EdgeDrag>();
  readonly released = output<void>();

  protected readonly figures = inject(Figures);
  protected readonly view = VIEW;
  /** Hundredths of the way from the whole blade to the last 50 µm. */
  protected readonly zoom = signal(0);
  private readonly svg = viewChild.required<ElementRef<SVGSVGElement>>('svg');
  private holding: string | undefined;

  private readonly chain = computed((): EdgeChain | string => {
    const result = attempt(() => edgeChain(this.edge()));
    return result instanceof Refusal ? result.message : result;
  });
  protected readonly trouble = computed(() => {
    const chain = this.chain();
    return typeof chain === 'string' ? chain : '';
  });
  protected readonly drawing = computed(() => {
    const chain = this.chain();
    return typeof chain === 'string' ? undefined : this.draw(chain, scaleOf(chain, this.zoom() / 100));
  });
  protected readonly words = computed(() => {
    const chain = this.chain();
    if (typeof chain === 'string') return 'Section of the edge: it cannot be drawn';
    const facets = [...chain.upper, ...chain.lower]
      .filter(({ angleDeg }) => angleDeg > 0)
      .map(({ name, angleDeg }) => `${name.replace('-', ' ')} ${this.figures.angle(angleDeg, 2)}`);
    return `Section of the edge: ${facets.join(', ')}; blade ${this.figures.length(chain.thicknessMm)} thick`;
  });
  protected readonly spanWords = computed(() => {
    const mm = this.drawing()?.acrossMm ?? 1;
    return `${this.small(mm)} across the view`;
  });

  protected grab(event: PointerEvent, { field }: Handle): void {
    this.holding = field;
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    event.preventDefault();
  }

  protected move(event: PointerEvent, handle: Handle): void {
    if (this.holding !== handle.field) return;
    const box = this.svg().nativeElement.getBoundingClientRect();
    const value = handle.valueAt({
      x: ((event.clientX - box.left) / box.width) * VIEW.width,
      y: ((event.clientY - box.top) / box.height) * VIEW.height,
    });
    if (value !== handle.value) this.dragged.emit({ field: handle.field, value });
  }

  protected letGo(): void {
    if (this.holding === undefined) return;
    this.holding = undefined;
    this.released.emit();
  }

  protected nudge(event: KeyboardEvent, { field, value, step, least, most }: Handle): void {
    const by = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1, PageUp: 10, PageDown: -10 }[
      event.key
    ];
    if (by === undefined) return;
    event.preventDefault();
    const moved = Math.min(most, Math.max(least, value + by * step));
    this.dragged.emit({ field, value: Number(moved.toFixed(4)) });
    this.released.emit();
  }

  protected wheel(event: WheelEvent): void {
    event.preventDefault();
    this.zoom.update((zoom) => Math.min(100, Math.max(0, zoom - Math.sign(event.deltaY) * 4)));
  }

  protected valueWords({ kind, value }: Handle): string {
    return kind === 'angle' ? this.figures.angle(value, 2) : this.small(value);
  }

  private small(mm: number): string {
    return mm < 0.1 ? this.figures.sliver(mm) : this.figures.length(mm, mm < 1 ? 2 : 1);
  }

  private draw(chain: EdgeChain, scale: Scale) {
    const { toPx, tip, bar, pxPerMm } = scale;
    const line = (points: readonly Point[]): string =>
      `M${points
        .map(toPx)
        .map(({ x, y }) => `${x.toFixed(2)} ${y.toFixed(2)}`)
        .join('L')}`;
    const ends = chain.outline.map(({ x }) => x);
    const end = Math.max(...ends);
    const thick = chain.outline.filter(({ x }) => x === end).map(({ y }) => y);
    const thickX = end - (end - chain.heelMm) * 0.35;
    const showThick = toPx({ x: thickX, y: 0 }).x < VIEW.width;
    const middle = toPx({ x: thickX, y: (Math.min(...thick) + Math.max(...thick)) / 2 });
    return {
      acrossMm: (VIEW.width - tip.x) / pxPerMm,
      outline: `${line(chain.outline)}Z`,
      facets: [...chain.lower, ...chain.upper].map(({ name, points }) => ({ name, d: line(points) })),
      gone: chain.gone.length > 0 ? line(chain.gone) : '',
      worn: this.worn(chain, scale),
      bar: `M${tip.x} ${VIEW.height - 26}h${bar.px}m0 -5v10m${-bar.px} 0v-10`,
      barX: tip.x + bar.px + 10,
      barText: this.small(bar.mm),
      thickness: showThick ? line(thick.map((y) => ({ x: thickX, y }))) : '',
      thicknessX: middle.x - 8,
      thicknessY: middle.y + 5,
      thicknessText: showThick ? this.figures.length(chain.thicknessMm) : '',
      handles: handlesOf(chain, scale),
    };
  }

  /** The tip as it is worn, and where a honing against a sound back would bring the bevel. */
  private worn(chain: EdgeChain, { toPx, pxPerMm, tip }: Scale) {
    const radiusUm = this.tipUm();
    const [upper, lower] = [chain.upper[0], chain.lower[0]];
    if (radiusUm === undefined || !upper || (radiusUm / 1000) * pxPerMm < 2) return undefined;
    const edge = this.edge();
    const under = lower?.name === 'polished' ? 0 : (lower?.angleDeg ?? 0);
    const round = wornTip(upper.angleDeg, under, radiusUm);
    const [a, b, r] = [toPx(round.upper), toPx(round.lower), round.radiusMm * pxPerMm];
    const flatBacked = edge.form === 'single-bevel' && backBevelDeg(edge) === 0;
    const backMm = flatBacked ? recessionForTipMm(radiusUm, upper.angleDeg, 1) : undefined;
    const from = backMm === undefined ? undefined : toPx({ x: backMm, y: 0 });
    return {
      lost: `M${b.x} ${b.y}L${tip.x} ${tip.y}L${a.x} ${a.y}A${r} ${r} 0 0 0 ${b.x} ${b.y}Z`,
      curve: `M${a.x} ${a.y}A${r} ${r} 0 0 0 ${b.x} ${b.y}`,
      after: from
        ? `M${from.x} ${from.y}L${from.x + 900 * cosDeg(upper.angleDeg)} ${from.y - 900 * sinDeg(upper.angleDeg)}`
        : '',
      words: `Tip worn to ${this.figures.number(radiusUm, 1)} µm (by the plan’s word for it)${backMm === undefined ? '' : `; honing takes ${this.figures.sliver(backMm)} off the length`}`,
    };
  }
}
