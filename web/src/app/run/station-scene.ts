import {
  bladeGeometry,
  cosDeg,
  guidePose,
  honedFacet,
  isRoller,
  purposeOf,
  sinDeg,
  stanceOf,
  unlessRefused,
  type Abrasive,
  type BenchStep,
  type Edge,
  type Face,
  type Point,
  type Run,
  type Station,
} from '@mellow-anvil/core';
import type { SetUp } from '../bench/desk';

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
const STONE = { top: 172, height: 34, left: 16, right: 424 } as const;
const EDGE_X = 64;

const path = (cls: string, d: string): Mark => ({ tag: 'path', cls, d });
const text = (cls: string, x: number, y: number, words: string): Mark => ({
  tag: 'text',
  cls,
  at: { x, y },
  text: words,
});
const points = (list: readonly Point[]): string =>
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

/** Every station as a drawing, from the tool's own section and the guide's own measures. */
export function sceneOf(of: SceneOf): Scene {
  const { station, run, edge } = of;
  switch (station.kind) {
    case 'stone': {
      const step = run.plan.steps[run.steps[station.step]?.like ?? station.step];
      return step ? onStone(of, step) : still(of, 'the blade');
    }
    case 'polished':
      return backUp(of);
    case 'scratch':
      return close(of, 'marks', 'under a lens: only the finest marks may be left, out to the edge');
    case 'set':
    case 'lift':
      return held(of, station.facet === 'primary' || station.facet === 'secondary' ? station.facet : 'bevel');
    case 'marker':
      return station.wheel ? atWheel(of, 'colour') : marked(held(of, station.side === 1 ? 'other' : 'bevel'));
    case 'burr':
      return close(
        of,
        'burr',
        station.wanted
          ? 'the burr stands on the scraping side and stays'
          : 'the burr stands on the side that did not lie on the stone; slide a fingertip off, across the edge',
      );
    case 'burr-off':
      return burrOff(of);
    case 'nail':
      return nail(of);
    case 'proof':
      return nail(of);
    case 'joint':
      return atWheel(of, 'square');
    case 'grind':
    case 'template':
      return atWheel(of, 'bevel');
    case 'heat':
      return atWheel(of, 'hot');
    case 'wash':
      return washing(station.oil ?? false);
    case 'care':
      return flattening();
    case 'ready':
      return ready(of);
    case 'isolate':
      return unplugged();
    case 'look':
      return close(of, 'look', 'look along the edge against the light: chips, a white line, rust');
    case 'wipe':
      return wiping(of);
    case 'refit':
      return edge.form === 'knife-set' ? unplugged() : breaker(of);
    case 'away':
      return wrapped(of);
  }
}

/** A drop of water, its tip at a place. */
const drop = (x: number, y: number, size: number): Mark =>
  path(
    'wet',
    `M${x} ${y}c${7 * size} ${9 * size} ${8 * size} ${17 * size} 0 ${17 * size}c${-8 * size} 0 ${-7 * size} ${-8 * size} 0 ${-17 * size}Z`,
  );

