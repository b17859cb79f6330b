import { openBuild, parseBuild, tooMuch, withoutOldDangling, type Build } from '@fixatum/core';
import jsonpatch from 'fast-json-patch';
import { nanoid } from 'nanoid';
import { Transaction } from 'sequelize';
import { z } from 'zod';
import { readRows, writeRows, type StoredBuild } from './buildRows';
import type { Database } from '../storage/database';
import type { BuildRow } from '../storage/models';
import { changedMeanwhile, notFound, Problem, unusable } from '../http/problem';

/** What a change to a build may be tied to: the version the caller saw, of the build or of one piece. */
export interface Expectation {
  etag: string | undefined;
  pieceId?: string;
}

export const buildEtag = (stored: StoredBuild): string => `"${stored.version}"`;
export const pieceEtag = (stored: StoredBuild, pieceId: string): string =>
  `"${stored.pieceVersions.get(pieceId) ?? 0}"`;

const UNDO_DEPTH = 200;
/** Plans are large, so only this many of those before changes are kept. */
const PLAN_DEPTH = 20;

/**
 * Keeps builds in SQLite. Every write goes through `change`: one at a time, in one transaction, validated as a whole by
 * the core, written row by row where something differs, with the patch that takes it back.
 */
export class BuildStore {
  private queue: Promise<unknown> = Promise.resolve();

  private readonly listeners = new Set<(id: string, version: number) => void>();

  constructor(private readonly database: Database) {}

  /** Is told of every change to a build, once it is on disk, with its version. */
  whenChanged(tell: (id: string, version: number) => void): () => void {
    this.listeners.add(tell);
    return () => this.listeners.delete(tell);
  }
  private tell({ id, version }: StoredBuild): void {
    for (const tell of this.listeners) tell(id, version);
  }
  /** A build once it is stored, after everybody was told. */
  private async toldOf(work: Promise<StoredBuild>): Promise<StoredBuild> {
    const stored = await work;
    this.tell(stored);
    return stored;
  }

  /** The builds there are, in the order they were made. */
  async list(): Promise<{ id: string; name: string; pieces: number; version: number }[]> {
    const { builds, pieces } = this.database.models;
    const rows = await builds.findAll({ where: { deletedAt: null }, order: ['position'] });
    return Promise.all(
      rows.map(async (row) => ({
        id: row.id,
        name: headSchema.parse(JSON.parse(row.body)).name,
        pieces: await pieces.count({ where: { buildId: row.id } }),
        version: row.version,
      })),
    );
  }

  /** Whether any build was ever stored here. */
  async isUntouched(): Promise<boolean> {
    return (await this.database.models.builds.count()) === 0;
  }

  load(id: string, transaction?: Transaction): Promise<StoredBuild> {
    return readRows(this.database.models, id, transaction);
  }

  /** Stores a new build whole. */
  async create(build: Build): Promise<StoredBuild> {
    const faults = tooMuch(build);
    if (faults.length > 0) throw unusable(faults);
    return this.alone(async (transaction) => {
      const id = nanoid(10);
      const { builds } = this.database.models;
      const position = (await builds.max<number | null, BuildRow>('position', { transaction })) ?? 0;
      await builds.create(
        { id, position: position + 1, version: 0, body: '{}', deletedAt: null },
        { transaction },
      );
      await writeRows(
        this.database.models,
        { id, version: 0, build: emptyOf(build), pieceVersions: new Map() },
        build,
        transaction,
      );
      return this.load(id, transaction);
    });
  }

  /** Puts a build aside; `restore` brings it back. */
  remove(id: string, at: string): Promise<void> {
    return this.alone(async (transaction) => {
      const [count] = await this.database.models.builds.update(
        { deletedAt: at },
        { where: { id, deletedAt: null }, transaction },
      );
      if (count === 0) throw notFound('build');
    });
  }

  restore(id: string): Promise<StoredBuild> {
    return this.alone(async (transaction) => {
      const [count] = await this.database.models.builds.update(
        { deletedAt: null },
        { where: { id }, transaction },
      );
      if (count === 0) throw notFound('build');
      return this.load(id, transaction);
    });
  }

  /**
   * Changes a build: `edit` gets it and returns what it should be, or the same object for no change. Throws a Problem
   * when the caller's version is old (412) or the result can't be used (422); nothing is written then.
   */
  async change(
    id: string,
    expectation: Expectation,
    label: string,
    at: string,
    edit: (build: Build) => Build,
  ): Promise<StoredBuild> {
    return this.toldOf(
      this.alone(async (transaction) => {
        const before = await this.load(id, transaction);
        expect(before, expectation);
        const after = edit(structuredClone(withoutOldDangling(before.build)));
        const parsed = parseBuild(after);
        if (!parsed.ok) throw unusable(parsed.faults);
        const more = tooMuch(parsed.value);
        // What was stored before there was a limit can be changed all the same.
        if (more.length > 0 && tooMuch(before.build).length === 0) throw unusable(more);
        const back = jsonpatch.compare(parsed.value, before.build);
        if (back.length === 0) return before;
        await writeRows(this.database.models, before, parsed.value, transaction);
        const { changes, plans } = this.database.models;
        const plan = await plans.findOne({ where: { buildId: id }, transaction });
        await changes.create(
          { buildId: id, at, label, back: JSON.stringify(back), plan: plan?.body ?? null },
          { transaction },
        );
        const atDepth = (offset: number) =>
          changes.findOne({ where: { buildId: id }, order: [['id', 'DESC']], offset, transaction });
        await (await atDepth(PLAN_DEPTH))?.update({ plan: null }, { transaction });
        await (await atDepth(UNDO_DEPTH))?.destroy({ transaction });
        return this.load(id, transaction);
      }),
    );
  }

