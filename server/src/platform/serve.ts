import { Router, type Request, type Response } from 'express';
import type { ObjectSchema, Route } from '@mellow-anvil/contract';
import { checked } from './checked.js';

/** What a request asks, looked at when it is asked for. */
interface Asked<Q, B> {
  /** The values of the path’s braces. */
  readonly params: Readonly<Record<string, string>>;
  /** @throws HttpProblem 422 that names each field */
  readonly query: Q;
  /** @throws HttpProblem 422 that names each field */
  readonly body: B;
  readonly request: Request;
  readonly response: Response;
}

/** An answer that is JSON text already. */
export class JsonText {
  constructor(readonly text: string) {}
}

/** An answer that was sent by whoever worked it out: a file. */
export const SENT = Symbol('sent');

type Handler<Q, B, A> = (asked: Asked<Q, B>) => Promise<A | JsonText | typeof SENT>;

/** A route and who answers it. */
export interface Served {
  readonly route: Pick<Route, 'method' | 'path'>;
  answer(request: Request, response: Response): Promise<void>;
}

/** Answers a route: its query and body are checked against what the route says, its answer is sent as it says. */
export function serving<Q, B, A>(route: Route<Q, B, A>, handler: Handler<Q, B, A>): Served {
  return {
    route,
    async answer(request, response) {
      const answer = await handler({
        params: request.params as Readonly<Record<string, string>>,
        get query() {
          return checked(route.query as ObjectSchema<Q>, request.query, true);
        },
        get body() {
          return checked(route.body as ObjectSchema<B>, request.body as unknown);
        },
        request,
        response,
      });
      if (answer === SENT) return;
      response.status(route.status ?? 200);
      if (route.status === 204) response.end();
      else if (answer instanceof JsonText) response.type('json').send(answer.text);
      else response.json(answer);
    },
  };
}

/** The router of some routes; it stands under `/api`. */
export function routerOf(served: readonly Served[]): Router {
  const router = Router();
  for (const { route, answer } of served) {
    router[route.method](inExpress(route.path), (request, response) => answer(request, response));
  }
  return router;
}

/** A path as Express writes it, from `/api` on. */
const inExpress = (path: string): string => path.replace(/^\/api/, '').replace(/\{(\w+)\}/g, ':$1');

/** @throws Error where a route that is described is answered by nobody, or by two */
export function insistAllServed(routes: readonly Route[], served: readonly Served[]): void {
  const nameOf = ({ method, path }: Served['route']): string => `${method} ${path}`;
  const names = served.map(({ route }) => nameOf(route));
  const wrong = [
    ...routes.map(nameOf).filter((name) => !names.includes(name)),
    ...names.filter((name, i) => names.indexOf(name) !== i),
  ];
  if (wrong.length > 0) throw new Error(`Not answered once: ${wrong.join(', ')}`);
}