/** The abrasive under everything: a stone wet, oiled or dry; a strop. */
function stone(kind: string, lubricant: string): readonly Mark[] {
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
function arrow(way: Way): readonly Mark[] {
  const y = STONE.top + 50;
  const [from, to] = [EDGE_X + 20, EDGE_X + 190];
  const head = (x: number, turn: 1 | -1): string => `M${x - 14 * turn} ${y - 9}L${x} ${y}l${-14 * turn} 9`;
  return [
    path('way', `M${from} ${y}H${to}`),
    ...(way === 'push' ? [] : [path('way', head(to, 1))]),
    ...(way === 'pull' ? [] : [path('way', head(from, -1))]),
  ];
}

interface Laid {
  readonly marks: readonly Mark[];
  readonly edge: Point;
  readonly press: Point;
  readonly angleDeg: number;
  readonly scale: number;
}

/** Without the guide. */
const bare = ({ setUp: _, ...of }: SceneOf): SceneOf => of;

/** A blade lying on a face, as large as fits, in the guide where one holds it. */
function lay(of: SceneOf, face: Face, lowerDeg = 0, room = { width: 350, height: 150 }): Laid | undefined {
  const inGuide = face === 'other' || face === 'back' ? undefined : guided(of, face, room);
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

const finger = ({ x, y }: Point): readonly Mark[] => [
  { tag: 'ellipse', cls: 'finger', at: { x, y: y - 17 }, rx: 12, ry: 17 },
  path('press', `M${x} ${y - 62}v22m-6 -8l6 8l6 -8`),
];

/** The angle between blade and abrasive, written beside its arc. */
function angle({ edge: { x, y }, angleDeg }: Laid, words: string): readonly Mark[] {
  if (angleDeg < 1) return [];
  const r = 86;
  return [
    path('angle', `M${x + r} ${y}A${r} ${r} 0 0 0 ${x + r * cosDeg(angleDeg)} ${y - r * sinDeg(angleDeg)}`),
    text('deg', x + r + 8, y - Math.max(9, r * sinDeg(angleDeg / 2) * 0.55), words),
  ];
}

const burrMark = ({ x, y }: Point, up = true): Mark =>
  path('burr', `M${x} ${y}c-7 0 -10 ${up ? -5 : 5} -10 ${up ? -13 : 13}`);

function faceOf(step: BenchStep): Face {
  const purpose = purposeOf(step);
  if (purpose === 'back' || purpose === 'primary') return purpose;
  if (step.facet === 'secondary') return 'secondary';
  return step.side === 1 ? 'other' : 'bevel';
}

const FACE_WORDS: Readonly<Record<Face, string>> = {
  bevel: 'on its bevel',
  other: 'on its other side',
  primary: 'on its primary',
  secondary: 'on its secondary',
  back: 'on its back',
};

/** How a stroke follows an edge that is not straight. */
const ROUND: Partial<Readonly<Record<Edge['form'], string>>> = {
  gouge: 'rolled along its curve',
  v: 'each wing, then the keel',
  hook: 'round the whole bend',
};

function onStone(of: SceneOf, step: BenchStep): Scene {
  const abrasive = of.stoneOf(step.abrasiveId);
  const strop = step.afterBurr ?? false;
  const face = faceOf(step);
  const way: Way = strop ? 'pull' : step.bothWays ? 'to-and-fro' : 'pull';
  const laid = lay(strop ? bare(of) : of, face, step.lowerDeg);
  if (!laid) return still(of, 'the blade on the stone');
  const raises = !strop && face !== 'back' && face !== 'primary';
  return {
    marks: [
      ...stone(abrasive?.kind ?? '', abrasive?.lubricant ?? 'dry'),
      ...laid.marks,
      ...(raises ? [burrMark(laid.edge)] : []),
      ...angle(laid, of.deg(laid.angleDeg)),
      ...finger(laid.press),
      ...arrow(way),
      text(
        'note',
        EDGE_X + 205,
        STONE.top + 56,
        ROUND[of.edge.form] ?? (way === 'pull' ? 'edge trailing' : 'to and fro'),
      ),
    ],
    words: `the blade ${FACE_WORDS[face]}, ${of.deg(laid.angleDeg)} to the ${strop ? 'strop' : 'stone'}, ${way === 'pull' ? 'pulled with its edge trailing' : 'moved to and fro'}, pressed near the edge${raises ? '; its burr will stand on top' : ''}`,
  };
}

function held(of: SceneOf, face: Exclude<Face, 'back'>): Scene {
  const laid = lay(of, face);
  if (!laid) return still(of, 'the blade held');
  return {
    marks: [...stone('', 'dry'), ...laid.marks, ...angle(laid, of.deg(laid.angleDeg))],
    words: `the blade ${FACE_WORDS[face]} at ${of.deg(laid.angleDeg)} to the stone`,
  };
}

/** Colour on the face that lies down. */
function marked({ marks, words }: Scene): Scene {
  return {
    marks: [
      ...marks,
      path('colour', `M${EDGE_X} ${STONE.top}h46`),
      text('note', EDGE_X, STONE.top + 56, 'colour on this face'),
    ],
    words: `${words}, the face that touches coloured`,
  };
}

function backUp(of: SceneOf): Scene {
  const laid = lay(of, 'back');
  return {
    marks: [
      ...stone('', 'dry'),
      ...(laid?.marks ?? []),
      path('bright', `M${EDGE_X} ${STONE.top}h${Math.min(120, 3 * (laid?.scale ?? 10))}`),
      text('note', EDGE_X, STONE.top + 56, 'bright from corner to corner'),
    ],
    words: 'the back flat on the stone, its first millimetres polished from corner to corner',
  };
}

function burrOff(of: SceneOf): Scene {
  const [back, bevel] = [
    lay(of, 'back', 0, { width: 170, height: 90 }),
    lay(bare(of), 'bevel', 0, { width: 170, height: 120 }),
  ];
  const right = (marks: readonly Mark[]): readonly Mark[] => marks.map((mark) => moved(mark, 200));
  return {
    marks: [
      ...stone('', 'water'),
      ...(back ? [...back.marks, burrMark(back.edge)] : []),
      ...(bevel ? right([...bevel.marks, burrMark(bevel.edge)]) : []),
      text('deg', EDGE_X + 60, STONE.top + 56, '1'),
      text('deg', EDGE_X + 262, STONE.top + 56, '2'),
      text('note', EDGE_X + 84, STONE.top + 56, 'in turn, lighter'),
    ],
    words: 'the back flat, then the bevel, a stroke each in turn, lighter every time, until the burr is gone',
  };
}

/** The very edge much enlarged. */
function close(of: SceneOf, what: 'burr' | 'marks' | 'look', words: string): Scene {
  const laid = lay(bare(of), 'bevel', 0, { width: 700, height: 330 });
  if (!laid) return still(of, words);
  const { x, y } = laid.edge;
  const across =
    what === 'marks'
      ? [0, 1, 2, 3, 4, 5, 6].map((i) => path('hair', `M${x + 14 + 26 * i} ${y - 2}l22 -${18 + 5 * i}`))
      : [];
  return {
    marks: [
      ...laid.marks,
      ...across,
      ...(what === 'burr'
        ? [
            path('burr large', `M${x} ${y}c-16 0 -24 -12 -24 -34`),
            ...finger({ x: x - 24, y: y - 40 }),
            path('way', `M${x + 60} ${y - 112}H${x - 34}m12 -8l-12 8l12 8`),
          ]
        : []),
      ...(what === 'look'
        ? [
            path(
              'ray',
              `M${x - 40} ${y - 90}L${x} ${y}M${x - 52} ${y - 60}L${x} ${y}M${x - 56} ${y - 26}L${x} ${y}`,
            ),
          ]
        : []),
    ],
    words,
  };
}

/** The edge drawn lightly along a nail. */
function nail(of: SceneOf): Scene {
  const laid = lay(bare(of), 'bevel', 0, { width: 240, height: 120 });
  const y = STONE.top;
  return {
    marks: [
      path('skin', `M20 ${y + 30}Q60 ${y - 2} 130 ${y}H220Q260 ${y} 262 ${y + 30}V${y + 56}H20Z`),
      path('nail', `M20 ${y + 14}Q62 ${y - 4} 128 ${y}Q96 ${y + 8} 60 ${y + 30}Z`),
      ...(laid?.marks ?? []),
      path('way', `M${EDGE_X} ${y - 120}h90m-14 -9l14 9l-14 9`),
    ],
    words: 'the edge resting on a thumbnail, without pressure',
  };
}

function atWheel(of: SceneOf, what: 'bevel' | 'square' | 'hot' | 'colour'): Scene {
  const centre = { x: 310, y: 116 };
  const r = 108;
  const square = what === 'square';
  // Square to the rim, or its bevel along the rim's tangent.
  const laid = stanceOf(of.edge, square ? 'back' : 'primary', 30);
  const blade = laid?.blade ?? [];
  const long = Math.max(1, ...blade.map(({ x, y }) => Math.max(x, y)));
  const scale = 150 / long;
  const touch = { x: centre.x - r, y: centre.y };
  const place = ({ x, y }: Point): Point =>
    square
      ? { x: touch.x - x * scale, y: touch.y - y * scale }
      : { x: touch.x - y * scale, y: touch.y + x * scale - 10 };
  return {
    marks: [
      { tag: 'ellipse', cls: 'wheel', at: centre, rx: r, ry: r },
      { tag: 'ellipse', cls: 'hub', at: centre, rx: 12, ry: 12 },
      path('way', `M${centre.x + 20} ${centre.y - 84}a86 86 0 0 0 -82 24m4 -16l-4 16l16 0`),
      ...(laid ? [path('blade', `M${points(blade.map(place))}Z`)] : []),
      ...(what === 'hot'
        ? [
            path(
              'burr large',
              `M${touch.x - 6} ${touch.y - 30}q-10 -10 0 -20q10 -10 0 -20M${touch.x - 26} ${touch.y - 30}q-10 -10 0 -20q10 -10 0 -20`,
            ),
          ]
        : []),
      ...(what === 'colour' ? [path('colour', `M${touch.x - 3} ${touch.y - 26}v40`)] : []),
    ],
    words: {
      bevel: 'the blade on its rest, its bevel along the wheel’s rim, moved from side to side',
      square: 'the blade held straight at the wheel, its edge ground square',
      hot: 'the blade at the wheel: is it too hot to hold, has it coloured?',
      colour: 'the blade at the still wheel, its bevel coloured: where does the rim touch?',
    }[what],
  };
}

function washing(oil: boolean): Scene {
  const { top } = STONE;
  const drops = [70, 120, 170, 220, 270, 320, 370].map((x, i) => drop(x, 52 + 30 * (i % 3), 1.3));
  return {
    marks: [
      ...stone('', 'water'),
      ...drops,
      ...(oil ? [path('cloth', `M90 ${top - 6}q60 -34 130 -8q40 14 70 0v14H90Z`)] : []),
    ],
    words: oil
      ? 'the oil wiped off, then water over stone, guide and blade'
      : 'water over stone, guide and blade',
  };
}

function flattening(): Scene {
  const { top } = STONE;
  return {
    marks: [
      ...stone('', 'water'),
      path('plate', `M110 ${top - 22}h220v20H110Z`),
      path('way', `M150 ${top - 52}h140m-14 -9l14 9l-14 9M150 ${top - 52}l14 -9m-14 9l14 9`),
    ],
    words: 'a flat plate rubbed over the stone until it touches everywhere',
  };
}

/** The stones of the plan in their order, each wet, oiled or dry. */
function ready({ run, stoneOf }: SceneOf): Scene {
  const ids = [...new Set(run.plan.steps.map(({ abrasiveId }) => abrasiveId))].slice(0, 5);
  const width = 380 / Math.max(1, ids.length);
  return {
    marks: ids.flatMap((id, i): readonly Mark[] => {
      const [x, y] = [30 + i * width, 110];
      const { kind = '', lubricant = 'dry' } = stoneOf(id) ?? {};
      return [
        path(kind === 'strop' ? 'slab strop' : 'slab', `M${x} ${y}h${width - 16}v46h${16 - width}Z`),
        ...(lubricant === 'water' || lubricant === 'oil'
          ? [path(`film ${lubricant}`, `M${x} ${y}h${width - 16}`)]
          : []),
        text('deg', x + width / 2 - 14, y + 32, String(i + 1)),
      ];
    }),
    words: 'the stones of the plan in their order, each as it wants to be',
  };
}

function unplugged(): Scene {
  return {
    marks: [
      path('cord', 'M20 150H150'),
      path('plate', 'M150 122h50v56h-50Z'),
      path('cord', 'M200 136h34M200 164h34'),
      path('slab', 'M300 100h90v100h-90Z'),
      path('hair', 'M322 136h14M322 164h14'),
    ],
    words: 'the plug out of its socket',
  };
}

function wiping(of: SceneOf): Scene {
  const laid = lay(bare(of), 'back', 0, { width: 330, height: 110 });
  const y = STONE.top - 60;
  return {
    marks: [
      ...(laid?.marks ?? []),
      path('cloth', `M230 ${y + 28}q40 -34 92 -8q30 14 54 0v22H230Z`),
      path('way', `M210 ${y}H80m14 -9l-14 9l14 9`),
      text('note', 84, y - 14, 'off over the edge, never along it'),
    ],
    words: 'a cloth wiped from the body of the blade off over its edge, never along it',
  };
}

function breaker(of: SceneOf): Scene {
  const laid = lay(bare(of), 'back', 0, { width: 330, height: 90 });
  const scale = laid?.scale ?? 10;
  const x = EDGE_X + 2 * scale;
  const y = STONE.top;
  return {
    marks: [
      ...(laid?.marks ?? []),
      path('plate', `M${x} ${y}q24 22 60 22H400v-14H${x + 66}q-40 0 -66 -8Z`),
      path('measure', `M${EDGE_X} ${y + 34}H${x}m0 -6v12M${EDGE_X} ${y + 28}v12`),
      text('deg', EDGE_X - 6, y + 58, '2 mm'),
    ],
    words: 'the chip breaker on the back, about 2 mm behind the edge',
  };
}

function wrapped(of: SceneOf): Scene {
  const laid = lay(bare(of), 'back', 0, { width: 330, height: 110 });
  const y = STONE.top;
  return {
    marks: [
      ...(laid?.marks ?? []),
      path('cloth', `M${EDGE_X - 24} ${y - 66}h150v74H${EDGE_X - 24}Z`),
      path('hair', `M${EDGE_X + 10} ${y - 66}v74M${EDGE_X + 60} ${y - 66}v74`),
    ],
    words: 'the edge wrapped',
  };
}

const still = (of: SceneOf, words: string): Scene => ({
  marks: lay(bare(of), 'back')?.marks ?? [],
  words,
});

const moved = (mark: Mark, by: number): Mark => ({ ...mark, dx: by });
