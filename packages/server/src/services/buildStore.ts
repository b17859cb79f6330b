import {
  checkedLogEdit,
  openBuild,
  parseBuild,
  tooMuch,
  withoutOldDangling,
  type Build,
  type Fault,
  type LogEdit,
  type PassSpot,
} from '@fixatum/core';
import jsonpatch from 'fast-json-patch';
import { nanoid } from 'nanoid';
import { Transaction } from 'sequelize';
import { headOf } from './buildHeads';
import { NewsDesk, type BuildNews } from './buildNews';
import { readRows, writeRows, type StoredBuild } from './buildRows';
import { ChangeLog, type ChangeNote } from './changeLog';
import { KeptBuilds } from './keptBuilds';
import type { Database } from '../storage/database';
import type { BuildRow } from '../storage/models';
import { changedMeanwhile, notFound, unusable, type Problem } from '../http/problem';

/** What a change to a build may be tied to: the version the caller saw, of the build or of one piece. */
export interface Expectation {
  etag: string | undefined;
  pieceId?: string;
}

export const buildEtag = (stored: StoredBuild): string => `"${stored.version}"`;
export const pieceEtag = (stored: StoredBuild, pieceId: string): string =>
  `"${stored.pieceVersions.get(pieceId) ?? 0}"`;

/** What of a change was not taken, by what the core says of it. */
export type Refusal =
  | { why: 'faults'; faults: Fault[] }
  | { why: 'logged-already' | 'no-such-pass'; entry: PassSpot; build: Build };

/**
 * Keeps builds in SQLite. Every write is one at a time, in one transaction, checked by the core, written row by row where something
 * differs, with the patch that takes it back.
 */
export class BuildStore {
  private queue: Promise<unknown> = Promise.resolve();
  private readonly kept = new KeptBuilds();
  private readonly desk = new NewsDesk();

  private readonly listeners = new Set<(id: string, version: number) => void>();

  private readonly changeLog: ChangeLog;

  constructor(private readonly database: Database) {
    this.changeLog = new ChangeLog(database.models);
  }

  /** Is told of every change to a build, once it is on disk, with its version. */
  whenChanged(tell: (id: string, version: number) => void): () => void {
    this.listeners.add(tell);
    return () => this.listeners.delete(tell);
  }
  /** A change once it is on disk: kept, and everybody told. */
  private async done<T extends Change>(work: Promise<T>): Promise<T> {
    const change = await work;
    const { before, stored } = change;
    this.kept.keep(stored);
    if (before === stored) return change;
    if (before) this.desk.add(before, stored);
    for (const tell of this.listeners) tell(stored.id, stored.version);
    return change;
  }

  /** The builds there are, in the order they were made. */
  async list(): Promise<{ id: string; name: string; pieces: number; version: number }[]> {
    const { builds, pieces } = this.database.models;
    const rows = await builds.findAll({ where: { deletedAt: null }, order: ['position'] });
    return Promise.all(
      rows.map(async (row) => ({
        id: row.id,
        name: headOf(row.body).name,
        pieces: await pieces.count({ where: { buildId: row.id } }),
        version: row.version,
      })),
    );
  }

  /** Whether any build was ever stored here. */
  async isUntouched(): Promise<boolean> {
    return (await this.database.models.builds.count()) === 0;
  }

  /** A build as it is on disk. It is frozen: what is made of it is made anew. */
  async load(id: string): Promise<StoredBuild> {
    // Read while nothing is written, so that it is all of one version.
    return this.kept.get(id) ?? this.inTurn(async () => this.kept.keep(await this.read(id)));
  }
  /** For work that has its turn already. */
  private async read(id: string, transaction?: Transaction): Promise<StoredBuild> {
    return this.kept.get(id) ?? readRows(this.database.models, id, transaction);
  }

  /** What changed in a build since a version of it; undefined where that is not known any more. */
  newsOf(stored: StoredBuild, since: number): BuildNews | undefined {
    return this.desk.since(stored, since);
  }

  /** Stores a new build whole. */
  async create(build: Build): Promise<StoredBuild> {
    const faults = tooMuch(build);
    if (faults.length > 0) throw unusable(faults);
    const { stored } = await this.done(
      this.alone(async (transaction) => {
        const id = nanoid(10);
        const { builds } = this.database.models;
        const position = (await builds.max<number | null, BuildRow>('position', { transaction })) ?? 0;
        await builds.create(
          { id, position: position + 1, version: 0, body: '{}', deletedAt: null },
          { transaction },
        );
        const empty = { id, version: 0, build: emptyOf(build), pieceVersions: new Map() };
        return { stored: await writeRows(this.database.models, empty, build, transaction) };
      }),
    );
    return stored;
  }

  /** Puts a build aside; `restore` brings it back. */
  remove(id: string, at: string): Promise<void> {
    return this.alone(async (transaction) => {
      const [count] = await this.database.models.builds.update(
        { deletedAt: at },
        { where: { id, deletedAt: null }, transaction },
      );
      if (count === 0) throw notFound('build');
      this.kept.forget(id);
    });
  }

