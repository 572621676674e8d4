import type { Edge, Point } from '@mellow-anvil/core/blade';
import { type BenchStep, purposeOf } from '@mellow-anvil/core/plan';
import { type Face, rollOf, stanceOf } from '@mellow-anvil/core/run';
import { gougeArc } from '@mellow-anvil/core/curve';
import {
  endMarks,
  type HollowEdge,
  isHollow,
  rollMarks,
  type RollPose,
  rollScale,
  slipInside,
} from './from-end';
import {
  EDGE_X,
  SCENE,
  type Laid,
  type Mark,
  STONE,
  type Scene,
  type SceneOf,
  type Way,
  angle,
  arrow,
  bare,
  burrMark,
  finger,
  lay,
  moved,
  path,
  points,
  stone,
  text,
} from './scene-marks';

/** A hook’s flat inside lies as a back does. */
const isFlatInside = (edge: Edge): boolean => edge.form === 'hook' && edge.make === 'flat-inside';

function faceOf(edge: Edge, step: BenchStep): Face {
  const purpose = purposeOf(step);
  if (purpose === 'back' || purpose === 'primary' || purpose === 'body' || purpose === 'inside')
    return purpose;
  if (step.facet === 'secondary') return 'secondary';
  if (step.side !== 1) return 'bevel';
  return isFlatInside(edge) ? 'back' : 'other';
}

const FACE_WORDS: Readonly<Record<Face, string>> = {
  bevel: 'on its bevel',
  other: 'on its other side',
  primary: 'on its primary',
  secondary: 'on its secondary',
  body: 'on its body',
  back: 'on its back',
  inside: 'on the small bevel inside',
};

/** How a stroke follows an edge that is not straight. */
const ROUND: Partial<Readonly<Record<Edge['form'], string>>> = {
  gouge: 'rolled along its curve',
  v: 'each wing, then the keel',
  hook: 'round the whole bend',
};

export function onStone(of: SceneOf, step: BenchStep): Scene {
  const abrasive = of.stoneOf(step.abrasiveId);
  const strop = step.afterBurr ?? false;
  const face = faceOf(of.edge, step);
  const way: Way = strop ? 'pull' : step.bothWays ? 'to-and-fro' : 'pull';
  // What is rolled is drawn from its end too, beside it.
  const room = step.along?.way === 'rolled' ? { width: 190, height: 140 } : undefined;
  const laid = lay(strop ? bare(of) : of, face, step.lowerDeg, room);
  if (!laid) return still(of, 'the blade on the stone');
  if (face === 'inside' && isHollow(of.edge)) return slipped(of, of.edge, laid);
  const roll = strop ? undefined : rollOf(of.edge, face);
  const raises = !strop && !['back', 'primary', 'body', 'inside'].includes(face);
  return {
    marks: [
      ...stone(abrasive?.kind ?? '', abrasive?.lubricant ?? 'dry'),
      ...(roll ? rolling(of, face, laid, roll.toDeg - roll.fromDeg) : []),
      ...laid.marks,
      ...(raises ? [burrMark(laid.edge)] : []),
      ...angle(laid, of.deg(laid.angleDeg)),
      ...finger(laid.press),
      ...arrow(way),
      ...rolledMarks(of.edge, step),
      text(
        'note',
        EDGE_X + 136,
        STONE.top + 56,
        roll
          ? `laid flat, tipped to ${of.deg(roll.toDeg)} by its end`
          : (ROUND[of.edge.form] ?? (way === 'pull' ? 'edge trailing' : 'to and fro')),
      ),
    ],
    words: `the blade ${FACE_WORDS[face]}, ${of.deg(laid.angleDeg)} to the ${strop ? 'strop' : 'stone'}, ${way === 'pull' ? 'pulled with its edge trailing' : 'moved to and fro'}, pressed near the edge${roll ? `; laid flat at first, ${of.deg(roll.fromDeg)}, and tipped as it comes` : ''}${raises ? '; its burr will stand on top' : ''}`,
  };
}

