import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { all, close, openFile } from '../storage/sqliteFile';
import { DATABASE_FILE, openDatabase } from '../storage/database';
import { samplesFolder, testClock } from '../testing/appParts';
import { changeFile } from '../testing/changeFile';
import { BuildStore } from './buildStore';
import { rebuild } from './rebuild';
import { loadSamples } from './samples';

let folder: string;
const theirs = () => join(folder, 'theirs', DATABASE_FILE);
const ours = () => join(folder, 'ours');

beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'fixatum-rebuild-'));
  const database = await openDatabase(join(folder, 'theirs'));
  await loadSamples(new BuildStore(database), samplesFolder, testClock);
  await database.close();
});
afterEach(() => rm(folder, { recursive: true, force: true }));

const change = (...statements: string[]) => changeFile(theirs(), ...statements);
async function asked<T>(file: string, sql: string): Promise<T[]> {
  const database = await openFile(file);
  const rows = await all<T>(database, sql);
  await close(database);
  return rows;
}
const things = (file: string) =>
  asked<{ name: string }>(file, 'SELECT type, name, sql FROM sqlite_master ORDER BY name');

test('every row comes along, and nothing that another hand put beside the tables', async () => {
  const clean = await things(theirs());
  await change(
    "CREATE TRIGGER lets_in AFTER UPDATE ON builds BEGIN INSERT INTO devices VALUES ('d', 'Maker', 'finisher', 'hash', 'now', 'now'); END",
    'CREATE VIEW everything AS SELECT * FROM builds',
    'CREATE TABLE foreign_things (secret TEXT)',
    "INSERT INTO devices VALUES ('e', 'Maker', 'finisher', 'hash of a token', 'now', 'now')",
  );
  await rebuild(theirs(), ours(), 'outside');
  const made = join(ours(), DATABASE_FILE);
  expect(await things(made)).toEqual(clean);
  for (const table of ['workshops', 'builds', 'pieces', 'steps', 'log_entries', 'changes'])
    expect([table, await asked(made, `SELECT * FROM ${table}`)]).toEqual([
      table,
      await asked(theirs(), `SELECT * FROM ${table}`),
    ]);
  expect((await asked(made, 'SELECT * FROM steps')).length).toBeGreaterThan(20);
  expect(await asked(made, 'SELECT * FROM devices')).toEqual([]);
});

test.each([
  [
    'a view in the place of a table',
    ['ALTER TABLE looks RENAME TO other', 'CREATE VIEW looks AS SELECT * FROM other'],
    'That is no database of a workshop.',
  ],
  [
    'a virtual table in the place of one',
    ['DROP TABLE looks', 'CREATE VIRTUAL TABLE looks USING fts5(id, body)'],
    'That is no database of a workshop.',
  ],
  ['no marks', ['DELETE FROM SequelizeMeta'], 'That is no database of a workshop.'],
  [
    'a mark of days to come',
    ["INSERT INTO SequelizeMeta VALUES ('999-tomorrow')"],
    'That was made by a newer version of the program than this one.',
  ],
  [
    'a step that is no step',
    ['UPDATE steps SET body = \'{"kind":"hover"}\' WHERE rowid = (SELECT min(rowid) FROM steps)'],
    '” in it can’t be opened: ',
  ],
  [
    'a head that is no JSON',
    ["UPDATE builds SET body = '{'"],
    'A build in it can’t be opened: it can’t be read.',
  ],
  ['a look that is none', ["INSERT INTO looks VALUES ('l', '{}')"], 'A saved look in it can’t be read.'],
])('%s is refused', async (_what, statements, sentence) => {
  await change(...statements);
  await expect(rebuild(theirs(), ours(), 'outside')).rejects.toThrow(sentence);
});

test('what was kept here is taken as it was kept, also where a rule is newer than it', async () => {
  await change("UPDATE builds SET body = json_set(body, '$.start', 'long ago')");
  await expect(rebuild(theirs(), ours(), 'outside')).rejects.toThrow('can’t be opened');
  await rebuild(theirs(), ours(), 'own');
  expect(await asked(join(ours(), DATABASE_FILE), 'SELECT body FROM builds')).toEqual(
    await asked(theirs(), 'SELECT body FROM builds'),
  );
});
