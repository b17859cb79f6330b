import type { Request, Router } from 'express';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { bodyOf, param, readJson } from '../http/bodies';
import { notFound, Problem } from '../http/problem';
import type { Prepared } from '../services/putBack';
import { zipOf } from '../services/archive';
import { layOut, takeIn, type BuildParts } from '../services/buildArchive';
import type { Arrived, Incoming } from '../services/incoming';
import { saidOfBackups } from './backupRoutes';
import { buildSender } from './sendBuild';
import { fileNameOf } from './fileNameOf';
import { joinedOf, joinedSchema } from './joined';
import { guardedRoutes } from './admit';

interface Parts extends BuildParts {
  incoming: Incoming;
  /** Puts a workshop that came in in the place of everything; returns when the server works with it. */
  restoreFrom: (prepared: Prepared) => Promise<void>;
}

/**
 * `/archives` and `/builds/:id/archive`: a build with its photos, readings, plan and looks as one file, and the way back in for it
 * and for a whole workshop, with a look inside before.
 */
export function archiveRoutes({ incoming, restoreFrom, ...parts }: Parts): Router {
  const routes = guardedRoutes();
  const sendBuild = buildSender(parts.store);
  /** The archive a request means. @throws Problem when it is not there any more */
  function arrivedOf(request: Request): Arrived {
    const arrived = incoming.get(param(request, 'archive'));
    if (!arrived) throw new Problem('bad-backup', 'That file is not here any more. Choose it again.');
    return arrived;
  }
  const shown = ({ id, inside }: Arrived) => ({ id, ...inside });

  routes.get('finisher', '/builds/:id/archive', async (request, response) => {
    const folder = await mkdtemp(join(tmpdir(), 'fixatum-build-'));
    try {
      const build = await layOut(parts, param(request, 'id'), folder);
      response.attachment(`${fileNameOf(build.name)}.fixatum.zip`).type('application/zip');
      await pipeline(await zipOf(folder), response);
    } finally {
      await rm(folder, { recursive: true, force: true });
    }
  });

  routes.post('finisher', '/archives', async (request, response) => {
    if (!request.is('application/zip')) throw new Problem('bad-request', 'Send a zip file.', [], {}, 415);
    response.status(201).json(shown(await saidOfBackups(incoming.receive(request))));
  });

  routes.get('finisher', '/archives/:archive/build', async (request, response) => {
    const { held } = arrivedOf(request);
    if (!('unpacked' in held)) throw notFound('build');
    response.json(held.unpacked.build);
  });

  routes.post('finisher', '/archives/:archive/take', readJson, async (request, response) => {
    const { held } = arrivedOf(request);
    if ('unpacked' in held) {
      const joined = bodyOf(request, joinedSchema.partial());
      const stored = await takeIn(parts, held.unpacked, joinedOf(joined));
      await incoming.clear();
      sendBuild(response, stored, 201);
      return;
    }
    await saidOfBackups(restoreFrom(held.prepared));
    await incoming.clear();
    response.json({ restored: true });
  });

  routes.delete('finisher', '/archives/:archive', async (request, response) => {
    arrivedOf(request);
    await incoming.clear();
    response.status(204).end();
  });

  return routes.router;
}
