export { Reckoner } from './reckoner.js';
