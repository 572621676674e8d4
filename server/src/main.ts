import { readFile } from 'node:fs/promises';
import type { AddressInfo } from 'node:net';
import { fileURLToPath } from 'node:url';
import envPaths from 'env-paths';
import { pino } from 'pino';
import { endingOn, type Workshop } from '@mellow-anvil/core/workshop';
import { createApp } from './app.js';
import { CannotOpen } from './storage/cannot-open.js';
import { openDatabase } from './storage/open-database.js';
import { KEPT_OPEN_MS } from './platform/kept-open.js';
import { isLoopback } from './platform/strangers.js';

/**
 * The program. From the environment: HOST (loopback only), PORT, DATA_DIR, LOG_LEVEL, and
 * OPEN_FILE, a workshop file to begin an empty workshop with; OPEN_FILE_ENDS, the day its last entry is moved to.
 */
async function main(): Promise<void> {
  const { HOST: host = '127.0.0.1', PORT: portText = '4420', OPEN_FILE: openFile } = process.env;
  if (!isLoopback(host)) {
    throw new CannotOpen(
      `HOST is “${host}”, but this release serves only this machine: set HOST to 127.0.0.1, ::1 or localhost, or leave it out.`,
    );
  }
  const port = Number(portText);
  if (!Number.isInteger(port) || port < 0 || port > 65535) {
    throw new CannotOpen(`PORT is “${portText}”, which is no port: set it to a number from 0 to 65535.`);
  }
  const folder = process.env['DATA_DIR'] ?? envPaths('mellow-anvil', { suffix: '' }).data;
  const log = pino({ level: process.env['LOG_LEVEL'] ?? 'warn' }, pino.destination(2));
  const database = await openDatabase(folder);
  const webFolder = fileURLToPath(new URL('../../web/dist/browser', import.meta.url));
  const { app, workshop, backups, reckoner } = createApp({ database, webFolder, log });
  if (openFile && !database.damage) await workshop.begin(await opened(openFile));

  const rest = backups.keepUp();

  const server = app.listen(port, host);
  server.keepAliveTimeout = KEPT_OPEN_MS;
  server.once('error', (reason: NodeJS.ErrnoException) => {
    fail(
      reason.code === 'EADDRINUSE'
        ? `Port ${port} is taken by another program: set PORT to a free one.`
        : `Cannot listen on ${host}:${port}: ${reason.message}`,
    );
  });
  server.once('listening', () => {
    const { port: taken } = server.address() as AddressInfo;
    const shown = host.includes(':') ? `[${host}]` : host;
    if (database.backup)
      console.log(
        `The workshop was brought up to this release; a copy of it as it was is at ${database.backup}`,
      );
    for (const sentence of database.told) console.error(sentence);
    if (database.damage) console.error(`${database.damage.why} ${wayOut(folder)}`);
    console.log(`Your data is in ${folder}`);
    const address = `http://${shown}:${taken}/`;
    void database.answersAt(address);
    console.log(`Mellow Anvil is at ${address}`);
    // What the first page will ask for, ahead of its asking.
    if (!database.damage) reckoner.rack().catch((reason: unknown) => log.error(reason, 'not reckoned'));
  });
  const stop = (): void => {
    server.close(
      () =>
        void rest()
          .then(() => database.close())
          .then(() => process.exit(0)),
    );
    server.closeIdleConnections();
  };
  process.once('SIGINT', stop);
  process.once('SIGTERM', stop);
}

async function opened(file: string): Promise<unknown> {
  const workshop = JSON.parse(await readFile(file, 'utf8')) as unknown;
  const day = process.env['OPEN_FILE_ENDS'];
  return day ? endingOn(workshop as Workshop, day) : workshop;
}

const wayOut = (folder: string): string =>
  'Nothing was changed in it. Open the page below to put a backup in its place; or stop this program, move ' +
  `workshop.sqlite and the files beginning with that name out of ${folder}, and copy a file from its folder ` +
  '“backups” there under the name workshop.sqlite.';

function fail(message: string): never {
  console.error(message);
  process.exit(1);
}

main().catch((reason: unknown) => {
  fail(reason instanceof CannotOpen ? reason.message : String((reason as Error).stack ?? reason));
});
