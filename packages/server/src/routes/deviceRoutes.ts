import type { Router } from 'express';
import { z } from 'zod';
import { bodyOf, param, readJson } from '../http/bodies';
import { notFound, Problem } from '../http/problem';
import { roles, type Devices } from '../services/devices';
import type { Sharing } from '../services/sharing';
import { callerOf, guardedRoutes } from './admit';

interface Parts {
  devices: Devices;
  /** Undefined where the server can't listen anywhere else. */
  sharing: Sharing | undefined;
}

/** `/me`: who is asking. `/devices` and `/sharing`: what is paired, and whether the network can reach the server. */
export function deviceRoutes({ devices, sharing }: Parts): Router {
  const routes = guardedRoutes();
  const state = async () => ({
    sharing: { on: sharing?.isOn ?? false, urls: sharing?.urls ?? [] },
    offer: sharing?.isOn === true ? (devices.offerNow ?? null) : null,
    asking: devices.asking,
    devices: await devices.list(),
  });

  routes.get('helper', '/me', (request, response) => {
    const { role, device } = callerOf(request);
    response.json({ role, device: device ?? null });
  });

  routes.get('finisher', '/devices', async (_request, response) => {
    response.json(await state());
  });

  routes.put('finisher', '/sharing', readJson, async (request, response) => {
    const { on } = bodyOf(request, z.object({ on: z.boolean() }));
    // A device that could open the door could do so after it was thrown out.
    if (on && callerOf(request).device)
      throw new Problem('not-allowed', 'Sharing is switched on at the computer itself.');
    if (on) await sharing?.begin();
    if (on && sharing?.isOn !== true)
      throw new Problem('no-network', 'This computer is on no network that a phone could reach it by.');
    if (on) return void response.json(await state());
    devices.withdraw();
    // Whoever asked from the network is answered before the line is cut.
    response.json({ ...(await state()), sharing: { on: false, urls: [] } });
    response.once('finish', () => void sharing?.end());
  });

  routes.post('finisher', '/devices/offer', readJson, async (request, response) => {
    const { role } = bodyOf(request, z.object({ role: z.enum(roles) }));
    if (sharing?.isOn !== true)
      throw new Problem('no-network', 'Switch sharing on first: nothing can reach this computer now.');
    devices.offer(role);
    response.status(201).json(await state());
  });

  // Nobody is let in from elsewhere: whoever stands at the computer sees who asks.
  routes.post('computer', '/devices/asking/:asking', readJson, async (request, response) => {
    const { letIn } = bodyOf(request, z.object({ letIn: z.boolean() }));
    if (!(await devices.answer(param(request, 'asking'), letIn))) throw notFound('device that asks');
    response.json(await state());
  });

  routes.delete('finisher', '/devices/:device', async (request, response) => {
    if (!(await devices.takeBack(param(request, 'device')))) throw notFound('device');
    response.json(await state());
  });

  return routes.router;
}
