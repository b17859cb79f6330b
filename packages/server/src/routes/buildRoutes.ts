import {
  applyPatch,
  buildSchema,
  isRecord,
  parseBuildText,
  sure,
  withAirKept,
  type Build,
} from '@fixatum/core';
import type { Router } from 'express';
import { z } from 'zod';
import type { BuildStore } from '../services/buildStore';
import type { Clock } from '../services/clock';
import { bodyOf, ifMatch, param, queryOf, readJson, fileTextOf, readFileText } from '../http/bodies';
import { fileNameOf } from './fileNameOf';
import { noteMaker } from './noted';
import { buildSender } from './sendBuild';
import { Problem, unusable } from '../http/problem';
import { loadSamples } from '../services/samples';
import { callerOf, guardedRoutes } from './admit';

/** The head of a build: everything but its pieces, log and passes under way. */
const headSchema = buildSchema
  .omit({ format: true, pieces: true, log: true, underway: true })
  .partial()
  .loose();
const fixedKeys = ['format', 'pieces', 'log', 'underway'];

/** A JSON Patch (RFC 6902) on a build, and what to call it. */
const patchSchema = z.object({
  label: z.string().trim().min(1).max(300),
  change: z
    .array(
      z.discriminatedUnion('op', [
        z.object({ op: z.literal('add'), path: z.string(), value: z.unknown() }),
        z.object({ op: z.literal('replace'), path: z.string(), value: z.unknown() }),
        z.object({ op: z.literal('remove'), path: z.string() }),
        z.object({ op: z.literal('move'), from: z.string(), path: z.string() }),
      ]),
    )
    .min(1)
    .max(500),
});

/** The workshop a new build is for; `If-Match` then says which version of it the caller has seen. */
const intoSchema = z.object({ workshop: z.string().optional() });

interface Parts {
  store: BuildStore;
  clock: Clock;
  samplesFolder: string;
}

/** `/builds`: list, make or import, read, change the head, put aside and bring back, export, undo. */
export function buildRoutes({ store, clock, samplesFolder }: Parts): Router {
  const routes = guardedRoutes();
  const sendBuild = buildSender(store);
  const noted = noteMaker(clock);

  routes.get('helper', '/builds', async (_request, response) => {
    response.json({ builds: await store.list() });
  });

  routes.get('helper', '/builds/aside', async (_request, response) => {
    response.json({ builds: await store.aside() });
  });

  routes.delete('finisher', '/builds/aside/:id', async (request, response) => {
    await store.deleteForGood(param(request, 'id'));
    response.status(204).end();
  });

  // The text itself is read here, so that the core can say where a broken file breaks.
  routes.post('finisher', '/builds', readFileText, async (request, response) => {
    const parsed = parseBuildText(fileTextOf(request));
    if (!parsed.ok) throw unusable(parsed.faults);
    const { workshop } = queryOf(request, intoSchema);
    const into = workshop === undefined ? undefined : { id: workshop, etag: ifMatch(request) };
    sendBuild(response, await store.create(parsed.value, into), 201);
  });

  routes.post('finisher', '/samples', async (_request, response) => {
    const stored = await loadSamples(store, samplesFolder, clock);
    response.status(201).json({ builds: stored.map(({ id, build }) => ({ id, name: build.name })) });
  });

  routes.get('helper', '/builds/:id', async (request, response) => {
    sendBuild(response, await store.load(param(request, 'id')));
  });

  routes.get('helper', '/builds/:id/file', async (request, response) => {
    const { build } = await store.load(param(request, 'id'));
    response
      .attachment(`${fileNameOf(build.name)}.fixatum.json`)
      .type('application/json')
      .send(`${JSON.stringify(build, null, 2)}\n`);
  });

  /** What is said of the air now counts from now on, once anything has dried in it. */
  const airKept = (before: Build, after: Build): Build =>
    before.log && before.log.length > 0
      ? {
          ...after,
          places: withAirKept(before.places, after.places, clock.wallTimeIn(before.timeZone)),
        }
      : after;

  routes.patch('finisher', '/builds/:id', readJson, async (request, response) => {
    // A merge patch (RFC 7396): null takes a field away.
    if (!isRecord(request.body)) throw new Problem('unusable', 'Send an object with what is to change.');
    const all = Object.entries(request.body);
    const gone = all.filter(([key, value]) => value === null && !fixedKeys.includes(key)).map(([key]) => key);
    const sent = Object.fromEntries(all.filter(([, value]) => value !== null));
    request.body = sent;
    const head = bodyOf(request, headSchema);
    const stored = await store.change(
      param(request, 'id'),
      { etag: ifMatch(request) },
      noted(request, 'Workshop and dates'),
      (build) => {
        // The schema fills in empty lists for what was not sent; only what was sent counts.
        const kept = Object.entries(head).filter(([key]) => key in sent && !fixedKeys.includes(key));
        const rest = Object.entries(build).filter(([key]) => !gone.includes(key));
        return airKept(build, { ...Object.fromEntries(rest), ...Object.fromEntries(kept) } as Build);
      },
    );
    sendBuild(response, stored);
  });

  routes.post('finisher', '/builds/:id/patch', readJson, async (request, response) => {
    const { label, change } = bodyOf(request, patchSchema);
    const stored = await store.change(
      param(request, 'id'),
      { etag: ifMatch(request) },
      noted(request, label),
      (build) => {
        const applied = applyPatch(build, change);
        if (!applied.ok) throw unusable(applied.faults);
        return airKept(build, applied.value);
      },
    );
    sendBuild(response, stored);
  });

  routes.delete('finisher', '/builds/:id', async (request, response) => {
    await store.remove(param(request, 'id'), clock.iso());
    response.status(204).end();
  });

  routes.post('finisher', '/builds/:id/restore', async (request, response) => {
    sendBuild(response, await store.restore(param(request, 'id')));
  });

  routes.get('helper', '/builds/:id/changes', async (request, response) => {
    response.json({ changes: await store.changes(param(request, 'id')) });
  });

  routes.get('helper', '/builds/:id/undo', async (request, response) => {
    const id = param(request, 'id');
    const [label, again] = await Promise.all([store.lastChange(id), store.lastUndone(id)]);
    response.json({ label, again });
  });

  routes.post('helper', '/builds/:id/undo', readJson, async (request, response) => {
    bodyOf(request, z.object({}).loose().optional());
    const { role, device } = callerOf(request);
    // A helper takes back what was done on the same device, as that is what a helper can have done.
    const only = role === 'helper' ? sure(device, 'the device of a helper').id : undefined;
    const { stored, label } = await store.undo(param(request, 'id'), { etag: ifMatch(request) }, only);
    response.set('x-undone', encodeURIComponent(label));
    sendBuild(response, stored);
  });

  routes.post('helper', '/builds/:id/redo', readJson, async (request, response) => {
    bodyOf(request, z.object({}).loose().optional());
    const { role, device } = callerOf(request);
    const only = role === 'helper' ? sure(device, 'the device of a helper').id : undefined;
    const id = param(request, 'id');
    // What it is called is known once it is found.
    const { stored, label } = await store.redo(id, { etag: ifMatch(request) }, noted(request, ''), only);
    response.set('x-undone', encodeURIComponent(label));
    sendBuild(response, stored);
  });

  return routes.router;
}
