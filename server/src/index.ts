export { createApp, type AppOptions } from './app.js';
export { CannotOpen, openDatabase, type Database } from './shared/database.js';
export { VERSION } from './shared/version.js';
