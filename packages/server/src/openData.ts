import type { Express } from 'express';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { rm } from 'node:fs/promises';
import { join, resolve } from 'node:path';
import type { Logger } from 'pino';
import { createApp } from './app';
import type { Trouble } from './http/mendingPage';
import { mendingApp } from './mendingApp';
import { Mark } from './services/mark';
import { problemText, Problem } from './http/problem';
import { BadBackup } from './services/badBackup';
import { Backups } from './services/backups';
import { freshIn, putBack, swapIn, type Prepared } from './services/putBack';
import { fileWork, type FileWork } from './services/fileWork';
import { WriteGate } from './http/writeGate';
import { keepFolded } from './services/folding';
import { Hygrometers } from './services/hygrometers';
import { BuildStore } from './services/buildStore';
import type { Clock } from './services/clock';
import { Devices } from './services/devices';
import { Incoming } from './services/incoming';
import { namedPhotos, Photos } from './services/photos';
import { pollHygrometers, type Poller } from './services/poller';
import { ReadingStore } from './services/readingStore';
import { Records } from './services/records';
import { loadSamples } from './services/samples';
import type { Sharing } from './services/sharing';
import { isDamaged } from './storage/connection';
import { DATABASE_FILE, openDatabase, type Database } from './storage/database';

export interface OpenDataOptions {
  dataFolder: string;
  samplesFolder: string;
  webFolder?: string;
  allowedHosts: readonly string[];
  clock: Clock;
  log: Logger;
  logRequests: boolean;
  sharing: Sharing;
  /** Where the work on files is done; right here without it. */
  fileWork?: FileWork;
}

/** All that is open while the server works. */
interface Open {
  app: Express;
  database: Database;
  store: BuildStore;
  poller: Poller;
  folding: { stop(): Promise<void> };
  closing: AbortController;
}

/**
 * Everything that is open on one data folder. It can be closed and opened again while the server listens, which is how a backup
 * is put back; whoever asks meanwhile is told so.
 */
export class OpenData {
  readonly backups: Backups;
  private readonly photos: Photos;
  private readonly incoming: Incoming;
  private readonly mark: Mark;
  private readonly gate = new WriteGate();
  private readonly work: FileWork;
  private current: Open | undefined;
  /** What answers while the file is damaged. */
  private mending: Express | undefined;

  constructor(private readonly options: OpenDataOptions) {
    this.backups = new Backups(options.dataFolder);
    this.photos = new Photos(resolve(options.dataFolder, 'photos'));
    this.mark = new Mark(options.dataFolder);
    this.work = options.fileWork ?? fileWork;
    this.incoming = new Incoming(resolve(options.dataFolder, 'incoming'), this.work);
  }

  readonly answer = (request: IncomingMessage, response: ServerResponse): void => {
    const app = this.current?.app ?? this.mending;
    if (app && this.gate.admit(request, response)) return app(request, response);
    const problem = new Problem('restoring', 'A backup is being put back. Try again in a moment.');
    response
      .writeHead(problem.status, { 'content-type': 'application/problem+json', 'retry-after': '2' })
      .end(problemText(problem));
  };

  /** Opens what is there. Where that is damaged, or gone, nothing else is answered but a page with the way back. */
  async openOrMend(): Promise<void> {
    const hasBackups = (await this.backups.list()).length > 0;
    if (await this.mark.isGone(hasBackups)) return this.showWayBack('gone');
    try {
      await this.open();
    } catch (error) {
      if (!isDamaged(error)) throw error;
      this.options.log.error(error, 'opening the data');
      return this.showWayBack('damaged');
    }
    if (!(await this.mark.isEmptied(await this.hasAny()))) return;
    await this.close();
    this.showWayBack('gone');
  }

  private showWayBack(trouble: Trouble): void {
    this.mending = mendingApp({
      backups: this.backups,
      trouble,
      mend: () => this.mend(),
      begin: () => this.begin(),
      allowedHosts: this.options.allowedHosts,
    });
  }

