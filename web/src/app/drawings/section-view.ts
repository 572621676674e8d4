import { cosDeg, sinDeg, tanDeg } from '@mellow-anvil/core/base';
import { type ChainFacet, type EdgeChain, facetAngleThrough, type Point } from '@mellow-anvil/core/blade';

export const VIEW = { width: 660, height: 290 } as const;
const PAD = { left: 56, right: 20, top: 20, bottom: 46 } as const;
/** The closest look: the last 50 µm. */
const CLOSEST_MM = 0.05;
const BARS_MM = [0.002, 0.005, 0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10, 20];
/** Room an angle has while it is dragged; the fields' own range is the contract's. */
const REACH = [2, 80] as const;
const ANGLE_STEP = 0.5;

/** How a section lies on the screen, in px and mm. */
export interface Scale {
  readonly pxPerMm: number;
  readonly bar: { readonly mm: number; readonly px: number };
  readonly tip: Point;
  toPx(point: Point): Point;
  toMm(point: Point): Point;
}

/**
 * Fits the whole stretch of blade, and from there closer on the edge, which stays where it is so that
 * a drag's angle does too.
 * @param zoom 0 for the whole blade, 1 for the last 50 µm
 */
export function scaleOf(chain: EdgeChain, zoom: number): Scale {
  const xs = chain.outline.map(({ x }) => x);
  const ys = chain.outline.map(({ y }) => y);
  const [low, high] = [Math.min(...ys), Math.max(...ys)];
  const across = (VIEW.width - PAD.left - PAD.right) / Math.max(...xs);
  const up = (VIEW.height - PAD.top - PAD.bottom) / (high - low);
  const whole = Math.min(across, up);
  const widestMm = (VIEW.width - PAD.left - PAD.right) / whole;
  const pxPerMm = whole * (widestMm / CLOSEST_MM) ** zoom;
  // A back lies along the bottom of the view; a blade with two bevels lies about its middle.
  const share = low < -high / 4 ? 0.5 : 0;
  const tip = {
    x: PAD.left,
    y:
      VIEW.height -
      PAD.bottom -
      share * (VIEW.height - PAD.top - PAD.bottom) +
      (share ? 0 : Math.max(-10, low * whole)),
  };
  const mm = BARS_MM.find((each) => each * pxPerMm >= 60) ?? 20;
  return {
    pxPerMm,
    bar: { mm, px: mm * pxPerMm },
    tip,
    toPx: ({ x, y }) => ({ x: tip.x + x * pxPerMm, y: tip.y - y * pxPerMm }),
    toMm: ({ x, y }) => ({ x: (x - tip.x) / pxPerMm, y: (tip.y - y) / pxPerMm }),
  };
}

/** A figure of the edge that can be taken hold of. */
export interface Handle {
  readonly kind: 'angle' | 'length';
  readonly facet: ChainFacet['name'];
  readonly field: string;
  readonly label: string;
  readonly value: number;
  readonly least: number;
  readonly most: number;
  readonly step: number;
  /** Where it sits, px. */
  readonly at: Point;
  /** Its ray from the facet's beginning, and the arc its angle opens, px paths. */
  readonly ray: string;
  readonly arc: string;
  readonly text: Point;
  /** The value a pointer at a place stands for. */
  valueAt(px: Point): number;
}

const FACET_WORDS: Readonly<Record<ChainFacet['name'], string>> = {
  micro: 'Micro-bevel',
  secondary: 'Secondary',
  primary: 'Primary',
  left: 'Left bevel',
  right: 'Right bevel',
  polished: 'Polished back',
  'back-bevel': 'Back bevel',
  counter: 'Counter bevel',
};
/** How far an angle's handle keeps from where its facet begins, px. */
const CLEAR_PX = 40;
/** How far out along its facet an angle's handle and its arc sit, of what room there is. */
const OUT: Partial<Readonly<Record<ChainFacet['name'], readonly [knob: number, arc: number]>>> = {
  secondary: [0.56, 0.34],
  micro: [0.36, 0.2],
};

/** The handles of every facet whose beginning is in view, those of one facet never past its neighbours'. */
export function handlesOf(chain: EdgeChain, scale: Scale): readonly Handle[] {
  return [...chain.upper, ...chain.lower].flatMap((facet) => [
    ...angleHandle(chain, facet, scale),
    ...lengthHandle(facet, scale),
  ]);
}

