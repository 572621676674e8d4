export { createApp, type AppOptions } from './app.js';
export { CannotOpen } from './storage/cannot-open.js';
export type { Database } from './storage/database.js';
export { openDatabase } from './storage/open-database.js';
export { VERSION } from './platform/version.js';
