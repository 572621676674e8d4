import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { dirname, extname, join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';

/** The folder the repository lies in. */
export const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..', '..');

const BUILT_FROM = [
  'core',
  'contract',
  'server',
  'web',
  'demo/src',
  'benchmarks',
  'tsconfig.base.json',
  'package-lock.json',
];
const NOT_SOURCE = new Set(['node_modules', 'dist', 'dist-bare', '.angular']);
const OLDEST_NODE = [20, 19];

export function say(words) {
  process.stdout.write(`${words}\n`);
}

function stop(words) {
  process.stderr.write(`\n${words}\n`);
  process.exit(1);
}

/** SQLite without its search and its maps, which nothing here asks for: built in half the time, and no slower. */
const SQLITE_FLAGS = {
  CFLAGS: `-O2 ${['FTS3', 'FTS4', 'FTS5', 'RTREE'].map((part) => `-USQLITE_ENABLE_${part}`).join(' ')}`,
  CXXFLAGS: '-O1',
};

/** Packages with a step of their own after they are fetched that is done at once; SQLite's addon takes two minutes. */
const SET_UP_AT_ONCE = ['esbuild', '@parcel/watcher', 'lmdb', 'msgpackr-extract'];
const NPM = { cwd: ROOT, shell: process.platform === 'win32' };
const STAMP = join(ROOT, 'node_modules', '.install-stamp');

/**
 * Fetches what the lock file says, when that has changed since the last time.
 * @returns begins the one slow step, SQLite's addon, beside other work; what needs a database waits for it
 */
export function fetchPackages() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < OLDEST_NODE[0] || (major === OLDEST_NODE[0] && minor < OLDEST_NODE[1])) {
    stop(`This needs Node ${OLDEST_NODE.join('.')} or newer; this is ${process.versions.node}.`);
  }
  const wanted = hashOf([join(ROOT, 'package-lock.json')]);
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === wanted) return () => Promise.resolve();
  say('Installing packages (the first time builds SQLite’s addon and takes some minutes) …');
  const npm = (...args) => spawnSync('npm', args, { ...NPM, stdio: 'inherit' }).status === 0;
  const fetched =
    npm('ci', '--ignore-scripts', '--no-audit', '--no-fund', '--loglevel=error') &&
    npm('rebuild', '--loglevel=error', ...SET_UP_AT_ONCE);
  if (!fetched) stop('The packages could not be installed: npm has to reach its registry once.');
  return async () => {
    const { status, output } = await run('npm', ['rebuild', '--loglevel=error', 'sqlite3'], {
      ...NPM,
      env: quietEnv(SQLITE_FLAGS),
      aloud: false,
    });
    if (status !== 0) {
      stop(
        `${output}\nSQLite’s native addon could not be built. It needs Python 3, make and a C++ compiler where no ` +
          'ready-made one fits (Debian: python3 make g++).',
      );
    }
    writeFileSync(STAMP, wanted);
  };
}

/** Installs what the lock file says, when that has changed since the last time. */
export async function install() {
  await fetchPackages()();
}

/** Compiles all but the page; what is up to date already is left alone. */
export function compile() {
  say('Building …');
  must('TypeScript', process.execPath, [TSC, '-b'], ROOT);
}

