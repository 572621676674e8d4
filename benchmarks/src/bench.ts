import { benchCore } from './core.bench.js';
import { benchGrowth } from './growth.bench.js';
import { benchJudgement } from './judgement.bench.js';
import { benchPlans } from './plans.bench.js';
import { benchPage } from './page.bench.js';
import { benchServer } from './server.bench.js';
import { printTable } from './table.js';

// Medians on this machine, now: other work on it moves every figure, so each has its yardstick beside it.
// Parts of it by name: core, plans, judgement, server, growth, page.
const PARTS = {
  core: benchCore,
  plans: benchPlans,
  judgement: benchJudgement,
  server: benchServer,
  growth: benchGrowth,
  page: benchPage,
};
const wanted = process.argv.slice(2);
for (const [name, part] of Object.entries(PARTS)) {
  if (wanted.length === 0 || wanted.includes(name)) printTable(await part());
}
process.exit(0);
