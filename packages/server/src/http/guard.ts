import type { NextFunction, Request, Response } from 'express';
import { Problem } from './problem';

const local = new Set(['localhost', '127.0.0.1', '[::1]']);

const hostName = (host: string): string => host.replace(/:\d+$/, '').toLowerCase();

/**
 * Lets only this machine's own names, or those listed, speak to the server, so that a page from elsewhere can't reach
 * it by a borrowed name or from another origin.
 */
export function hostGuard(allowed: readonly string[]) {
  const names = new Set([...local, ...allowed.map((name) => name.toLowerCase())]);
  return (request: Request, _response: Response, next: NextFunction): void => {
    const host = request.headers.host ?? '';
    if (!names.has(hostName(host)))
      throw new Problem('wrong-host', 'This address is not one the server answers to.');
    const { origin } = request.headers;
    if (origin !== undefined && origin !== 'null') {
      let originHost = '';
      try {
        originHost = new URL(origin).host;
      } catch {
        // An origin that can't be read is a foreign one.
      }
      if (originHost.toLowerCase() !== host.toLowerCase())
        throw new Problem('wrong-origin', 'Requests from other sites are not taken.');
    } else if (origin === 'null' && request.method !== 'GET') {
      throw new Problem('wrong-origin', 'Requests from other sites are not taken.');
    }
    next();
  };
}
