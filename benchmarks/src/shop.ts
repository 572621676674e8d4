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

/** The real server over a fresh file, with the built page. */
export async function openShop(): Promise<Shop> {
  const folder = await mkdtemp(join(tmpdir(), 'mellow-anvil-bench-'));
  const database = await openDatabase(folder);
  const webFolder = fileURLToPath(new URL('../../web/dist/browser', import.meta.url));
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
