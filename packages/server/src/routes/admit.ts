import { parse } from 'cookie';
import type { NextFunction, Request, Response } from 'express';
import { isFromHere } from '../http/guard';
import { Problem } from '../http/problem';
import { helperMay } from '../http/roles';
import type { Devices, Role } from '../services/devices';

/** Who is asking: somebody at this machine, or a device that was paired. */
export interface Caller {
  role: Role;
  /** The device; undefined at this machine itself. */
  device?: { id: string; name: string };
}

export const DEVICE_COOKIE = 'fixatum-device';

const callers = new WeakMap<Request, Caller>();
/** Who is asking. @throws Problem for a request that was not let in */
export function callerOf(request: Request): Caller {
  const caller = callers.get(request);
  if (!caller) throw notPaired();
  return caller;
}

const notPaired = () =>
  new Problem('not-paired', 'This device is not paired. Open this address in its browser to pair it.');

/**
 * Lets in who is at this machine, and paired devices for what their role may do. Everybody else is sent to the pairing page, or told
 * so by the API.
 */
export function deviceGuard(devices: Devices) {
  return async (request: Request, response: Response, next: NextFunction): Promise<void> => {
    if (isFromHere(request)) {
      callers.set(request, { role: 'finisher' });
      next();
      return;
    }
    const token = parse(request.headers.cookie ?? '')[DEVICE_COOKIE];
    const device = token === undefined ? undefined : await devices.carrying(token);
    if (!device) {
      if (request.path.startsWith('/api/')) throw notPaired();
      response.redirect(303, '/pair');
      return;
    }
    const { id, name, role } = device;
    callers.set(request, { role, device: { id, name } });
    if (role === 'helper' && !helperMay(request.method, request.path))
      throw new Problem(
        'not-allowed',
        'A helper can see everything, and log, time and photograph what is done. This needs a finisher.',
      );
    next();
  };
}
