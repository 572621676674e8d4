export { guides } from './guides.js';
