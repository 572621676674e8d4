import { join } from 'node:path';
import { ROOT, build, install, quietEnv, run } from './lib/project.mjs';

install();
build();
const { status } = await run(
  process.execPath,
  [join(ROOT, 'benchmarks/dist/bench.js'), ...process.argv.slice(2)],
  { env: quietEnv() },
);
process.exit(status);
