import { mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync } from 'node:zlib';
import { createApp } from './app.js';
import type { Database } from './storage/database.js';
import { openDatabase } from './storage/open-database.js';

describe('the page as it is served', () => {
  let folder: string;
  let database: Database;
  let server: Server;
  let origin: string;

  beforeAll(async () => {
    folder = await mkdtemp(join(tmpdir(), 'mellow-anvil-spec-'));
    const web = join(folder, 'web', 'browser');
    await mkdir(web, { recursive: true });
    await writeFile(join(web, 'index.html'), '<ma-root ngCspNonce="NONCE_PLACEHOLDER"></ma-root>');
    await writeFile(join(web, 'main-ABCD1234.js'), `// ${'words '.repeat(2000)}`);
    await writeFile(join(web, 'chunk-_a-Bc12z.js'), '// as it is');
    await writeFile(join(web, 'chunk-_a-Bc12z.js.br'), brotliCompressSync('// packed when it was built'));
    await writeFile(join(folder, 'web', '3rdpartylicenses.txt'), 'Licences of the page’s packages');
    database = await openDatabase(join(folder, 'data'));
    const { app } = createApp({ database, webFolder: web });
    server = await new Promise((resolve) => {
      const listening = app.listen(0, '127.0.0.1', () => resolve(listening));
    });
    origin = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  });
  afterAll(async () => {
    server.closeAllConnections();
    await new Promise((resolve) => server.close(resolve));
    await database.close();
    await rm(folder, { recursive: true, force: true });
  });

  it('gives every room the same page, each time with a nonce of its own that its policy names', async () => {
    const nonces = new Set<string>();
    for (const room of ['/', '/tools/a/plan', '/stones']) {
      const answer = await fetch(origin + room);
      const [, nonce = ''] = /ngCspNonce="([^"]+)"/.exec(await answer.text()) ?? [];
      expect(nonce.length).toBeGreaterThan(20);
      expect(answer.headers.get('content-security-policy')).toContain(`style-src 'self' 'nonce-${nonce}'`);
      expect(answer.headers.get('cache-control')).toBe('no-store');
      nonces.add(nonce);
    }
    expect(nonces.size).toBe(3);
  });

  it('sends what was packed when it was built, kept for good like the file itself', async () => {
    const packed = await fetch(`${origin}/chunk-_a-Bc12z.js`, { headers: { 'accept-encoding': 'br' } });
    expect(await packed.text()).toBe('// packed when it was built');
    expect(packed.headers.get('cache-control')).toContain('immutable');
    const plain = await fetch(`${origin}/chunk-_a-Bc12z.js`, { headers: { 'accept-encoding': 'identity' } });
    expect(await plain.text()).toBe('// as it is');
  });

  it('packs its files, keeps hashed ones for good, and says so when there is none', async () => {
    const script = await fetch(`${origin}/main-ABCD1234.js`);
    expect(script.headers.get('cache-control')).toContain('immutable');
    expect(script.headers.get('content-encoding')).toMatch(/gzip|br/);
    const missing = await fetch(`${origin}/main-00000000.js`);
    expect([missing.status, missing.headers.get('content-type')]).toEqual([
      404,
      'application/problem+json; charset=utf-8',
    ]);
    const climbing = await fetch(`${origin}/..%2f..%2fdata%2fworkshop.sqlite`);
    expect(climbing.status).not.toBe(200);
  });

  it('packs an answer of any length, and lets a short one be', async () => {
    const packing = async (path: string): Promise<string | null> =>
      (await fetch(origin + path)).headers.get('content-encoding');
    expect(await packing('/api/openapi.json')).toMatch(/gzip|br/);
    expect(await packing('/api/health')).toBeNull();
  });

  it('serves the notices of what it stands on', async () => {
    expect(await (await fetch(`${origin}/notices.txt`)).text()).toContain('Licences of the page’s packages');
  });
});
