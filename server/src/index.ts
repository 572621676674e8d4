export { createApp, type AppOptions } from './app.js';
export { CannotOpen, openDatabase, type Database } from './storage/database.js';
export { VERSION } from './shared/version.js';
