export { abrasives } from './abrasives.js';
export { cares } from './cares.js';
