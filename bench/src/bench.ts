import { benchCore } from './core.bench.js';
import { benchPage } from './page.bench.js';
import { benchServer } from './server.bench.js';
import { printTable } from './table.js';

// Medians on this machine, now: other work on it moves every figure, so each has its yardstick beside it.
const rows = [...benchCore(), ...(await benchServer()), ...(await benchPage())];
printTable(rows);
