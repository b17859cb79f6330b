import type { Build } from '@fixatum/core';
import { useIntervalFn } from '@vueuse/core';
import isEqual from 'fast-deep-equal';
import { computed, shallowRef, type Ref, type ShallowRef } from 'vue';
import { api, type PlaceReadings } from './api';
import { mergeReadings } from './readings';

const ASK_EVERY_MS = 60_000;

/**
 * The air that was measured in the places of the open build, asked for once a minute; only what is new is fetched.
 * @param onNews told when there is something new
 */
export function measuredAir(
  id: Ref<string | undefined>,
  build: ShallowRef<Build | undefined>,
  onNews: () => void,
) {
  const readings = shallowRef<PlaceReadings[]>([]);
  const readingsByPlace = computed(() =>
    Object.fromEntries(readings.value.map((one) => [one.place, one.readings])),
  );
  /** Up to when the readings at hand go. */
  let readUntil: number | undefined;

  function forget(): void {
    readings.value = [];
    readUntil = undefined;
  }

  async function loadReadings(): Promise<void> {
    const buildId = id.value;
    if (!buildId || !build.value?.places.some((place) => place.hygrometerPort !== undefined)) return;
    try {
      const answer = await api.readings(buildId, readUntil);
      if (buildId !== id.value) return;
      const merged = readUntil === undefined ? answer.places : mergeReadings(readings.value, answer);
      readUntil = answer.until;
      if (isEqual(merged, readings.value)) return;
      readings.value = merged;
      onNews();
    } catch {
      // The air that was known still is; the next round asks again.
    }
  }
  useIntervalFn(() => void loadReadings(), ASK_EVERY_MS);

  return { readings, readingsByPlace, loadReadings, forget };
}
