import fc from 'fast-check';
import type { Workshop } from '@mellow-anvil/core/workshop';
import { BOARD, GUIDE, JIGS, TOOLS, runEvents, session, stone } from '../fixtures.js';
import { openTestWorkshop, type TestWorkshop } from '../workshop.js';

/** A step of a walk through everything that can be stored: what to do, to which thing, with what words. */
interface Step {
  readonly what: keyof typeof STEPS;
  readonly which: number;
  readonly text: string;
  readonly at: string;
}

/** What people and programs send for an instant, right or wrong. */
const INSTANTS = [
  '2026-11-23T09:30:00Z',
  '2026-11-23T09:30:00+05',
  '2026-11-23T09:30:00.25+05:30',
  '2026-11-23T09:30',
  '2026-11-23',
  '2026-02-30T09:30:00Z',
  '0000-01-01T00:00:00+10:00',
  '9999-12-31T23:59:59-10:00',
];

/** Things stored so far, by kind, live or not: a step may name one that is gone. */
type Made = Record<'tools' | 'guides' | 'abrasives' | 'sessions' | 'cares' | 'boards' | 'plans', string[]>;
type Work = (shop: TestWorkshop, made: Made, step: Step) => Promise<unknown>;

const pick = <T>(list: readonly T[], which: number): T | undefined =>
  list.length === 0 ? undefined : list[which % list.length];

const add = (kind: keyof Made, thing: (made: Made, step: Step) => object | undefined): Work => {
  return async (shop, made, step) => {
    const wanted = thing(made, step);
    if (!wanted) return;
    const { status, body } = await shop.ask('POST', `/api/${kind}`, wanted);
    if (status === 201) made[kind].push(body.id as string);
  };
};
const KINDS = ['tools', 'guides', 'abrasives', 'sessions', 'cares', 'boards', 'plans'] as const;

const turn = (way: 'undo' | 'redo'): Work => {
  return async (shop) => {
    const list = (await shop.ask('GET', '/api/undo')).body as Record<typeof way, { id: number }[]>;
    const next = list[way][0];
    if (next) await shop.ask('POST', `/api/undo/${way}`, { id: next.id });
  };
};

const STEPS = {
  tool: add('tools', (_made, { which, text }) => ({
    ...pick(Object.values(TOOLS), which),
    name: text || 'Tool',
    notes: text,
  })),
  guide: add('guides', (_made, { which, text }) => ({
    ...pick([GUIDE, ...JIGS], which),
    name: text || 'Guide',
  })),
  stone: add('abrasives', (_made, { which, text, at }) => ({
    ...stone(text || 'Stone', pick(['400', '1000', '8000'], which) as string),
    ...(which % 3 === 0 && { learnFrom: at }),
    ...(which % 4 === 0 && { sets: [text.trim() || 'Set'] }),
  })),
  entry: add('sessions', ({ tools, abrasives }, { which, text, at }) => {
    const toolId = pick(tools, which);
    if (toolId === undefined) return undefined;
    const abrasiveId = pick(abrasives, which) ?? 'never-there';
    return {
      ...session(toolId),
      startedAt: at,
      steps: [{ abrasiveId, strokes: which % 50, minutes: 1 }],
      notes: text,
    };
  }),
  care: add('cares', ({ abrasives }, { which, at, text }) => {
    const abrasiveId = pick(abrasives, which);
    return abrasiveId === undefined ? undefined : { abrasiveId, kind: 'flattened', at, notes: text };
  }),
  board: add('boards', ({ guides }, { which, text }) => {
    const guideId = pick(guides, which);
    return guideId === undefined
      ? undefined
      : {
          ...BOARD,
          name: text || 'Board',
          guideId,
        };
  }),
  plan: add('plans', ({ tools, guides }, { which, text }) => {
    const toolId = pick(tools, which);
    const guideId = pick(guides, which);
    const request = {
      condition: { kind: 'dull' },
      finishUm: 16,
      forceN: 20,
      strokesPerMin: 40,
      laidAside: [],
    };
    return toolId === undefined
      ? undefined
      : { name: text || 'Plan', toolId, ...(guideId && { guideId }), request };
  }),
  change: async (shop, made, { which, text, at }) => {
    const kind = pick(KINDS, which) as (typeof KINDS)[number];
    const path = `/api/${kind}/${pick(made[kind], which)}`;
    const { status, body } = await shop.ask('GET', path);
    if (status !== 200) return;
    const {
      id: _id,
      createdAt: _made,
      updatedAt: _changed,
      result: _result,
      revision: _r,
      cutOn: _c,
      earlier: _e,
      ...thing
    } = body;
    await shop.ask('PUT', path, {
      ...thing,
      ...('notes' in thing && { notes: text }),
      ...('startedAt' in thing && { startedAt: at }),
      ...(kind === 'tools' && which % 2 === 0 && { overruling: { state: 'hone', at } }),
    });
  },
  remove: async (shop, made, { which }) => {
    const kind = pick(KINDS, which) as (typeof KINDS)[number];
    const path = `/api/${kind}/${pick(made[kind], which)}`;
    const { status, body } = await shop.ask('GET', path);
    if (status === 200) await shop.ask('DELETE', `${path}?version=${body.version as number}`);
  },
  run: async (shop, made, { which, at }) => {
    const toolId = pick(made.tools, which);
    if (toolId === undefined) return;
    // Sometimes under the id of an entry there is.
    const id = which % 5 === 0 ? (pick(made.sessions, which) ?? `run${which % 7}`) : `run${which % 7}`;
    const next = ((await shop.ask('GET', `/api/runs/${id}`)).body.next as number | undefined) ?? 0;
    const events = runEvents(
      id,
      toolId,
      { kind: 'strokes', count: 3 },
      { kind: 'done' },
      { kind: 'finished' },
    );
    const some = events.slice(next, next + 1 + (which % 4)).map((event) => ({ ...event, at }));
    await shop.ask('POST', `/api/runs/${id}/events`, { events: which % 6 === 0 ? [...some, ...some] : some });
  },
  together: async (shop, made, { which, at }) => {
    // An entry on its way while its tool is being removed.
    const toolId = pick(made.tools, which);
    const { status, body } = await shop.ask('GET', `/api/tools/${toolId}`);
    if (status !== 200 || toolId === undefined) return;
    await Promise.all([
      shop.ask('POST', '/api/sessions', { ...session(toolId), startedAt: at }),
      shop.ask('DELETE', `/api/tools/${toolId}?version=${body.version as number}`),
      shop.ask('POST', '/api/sessions', { ...session(toolId), startedAt: at }),
    ]);
  },
  undo: turn('undo'),
  redo: turn('redo'),
  settings: async (shop, _made, { text, which }) => {
    const { version } = (await shop.ask('GET', '/api/settings')).body;
    const chosen = { name: text || 'Shed', units: which % 2 ? 'mm' : 'inch', decimalMark: 'comma' };
    await shop.ask('PUT', '/api/settings', { ...chosen, version });
  },
  table: async (shop, _made, { which, text }) => {
    const csv = (await shop.ask('GET', '/api/sets/set.csv')).body as string;
    await shop.ask('POST', '/api/sets/import', {
      csv,
      ...(which % 2 === 0 && { set: text.slice(0, 40) || 'Set' }),
    });
  },
  reopen: async (shop) => {
    await shop.ask('PUT', '/api/workshop', (await shop.ask('GET', '/api/workshop')).body);
  },
} as const satisfies Record<string, Work>;

