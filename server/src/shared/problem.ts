import type { ErrorRequestHandler, Response } from 'express';
import type { FieldProblem, Problem } from '@mellow-anvil/contract';
import { Refusal } from '@mellow-anvil/core';
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

/** The last handler: every error leaves as `application/problem+json`. */
export function problemHandler(log: Logger): ErrorRequestHandler {
  return (reason, _request, response, next) => {
    if (response.headersSent) return next(reason);
    const problem = toProblem(reason);
    if (problem.status >= 500) log.error(reason, 'request failed');
    sendProblem(response, problem);
  };
}

export function sendProblem(response: Response, problem: HttpProblem): void {
  const { status, title, message: detail, errors } = problem;
  const body: Problem = { type: 'about:blank', title, status, detail, ...(errors && { errors }) };
  response.status(status).type('application/problem+json').send(JSON.stringify(body));
}

function toProblem(reason: unknown): HttpProblem {
  if (reason instanceof HttpProblem) return reason;
  if (reason instanceof Refusal) {
    return invalid([{ field: reason.field, message: reason.message }]);
  }
  const type = (reason as { type?: unknown } | null)?.type;
  const known = typeof type === 'string' ? BODY_ERRORS[type] : undefined;
  if (known) return new HttpProblem(...known);
  if (reason instanceof URIError) {
    return new HttpProblem(400, 'Broken address', 'The address holds a broken % code.');
  }
  return new HttpProblem(
    500,
    'Something went wrong here',
    'The server failed on this; nothing was changed. Try again.',
  );
}
