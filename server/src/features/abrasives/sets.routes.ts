import { randomUUID } from 'node:crypto';
import { ROUTES, type SetFile } from '@mellow-anvil/contract';
import { type Abrasive, inOrder, type OwnedAbrasive, standsIn } from '@mellow-anvil/core/abrasive';
import { liveRowsOf, rowsOf } from '../../storage/rows.js';
import { changedRow, newRow } from '../../storage/store.js';
import type { Commands, RowChange } from '../../storage/commands.js';
import { abrasives } from './abrasives.js';
import { setFromCsv, setFromJson, setToCsv } from './set-file.js';
import { type Served, serving, SENT } from '../../platform/serve.js';

/** Sets of stones, out and in. */
export function setsRoutes(commands: Commands): readonly Served[] {
  const { database } = commands;
  const live = async (): Promise<OwnedAbrasive[]> => {
    const rows = await liveRowsOf(database, abrasives);
    return rows.map((row) => ({ id: row.id, ...abrasives.fromRow(row) }));
  };
  const asked = async (set: string | undefined): Promise<{ name: string; stones: OwnedAbrasive[] }> => {
    const stones = inOrder(await live())
      .filter((stone) => standsIn(stone, set))
      .map(({ sizeUm: _, ...stone }) => stone);
    return { name: set ?? 'The whole bench', stones };
  };
  return [
    serving(ROUTES.setFile, async ({ query: { set }, response }) => {
      const { name, stones } = await asked(set);
      const file: SetFile = { format: 'mellow-anvil-set', version: 1, name, abrasives: stones };
      response
        .attachment(`${fileName(name)}.json`)
        .type('json')
        .send(JSON.stringify(file, null, 2));
      return SENT;
    }),
    serving(ROUTES.setTable, async ({ query: { set }, response }) => {
      const { name, stones } = await asked(set);
      response
        .attachment(`${fileName(name)}.csv`)
        .type('text/csv')
        .send(setToCsv(stones));
      return SENT;
    }),
    serving(ROUTES.takeSetIn, async ({ body: { set, csv, file } }) => {
      const stones = csv === undefined ? setFromJson(file?.abrasives ?? []) : setFromCsv(csv);
      const result = { added: 0, changed: 0 };
      const label = set === undefined ? 'Take stones in' : `Take in the set “${set}”`;
      await commands.perform(label, async () => {
        const rows = await rowsOf(database, abrasives, '1');
        return stones.map(({ id, ...stone }): RowChange => {
          const row = rows.find((each) => each.id === id);
          if (!row) {
            result.added += 1;
            const added = withSet(stone as Abrasive, set);
            return {
              kind: abrasives.name,
              before: null,
              after: newRow(abrasives, added, id ?? randomUUID()),
            };
          }
          // What a table cannot hold stays as it is here: a wheel’s readings, its sets, what was counted.
          result.changed += 1;
          const { wheel, sets, learnFrom, sheets } = abrasives.fromRow(row);
          const merged = {
            ...(wheel && { wheel }),
            ...(sets && { sets }),
            ...(learnFrom !== undefined && { learnFrom }),
            ...stone,
            ...(stone.sheets && { sheets: { ...sheets, ...stone.sheets } }),
          };
          return {
            kind: abrasives.name,
            before: row,
            after: changedRow(abrasives, row, withSet(merged, set)),
          };
        });
      });
      return result;
    }),
  ];
}

/** A stone that stands in a set from now on; one that stands in every set does so already. */
function withSet(stone: Abrasive, set: string | undefined): Abrasive {
  if (set === undefined || stone.sets?.includes(set)) return stone;
  return { ...stone, sets: [...(stone.sets ?? []), set] };
}

const fileName = (name: string): string => name.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase() || 'set';
