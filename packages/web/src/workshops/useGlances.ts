import { onScopeDispose, ref, watch, type Ref } from 'vue';
import { api, type PlaceReadings } from '../shared/api';
import { useClock } from '../shared/clock';
import { nextDateOf, type NextDate } from '../shared/nextDate';
import type { Glance, GlanceRequest } from '../shared/offThread/glanceWork';
import { keptWorker, plain } from '../shared/offThread/workerLink';

/** How a build stands: its next date, and what its plan comes to where it has pieces. */
export interface Standing {
  now: number;
  date: NextDate | undefined;
  glance: Glance | undefined;
}

/** Workshops with more builds in hand are not looked at before one is opened: all of them have to be planned for any of them. */
export const MOST_GLANCED = 6;

const inWorker = keptWorker('glance');

/**
 * How the builds in hand of some workshops stand, worked out one workshop after the other. What can't be fetched is left out: the list stands
 * without it.
 * @param workshops the ids of the builds in hand of each, in their order
 */
export function useGlances(workshops: Ref<readonly (readonly string[])[]>): Ref<Record<string, Standing>> {
  const clock = useClock();
  const standings = ref<Record<string, Standing>>({});
  let newest = 0;
  onScopeDispose(() => (newest += 1));

  async function look(ids: readonly string[], isWanted: () => boolean): Promise<void> {
    const builds: GlanceRequest['builds'] = [];
    const readings: Record<string, PlaceReadings['readings']> = {};
    for (const id of ids) {
      const [{ build }, kept, measured] = await Promise.all([
        api.build(id),
        api.plan(id).catch(() => undefined),
        api.readings(id).catch(() => undefined),
      ]);
      if (!isWanted()) return;
      builds.push({ id, build, plan: kept?.plan ?? undefined });
      for (const one of measured?.places ?? []) readings[one.place] = one.readings;
    }
    const [first] = builds;
    if (!first) return;
    const now = Math.floor(clock.now(first.build.timeZone));
    const seen = await inWorker((remote) => remote.glances(plain({ builds, now, readings })));
    if (!isWanted()) return;
    for (const { id, build } of builds)
      standings.value[id] = {
        now,
        date: nextDateOf(build, now),
        glance: build.pieces.length > 0 ? seen[id] : undefined,
      };
  }

  watch(
    workshops,
    async (all, before) => {
      if (before && JSON.stringify(all) === JSON.stringify(before)) return;
      newest += 1;
      const ticket = newest;
      for (const ids of all)
        if (ids.length <= MOST_GLANCED) await look(ids, () => ticket === newest).catch(() => undefined);
    },
    { immediate: true },
  );
  return standings;
}
