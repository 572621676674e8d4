import type { ResourceRoutes, Stored } from '@mellow-anvil/contract';
import { JsonText, serving, type Served } from '../platform/serve.js';
import type { Store } from './store.js';

/** Works out the thing to store from what was sent; `before` is what is stored, where that is being changed. */
export type Complete<T, D> = (draft: D, before?: Stored<T>) => Promise<T>;

/** List, read, add, change and remove for one kind; `complete` where the server works part of a thing out. */
export function resourceRoutes<T extends object, D extends object>(
  routes: ResourceRoutes<T, D>,
  store: Store<T>,
  complete?: Complete<T, D>,
): readonly Served[] {
  const whole: Complete<T, D> = complete ?? ((draft) => Promise.resolve(draft as unknown as T));
  return [
    serving(routes.list, async ({ query }) => new JsonText(await store.listText(query))),
    serving(routes.add, async ({ body, response }) => {
      const stored = await store.create(await whole(body));
      response.location(`${routes.add.path}/${stored.id}`);
      return stored;
    }),
    serving(routes.read, ({ params }) => store.read(idIn(params))),
    serving(routes.change, async ({ params, body: { version, ...draft } }) => {
      const id = idIn(params);
      const thing = await whole(draft as unknown as D, complete && (await store.read(id)));
      return store.change(id, { ...thing, version });
    }),
    serving(routes.remove, async ({ params, query: { version } }) => {
      await store.remove(idIn(params), version);
      return undefined;
    }),
  ];
}

const idIn = ({ id = '' }: Readonly<Record<string, string>>): string => id;
