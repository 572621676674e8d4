import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, build, install } from './lib/project.mjs';

// docs/workshop.schema.json is what the server serves; a test holds the two together.
install();
build();
const { workshopJsonSchema } = await import(join(ROOT, 'server/dist/platform/openapi.js'));
writeFileSync(join(ROOT, 'docs/workshop.schema.json'), `${JSON.stringify(workshopJsonSchema(), null, 1)}\n`);
