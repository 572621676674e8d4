export { gougeArc } from './gouge-arc.js';
export { rodFit } from './rod-fit.js';
