import { z } from 'zod';
import type { Models } from '../storage/models';

/** What is asked of a build's head by itself, without its pieces. */
const headSchema = z.looseObject({
  name: z.string(),
  timeZone: z.string(),
  places: z.array(z.looseObject({ id: z.string(), hygrometerPort: z.number().optional() })).default([]),
});

/** What the row of a build says by itself: its name, and where its hygrometers are. */
export interface BuildHead {
  name: string;
  timeZone: string;
  sensors: { placeId: string; port: number }[];
}

export function headOf(body: string): BuildHead {
  const { name, timeZone, places } = headSchema.parse(JSON.parse(body));
  return {
    name,
    timeZone,
    sensors: places.flatMap(({ id, hygrometerPort }) =>
      hygrometerPort === undefined ? [] : [{ placeId: id, port: hygrometerPort }],
    ),
  };
}

/** Finds the hygrometers of all builds. Heads are read again only where something has changed. */
export class Hygrometers {
  private heads = new Map<string, BuildHead & { version: number }>();

  constructor(private readonly models: Pick<Models, 'builds'>) {}

  async all(): Promise<{ buildId: string; timeZone: string; placeId: string; port: number }[]> {
    const { builds } = this.models;
    const rows = await builds.findAll({ where: { deletedAt: null }, attributes: ['id', 'version'] });
    const heads: typeof this.heads = new Map();
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
}