  /** Puts the newest whole backup in the place of a damaged or empty file, which is kept aside. */
  private async mend(): Promise<void> {
    const newest = await this.backups.newestWhole();
    if (!newest) throw new BadBackup('There is no whole backup.');
    await this.backups.putAside();
    await putBack(newest.folder, this.options.dataFolder, 'own');
    await this.open();
    this.mending = undefined;
  }

  /** Goes on as in a folder that never held anything. */
  private async begin(): Promise<void> {
    await this.mark.set(false);
    await this.open();
    this.mending = undefined;
  }

  async open(): Promise<void> {
    const { dataFolder, clock, log, sharing, ...rest } = this.options;
    const database = await openDatabase(dataFolder, {
      beforeUpgrade: () => this.backups.make('before-upgrade'),
    });
    const store = new BuildStore(database, clock);
    const readings = new ReadingStore(database.models);
    const closing = new AbortController();
    const app = createApp({
      ...rest,
      store,
      models: database.models,
      readings,
      records: new Records(database, store),
      clock,
      log,
      devices: new Devices(database.models),
      sharing,
      closing: closing.signal,
      backups: {
        backups: this.backups,
        restore: (id) => this.restore(id),
        fold: () => database.fold(),
        incoming: this.incoming,
        restoreFrom: (prepared) => this.swap(prepared),
      },
      photos: this.photos,
    });
    const poller = pollHygrometers({
      hygrometers: new Hygrometers(database.models),
      readings,
      clock,
      onError: (error) => log.error(error, 'reading the hygrometers'),
    });
    const folding = keepFolded({
      logFile: join(dataFolder, `${DATABASE_FILE}-wal`),
      fold: async () => {
        await this.mark.set(await this.hasAny());
        return database.fold();
      },
      onError: (error) => log.error(error, 'folding the log of writes in'),
    });
    this.current = { app, database, store, poller, folding, closing };
  }

  /** Stores the sample builds where nothing was ever stored. */
  async loadSamplesFirstTime(): Promise<void> {
    const store = this.current?.store;
    if (store && (await store.isUntouched()))
      await loadSamples(store, this.options.samplesFolder, this.options.clock);
  }

  /** Takes away photos that nothing names, and what is left of torn ones and of archives that nobody took. */
  async tidy(): Promise<void> {
    await this.incoming.clear();
    await rm(freshIn(this.options.dataFolder), { recursive: true, force: true });
    if (this.current) await this.photos.tidy(await namedPhotos(this.current.database.sequelize));
  }

  /** Cuts what is held open for news, so that a server can end. */
  endNews(): void {
    this.current?.closing.abort();
  }

  /** Whatever was sent before is done first: the writes that were asked for, then the file. */
  async close(): Promise<void> {
    const open = this.current;
    this.current = undefined;
    if (!open) return;
    await this.mark.set(!(await open.store.isUntouched()));
    open.closing.abort();
    await open.poller.stop();
    await open.folding.stop();
    await open.store.settled();
    await open.database.close();
  }

  /** Whether anything is stored that a backup would be of use for. */
  async hasAny(): Promise<boolean> {
    return this.current !== undefined && !(await this.current.store.isUntouched());
  }

  /** Puts a backup in the place of everything; what there was is backed up before. */
  private async restore(id: string): Promise<void> {
    const from = await this.backups.folderOf(id);
    await this.swap(await this.work.prepare(from, freshIn(this.options.dataFolder), 'own'), id);
  }

  /**
   * Puts what was prepared in the place of everything. From here on nothing more is written into what there is; what had been said to be stored
   * is in the backup that is made of it. What is pressed meanwhile is told to come again.
   * @param butNot a backup that stays, however many there are
   * @throws Problem when it is done already for somebody else
   */
  private async swap(prepared: Prepared, butNot?: string): Promise<void> {
    if (this.gate.isClosed) throw new Problem('restoring', 'Another backup is being put back.');
    try {
      // The request for this is a write itself.
      await this.gate.close(1);
      await this.current?.store.settled();
      // A damaged file can't be backed up; it is kept as it is.
      await this.backups.make('before-restore', butNot).catch(() => this.backups.putAside());
      await this.close();
      try {
        await swapIn(prepared, this.options.dataFolder);
      } finally {
        await this.open();
      }
    } finally {
      this.gate.reopen();
    }
  }
}
