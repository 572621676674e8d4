import { readWorkshop, type Opened, type ResourceName } from '@mellow-anvil/contract';
import { Op, type Transaction } from 'sequelize';
import type { OwnedAbrasive } from '@mellow-anvil/core/abrasive';
import type { Identified } from '@mellow-anvil/core/base';
import type { Session } from '@mellow-anvil/core/record';
import { DEFAULT_SETTINGS, type Plan, type Workshop, WORKSHOP_FORMAT } from '@mellow-anvil/core/workshop';
import { abrasives } from '../abrasives/index.js';
import type { Connection } from '../../storage/database.js';
import type { AnyKind } from '../../storage/kind.js';
import type { Row } from '../../storage/table.js';
import { invalid } from '../../platform/problem.js';
import { SETTINGS_ID, settings, settingsRow } from '../settings/index.js';
import { changedRow, newRow, removedRow } from '../../storage/store.js';
import type { Commands, RowChange } from '../../storage/commands.js';

type Collection = ResourceName;

/** Told how far the work on a file has come. */
type Progress = (done: number, of: number) => void;

/** The whole workshop out of the database and into it. */
export class WorkshopService {
  private readonly database: Connection;
  /** The collections of the open file, in the order they are written. */
  private readonly collections: readonly AnyKind[];

  constructor(private readonly commands: Commands) {
    this.database = commands.database;
    this.collections = commands.kinds.all.filter(({ name }) => name !== 'settings');
  }

  private async isEmpty(): Promise<boolean> {
    const counts = await Promise.all(
      this.collections.map((kind) =>
        kind.model(this.database.sequelize).count({ where: { deletedAt: null } }),
      ),
    );
    return counts.every((count) => count === 0);
  }

  async export(): Promise<Workshop> {
    const { sequelize } = this.database;
    // One read transaction, so that the parts of the file belong together.
    return sequelize.transaction(async (transaction) => {
      const named = (await settings
        .model(sequelize)
        .findOne({ where: { id: SETTINGS_ID, deletedAt: null }, raw: true, transaction })) as Row | null;
      const collections = {} as Record<Collection, unknown[]>;
      for (const kind of this.collections) {
        const rows = await kind.model(sequelize).findAll({
          where: { deletedAt: null },
          // By id, so that the same workshop is the same file, wherever it has been.
          order: [['id', 'ASC']],
          raw: true,
          transaction,
        });
        collections[kind.name as Collection] = (rows as unknown as Row[]).map((row) => ({
          id: row.id,
          ...(kind.fromRow(row) as object),
        }));
      }
      const guides = new Set((collections.guides as { id: string }[]).map(({ id }) => id));
      collections.plans = (collections.plans as Identified<Plan>[]).map((plan) =>
        withoutGoneGuide(plan, guides),
      );
      const removedAbrasives = await this.removedButNamed(collections.sessions as Session[], transaction);
      const { name, packing } = named ? settings.fromRow(named) : DEFAULT_SETTINGS;
      return {
        format: 'mellow-anvil-workshop',
        version: WORKSHOP_FORMAT,
        name,
        ...(collections as unknown as Pick<Workshop, Collection>),
        ...(removedAbrasives.length > 0 && { removedAbrasives }),
        ...(packing && { packing }),
      };
    });
  }

  /** Abrasives off the bench that a session was honed on: without them its steel could not be told any more. */
  private async removedButNamed(
    sessionsOfAll: readonly Session[],
    transaction: Transaction,
  ): Promise<OwnedAbrasive[]> {
    const used = new Set(
      sessionsOfAll.flatMap(({ steps = [] }) => steps.map(({ abrasiveId }) => abrasiveId)),
    );
    const rows = await abrasives
      .model(this.database.sequelize)
      .findAll({ where: { deletedAt: { [Op.ne]: null } }, order: [['id', 'ASC']], raw: true, transaction });
    return (rows as unknown as Row[])
      .filter(({ id }) => used.has(id))
      .map((row) => ({ id: row.id, ...abrasives.fromRow(row) }));
  }

