import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  output,
  viewChild,
} from '@angular/core';
import {
  ASSUMED_LAND_MM,
  bevelSection,
  facetAngleThrough,
  Refusal,
  type BevelSection,
  type Point,
  type SingleBevelEdge,
} from '@mellow-anvil/core';
import { Figures } from '../shared/figures';

export interface AngleDrag {
  readonly field: 'primaryDeg' | 'secondaryDeg';
  readonly deg: number;
}

const VIEW = { width: 660, height: 262 } as const;
const PAD = { left: 56, right: 20, top: 20, bottom: 46 } as const;
/** Room an angle has while it is dragged; the fields' own range is the contract's. */
const REACH = [5, 80] as const;
const LEAST_STEP = 0.5;

interface Handle {
  readonly field: AngleDrag['field'];
  readonly label: string;
  readonly deg: number;
  /** Where the facet starts, mm. */
  readonly from: Point;
  /** Where the handle sits, px. */
  readonly x: number;
  readonly y: number;
  readonly ray: string;
  readonly arc: string;
  readonly textX: number;
  readonly textY: number;
}

/**
 * The blade's section, drawn to scale from core's geometry. Its angles are dragged at their handles
 * or moved with the arrow keys.
 */
@Component({
  selector: 'ma-edge-section',
  template: `
    <svg
      #svg
      [attr.viewBox]="'0 0 ' + view.width + ' ' + view.height"
      role="group"
      [attr.aria-label]="words()"
    >
      @if (drawing(); as d) {
        @if (d.ghost) {
          <path class="ghost" [attr.d]="d.ghost" />
        }
        <path class="steel" [attr.d]="d.outline" />
        @for (facet of d.facets; track facet.name) {
          <path [class]="'facet ' + facet.name" [attr.d]="facet.d" />
        }
        <path class="measure" [attr.d]="d.bar" />
        <text class="note" [attr.x]="d.barX" [attr.y]="view.height - 25">{{ d.barText }}</text>
        <path class="measure" [attr.d]="d.thickness" />
        <text class="note" [attr.x]="d.thicknessX" [attr.y]="d.thicknessY" text-anchor="end">
          {{ d.thicknessText }}
        </text>
        @for (handle of d.handles; track handle.field) {
          <path class="ray" [attr.d]="handle.ray" />
          <path [class]="'arc ' + handle.field" [attr.d]="handle.arc" />
          <text class="angle" [attr.x]="handle.textX" [attr.y]="handle.textY">
            {{ figures.angle(handle.deg) }}
          </text>
          <g
            class="handle"
            role="slider"
            tabindex="0"
            [attr.aria-label]="handle.label"
            [attr.aria-valuenow]="handle.deg"
            [attr.aria-valuetext]="figures.angle(handle.deg)"
            [attr.aria-valuemin]="reach[0]"
            [attr.aria-valuemax]="reach[1]"
            (pointerdown)="grab($event, handle)"
            (pointermove)="move($event, handle)"
            (pointerup)="letGo()"
            (pointercancel)="letGo()"
            (keydown)="nudge($event, handle)"
          >
            <circle class="hit" [attr.cx]="handle.x" [attr.cy]="handle.y" r="24" />
            <circle class="knob" [attr.cx]="handle.x" [attr.cy]="handle.y" r="9" />
          </g>
        }
      } @else {
        <text class="note" x="24" y="140">{{ trouble() }}</text>
      }
    </svg>
  `,
  styles: `
    :host {
      display: block;
    }
    svg {
      width: 100%;
      height: auto;
      display: block;
      touch-action: none;
    }
    .steel {
      fill: var(--steel);
      stroke: var(--steel-line);
      stroke-width: 1.5;
      stroke-linejoin: round;
    }
    .facet {
      fill: none;
      stroke-width: 4;
      stroke-linecap: round;
    }
    .facet.primary {
      stroke: var(--leather);
    }
    .facet.secondary {
      stroke: var(--accent);
      stroke-width: 6;
    }
    .ghost {
      fill: none;
      stroke: var(--muted);
      stroke-dasharray: 5 4;
      stroke-width: 1.5;
    }
    .ray {
      stroke: var(--muted);
      stroke-width: 1.2;
      stroke-dasharray: 2 4;
      fill: none;
    }
    .arc {
      fill: none;
      stroke-width: 2;
      stroke: var(--leather);
    }
    .arc.secondaryDeg {
      stroke: var(--accent);
    }
    .measure {
      fill: none;
      stroke: var(--muted);
      stroke-width: 1.5;
    }
    .note {
      fill: var(--muted);
      font-size: 15px;
    }
    .angle {
      fill: var(--ink);
      font-size: 19px;
      font-weight: 700;
    }
    .handle {
      cursor: grab;
      outline: none;
    }
    .handle .hit {
      fill: transparent;
    }
    .handle .knob {
      fill: var(--raised);
      stroke: var(--accent);
      stroke-width: 3.5;
    }
    .handle:focus-visible .hit {
      stroke: var(--accent);
      stroke-width: 3;
    }
    .handle:active {
      cursor: grabbing;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class EdgeSection {
  readonly edge = input.required<SingleBevelEdge>();
  readonly dragged = output<AngleDrag>();
  readonly released = output<void>();

  protected readonly figures = inject(Figures);
  protected readonly view = VIEW;
  protected readonly reach = REACH;
  private readonly svg = viewChild.required<ElementRef<SVGSVGElement>>('svg');
  private holding: AngleDrag['field'] | undefined;

  private readonly section = computed((): BevelSection | string => {
    const edge = this.edge();
    try {
      const { heelMm } = bevelSection({ ...edge, landMm: landOf(edge), bladeMm: 0 });
      return bevelSection({
        ...edge,
        landMm: landOf(edge),
        bladeMm: Math.max(heelMm * 0.4, edge.thicknessMm),
      });
    } catch (reason) {
      if (reason instanceof Refusal) return reason.message;
      throw reason;
    }
  });
  protected readonly trouble = computed(() => {
    const section = this.section();
    return typeof section === 'string' ? section : '';
  });
  protected readonly drawing = computed(() => {
    const section = this.section();
    return typeof section === 'string' ? undefined : this.draw(this.edge(), section);
  });
  protected readonly words = computed(() => {
    const { primaryDeg, secondaryDeg, thicknessMm } = this.edge();
    const honed = secondaryDeg === undefined ? '' : `, honed at ${this.figures.angle(secondaryDeg)}`;
    return `Section of the edge: ground at ${this.figures.angle(primaryDeg)}${honed}, blade ${this.figures.length(thicknessMm)} thick`;
  });

  protected grab(event: PointerEvent, handle: Handle): void {
    this.holding = handle.field;
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    event.preventDefault();
  }

  protected move(event: PointerEvent, handle: Handle): void {
    if (this.holding !== handle.field) return;
    const to = this.pointAt(event);
    const deg = facetAngleThrough(handle.from, to, ...this.between(handle.field));
    this.dragged.emit({ field: handle.field, deg: Math.round(deg * 2) / 2 });
  }

  protected letGo(): void {
    if (this.holding === undefined) return;
    this.holding = undefined;
    this.released.emit();
  }

  protected nudge(event: KeyboardEvent, handle: Handle): void {
    const step = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1, PageUp: 10, PageDown: -10 }[
      event.key
    ];
    if (step === undefined) return;
    event.preventDefault();
    const [least, most] = this.between(handle.field);
    const deg = Math.min(most, Math.max(least, handle.deg + step * LEAST_STEP));
    this.dragged.emit({ field: handle.field, deg });
    this.released.emit();
  }

  /** An angle is dragged no further than its neighbours on the edge allow. */
  private between(field: AngleDrag['field']): readonly [number, number] {
    const { primaryDeg, secondaryDeg } = this.edge();
    if (field === 'primaryDeg') return [REACH[0], (secondaryDeg ?? REACH[1] + LEAST_STEP) - LEAST_STEP];
    return [primaryDeg + LEAST_STEP, REACH[1]];
  }

  private pointAt(event: PointerEvent): Point {
    const box = this.svg().nativeElement.getBoundingClientRect();
    const px = {
      x: ((event.clientX - box.left) / box.width) * VIEW.width,
      y: ((event.clientY - box.top) / box.height) * VIEW.height,
    };
    const scale = this.drawing()?.scale;
    return scale ? scale.toMm(px) : { x: 1, y: 0 };
  }

  private draw(edge: SingleBevelEdge, section: BevelSection) {
    const scale = scaleFor(edge, section);
    const { toPx } = scale;
    const line = (...points: readonly Point[]): string =>
      `M${points
        .map(toPx)
        .map(({ x, y }) => `${x.toFixed(2)} ${y.toFixed(2)}`)
        .join('L')}`;
    const [first] = section.facets;
    const land = first?.name === 'secondary' ? first : undefined;
    const end = section.outline[1] as Point;
    const tip = toPx({ x: 0, y: 0 });
    const thicknessAt = { x: end.x - (end.x - section.heelMm) * 0.35, y: 0 };
    return {
      scale,
      outline: `${line(...section.outline)}Z`,
      facets: section.facets.map(({ name, from, to }) => ({ name, d: line(from, to) })),
      ghost: land ? line(land.to, section.groundEdge, { x: 0, y: 0 }) : '',
      bar: `M${tip.x} ${VIEW.height - 30}h${scale.bar.px}m0 -5v10m${-scale.bar.px} 0v-10`,
      barX: tip.x + scale.bar.px + 10,
      barText: this.figures.length(scale.bar.mm),
      thickness: line(thicknessAt, { x: thicknessAt.x, y: edge.thicknessMm }),
      thicknessX: toPx(thicknessAt).x - 8,
      thicknessY: toPx({ x: 0, y: edge.thicknessMm / 2 }).y + 5,
      thicknessText: this.figures.length(edge.thicknessMm),
      handles: this.handles(edge, section, scale),
    };
  }

  private handles(edge: SingleBevelEdge, section: BevelSection, { toPx, pxPerMm }: Scale): Handle[] {
    const reachPx = Math.min(section.heelMm * pxPerMm, VIEW.width - PAD.left - PAD.right);
    const handle = (
      field: Handle['field'],
      label: string,
      deg: number,
      from: Point,
      knobPx: number,
      arcPx: number,
    ): Handle => {
      const rad = (deg * Math.PI) / 180;
      const start = toPx(from);
      const along = (px: number, angle = rad): Point => ({
        x: start.x + px * Math.cos(angle),
        y: start.y - px * Math.sin(angle),
      });
      const [knob, top, flat, text] = [
        along(knobPx),
        along(arcPx),
        along(arcPx, 0),
        along(arcPx + 9, rad / 2),
      ];
      return {
        field,
        label,
        deg,
        from,
        x: knob.x,
        y: knob.y,
        ray: `M${start.x} ${start.y}L${knob.x} ${knob.y}`,
        arc: `M${flat.x} ${flat.y}A${arcPx} ${arcPx} 0 0 0 ${top.x} ${top.y}`,
        textX: text.x,
        textY: text.y + 7,
      };
    };
    const handles = [
      handle(
        'primaryDeg',
        'Primary angle',
        edge.primaryDeg,
        section.groundEdge,
        reachPx * 0.94,
        reachPx * 0.62,
      ),
    ];
    if (edge.secondaryDeg !== undefined) {
      handles.push(
        handle(
          'secondaryDeg',
          'Secondary angle',
          edge.secondaryDeg,
          { x: 0, y: 0 },
          reachPx * 0.56,
          reachPx * 0.34,
        ),
      );
    }
    return handles;
  }
}

interface Scale {
  readonly pxPerMm: number;
  readonly bar: { readonly mm: number; readonly px: number };
  toPx(point: Point): Point;
  toMm(point: Point): Point;
}

/** Fits the bevel and a stretch of blade; the edge stays where it is, so a drag's angle does too. */
function scaleFor(edge: SingleBevelEdge, section: BevelSection): Scale {
  const end = section.outline[1] as Point;
  const across = (VIEW.width - PAD.left - PAD.right) / end.x;
  const up = (VIEW.height - PAD.top - PAD.bottom) / edge.thicknessMm;
  const pxPerMm = Math.min(across, up);
  const bar = [0.5, 1, 2, 5, 10, 20].find((mm) => mm * pxPerMm >= 60) ?? 20;
  return {
    pxPerMm,
    bar: { mm: bar, px: bar * pxPerMm },
    toPx: ({ x, y }) => ({ x: PAD.left + x * pxPerMm, y: VIEW.height - PAD.bottom - y * pxPerMm }),
    toMm: ({ x, y }) => ({ x: (x - PAD.left) / pxPerMm, y: (VIEW.height - PAD.bottom - y) / pxPerMm }),
  };
}

/** The land to draw: as measured, else as assumed. */
export const landOf = (edge: SingleBevelEdge): number => edge.landMm ?? ASSUMED_LAND_MM;
