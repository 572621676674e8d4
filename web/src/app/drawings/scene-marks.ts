import type { Abrasive } from '@mellow-anvil/core/abrasive';
import { cosDeg, sinDeg, unlessRefused } from '@mellow-anvil/core/base';
import type { Edge, Point } from '@mellow-anvil/core/blade';
import { bladeGeometry, guidePose, isRoller } from '@mellow-anvil/core/guide';
import type { Station } from '@mellow-anvil/core/plan';
import { type Face, type Run, stanceOf } from '@mellow-anvil/core/run';
import { honedFacet } from '@mellow-anvil/core/work';
import type { SetUp } from '../data/desk';

/** A mark of a drawing. */
export type Mark = { readonly dx?: number } & (
  | { readonly tag: 'path'; readonly cls: string; readonly d: string }
  | {
      readonly tag: 'ellipse';
      readonly cls: string;
      readonly at: Point;
      readonly rx: number;
      readonly ry: number;
    }
  | { readonly tag: 'text'; readonly cls: string; readonly at: Point; readonly text: string }
);

/** A drawing of a station, and what it shows in words. */
export interface Scene {
  readonly marks: readonly Mark[];
  readonly words: string;
}

export const SCENE = { width: 440, height: 232 } as const;
export const STONE = { top: 172, height: 34, left: 16, right: 424 } as const;
export const EDGE_X = 64;

