export { tools } from './tools.js';
