import { mkdtemp, rm } from 'node:fs/promises';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { KEPT_OPEN_MS } from '../platform/kept-open.js';
import { createApp } from '../app.js';
import type { Database } from '../storage/database.js';
import { unlikeDescribed } from './as-described.js';
import { openDatabase } from '../storage/open-database.js';

export interface Answer {
  readonly status: number;
  readonly headers: Headers;
  /** Whatever the answer's JSON holds; tests read it freely. */
  readonly body: ReturnType<typeof JSON.parse>;
}

/** A real server over a real SQLite file in a folder of its own; every answer is held to how its route is described. */
export interface TestWorkshop {
  readonly folder: string;
  readonly database: Database;
  readonly origin: string;
  ask(method: string, path: string, body?: unknown, headers?: Record<string, string>): Promise<Answer>;
  /** Ends it and clears its folder away, unless that was given or is to be kept. */
  close(options?: { readonly keep?: boolean }): Promise<void>;
}

export async function openTestWorkshop(folder?: string): Promise<TestWorkshop> {
  const at = folder ?? (await mkdtemp(join(tmpdir(), 'mellow-anvil-spec-')));
  const database = await openDatabase(at);
  const { app, reckoner } = createApp({ database });
  const server = await new Promise<Server>((resolve) => {
    const listening = app.listen(0, '127.0.0.1', () => resolve(listening));
  });
  server.keepAliveTimeout = KEPT_OPEN_MS;
  const origin = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  return {
    folder: at,
    database,
    origin,
    async ask(method, path, body, headers = {}) {
      const text =
        body === undefined || typeof body === 'string' ? (body as string | undefined) : JSON.stringify(body);
      const response = await fetch(origin + path, {
        method,
        ...(text !== undefined && { body: text }),
        headers: { ...(text !== undefined && { 'content-type': 'application/json' }), ...headers },
      });
      const answer = await response.text();
      const json = response.headers.get('content-type')?.includes('json');
      if (!json) return { status: response.status, headers: response.headers, body: answer };
      const told = JSON.parse(answer) as unknown;
      const unlike = unlikeDescribed(method, path, response.status, told);
      if (unlike !== undefined) throw new Error(unlike);
      return { status: response.status, headers: response.headers, body: told };
    },
    async close({ keep = folder !== undefined } = {}) {
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
      await reckoner.close();
      await database.close();
      if (!keep) await rm(at, { recursive: true, force: true });
    },
  };
}
