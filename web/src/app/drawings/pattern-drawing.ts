import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, input, output, viewChild } from '@angular/core';
import type { Point } from '@mellow-anvil/core/blade';
import { extentOf, type Pattern } from '@mellow-anvil/core/pattern';

/** Something on the drawing that can be pushed along, left and right. */
export interface Slide {
  readonly label: string;
  readonly at: Point;
  readonly least: number;
  readonly most: number;
  /** Its place in words. */
  readonly words: string;
}

export interface Slid {
  readonly label: string;
  readonly toMm: number;
}

const MARGIN = 6;
const r = (value: number): number => Number(value.toFixed(3));

/** A pattern as it will be cut or printed, scaled to the room there is. */
@Component({
  selector: 'ma-pattern-drawing',
  templateUrl: './pattern-drawing.html',
  styles: `
    :host {
      display: block;
      background: var(--raised);
      border: 1px solid var(--line);
      border-radius: var(--radius);
      padding: 0.4rem;
    }
    svg {
      display: block;
      width: 100%;
      max-height: var(--drawing-height, 21rem);
      touch-action: none;
      user-select: none;
    }
    svg > :not(.handle) {
      pointer-events: none;
    }
    path {
      fill: none;
      stroke: var(--ink);
      vector-effect: non-scaling-stroke;
    }
    .cut {
      stroke-width: 2;
      fill: color-mix(in srgb, var(--oil) 16%, transparent);
    }
    .fence {
      stroke: var(--leather);
      stroke-width: 7;
    }
    .stop {
      stroke-width: 1.5;
      fill: var(--steel);
    }
    .face {
      stroke: var(--accent);
      stroke-width: 4;
    }
    .fold {
      stroke-width: 1.5;
      stroke-dasharray: 8 6;
    }
    .scribe {
      stroke: var(--muted);
      stroke-width: 1;
    }
    text {
      fill: var(--ink);
    }
    .handle {
      cursor: ew-resize;
      touch-action: none;
    }
    .hit {
      fill: transparent;
    }
    .knob {
      fill: var(--raised);
      stroke: var(--accent);
      stroke-width: 3;
      vector-effect: non-scaling-stroke;
    }
    .handle:focus-visible {
      outline: none;
    }
    .handle:focus-visible .knob {
      fill: var(--accent);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PatternDrawing {
  readonly pattern = input.required<Pattern>();
  readonly slides = input<readonly Slide[]>([]);
  readonly slid = output<Slid>();
  private readonly svg = viewChild.required<ElementRef<SVGSVGElement>>('svg');
  protected holding: string | undefined;

  protected readonly view = computed(() => {
    const { left, right, top, bottom } = extentOf(this.pattern());
    const [wide, high] = [right - left + 2 * MARGIN, top - bottom + 2 * MARGIN];
    const place = ({ x, y }: Point): Point => ({ x: r(x - left + MARGIN), y: r(top - y + MARGIN) });
    const marks = this.pattern().marks;
    return {
      box: `0 0 ${r(wide)} ${r(high)}`,
      place,
      backMm: (x: number): number => x + left - MARGIN,
      wide,
      // About one pixel of a drawing 760 wide, in mm.
      unit: Math.max(wide / 760, high / 380),
      paths: marks.flatMap((mark) =>
        mark.kind === 'path'
          ? [
              {
                layer: mark.layer,
                d: `M${mark.points
                  .map(place)
                  .map(({ x, y }) => `${x} ${y}`)
                  .join('L')}${mark.closed ? 'Z' : ''}`,
              },
            ]
          : [],
      ),
      texts: marks.flatMap((mark) => {
        if (mark.kind !== 'text') return [];
        const { x, y } = place(mark.at);
        const { text, sizeMm, align = 'start', turnDeg } = mark;
        return [{ text, sizeMm, align, x, y, turn: turnDeg ? `rotate(${-turnDeg} ${x} ${y})` : null }];
      }),
    };
  });

  protected readonly handles = computed(() =>
    this.slides().map((slide) => ({ ...slide, ...this.view().place(slide.at) })),
  );

  protected grab(event: PointerEvent, { label }: Slide): void {
    this.holding = label;
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    event.preventDefault();
  }

  protected move(event: PointerEvent, slide: Slide): void {
    if (this.holding !== slide.label) return;
    const svg = this.svg().nativeElement;
    const matrix = svg.getScreenCTM();
    if (!matrix) return;
    const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    this.push(slide, this.view().backMm(at.x));
  }

  protected nudge(event: KeyboardEvent, slide: Slide): void {
    const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1, PageUp: 10, PageDown: -10 }[
      event.key
    ];
    if (by === undefined) return;
    event.preventDefault();
    this.push(slide, slide.at.x + by);
  }

  private push({ label, at, least, most }: Slide, toMm: number): void {
    const rounded = Math.min(most, Math.max(least, Math.round(toMm * 2) / 2));
    if (rounded !== at.x) this.slid.emit({ label, toMm: rounded });
  }
}
