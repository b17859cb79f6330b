import type { Build } from '@fixatum/core';
import jsonpatch from 'fast-json-patch';
import type { Transaction } from 'sequelize';
import { Problem } from '../http/problem';
import type { Models, UndoneRow } from '../storage/models';

/** So many changes that were taken back can be done again. */
const REDO_DEPTH = 50;

/**
 * Changes that were taken back, the last of them first to be done again. Each stands on the build as taking it back left it: any other change
 * makes an end of them all.
 */
export class RedoLog {
  constructor(private readonly models: Pick<Models, 'undone'>) {}

  /** Keeps what was taken back. @param etag of the build without it */
  async add(
    buildId: string,
    { label, device }: { label: string; device: string | null },
    { now, before, etag }: { now: Build; before: Build; etag: string },
    transaction: Transaction,
  ): Promise<void> {
    const again = JSON.stringify(jsonpatch.compare(now, before));
    await this.models.undone.create({ buildId, label, device, again, etag }, { transaction });
    const tooOld = await this.models.undone.findOne({
      where: { buildId },
      order: [['id', 'DESC']],
      offset: REDO_DEPTH,
      transaction,
    });
    await tooOld?.destroy({ transaction });
  }

  /** The change that is done again next on a build of this version; null where there is none. */
  async last(buildId: string, etag: string, transaction?: Transaction): Promise<UndoneRow | null> {
    const row = await this.models.undone.findOne({
      where: { buildId },
      order: [['id', 'DESC']],
      transaction: transaction ?? null,
    });
    return row?.etag === etag ? row : null;
  }

  /**
   * As `last`.
   * @param only the one device whose changes may be done again; those of all without it
   * @throws Problem when there is none, or it is somebody else's
   */
  async next(
    buildId: string,
    etag: string,
    only: string | undefined,
    transaction: Transaction,
  ): Promise<UndoneRow> {
    const row = await this.last(buildId, etag, transaction);
    if (!row || (only !== undefined && row.device !== only))
      throw new Problem('nothing-to-redo', 'There is nothing left to do again.');
    return row;
  }

  /** Once a change is done again: the one before it goes on from the build as that left it. */
  async taken(row: UndoneRow, etag: string, transaction: Transaction): Promise<void> {
    const { buildId } = row;
    await row.destroy({ transaction });
    const before = await this.models.undone.findOne({
      where: { buildId },
      order: [['id', 'DESC']],
      transaction,
    });
    await before?.update({ etag }, { transaction });
  }

  /** Something else was changed, or the build is gone. */
  async forget(buildId: string, transaction: Transaction): Promise<void> {
    await this.models.undone.destroy({ where: { buildId }, transaction });
  }
}

/** A build with a change done again, as plain data to be checked. */
export const doneAgain = (now: Build, { again }: Pick<UndoneRow, 'again'>): unknown =>
  jsonpatch.applyPatch(jsonpatch.deepClone(now) as Build, JSON.parse(again)).newDocument;
