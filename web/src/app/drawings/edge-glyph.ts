import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { tanDeg, unlessRefused } from '@mellow-anvil/core/base';
import { type Edge, edgeChain, type EdgeChain, type Point } from '@mellow-anvil/core/blade';
import { gouging, winging } from './end-on';

const WIDTH = 54;
const HEIGHT = 34;
/** Every glyph on the rack is drawn at this scale, so that blades can be told by eye. */
const PX_PER_MM = 3.2;

/** An edge drawn small and to scale, seen the way that tells its family. */
@Component({
  selector: 'ma-edge-glyph',
  template: `
    <svg
      [attr.viewBox]="'0 0 ' + width + ' ' + height"
      [attr.width]="width"
      [attr.height]="height"
      aria-hidden="true"
    >
      @for (path of paths(); track $index) {
        <path [attr.d]="path.d" [class]="path.kind" />
      }
    </svg>
  `,
  styles: `
    :host {
      display: block;
      line-height: 0;
    }
    .steel {
      fill: var(--steel);
      stroke: var(--steel-line);
      stroke-width: 1;
      stroke-linejoin: round;
    }
    .line {
      fill: none;
      stroke: var(--steel-line);
      stroke-width: 2.4;
      stroke-linecap: round;
    }
    .land {
      fill: none;
      stroke: var(--accent);
      stroke-width: 2.4;
      stroke-linecap: round;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class EdgeGlyph {
  readonly edge = input.required<Edge>();
  protected readonly width = WIDTH;
  protected readonly height = HEIGHT;
  protected readonly paths = computed(() => glyph(this.edge()));
}

interface Path {
  readonly kind: 'steel' | 'line' | 'land';
  readonly d: string;
}

const at = (x: number, y: number): string => `${x.toFixed(1)} ${y.toFixed(1)}`;
const closed = (points: readonly Point[]): string => `M${points.map(({ x, y }) => at(x, y)).join('L')}Z`;

function glyph(edge: Edge): Path[] {
  switch (edge.form) {
    case 'single-bevel': {
      const chain = chainOf(edge);
      if (!chain) return [{ kind: 'line', d: `M4 ${HEIGHT - 6}H${WIDTH - 4}` }];
      const place = ({ x, y }: Point): Point => ({ x: 2 + x * PX_PER_MM, y: HEIGHT - 4 - y * PX_PER_MM });
      const land = chain.upper.find(({ name }) => name === 'secondary');
      const lines: Path[] = land
        ? [
            {
              kind: 'land',
              d: `M${land.points
                .map(place)
                .map(({ x, y }) => at(x, y))
                .join('L')}`,
            },
          ]
        : [];
      return [{ kind: 'steel', d: closed(chain.outline.map(place)) }, ...lines];
    }
    case 'double-bevel':
      return [{ kind: 'steel', d: wedge(edge.leftDeg, edge.rightDeg, edge.thicknessMm) }];
    case 'knife':
      return [{ kind: 'steel', d: wedge(edge.leftDeg, edge.rightDeg, edge.spineMm) }];
    case 'scraping':
      return [{ kind: 'steel', d: wedge(edge.bevelDeg / 2, edge.bevelDeg / 2, edge.thicknessMm) }];
    case 'knife-set':
      return Array.from({ length: Math.min(edge.count, 4) }, (_, i): Path => ({
        kind: 'line',
        d: `M4 ${8 + i * 7}H${WIDTH - 4}`,
      }));
    case 'gouge':
      return [{ kind: 'line', d: curve(edge.widthMm, edge.depthMm) }];
    case 'v':
      return [
        { kind: 'line', d: winging(edge.wingMm, edge.openingDeg, 2.6, { x: WIDTH / 2, y: HEIGHT - 4 }) },
      ];
    case 'hook':
      return [{ kind: 'line', d: `M8 4V16A12 12 0 0 0 44 16V12` }];
  }
}

/** An edge that was stored before its figures were held against each other may not be drawable. */
function chainOf(edge: Edge): EdgeChain | undefined {
  return unlessRefused(() => edgeChain(edge, 40));
}

/** A double-bevelled wedge, edge at the left. */
function wedge(leftDeg: number, rightDeg: number, thickMm: number): string {
  const half = (thickMm / 2) * PX_PER_MM;
  const middle = HEIGHT / 2;
  const end = WIDTH + 10;
  return closed([
    { x: 3, y: middle },
    { x: 3 + half / tanDeg(leftDeg), y: middle - half },
    { x: end, y: middle - half },
    { x: end, y: middle + half },
    { x: 3 + half / tanDeg(rightDeg), y: middle + half },
  ]);
}

/** A gouge's edge end on, in the middle of the glyph. */
function curve(widthMm: number, depthMm: number): string {
  const scale = Math.min(1.6, 46 / widthMm);
  return gouging(widthMm, depthMm, scale, { x: WIDTH / 2, y: (HEIGHT - depthMm * scale) / 2 });
}