  restore(id: string): Promise<StoredBuild> {
    return this.alone(async (transaction) => {
      const [count] = await this.database.models.builds.update(
        { deletedAt: null },
        { where: { id }, transaction },
      );
      if (count === 0) throw notFound('build');
      return this.read(id, transaction);
    });
  }

  /**
   * Changes a build: `edit` gets it and returns what it should be, or the same object for no change. Throws a Problem
   * when the caller's version is old (412) or the result can't be used (422); nothing is written then.
   */
  change(
    id: string,
    expectation: Expectation,
    note: ChangeNote,
    edit: (build: Build) => Build,
  ): Promise<StoredBuild> {
    return this.write(id, expectation, note, (before) => {
      const parsed = parseBuild(edit(withoutOldDangling(before)));
      if (!parsed.ok) throw unusable(parsed.faults);
      const more = tooMuch(parsed.value);
      // What was stored before there was a limit can be changed all the same.
      if (more.length > 0 && tooMuch(before).length === 0) throw unusable(more);
      return parsed.value;
    });
  }

  /**
   * As `change`, for what the bench says, which is all that is checked: one coat in a log of thousands is one coat's work.
   * @param refused makes the Problem of what was not taken
   */
  log(
    id: string,
    note: ChangeNote,
    make: (build: Build) => LogEdit,
    refused: (why: Refusal) => Problem,
  ): Promise<StoredBuild> {
    return this.write(id, { etag: undefined }, note, (build) => {
      const edited = checkedLogEdit(build, make(build));
      if (edited.ok) return edited.build;
      throw refused(edited.why === 'faults' ? edited : { ...edited, build });
    });
  }

  /** Writes what `produce` makes of a build, which is whole, with what takes it back. */
  private async write(
    id: string,
    expectation: Expectation,
    note: ChangeNote,
    produce: (before: Build) => Build,
  ): Promise<StoredBuild> {
    const { stored } = await this.done(
      this.alone(async (transaction) => {
        const before = await this.read(id, transaction);
        expect(before, expectation);
        const after = produce(before.build);
        const back = jsonpatch.compare(after, before.build);
        if (back.length === 0) return { before, stored: before };
        const stored = await writeRows(this.database.models, before, after, transaction);
        await this.changeLog.add(id, before.build, note, back, transaction);
        return { before, stored };
      }),
    );
    return stored;
  }

  /**
   * Takes the last change back, and the plan to what it was before; says what was taken back. Throws a Problem (412) when
   * somebody has changed the build since the caller looked: the last change may then be theirs.
   * @param only the one device whose changes may be taken back; those of all without it
   */
  undo(id: string, expectation: Expectation, only?: string): Promise<{ stored: StoredBuild; label: string }> {
    return this.done(
      this.alone(async (transaction) => {
        const before = await this.read(id, transaction);
        expect(before, expectation);
        const last = await this.changeLog.next(id, only, transaction);
        const patched = jsonpatch.applyPatch(
          structuredClone(before.build),
          JSON.parse(last.back),
        ).newDocument;
        // It was there before, so it is taken as what was saved is.
        const parsed = openBuild(patched);
        if (!parsed.ok) throw unusable(parsed.faults);
        const stored = await writeRows(this.database.models, before, parsed.value, transaction);
        await this.changeLog.taken(last, transaction);
        return { before, stored, label: last.label };
      }),
    );
  }

  /** The changes that can still be taken back, newest first. */
  changes(id: string): ReturnType<ChangeLog['list']> {
    return this.changeLog.list(id);
  }

  /** What `undo` would take back next. */
  async lastChange(id: string): Promise<string | null> {
    return (await this.changeLog.last(id))?.label ?? null;
  }

  /** Once every write that was asked for so far is done, well or not. */
  async settled(): Promise<void> {
    await this.queue;
  }

  /**
   * Runs one write at a time, each in a transaction of its own that holds the file from its first read on: one that read
   * first and then found that a hygrometer had written meanwhile could not go on.
   */
  private alone<T>(work: (transaction: Transaction) => Promise<T>): Promise<T> {
    return this.inTurn(() =>
      this.database.sequelize.transaction({ type: Transaction.TYPES.IMMEDIATE }, work),
    );
  }
  /** Runs some work once all that was asked for before is done. */
  private inTurn<T>(work: () => Promise<T>): Promise<T> {
    const next = this.queue.then(work);
    this.queue = next.catch(() => undefined);
    return next;
  }
}

/** What a write did: the build before, where there was one, and as it is stored now. The same, where nothing changed. */
interface Change {
  before?: StoredBuild;
  stored: StoredBuild;
}

const emptyOf = (build: Build): Build => ({ ...build, pieces: [], log: [], underway: [] });

function expect(stored: StoredBuild, { etag, pieceId }: Expectation): void {
  if (etag === undefined || etag === '*') return;
  if (pieceId === undefined) {
    if (etag !== buildEtag(stored)) throw changedMeanwhile(stored.build, buildEtag(stored));
    return;
  }
  const piece = stored.build.pieces.find((candidate) => candidate.id === pieceId);
  if (!piece) throw notFound('piece');
  if (etag !== pieceEtag(stored, pieceId)) throw changedMeanwhile(piece, pieceEtag(stored, pieceId));
}
