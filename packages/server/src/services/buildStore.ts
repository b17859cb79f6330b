import {
  checkedLogEdit,
  drawsOf,
  lessDrawn,
  nth,
  ownParts,
  parseBuild,
  sharedParts,
  thingsChanged,
  tooMuch,
  withoutOldDangling,
  workshopOf,
  type Build,
  type Fault,
  type LogEdit,
  type PassSpot,
  type SharedParts,
  openBuild,
} from '@fixatum/core';
import jsonpatch from 'fast-json-patch';
import { nanoid } from 'nanoid';
import { type Transaction } from 'sequelize';
import { NewsDesk, type BuildNews } from './buildNews';
import { deleteRows, readAside, readRows, writeRows, type AsideBuild, type StoredBuild } from './buildRows';
import { ChangeLog, type ChangeNote, type TakesBack } from './changeLog';
import { KeptBuilds } from './keptBuilds';
import { hasOwnOrder, inOrder, placeFor } from './buildOrder';
import { makeClock, type Clock } from './clock';
import {
  createWorkshop,
  seenWorkshop,
  workshopIn,
  writeShared,
  type SeenWorkshop,
  type Sibling,
  type StoredWorkshop,
} from './workshopRows';
import { WriteQueue } from './writeQueue';
import type { Database } from '../storage/database';
import type { BuildRow } from '../storage/models';
import { RedoLog, doneAgain } from './redoLog';
import { undone } from './undone';
import { changedMeanwhile, notFound, Problem, unusable } from '../http/problem';

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
  | { why: 'logged-already' | 'no-such-pass'; entry: PassSpot; by?: string; build: Build };

/**
 * Keeps builds in SQLite. Every write is one at a time, in one transaction, checked by the core, written row by row where something
 * differs, with the patch that takes it back.
 */
export class BuildStore {
  readonly queue: WriteQueue;
  private readonly kept = new KeptBuilds();
  private readonly desk = new NewsDesk();

  private readonly listeners = new Set<(id: string, version: number) => void>();

  private readonly besides = new Set<(id: string, workshopId?: string) => void>();

  private readonly changeLog: ChangeLog;
  private readonly redoLog: RedoLog;

  /** @param clock tells which dates of builds are yet to come */
  constructor(
    private readonly database: Database,
    private readonly clock: Clock = makeClock(undefined),
  ) {
    this.changeLog = new ChangeLog(database.models);
    this.redoLog = new RedoLog(database.models);
    this.queue = new WriteQueue(database);
  }

  /** Is told of every change to a build, once it is on disk, with its version. */
  whenChanged(tell: (id: string, version: number) => void): () => void {
    this.listeners.add(tell);
    return () => this.listeners.delete(tell);
  }
  /** Is told of builds beside which something is another: their order, or a plan. */
  whenNudged(tell: (id: string, workshopId?: string) => void): () => void {
    this.besides.add(tell);
    return () => this.besides.delete(tell);
  }

  /** A change once it is on disk: kept, and everybody told, also of the other builds that it reached. */
  private async done<T extends Change>(work: Promise<T>): Promise<T> {
    const change = await work;
    const { before, stored, others } = change;
    this.kept.keep(stored);
    if (before === stored) return change;
    if (before) this.desk.add(before, stored);
    for (const { id } of others ?? []) this.kept.forget(id);
    for (const { id, version } of [stored, ...(others ?? [])]) this.tell(id, version);
    return change;
  }
  /**
   * Tells whoever looks at a build that something beside it is another, such as its place in the order.
   * @param workshopId where it was, for a build that is not there any more
   */
  nudge(id: string, workshopId?: string): void {
    for (const tell of this.besides) tell(id, workshopId);
  }
  private tell(id: string, version: number): void {
    for (const tell of this.listeners) tell(id, version);
  }

  /** The builds there are, in the order in which they have hands, racks and tins. */
  async list(): Promise<BuildSummary[]> {
    const { builds, pieces } = this.database.models;
    const rows = await this.inOrder(await builds.findAll({ where: { deletedAt: null } }));
    return Promise.all(
      rows.map(async ({ id, body, version, workshopId, finishedAt }) => ({
        id,
        name: (JSON.parse(body) as Build).name,
        pieces: await pieces.count({ where: { buildId: id } }),
        version,
        workshop: workshopId,
        finishedAt,
      })),
    );
  }

  /** Builds in the order of their workshops. */
  private async inOrder(rows: readonly BuildRow[]): Promise<BuildRow[]> {
    const workshops = await this.database.models.workshops.findAll({ order: ['position'] });
    return workshops.flatMap((row) =>
      inOrder(
        rows.filter(({ workshopId }) => workshopId === row.id),
        workshopIn(row).workshop,
        this.clock,
      ),
    );
  }

