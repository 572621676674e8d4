import type { ErrorRequestHandler, Response } from 'express';
import type { FieldProblem, Problem } from '@mellow-anvil/contract';
import { Refusal } from '@mellow-anvil/core/base';
import type { Logger } from 'pino';

/** An answer that is a refusal: thrown anywhere below a route, told as problem+json. */
export class HttpProblem extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    detail: string,
    readonly errors?: readonly FieldProblem[],
  ) {
    super(detail);
  }
}

/** Nothing can be read or written before the workshop's file is put right. */
export class WorkshopDamaged extends Error {
  constructor({ why }: { readonly why: string }) {
    super(`${why} Open the page and choose what is put in its place; until then nothing is read or written.`);
  }
}

export const notFound = (what: string): HttpProblem =>
  new HttpProblem(404, 'Not found', `${what} is not here; it may have been removed.`);

/** The refusal of an input whose fields are wrong, with each field's sentence. */
export function invalid(errors: readonly FieldProblem[]): HttpProblem {
  const [first] = errors;
  const more = errors.length > 1 ? ` And ${errors.length - 1} more.` : '';
  return new HttpProblem(
    422,
    'Please change this',
    `${first?.message ?? 'Something is wrong.'}${more}`,
    errors,
  );
}

/** Body-parser's own errors, in words. */
const BODY_ERRORS: Readonly<Record<string, readonly [number, string, string]>> = {
  'entity.parse.failed': [
    400,
    'Broken JSON',
    'The body is not JSON: check for a missing bracket, comma or quote.',
  ],
  'entity.too.large': [413, 'Too large', 'The body is over the limit; send less at once.'],
  'encoding.unsupported': [
    415,
    'Unknown encoding',
    'Send the body plain, or compressed with gzip or deflate.',
  ],
  'charset.unsupported': [415, 'Unknown characters', 'Send the body as UTF-8.'],
  'request.aborted': [400, 'Cut short', 'The body ended early; send it again.'],
};

const NOTHING_CHANGED = 'Nothing was changed; what you entered is still on the page.';

/** What the disk or the database file has against being written, in words. */
const STORAGE_ERRORS: Readonly<Record<string, readonly [number, string, string]>> = {
  SQLITE_FULL: [
    507,
    'The disk is full',
    'There is no room left to store this: free some space, then try again.',
  ],
  ENOSPC: [507, 'The disk is full', 'There is no room left to store this: free some space, then try again.'],
  SQLITE_READONLY: [
    503,
    'The folder cannot be written',
    'The workshop’s folder may only be read: give this program leave to write in it, then try again.',
  ],
  EACCES: [
    503,
    'The folder cannot be written',
    'The workshop’s folder may only be read: give this program leave to write in it, then try again.',
  ],
  EROFS: [
    503,
    'The folder cannot be written',
    'The workshop’s folder may only be read: give this program leave to write in it, then try again.',
  ],
  SQLITE_IOERR: [
    503,
    'The disk does not answer',
    'The disk failed while this was stored: look to it before you go on.',
  ],
  SQLITE_BUSY: [503, 'In use', 'Another program holds the workshop’s file: close it, then try again.'],
  SQLITE_CORRUPT: [
    503,
    'The workshop’s file is damaged',
    'Restore the newest backup under Settings, or copy one in its place by hand; the damaged file is kept aside.',
  ],
};

/** What a failure of the disk or the database file comes to, in words, if it is one. */
export function storageTrouble(reason: unknown): readonly [number, string, string] | undefined {
  const { code, parent } = (reason ?? {}) as { code?: string; parent?: { code?: string } };
  // A read-only folder shows as a file that cannot be opened.
  const told = String(parent?.code ?? code).replace('SQLITE_CANTOPEN', 'SQLITE_READONLY');
  return STORAGE_ERRORS[told];
}

/** The last handler: every error leaves as `application/problem+json`. */
export function problemHandler(log: Logger): ErrorRequestHandler {
  return (reason, _request, response, next) => {
    if (response.headersSent) {
      next(reason);
      return;
    }
    const problem = problemOf(reason);
    // A damaged workshop was told of at the start; every question since is refused for it.
    if (problem.status >= 500 && !(reason instanceof WorkshopDamaged)) log.error(reason, 'request failed');
    sendProblem(response, problem);
  };
}

function sendProblem(response: Response, problem: HttpProblem): void {
  const { status, title, message: detail, errors } = problem;
  const body: Problem = { type: 'about:blank', title, status, detail, ...(errors && { errors }) };
  response.status(status).type('application/problem+json').send(JSON.stringify(body));
}

/** What any error comes to as an answer. */
export function problemOf(reason: unknown): HttpProblem {
  if (reason instanceof HttpProblem) return reason;
  if (reason instanceof Refusal) {
    return invalid([{ field: reason.field, message: reason.message }]);
  }
  if (reason instanceof WorkshopDamaged) {
    return new HttpProblem(503, 'The workshop’s file is damaged', reason.message);
  }
  const storage = storageTrouble(reason);
  if (storage) return new HttpProblem(storage[0], storage[1], `${storage[2]} ${NOTHING_CHANGED}`);
  const type = (reason as { type?: unknown } | null)?.type;
  const known = typeof type === 'string' ? BODY_ERRORS[type] : undefined;
  if (known) return new HttpProblem(...known);
  const { status, expose } = (reason ?? {}) as { status?: unknown; expose?: unknown };
  if (typeof status === 'number' && status >= 400 && status < 500 && expose === true) {
    return new HttpProblem(
      status,
      'Cannot be read',
      'The request cannot be read: check that its body is what its headers say, and send it again.',
    );
  }
  if (String((reason as { code?: unknown } | null)?.code).startsWith('Z_')) {
    return new HttpProblem(
      400,
      'Cannot be unpacked',
      'The body is not packed as its header Content-Encoding says: send it plain, or mend the header.',
    );
  }
  if (reason instanceof URIError) {
    return new HttpProblem(400, 'Broken address', 'The address holds a broken % code.');
  }
  return new HttpProblem(
    500,
    'Something went wrong here',
    'The server failed on this; nothing was changed. Try again.',
  );
}
