import { join } from 'node:path';
import { ROOT, build, install, quietEnv, run } from './lib/project.mjs';

// The advice tried in made-up shops whose truth is known; `tuning` for those a rule may be tuned on.
await install();
build();
const judge = join(ROOT, 'benchmarks/dist/judge/judge.js');
const { status } = await run(process.execPath, [judge, ...process.argv.slice(2)], { env: quietEnv() });
process.exit(status);
