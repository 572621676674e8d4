import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises';
import { createServer, type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { startProgram } from './testing/attacks/program.js';
import { TOOLS, runEvents } from './testing/fixtures.js';

/** One start tells what of the program tests cover: to put it down takes longer than the start itself. */
const COVERAGE = 'NODE_V8_COVERAGE';
const UNCOVERED = { [COVERAGE]: '' };
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
      env: { ...process.env, ...UNCOVERED, DATA_DIR: folder, PORT: '0', ...environment },
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
    const { code, said } = await start({ [COVERAGE]: process.env[COVERAGE] ?? '' });
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

  it('says in words when its folder or its file cannot be used', async () => {
    // A file where the folder should be: nobody can write there, not even root.
    const file = join(folder, 'not-a-folder');
    await writeFile(file, '');
    const { code, said } = await start({ DATA_DIR: file });
    expect([code, said.trim().split('\n').length]).toEqual([1, 1]);
    expect(said).toMatch(/cannot be made or written.*set DATA_DIR/);
    await mkdir(join(folder, 'workshop.sqlite'));
    const taken = await start({});
    expect(taken.code).toBe(1);
    expect(taken.said).toContain('is not a file: move it away');
  });

  it('killed in the middle of a run, has all it acknowledged when it is started again', async () => {
    const post = async (url: string, body: object): Promise<{ id: string; next: number }> =>
      (
        await fetch(url, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify(body),
        })
      ).json() as Promise<{ id: string; next: number }>;
    let { program, origin } = await startProgram(folder);
    const { id } = await post(`${origin}/api/tools`, TOOLS['bench-chisel']);
    const strokes = Array.from({ length: 40 }, () => ({ kind: 'strokes', count: 1 }));
    const events = runEvents('r1', id, { kind: 'done' }, ...strokes);
    let acknowledged = 0;
    for (const kill of [9, 23, undefined]) {
      const gone = once(program, 'exit');
      while (acknowledged < events.length && acknowledged !== kill) {
        ({ next: acknowledged } = await post(`${origin}/api/runs/r1/events`, {
          events: [events[acknowledged]],
        }));
      }
      // The one under way when it falls may be stored or not; it is sent again either way.
      const underWay = post(`${origin}/api/runs/r1/events`, {
        events: events.slice(acknowledged, acknowledged + 1),
      });
      program.kill('SIGKILL');
      await underWay.catch(() => undefined);
      await gone;
      ({ program, origin } = await startProgram(folder));
      const kept = (await (await fetch(`${origin}/api/runs/r1`)).json()) as { events: object[] };
      expect(kept.events.slice(0, acknowledged)).toEqual(events.slice(0, acknowledged));
      expect(kept.events.length - acknowledged).toBeLessThanOrEqual(1);
    }
    expect(acknowledged).toBe(events.length);
    const gone = once(program, 'exit');
    program.kill('SIGTERM');
    await gone;
  });
});
