export { SETTINGS_ID, readSettings, settings, settingsRow } from './settings.js';
