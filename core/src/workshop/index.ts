export { endingOn } from './ending-on.js';
export { DEFAULT_SETTINGS, PRINTED_BAR_MM, type PrinterBars, type Settings } from './settings.js';
export { type Plan, type Workshop, WORKSHOP_FILE_BYTES, WORKSHOP_FORMAT } from './workshop.js';