const steps = fc.record<Step>({
  what: fc.constantFrom(...(Object.keys(STEPS) as (keyof typeof STEPS)[])),
  which: fc.nat(10_000),
  text: fc.oneof(
    fc.string({ maxLength: 30, unit: 'binary' }),
    fc.constantFrom("'=x", '＝1+1', ' blanks ', '@here', "''-", 'ordinary'),
  ),
  at: fc.constantFrom(...INSTANTS),
});

/**
 * Walks through everything that can be stored over HTTP, in fast-check's hands: whatever was accepted, the
 * workshop's export opens in an empty workshop and is there the same file.
 * @throws what fast-check found, shrunk
 */
export async function walkThroughEverything(length: number, walks: number): Promise<void> {
  await fc.assert(
    fc.asyncProperty(fc.array(steps, { minLength: length, maxLength: length }), async (walk) => {
      const [shop, other] = [await openTestWorkshop(), await openTestWorkshop()];
      try {
        const made: Made = {
          tools: [],
          guides: [],
          abrasives: [],
          sessions: [],
          cares: [],
          boards: [],
          plans: [],
        };
        for (const [i, step] of walk.entries()) {
          await STEPS[step.what](shop, made, step);
          if (i % 40 < 39 && i < walk.length - 1) continue;
          const file = (await shop.ask('GET', '/api/workshop')).body as Workshop;
          const opened = await other.ask('PUT', '/api/workshop', file);
          if (opened.status !== 200)
            throw new Error(`its export does not open: ${JSON.stringify(opened.body)}`);
          expectSame('its export', (await other.ask('GET', '/api/workshop')).body, file);
          // What is reckoned of it is the same too, wherever it is opened.
          for (const what of [recordsOf, stonesOf]) {
            expectSame(what.name, await what(other, file), await what(shop, file));
          }
        }
      } finally {
        await shop.close();
        await other.close();
      }
    }),
    {
      numRuns: walks,
      plugins: [fc.interruptAfterTimeLimit(20 * 60_000, { failOnInterrupt: false })],
      endOnFailure: true,
    },
  );
}

const recordsOf = async (shop: TestWorkshop): Promise<unknown> =>
  (await shop.ask('GET', '/api/records')).body;

/** How the stones of a file stand; those that were removed and that nothing names are not carried away. */
async function stonesOf(shop: TestWorkshop, { abrasives }: Workshop): Promise<unknown> {
  const { stones } = (await shop.ask('GET', '/api/stones')).body as { stones: Record<string, unknown> };
  return abrasives.map(({ id }) => stones[id]);
}

function expectSame(what: string, now: unknown, before: unknown): void {
  const [a, b] = [sorted(now), sorted(before)];
  if (a === b) return;
  const at = Array.from(a).findIndex((letter, i) => letter !== b[i]);
  const near = (text: string): string => text.slice(Math.max(0, at - 80), at + 80);
  throw new Error(`${what} is another where it was opened: …${near(a)}… for …${near(b)}…`);
}

/** As text, the fields of every object in one order. */
const sorted = (value: unknown): string =>
  JSON.stringify(value, (_key, each: unknown) =>
    typeof each === 'object' && each !== null && !Array.isArray(each)
      ? Object.fromEntries(Object.entries(each).sort(([a], [b]) => (a < b ? -1 : 1)))
      : each,
  );
