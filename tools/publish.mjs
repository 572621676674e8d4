import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, build, install } from './lib/project.mjs';

// The documents that are made of the schemas the server checks with; tests hold them to what it serves.
await install();
build();
const { openApi, workshopJsonSchema } = await import(join(ROOT, 'server/dist/platform/openapi.js'));
const { httpReference } = await import(join(ROOT, 'server/dist/platform/http-reference.js'));
writeFileSync(join(ROOT, 'docs/workshop.schema.json'), `${JSON.stringify(workshopJsonSchema(), null, 1)}\n`);
writeFileSync(join(ROOT, 'docs/http.md'), httpReference(openApi()));
