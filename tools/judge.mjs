import { join } from 'node:path';
import { ROOT, build, install, quietEnv, run } from './lib/project.mjs';

// The advice tried in made-up shops whose truth is known; `tuning` for those a rule may be tuned on.
await install();
build();
const judge = join(ROOT, 'benchmarks/dist/judge/judge.js');
// Every core is at work on shops of its own: none waits for another to help it tidy up.
const args = ['--single-threaded-gc', judge, ...process.argv.slice(2)];
const { status } = await run(process.execPath, args, { env: quietEnv() });
process.exit(status);
