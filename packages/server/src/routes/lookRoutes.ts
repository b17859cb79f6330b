import { lookSchema, shippedLooks } from '@fixatum/core';
import type { Router } from 'express';
import type { Models } from '../storage/models';
import { bodyOf, param, readJson } from '../http/bodies';
import { notFound, Problem } from '../http/problem';
import { guardedRoutes } from './admit';

/** `/looks`: the looks that users saved. Those that ship with the program are known to the core and never stored. */
export function lookRoutes(models: Models): Router {
  const routes = guardedRoutes();

  routes.get('helper', '/looks', async (_request, response) => {
    const rows = await models.looks.findAll({ order: ['id'] });
    response.json({ looks: rows.map((row) => lookSchema.parse(JSON.parse(row.body))) });
  });

  routes.post('finisher', '/looks', readJson, async (request, response) => {
    const look = bodyOf(request, lookSchema);
    if (shippedLooks.some((shipped) => shipped.id === look.id)) {
      throw new Problem(
        'shipped-look',
        `"${look.id}" is a look that ships with the program; give yours another name.`,
      );
    }
    await models.looks.upsert({ id: look.id, body: JSON.stringify(look) });
    response.status(201).json(look);
  });

  routes.delete('finisher', '/looks/:look', async (request, response) => {
    const count = await models.looks.destroy({ where: { id: param(request, 'look') } });
    if (count === 0) throw notFound('look');
    response.status(204).end();
  });

  return routes.router;
}
