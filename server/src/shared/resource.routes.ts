import { Router } from 'express';
import { type ObjectSchema, type Schema } from '@mellow-anvil/contract';
import { changeSchema, check, removalSchema, type Stored } from '@mellow-anvil/contract';
import type { Kind } from './kind.js';
import { invalid } from './problem.js';
import type { Store } from './store.js';

/** The checked value, or a 422 that names each field. */
export function checked<T>(schema: Schema<T>, value: unknown, convert = false): T {
  const result = check(schema, value, convert);
  if (!result.ok) throw invalid(result.errors);
  return result.value;
}

/** What a body asks for and the thing to store, where the server works part of it out. */
export interface Drafted<T, D> {
  readonly draft: ObjectSchema<D>;
  /** @param before the thing as it is stored, where it is being changed */
  complete(draft: D, before?: Stored<T>): Promise<T>;
}

/** List, read, create, change and remove for one kind. */
export function resourceRoutes<T extends object, D extends object = T>(
  kind: Kind<T>,
  store: Store<T>,
  drafted?: Drafted<T, D>,
): Router {
  const draft = (drafted?.draft ?? kind.schema) as ObjectSchema<object>;
  const complete = (value: object, before?: Stored<T>): Promise<T> =>
    drafted ? drafted.complete(value as D, before) : Promise.resolve(value as T);
  const change = changeSchema(draft);
  return Router()
    .get('/', async (request, response) => {
      response.type('json').send(await store.listText(checked(kind.list, request.query, true)));
    })
    .post('/', async (request, response) => {
      const stored = await store.create(await complete(checked(draft, request.body)));
      response.status(201).location(`${request.baseUrl}/${stored.id}`).json(stored);
    })
    .get('/:id', async (request, response) => {
      response.json(await store.read(request.params.id));
    })
    .put('/:id', async (request, response) => {
      const { version, ...value } = checked(change, request.body);
      const { id } = request.params;
      const thing = await complete(value, drafted && (await store.read(id)));
      response.json(await store.change(id, { ...thing, version }));
    })
    .delete('/:id', async (request, response) => {
      const { version } = checked(removalSchema, request.query, true);
      await store.remove(request.params.id, version);
      response.status(204).end();
    });
}
