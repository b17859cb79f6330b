import type { Request, Router } from 'express';
import { pipeline } from 'node:stream/promises';
import { param, readJson } from '../http/bodies';
import { Problem } from '../http/problem';
import { zipOf } from '../services/archive';
import { BadBackup } from '../services/badBackup';
import type { Backups } from '../services/backups';
import { callerOf, guardedRoutes } from './admit';

interface Parts {
  backups: Backups;
  /** Puts a backup in the place of everything; returns when the server works with it. */
  restore: (id: string) => Promise<void>;
}

/** What is wrong with a backup or an archive, as it is told to the caller. */
export const saidOfBackups = <T>(work: Promise<T>): Promise<T> =>
  work.catch((error: unknown) => {
    throw error instanceof BadBackup ? new Problem('bad-backup', error.message) : error;
  });

/** `/backups`: what there is and where, one by hand, one as a file, and everything back to what it was then. */
export function backupRoutes({ backups, restore }: Parts): Router {
  const routes = guardedRoutes();
  // How the computer's disk is laid out is nothing that other devices have to know.
  const state = async (request: Request) => ({
    folder: callerOf(request).device ? null : backups.folder,
    backups: await backups.list(),
  });

  routes.get('finisher', '/backups', async (request, response) => {
    response.json(await state(request));
  });

  routes.post('finisher', '/backups', readJson, async (request, response) => {
    await saidOfBackups(backups.make('by-hand'));
    response.status(201).json(await state(request));
  });

  routes.get('finisher', '/backups/:backup/file', async (request, response) => {
    const id = param(request, 'backup');
    const folder = await saidOfBackups(backups.folderOf(id));
    response.attachment(`fixatum-${id}.zip`).type('application/zip');
    await pipeline(await zipOf(folder), response);
  });

  routes.post('finisher', '/backups/:backup/restore', readJson, async (request, response) => {
    await saidOfBackups(restore(param(request, 'backup')));
    response.json(await state(request));
  });

  return routes.router;
}
