export type { PrintOptions } from './pdf.js';
export { Printer, sendFile } from './printer.js';
export { checkBars, linesOf, openSheets, type Sheets } from './sheet.js';
export { printable } from './typeface.js';
