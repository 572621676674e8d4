export { gougeArc } from './gouge-arc.js';
export { rodFit } from './rod-fit.js';
export { PATCH_DEEP_MM, rolled, type RolledInput } from './rolled.js';
export { aheadMm, isForeign, keelMm, partsMm, PROUD, type Proud } from './uneven.js';
export { runningEdge, type RunningEdge } from './running-edge.js';
