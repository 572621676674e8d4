import { build, install } from './lib/project.mjs';

await install();
build();
