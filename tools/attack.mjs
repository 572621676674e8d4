import { join } from 'node:path';
import { ROOT, build, install, quietEnv, run } from './lib/project.mjs';

// Kills, full disks, damaged files, restores under writers, and walks through everything that can be
// stored, whole; `npm test` runs the same small.
//   node tools/attack.mjs [upgrade-kills upgrade-pieces upgrade-disks kills restores damage walk]
await install();
build();
const attacks = join(ROOT, 'server/dist/testing/attacks/main.js');
const { status } = await run(process.execPath, [attacks, ...process.argv.slice(2)], { env: quietEnv() });
process.exit(status);
