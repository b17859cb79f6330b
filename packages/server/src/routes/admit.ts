import { parse } from 'cookie';
import type { NextFunction, Request, Response } from 'express';
import { isFromHere } from '../http/guard';
import { Problem } from '../http/problem';
import { routesWith, type Reach, type Routes } from '../http/access';
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

/** How far a caller reaches; what a route asks for is held against that. */
function reachOf(request: Request): Reach | undefined {
  const caller = callers.get(request);
  return caller && (caller.device ? caller.role : 'computer');
}

/** Routes that each state who may call them. */
export const guardedRoutes = (): Routes => routesWith(reachOf);

/**
 * Finds out who is asking: somebody at this machine, or a paired device. What they may do is stated by each route. Everybody else is sent to
 * the pairing page, or told so by the API.
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
    next();
  };
}
