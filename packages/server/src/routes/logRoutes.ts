import {
  logEntrySchema,
  timerSchema,
  toEpochMinute,
  touchTestSchema,
  underwaySchema,
  type BenchTimer,
  type Build,
  type LogEdit,
  type LogEntry,
  type TouchTest,
  type Underway,
  nth,
} from '@fixatum/core';
import type { Request, Router } from 'express';
import { nanoid } from 'nanoid';
import { z } from 'zod';
import type { BuildStore, Refusal } from '../services/buildStore';
import type { ChangeNote } from '../services/changeLog';
import type { StoredBuild } from '../services/buildRows';
import type { Clock } from '../services/clock';
import { bodyOf, oneOrMoreOf, param, readJson } from '../http/bodies';
import { noteMaker } from './noted';
import { buildSender } from './sendBuild';
import { notFound, Problem, unusable } from '../http/problem';
import { callerOf, guardedRoutes } from './admit';

interface Parts {
  store: BuildStore;
  clock: Clock;
}

// The caller may leave out the id and the moment; whoever wants a repeated request to count once gives the id.
const newEntry = logEntrySchema.partial({ id: true, doneAt: true });
const newUnderway = underwaySchema.partial({ id: true, startedAt: true });
const newTest = touchTestSchema.partial({ id: true, at: true });
const newTimer = timerSchema.partial({ id: true, startedAt: true });
const stopSchema = z.object({ ids: z.array(z.string()).min(1).max(200) });
const pauseSchema = stopSchema.extend({
  at: underwaySchema.shape.startedAt
    .refine((wall) => toEpochMinute(wall, 'UTC') !== undefined, 'there is no such day or time')
    .optional(),
  resume: z.boolean(),
});
/** What the label of a change calls some passes. */
function passWords(build: Build, spots: readonly { piece: string }[]): string {
  const names = [
    ...new Set(
      spots.map((spot) => build.pieces.find((piece) => piece.id === spot.piece)?.name ?? spot.piece),
    ),
  ];
  return names.join(', ');
}

function refusal(refused: Refusal): Problem {
  if (refused.why === 'faults') return unusable(refused.faults);
  const { why, entry, by, build } = refused;
  const name = passWords(build, [entry]);
  return why === 'logged-already'
    ? new Problem(
        'logged-already',
        `That coat of ${name} is in the log already${by === undefined ? '' : `, from ${by}`}.`,
      )
    : unusable([
        {
          code: 'no-such-pass',
          path: ['face'],
          message: `That step of ${name} does not work on the ${entry.face ?? 'outer'} face.`,
        },
      ]);
}

/** The device a request comes from, as it is kept with what it sets going; what the caller says of that itself does not count. */
function fromDevice<T extends { device?: string | undefined }>(request: Request, thing: T): T {
  const { device } = callerOf(request);
  const kept = { ...thing };
  delete kept.device;
  return device ? { ...kept, device: device.id } : kept;
}

/** A helper stops what was set going on the same device. @throws Problem for what was not */
function refuseOthers(
  request: Request,
  ids: readonly string[],
  running: readonly { id: string; device?: string | undefined }[] = [],
  what: string,
): void {
  const { role, device } = callerOf(request);
  if (role !== 'helper') return;
  if (running.some((one) => ids.includes(one.id) && one.device !== device?.id))
    throw new Problem(
      'not-allowed',
      `${what} was started on another device. It is stopped there, or by a finisher.`,
    );
}

/**
 * `/builds/:id/log`, `underway`, `touch-tests` and `timers`: what was done, is being done, was felt, and is being timed. An entry is on disk before the
 * answer goes out; the same id twice counts once.
 */
