export { sessions } from './sessions.js';
