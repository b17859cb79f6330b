import { epochMinute, gapsIn, MINUTES_PER_DAY, readingFaultWords, thinned, toWallTime } from '@fixatum/core';
import type { Router } from 'express';
import type { BuildStore } from '../services/buildStore';
import type { Clock } from '../services/clock';
import { SensorSilent } from '../services/hygrometer';
import { readHygrometer } from '../services/poller';
import { z } from 'zod';
import { param, queryOf } from '../http/bodies';
import { notFound, Problem } from '../http/problem';
import { SLOT_MINUTES, type ReadingStore } from '../services/readingStore';
import { guardedRoutes } from './admit';

interface Parts {
  store: BuildStore;
  readings: ReadingStore;
  clock: Clock;
}

/** How far back the air of a build is of use: its coats may have been drying for weeks. */
const DAYS_BACK = 60;
const MOST_THROWN_OUT = 50;

/** `/builds/:id/readings`: the measured air of a build's places, and a reading on demand. */
export function readingRoutes({ store, readings, clock }: Parts): Router {
  const routes = guardedRoutes();

  // `since` is the `until` of an earlier answer: only what came after it is told, from the quarter of an hour it lies in on.
  routes.get('helper', '/builds/:id/readings', async (request, response) => {
    const id = param(request, 'id');
    const { since } = queryOf(request, z.object({ since: z.coerce.number().int().min(0).optional() }));
    const { build, workshopId } = await store.load(id);
    const now = clock.minuteIn(build.timeZone);
    const oldest = Math.min(epochMinute(build.start, build.timeZone), now) - 60;
    const from = Math.max(
      oldest,
      now - DAYS_BACK * MINUTES_PER_DAY,
      since === undefined ? -Infinity : Math.floor(since / SLOT_MINUTES) * SLOT_MINUTES,
    );
    const all = await readings.between(workshopId, from, now);
    const places = build.places.flatMap((place) => {
      const own = all.filter((one) => one.placeId === place.id);
      if (own.length === 0) return [];
      const good = own.filter((one) => one.fault === undefined);
      return [
        {
          place: place.id,
          readings: thinned(good, SLOT_MINUTES),
          ...(good.length > 0 ? { last: good.at(-1) } : {}),
          gaps: good[0] ? gapsIn(good, good[0].at, now) : [],
          thrownOut: own
            .filter((one) => one.fault !== undefined)
            .slice(-MOST_THROWN_OUT)
            .map((one) => ({
              at: toWallTime(one.at, build.timeZone),
              fault: one.fault,
              why: readingFaultWords[one.fault!],
            })),
        },
      ];
    });
    response.json({ from, until: now, places });
  });

  routes.post('finisher', '/builds/:id/places/:place/read', async (request, response) => {
    const { build, workshopId } = await store.load(param(request, 'id'));
    try {
      const place = build.places.find((one) => one.id === param(request, 'place'));
      if (!place) throw notFound('place');
      if (place.hygrometerPort === undefined)
        throw new Problem('no-hygrometer', `No hygrometer is set for: ${place.name}.`);
      const { fault, temperatureC, humidityPct, at } = await readHygrometer(readings, {
        workshopId,
        placeId: place.id,
        port: place.hygrometerPort,
        at: clock.minuteIn(build.timeZone),
      });
      response.status(201).json({
        at: toWallTime(at, build.timeZone),
        temperatureC,
        humidityPct,
        ...(fault ? { fault, why: readingFaultWords[fault] } : {}),
      });
    } catch (error) {
      if (error instanceof SensorSilent) throw new Problem('sensor-silent', error.message);
      throw error;
    }
  });

  return routes.router;
}
