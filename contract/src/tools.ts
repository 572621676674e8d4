import { shape } from './shape.js';
import { Refusal } from '@mellow-anvil/core/base';
import {
  type Bought,
  CAMBER_JOBS,
  type CamberDesign,
  type Edge,
  edgeChain,
  FAMILY_NAMES,
  frontProfile,
  type Handles,
  type HostPlane,
  COUNTS,
  MANNERS,
  type Overruling,
  RACK_STATES,
  STEEL_NAMES,
  type Tool,
  WAYS_UP,
} from '@mellow-anvil/core/blade';
import { OLD_VERDICTS } from '@mellow-anvil/core/plan';
import { edge } from './edges.js';
import { atField, day, instant, line, notes, number, oneOf } from './fields.js';

export const hostSchema = shape<HostPlane>({
  bedDeg: number('bedDeg'),
  orientation: oneOf('Orientation', ['bevel-down', 'bevel-up'] as const),
});

const overruling = shape<Overruling>({
  state: oneOf('State', RACK_STATES),
  at: instant,
  why: line('Why', 200).optional(),
});

const camber = shape<CamberDesign>({
  job: oneOf('Job', CAMBER_JOBS),
  shavingMm: number('shavingMm'),
  shavingWidthMm: number('shavingWidthMm').optional(),
  passStepMm: number('passStepMm').optional(),
  hadMm: number('camberMm', 'Camber it had'),
});

export const handlesSchema = shape<Handles>({
  fromEdgeMm: number('handleFromMm'),
  lengthMm: number('handleMm'),
  thickMm: number('handleThickMm'),
  towardsBevelDeg: number('handleDeg'),
  besideMm: number('handleBesideMm'),
});

const bought = shape<Bought>({
  on: day,
  verdict: oneOf('Verdict', OLD_VERDICTS),
  minutes: number('totalMinutes', 'Minutes it would take'),
  recessionMm: number('hardMm', 'Steel it would take'),
  leftMm: number('hardMm', 'Steel left'),
  yearsLow: number('years', 'Years of edge, at least'),
  yearsHigh: number('years', 'Years of edge, at most'),
});

export const toolSchema = shape<Tool>({
  name: line('Name'),
  family: oneOf('Family', FAMILY_NAMES),
  steel: oneOf('Steel', STEEL_NAMES),
  edge: edge,
  host: hostSchema.optional(),
  camber: camber.optional(),
  setName: line('Set').optional(),
  stoneSet: line('Set of stones', 40).allow('').optional(),
  manner: oneOf('Manner', MANNERS).optional(),
  counts: shape<NonNullable<Tool['counts']>>({
    stone: oneOf('Count', COUNTS).optional(),
    strop: oneOf('Count', COUNTS).optional(),
    onStone: oneOf('Count', COUNTS).optional(),
  }).optional(),
  handles: handlesSchema.optional(),
  held: oneOf('Held', WAYS_UP).optional(),
  bought: bought.optional(),
  overruling: overruling.optional(),
  notes: notes.optional(),
})
  .custom((tool: Tool, helpers) => {
    const refusal = impossible(tool.edge);
    return refusal
      ? helpers.error(
          'edge.impossible',
          { sentence: refusal.message },
          atField(helpers.state, `edge.${refusal.field}`, tool),
        )
      : tool;
  })
  .messages({ 'edge.impossible': '{#sentence}' });

/** Why no blade has this edge, if none can: figures that are each in range and cannot be together. */
function impossible(edge: Edge): Refusal | undefined {
  try {
    edgeChain(edge);
    if (edge.form === 'single-bevel') frontProfile(edge.front, edge.widthMm);
    return undefined;
  } catch (reason) {
    if (!(reason instanceof Refusal)) throw reason;
    return reason.field === 'radiusMm' ? new Refusal('front.radiusMm', reason.message) : reason;
  }
}
