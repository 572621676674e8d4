import { build, install, serve } from './lib/project.mjs';

// Your own workshop, kept between runs in the system's folder for application data (or DATA_DIR).
await install();
build();
serve({});