  /**
   * Makes room for a new build in its workshop: behind all others, or where somebody put those in an order before the first that is needed
   * later.
   * @returns its position
   */
  private async makeRoom(
    build: Build,
    { id, workshop }: StoredWorkshop,
    transaction: Transaction,
  ): Promise<number> {
    const { builds } = this.database.models;
    const last = (await builds.max<number | null, BuildRow>('position', { transaction })) ?? 0;
    if (!hasOwnOrder(workshop)) return last + 1;
    const all = await builds.findAll({ where: { workshopId: id, deletedAt: null }, transaction });
    const rows = inOrder(all, workshop, this.clock);
    const behind = rows.slice(placeFor(build, rows, workshop, this.clock));
    // Each of those behind it takes the place of the next, and the last a new one.
    const places = [...behind.map(({ position }) => position), last + 1];
    for (const [n, row] of behind.entries())
      await builds.update({ position: nth(places, n + 1) }, { where: { id: row.id }, transaction });
    return nth(places, 0);
  }

  /** Whether any build was ever stored here. */
  async isUntouched(): Promise<boolean> {
    return (await this.database.models.builds.count()) === 0;
  }

  /** A build as it is on disk. It is frozen: what is made of it is made anew. */
  async load(id: string): Promise<StoredBuild> {
    // Read while nothing is written, so that it is all of one version.
    return this.kept.get(id) ?? this.queue.inTurn(async () => this.kept.keep(await this.read(id)));
  }
  /** For work that has its turn already. */
  private async read(id: string, transaction?: Transaction): Promise<StoredBuild> {
    return this.kept.get(id) ?? readRows(this.database.models, id, transaction);
  }

  /** As `read`, also for one that was put aside. */
  private async readAny(id: string, transaction?: Transaction): Promise<StoredBuild> {
    return this.kept.get(id) ?? readRows(this.database.models, id, transaction, true);
  }

  /** The other builds of a workshop, in order; put aside or done with too, as what they took is out of the tins. */
  async beside(id: string): Promise<(StoredBuild & { isAhead: boolean; isAside: boolean })[]> {
    const { builds } = this.database.models;
    const own = await builds.findByPk(id);
    if (!own || own.deletedAt !== null) throw notFound('build');
    const rows = await this.inOrder(await builds.findAll({ where: { workshopId: own.workshopId } }));
    const at = rows.findIndex((row) => row.id === id);
    return Promise.all(
      rows.flatMap(({ id: other, deletedAt }, n) =>
        n === at
          ? []
          : [
              this.queue
                .inTurn(() => this.readAny(other))
                .then((stored) => ({ ...stored, isAhead: n < at, isAside: deletedAt !== null })),
            ],
      ),
    );
  }

  /** What changed in a build since a version of it; undefined where that is not known any more. */
  newsOf(stored: StoredBuild, since: number): BuildNews | undefined {
    return this.desk.since(stored, since);
  }

  /**
   * Stores a new build whole.
   * @param into the workshop it is for, which then has what the build carries, or what a workshop of its own is called
   */
  async create(build: Build, into: Into = { name: `Workshop of ${build.name}` }): Promise<StoredBuild> {
    const faults = tooMuch(build);
    if (faults.length > 0) throw unusable(faults);
    const { stored } = await this.done(
      this.queue.alone(async (transaction) => {
        const { models } = this.database;
        const workshop =
          'id' in into
            ? await seenWorkshop(models, into, transaction)
            : await createWorkshop(models, workshopOf(build, into.name.slice(0, 120)), transaction);
        const id = nanoid(10);
        const workshopId = workshop.id;
        const position = await this.makeRoom(build, workshop, transaction);
        await models.builds.create(
          {
            id,
            position,
            version: 0,
            body: '{}',
            deletedAt: null,
            workshopId,
            finishedAt: null,
          },
          { transaction },
        );
        const empty: StoredBuild = {
          id,
          version: 0,
          build: emptyOf(build),
          pieceVersions: new Map(),
          workshopId,
          finishedAt: undefined,
        };
        const others = await this.shared(empty, workshop.workshop, build, transaction);
        return { stored: await writeRows(models, empty, build, transaction), others };
      }),
    );
    return stored;
  }

