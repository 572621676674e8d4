import type { Stored } from '@mellow-anvil/contract';
import {
  benchAtWork,
  benchRecord,
  edgeHistory,
  inOrder,
  rateReadings,
  readingsNow,
  usesOfStones,
  type Abrasive,
  type BenchRecord,
  type Care,
  type OwnedAbrasive,
  type RateReading,
  type RecordedSession,
  type SizedAbrasive,
  type StoneAtWork,
  type StoneRecord,
  type Tool,
  type UseOfStone,
} from '@mellow-anvil/core';
import { abrasives } from '../abrasives/abrasives.js';
import { cares } from '../abrasives/cares.js';
import { sessions } from '../sessions/sessions.js';
import type { Connection } from '../storage/database.js';
import { notFound } from '../shared/problem.js';
import { entriesOf } from './entries.js';
import { rowsOf } from '../shared/rows.js';
import { toStored } from '../shared/store.js';
import { tools } from '../tools/tools.js';
import type { Commands } from '../undo/commands.js';

/** What the bench’s own record comes to, and the names of what is off it. */
export interface BenchAnswer {
  readonly stones: BenchRecord;
  /** Abrasives since removed that the record may name. */
  readonly gone: readonly { readonly id: string; readonly name: string }[];
}

/** One stone’s record whole. */
export interface StoneAnswer extends StoneRecord {
  readonly readings: readonly RateReading[];
  readonly cares: readonly Stored<Care>[];
}

interface ToolsPart {
  readonly uses: readonly UseOfStone[];
  readonly readings: readonly RateReading[];
}

/**
 * How every abrasive stands, reckoned by core from all that was done on it and for it, and kept until
 * something it rests on is stored. Rates are read against those assumed, so that what was learned never
 * teaches itself.
 */
export class BenchService {
  private readonly parts = new Map<string, ToolsPart>();
  /** Rises with everything stored, so that what was read before is not kept as what is so after. */
  private stored = 0;
  private reckoned: Promise<{ record: BenchRecord; readings: readonly RateReading[] }> | undefined;

  constructor(
    private readonly database: Connection,
    commands: Pick<Commands, 'onStored'>,
  ) {
    commands.onStored((rows) => {
      this.stored += 1;
      for (const { kind, row } of rows) {
        if (kind === 'abrasives') this.parts.clear();
        else if (kind === 'tools') this.parts.delete(row.id);
        else if (kind === 'sessions') this.parts.delete(row['toolId'] as string);
        if (['abrasives', 'tools', 'sessions', 'cares'].includes(kind)) this.reckoned = undefined;
      }
    });
  }

  /** Forgets everything, after the database was changed behind this back. */
  forget(): void {
    this.stored += 1;
    this.parts.clear();
    this.reckoned = undefined;
  }

  /** Reckons what some tools say of the stones, ahead of being asked for it. */
  async makeReady(toolIds: readonly string[]): Promise<void> {
    const bench = inOrder(await this.everOwned());
    await this.partsOf(new Map(bench.map((stone) => [stone.id, stone])), new Set(toolIds));
  }

  async record(): Promise<BenchRecord> {
    return (await this.now()).record;
  }

  async all(): Promise<BenchAnswer> {
    const gone = await rowsOf(this.database, abrasives, '"deletedAt" IS NOT NULL');
    return {
      stones: await this.record(),
      gone: gone.map((row) => ({ id: row.id, name: abrasives.fromRow(row).name })),
    };
  }

  /** @throws HttpProblem 404 */
  async one(id: string): Promise<StoneAnswer> {
    const [row] = await rowsOf(this.database, abrasives, '"deletedAt" IS NULL AND id = $id', { id });
    if (!row) throw notFound('This abrasive');
    const { record, readings } = await this.now();
    const cared = await rowsOf(this.database, cares, '"deletedAt" IS NULL AND "abrasiveId" = $id', { id });
    return {
      ...(record[id] as StoneRecord),
      readings: readingsNow(
        abrasives.fromRow(row),
        readings.filter(({ abrasiveId }) => abrasiveId === id),
      ),
      cares: cared.map((each) => toStored(cares, each)).sort((a, b) => (a.at < b.at ? 1 : -1)),
    };
  }

  /** Every abrasive there ever was at the rate it is known to cut at: removed ones too, for what was honed on them stays honed. */
  async everAtWork(): Promise<readonly StoneAtWork[]> {
    return benchAtWork(await this.everOwned(), await this.record());
  }

  private now(): Promise<{ record: BenchRecord; readings: readonly RateReading[] }> {
    const reckoning = (this.reckoned ??= this.reckon());
    // A failed reading is not kept for the next to find.
    reckoning.catch(() => {
      if (this.reckoned === reckoning) this.reckoned = undefined;
    });
    return reckoning;
  }

  private async reckon(): Promise<{ record: BenchRecord; readings: readonly RateReading[] }> {
    const bench = inOrder(await this.everOwned());
    const parts = await this.partsOf(new Map(bench.map((stone) => [stone.id, stone])));
    const cared = await rowsOf(this.database, cares, '"deletedAt" IS NULL');
    const readings = parts.flatMap((part) => part.readings);
    const record = benchRecord(
      bench,
      parts.flatMap((part) => part.uses),
      cared.map((row) => cares.fromRow(row)),
      readings,
    );
    return { record, readings };
  }

  private async partsOf(
    bench: ReadonlyMap<string, SizedAbrasive>,
    of?: ReadonlySet<string>,
  ): Promise<readonly ToolsPart[]> {
    const { stored } = this;
    const all = await rowsOf(this.database, tools, '"deletedAt" IS NULL');
    const rack = of ? all.filter(({ id }) => of.has(id)) : all;
    const missing = rack.filter(({ id }) => !this.parts.has(id));
    const entries = await entriesOf(
      this.database,
      missing.map(({ id }) => id),
    );
    const byTool = new Map<unknown, RecordedSession[]>(missing.map(({ id }) => [id, []]));
    for (const entry of entries) {
      byTool.get(entry['toolId'])?.push({ id: entry.id, ...sessions.fromRow(entry) });
    }
    const fresh = new Map(
      missing.map((row) => [row.id, partOf(tools.fromRow(row), byTool.get(row.id) ?? [], bench)]),
    );
    if (stored === this.stored) for (const [id, part] of fresh) this.parts.set(id, part);
    return rack.flatMap(({ id }) => fresh.get(id) ?? this.parts.get(id) ?? []);
  }

  private async everOwned(): Promise<OwnedAbrasive[]> {
    const rows = await rowsOf(this.database, abrasives, '1');
    return rows.map((row) => ({ ...(abrasives.fromRow(row) as Abrasive), id: row.id }));
  }
}

function partOf(
  tool: Tool,
  entries: readonly RecordedSession[],
  bench: ReadonlyMap<string, SizedAbrasive>,
): ToolsPart {
  // Only a flat-backed edge’s steel is known well enough to read a stone’s rate from it.
  const readings =
    tool.edge.form === 'single-bevel'
      ? rateReadings(tool, edgeHistory(tool, entries, [...bench.values()]), bench)
      : [];
  return { uses: usesOfStones(tool, entries, bench), readings };
}
