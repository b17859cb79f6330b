import { passMeant, passesMeant } from './logPasses';
import { compareLogged, epochMinute } from './wallTime';
import type { BenchTimer, Build, LogEntry, TouchTest, Underway } from './schema';
import { operationId, type PassSpot } from './stepSpots';

/** What is said of passes, with ids and moments already given. */
export type LogEdit =
  | { kind: 'log'; entries: LogEntry[] }
  | { kind: 'start'; passes: Underway[] }
  /** Lays passes under way down, or takes them up again, by their ids. */
  | { kind: 'pause'; ids: string[]; at: string; resume: boolean }
  /** Gives passes under way up, by their ids: they are to do again. */
  | { kind: 'stop'; ids: string[] }
  | { kind: 'touch'; tests: TouchTest[] }
  | { kind: 'timer'; timers: BenchTimer[] }
  | { kind: 'stopTimer'; ids: string[] };

/**
 * The build with the edit, or the first entry that can't be taken: its coat is logged already (`by` a device, where that was not
 * the computer itself), or its step does not work on the face it names.
 */
export type LogEdited =
  | { ok: true; build: Build }
  | { ok: false; why: 'logged-already' | 'no-such-pass'; entry: PassSpot; by?: string };

/**
 * Applies what the bench says to a build. The server and a screen that is cut off from it do the same, so that what was
 * pressed shows at once and comes to the same later. Invariant: an edit whose ids are all there changes nothing, so that
 * sending it twice counts once; taking away what is not there changes nothing either.
 */
export function applyLogEdit(build: Build, edit: LogEdit): LogEdited {
  switch (edit.kind) {
    case 'log':
      return logPasses(build, edit.entries);
    case 'start':
      return startPasses(build, edit.passes);
    case 'pause':
      return pausePasses(build, edit);
    case 'stop':
      return without(build, 'underway', edit.ids);
    case 'touch':
      return grown(build, 'touchTests', unknown(build.touchTests, edit.tests));
    case 'timer':
      return grown(build, 'timers', unknown(build.timers, edit.timers));
    case 'stopTimer':
      return without(build, 'timers', edit.ids);
  }
}

function pausePasses(build: Build, { ids, at, resume }: Extract<LogEdit, { kind: 'pause' }>): LogEdited {
  const underway = (build.underway ?? []).map((pass) => {
    if (!ids.includes(pass.id) || (pass.pausedAt !== undefined) !== resume) return pass;
    if (!resume) return { ...pass, pausedAt: at };
    const { pausedAt, ...rest } = pass;
    const minutes = Math.max(0, epochMinute(at, build.timeZone) - epochMinute(pausedAt!, build.timeZone));
    return { ...rest, pausedMinutes: (rest.pausedMinutes ?? 0) + minutes };
  });
  const changed = underway.some((pass, n) => pass !== build.underway![n]);
  return { ok: true, build: changed ? { ...build, underway } : build };
}

const unknown = <T extends { id: string }>(known: readonly T[] | undefined, list: readonly T[]): T[] => {
  const ids = new Set(known?.map((one) => one.id));
  return list.filter((one) => !ids.has(one.id));
};

function grown(
  build: Build,
  key: 'underway' | 'touchTests' | 'timers',
  added: readonly unknown[],
): LogEdited {
  return {
    ok: true,
    build: added.length === 0 ? build : { ...build, [key]: [...(build[key] ?? []), ...added] },
  };
}

function without(build: Build, key: 'underway' | 'timers', ids: readonly string[]): LogEdited {
  const list: readonly { id: string }[] = build[key] ?? [];
  const kept = list.filter((one) => !ids.includes(one.id));
  return { ok: true, build: kept.length === list.length ? build : { ...build, [key]: kept } };
}

/** Entries that are about the same pieces as some others: only these can be of the same passes. */
function aboutSame<Entry extends PassSpot>(
  entries: readonly Entry[] | undefined,
  others: readonly PassSpot[],
): Entry[] {
  const pieces = new Set(others.map(({ piece }) => piece));
  return (entries ?? []).filter(({ piece }) => pieces.has(piece));
}

/** The ids of passes of the same pieces that are done, by the log. */
function doneIn(build: Build, of: readonly PassSpot[]): Set<string> {
  const done = new Set<string>();
  passesMeant(build.pieces, aboutSame(build.log, of), done);
  return done;
}

/** The device a pass was logged on; nothing where that was the computer itself. */
function loggerOf(build: Build, of: PassSpot, pass: string): { by?: string } {
  const { by } =
    passesMeant(build.pieces, aboutSame(build.log, [of])).find(
      ({ entry, id }) => id === pass && entry.outcome !== 'failed',
    )?.entry ?? {};
  return by === undefined ? {} : { by };
}

/** The pass an entry means; undefined when its step does not work on that face. What is not in the build is for its faults to say. */
function meant(build: Build, entry: PassSpot, taken: ReadonlySet<string>): PassSpot | undefined {
  const piece = build.pieces.find((one) => one.id === entry.piece);
  if (!piece?.steps.some((step) => step.id === entry.step)) return entry;
  return passMeant(piece, entry, (id) => taken.has(id));
}

function startPasses(build: Build, passes: readonly Underway[]): LogEdited {
  const busy = doneIn(build, passes);
  passesMeant(build.pieces, aboutSame(build.underway, passes), busy);
  const added: Underway[] = [];
  for (const entry of unknown(build.underway, passes)) {
    const pass = meant(build, entry, busy);
    if (!pass) return { ok: false, why: 'no-such-pass', entry };
    if (busy.has(operationId(pass))) continue;
    busy.add(operationId(pass));
    added.push({ ...entry, ...pass });
  }
  return grown(build, 'underway', added);
}

function logPasses(build: Build, entries: readonly LogEntry[]): LogEdited {
  const done = doneIn(build, entries);
  const underway = new Map(
    passesMeant(build.pieces, aboutSame(build.underway, entries), new Set(done)).map(({ entry, id }) => [
      id,
      entry,
    ]),
  );
  const over = new Set<Underway>();
  const added: LogEntry[] = [];
  for (const entry of unknown(build.log, entries)) {
    // Without a face it is the one that is due.
    const pass = meant(build, entry, done);
    if (!pass) return { ok: false, why: 'no-such-pass', entry };
    const id = operationId(pass);
    if (done.has(id)) return { ok: false, why: 'logged-already', entry, ...loggerOf(build, pass, id) };
    if (entry.outcome !== 'failed') done.add(id);
    const begun = underway.get(id);
    // Whoever says that it was done earlier has pressed Start too late: that start says nothing.
    const isStart = begun !== undefined && compareLogged(begun.startedAt, entry.doneAt) <= 0;
    added.push({ ...(isStart ? { startedAt: begun.startedAt } : {}), ...entry, ...pass });
    if (begun) over.add(begun);
    underway.delete(id);
  }
  if (added.length === 0) return { ok: true, build };
  return {
    ok: true,
    build: {
      ...build,
      log: [...(build.log ?? []), ...added],
      ...(over.size > 0 ? { underway: build.underway!.filter((pass) => !over.has(pass)) } : {}),
    },
  };
}
