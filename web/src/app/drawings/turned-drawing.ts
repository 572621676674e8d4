import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { type Posed, posed, type Space, type Turning } from '@mellow-anvil/core/curve';
import { Figures } from '../ui/figures';

const VIEW = { width: 900, height: 222 } as const;
const FLOOR = 196;
/** How much room the blade has in each of its three views, px. */
const ROOM = { wide: 264, high: 168 } as const;

interface Flat {
  readonly x: number;
  readonly y: number;
}

/** A way of looking at the blade: what is right and up on the page, and what is nearer to the eye. */
interface Sight {
  readonly name: string;
  /** Where the place that touches lies, px, where the blade is in the middle of its view. */
  readonly middle: number;
  readonly floor: boolean;
  readonly right: (point: Space) => number;
  readonly up: (point: Space) => number;
  readonly near: (point: Space) => number;
}

const SIGHTS: readonly Sight[] = [
  { name: 'its end', middle: 150, floor: true, right: ({ x }) => x, up: ({ y }) => y, near: ({ z }) => -z },
  { name: 'its side', middle: 450, floor: true, right: ({ z }) => z, up: ({ y }) => y, near: ({ x }) => x },
  { name: 'above', middle: 750, floor: false, right: ({ x }) => x, up: ({ z }) => z, near: ({ y }) => y },
];

/** Where along its turn the views are measured, so that one scale holds for all of it. */
const MEASURED = [-1, -0.5, 0, 0.5, 1] as const;

/** A curved edge on its abrasive from its end, its side and above, turned under the finger; what touches is lit. */
@Component({
  selector: 'ma-turned-drawing',
  templateUrl: './turned-drawing.html',
  styleUrl: './turned-drawing.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TurnedDrawing {
  readonly turning = input.required<Turning>();
  private readonly figures = inject(Figures);
  protected readonly view = VIEW;
  protected readonly floor = FLOOR;
  /** Where along its edge it lies on the abrasive, −1 to 1. */
  protected readonly at = signal(0);
  private held: number | undefined;

  private readonly pose = computed(() => posed(this.turning(), this.at()));
  private readonly boxes = computed(() => {
    const { rodRadiusMm: r } = this.turning();
    const rod = r === undefined ? [] : [-r, r].map((x): Space => ({ x, y: 2 * r, z: 0 }));
    const points = [...MEASURED.flatMap((at) => posed(this.turning(), at).ribs.flat()), ...rod];
    return SIGHTS.map((sight) => boxOf(sight, points));
  });
  private readonly scale = computed(() =>
    Math.min(...this.boxes().map(({ wide, high }) => Math.min(ROOM.wide / wide, ROOM.high / high))),
  );

  protected readonly views = computed(() => {
    const [pose, scale, boxes] = [this.pose(), this.scale(), this.boxes()];
    const rod = this.turning().rodRadiusMm;
    return SIGHTS.map((sight, i) => {
      const box = boxes[i] as Box;
      const at = {
        x: sight.middle - box.middle * scale,
        y: FLOOR + box.low * scale - (sight.floor ? 0 : (ROOM.high - box.high * scale) / 2),
      };
      const px = (point: Space): Flat => ({
        x: at.x + sight.right(point) * scale,
        y: at.y - sight.up(point) * scale,
      });
      return {
        name: `from ${sight.name}`,
        stone: sight.floor && rod === undefined ? `M${sight.middle - 138} ${FLOOR}h276v22h-276Z` : '',
        rod: rod === undefined ? '' : rodFrom(sight, at, rod * scale),
        faces: facesOf(sight, pose).map(({ cls, points }) => ({ cls, d: closed(points.map(px)) })),
        edge: line(pose.ribs.map((rib) => px(rib[0] as Space))),
        patch: closed([
          ...pose.patch.map(([tip]) => px(tip)),
          ...[...pose.patch].reverse().map(([, heel]) => px(heel)),
        ]),
      };
    });
  });

  /** From one end of its edge to the other. */
  protected readonly inAll = computed(() => {
    const [from, to] = [-1, 1].map((end) => posed(this.turning(), end).turnDeg) as [number, number];
    return this.figures.angle(Math.round(to - from));
  });
  protected readonly words = computed(() => {
    const { turnDeg, patchMm } = this.pose();
    const straight = Math.abs(turnDeg) < 0.5;
    const turned = this.figures.angle(Math.abs(Math.round(turnDeg)));
    const way = this.turning().way === 'rolled' ? 'Rolled' : 'Swung';
    const side = turnDeg < 0 ? 'left' : 'right';
    return `${straight ? 'Its middle down' : `${way} ${turned} to the ${side}`}: ${this.figures.length(patchMm, 2)} of the edge touches`;
  });

  protected grab(event: PointerEvent): void {
    this.held = event.clientX;
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
  }

  protected drag(event: PointerEvent): void {
    if (this.held === undefined) return;
    const wide = (event.currentTarget as Element).getBoundingClientRect().width;
    this.turnBy((3 * (event.clientX - this.held)) / Math.max(wide, 1));
    this.held = event.clientX;
  }

  protected letGo(): void {
    this.held = undefined;
  }

  private turnBy(by: number): void {
    this.at.update((at) => Math.min(1, Math.max(-1, at + by)));
  }
}

interface Box {
  readonly wide: number;
  readonly high: number;
  readonly middle: number;
  readonly low: number;
}

/** What a view has to hold of the blade through all of its turn, and of its rod, mm. */
function boxOf({ right, up }: Sight, points: readonly Space[]): Box {
  const [rights, ups] = [points.map(right), points.map(up)];
  const [least, most] = [Math.min(...rights), Math.max(...rights)];
  const [low, top] = [Math.min(...ups), Math.max(...ups)];
  return { wide: most - least, high: top - low, middle: (least + most) / 2, low };
}

/** The blade’s faces between neighbouring cuts, the farthest first: what is nearer is drawn over it. */
function facesOf({ near }: Sight, { ribs }: Posed): readonly { cls: string; points: readonly Space[] }[] {
  const depth = (points: readonly Space[]): number =>
    points.reduce((sum, each) => sum + near(each), 0) / points.length;
  const between = ribs.slice(1).flatMap((rib, i) => {
    const before = ribs[i] as readonly Space[];
    return rib.map((point, k) => {
      const next = (k + 1) % rib.length;
      const points = [before[k], point, rib[next], before[next]] as readonly Space[];
      const cls = k === 0 ? 'bevel' : k === rib.length - 1 ? 'inside' : 'steel';
      return { cls, points, depth: depth(points) };
    });
  });
  const corners = [ribs[0], ribs.at(-1)].map((rib) => ({
    ...{ cls: 'corner', points: rib as readonly Space[] },
    depth: depth(rib as readonly Space[]),
  }));
  return [...between, ...corners].sort((a, b) => a.depth - b.depth);
}

/** A rod on the place that touches, lying along the facet. */
function rodFrom({ name, middle }: Sight, { x, y }: Flat, radius: number): string {
  if (name === 'its end')
    return `M${x} ${y}a${radius} ${radius} 0 1 1 0 ${-2 * radius}a${radius} ${radius} 0 1 1 0 ${2 * radius}Z`;
  return name === 'its side'
    ? `M${middle - 140} ${y}h280v${-2 * radius}h-280Z`
    : `M${x - radius} ${FLOOR + 18}h${2 * radius}V8h${-2 * radius}Z`;
}

const line = (points: readonly Flat[]): string =>
  `M${points.map(({ x, y }) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}`;
const closed = (points: readonly Flat[]): string => `${line(points)}Z`;