export const path = (cls: string, d: string): Mark => ({ tag: 'path', cls, d });
export const text = (cls: string, x: number, y: number, words: string): Mark => ({
  tag: 'text',
  cls,
  at: { x, y },
  text: words,
});
export const points = (list: readonly Point[]): string =>
  list.map(({ x, y }) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L');

/** The way a stroke goes: the edge trailing, leading, or to and fro. */
export type Way = 'pull' | 'push' | 'to-and-fro';

/** What a station needs beside the edge to be drawn. */
export interface SceneOf {
  readonly station: Station;
  readonly run: Run;
  readonly edge: Edge;
  readonly setUp?: SetUp;
  readonly stoneOf: (id: string) => Pick<Abrasive, 'kind' | 'lubricant'> | undefined;
  readonly deg: (angle: number) => string;
}

/** A drop of water, its tip at a place. */
export const drop = (x: number, y: number, size: number): Mark =>
  path(
    'wet',
    `M${x} ${y}c${7 * size} ${9 * size} ${8 * size} ${17 * size} 0 ${17 * size}c${-8 * size} 0 ${-7 * size} ${-8 * size} 0 ${-17 * size}Z`,
  );

/** The abrasive under everything: a stone wet, oiled or dry; a strop. */
export function stone(kind: string, lubricant: string): readonly Mark[] {
  const { top, height, left, right } = STONE;
  if (kind === 'rod-paper')
    return [{ tag: 'ellipse', cls: 'slab', at: { x: EDGE_X + 34, y: top + 42 }, rx: 42, ry: 42 }];
  const slab = path(
    kind === 'strop' || kind === 'profiled-strop' ? 'slab strop' : 'slab',
    `M${left} ${top}H${right}v${height}H${left}Z`,
  );
  if (lubricant === 'water') {
    const drops = [110, 190, 262, 338, 398].map((x) => drop(x, top - 14, 0.6));
    return [slab, path('film water', `M${left} ${top}H${right}`), ...drops];
  }
  return lubricant === 'oil'
    ? [
        slab,
        path('film oil', `M${left} ${top}H${right}`),
        path('film oil', `M${left + 40} ${top - 4}H${left + 120}`),
      ]
    : [slab];
}

/** An arrow for the way of a stroke, under the edge. */
export function arrow(way: Way): readonly Mark[] {
  const y = STONE.top + 50;
  const [from, to] = [EDGE_X + 20, EDGE_X + 120];
  const head = (x: number, turn: 1 | -1): string => `M${x - 14 * turn} ${y - 9}L${x} ${y}l${-14 * turn} 9`;
  return [
    path('way', `M${from} ${y}H${to}`),
    ...(way === 'push' ? [] : [path('way', head(to, 1))]),
    ...(way === 'pull' ? [] : [path('way', head(from, -1))]),
  ];
}

export interface Laid {
  readonly marks: readonly Mark[];
  readonly edge: Point;
  readonly press: Point;
  readonly angleDeg: number;
  readonly scale: number;
}

/** Without the guide. */
export const bare = ({ setUp: _, ...of }: SceneOf): SceneOf => of;

/** A blade lying on a face, as large as fits, in the guide where one holds it. */
export function lay(
  of: SceneOf,
  face: Face,
  lowerDeg = 0,
  room = { width: 350, height: 150 },
): Laid | undefined {
  const inGuide =
    face === 'other' || face === 'back' || face === 'body' || face === 'inside'
      ? undefined
      : guided(of, face, room);
  if (inGuide) return inGuide;
  const thickness = of.edge.form === 'knife' ? of.edge.spineMm : of.edge.thicknessMm;
  const stance = stanceOf(of.edge, face, of.edge.form === 'knife' ? undefined : 6 * thickness, lowerDeg);
  if (!stance) return undefined;
  const right = Math.max(...stance.blade.map(({ x }) => x));
  const top = Math.max(...stance.blade.map(({ y }) => y), 1);
  const scale = Math.min(room.width / right, room.height / top);
  const px = ({ x, y }: Point): Point => ({ x: EDGE_X + x * scale, y: STONE.top - y * scale });
  return {
    marks: [path('blade', `M${points(stance.blade.map(px))}Z`)],
    edge: px({ x: 0, y: 0 }),
    press: px(stance.press),
    angleDeg: stance.angleDeg,
    scale,
  };
}

/** The blade in the roller guide it is set up in, at its own projection. */
function guided(
  { edge, setUp }: SceneOf,
  face: 'bevel' | 'primary' | 'secondary',
  room: { readonly width: number; readonly height: number },
): Laid | undefined {
  if (!setUp || !isRoller(setUp.guide) || !setUp.seat) return undefined;
  const facet = face === 'bevel' ? honedFacet(edge) : face;
  const setting = setUp.settings.find((each) => each.facet === facet) ?? setUp.settings.at(-1);
  if (setting?.projectionMm === undefined) return undefined;
  const { angleDeg, projectionMm } = setting;
  const held = bladeGeometry(edge, setUp.guide, setUp.seat);
  const pose = unlessRefused(() => guidePose({ ...held, angleDeg, projectionMm, edge }));
  if (!pose) return undefined;
  const right = Math.max(...pose.blade.map(({ x }) => x), pose.axle.x + pose.rollerRadiusMm);
  const top = Math.max(...pose.blade.map(({ y }) => y), pose.axle.y + pose.rollerRadiusMm);
  const scale = Math.min(room.width / right, room.height / top);
  const px = ({ x, y }: Point): Point => ({ x: EDGE_X + x * scale, y: STONE.top - y * scale });
  const axle = px(pose.axle);
  const r = pose.rollerRadiusMm * scale;
  const nose = px(pose.nose);
  const finger = px({ x: pose.nose.x * 0.5, y: pose.nose.y * 0.5 });
  return {
    marks: [
      path(
        'guide',
        `M${points([nose, px(pose.heel), { x: axle.x + r * 0.6, y: axle.y }, { x: axle.x - r * 0.6, y: axle.y }])}Z`,
      ),
      path('blade', `M${points(pose.blade.map(px))}Z`),
      { tag: 'ellipse', cls: 'roller', at: axle, rx: r, ry: r },
    ],
    edge: px(pose.edge),
    press: finger,
    angleDeg,
    scale,
  };
}

export const finger = ({ x, y }: Point): readonly Mark[] => [
  { tag: 'ellipse', cls: 'finger', at: { x, y: y - 17 }, rx: 12, ry: 17 },
  path('press', `M${x} ${y - 62}v22m-6 -8l6 8l6 -8`),
];

/** The angle between blade and abrasive, written beside its arc. */
export function angle({ edge: { x, y }, angleDeg }: Laid, words: string): readonly Mark[] {
  if (angleDeg < 1) return [];
  const r = 86;
  return [
    path('angle', `M${x + r} ${y}A${r} ${r} 0 0 0 ${x + r * cosDeg(angleDeg)} ${y - r * sinDeg(angleDeg)}`),
    text('deg', x + r + 8, y - Math.max(9, r * sinDeg(angleDeg / 2) * 0.55), words),
  ];
}

export const burrMark = ({ x, y }: Point, up = true): Mark =>
  path('burr', `M${x} ${y}c-7 0 -10 ${up ? -5 : 5} -10 ${up ? -13 : 13}`);

export const moved = (mark: Mark, by: number): Mark => ({ ...mark, dx: by });
