import { existsSync, mkdtempSync, rmSync, statfsSync } from 'node:fs';
import { availableParallelism, loadavg, tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOT, TSC, bin, compile, fetchPackages, quietEnv, run, say } from './lib/project.mjs';

const WANTED = process.argv.slice(2);
/** Journeys want the page. */
if (WANTED.includes('e2e')) WANTED.push('page');

const CHROMIUM = '/usr/bin/chromium';
/** The same without windows: it draws for an eighth less, but Karma never sees it end. */
const CHROMIUM_SHELL = '/usr/bin/chromium-headless-shell';

const FETCH_BROWSER =
  'apt-get update -q; fetch="apt-get install -y -q --no-install-recommends chromium"; $fetch chromium-headless-shell || $fetch';

/** Where a test may start its browser from; fetched from Debian's packages, beside other work, where that may be done. */
async function findBrowser() {
  const named = process.env.CHROME_BIN;
  if (named && existsSync(named)) return named;
  if (existsSync(CHROMIUM)) return CHROMIUM;
  if (process.getuid?.() === 0 && existsSync('/usr/bin/apt-get')) {
    say('Installing Debian’s Chromium for the browser tests …');
    const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
    const { status, output } = await run('sh', ['-c', FETCH_BROWSER], { env, aloud: false });
    if (existsSync(CHROMIUM)) return CHROMIUM;
    say(`apt-get ended with ${status}: ${output.slice(-1000)}`);
  }
  say(
    'No browser for the web and journey tests: install Chromium (Debian: apt-get install chromium), or set CHROME_BIN to one.',
  );
  return undefined;
}

const MEMORY = '/dev/shm';
const ROOM_BYTES = 4e9;

/** Hundreds of databases are made and thrown away: in memory, where there is room, none waits for a busy disk. */
function roomInMemory() {
  if (!existsSync(MEMORY)) return false;
  const { bavail, bsize } = statfsSync(MEMORY);
  return bavail * bsize > ROOM_BYTES;
}

/** Counts read off each runner's own closing lines. */
const counts = {
  jasmine: (output) =>
    sum(output, /(\d+) specs?, (\d+) failures?/g, ([, specs, failures]) => [specs - failures, +failures]),
  karma: (output) => {
    const last = [...output.matchAll(/Executed (\d+) of \d+(?: \((\d+) FAILED\))?/g)].at(-1);
    return last ? [last[1] - (last[2] ?? 0), +(last[2] ?? 0)] : [0, 0];
  },
  playwright: (output) => [
    [...output.matchAll(/^\s+(\d+) (?:passed|flaky)/gm)].reduce((all, [, n]) => all + +n, 0),
    [...output.matchAll(/^\s+(\d+) (?:failed|did not run|interrupted)/gm)].reduce(
      (all, [, n]) => all + +n,
      0,
    ),
  ],
  plain: (_output, status) => (status === 0 ? [1, 0] : [0, 1]),
};

/** What each runner said of its failures, without the passes: told again at the end, where it is looked for. */
const failuresOf = (output) => {
  const told = output.search(/^Failures:$|^\s+1\) .*›|^.*FAILED$|^.* error /m);
  return output.slice(told < 0 ? -4000 : told).slice(0, 6000);
};

function sum(output, pattern, read) {
  return [...output.matchAll(pattern)].map(read).reduce(([p, f], [dp, df]) => [p + dp, f + df], [0, 0]);
}

const begun = Date.now();
const minutes = (since) => ((Date.now() - since) / 60_000).toFixed(1);

const looking = findBrowser();
/** Compiled beside what needs no database. */
const addon = fetchPackages()();
compile();
const browser = await looking;

const scratch = mkdtempSync(join(roomInMemory() ? MEMORY : tmpdir(), 'mellow-anvil-test-'));
process.on('exit', () => rmSync(scratch, { recursive: true, force: true }));
const env = quietEnv({ TMPDIR: scratch, ...(browser && { CHROME_BIN: browser }) });
/** What the journeys are gone in: a browser that was named, or Debian's at its lightest. */
const journeysEnv =
  browser === CHROMIUM && existsSync(CHROMIUM_SHELL) ? { ...env, CHROME_BIN: CHROMIUM_SHELL } : env;
const COVERAGE = [
  '--reporter=text-summary',
  '--exclude=**/*.spec.ts',
  '--exclude=**/testing/**',
  '--exclude=**/node_modules/**',
];
/** A package's own tests, and how much of it they cover. */
const jasmine = (name) => [
  name,
  bin('c8'),
  [
    ...COVERAGE,
    `--temp-directory=${ROOT}/node_modules/.cache/c8-${name}`,
    bin('jasmine'),
    '--config=jasmine.json',
  ],
  `${ROOT}/${name}`,
  counts.jasmine,
];
/** Two at a time, the longest first, so that neither runner waits long for the other's last; first what needs no database. */
const SIDE_BY_SIDE = [
  ['lint', 'npm', ['run', '--silent', 'lint'], ROOT, counts.plain],
  ['page', process.execPath, ['tools/page.mjs'], ROOT, counts.plain],
  jasmine('server'),
  jasmine('core'),
  ['web', bin('ng'), ['test', '--watch=false', '--code-coverage'], `${ROOT}/web`, counts.karma],
  // Most of it happens in programs of their own, which are killed: nothing to cover.
  [
    'attacks',
    bin('jasmine'),
    ['--config=jasmine.json', 'dist/testing/attacks/attacks.spec.js'],
    `${ROOT}/server`,
    counts.jasmine,
  ],
  jasmine('demo'),
  ['types', process.execPath, [TSC, '--noEmit', '-p', 'e2e'], ROOT, counts.plain],
  jasmine('contract'),
];
/** Steps that open a database, and so wait for its addon. */
const WITH_DATABASE = new Set(['server', 'attacks', 'e2e']);
/** The journeys have the machine to themselves. */
const JOURNEYS = ['e2e', bin('playwright'), ['test'], `${ROOT}/e2e`, counts.playwright, journeysEnv];

let [passed, failed] = [0, 0];
const failures = [];

async function step([name, command, args, cwd, count, its = env], aloud) {
  if (WANTED.length > 0 && !WANTED.includes(name)) return;
  if (WITH_DATABASE.has(name)) await addon;
  if (aloud) say(`\n── ${name} ──`);
  const started = Date.now();
  const { status, output } = await run(command, args, { cwd, env: its, aloud });
  if (!aloud) say(`\n── ${name} ──\n${output.trimEnd()}`);
  const plain = output.replace(/\u001b\[[0-9;]*[A-Za-z]/g, '');
  const [p, f] = count(plain, status);
  passed += p;
  if (status !== 0) failures.push(`\n── what failed in ${name} ──\n${failuresOf(plain)}`);
  // A runner that fails without a failed test (a crash, nothing found) still counts as a failure.
  failed += status !== 0 && f === 0 ? 1 : f;
  if (status === 0 && p === 0) failed += 1;
  say(`── ${name}: ${((Date.now() - started) / 1000).toFixed(0)} s ──`);
}

const waiting = [...SIDE_BY_SIDE];
const runner = async () => {
  for (let next = waiting.shift(); next; next = waiting.shift()) await step(next, false);
};
await Promise.all([runner(), runner()]);
await step(JOURNEYS, true);
for (const told of failures) say(told);
say(
  `\nMachine: ${availableParallelism()} cores, load ${loadavg()[0].toFixed(1)}; tests took ${minutes(begun)} min.`,
);
say(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 && passed > 0 ? 0 : 1);
