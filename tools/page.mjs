import { build } from './lib/project.mjs';

// What is not built yet, of packages that are there: `npm test` runs it beside what needs no page.
build();