/** Builds core, contract, server, demo, benchmarks and the page, when their sources have changed. */
export function build() {
  const wanted = hashOf(BUILT_FROM.flatMap((name) => filesUnder(join(ROOT, name))));
  const stamp = join(ROOT, '.build-stamp');
  const built =
    existsSync(join(ROOT, 'server/dist/main.js')) && existsSync(join(ROOT, 'web/dist/browser/index.html'));
  if (built && existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  compile();
  must('the page', bin('ng'), ['build'], join(ROOT, 'web'));
  pack(join(ROOT, 'web/dist/browser'));
  writeFileSync(stamp, wanted);
}

function must(label, command, args, cwd) {
  const { status, stdout, stderr } = spawnSync(command, args, {
    cwd,
    encoding: 'utf8',
    env: quietEnv(WHOLE),
  });
  if (status !== 0) stop(`Building ${label} failed.\n${stdout}${stderr}`);
}

/** Files of the page put together until each is worth a request of its own. */
const WHOLE = { NG_BUILD_OPTIMIZE_CHUNKS: '1' };
const PACKED = new Set(['.js', '.css', '.svg', '.txt']);
/** What the page may weigh when it is first opened, packed, its fonts with it. */
const FIRST_LOAD_BYTES = 350_000;

/** Packs the page's files once and hard, rather than at every request; stops where it has grown too heavy. */
function pack(folder) {
  for (const file of filesUnder(folder).filter((name) => PACKED.has(extname(name)))) {
    const content = readFileSync(file);
    const hint = { [constants.BROTLI_PARAM_SIZE_HINT]: content.length };
    writeFileSync(`${file}.br`, brotliCompressSync(content, { params: hint }));
    writeFileSync(`${file}.gz`, gzipSync(content, { level: 9 }));
  }
  const index = readFileSync(join(folder, 'index.html'), 'utf8');
  const first = [...index.matchAll(/(?:src|href)="([^"/]+\.(?:js|css|svg))"/g)].map(
    ([, name]) => `${name}.br`,
  );
  const fonts = readdirSync(join(folder, 'media')).filter((name) =>
    /-latin-[47]00-normal.*woff2$/.test(name),
  );
  const bytes = [...first, ...fonts.map((name) => join('media', name))]
    .map((name) => statSync(join(folder, name)).size)
    .reduce((sum, size) => sum + size, Buffer.byteLength(index));
  if (bytes > FIRST_LOAD_BYTES) {
    stop(
      `The page weighs ${bytes} bytes when first opened, above the ${FIRST_LOAD_BYTES} it may: load part of it later.`,
    );
  }
}

/** A package's command as installed here. */
export function bin(name) {
  return join(ROOT, 'node_modules', '.bin', process.platform === 'win32' ? `${name}.cmd` : name);
}

/** The compiler; Angular's own goes through the API of the release before it, which takes ten times as long. */
export const TSC = join(ROOT, 'node_modules/typescript-7/bin/tsc');

/** The environment for tools that like to ask questions or phone home. */
export function quietEnv(more = {}) {
  return { ...roomyEnv(), NG_CLI_ANALYTICS: 'false', NO_UPDATE_NOTIFIER: '1', CI: 'true', ...more };
}

/** Node looks through what is short-lived at every 16 MB of it: with room for more it stops seldomer, and lints in three quarters of the time. */
function roomyEnv() {
  const { NODE_OPTIONS = '' } = process.env;
  return { ...process.env, NODE_OPTIONS: `${NODE_OPTIONS} --max-semi-space-size=64`.trim() };
}

/** Runs the server until it is told to stop. */
export function serve(environment) {
  const server = spawn(process.execPath, [join(ROOT, 'server/dist/main.js')], {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...roomyEnv(), ...environment },
  });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
  server.on('exit', (code) => process.exit(code ?? 0));
  return server;
}

/** Runs a command to its end, passing on what it prints where that is to be heard, and returns its status and output. */
export function run(command, args, { cwd = ROOT, env = quietEnv(), aloud = true, shell = false } = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd, env, shell, stdio: ['ignore', 'pipe', 'pipe'] });
    let output = '';
    for (const [stream, to] of [
      [child.stdout, process.stdout],
      [child.stderr, process.stderr],
    ]) {
      stream.on('data', (chunk) => {
        output += chunk;
        if (aloud) to.write(chunk);
      });
    }
    child.on('error', (reason) => resolve({ status: 1, output: String(reason) }));
    child.on('close', (status) => resolve({ status: status ?? 1, output }));
  });
}

function filesUnder(path) {
  if (!existsSync(path)) return [];
  if (!statSync(path).isDirectory()) return [path];
  return readdirSync(path, { withFileTypes: true })
    .filter(({ name }) => !NOT_SOURCE.has(name) && !name.endsWith('.tsbuildinfo'))
    .flatMap((entry) => filesUnder(join(path, entry.name)));
}

function hashOf(files) {
  const hash = createHash('sha256');
  for (const file of files.sort())
    hash.update(relative(ROOT, file)).update('\0').update(readFileSync(file)).update('\0');
  return hash.digest('hex');
}