/** A curved edge from its end on its stone: at one end of its roll, and in its middle with the patch that touches. */
function rolledMarks(edge: Edge, { along }: BenchStep): readonly Mark[] {
  const { way, turnDeg = 0, patchMm = 0 } = along ?? {};
  if (way !== 'rolled' || edge.form !== 'gouge') return [];
  const arc = gougeArc(edge);
  const at = { x: 338, y: STONE.top };
  const pose = (rolledDeg: number): RollPose => ({ ...arc, patchMm, rolledDeg });
  const scale = rollScale(pose(0), turnDeg, 150, 130);
  return [...rollMarks(pose(turnDeg / 2), at, scale, true), ...rollMarks(pose(0), at, scale)];
}

/** Where a stroke that rolls begins, lying on the stone, and the way its spine then comes up. */
function rolling({ edge }: SceneOf, face: Face, { scale }: Laid, byDeg: number): readonly Mark[] {
  const long = edge.form === 'knife' ? undefined : 6 * edge.thicknessMm;
  const [flat, tipped] = [byDeg, 0].map((lower) => stanceOf(edge, face, long, lower)?.blade);
  if (!flat || !tipped) return [];
  const lowest = Math.min(...flat.map(({ y }) => y));
  const px = ({ x, y }: Point): Point => ({ x: EDGE_X + x * scale, y: STONE.top - y * scale });
  const lying = flat.map(({ x, y }) => px({ x, y: y - lowest }));
  const spine = (blade: readonly Point[]): Point =>
    blade.reduce((far, point) => (point.x + point.y > far.x + far.y ? point : far));
  const [from, to] = [spine(flat), spine(tipped)].map(px) as [Point, Point];
  const right = Math.max(from.x, to.x) + 16;
  return [
    path('ghost', `M${points(lying)}Z`),
    path(
      'way',
      `M${right} ${from.y}Q${right + 10} ${(from.y + to.y) / 2} ${right - 4} ${to.y + 4}m-5 13l5 -13l10 9`,
    ),
  ];
}

export function held(of: SceneOf, face: Exclude<Face, 'back'>): Scene {
  const laid = lay(of, face);
  if (!laid) return still(of, 'the blade held');
  return {
    marks: [...stone('', 'dry'), ...laid.marks, ...angle(laid, of.deg(laid.angleDeg))],
    words: `the blade ${FACE_WORDS[face]} at ${of.deg(laid.angleDeg)} to the stone`,
  };
}

/** Colour on the face that lies down. */
export function marked({ marks, words }: Scene): Scene {
  return {
    marks: [
      ...marks,
      path('colour', `M${EDGE_X} ${STONE.top}h46`),
      text('note', EDGE_X, STONE.top + 56, 'colour on this face'),
    ],
    words: `${words}, the face that touches coloured`,
  };
}

