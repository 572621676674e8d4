export { CALIPER_START, type CaliperLine, type CaliperStream, caliperText } from './caliper-text.js';
export { type ForceLine, forceText, simulatedForce } from './force-text.js';
export { profileLines } from './number-lines.js';
