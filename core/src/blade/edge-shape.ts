/** The shapes of edge an abrasive can follow: a flat bevel, the outside and inside of a curve, a hook's inside. */
export const EDGE_SHAPES = ['straight', 'outside-curve', 'inside-curve', 'hook'] as const;
export type EdgeShape = (typeof EDGE_SHAPES)[number];