  /**
   * Moves a build to another workshop, which then has what the build carries. The air that was measured in its places goes along. What was
   * changed before can't be taken back any more, as it was of the other workshop.
   * @param placeIds what its places are called there, by what they were called here
   */
  async move(
    id: string,
    expectation: Expectation,
    into: SeenWorkshop,
    { build, placeIds }: { build: Build; placeIds: Readonly<Record<string, string>> },
  ): Promise<StoredBuild> {
    const { models } = this.database;
    const { stored, before } = await this.done(
      this.queue.alone(async (transaction) => {
        const before = await this.read(id, transaction);
        expect(before, expectation);
        const known = await seenWorkshop(models, into, transaction);
        const moved = { ...before, workshopId: known.id };
        const others = await this.shared(moved, known.workshop, build, transaction);
        await models.builds.update({ workshopId: known.id }, { where: { id }, transaction });
        await models.changes.destroy({ where: { buildId: id }, transaction });
        await this.redoLog.forget(id, transaction);
        for (const [placeId, placeIdThere] of Object.entries(placeIds))
          await this.database.sequelize.query(
            `INSERT OR IGNORE INTO readings (workshopId, placeId, at, temperatureC, humidityPct, fault)
             SELECT ?, ?, at, temperatureC, humidityPct, fault FROM readings WHERE workshopId = ? AND placeId = ?`,
            { replacements: [known.id, placeIdThere, before.workshopId, placeId], transaction },
          );
        return { before, stored: await writeRows(models, moved, build, transaction), others };
      }),
    );
    // Those it leaves find its hands free.
    this.nudge(id, before.workshopId);
    return stored;
  }

  /** Puts a build by as done, or takes it in hand again. @param at when, as wall time; null to take it in hand */
  async finish(id: string, at: string | null): Promise<StoredBuild> {
    const { models } = this.database;
    const { stored } = await this.done(
      this.queue.alone(async (transaction) => {
        const before = await this.read(id, transaction);
        await models.builds.update({ finishedAt: at }, { where: { id }, transaction });
        const after = { ...before, finishedAt: at ?? undefined };
        return { before, stored: await writeRows(models, after, before.build, transaction) };
      }),
    );
    return stored;
  }

  /** Writes what a build says of its workshop, where that is something new. */
  private shared(
    { id, workshopId }: StoredBuild,
    before: SharedParts,
    after: Build,
    transaction: Transaction,
  ): Promise<Sibling[]> {
    const { models } = this.database;
    const read = (other: string) => this.readAny(other, transaction);
    return writeShared(models, { id, workshopId, before, after }, read, transaction);
  }

  /** Puts a build aside; `restore` brings it back. */
  async remove(id: string, at: string): Promise<void> {
    const { builds } = this.database.models;
    const row = await this.queue.alone(async (transaction) => {
      const [count] = await builds.update({ deletedAt: at }, { where: { id, deletedAt: null }, transaction });
      if (count === 0) throw notFound('build');
      this.kept.forget(id);
      return builds.findByPk(id, { transaction });
    });
    // Its hands and racks are free for the others.
    this.nudge(id, row?.workshopId);
  }

  /** The builds that were put aside, the last first. */
  aside(): Promise<AsideBuild[]> {
    return readAside(this.database.models);
  }

  /**
   * Deletes a build for good that was put aside. What it took out of the tins of its workshop is out of them still.
   * @throws Problem for one that is not put aside
   */
  async deleteForGood(id: string): Promise<void> {
    const { models } = this.database;
    const { others, workshopId } = await this.queue.alone(async (transaction) => {
      const row = await models.builds.findByPk(id, { transaction });
      if (!row) throw notFound('build');
      if (row.deletedAt === null)
        throw new Problem('unusable', 'Put the build aside first; what is put aside can be deleted.');
      const stored = await this.readAny(id, transaction);
      const { stock } = stored.build;
      const after = stock
        ? { ...stored.build, stock: lessDrawn(stock, drawsOf(stored.build)) }
        : stored.build;
      const others = await this.shared(stored, stored.build, after, transaction);
      await deleteRows(models, id, transaction);
      return { others, workshopId: stored.workshopId };
    });
    this.kept.forget(id);
    for (const other of others) {
      this.kept.forget(other.id);
      this.tell(other.id, other.version);
    }
    this.nudge(id, workshopId);
  }

