import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOT, build, install, say, serve } from './lib/project.mjs';

await install();
build();
const folder = mkdtempSync(join(tmpdir(), 'mellow-anvil-demo-'));
say('This is the demo: the Saltmarsh boat shed, a made-up workshop, from a fresh copy.');
say('What you change here is gone when it stops; “npm start” keeps a workshop of your own.');
process.on('exit', () => rmSync(folder, { recursive: true, force: true }));
// The shed’s two years end yesterday, whichever day that is.
const yesterday = new Date(Date.now() - 86_400_000).toLocaleDateString('sv');
serve({
  DATA_DIR: folder,
  OPEN_FILE: join(ROOT, 'demo', 'saltmarsh-boat-shed.workshop.json'),
  OPEN_FILE_ENDS: yesterday,
});
