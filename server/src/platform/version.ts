import { readFileSync } from 'node:fs';

/** This release's number, from the package it ships in. */
export const VERSION = (
  JSON.parse(readFileSync(new URL('../../package.json', import.meta.url), 'utf8')) as { version: string }
).version;
