import type { Request, Router } from 'express';
import { pipeline } from 'node:stream/promises';
import { z } from 'zod';
import { bodyOf, param, readJson } from '../http/bodies';
import { Problem } from '../http/problem';
import { zipOf } from '../services/archive';
import { BadBackup } from '../services/badBackup';
import type { Backups } from '../services/backups';
import { callerOf, guardedRoutes } from './admit';

interface Parts {
  backups: Backups;
  /** Puts a backup in the place of everything; returns when the server works with it. */
  restore: (id: string) => Promise<void>;
  /** Makes the database file whole by itself; returns whether it could. */
  fold: () => Promise<boolean>;
}

/** What is wrong with a backup or an archive, as it is told to the caller. */
export const saidOfBackups = <T>(work: Promise<T>): Promise<T> =>
  work.catch((error: unknown) => {
    throw error instanceof BadBackup ? new Problem('bad-backup', error.message) : error;
  });

/** `/backups`: what there is and where, one by hand, one as a file, and everything back to what it was then. */
export function backupRoutes({ backups, restore, fold }: Parts): Router {
  const routes = guardedRoutes();
  // How the computer's disk is laid out is nothing that other devices have to know.
  const state = async (request: Request) => ({
    folder: callerOf(request).device ? null : backups.folder,
    backups: await backups.list(),
    second: await secondState(request),
  });
  async function secondState(request: Request) {
    const second = await backups.second.state();
    return second && callerOf(request).device ? { ...second, folder: null } : second;
  }

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

  routes.put('computer', '/backups/second', readJson, async (request, response) => {
    const { folder } = bodyOf(request, z.object({ folder: z.string().trim().min(1).max(1000).nullable() }));
    await saidOfBackups(backups.second.choose(folder));
    response.json(await state(request));
  });

  // For whoever copies the data folder with means of their own.
  routes.post('computer', '/backups/fold', readJson, async (_request, response) => {
    if (!(await fold()))
      throw new Problem('busy', 'Something is being read or written just now. Try again in a moment.');
    response.json({ file: backups.dataFile });
  });

  routes.post('finisher', '/backups/:backup/restore', readJson, async (request, response) => {
    await saidOfBackups(restore(param(request, 'backup')));
    response.json(await state(request));
  });

  return routes.router;
}
