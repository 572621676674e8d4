import { randomUUID } from 'node:crypto';
import { Router } from 'express';
import { Joi } from '@mellow-anvil/contract';
import { setNameSchema } from '@mellow-anvil/contract';
import { type Abrasive, inOrder, standsIn } from '@mellow-anvil/core/abrasive';
import type { Identified } from '@mellow-anvil/core/base';
import { checked } from '../shared/resource.routes.js';
import type { Database } from '../storage/database.js';
import { rowsOf } from '../shared/rows.js';
import { changedRow, newRow } from '../shared/store.js';
import type { Commands, RowChange } from '../undo/commands.js';
import { abrasives } from './abrasives.js';
import { setFromCsv, setFromJson, setToCsv, type SetFile } from './set-file.js';

const setName = setNameSchema
  .optional()
  .messages({ '*': 'Name the set in 1 to 40 characters on one line, or leave it out for the whole bench.' });
const whichSet = Joi.object<{ set?: string }>({ set: setName });

/** What is sent to be taken in: a set file, or a table as text, and the set it is to become. */
export const setImportSchema = Joi.object<{
  set?: string;
  csv?: string;
  file?: { name: string; abrasives: object[] };
}>({
  set: setName,
  csv: Joi.string()
    .max(200_000)
    .messages({ '*': 'The table is empty or too long: send at most 200,000 characters.' }),
  file: Joi.object({
    format: Joi.valid('mellow-anvil-set')
      .required()
      .messages({ '*': 'This is not a set file: its “format” is not “mellow-anvil-set”.' }),
    version: Joi.valid(1).required().messages({ '*': 'This release reads set files of version 1.' }),
    name: Joi.string().max(80).required(),
    abrasives: Joi.array().items(Joi.object().unknown()).max(500).required(),
  }),
})
  .xor('csv', 'file')
  .messages({ 'object.missing': 'Send a table as “csv” or a set as “file”.' });

/** Sets of the bench, out and in. */
export function setsRoutes(database: Database, commands: Commands): Router {
  const live = async (): Promise<Identified<Abrasive>[]> => {
    const rows = await rowsOf(database, abrasives, '"deletedAt" IS NULL');
    return rows.map((row) => ({ id: row.id, ...abrasives.fromRow(row) }));
  };
  const asked = async (query: unknown): Promise<{ name: string; stones: Identified<Abrasive>[] }> => {
    const { set } = checked(whichSet, query, true);
    const stones = inOrder(await live())
      .filter((stone) => standsIn(stone, set))
      .map(({ sizeUm: _, ...stone }) => stone);
    return { name: set ?? 'The whole bench', stones };
  };
  return Router()
    .get('/set.json', async (request, response) => {
      const { name, stones } = await asked(request.query);
      const file: SetFile = { format: 'mellow-anvil-set', version: 1, name, abrasives: stones };
      response
        .attachment(`${fileName(name)}.json`)
        .type('json')
        .send(JSON.stringify(file, null, 2));
    })
    .get('/set.csv', async (request, response) => {
      const { name, stones } = await asked(request.query);
      response
        .attachment(`${fileName(name)}.csv`)
        .type('text/csv')
        .send(setToCsv(stones));
    })
    .post('/import', async (request, response) => {
      const { set, csv, file } = checked(setImportSchema, request.body);
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
      response.json(result);
    });
}

/** A stone that stands in a set from now on; one that stands in every set does so already. */
function withSet(stone: Abrasive, set: string | undefined): Abrasive {
  if (set === undefined || stone.sets?.includes(set)) return stone;
  return { ...stone, sets: [...(stone.sets ?? []), set] };
}

const fileName = (name: string): string => name.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase() || 'set';
