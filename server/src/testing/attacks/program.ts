import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { readFile, readdir } from 'node:fs/promises';
import { fileURLToPath } from 'node:url';

const MAIN = fileURLToPath(new URL('../../main.js', import.meta.url));

export interface Program {
  readonly program: ChildProcess;
  readonly origin: string;
  /** What it said of faults. */
  told(): string;
  /** Ends it, and waits until it has let go of its folder. */
  stop(): Promise<void>;
}

/** Starts the program over a folder and waits for its address. */
export async function startProgram(folder: string): Promise<Program> {
  const program = spawn(process.execPath, [MAIN], {
    // What tests cover is told of their own process, not of the hundreds that attacks start and kill.
    env: { ...process.env, NODE_V8_COVERAGE: '', DATA_DIR: folder, PORT: '0' },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let told = '';
  program.stderr.on('data', (chunk: Buffer) => (told += chunk.toString()));
  let said = '';
  for await (const chunk of program.stdout as AsyncIterable<Buffer>) {
    said += chunk.toString();
    const origin = /is at (http:\/\/\S+?)\/\s/.exec(said)?.[1];
    if (origin !== undefined) return { program, origin, told: () => told, stop: () => ended(program) };
  }
  throw new Error(`it stopped: ${said} ${told}`);
}

async function ended(program: ChildProcess): Promise<void> {
  const gone = program.exitCode !== null || program.signalCode !== null ? undefined : once(program, 'exit');
  program.kill();
  await gone;
}

/**
 * The most memory a program and its processes held, each at its own worst, MB.
 * @returns nothing where the system does not tell
 */
export async function mostMemoryMb(pid: number): Promise<number | undefined> {
  try {
    const status = await readFile(`/proc/${pid}/status`, 'utf8');
    const own = Number(/VmHWM:\s+(\d+) kB/.exec(status)?.[1] ?? 0) / 1024;
    const parts = await Promise.all((await childrenOf(pid)).map(mostMemoryMb));
    return parts.reduce<number>((sum, part) => sum + (part ?? 0), own);
  } catch {
    return undefined;
  }
}

async function childrenOf(pid: number): Promise<readonly number[]> {
  const threads = await readdir(`/proc/${pid}/task`);
  const lists = await Promise.all(
    threads.map((thread) => readFile(`/proc/${pid}/task/${thread}/children`, 'utf8').catch(() => '')),
  );
  return lists.flatMap((list) => list.split(' ').filter(Boolean).map(Number));
}