function angleHandle(chain: EdgeChain, facet: ChainFacet, scale: Scale): readonly Handle[] {
  const { angleField, angleDeg, side, name } = facet;
  const from = facet.points[0] as Point;
  const pivot = scale.toPx(from);
  if (angleField === undefined || pivot.x > VIEW.width * 0.72 || pivot.y < 60) return [];
  // The angle opens where the facet's line meets the axis; it turns about where the facet begins.
  const start = scale.toPx({ x: from.x - Math.abs(from.y) / tanDeg(angleDeg), y: 0 });
  const sign = side === 'upper' ? 1 : -1;
  const room = roomAlong(start, angleDeg * sign, chain.heelMm * scale.pxPerMm);
  const [out, opens] = OUT[name] ?? [0.94, 0.62];
  // Close up the facet may begin further out than its handle would sit; behind its beginning it would turn backwards.
  const knob = Math.max(room * out, Math.hypot(pivot.x - start.x, pivot.y - start.y) + CLEAR_PX);
  if (knob > room) return [];
  const along = (px: number, deg: number): Point => ({
    x: start.x + px * cosDeg(deg),
    y: start.y - sign * px * sinDeg(deg),
  });
  const [at, top, flat] = [along(knob, angleDeg), along(room * opens, angleDeg), along(room * opens, 0)];
  const text = along(room * opens + 9, angleDeg / 2);
  const order = side === 'upper' ? chain.upper : chain.lower;
  const place = order.indexOf(facet);
  const [steeper, flatter] = [order[place - 1], order[place + 1]];
  const least = flatter?.angleField ? flatter.angleDeg + ANGLE_STEP : REACH[0];
  const most = steeper?.angleField ? steeper.angleDeg - ANGLE_STEP : REACH[1];
  const r = room * opens;
  return [
    {
      kind: 'angle',
      facet: name,
      field: angleField,
      label: `${FACET_WORDS[name]}${name === 'left' || name === 'right' ? '' : ' angle'}`,
      value: angleDeg,
      least,
      most,
      step: ANGLE_STEP,
      at,
      ray: `M${pivot.x} ${pivot.y}L${at.x} ${at.y}`,
      arc: `M${flat.x} ${flat.y}A${r} ${r} 0 0 ${side === 'upper' ? 0 : 1} ${top.x} ${top.y}`,
      text: { x: text.x, y: text.y + 7 },
      valueAt: (px) => {
        const { x, y } = scale.toMm(px);
        const deg = facetAngleThrough({ x: from.x, y: from.y * sign }, { x, y: y * sign }, least, most);
        return Math.min(most, Math.max(least, Math.round(deg / ANGLE_STEP) * ANGLE_STEP));
      },
    },
  ];
}

function lengthHandle(facet: ChainFacet, scale: Scale): readonly Handle[] {
  const { lengthField, lengthMm, name, points } = facet;
  const [from, to] = [points[0] as Point, points.at(-1) as Point];
  const at = scale.toPx(to);
  // One too short to tell from its neighbour is reached by looking closer.
  const inView = at.x < VIEW.width - 16 && at.y > 12 && at.y < VIEW.height - 12;
  if (lengthField === undefined || lengthMm * scale.pxPerMm < 26 || !inView) return [];
  const unit = { x: (to.x - from.x) / lengthMm, y: (to.y - from.y) / lengthMm };
  const step = Math.max(0.001, 10 ** Math.ceil(Math.log10(1 / scale.pxPerMm)));
  return [
    {
      kind: 'length',
      facet: name,
      field: lengthField,
      label:
        name === 'polished' || name === 'back-bevel'
          ? `${FACET_WORDS[name]} length`
          : `${FACET_WORDS[name]} land`,
      value: lengthMm,
      least: step,
      most: 60,
      step,
      at,
      ray: '',
      arc: '',
      text: { x: at.x, y: at.y },
      valueAt: (px) => {
        const { x, y } = scale.toMm(px);
        const along = (x - from.x) * unit.x + (y - from.y) * unit.y;
        return Number(Math.min(60, Math.max(step, Math.round(along / step) * step)).toFixed(4));
      },
    },
  ];
}

/** How far a ray can go from a place before it leaves the view, at most the bevel's own length. */
function roomAlong(start: Point, deg: number, mostPx: number): number {
  const [c, s] = [cosDeg(deg), sinDeg(deg)];
  const across = (VIEW.width - 40 - start.x) / c;
  const up = s > 0 ? (start.y - 26) / s : s < 0 ? (VIEW.height - 26 - start.y) / -s : Infinity;
  return Math.max(60, Math.min(across, up, mostPx));
}