  /** Brings back a build that was put aside. */
  async restore(id: string): Promise<StoredBuild> {
    const stored = await this.queue.alone(async (transaction) => {
      const [count] = await this.database.models.builds.update(
        { deletedAt: null },
        { where: { id }, transaction },
      );
      if (count === 0) throw notFound('build');
      return this.read(id, transaction);
    });
    this.nudge(id, stored.workshopId);
    return stored;
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
      this.queue.alone(async (transaction) => {
        const before = await this.read(id, transaction);
        expect(before, expectation);
        const done = await this.put(before, produce(before.build), note, transaction);
        // What was taken back stood on the build as it was.
        if (done.stored !== before) await this.redoLog.forget(id, transaction);
        return done;
      }),
    );
    return stored;
  }

  /** Writes a build in place of what it was, and down what takes that back; the same where nothing is different. */
  private async put(
    before: StoredBuild,
    after: Build,
    note: ChangeNote,
    transaction: Transaction,
  ): Promise<Change & { before: StoredBuild }> {
    const takesBack: TakesBack = {
      back: jsonpatch.compare(ownParts(after), ownParts(before.build)),
      shared: thingsChanged(sharedParts(before.build), sharedParts(after)),
    };
    if (takesBack.back.length === 0 && takesBack.shared.length === 0) return { before, stored: before };
    const others = await this.shared(before, before.build, after, transaction);
    const stored = await writeRows(this.database.models, before, after, transaction);
    await this.changeLog.add(before.id, before.build, note, takesBack, transaction);
    return { before, stored, others };
  }

  /**
   * Takes the last change back, and the plan to what it was before; says what was taken back. Throws a Problem (412) when
   * somebody has changed the build since the caller looked: the last change may then be theirs.
   * @param only the one device whose changes may be taken back; those of all without it
   */
  undo(id: string, expectation: Expectation, only?: string): Promise<{ stored: StoredBuild; label: string }> {
    return this.done(
      this.queue.alone(async (transaction) => {
        const before = await this.read(id, transaction);
        expect(before, expectation);
        const last = await this.changeLog.next(id, only, transaction);
        const first = undone(before.build, last);
        await this.changeLog.taken(last, transaction);
        const more = await this.withItsStart(id, before.build, first.build, only, transaction);
        const build = more ?? first.build;
        const { stayed } = first;
        const others = await this.shared(before, before.build, build, transaction);
        const stored = await writeRows(this.database.models, before, build, transaction);
        const grounds = { now: build, before: before.build, etag: buildEtag(stored) };
        await this.redoLog.add(id, last, grounds, transaction);
        const but = stayed > 0 ? ' (but what was changed since in another build)' : '';
        return { before, stored, others, label: `${last.label}${but}` };
      }),
    );
  }

  /**
   * Where taking a log entry back has left its passes under way, and the change before was their start and no more, that is taken back with
   * it: nobody wants to have begun what was not done.
   * @returns the build without them; undefined where that is not so
   */
  private async withItsStart(
    id: string,
    before: Build,
    after: Build,
    only: string | undefined,
    transaction: Transaction,
  ): Promise<Build | undefined> {
    if ((after.log?.length ?? 0) >= (before.log?.length ?? 0)) return undefined;
    const had = new Set(before.underway?.map((pass) => pass.id));
    const begun = (after.underway ?? []).filter((pass) => !had.has(pass.id));
    const start = begun.length > 0 ? await this.changeLog.last(id, transaction) : null;
    if (!start || (only !== undefined && start.device !== only)) return undefined;
    const { build } = undone(after, start);
    const left = { ...after, underway: after.underway?.filter((pass) => !begun.includes(pass)) };
    const { underway = [], ...rest } = build;
    const { underway: others = [], ...same } = left;
    if (jsonpatch.compare({ rest, underway }, { rest: same, underway: others }).length > 0) return undefined;
    await this.changeLog.taken(start, transaction);
    return build;
  }

  /**
   * Does the change again that was taken back last; says which that is. It can be taken back as it could before.
   * @param only the one device whose changes may be done again; those of all without it
   */
  redo(
    id: string,
    expectation: Expectation,
    note: Omit<ChangeNote, 'label'>,
    only?: string,
  ): Promise<{ stored: StoredBuild; label: string }> {
    return this.done(
      this.queue.alone(async (transaction) => {
        const before = await this.read(id, transaction);
        expect(before, expectation);
        const row = await this.redoLog.next(id, buildEtag(before), only, transaction);
        // It was there before, so it is taken as what was saved is.
        const parsed = openBuild(doneAgain(before.build, row));
        if (!parsed.ok) throw unusable(parsed.faults);
        const done = await this.put(before, parsed.value, { ...note, label: row.label }, transaction);
        await this.redoLog.taken(row, buildEtag(done.stored), transaction);
        return { ...done, label: row.label };
      }),
    );
  }

  /** What `redo` would do again next. */
  async lastUndone(id: string): Promise<string | null> {
    const stored = await this.load(id);
    return (await this.redoLog.last(id, buildEtag(stored)))?.label ?? null;
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
  settled(): Promise<void> {
    return this.queue.settled();
  }
}

/** Where a new build goes: into a workshop that there is, or one of its own by that name. */
export type Into = SeenWorkshop | { name: string };

/** A build among others. */
export interface BuildSummary {
  id: string;
  name: string;
  pieces: number;
  version: number;
  workshop: string;
  finishedAt: string | null;
}

/** What a write did: the build before, where there was one, and as it is stored now. The same, where nothing changed. */
interface Change {
  before?: StoredBuild;
  stored: StoredBuild;
  /** The other builds of its workshop, where that was changed. */
  others?: Sibling[];
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
