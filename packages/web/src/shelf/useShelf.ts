import {
  passNeeds,
  sayMoment,
  shelfNow,
  shopBuild,
  tinAge,
  toWallTime,
  type ShoppingList,
} from '@fixatum/core';
import { computed } from 'vue';
import { api, faultsOf } from '../shared/api';
import { useBuild } from '../shared/build';

/** The shelf of the open build as it is now, what is to buy, and how both are changed. */
export function useShelf() {
  const store = useBuild();
  const list = computed((): ShoppingList | undefined =>
    store.build && store.view
      ? shopBuild(store.build, {
          operations: store.view.operations,
          sessions: store.view.sessions,
          now: store.minute,
        })
      : undefined,
  );
  const shelf = computed(
    () =>
      list.value?.shelf ??
      (store.build ? shelfNow(store.build, passNeeds(store.build, store.view?.operations ?? [])) : undefined),
  );
  const today = computed(() =>
    store.build ? toWallTime(Math.floor(store.now), store.build.timeZone).slice(0, 10) : '',
  );
  const ageOf = (tin: Parameters<typeof tinAge>[0] & { material: string }) => {
    const material = store.materials.get(tin.material);
    return material ? tinAge(tin, material, today.value) : 'good';
  };
  /** Writes a change of the shelf as one that can be taken back; returns what is wrong with it, if anything. */
  async function change(made: Parameters<typeof api.patchBuild>[1], said: string) {
    try {
      await store.attempt(() => api.patchBuild(store.theId, made, store.etag), said);
      return [];
    } catch (error) {
      return faultsOf(error);
    }
  }
  const when = (minute: number) => sayMoment(Math.floor(minute), store.theBuild.timeZone);
  return { store, list, shelf, today, ageOf, change, when };
}
