import { createSession } from 'better-sse';
import type { Router } from 'express';
import { param } from '../http/bodies';
import type { BuildStore } from '../services/buildStore';
import type { Devices } from '../services/devices';
import { callerOf, guardedRoutes } from './admit';

interface Parts {
  store: BuildStore;
  devices: Devices;
  /** Ends all lines, so that the server can stop. */
  closing: AbortSignal | undefined;
}

/**
 * `/builds/:id/events`: says the version of a build when it is opened and whenever it changes, so that every screen can fetch what
 * another did. A line that dropped is told where things stand when it is back, so nothing is missed. `beside` says that another build of the
 * workshop has changed, or its plan has.
 */
export function eventRoutes({ store, devices, closing }: Parts): Router {
  const routes = guardedRoutes();

  routes.get('helper', '/builds/:id/events', async (request, response) => {
    const id = param(request, 'id');
    const caller = callerOf(request);
    const { version, workshopId } = await store.load(id);
    const session = await createSession(request, response, { keepAlive: 15_000 });
    const say = (now: number) => session.push({ version: now }, 'change', String(now));
    // Counted, as a listener takes what is said twice in the same words for one.
    let told = 0;
    // Another build of the workshop: its hands, racks and tins are shared.
    const beside = (other: string, of?: string) => void tellBeside(other, of);
    const tellBeside = async (other: string, of?: string) => {
      const where = of ?? (await store.load(other).catch(() => undefined))?.workshopId;
      if (other === id || where !== workshopId) return;
      told += 1;
      session.push({ build: other, told }, 'beside');
    };
    const stops = [
      store.whenChanged((changed, now) => {
        if (changed === id) say(now);
        else beside(changed);
      }),
      store.whenNudged(beside),
      devices.whenGone((gone) => {
        if (gone === caller.device?.id) response.destroy();
      }),
    ];
    const cut = () => response.destroy();
    closing?.addEventListener('abort', cut);
    session.once('disconnected', () => {
      for (const stop of stops) stop();
      closing?.removeEventListener('abort', cut);
    });
    say(version);
  });

  return routes.router;
}
