import type { Build, ChangeKind, ThingChanged } from '@fixatum/core';
import type { Operation } from 'fast-json-patch';
import { literal, type Transaction } from 'sequelize';
import { Problem } from '../http/problem';
import type { ChangeRow, Models } from '../storage/models';
import { changeKind } from './changeKind';

const UNDO_DEPTH = 200;
/** Plans are large, so only this many of those before changes are kept. */
const PLAN_DEPTH = 20;

/** A change, as the journal tells it. */
export interface ChangeNote {
  /** What it is called; some names need the build to be found. */
  label: string | ((build: Build) => string);
  at: string;
  /** The device it was made on; this machine itself without one. */
  by?: { id: string; name: string };
}

/** What takes a change back: what makes the build's own parts what they were, and what it changed of the workshop. */
export interface TakesBack {
  back: readonly Operation[];
  shared: readonly ThingChanged[];
}

/** The changes of builds that can still be taken back, each with what takes it back and the plan there was before it. */
export class ChangeLog {
  constructor(private readonly models: Pick<Models, 'changes' | 'plans'>) {}

  /** Writes a change down, and lets go of what is too long ago. */
  async add(
    buildId: string,
    before: Build,
    { label, at, by }: ChangeNote,
    { back, shared }: TakesBack,
    transaction: Transaction,
  ): Promise<void> {
    const { changes } = this.models;
    const change = await changes.create(
      {
        buildId,
        at,
        label: typeof label === 'string' ? label : label(before),
        back: JSON.stringify(back),
        shared: shared.length > 0 ? JSON.stringify(shared) : null,
        plan: null,
        device: by?.id ?? null,
        by: by?.name ?? null,
      },
      { transaction },
    );
    // A plan is large: it is copied where it lies.
    await change.update(
      { plan: literal('(SELECT body FROM plans WHERE plans.buildId = changes.buildId)') },
      { transaction },
    );
    const atDepth = (offset: number) =>
      changes.findOne({ where: { buildId }, order: [['id', 'DESC']], offset, transaction });
    await (await atDepth(PLAN_DEPTH))?.update({ plan: null }, { transaction });
    await (await atDepth(UNDO_DEPTH))?.destroy({ transaction });
  }

  /**
   * The change that is taken back next.
   * @param only the one device whose changes may be taken back; those of all without it
   * @throws Problem when there is none, or it is somebody else's
   */
  async next(buildId: string, only: string | undefined, transaction: Transaction): Promise<ChangeRow> {
    const last = await this.last(buildId, transaction);
    if (!last) throw new Problem('nothing-to-undo', 'There is no change left to take back.');
    if (only !== undefined && last.device !== only)
      throw new Problem(
        'not-allowed',
        'Somebody else has changed something since. Ask them, or a finisher, to take yours back.',
      );
    return last;
  }

  /** Once a change is taken back: its plan is the plan again, and it is gone. */
  async taken(change: ChangeRow, transaction: Transaction): Promise<void> {
    const { buildId, plan } = change;
    if (plan !== null) await this.models.plans.upsert({ buildId, body: plan }, { transaction });
    await change.destroy({ transaction });
  }

  /** What can be taken back, newest first. */
  async list(buildId: string): Promise<{ at: string; label: string; by: string | null; kind: ChangeKind }[]> {
    const attributes = ['at', 'label', 'by', 'back', 'shared'];
    const rows = await this.models.changes.findAll({
      attributes,
      where: { buildId },
      order: [['id', 'DESC']],
    });
    return rows.map(({ at, label, by, back, shared }) => ({ at, label, by, kind: changeKind(back, shared) }));
  }

  async last(buildId: string, transaction?: Transaction): Promise<ChangeRow | null> {
    return this.models.changes.findOne({
      where: { buildId },
      order: [['id', 'DESC']],
      transaction: transaction ?? null,
    });
  }
}
