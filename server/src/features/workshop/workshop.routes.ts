import { createReadStream, createWriteStream } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PassThrough, Transform, type Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createGunzip, createInflate } from 'node:zlib';
import type { Request } from 'express';
import { WORKSHOP_FILE_BYTES } from '@mellow-anvil/core/workshop';
import { HttpProblem } from '../../platform/problem.js';
import { stopsWith } from '../../platform/stop.js';
import type { Database } from '../../storage/database.js';
import type { LongWork } from '../../platform/long-work.js';
import { beside } from '../../platform/workers.js';
import { ROUTES } from '@mellow-anvil/contract';
import { type Served, serving, SENT } from '../../platform/serve.js';
import { exportWorkshopTask, importWorkshopTask } from './tasks.js';

/** Longer than it takes to end a process. */
const AFTER_STOPPING_MS = 3000;

/**
 * The open file: out with GET, in with PUT. It passes through a file on the disk and is worked on in a
 * process of its own, so that neither its size nor the work on it is felt by anybody else. A PUT whose
 * asker goes away before it is stored is stopped, and nothing is changed.
 * @param replaced told when everything stored may be something else
 */
export const workshopRoutes = (
  database: Database,
  works: LongWork,
  replaced: () => void,
): readonly Served[] => [
  serving(ROUTES.workshop, async ({ response }) => {
    await database.ready();
    const signal = stopsWith(response);
    await inPassing(async (to) => {
      const name = await beside(exportWorkshopTask, { database: database.file, to }, { signal });
      response.attachment(`${fileName(name)}.workshop.json`).type('json');
      await pipeline(createReadStream(to), response);
    });
    return SENT;
  }),
  serving(ROUTES.openWorkshop, async ({ request, response }) => {
    const signal = stopsWith(response);
    // A process that is being ended may have been past its last look: what is kept is asked for anew.
    signal.addEventListener('abort', () => void setTimeout(replaced, AFTER_STOPPING_MS).unref());
    return inPassing(async (from) => {
      await pipeline(unpacked(request), upTo(WORKSHOP_FILE_BYTES), createWriteStream(from), {
        signal,
      }).finally(() => readOff(request));
      return works.during('Opening a workshop file', (progress) =>
        database
          .writeElsewhere((writes) =>
            beside(importWorkshopTask, { database: database.file, writes, from }, { signal, progress }),
          )
          .finally(replaced),
      );
    });
  }),
];

/** Gives a file of its own to something that passes through, and clears it away. */
async function inPassing<T>(work: (file: string) => Promise<T>): Promise<T> {
  const folder = await mkdtemp(join(tmpdir(), 'mellow-anvil-'));
  try {
    return await work(join(folder, 'workshop.json'));
  } finally {
    await rm(folder, { recursive: true, force: true }).catch(() => undefined);
  }
}

/** A body as it was before it was packed. What fails with it leaves the request itself whole. @throws HttpProblem 415 */
function unpacked(request: Request): Readable {
  const encoding = (request.headers['content-encoding'] ?? 'identity').toLowerCase();
  const unpacking = UNPACKING[encoding];
  if (!unpacking)
    throw new HttpProblem(
      415,
      'Unknown encoding',
      'Send the body plain, or compressed with gzip or deflate.',
    );
  return request.pipe(unpacking());
}

const UNPACKING: Readonly<Record<string, () => Transform>> = {
  identity: () => new PassThrough(),
  gzip: createGunzip,
  deflate: createInflate,
};

/** Takes what is left of a body, for nothing: a connection with a body half read is of no use to the next question. */
function readOff(request: Request): void {
  request.unpipe();
  request.resume();
}

/** Lets so many bytes through. @throws HttpProblem 413 */
function upTo(most: number): Transform {
  let seen = 0;
  return new Transform({
    transform(chunk: Buffer, _encoding, done) {
      seen += chunk.length;
      if (seen <= most) done(null, chunk);
      else done(new HttpProblem(413, 'Too large', 'The file is over 300 MB: no workshop is that large.'));
    },
  });
}

const fileName = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 60) || 'workshop';
