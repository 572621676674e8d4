import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, build, install } from './lib/project.mjs';

// Writes the demo's two years anew, after its tools, its habits or core's rules have changed.
await install();
build();
const { demoText } = await import(join(ROOT, 'demo/dist/boat-shed.js'));
const file = join(ROOT, 'demo', 'saltmarsh-boat-shed.workshop.json');
writeFileSync(file, demoText(JSON.parse(readFileSync(file, 'utf8'))));
