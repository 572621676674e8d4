import type { StoneAnswer, StonesAnswer } from '@mellow-anvil/contract';
import {
  type Abrasive,
  inOrder,
  type OwnedAbrasive,
  type SizedAbrasive,
  type StoneAtWork,
  type StoneRecord,
  stonesAtWork,
  type StonesRecord,
} from '@mellow-anvil/core/abrasive';
import type { Tool } from '@mellow-anvil/core/blade';
import {
  type HistoryEntry,
  type RateReading,
  rateReadings,
  readingsNow,
  type RecordedSession,
  stonesRecord,
  type UseOfStone,
  usesOfStones,
} from '@mellow-anvil/core/record';
import { abrasiveTable, careTable } from '../abrasives/tables.js';
import type { Connection } from '../../storage/database.js';
import { notFound } from '../../platform/problem.js';
import { liveRowsOf, rowsOf } from '../../storage/rows.js';
import { toStored } from '../../storage/table.js';
import type { Entries } from './entries.js';
import { Histories } from './histories.js';
import { KeptByTool, type LastReckoned } from './kept-by-tool.js';
import { DerivedAnswers, type Changes, type Derived } from '../../storage/derived-answers.js';

/** Kinds that how the stones stand rests on. */
export const RESTED_ON: ReadonlySet<string> = new Set(['tools', 'sessions', 'abrasives', 'cares']);

/** All the stones together are one subject: a reading of one tool may move the rate of any. */
const ALL = 'all';
const NOTHING_ELSE: ReadonlySet<string> = new Set();

interface Reckoned {
  readonly record: StonesRecord;
  readonly readings: readonly RateReading[];
}

export interface ToolsPart {
  readonly uses: readonly UseOfStone[];
  readonly readings: readonly RateReading[];
}

/**
 * How every abrasive stands, reckoned by core from all that was done on it and for it, and kept until
 * something it rests on is stored. Rates are read against those assumed, so that what was learned never
 * teaches itself.
 */
export class StonesService {
  private readonly parts: KeptByTool<SizedAbrasive, ToolsPart>;
  private readonly histories = new Histories<SizedAbrasive>();
  private readonly answers: DerivedAnswers<Reckoned>;
  /** What was reckoned last, which stands as long as its tools say the same of the same stones. */
  private last: (Reckoned & { readonly parts: readonly ToolsPart[] }) | undefined;
  /** Rises with every stone and care stored. */
  private stones = 0;

  constructor(
    private readonly database: Connection,
    entries: Entries,
    changes: Changes,
    last: LastReckoned<SizedAbrasive, ToolsPart>,
  ) {
    this.parts = new KeptByTool(database, entries, changes, last, (id, tool, own, stones) =>
      partOf(tool, own, stones, () => this.histories.of(id, tool, own, stones)),
    );
    this.answers = new DerivedAnswers(changes, ({ kind }) => (RESTED_ON.has(kind) ? [ALL] : []));
    changes.onStored((stored) => {
      if (!stored.some(({ kind }) => kind === 'abrasives' || kind === 'cares')) return;
      this.stones += 1;
      this.last = undefined;
    });
  }

  /** Reckons what some tools say of the stones, ahead of being asked for it. */
  async makeReady(toolIds: readonly string[]): Promise<void> {
    await this.parts.of(inOrder(await this.everOwned()), toolIds);
  }

  async record(): Promise<StonesRecord> {
    return (await this.now()).record;
  }

  async all(): Promise<StonesAnswer> {
    const gone = await rowsOf(this.database, abrasiveTable, '"deletedAt" IS NOT NULL');
    return {
      stones: await this.record(),
      gone: gone.map((row) => ({ id: row.id, name: abrasiveTable.fromRow(row).name })),
    };
  }

  /** @throws HttpProblem 404 */
  async one(id: string): Promise<StoneAnswer> {
    const [row] = await liveRowsOf(this.database, abrasiveTable, 'id = $id', { id });
    if (!row) throw notFound('This stone');
    const { record, readings } = await this.now();
    const cared = await liveRowsOf(this.database, careTable, '"abrasiveId" = $id', { id });
    return {
      ...(record[id] as StoneRecord),
      readings: readingsNow(
        abrasiveTable.fromRow(row),
        readings.filter(({ abrasiveId }) => abrasiveId === id),
      ),
      cares: cared.map((each) => toStored(careTable, each)).sort((a, b) => (a.at < b.at ? 1 : -1)),
    };
  }

  /** Every abrasive there ever was at the rate it is known to cut at: removed ones too, for what was honed on them stays honed. */
  async everAtWork(): Promise<readonly StoneAtWork[]> {
    return stonesAtWork(await this.everOwned(), await this.record());
  }

  private async now(): Promise<Reckoned> {
    const answers = await this.answers.of([ALL], async (missing) =>
      missing.length === 0
        ? new Map<string, Derived<Reckoned>>()
        : new Map([[ALL, { answer: await this.reckon(), restsOn: NOTHING_ELSE }]]),
    );
    return answers.get(ALL) as Reckoned;
  }

  private async reckon(): Promise<Reckoned> {
    const { stones } = this;
    const bench = inOrder(await this.everOwned());
    const parts = [...(await this.parts.of(bench)).values()];
    if (this.last && sameList(this.last.parts, parts)) return this.last;
    const cared = await liveRowsOf(this.database, careTable);
    const readings = parts.flatMap((part) => part.readings);
    const record = stonesRecord(
      bench,
      parts.flatMap((part) => part.uses),
      cared.map((row) => careTable.fromRow(row)),
      readings,
    );
    if (stones === this.stones) this.last = { record, readings, parts };
    return { record, readings };
  }

  private async everOwned(): Promise<OwnedAbrasive[]> {
    const rows = await rowsOf(this.database, abrasiveTable, '1');
    return rows.map((row) => ({ ...(abrasiveTable.fromRow(row) as Abrasive), id: row.id }));
  }
}

function partOf(
  tool: Tool,
  entries: readonly RecordedSession[],
  stones: readonly SizedAbrasive[],
  history: () => readonly HistoryEntry[],
): ToolsPart {
  const bench = new Map(stones.map((stone) => [stone.id, stone]));
  // Only a flat-backed edge’s steel is known well enough to read a stone’s rate from it.
  const readings = tool.edge.form === 'single-bevel' ? rateReadings(tool, history(), bench) : [];
  return { uses: usesOfStones(tool, entries, bench), readings };
}

const sameList = (one: readonly unknown[], other: readonly unknown[]): boolean =>
  one.length === other.length && one.every((each, i) => each === other[i]);
