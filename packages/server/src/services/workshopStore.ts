import { sure, type Workshop } from '@fixatum/core';
import { literal } from 'sequelize';
import { Problem } from '../http/problem';
import type { Database } from '../storage/database';
import { createWorkshop, seenWorkshop, readWorkshop, workshopIn, type StoredWorkshop } from './workshopRows';
import { hasOwnOrder, inOrder, OWN_ORDER } from './buildOrder';
import type { Clock } from './clock';
import type { WriteQueue } from './writeQueue';

/** A workshop among others, with the builds in it in the order in which they have its hands, racks and tins. */
export interface WorkshopSummary {
  id: string;
  name: string;
  timeZone: string;
  version: number;
  people: string[];
  places: string[];
  builds: string[];
  /** Somebody put its builds in an order; else they go by date. */
  ownOrder: boolean;
}

/** Keeps workshops. What is in them is changed by the builds that use them; here they are made, named, put in order and let go. */
export class WorkshopStore {
  constructor(
    private readonly database: Pick<Database, 'models'>,
    private readonly queue: WriteQueue,
    private readonly clock: Clock,
  ) {}

  async list(): Promise<WorkshopSummary[]> {
    const { workshops, builds } = this.database.models;
    const rows = await workshops.findAll({ order: ['position'] });
    const own = await builds.findAll({
      attributes: ['id', 'workshopId', 'position', 'body'],
      where: { deletedAt: null },
    });
    return rows.map(workshopIn).map(({ id, version, workshop }) => {
      const { name, timeZone, people, places } = workshop;
      const builds = own.filter(({ workshopId }) => workshopId === id);
      return {
        id,
        name,
        timeZone,
        version,
        people: people.map((one) => one.name),
        places: places.map((one) => one.name),
        builds: inOrder(builds, workshop, this.clock).map((build) => build.id),
        ownOrder: hasOwnOrder(workshop),
      };
    });
  }

  get(id: string): Promise<StoredWorkshop> {
    return readWorkshop(this.database.models, id);
  }

  create(workshop: Workshop): Promise<StoredWorkshop> {
    return this.queue.alone((transaction) => createWorkshop(this.database.models, workshop, transaction));
  }

  /** Gives a workshop another name. @param etag the version the caller has seen */
  rename(id: string, name: string, etag: string | undefined): Promise<StoredWorkshop> {
    const { models } = this.database;
    return this.queue.alone(async (transaction) => {
      const before = await seenWorkshop(models, { id, etag }, transaction);
      const workshop = { ...before.workshop, name };
      await models.workshops.update(
        { body: JSON.stringify(workshop), version: literal('version + 1') },
        { where: { id }, transaction },
      );
      return { id, version: before.version + 1, workshop };
    });
  }

  /** Lets go of a workshop. @throws Problem while there is a build in it, put aside or not */
  remove(id: string): Promise<void> {
    const { workshops, builds } = this.database.models;
    return this.queue.alone(async (transaction) => {
      const { workshop } = await readWorkshop(this.database.models, id, transaction);
      if ((await builds.count({ where: { workshopId: id }, transaction })) > 0)
        throw new Problem(
          'in-use',
          `There are builds in ${workshop.name}, or some that were put aside. Move them to another workshop first.`,
        );
      await workshops.destroy({ where: { id }, transaction });
    });
  }

  /**
   * Puts the builds of a workshop in an order: the first has hands, racks and tins before the next.
   * @param order all its builds, each once; or `date` for the order of their dates again
   * @returns its builds
   */
  order(id: string, order: readonly string[] | 'date'): Promise<string[]> {
    const { builds, workshops } = this.database.models;
    return this.queue.alone(async (transaction) => {
      const { workshop } = await readWorkshop(this.database.models, id, transaction);
      const own = await builds.findAll({
        attributes: ['id', 'position'],
        where: { workshopId: id, deletedAt: null },
        order: ['position'],
        transaction,
      });
      const known = new Set(own.map((build) => build.id));
      const { buildOrder: _before, ...rest } = workshop;
      const write = (after: Workshop) =>
        workshops.update({ body: JSON.stringify(after) }, { where: { id }, transaction });
      if (order === 'date') {
        await write(rest);
        return [...known];
      }
      if (
        order.length !== known.size ||
        new Set(order).size !== order.length ||
        !order.every((one) => known.has(one))
      )
        throw new Problem('unusable', 'Name every build of the workshop once.');
      const positions = own.map(({ position }) => position);
      for (const [at, build] of order.entries())
        await builds.update(
          { position: sure(positions[at], 'a place in the order') },
          { where: { id: build }, transaction },
        );
      await write({ ...rest, buildOrder: OWN_ORDER });
      return [...order];
    });
  }
}
