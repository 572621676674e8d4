import { join } from 'node:path';
import { ROOT, bin, build, install, quietEnv, run } from './lib/project.mjs';

const wanted = process.argv.slice(2);

await install();
build();
// The shell the page's first paint is measured beside.
if (wanted.length === 0 || wanted.includes('page')) {
  await run(bin('ng'), ['build', '--configuration', 'production,bare'], {
    cwd: join(ROOT, 'web'),
    aloud: false,
  });
}
const { status } = await run(process.execPath, [join(ROOT, 'benchmarks/dist/bench.js'), ...wanted], {
  env: quietEnv(),
});
process.exit(status);
