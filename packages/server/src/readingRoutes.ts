import { epochMinute, gapsIn, readingFaultWords, thinned, toWallTime, type Build } from '@fixatum/core';
import { Router } from 'express';
import type { BuildStore } from './buildStore';
import type { Clock } from './clock';
import { askHygrometer, SensorSilent } from './hygrometer';
import { param } from './http';
import { notFound, Problem } from './problem';
import type { ReadingStore, StoredReading } from './readingStore';

interface Parts {
  store: BuildStore;
  readings: ReadingStore;
  clock: Clock;
}

/** How far back the air of a build is of use: its coats may have been drying for weeks. */
const DAYS_BACK = 60;

/** Asks the hygrometer of one place and keeps what it says. */
export async function readPlace(
  { readings, clock }: Parts,
  buildId: string,
  build: Build,
  placeId: string,
): Promise<StoredReading> {
  const place = build.places.find((one) => one.id === placeId);
  if (!place) throw notFound('place');
  if (place.hygrometerPort === undefined)
    throw new Problem(409, 'no-hygrometer', 'No hygrometer', `No hygrometer is set for: ${place.name}.`);
  const air = await askHygrometer(place.hygrometerPort);
  return readings.add(buildId, placeId, { at: clock.minuteIn(build.timeZone), ...air });
}

/** `/builds/:id/readings`: the measured air of a build's places, and a reading on demand. */
export function readingRoutes(parts: Parts): Router {
  const { store, readings, clock } = parts;
  const router = Router();

  router.get('/builds/:id/readings', async (request, response) => {
    const id = param(request, 'id');
    const { build } = await store.load(id);
    const now = clock.minuteIn(build.timeZone);
    const from = Math.min(epochMinute(build.start, build.timeZone), now) - 60;
    const all = await readings.between(id, Math.max(from, now - DAYS_BACK * 1440), now);
    const places = build.places.flatMap((place) => {
      const own = all.filter((one) => one.placeId === place.id);
      if (own.length === 0) return [];
      const good = own.filter((one) => one.fault === undefined);
      return [
        {
          place: place.id,
          readings: thinned(good),
          last: good.at(-1),
          gaps: good[0] ? gapsIn(good, good[0].at, now) : [],
          thrownOut: own
            .filter((one) => one.fault !== undefined)
            .slice(-50)
            .map((one) => ({
              at: toWallTime(one.at, build.timeZone),
              fault: one.fault,
              why: readingFaultWords[one.fault!],
            })),
        },
      ];
    });
    response.json({ places });
  });

  router.post('/builds/:id/places/:place/read', async (request, response) => {
    const id = param(request, 'id');
    const { build } = await store.load(id);
    try {
      const { fault, temperatureC, humidityPct, at } = await readPlace(
        parts,
        id,
        build,
        param(request, 'place'),
      );
      response.status(201).json({
        at: toWallTime(at, build.timeZone),
        temperatureC,
        humidityPct,
        ...(fault ? { fault, why: readingFaultWords[fault] } : {}),
      });
    } catch (error) {
      if (error instanceof SensorSilent)
        throw new Problem(503, 'sensor-silent', 'The hygrometer is silent', error.message);
      throw error;
    }
  });

  return router;
}

/** Reads every hygrometer of every build once a minute; one that is silent is a gap. Returns what stops it. */
export function pollHygrometers(parts: Parts, everyMs = 60_000): () => void {
  let busy = false;
  const round = async () => {
    if (busy) return;
    busy = true;
    try {
      for (const { id } of await parts.store.list()) {
        const { build } = await parts.store.load(id);
        for (const place of build.places)
          if (place.hygrometerPort !== undefined)
            await readPlace(parts, id, build, place.id).catch((error: unknown) => {
              if (!(error instanceof SensorSilent)) console.error(error);
            });
      }
    } catch (error) {
      console.error(error);
    } finally {
      busy = false;
    }
  };
  const timer = setInterval(() => void round(), everyMs);
  void round();
  return () => clearInterval(timer);
}
