import type { Workshop } from '@fixatum/core';
import type { Models } from '../storage/models';

/** Where a hygrometer answers, and whose air it tells of. */
export interface Sensor {
  workshopId: string;
  timeZone: string;
  placeId: string;
  port: number;
}

/** Finds the hygrometers of all workshops. A workshop is read again only where something has changed. */
export class Hygrometers {
  private known = new Map<string, { version: number; sensors: Sensor[] }>();

  constructor(private readonly models: Pick<Models, 'workshops'>) {}

  async all(): Promise<Sensor[]> {
    const { workshops } = this.models;
    const rows = await workshops.findAll({ attributes: ['id', 'version'] });
    const known: typeof this.known = new Map();
    for (const { id, version } of rows) {
      const before = this.known.get(id);
      if (before?.version === version) {
        known.set(id, before);
        continue;
      }
      const row = await workshops.findOne({ where: { id }, attributes: ['body'] });
      if (row) known.set(id, { version, sensors: sensorsIn(id, JSON.parse(row.body)) });
    }
    this.known = known;
    return [...known.values()].flatMap(({ sensors }) => sensors);
  }
}

const sensorsIn = (workshopId: string, { timeZone, places }: Workshop): Sensor[] =>
  places.flatMap(({ id, hygrometerPort }) =>
    hygrometerPort === undefined ? [] : [{ workshopId, timeZone, placeId: id, port: hygrometerPort }],
  );
