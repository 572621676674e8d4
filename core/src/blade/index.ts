export { backBevel, USUAL_SHIM } from './back-bevel.js';
export { backStrategy } from './back-strategy.js';
export { CAMBER_JOBS, type CamberDesign, type CamberJob } from './camber-design.js';
export { ASSUMED, type ChainFacet, type EdgeChain, type Point } from './section.js';
export { edgeChain } from './chain.js';
export { facetAngleThrough, wornTip } from './worn-tip.js';
export {
  type Condition,
  type ConditionKind,
  CONDITIONS,
  type Fault,
  type FaultKind,
  FAULTS,
  TIP_RADIUS_UM,
} from './dulling.js';
export { edgeKeep, tipLoss } from './edge-keep.js';
export { EDGE_SHAPES, type EdgeShape } from './edge-shape.js';
export {
  type Back,
  backBevelDeg,
  BACKS,
  type DoubleBevelEdge,
  type Edge,
  type EdgeForm,
  type FrontLine,
  type GougeEdge,
  GRINDS,
  honedDeg,
  type HookEdge,
  includedDeg,
  type KnifeEdge,
  type KnifeSetEdge,
  type ScrapingEdge,
  shapeOfEdge,
  type SingleBevelEdge,
  BEGINS,
  CORNERS,
  SWEEPS,
  type VEdge,
} from './edge.js';
export {
  FAMILIES,
  type Family,
  FAMILY_NAMES,
  familyFacts,
  USE_MEASURES,
  type UseMeasure,
} from './families.js';
export { type FrontPoint, frontProfile } from './front-line.js';
export { type Handles, heldWays, USUAL_HANDLES, type WayUp, WAYS_UP } from './handles.js';
export { hollowGrind, type HollowGrindInput, honedHollow, honingsUntilFlat } from './hollow-grind.js';
export { ASSUMED_LAND_MM, landGrowth, recessionForLand } from './land-growth.js';
export { type Count, COUNTS, type Manner, mannerOf, MANNERS } from './manner.js';
export { planeAngles, type PlaneAngles, type PlaneAnglesInput } from './plane-angles.js';
export { settingShift, type SettingShift } from './setting-shift.js';
export { skewCut } from './skew-cut.js';
export {
  type Bought,
  type HostPlane,
  type Overruling,
  RACK_STATES,
  type RackState,
  type Steel,
  STEEL_NAMES,
  STEELS,
  type Tool,
} from './tool.js';
export { usualEdge, usualTool } from './usual-tool.js';
