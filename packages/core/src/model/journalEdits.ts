import { z } from 'zod';
import type { Fault, Result } from './fault';
import { filmFactor, filmGrades } from './filmGrades';
import { humidityPct, id, loggedTime, temperatureC } from './fields';
import { withoutEmptyEnds } from './keepLaid';
import { passesMeant } from './logPasses';
import type { Build, LogEntry, TouchTest } from './schema';
import { compareLogged } from './wallTime';

/** What of a log entry can be put right; null takes away what was said of it. */
export const entryChangeSchema = z.object({
  doneAt: loggedTime.optional(),
  startedAt: loggedTime.nullable().optional(),
  unit: z.number().int().min(1).optional(),
  film: z.enum(filmGrades).optional(),
  material: id.nullable().optional(),
  place: id.nullable().optional(),
  temperatureC: temperatureC.nullable().optional(),
  humidityPct: humidityPct.nullable().optional(),
  outcome: z.enum(['failed']).nullable().optional(),
  photo: z.string().max(120).nullable().optional(),
  note: z.string().max(4000).nullable().optional(),
});
export type EntryChange = z.infer<typeof entryChangeSchema>;

/** What of a touch test can be put right. */
export const testChangeSchema = z.object({
  at: loggedTime.optional(),
  state: z.enum(['dry', 'tacky']).optional(),
});

/** Entries of the log and touch tests that are put right, and those that are taken out, by their ids. */
export const journalEditSchema = z.object({
  entries: z
    .array(z.object({ id, set: entryChangeSchema }))
    .max(500)
    .optional(),
  tests: z
    .array(z.object({ id, set: testChangeSchema }))
    .max(500)
    .optional(),
  remove: z.array(id).max(500).optional(),
});
export type JournalEdit = z.infer<typeof journalEditSchema>;

/** When an edit is made, as wall time, and on which device, where that is not the computer itself. */
export interface EditedBy {
  at: string;
  by?: string | undefined;
}

type Was = NonNullable<LogEntry['edits']>[number]['was'];

/** What a change takes out of its tin follows its thickness; another tin is reckoned again. */
function usedAfter(entry: LogEntry, set: EntryChange): Pick<LogEntry, 'used'> {
  if (!entry.used || (set.material !== undefined && (set.material ?? undefined) !== entry.material))
    return {};
  const factor = set.film === undefined ? 1 : filmFactor[set.film] / filmFactor[entry.film ?? 'normal'];
  const used = entry.used.map((one) => ({
    ...one,
    ml: one.ml * factor,
    ...(one.bookMl === undefined ? {} : { bookMl: one.bookMl * factor }),
  }));
  return { used };
}

/** An entry with a change, and what it said before; the very same where nothing differs. */
export function changedEntry(entry: LogEntry, set: EntryChange, { at, by }: EditedBy): LogEntry {
  const was: Was = {};
  const next: Record<string, unknown> = { ...entry };
  const before: Record<string, unknown> = entry;
  const fields: [string, unknown][] = Object.entries(set);
  for (const [key, value] of fields) {
    if (value === undefined || (value ?? undefined) === before[key]) continue;
    const old = before[key];
    was[key] = typeof old === 'string' || typeof old === 'number' ? old : null;
    if (value === null) delete next[key];
    else next[key] = value;
  }
  if (Object.keys(was).length === 0) return entry;
  delete next['used'];
  return {
    ...(next as LogEntry),
    ...usedAfter(entry, set),
    edits: [...(entry.edits ?? []), { at, ...(by === undefined ? {} : { by }), was }],
  };
}

const fault = (code: string, path: Fault['path'], message: string): Fault => ({ code, path, message });

/**
 * Puts entries of a journal right, or takes them out; the films, tins and plan follow, as nothing is counted but the log. What an entry said
 * before, who changed it and when stay with it.
 * @returns the build, or what can't be: an end before its start, a coat that is logged twice, an entry that is not there any more
 */
export function editJournal(build: Build, edit: JournalEdit, by: EditedBy): Result<Build> {
  const faults: Fault[] = [];
  const log = build.log ?? [];
  const tests = build.touchTests ?? [];
  const known = new Set([...log, ...tests].map(({ id }) => id));
  const named = [
    ...(edit.entries ?? []),
    ...(edit.tests ?? []),
    ...(edit.remove ?? []).map((id) => ({ id })),
  ];
  for (const { id } of named)
    if (!known.has(id))
      faults.push(fault('unknown-id', ['remove'], 'That entry is not in the journal any more.'));
  const gone = new Set(edit.remove);
  const sets = new Map((edit.entries ?? []).map(({ id, set }) => [id, set]));
  const testSets = new Map((edit.tests ?? []).map(({ id, set }) => [id, set]));
  const nextLog = log
    .filter(({ id }) => !gone.has(id))
    .map((entry) => {
      const set = sets.get(entry.id);
      return set ? changedEntry(entry, set, by) : entry;
    });
  const nextTests = tests
    .filter(({ id }) => !gone.has(id))
    .map((test): TouchTest => {
      const { at = test.at, state = test.state } = testSets.get(test.id) ?? {};
      return at === test.at && state === test.state ? test : { ...test, at, state };
    });
  nextLog.forEach((entry, at) => {
    if (!sets.has(entry.id) || entry.startedAt === undefined) return;
    if (compareLogged(entry.startedAt, entry.doneAt) > 0)
      faults.push(fault('end-before-start', ['log', at, 'doneAt'], 'It can’t be done before it was begun.'));
  });
  const taken = new Set<string>();
  for (const { entry, id } of passesMeant(build.pieces, nextLog, new Set())) {
    if (entry.outcome === 'failed') continue;
    if (taken.has(id) && sets.has(entry.id))
      faults.push(fault('logged-already', ['log'], 'That coat of that unit is in the journal already.'));
    taken.add(id);
  }
  if (faults.length > 0) return { ok: false, faults };
  return {
    ok: true,
    value: withoutEmptyEnds({
      ...build,
      log: nextLog,
      ...(build.touchTests ? { touchTests: nextTests } : {}),
    }),
  };
}
