import { Agent, request } from 'node:http';
import { text } from 'node:stream/consumers';
import type { IncomingMessage } from 'node:http';
import { once } from 'node:events';
import { readdir } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { setTimeout as pause } from 'node:timers/promises';
import { openTestWorkshop, type TestWorkshop } from '../../testing/workshop.js';

describe('a workshop file sent', () => {
  let shop: TestWorkshop;
  let agent: Agent;
  beforeEach(async () => {
    shop = await openTestWorkshop();
    // One connection for everything: what one question leaves behind on it, the next one meets.
    agent = new Agent({ keepAlive: true, maxSockets: 1 });
  });
  afterEach(async () => {
    agent.destroy();
    await shop.close();
  });

  const ask = async (
    method: string,
    path: string,
    headers: Record<string, string> = {},
    body?: Buffer,
  ): Promise<{ status: number | undefined; told: string; socket: unknown }> => {
    const asked = request(shop.origin + path, { method, headers, agent });
    asked.end(body);
    const [answer] = (await once(asked, 'response')) as [IncomingMessage];
    const socket = answer.socket.localPort;
    return { status: answer.statusCode, told: await text(answer), socket };
  };

  for (const encoding of ['gzip', 'deflate', 'x']) {
    it(`that is not packed by ${encoding} as it says is refused in words, and the connection serves on`, async () => {
      const { socket } = await ask('GET', '/api/health');
      const body = Buffer.alloc(400_000, 'not packed at all ');
      const headers = { 'content-type': 'application/json', 'content-encoding': encoding };
      const refused = await ask('PUT', '/api/workshop', headers, body);
      expect(refused.status).toBe(encoding === 'x' ? 415 : 400);
      expect(JSON.parse(refused.told).detail).toMatch(/packed|compressed/);
      const next = await ask('GET', '/api/health');
      expect(next.status).toBe(200);
      expect([refused.socket, next.socket]).toEqual([socket, socket]);
    });
  }

  it('by somebody who goes away half way leaves nothing lying about', async () => {
    const lying = async (): Promise<number> =>
      (await readdir(tmpdir())).filter((name) => /^mellow-anvil-(?!spec-)/.test(name)).length;
    const before = await lying();
    const headers = { 'content-type': 'application/json', 'content-length': '1000000' };
    const asked = request(`${shop.origin}/api/workshop`, { method: 'PUT', headers, agent });
    asked.on('error', () => undefined);
    asked.write('{"format":');
    while ((await lying()) === before) await pause(20);
    asked.destroy();
    while ((await lying()) > before) await pause(20);
    expect((await shop.ask('GET', '/api/tools')).body.items).toEqual([]);
  });
});
