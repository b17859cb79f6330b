import type { PieceForecast } from '@fixatum/core';
import { defineStore } from 'pinia';
import { ref, shallowRef, watch } from 'vue';
import type { ForecastAnswer, ForecastRequest } from './forecastWorker';
import { plain } from './planner';
import { useBuild } from './build';

const SAMPLES = 150;
/** A forecast is made once the plan has been quiet for this long. */
const QUIET_MS = 800;

/** What is likely to become of each piece: many futures tried in a worker whenever the plan has settled. */
export const useForecast = defineStore('forecast', () => {
  const store = useBuild();
  const byPiece = shallowRef(new Map<string, PieceForecast>());
  /** 0 to 1 while it is worked out; 1 when it is done. */
  const progress = ref(1);
  let worker: Worker | undefined;
  let timer: ReturnType<typeof setTimeout> | undefined;

  function stop(): void {
    worker?.terminate();
    worker = undefined;
    clearTimeout(timer);
    progress.value = 1;
  }

  function run(): void {
    const { build, view } = store;
    if (!build || !view) return;
    stop();
    progress.value = 0;
    worker = new Worker(new URL('./forecastWorker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<ForecastAnswer>) => {
      if ('done' in data) progress.value = data.done / data.of;
      else {
        if ('forecast' in data) byPiece.value = new Map(data.forecast.map((one) => [one.pieceId, one]));
        stop();
      }
    };
    worker.postMessage({
      now: view.now,
      samples: SAMPLES,
      warm: store.warm,
      ...plain({ build, readings: store.readingsByPlace }),
    } satisfies ForecastRequest);
  }

  watch(
    () => [store.view, store.planning] as const,
    ([view, planning]) => {
      stop();
      if (view && !planning) timer = setTimeout(run, QUIET_MS);
    },
    { immediate: true },
  );
  watch(
    () => store.id,
    () => (byPiece.value = new Map()),
  );

  return { byPiece, progress, stop };
});
