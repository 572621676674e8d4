export { bevelGauge, MOST_NOTCHES } from './bevel-gauge.js';
export { boardPattern } from './board-pattern.js';
export { camberTemplate } from './camber-template.js';
export { foldingSheet } from './folding-sheet.js';
export { gaugeBlock } from './gauge-block.js';
export {
  box,
  type Extent,
  extentOf,
  LETTERS_RISE_MM,
  type Mark,
  type Pattern,
  PATTERN_LAYERS,
  type PatternHand,
  type PatternLayer,
  type SolidText,
} from './pattern.js';
export { gougeStrop, vStrop } from './strop-block.js';
export { restTemplate } from './rest-template.js';
