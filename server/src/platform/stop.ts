import type { Response } from 'express';

/** Stops the work for an answer when whoever asked for it has gone. */
export function stopsWith(response: Response): AbortSignal {
  const stop = new AbortController();
  response.once('close', () => {
    if (!response.writableFinished) stop.abort();
  });
  return stop.signal;
}
