import { join } from 'node:path';
import type { AppOptions } from '../app';
import { BuildStore } from '../services/buildStore';
import { makeClock } from '../services/clock';
import { Devices } from '../services/devices';
import { Photos } from '../services/photos';
import { Records } from '../services/records';
import { ReadingStore } from '../services/readingStore';
import { BadBackup } from '../services/badBackup';
import { Backups } from '../services/backups';
import { Incoming } from '../services/incoming';
import type { Database } from '../storage/database';

/** The sample builds that ship with the program. */
export const samplesFolder = join(__dirname, '../../../../demo');

/** The demo's moment. */
export const testClock = makeClock('2027-02-20T19:30');

/** What an application on a database is made of in tests: the demo's moment, its samples, photos beside the data. */
export const appParts = (
  database: Database,
  folder: string,
  store = new BuildStore(database, testClock),
): AppOptions => ({
  store,
  records: new Records(database, store),
  models: database.models,
  readings: new ReadingStore(database.models),
  devices: new Devices(database.models),
  clock: testClock,
  samplesFolder,
  photos: new Photos(join(folder, 'photos')),
});

const notHere = () => Promise.reject(new BadBackup('nothing is put back in these tests'));
/** Backups beside a database, none of which is ever put back. */
export const keptBackups = (folder: string): NonNullable<AppOptions['backups']> => ({
  backups: new Backups(folder),
  restore: notHere,
  restoreFrom: notHere,
  fold: () => Promise.resolve(true),
  incoming: new Incoming(join(folder, 'incoming')),
});