  /**
   * Puts a workshop file in place of everything stored, as one command that can be undone.
   * @param wanted asked last of all, within the transaction; rejects when it was stopped
   * @throws HttpProblem 422 naming each entry that is wrong; then nothing is changed.
   */
  async import(
    body: unknown,
    progress: Progress = () => undefined,
    wanted: () => Promise<void> = () => Promise.resolve(),
  ): Promise<Opened> {
    // Read first, then stored: each is about half of it.
    const half = (at: 0 | 1): Progress => {
      return (done, of) => progress(Math.round(1000 * (at + done / of)), 2000);
    };
    const read = readWorkshop(body, half(0));
    if (!read.ok) throw invalid(read.errors);
    const workshop = read.value;
    refuseLooseEnds(workshop);
    await this.commands.perform(
      `Open the workshop “${workshop.name}”`,
      async (transaction) => {
        const changes: RowChange[] = [await this.settled(workshop, transaction)];
        for (const kind of this.collections) {
          const found = (await kind
            .model(this.database.sequelize)
            .findAll({ raw: true, transaction })) as unknown as Row[];
          const before = new Map(found.map((row) => [row.id, row]));
          for (const { id, ...thing } of (workshop[kind.name as Collection] ??
            []) as readonly Identified<object>[]) {
            const row = before.get(id);
            before.delete(id);
            changes.push({
              kind: kind.name,
              before: row ?? null,
              after: row ? changedRow(kind, row, thing) : newRow(kind, thing, id),
            });
          }
          const gone = kind.name === 'abrasives' ? (workshop.removedAbrasives ?? []) : [];
          for (const { id, ...thing } of gone) {
            const row = before.get(id);
            before.delete(id);
            const now = row ? changedRow(kind, row, thing) : newRow(kind, thing, id);
            changes.push({
              kind: kind.name,
              before: row ?? null,
              after: { ...now, deletedAt: row?.deletedAt ?? now.updatedAt },
            });
          }
          for (const row of before.values()) {
            if (row.deletedAt === null)
              changes.push({ kind: kind.name, before: row, after: removedRow(row) });
          }
        }
        return changes;
      },
      { whole: true, last: wanted, progress: half(1) },
    );
    const counts = Object.fromEntries(
      this.collections.map(({ name }) => [name, workshop[name as Collection]?.length ?? 0]),
    );
    return { name: workshop.name, counts: counts as Record<Collection, number> };
  }

  /** Begins an empty workshop with a file; there is nothing before it to go back to. */
  async begin(body: unknown): Promise<void> {
    if (!(await this.isEmpty())) return;
    await this.import(body);
    await this.commands.forget();
  }

  /** The file's name and packing; how figures are written stays as it was chosen here. */
  private async settled({ name, packing }: Workshop, transaction: Transaction): Promise<RowChange> {
    const before = await settingsRow(this.database, transaction);
    const { packing: _, ...here } = before ? settings.fromRow(before) : DEFAULT_SETTINGS;
    const chosen = { ...here, name, ...(packing && { packing }) };
    const after = before ? changedRow(settings, before, chosen) : newRow(settings, chosen, SETTINGS_ID);
    return { kind: settings.name, before, after };
  }
}

/** A plan outlives the guide it was set on; in the file it then names none. */
function withoutGoneGuide(plan: Identified<Plan>, guides: ReadonlySet<string>): Identified<Plan> {
  if (plan.guideId === undefined || guides.has(plan.guideId)) return plan;
  const { guideId: _gone, seatName: _seat, ...rest } = plan;
  return rest;
}

/** A plan or session that names a tool the file does not hold would point at nothing. */
function refuseLooseEnds(workshop: Workshop): void {
  const [tools, guides] = [
    new Set(workshop.tools.map(({ id }) => id)),
    new Set(workshop.guides.map(({ id }) => id)),
  ];
  const loose = (field: string, what: string, id: string): { field: string; message: string }[] => [
    { field, message: `The file holds no ${what} “${id}”: add it, or leave this entry out.` },
  ];
  const stones = new Set(workshop.abrasives.map(({ id }) => id));
  const errors = [
    ...workshop.plans.flatMap((plan, i) =>
      tools.has(plan.toolId) ? [] : loose(`plans.${i}.toolId`, 'tool', plan.toolId),
    ),
    ...(workshop.boards ?? []).flatMap((board, i) =>
      guides.has(board.guideId) ? [] : loose(`boards.${i}.guideId`, 'guide', board.guideId),
    ),
    ...workshop.plans.flatMap((plan, i) =>
      plan.guideId === undefined || guides.has(plan.guideId)
        ? []
        : loose(`plans.${i}.guideId`, 'guide', plan.guideId),
    ),
    ...(workshop.cares ?? []).flatMap((care, i) =>
      stones.has(care.abrasiveId) ? [] : loose(`cares.${i}.abrasiveId`, 'abrasive', care.abrasiveId),
    ),
    ...(workshop.removedAbrasives ?? []).flatMap(({ id }, i) =>
      stones.has(id)
        ? [
            {
              field: `removedAbrasives.${i}.id`,
              message: `“${id}” stands among the abrasives too: keep it in one place.`,
            },
          ]
        : [],
    ),
    ...workshop.sessions.flatMap((session, i) =>
      tools.has(session.toolId) ? [] : loose(`sessions.${i}.toolId`, 'tool', session.toolId),
    ),
  ];
  if (errors.length > 0) throw invalid(errors.slice(0, 20));
}
