import {
  editJournal,
  journalEditSchema,
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
  type JournalEdit,
  nth,
  sure,
  withoutEmptyEnds,
} from '@fixatum/core';
import type { Request, Router } from 'express';
import { nanoid } from 'nanoid';
import { z } from 'zod';
import type { BuildStore, Refusal } from '../services/buildStore';
import type { ChangeNote } from '../services/changeLog';
import type { StoredBuild } from '../services/buildRows';
import type { Clock } from '../services/clock';
import { bodyOf, ifMatch, oneOrMoreOf, param, readJson } from '../http/bodies';
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

/** What a change of the journal is called. */
function journalEditWords(build: Build, { entries = [], tests = [], remove = [] }: JournalEdit): string {
  const ids = new Set([...entries, ...tests].map(({ id }) => id).concat(remove));
  const spots = [...(build.log ?? []), ...(build.touchTests ?? [])].filter(({ id }) => ids.has(id));
  const isOnlyGone = entries.length === 0 && tests.length === 0;
  return `${isOnlyGone ? 'Take out of the journal' : 'Put right in the journal'}: ${passWords(build, spots)}`;
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

/** One press at the bench: what the change is called, and what it does to a build. */
interface Press {
  label: ChangeNote['label'];
  make: (build: Build) => LogEdit;
}

/** What each kind of press makes of what was sent, on the device it was made on. */
const pressesOn = (request: Request, clock: Clock) => ({
  log: (entries: z.infer<typeof newEntry>[]): Press => {
    const by = callerOf(request).device?.name;
    return {
      label: (build) => `Log ${passWords(build, entries)}`,
      make: ({ timeZone }) => ({
        kind: 'log',
        entries: entries.map((entry): LogEntry => ({
          ...entry,
          ...(by === undefined ? {} : { by }),
          id: entry.id ?? nanoid(12),
          doneAt: entry.doneAt ?? clock.wallTimeIn(timeZone),
        })),
      }),
    };
  },
  touch: (tests: z.infer<typeof newTest>[]): Press => ({
    label: (build) => `Touch test: ${passWords(build, tests)}`,
    make: ({ timeZone }) => ({
      kind: 'touch',
      tests: tests.map((test): TouchTest => ({
        ...test,
        id: test.id ?? nanoid(12),
        at: test.at ?? clock.wallTimeIn(timeZone),
      })),
    }),
  }),
  timer: (timers: z.infer<typeof newTimer>[]): Press => ({
    label: `Timer: ${nth(timers, 0).label}`,
    make: () => ({
      kind: 'timer',
      timers: timers.map((timer): BenchTimer => ({
        ...fromDevice(request, timer),
        id: timer.id ?? nanoid(12),
        startedAt: timer.startedAt ?? clock.iso(),
      })),
    }),
  }),
  stopTimer: ({ ids }: z.infer<typeof stopSchema>): Press => ({
    label: 'Stop a timer',
    make: (build) => {
      refuseOthers(request, ids, build.timers, 'That timer');
      return { kind: 'stopTimer', ids };
    },
  }),
  start: (passes: z.infer<typeof newUnderway>[]): Press => ({
    label: (build) => `Start ${passWords(build, passes)}`,
    make: ({ timeZone }) => ({
      kind: 'start',
      passes: passes.map((pass): Underway => ({
        ...fromDevice(request, pass),
        id: pass.id ?? nanoid(12),
        startedAt: pass.startedAt ?? clock.wallTimeIn(timeZone),
      })),
    }),
  }),
  pause: ({ ids, at, resume }: z.infer<typeof pauseSchema>): Press => ({
    label: resume ? 'Go on' : 'Pause',
    make: ({ timeZone }) => ({ kind: 'pause', ids, at: at ?? clock.wallTimeIn(timeZone), resume }),
  }),
  stop: ({ ids }: z.infer<typeof stopSchema>): Press => ({
    label: 'Stop a pass',
    make: (build) => {
      refuseOthers(request, ids, build.underway, 'That pass');
      return { kind: 'stop', ids };
    },
  }),
});

/** How many of the presses in one request were taken: those behind the first that was refused were not. */
export const TAKEN_HEADER = 'x-fixatum-taken';
const atOnce = <S extends z.ZodType>(schema: S) => z.array(schema).min(1).max(200);
/** Presses that waited for the server, in the order they were made. */
const editsSchema = z.object({
  edits: z
    .array(
      z.discriminatedUnion('kind', [
        z.object({ kind: z.literal('log'), entries: atOnce(newEntry) }),
        z.object({ kind: z.literal('touch'), tests: atOnce(newTest) }),
        z.object({ kind: z.literal('timer'), timers: atOnce(newTimer) }),
        z.object({ kind: z.literal('start'), passes: atOnce(newUnderway) }),
        stopSchema.extend({ kind: z.literal('stopTimer') }),
        stopSchema.extend({ kind: z.literal('stop') }),
        pauseSchema.extend({ kind: z.literal('pause') }),
      ]),
    )
    .min(1, 'send at least one')
    .max(100, 'send at most 100 at once'),
});

/**
 * `/builds/:id/log`, `underway`, `touch-tests` and `timers`: what was done, is being done, was felt, and is being timed. An entry is on disk before the
 * answer goes out; the same id twice counts once. `/builds/:id/edits` takes many presses of any kind that had to wait.
 */
export function logRoutes({ store, clock }: Parts): Router {
  const routes = guardedRoutes();
  const sendBuild = buildSender(store);
  const noted = noteMaker(clock);

  routes.get('helper', '/builds/:id/log', async (request, response) => {
    response.json({ log: (await store.load(param(request, 'id'))).build.log ?? [] });
  });

  /** Does what was pressed; what is refused is told by name. */
  const press = (request: Request, { label, make }: Press): Promise<StoredBuild> =>
    store.log(param(request, 'id'), noted(request, label), make, refusal);

  routes.post('helper', '/builds/:id/log', readJson, async (request, response) => {
    const entries = oneOrMoreOf(request, newEntry);
    sendBuild(response, await press(request, pressesOn(request, clock).log(entries)), 201);
  });
  routes.post('helper', '/builds/:id/touch-tests', readJson, async (request, response) => {
    const tests = oneOrMoreOf(request, newTest);
    sendBuild(response, await press(request, pressesOn(request, clock).touch(tests)), 201);
  });
  routes.post('helper', '/builds/:id/timers', readJson, async (request, response) => {
    const timers = oneOrMoreOf(request, newTimer);
    sendBuild(response, await press(request, pressesOn(request, clock).timer(timers)), 201);
  });
  routes.post('helper', '/builds/:id/timers/stop', readJson, async (request, response) => {
    const said = bodyOf(request, stopSchema);
    sendBuild(response, await press(request, pressesOn(request, clock).stopTimer(said)));
  });
  routes.post('helper', '/builds/:id/underway', readJson, async (request, response) => {
    const passes = oneOrMoreOf(request, newUnderway);
    sendBuild(response, await press(request, pressesOn(request, clock).start(passes)), 201);
  });
  routes.post('helper', '/builds/:id/underway/pause', readJson, async (request, response) => {
    const said = bodyOf(request, pauseSchema);
    sendBuild(response, await press(request, pressesOn(request, clock).pause(said)));
  });
  routes.post('helper', '/builds/:id/underway/stop', readJson, async (request, response) => {
    const said = bodyOf(request, stopSchema);
    sendBuild(response, await press(request, pressesOn(request, clock).stop(said)));
  });

  routes.post('helper', '/builds/:id/edits', readJson, async (request, response) => {
    const presses = pressesOn(request, clock);
    let stored: StoredBuild | undefined;
    let taken = 0;
    for (const edit of bodyOf(request, editsSchema).edits) {
      try {
        stored = await press(request, pressOf(presses, edit));
        taken += 1;
      } catch (error) {
        // What is wrong with the first is said at once; with another, when it comes first.
        if (!stored) throw error;
        break;
      }
    }
    response.set(TAKEN_HEADER, String(taken));
    sendBuild(response, sure(stored, 'the build after the last press'), 201);
  });

  routes.patch('finisher', '/builds/:id/journal', readJson, async (request, response) => {
    const edit = bodyOf(request, journalEditSchema);
    const by = callerOf(request).device?.name;
    const stored = await store.change(
      param(request, 'id'),
      { etag: ifMatch(request) },
      noted(request, (build) => journalEditWords(build, edit)),
      (build) => {
        const edited = editJournal(build, edit, { at: clock.wallTimeIn(build.timeZone), by });
        if (!edited.ok) throw unusable(edited.faults);
        return edited.value;
      },
    );
    sendBuild(response, stored);
  });

  routes.delete('finisher', '/builds/:id/log/:entry', async (request, response) => {
    const entryId = param(request, 'entry');
    const stored = await store.change(
      param(request, 'id'),
      { etag: undefined },
      noted(request, 'Take a log entry back'),
      (build) => {
        if (!build.log?.some((entry) => entry.id === entryId)) throw notFound('log entry');
        return withoutEmptyEnds({ ...build, log: build.log.filter((entry) => entry.id !== entryId) });
      },
    );
    sendBuild(response, stored);
  });

  return routes.router;
}

type Edit = z.infer<typeof editsSchema>['edits'][number];
function pressOf(presses: ReturnType<typeof pressesOn>, edit: Edit): Press {
  switch (edit.kind) {
    case 'log':
      return presses.log(edit.entries);
    case 'touch':
      return presses.touch(edit.tests);
    case 'timer':
      return presses.timer(edit.timers);
    case 'start':
      return presses.start(edit.passes);
    case 'stopTimer':
      return presses.stopTimer(edit);
    case 'stop':
      return presses.stop(edit);
    case 'pause':
      return presses.pause(edit);
  }
}
