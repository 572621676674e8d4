export {
  anglesTried,
  asToldNext,
  type Chooser,
  fixedAdvice,
  type HiddenKnife,
  tradesRule,
} from './angles-tried.js';
export { caliperChunks, type SimulatedEdge, simulatedReadings } from './caliper.js';
export { CALIPER, calipered, curveHoned, shaved, type TrueCurve } from './curved-iron.js';
export { edgesInUse, type HiddenTool, type Used } from './edges-in-use.js';
export { CLAIMS } from './advisers.js';
export { type Chance, chanceOf } from './chance.js';
export { CONTESTANTS, type Contestant } from './contestants.js';
export { COSTS, SEEDS } from './costs.js';
export { hiddenShop } from './hidden-shop.js';
export { COST_PARTS, totalOf, type Year } from './going.js';
export { type Days, daysOf, yearOf } from './year.js';