export function backUp(of: SceneOf): Scene {
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

/** What lies on the stone, and what then goes over the other side, a stroke each in turn. */
export function burrOff(of: SceneOf): Scene {
  const { edge } = of;
  const [first, second] = [EDGE_X, EDGE_X + 200];
  const laid = (face: Face, by: number, height: number): readonly Mark[] => {
    const lying = lay(bare(of), face, 0, { width: 170, height });
    return lying ? [...lying.marks, burrMark(lying.edge)].map((mark) => moved(mark, by)) : [];
  };
  const inside = (x: number): readonly Mark[] =>
    isHollow(edge) ? slipInside(edge, { at: { x: x + 60, y: STONE.top - 6 }, width: 130, height: 110 }) : [];
  // What is honed inside has its outside to lie flat; what is bevelled outside has its bevel.
  const honedInside = edge.form === 'hook' || (edge.form === 'gouge' && edge.cannel === 'in');
  const marks = !isHollow(edge)
    ? [...laid('back', 0, 90), ...laid('bevel', second - first, 120)]
    : honedInside
      ? [...laid('back', 0, 90), ...inside(second)]
      : [...inside(first), ...laid('bevel', second - first, 120)];
  return {
    marks: [
      ...(edge.form === 'hook' && isHollow(edge) ? stone('strop', 'dry') : stone('', 'water')),
      ...marks,
      text('deg', EDGE_X + 60, STONE.top + 56, '1'),
      text('deg', EDGE_X + 262, STONE.top + 56, '2'),
      text('note', EDGE_X + 84, STONE.top + 56, 'in turn, lighter'),
    ],
    words: !isHollow(edge)
      ? 'the back flat, then the bevel, a stroke each in turn, lighter every time, until the burr is gone'
      : honedInside
        ? 'its outside lying flat, then what is round in its hollow, in turn, lighter every time, until the burr is gone'
        : 'a slip in its hollow, then its bevel on the stone, in turn, lighter every time, until the burr is gone',
  };
}

/** A hollow edge held still from its end, what works inside it turned in it from corner to corner. */
function slipped(of: SceneOf, edge: HollowEdge, { angleDeg }: Laid): Scene {
  const at = { x: SCENE.width / 2, y: STONE.top };
  return {
    marks: [
      ...slipInside(edge, { at, width: 260, height: 130 }),
      path('way', `M${at.x - 52} 20a80 80 0 0 1 104 0m-14 -4l14 4l-3 -15`),
      text('deg', at.x + 14, at.y + 34, of.deg(angleDeg)),
      text('note', at.x - 150, at.y + 34, 'lifted off the inside'),
    ],
    words: `the tool from its end, held still, ${FACE_WORDS.inside}: the slip in its hollow at ${of.deg(angleDeg)}, rolled from corner to corner`,
  };
}

/** The very edge much enlarged. */
export function close(of: SceneOf, what: 'burr' | 'marks' | 'look', words: string): Scene {
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
export function nail(of: SceneOf): Scene {
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

/** A gouge or a V-tool seen from its end. */
export function fromItsEnd(of: SceneOf): Scene {
  const { edge } = of;
  const words = 'looked at from its end, against something white: every part of it should stand as far';
  const card = path('plate', 'M40 10H400V206H40Z');
  const seen =
    edge.form === 'gouge' || edge.form === 'v'
      ? endMarks(edge, { at: { x: SCENE.width / 2, y: 186 }, width: 280, height: 140 })
      : still(of, words).marks;
  return { marks: [card, ...seen], words };
}

/** An edge from the front on a straightedge, light coming through where it does not touch. */
export function againstLight(): Scene {
  const { top, left, right, height } = STONE;
  const middle = (left + right) / 2;
  const rays = [-60, -30, 0, 30, 60].map((dx) => `M${middle + dx} ${top - 2}l${dx / 2} 46`).join('');
  return {
    marks: [
      path(
        'blade',
        `M${left + 40} ${top}Q${middle} ${top - 16} ${right - 40} ${top}V${top - 62}H${left + 40}Z`,
      ),
      path('plate', `M${left} ${top}H${right}v${height}H${left}Z`),
      path('ray', rays),
    ],
    words:
      'the edge standing on a straightedge, against the light: here it comes through in the middle, so the edge is hollow',
  };
}

export function atWheel(of: SceneOf, what: 'bevel' | 'back' | 'square' | 'hot' | 'colour'): Scene {
  const centre = { x: 310, y: 116 };
  const r = 108;
  const square = what === 'square';
  const back = what === 'back';
  // Square to the rim, or a face of it along the rim's tangent.
  const laid = stanceOf(of.edge, square || back ? 'back' : 'primary', 30);
  const blade = laid?.blade ?? [];
  const long = Math.max(1, ...blade.map(({ x, y }) => Math.max(x, y)));
  const scale = 150 / long;
  const touch = { x: centre.x - r, y: centre.y };
  const place = ({ x, y }: Point): Point =>
    square
      ? { x: touch.x - x * scale, y: touch.y - y * scale }
      : { x: touch.x - y * scale, y: touch.y + (back ? x - long / 2 : x) * scale - 10 };
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
      back: 'the blade on its rest, the middle of its back at the wheel’s rim, clear of the edge, moved from side to side',
      square: 'the blade held straight at the wheel, its edge ground square',
      hot: 'the blade at the wheel: is it too hot to hold, has it coloured?',
      colour: 'the blade at the still wheel, its bevel coloured: where does the rim touch?',
    }[what],
  };
}

export const still = (of: SceneOf, words: string): Scene => ({
  marks: lay(bare(of), 'back')?.marks ?? [],
  words,
});
