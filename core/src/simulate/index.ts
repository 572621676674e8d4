export { caliperChunks, type SimulatedEdge, simulatedReadings } from './caliper.js';
export { calipered, curveHoned, shaved, type TrueCurve } from './curved-iron.js';
export { edgesInUse, type HiddenTool, type Used } from './edges-in-use.js';
