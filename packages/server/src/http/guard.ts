import type { NextFunction, Request, Response } from 'express';
import { cameOverNetwork } from './overNetwork';
import { Problem } from './problem';

const ownNames = new Set(['localhost', '127.0.0.1', '[::1]']);
const hostName = (host: string): string => host.replace(/:\d+$/, '').toLowerCase();
const isLoopback = (address = ''): boolean => /^(::1|(::ffff:)?127\.)/.test(address);
/** What a proxy adds says that somebody else is behind it. */
const forwardingHeaders = ['forwarded', 'x-forwarded-for', 'x-forwarded-host', 'x-real-ip'] as const;

/** Whether a request was made at this machine, to one of its own names. */
export const isFromHere = (request: Request): boolean =>
  !cameOverNetwork(request.socket) &&
  isLoopback(request.socket.remoteAddress) &&
  ownNames.has(hostName(request.headers.host ?? '')) &&
  forwardingHeaders.every((name) => request.headers[name] === undefined);

/**
 * Lets only names in that the server really has, so that a page from elsewhere can't reach it by a borrowed one or from another
 * origin: this machine's own for who is at it, the address that was connected to for who is not, and those that are listed.
 */
export function hostGuard(allowed: readonly string[]) {
  const listed = new Set(allowed.map((name) => name.toLowerCase()));
  return (request: Request, _response: Response, next: NextFunction): void => {
    const host = request.headers.host ?? '';
    const name = hostName(host);
    const { localAddress = '' } = request.socket;
    const isOwn = ownNames.has(name) && isFromHere(request);
    const isAddress = name === localAddress.replace(/^::ffff:/, '') && !ownNames.has(name);
    if (!isOwn && !isAddress && !listed.has(name) && !listed.has(host.toLowerCase()))
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
