import type { PieceForecast, PlanView } from '@fixatum/core';
import { defineStore } from 'pinia';
import { computed, onScopeDispose, ref, shallowRef, watch } from 'vue';
import { proxy } from 'comlink';
import { openWorker, plain, type WorkerLink } from './offThread/workerLink';
import { useNotice } from './notice';
import { useBuild } from './build';

/** A forecast is made once the plan has been quiet for this long. */
const QUIET_MS = 800;

/** What is likely to become of each piece: many futures tried in a worker whenever the plan has settled and somebody looks at it. */
export const useForecastStore = defineStore('forecast', () => {
  const store = useBuild();
  const notice = useNotice();
  const byPiece = shallowRef(new Map<string, PieceForecast>());
  /** The plan that it is about. */
  const madeFor = shallowRef<PlanView>();
  /** How many parts of the screen show it: where there are none it is not worth the work. */
  const shownBy = ref(0);
  /** Whether it belongs to an older plan than the one on screen: shown grey until the new one comes. */
  const isOld = computed(() => byPiece.value.size > 0 && madeFor.value !== store.view);
  /** 0 to 1 while it is worked out; 1 when it is done. */
  const progress = ref(1);
  let link: WorkerLink | undefined;
  let timer: ReturnType<typeof setTimeout> | undefined;

  function stop(): void {
    link?.end();
    link = undefined;
    clearTimeout(timer);
    progress.value = 1;
  }

  function run(): void {
    const { build, view } = store;
    if (!build || !view) return;
    stop();
    progress.value = 0;
    const own = openWorker('forecast');
    link = own;
    const request = {
      now: view.now,
      warm: store.warm,
      ...plain({ build, around: store.around }),
    };
    const told = (done: number, of: number) => {
      if (link === own) progress.value = done / of;
    };
    const take = (forecast: PieceForecast[]) => {
      if (link !== own) return;
      byPiece.value = new Map(forecast.map((one) => [one.pieceId, one]));
      madeFor.value = view;
    };
    own
      .run((remote) => remote.forecast(request, proxy(told), proxy(take)))
      .then(take)
      .catch((error: unknown) => {
        if (link === own) notice.complain(error, { label: 'Try again', run });
      })
      .finally(() => {
        if (link === own) stop();
      });
  }

  watch(
    () => [store.view, store.planning, shownBy.value > 0] as const,
    ([view, planning, isShown]) => {
      stop();
      if (view && !planning && isShown && madeFor.value !== view) timer = setTimeout(run, QUIET_MS);
    },
    { immediate: true },
  );
  watch(
    () => store.id,
    () => (byPiece.value = new Map()),
  );

  return { byPiece, isOld, progress, shownBy, stop };
});

/** The forecast of the open build, made for as long as this part of the screen is there. */
export function useForecast(): ReturnType<typeof useForecastStore> {
  const forecast = useForecastStore();
  forecast.shownBy += 1;
  onScopeDispose(() => (forecast.shownBy -= 1), true);
  return forecast;
}
