export {
  contactMin,
  GRINDING_PUSH_N,
  grindingPasses,
  type GrindingPasses,
  heatedWidthMm,
  STOP_SHORT_MM,
  wheelAtWork,
  type WheelAtWork,
} from './grinding-work.js';
export { type FaceAtWork, handlesAtSlab, handlesAtWheel } from './handles-clear.js';
export { hollowedBack, type HollowedBackInput, LEAST_EDGE_RIM_MM } from './hollowed-back.js';
export { hollowSection } from './hollow-section.js';
export { meanHoningMin, regrindInterval } from './regrind-interval.js';
export { HEAT_LIMITS, type HeatLimit, TEMPER_COLOURS, temperColour } from './temper-colours.js';
export { POWERED_STROP, stropHeat } from './strop-heat.js';
export { ROOM_C, wedgeHeat, type WedgeHeat, type WedgeHeatInput } from './wedge-heat.js';
