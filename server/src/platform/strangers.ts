import type { RequestHandler } from 'express';
import { isIP } from 'node:net';
import { HttpProblem } from './problem.js';

/** Whether a host name can only mean this machine. */
export function isLoopback(host: string): boolean {
  const bare = host.replace(/^\[(.*)\]$/, '$1').toLowerCase();
  return bare === 'localhost' || bare === '::1' || (isIP(bare) === 4 && bare.startsWith('127.'));
}

/**
 * Lets only pages this server itself served talk to it. The Host check stops a foreign name that
 * was pointed at this machine; the Origin and Sec-Fetch-Site checks stop another page's script.
 */
export const refuseStrangers: RequestHandler = (request, _response, next) => {
  const { host, origin } = request.headers;
  const site = request.headers['sec-fetch-site'];
  const navigation = request.headers['sec-fetch-mode'] === 'navigate' && request.method === 'GET';
  if (/%(?:0[0-9a-f]|1[0-9a-f]|7f)/i.test(request.path)) {
    throw new HttpProblem(400, 'Broken address', 'The address holds characters that cannot be seen.');
  }
  if (host === undefined || !isLoopback(host.replace(/:\d+$/, ''))) {
    throw stranger('This server answers only to the address it printed, on this machine.');
  }
  if (origin !== undefined && origin !== `http://${host}`) {
    throw stranger('Another page tried to use this server; only its own pages may.');
  }
  if ((site === 'cross-site' || site === 'same-site') && !navigation) {
    throw stranger('Another page tried to read from this server; only its own pages may.');
  }
  next();
};

/** A body has to say it is JSON, which no plain form on another page can. */
export const requireJson: RequestHandler = (request, _response, next) => {
  const hasBody =
    request.headers['content-length'] !== '0' && ['POST', 'PUT', 'PATCH'].includes(request.method);
  if (hasBody && !request.is('application/json')) {
    throw new HttpProblem(
      415,
      'Send JSON',
      'Send the body as JSON, with the header Content-Type: application/json.',
    );
  }
  next();
};

const stranger = (detail: string): HttpProblem => new HttpProblem(403, 'Not for strangers', detail);
