import { storedPlanSchema } from '@fixatum/core';
import type { Router } from 'express';
import type { BuildStore } from '../services/buildStore';
import { bodyOf, param, readJson } from '../http/bodies';
import type { Models } from '../storage/models';
import { guardedRoutes } from './admit';

interface Parts {
  store: BuildStore;
  models: Pick<Models, 'plans'>;
}

/**
 * `/builds/:id/plan`: the plan that was on screen last. It can always be made again and is no part of the build; it is kept
 * so that a reload, a restart or another machine does not move what people count on.
 */
export function planRoutes({ store, models }: Parts): Router {
  const routes = guardedRoutes();

  routes.get('helper', '/builds/:id/plan', async (request, response) => {
    const { id } = await store.load(param(request, 'id'));
    const row = await models.plans.findOne({ where: { buildId: id } });
    response.json({ plan: row ? storedPlanSchema.parse(JSON.parse(row.body)) : null });
  });

  routes.put('finisher', '/builds/:id/plan', readJson, async (request, response) => {
    const plan = bodyOf(request, storedPlanSchema);
    const { id } = await store.load(param(request, 'id'));
    await models.plans.upsert({ buildId: id, body: JSON.stringify(plan) });
    store.nudge(id);
    response.status(204).end();
  });

  return routes.router;
}
