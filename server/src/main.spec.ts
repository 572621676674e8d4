import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtemp, rm } from 'node:fs/promises';
import { createServer, type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

const MAIN = fileURLToPath(new URL('./main.js', import.meta.url));

describe('the program', () => {
  let folder: string;
  beforeEach(async () => {
    folder = await mkdtemp(join(tmpdir(), 'mellow-anvil-spec-'));
  });
  afterEach(() => rm(folder, { recursive: true, force: true }));

  /** Starts it and waits for its end, or for the address it prints, and then ends it. */
  const start = async (
    environment: Record<string, string>,
  ): Promise<{ code: number | null; said: string }> => {
    const program = spawn(process.execPath, [MAIN], {
      env: { ...process.env, DATA_DIR: folder, PORT: '0', ...environment },
    });
    let said = '';
    const hear = (chunk: Buffer): void => {
      said += chunk.toString();
      if (/is at http/.test(said)) program.kill('SIGTERM');
    };
    program.stdout.on('data', hear);
    program.stderr.on('data', hear);
    const [code] = (await once(program, 'exit')) as [number | null];
    return { code, said };
  };

  it('prints where it is and where the data lies, and ends cleanly', async () => {
    const { code, said } = await start({});
    expect(code).toBe(0);
    expect(said).toContain(folder);
    expect(said).toMatch(/http:\/\/127\.0\.0\.1:\d+\//);
  });

  it('refuses to listen for other machines, and a port that is none or taken, in words', async () => {
    const taken = createServer();
    taken.listen(0, '127.0.0.1');
    await once(taken, 'listening');
    const port = String((taken.address() as AddressInfo).port);
    const refusals = await Promise.all([
      start({ HOST: '0.0.0.0', DATA_DIR: join(folder, 'a') }),
      start({ PORT: 'eleven', DATA_DIR: join(folder, 'b') }),
      start({ PORT: port, DATA_DIR: join(folder, 'c') }),
    ]);
    taken.close();
    expect(refusals.map(({ code }) => code)).toEqual([1, 1, 1]);
    expect(refusals[0]?.said).toContain('serves only this machine');
    expect(refusals[1]?.said).toContain('set it to a number');
    expect(refusals[2]?.said).toContain('taken by another program');
    for (const { said } of refusals) expect(said.trim().split('\n').length).withContext(said).toBe(1);
  });
});