  /**
   * Takes the last change back, and the plan to what it was before; says what was taken back. Throws a Problem (412) when
   * somebody has changed the build since the caller looked: the last change may then be theirs.
   */
  async undo(id: string, expectation: Expectation): Promise<{ stored: StoredBuild; label: string }> {
    const undone = await this.undone(id, expectation);
    this.tell(undone.stored);
    return undone;
  }
  private undone(id: string, expectation: Expectation): Promise<{ stored: StoredBuild; label: string }> {
    return this.alone(async (transaction) => {
      const before = await this.load(id, transaction);
      expect(before, expectation);
      const last = await this.database.models.changes.findOne({
        where: { buildId: id },
        order: [['id', 'DESC']],
        transaction,
      });
      if (!last) throw new Problem('nothing-to-undo', 'There is no change left to take back.');
      const patched = jsonpatch.applyPatch(structuredClone(before.build), JSON.parse(last.back)).newDocument;
      // It was there before, so it is taken as what was saved is.
      const parsed = openBuild(patched);
      if (!parsed.ok) throw unusable(parsed.faults);
      await writeRows(this.database.models, before, parsed.value, transaction);
      if (last.plan !== null)
        await this.database.models.plans.upsert({ buildId: id, body: last.plan }, { transaction });
      await last.destroy({ transaction });
      return { stored: await this.load(id, transaction), label: last.label };
    });
  }

  /** The changes that can still be taken back, newest first. */
  async changes(id: string): Promise<{ at: string; label: string }[]> {
    const rows = await this.database.models.changes.findAll({
      where: { buildId: id },
      order: [['id', 'DESC']],
    });
    return rows.map(({ at, label }) => ({ at, label }));
  }

  /** What `undo` would take back next. */
  async lastChange(id: string): Promise<string | null> {
    const last = await this.database.models.changes.findOne({
      where: { buildId: id },
      order: [['id', 'DESC']],
    });
    return last?.label ?? null;
  }

  /** The hygrometers of all builds. Heads are read again only where something has changed. */
  async hygrometers(): Promise<{ buildId: string; timeZone: string; placeId: string; port: number }[]> {
    const { builds } = this.database.models;
    const rows = await builds.findAll({ where: { deletedAt: null }, attributes: ['id', 'version'] });
    const heads = new Map<string, KnownHead>();
    for (const { id, version } of rows) {
      const known = this.heads.get(id);
      if (known?.version === version) {
        heads.set(id, known);
        continue;
      }
      const row = await builds.findOne({ where: { id }, attributes: ['body'] });
      if (row) heads.set(id, { version, ...headOf(row.body) });
    }
    this.heads = heads;
    return [...heads].flatMap(([buildId, { timeZone, sensors }]) =>
      sensors.map((sensor) => ({ buildId, timeZone, ...sensor })),
    );
  }
  private heads = new Map<string, KnownHead>();

  /** Once every write that was asked for so far is done, well or not. */
  async settled(): Promise<void> {
    await this.queue;
  }

  /**
   * Runs one write at a time, each in a transaction of its own that holds the file from its first read on: one that read
   * first and then found that a hygrometer had written meanwhile could not go on.
   */
  private alone<T>(work: (transaction: Transaction) => Promise<T>): Promise<T> {
    const next = this.queue.then(() =>
      this.database.sequelize.transaction({ type: Transaction.TYPES.IMMEDIATE }, work),
    );
    this.queue = next.catch(() => undefined);
    return next;
  }
}

/** What of a build's head tells where its hygrometers are. */
interface KnownHead {
  version: number;
  timeZone: string;
  sensors: { placeId: string; port: number }[];
}

/** What is asked of a head by itself, without its pieces. */
const headSchema = z.looseObject({
  name: z.string(),
  timeZone: z.string(),
  places: z.array(z.looseObject({ id: z.string(), hygrometerPort: z.number().optional() })).default([]),
});

function headOf(body: string): Omit<KnownHead, 'version'> {
  const { timeZone, places } = headSchema.parse(JSON.parse(body));
  return {
    timeZone,
    sensors: places.flatMap(({ id, hygrometerPort }) =>
      hygrometerPort === undefined ? [] : [{ placeId: id, port: hygrometerPort }],
    ),
  };
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
