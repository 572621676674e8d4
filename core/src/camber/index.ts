export { boardTracks, type BoardTracksInput } from './board-tracks.js';
export {
  CAMBER_JOB_FACTS,
  cornerBackMm,
  CURVED_FAMILIES,
  frontForJob,
  isCurved,
  likelyJob,
} from './camber-jobs.js';
export { CAMBER_READ_BY, type CamberRead } from './camber-read.js';
export { camberReading, SHAVING_PM_MM, SHAVING_WIDTH_PM_MM } from './camber-reading.js';
export {
  camberStrokes,
  judged,
  placedProfile,
  type PlacedWork,
  PLACES,
  spreadStrokes,
  strokesTo,
} from './camber-strokes.js';
export { camber, camberOnBed } from './camber.js';
export { cornerLeanDeg, type LeanInput } from './lean.js';
export { FEELER_STEP_MM, lightReading } from './light-reading.js';
export { type EdgePoint, profileReading, type ProfileReading } from './profile-reading.js';
export { rocker } from './rocker.js';
export { planedBoard, shavingSection } from './shaving-section.js';
