import {
  logEntrySchema,
  operationId,
  underwaySchema,
  type Build,
  type LogEntry,
  type Underway,
} from '@fixatum/core';
import { Router } from 'express';
import { nanoid } from 'nanoid';
import { z } from 'zod';
import type { BuildStore } from './buildStore';
import type { Clock } from './clock';
import { bodyOf, param, readJson, sendBuild } from './http';
import { notFound, Problem } from './problem';

interface Parts {
  store: BuildStore;
  clock: Clock;
}

// The caller may leave out the id and the moment; whoever wants a repeated request to count once gives the id.
const newEntry = logEntrySchema.partial({ id: true, doneAt: true });
const newUnderway = underwaySchema.partial({ id: true, startedAt: true });
const oneOrMore = <S extends z.ZodType>(schema: S) =>
  z.union([z.array(schema).min(1).max(200), schema.transform((one) => [one])]);

/** What the label of a change calls some passes. */
function passWords(build: Build, spots: readonly { piece: string }[]): string {
  const names = [
    ...new Set(
      spots.map((spot) => build.pieces.find((piece) => piece.id === spot.piece)?.name ?? spot.piece),
    ),
  ];
  return names.join(', ');
}

/**
 * `/builds/:id/log` and `/builds/:id/underway`: what was done, and what is being done. An entry is on disk before the
 * answer goes out; the same id twice counts once.
 */
export function logRoutes({ store, clock }: Parts): Router {
  const router = Router();

  router.get('/builds/:id/log', async (request, response) => {
    response.json({ log: (await store.load(param(request, 'id'))).build.log ?? [] });
  });

  router.post('/builds/:id/log', readJson, async (request, response) => {
    const entries = bodyOf(request, oneOrMore(newEntry));
    const id = param(request, 'id');
    const { build } = await store.load(id);
    const stored = await store.change(
      id,
      { etag: undefined },
      `Log ${passWords(build, entries)}`,
      clock.iso(),
      (current) => {
        const known = new Set((current.log ?? []).map((entry) => entry.id));
        const done = new Set((current.log ?? []).map(operationId));
        const underway = new Map((current.underway ?? []).map((pass) => [operationId(pass), pass]));
        const added: LogEntry[] = [];
        for (const entry of entries) {
          if (entry.id !== undefined && known.has(entry.id)) continue;
          const spot = operationId(entry);
          if (done.has(spot))
            throw new Problem(
              409,
              'logged-already',
              'Logged already',
              `That coat of ${passWords(current, [entry])} is in the log already.`,
            );
          done.add(spot);
          const started = underway.get(spot)?.startedAt;
          added.push({
            ...(started === undefined ? {} : { startedAt: started }),
            ...entry,
            id: entry.id ?? nanoid(12),
            doneAt: entry.doneAt ?? clock.wallTimeIn(current.timeZone),
          });
          underway.delete(spot);
        }
        if (added.length === 0) return current;
        return {
          ...current,
          log: [...(current.log ?? []), ...added],
          ...(current.underway ? { underway: [...underway.values()] } : {}),
        };
      },
    );
    sendBuild(response, stored, 201);
  });

  router.delete('/builds/:id/log/:entry', async (request, response) => {
    const entryId = param(request, 'entry');
    const stored = await store.change(
      param(request, 'id'),
      { etag: undefined },
      'Take a log entry back',
      clock.iso(),
      (build) => {
        if (!build.log?.some((entry) => entry.id === entryId)) throw notFound('log entry');
        return { ...build, log: build.log.filter((entry) => entry.id !== entryId) };
      },
    );
    sendBuild(response, stored);
  });

  router.post('/builds/:id/underway', readJson, async (request, response) => {
    const passes = bodyOf(request, oneOrMore(newUnderway));
    const id = param(request, 'id');
    const { build } = await store.load(id);
    const stored = await store.change(
      id,
      { etag: undefined },
      `Start ${passWords(build, passes)}`,
      clock.iso(),
      (current) => {
        const busy = new Set([...(current.underway ?? []), ...(current.log ?? [])].map(operationId));
        const added = passes
          .filter((pass) => !busy.has(operationId(pass)))
          .map((pass): Underway => ({
            ...pass,
            id: pass.id ?? nanoid(12),
            startedAt: pass.startedAt ?? clock.wallTimeIn(current.timeZone),
          }));
        return added.length === 0
          ? current
          : { ...current, underway: [...(current.underway ?? []), ...added] };
      },
    );
    sendBuild(response, stored, 201);
  });

  router.delete('/builds/:id/underway/:entry', async (request, response) => {
    const entryId = param(request, 'entry');
    const stored = await store.change(
      param(request, 'id'),
      { etag: undefined },
      'Stop a pass',
      clock.iso(),
      (build) => {
        if (!build.underway?.some((pass) => pass.id === entryId)) throw notFound('pass under way');
        return { ...build, underway: build.underway.filter((pass) => pass.id !== entryId) };
      },
    );
    sendBuild(response, stored);
  });

  return router;
}
