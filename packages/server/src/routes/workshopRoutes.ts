import {
  drawsOf,
  lookSchema,
  parseWorkshopText,
  shippedLooks,
  storedPlanSchema,
  sure,
  wornIn,
  type Look,
} from '@fixatum/core';
import type { Response, Router } from 'express';
import { z } from 'zod';
import { bodyOf, ifMatch, param, queryOf, readJson, fileTextOf, readFileText } from '../http/bodies';
import { unusable } from '../http/problem';
import type { BuildStore } from '../services/buildStore';
import type { Clock } from '../services/clock';
import { workshopEtag, type StoredWorkshop } from '../services/workshopRows';
import type { WorkshopStore } from '../services/workshopStore';
import type { Models } from '../storage/models';
import { fileNameOf } from './fileNameOf';
import { joinedOf, joinedSchema } from './joined';
import { buildSender } from './sendBuild';
import { guardedRoutes } from './admit';

interface Parts {
  store: BuildStore;
  workshops: WorkshopStore;
  models: Pick<Models, 'looks' | 'plans'>;
  clock: Clock;
}

const nameSchema = z.object({ name: z.string().trim().min(1, 'give it a name').max(120) });
/** All builds of a workshop in order; or in the order of their dates. */
const orderSchema = z.union([
  z.object({ builds: z.array(z.string()).max(10_000) }),
  z.object({ by: z.literal('date') }),
]);
const finishSchema = z.object({ finished: z.boolean() });
/** Versions of builds that the caller has, as `id:version,id:version`. */
const haveSchema = z.object({ have: z.string().max(20_000).optional() });

/**
 * `/workshops`: what outlasts builds and serves all builds in it; and what a build shares it with, `/builds/:id/beside`, its being moved to
 * another, and put by as done.
 */
export function workshopRoutes({ store, workshops, models, clock }: Parts): Router {
  const routes = guardedRoutes();
  const sendBuild = buildSender(store);
  const send = (response: Response, stored: StoredWorkshop, status = 200) =>
    response.status(status).set('etag', workshopEtag(stored)).json(stored);

  routes.get('helper', '/workshops', async (_request, response) => {
    response.json({ workshops: await workshops.list() });
  });

  routes.get('helper', '/workshops/:workshop', async (request, response) => {
    send(response, await workshops.get(param(request, 'workshop')));
  });

  routes.get('helper', '/workshops/:workshop/file', async (request, response) => {
    const { workshop } = await workshops.get(param(request, 'workshop'));
    const looks = (await models.looks.findAll({ order: ['id'] })).map(({ body }): Look => JSON.parse(body));
    response
      .attachment(`${fileNameOf(workshop.name)}.fixatum-workshop.json`)
      .type('application/json')
      .send(`${JSON.stringify({ ...workshop, looks }, null, 2)}\n`);
  });

  // The text itself is read here, so that the core can say where a broken file breaks.
  routes.post('finisher', '/workshops', readFileText, async (request, response) => {
    const parsed = parseWorkshopText(fileTextOf(request));
    if (!parsed.ok) throw unusable(parsed.faults);
    const { looks = [], ...workshop } = parsed.value;
    const known = z.array(lookSchema).safeParse(looks);
    if (!known.success)
      throw unusable([{ code: 'bad-value', path: ['looks'], message: 'The looks in it can’t be read.' }]);
    const stored = await workshops.create(workshop);
    const shipped = new Set(shippedLooks.map(({ id }) => id));
    await models.looks.bulkCreate(
      known.data
        .filter(({ id }) => !shipped.has(id))
        .map((look) => ({ id: look.id, body: JSON.stringify(look) })),
      { ignoreDuplicates: true },
    );
    send(response, stored, 201);
  });

  routes.patch('finisher', '/workshops/:workshop', readJson, async (request, response) => {
    const { name } = bodyOf(request, nameSchema);
    send(response, await workshops.rename(param(request, 'workshop'), name, ifMatch(request)));
  });

  routes.delete('finisher', '/workshops/:workshop', async (request, response) => {
    await workshops.remove(param(request, 'workshop'));
    response.status(204).end();
  });

  routes.put('finisher', '/workshops/:workshop/order', readJson, async (request, response) => {
    const asked = bodyOf(request, orderSchema);
    const builds = await workshops.order(param(request, 'workshop'), 'by' in asked ? asked.by : asked.builds);
    for (const id of builds) store.nudge(id);
    response.status(204).end();
  });

  routes.get('helper', '/builds/:id/beside', async (request, response) => {
    const { have } = queryOf(request, haveSchema);
    const known = new Set(have?.split(','));
    const others = await store.beside(param(request, 'id'));
    const builds = await Promise.all(
      others.map(async ({ id, version, build, finishedAt, isAhead, isAside }) => {
        const about = { id, version, name: build.name, isAhead };
        // What is not in hand has no hands and racks any more, but what it took is out of the tins.
        if (isAside || finishedAt !== undefined)
          return { ...about, drawn: drawsOf(build), worn: wornIn(build) };
        const plan = await models.plans.findOne({ where: { buildId: id } });
        return {
          ...about,
          plan: plan ? storedPlanSchema.parse(JSON.parse(plan.body)) : null,
          ...(known.has(`${id}:${version}`) ? {} : { build }),
        };
      }),
    );
    response.json({ builds });
  });

  routes.post('finisher', '/builds/:id/move', readJson, async (request, response) => {
    const joined = sure(joinedOf(bodyOf(request, joinedSchema)), 'the workshop it goes to');
    sendBuild(
      response,
      await store.move(param(request, 'id'), { etag: ifMatch(request) }, joined.into, joined),
    );
  });

  routes.post('finisher', '/builds/:id/finish', readJson, async (request, response) => {
    const { finished } = bodyOf(request, finishSchema);
    const { id, build } = await store.load(param(request, 'id'));
    sendBuild(response, await store.finish(id, finished ? clock.wallTimeIn(build.timeZone) : null));
  });

  return routes.router;
}
