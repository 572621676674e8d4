/** How dull an edge is, as people say it. */
export const CONDITIONS = ['fading', 'dull', 'very-dull', 'nicked', 'rolled', 'unknown', 'new'] as const;
export type ConditionKind = (typeof CONDITIONS)[number];

export interface Condition {
  readonly kind: ConditionKind;
  /** Depth of the deepest nick, along the blade; only with `nicked`. */
  readonly nickMm?: number | undefined;
  /** The tip's radius if the user knows better than the word. */
  readonly tipRadiusUm?: number;
  /** What else is wrong with the edge. */
  readonly faults?: readonly Fault[];
}

/** What may be wrong with an edge beside its being dull. */
export const FAULTS = [
  'pits',
  'out-of-square',
  'rounded-over',
  'overheated',
  'wide-land',
  'wrong-angle',
  'unsharpened',
  'corners-ahead',
  'middle-ahead',
  'tooth',
  'notch',
  'hook-left',
  'hook-right',
] as const;
export type FaultKind = (typeof FAULTS)[number];

/** One fault, as far as it reaches. */
export interface Fault {
  readonly kind: FaultKind;
  /**
   * Pits and lost temper: how far back from the edge they reach. Out of square: how far one corner stands
   * ahead of the other. Rounded over: how much of the bevel is rounded. Unsharpened: how thick it is where its edge will
   * be. Of a gouge its corners or its middle, of a V-tool its keel or a wing: how far they stand ahead. None for the
   * rest.
   */
  readonly mm?: number;
  /** The bevel as it was found; only with `wrong-angle`. */
  readonly foundDeg?: number;
}

/** How deep a nick, and how far back a fault, makes the whole edge follow, mm. */
export const depthOfMm = ({ nickMm, faults = [] }: Condition): number =>
  Math.max(
    nickMm ?? 0,
    ...faults.map(({ kind, mm = 0 }) => (kind === 'pits' || kind === 'overheated' ? mm : 0)),
  );

/** The reach of one fault, mm; 0 where the edge has none such. */
export const faultMm = ({ faults = [] }: Condition, kind: FaultKind): number =>
  faults.find((fault) => fault.kind === kind)?.mm ?? 0;

/**
 * Tip radius in µm behind each word. Estimates (common practice puts a touch-up at 2–5 µm; the
 * rest is ours), good to perhaps a factor of two, replaced by the user's own figure where given.
 */
export const TIP_RADIUS_UM: Readonly<Record<ConditionKind, number>> = {
  fading: 2,
  dull: 4,
  'very-dull': 10,
  nicked: 4,
  rolled: 6,
  unknown: 30,
  new: 8,
};

/** Nicks from so deep on are a repair on the grinder, and ground out rather than honed out, mm (estimates). */
export const REPAIR_NICK_MM = 1;
export const GRIND_NICK_MM = 0.25;
