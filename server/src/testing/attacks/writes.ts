import type { ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { BOARD, GUIDE, TOOLS, runEvents, session, stone } from '../fixtures.js';
import { anyNumber, inFolder, type Outcome } from './folders.js';
import { startProgram } from './program.js';

const LONGEST_MS = 700;

interface Answer {
  readonly status: number;
  readonly body: ReturnType<typeof JSON.parse>;
}
type Ask = (method: string, path: string, body?: unknown) => Promise<Answer>;

/** Starts the program over a folder, and asks it. */
async function started(folder: string): Promise<{ program: ChildProcess; ask: Ask; told: () => string }> {
  const { program, origin, told } = await startProgram(folder);
  const ask: Ask = async (method, path, body) => {
    const answer = await fetch(origin + path, {
      method,
      ...(body !== undefined && {
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      }),
    });
    const text = await answer.text();
    return { status: answer.status, body: text === '' ? undefined : JSON.parse(text) };
  };
  return { program, ask, told };
}

/** What is known to be stored: by its address, the answer's text, or that it is gone. */
class Ledger {
  readonly known = new Map<string, string>();
  /** Addresses that a write under way at the kill may have changed. */
  readonly unsure = new Set<string>();

  constructor(private readonly ask: () => Ask) {}

  /** Reads an address after an acknowledged write, so that it is known from then on. */
  async note(path: string): Promise<void> {
    this.known.set(path, textOf(await this.ask()('GET', path)));
    this.unsure.delete(path);
  }

  async differences(): Promise<string[]> {
    const found: string[] = [];
    for (const [path, text] of this.known) {
      const now = textOf(await this.ask()('GET', path));
      if (now !== text && !this.unsure.has(path)) found.push(`${path} was ${text}, is ${now}`);
      this.known.set(path, now);
    }
    this.unsure.clear();
    return found;
  }
}

const textOf = ({ status, body }: Answer): string => (status === 200 ? JSON.stringify(body) : String(status));

/** Kills the program in the middle of every kind of write, and looks whether what it acknowledged is there. */
export async function attackByKills(kills: number): Promise<Outcome> {
  const failures: string[] = [];
  let acknowledged = 0;
  const kinds = new Map<string, number>();
  await inFolder(async (folder) => {
    let { program, ask, told } = await started(folder);
    const ledger = new Ledger(() => ask);
    const tool = (await ask('POST', '/api/tools', TOOLS['bench-chisel'])).body.id as string;
    const water = (await ask('POST', '/api/abrasives', stone('1000', '1000'))).body.id as string;
    const guide = (await ask('POST', '/api/guides', GUIDE)).body.id as string;
    await ask('PUT', '/api/settings', { name: 'Shed', units: 'mm', decimalMark: 'point', version: 0 });
    let run = 0;
    let seq = 0;

    /** A write and the addresses it may change; after it they are known anew. */
    const write = async (
      kind: string,
      paths: readonly string[],
      work: () => Promise<Answer>,
    ): Promise<Answer> => {
      for (const path of paths) ledger.unsure.add(path);
      const answer = await work();
      if (answer.status >= 500) throw new Error(`${kind}: ${answer.status}`);
      if (answer.status < 300) {
        acknowledged += 1;
        kinds.set(kind, (kinds.get(kind) ?? 0) + 1);
      }
      for (const path of paths) await ledger.note(path);
      return answer;
    };
    const added = async (kind: string, path: string, thing: object): Promise<void> => {
      const { body } = await write(kind, [], () => ask('POST', path, thing));
      if (body?.id) await ledger.note(`${path}/${body.id as string}`);
    };
    const turned = async (way: 'undo' | 'redo'): Promise<void> => {
      const list = (await ask('GET', '/api/undo')).body as Record<typeof way, { id: number }[]>;
      const next = list[way][0];
      if (next)
        await write(way, [...ledger.known.keys()], () => ask('POST', `/api/undo/${way}`, { id: next.id }));
    };
    const request = {
      condition: { kind: 'dull' },
      finishUm: 16,
      forceN: 20,
      strokesPerMin: 40,
      laidAside: [],
    };
    const writes: readonly (() => Promise<unknown>)[] = [
      () => added('tool', '/api/tools', TOOLS.skew),
      () => added('session', '/api/sessions', session(tool)),
      () => added('abrasive', '/api/abrasives', stone('8000', '8000')),
      () => added('care', '/api/cares', { abrasiveId: water, kind: 'flattened', at: '2026-11-24T09:00:00Z' }),
      () => added('guide', '/api/guides', GUIDE),
      () => added('plan', '/api/plans', { name: 'Dull', toolId: tool, guideId: guide, request }),
      async () => {
        const path = `/api/tools/${tool}`;
        const { version } = (await ask('GET', path)).body;
        await write('change', [path], () =>
          ask('PUT', path, { ...TOOLS['bench-chisel'], notes: `Change ${version}`, version }),
        );
      },
      async () => {
        const [path] =
          [...ledger.known].find(
            ([each, text]) => each.startsWith('/api/tools/') && !each.endsWith(tool) && text !== '404',
          ) ?? [];
        if (path === undefined) return;
        const { version } = (await ask('GET', path)).body;
        await write('removal', [path], () => ask('DELETE', `${path}?version=${version}`));
      },
      () => turned('undo'),
      () => turned('redo'),
      () => added('board', '/api/boards', { ...BOARD, guideId: guide }),
      async () => {
        const path = `/api/abrasives/${water}`;
        const csv = `id,name,kind,grade.standard,grade.grade,lubricant,strokeMm,overheadMin\n${water},Table ${acknowledged},water-stone,JIS,1000,water,150,1`;
        await write('table', [path], () => ask('POST', '/api/sets/import', { csv }));
      },
      async () => {
        const file = (await ask('GET', '/api/workshop')).body as object;
        await write('file', [...ledger.known.keys()], () =>
          ask('PUT', '/api/workshop', { ...file, name: `Shed after ${acknowledged}` }),
        );
      },
      async () => {
        const { version } = (await ask('GET', '/api/settings')).body;
        await write('settings', ['/api/settings'], () =>
          ask('PUT', '/api/settings', {
            name: `Shed ${version}`,
            units: 'mm',
            decimalMark: 'point',
            version,
          }),
        );
      },
      async () => {
        const path = `/api/runs/run${run}`;
        const events = runEvents(
          `run${run}`,
          tool,
          ...Array.from({ length: 40 }, () => ({ kind: 'strokes', count: 1 })),
          { kind: 'finished' },
        );
        const { body } = await write('run', [path], () =>
          ask('POST', `${path}/events`, { events: events.slice(seq, seq + 5) }),
        );
        seq = (body?.next as number | undefined) ?? seq;
        if (seq >= events.length) [run, seq] = [run + 1, 0];
      },
    ];
    for (let round = 0; round < kills; round++) {
      // Threads and processes take a moment to start; a kill that always came first would try none of them.
      await Promise.all([
        ask('POST', '/api/calc/back-bevel', { shimMm: 0.5, distanceMm: 45 }),
        ask('GET', '/api/workshop'),
        ask('GET', '/api/records'),
      ]);
      const gone = once(program, 'exit');
      setTimeout(() => program.kill('SIGKILL'), anyNumber() * LONGEST_MS);
      try {
        for (;;) await writes[Math.floor(anyNumber() * writes.length)]?.();
      } catch (reason) {
        if (!(reason instanceof TypeError)) failures.push((reason as Error).message);
      }
      await gone;
      if (told() !== '') failures.push(`told: ${told()}`);
      ({ program, ask, told } = await started(folder));
      failures.push(...(await ledger.differences()).map((each) => each.slice(0, 300)));
      const next = (await ask('GET', `/api/runs/run${run}`)).body?.next as number | undefined;
      seq = next ?? seq;
      // The addresses read after each kill stay few.
      for (const path of [...ledger.known.keys()].slice(0, -60)) ledger.known.delete(path);
    }
    const exported = await ask('GET', '/api/workshop');
    const opens = await ask('PUT', '/api/workshop', exported.body);
    if (opens.status !== 200) failures.push(`its export does not open: ${opens.body.detail as string}`);
    program.kill('SIGTERM');
    await once(program, 'exit');
  });
  const spread = [...kinds].map(([kind, count]) => `${kind} ${count}`).join(', ');
  return {
    what: 'kills amid writes',
    tried: `${kills} kills, ${acknowledged} writes acknowledged (${spread})`,
    failures,
  };
}