export function logRoutes({ store, clock }: Parts): Router {
  const routes = guardedRoutes();
  const sendBuild = buildSender(store);
  const noted = noteMaker(clock);

  routes.get('helper', '/builds/:id/log', async (request, response) => {
    response.json({ log: (await store.load(param(request, 'id'))).build.log ?? [] });
  });

  /** Applies what the bench says; what is refused is told by name. */
  const edit = (
    request: Request,
    label: ChangeNote['label'],
    make: (build: Build) => LogEdit,
  ): Promise<StoredBuild> => store.log(param(request, 'id'), noted(request, label), make, refusal);

  routes.post('helper', '/builds/:id/log', readJson, async (request, response) => {
    const entries = oneOrMoreOf(request, newEntry);
    const by = callerOf(request).device?.name;
    const stored = await edit(
      request,
      (build) => `Log ${passWords(build, entries)}`,
      ({ timeZone }) => ({
        kind: 'log',
        entries: entries.map((entry): LogEntry => ({
          ...entry,
          ...(by === undefined ? {} : { by }),
          id: entry.id ?? nanoid(12),
          doneAt: entry.doneAt ?? clock.wallTimeIn(timeZone),
        })),
      }),
    );
    sendBuild(response, stored, 201);
  });

  routes.post('helper', '/builds/:id/touch-tests', readJson, async (request, response) => {
    const tests = oneOrMoreOf(request, newTest);
    const stored = await edit(
      request,
      (build) => `Touch test: ${passWords(build, tests)}`,
      ({ timeZone }) => ({
        kind: 'touch',
        tests: tests.map((test): TouchTest => ({
          ...test,
          id: test.id ?? nanoid(12),
          at: test.at ?? clock.wallTimeIn(timeZone),
        })),
      }),
    );
    sendBuild(response, stored, 201);
  });

  routes.post('helper', '/builds/:id/timers', readJson, async (request, response) => {
    const timers = oneOrMoreOf(request, newTimer);
    const stored = await edit(request, `Timer: ${nth(timers, 0).label}`, () => ({
      kind: 'timer',
      timers: timers.map((timer): BenchTimer => ({
        ...fromDevice(request, timer),
        id: timer.id ?? nanoid(12),
        startedAt: timer.startedAt ?? clock.iso(),
      })),
    }));
    sendBuild(response, stored, 201);
  });

  routes.post('helper', '/builds/:id/timers/stop', readJson, async (request, response) => {
    const { ids } = bodyOf(request, stopSchema);
    const stopped = await edit(request, 'Stop a timer', (build) => {
      refuseOthers(request, ids, build.timers, 'That timer');
      return { kind: 'stopTimer', ids };
    });
    sendBuild(response, stopped);
  });

  routes.delete('finisher', '/builds/:id/log/:entry', async (request, response) => {
    const entryId = param(request, 'entry');
    const stored = await store.change(
      param(request, 'id'),
      { etag: undefined },
      noted(request, 'Take a log entry back'),
      (build) => {
        if (!build.log?.some((entry) => entry.id === entryId)) throw notFound('log entry');
        return { ...build, log: build.log.filter((entry) => entry.id !== entryId) };
      },
    );
    sendBuild(response, stored);
  });

  routes.post('helper', '/builds/:id/underway', readJson, async (request, response) => {
    const passes = oneOrMoreOf(request, newUnderway);
    const stored = await edit(
      request,
      (build) => `Start ${passWords(build, passes)}`,
      ({ timeZone }) => ({
        kind: 'start',
        passes: passes.map((pass): Underway => ({
          ...fromDevice(request, pass),
          id: pass.id ?? nanoid(12),
          startedAt: pass.startedAt ?? clock.wallTimeIn(timeZone),
        })),
      }),
    );
    sendBuild(response, stored, 201);
  });

  routes.post('helper', '/builds/:id/underway/pause', readJson, async (request, response) => {
    const { ids, at, resume } = bodyOf(request, pauseSchema);
    const stored = await edit(request, resume ? 'Go on' : 'Pause', ({ timeZone }) => ({
      kind: 'pause',
      ids,
      at: at ?? clock.wallTimeIn(timeZone),
      resume,
    }));
    sendBuild(response, stored);
  });

  routes.post('helper', '/builds/:id/underway/stop', readJson, async (request, response) => {
    const { ids } = bodyOf(request, stopSchema);
    const stopped = await edit(request, 'Stop a pass', (build) => {
      refuseOthers(request, ids, build.underway, 'That pass');
      return { kind: 'stop', ids };
    });
    sendBuild(response, stopped);
  });

  return routes.router;
}
