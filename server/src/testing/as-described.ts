import { ALL_ROUTES, check, type Route } from '@mellow-anvil/contract';

/** The route an address belongs to: the one with the fewest braces, where several fit. */
function routeOf(method: string, path: string): Route | undefined {
  const fitting = ALL_ROUTES.filter(
    (route) => route.method === method.toLowerCase() && fits(route.path, path),
  );
  const braces = ({ path: written }: Route): number => written.split('{').length;
  return [...fitting].sort((a, b) => braces(a) - braces(b))[0];
}

const fits = (written: string, path: string): boolean =>
  new RegExp(`^${written.replace(/[.]/g, '\\.').replace(/\{\w+\}/g, '[^/]+')}$`).test(
    path.replace(/\?.*$/, ''),
  );

/**
 * What is wrong with a JSON answer beside how its route is described; nothing where it is as described, or a
 * refusal. An answer that nothing is said of is one too many.
 */
export function unlikeDescribed(
  method: string,
  path: string,
  status: number,
  body: unknown,
): string | undefined {
  if (status < 200 || status > 299) return undefined;
  const route = routeOf(method, path);
  if (!route?.answer) return `${method} ${path}: nothing is said of its answer`;
  const result = check(route.answer, body);
  return result.ok
    ? undefined
    : `${method} ${path}: ${result.errors.map(({ field, message }) => `${field} ${message}`).join('; ')}`;
}
