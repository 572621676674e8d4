import type { RequestHandler } from 'express';
import { HttpProblem } from './problem.js';

/** How deep lists and objects may lie in each other: nothing of ours comes near it. */
const MOST_DEEP = 60;

/** @throws HttpProblem 400 for what is nested so deep that looking into it would exhaust the stack */
export function refuseDepth(value: unknown): void {
  let level: unknown[] = [value];
  for (let depth = 0; level.length > 0; depth++) {
    if (depth > MOST_DEEP) {
      throw new HttpProblem(
        400,
        'Nested too deep',
        `Lists and objects lie more than ${MOST_DEEP} deep in each other: nothing here is asked for like that.`,
      );
    }
    const deeper: unknown[] = [];
    for (const each of level) {
      if (typeof each !== 'object' || each === null) continue;
      for (const inner of Object.values(each))
        if (typeof inner === 'object' && inner !== null) deeper.push(inner);
    }
    level = deeper;
  }
}

/** A body that can be looked into; a request without one asks with nothing in it, and is told what is missing. */
export const sensibleBody: RequestHandler = (request, _response, next) => {
  request.body ??= {};
  refuseDepth(request.body);
  next();
};
