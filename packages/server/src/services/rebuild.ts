import { lookSchema, parseBuild, pathText, storedPlanSchema, type Fault } from '@fixatum/core';
import { mkdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import sqlite3 from 'sqlite3';
import { all, close, openFile, quoted, run } from '../storage/sqliteFile';
import { DATABASE_FILE, MARKS, openDatabase, type Database } from '../storage/database';
import { migrations } from '../storage/migrations';
import { BadBackup } from './badBackup';
import { readRows } from './buildRows';

/** Whatever else a database may hold, these tables are read; who is paired is nobody's to bring along. */
export const TABLES = [
  'workshops',
  'builds',
  'pieces',
  'steps',
  'log_entries',
  'underway',
  'changes',
  'undone',
  'plans',
  'looks',
  'readings',
] as const;

const unknown = () => new BadBackup('That is no database of a workshop.');
const newer = () =>
  new BadBackup('That was made by a newer version of the program than this one. Install that one first.');

/** The changes of the tables that a database has been through, in order. @throws BadBackup when they are not ours */
async function marksIn(source: sqlite3.Database): Promise<number> {
  const marks = await all<{ name: unknown }>(source, `SELECT name FROM ${quoted(MARKS)} ORDER BY name`).catch(
    () => {
      throw unknown();
    },
  );
  const known = migrations.map(({ name }) => name);
  if (marks.length === 0) throw unknown();
  if (marks.length > known.length || marks.some(({ name }) => !known.includes(String(name)))) throw newer();
  if (marks.some(({ name }, at) => name !== known[at])) throw unknown();
  return marks.length;
}

/** The columns of a table that both databases have. */
async function sharedColumns(database: sqlite3.Database, table: string): Promise<string[]> {
  const of = async (schema: string) =>
    (await all<{ name: string }>(database, `PRAGMA ${schema}.table_info(${quoted(table)})`)).map(
      ({ name }) => name,
    );
  const theirs = new Set(await of('source'));
  return (await of('main')).filter((name) => theirs.has(name));
}

/** Whether a database was copied by this program and has lain here since, or came from somewhere else. */
export type Origin = 'own' | 'outside';

/**
 * Reads a database that was made elsewhere, row by row, into a new one whose tables this program makes itself: triggers, views and tables of
 * another make stay behind, and so do paired devices. It is as this version keeps it then, and every build in it has been opened.
 * @param source a database file; it is only read
 * @param folder where the new one is made; what lies there is overwritten
 * @param origin of what came from outside every build has to be as this version would take it; what was kept here is taken as it was kept, so that
 *   no new rule keeps anybody from an old build
 * @throws BadBackup when it is not whole, not ours, or holds a build that can't be opened
 */
export async function rebuild(source: string, folder: string, origin: Origin): Promise<void> {
  await mkdir(folder, { recursive: true });
  const target = join(folder, DATABASE_FILE);
  for (const end of ['', '-wal', '-shm']) await rm(`${target}${end}`, { force: true });
  const marks = await (async () => {
    const theirs = await openFile(source).catch(() => {
      throw unknown();
    });
    try {
      // Whatever is written in its schema is not to be run.
      await run(theirs, 'PRAGMA trusted_schema = OFF');
      const things = await all<{ name: string; type: string; sql: string | null }>(
        theirs,
        'SELECT name, type, sql FROM sqlite_master',
      ).catch(() => {
        throw unknown();
      });
      const odd = things.find(
        ({ name, type, sql }) =>
          [...TABLES, MARKS].some((table) => table === name) &&
          (type !== 'table' || /^\s*create\s+virtual/i.test(sql ?? '')),
      );
      if (odd) throw unknown();
      return await marksIn(theirs);
    } finally {
      await close(theirs);
    }
  })();
  // First as that version had it, then as this one has it.
  const before = await openDatabase(folder, { migrations: migrations.slice(0, marks) });
  await before.close();
  const own = await openFile(target, sqlite3.OPEN_READWRITE);
  try {
    await run(own, 'PRAGMA trusted_schema = OFF');
    await run(own, `ATTACH ${quoted(source)} AS source`);
    await run(own, 'BEGIN');
    for (const table of TABLES) {
      const columns = (await sharedColumns(own, table)).map((name) => `"${name}"`).join(', ');
      if (columns === '') continue;
      await run(own, `INSERT INTO main."${table}" (${columns}) SELECT ${columns} FROM source."${table}"`);
    }
    await run(own, 'COMMIT');
  } catch {
    throw new BadBackup('What is in that database can’t be read.');
  } finally {
    await close(own);
  }
  const database = await openDatabase(folder).catch(() => {
    throw new BadBackup('What is in that database can’t be brought to how this version keeps it.');
  });
  try {
    await openEverything(database, origin);
  } finally {
    await database.close();
  }
}

/** Where a build is wrong and how, to stand within a sentence. */
export const whyOf = ({ path, message }: Fault): string => `${pathText(path)}: ${message.replace(/\.$/, '')}`;

/** Opens every build, look, plan and workshop as the program does. @throws BadBackup naming what can't be opened */
async function openEverything({ models }: Database, origin: Origin): Promise<void> {
  const rows = await models.builds.findAll({ attributes: ['id', 'body'], order: ['position'] });
  for (const { id, body } of rows) {
    const name = nameIn(body);
    const bad = (why: string) => new BadBackup(`${name} in it can’t be opened: ${why}.`);
    const { build } = await readRows(models, id, undefined, true).catch(() => {
      throw bad('it can’t be read');
    });
    if (origin === 'own') continue;
    const parsed = parseBuild(build);
    if (parsed.ok) continue;
    const [first] = parsed.faults;
    throw bad(first ? whyOf(first) : 'it is no build');
  }
  for (const { body } of await models.looks.findAll())
    if (!lookSchema.safeParse(jsonOf(body)).success) throw new BadBackup('A saved look in it can’t be read.');
  for (const plan of await models.plans.findAll())
    // A plan can always be made again.
    if (!storedPlanSchema.safeParse(jsonOf(plan.body)).success)
      await models.plans.destroy({ where: { buildId: plan.buildId } });
  for (const change of await models.changes.findAll())
    if ([change.back, change.shared, change.plan].some((text) => text !== null && jsonOf(text) === undefined))
      throw new BadBackup('What takes changes back in it can’t be read.');
}

function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return undefined;
  }
}
function nameIn(body: string): string {
  const head = jsonOf(body);
  return typeof head === 'object' && head !== null && 'name' in head && typeof head.name === 'string'
    ? `“${head.name}”`
    : 'A build';
}
