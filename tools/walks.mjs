import { ROOT, bin, build, install, quietEnv, run } from './lib/project.mjs';

// A whole run at the bench on every form of edge, thorough and brisk, on three sizes of screen; `npm test`
// walks each form once.
await install();
build();
const env = quietEnv({ WALKS: 'every' });
const { status } = await run(bin('playwright'), ['test', 'walks'], { cwd: `${ROOT}/e2e`, env });
process.exit(status);
