import { mkdtemp, rm } from 'node:fs/promises';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { createApp, openDatabase, type Database } from '@mellow-anvil/server';

export interface Shop {
  readonly origin: string;
  readonly database: Database;
  open(workshop: unknown): Promise<void>;
  close(): Promise<void>;
}

/** Where the page is built, and the bare shell it is measured beside. */
const BUILT = { page: '../../web/dist/browser', bare: '../../web/dist-bare/browser' };

/** The real server over a fresh file, with the built page or the bare shell. */
export async function openShop(built: keyof typeof BUILT = 'page'): Promise<Shop> {
  const folder = await mkdtemp(join(tmpdir(), 'mellow-anvil-bench-'));
  const database = await openDatabase(folder);
  const webFolder = fileURLToPath(new URL(BUILT[built], import.meta.url));
  const { app, workshop, reckoner } = createApp({ database, webFolder });
  const server = await new Promise<Server>((resolve) => {
    const listening = app.listen(0, '127.0.0.1', () => resolve(listening));
  });
  return {
    origin: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    database,
    open: async (file) => {
      await workshop.import(file);
    },
    close: async () => {
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
      await reckoner.close();
      await database.close();
      await rm(folder, { recursive: true, force: true });
    },
  };
}
