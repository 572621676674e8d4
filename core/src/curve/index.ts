export { curveRolled } from './curve-rolled.js';
export { gougeArc } from './gouge-arc.js';
export { hookArcMm } from './hook-arc.js';
export { rodFit } from './rod-fit.js';
export { PATCH_DEEP_MM, rolled, type RolledInput } from './rolled.js';
export { aheadMm, isForeign, keelMm, partsMm, PROUD, type Proud } from './uneven.js';
export { runningEdge, type RunningEdge } from './running-edge.js';
export { tracedArc } from './traced-arc.js';
export { type Posed, posed, type Space, turning, type Turning } from './turning.js';
