export type { PrintOptions } from './pdf.js';
export { Printer, sendFile } from './printer.js';
