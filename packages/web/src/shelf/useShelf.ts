import {
  drawsOf,
  passNeeds,
  sayMoment,
  shelfNow,
  shopBuilds,
  tinAge,
  toWallTime,
  type ShoppingList,
  type ToShop,
} from '@fixatum/core';
import { useLocalStorage } from '@vueuse/core';
import { computed } from 'vue';
import { api, faultsOf } from '../shared/api';
import { useBuild } from '../shared/build';
import { useMaterials } from '../shared/materials';

/** The shelf of the workshop as it is now, what is to buy for the builds in it, and how both are changed. */
export function useShelf() {
  const store = useBuild();
  const materials = useMaterials();
  /** Builds of the workshop that are not shopped for, by id. */
  const leftOut = useLocalStorage<string[]>('fixatum-not-shopped-for', []);
  /** The builds of the workshop that are in hand, in their order. */
  const builds = computed((): (ToShop & { id: string })[] => {
    const { build, view, id } = store;
    if (!build || !view || id === undefined) return [];
    const others = (isAhead: boolean) =>
      store.beside
        .filter((one) => one.isAhead === isAhead)
        .flatMap((one) => {
          const plan = store.besidePlans[one.id];
          return plan ? [{ id: one.id, build: one.build, plan }] : [];
        });
    return [...others(true), { id, build, plan: view }, ...others(false)];
  });
  const shopped = computed(() => {
    const chosen = builds.value.filter(({ id }) => !leftOut.value.includes(id));
    return chosen.length > 0 ? chosen : builds.value.filter(({ id }) => id === store.id);
  });
  const list = computed((): ShoppingList | undefined => {
    if (shopped.value.length === 0) return undefined;
    // What builds took that are not shopped for is out of the tins all the same.
    const others = builds.value.filter((one) => !shopped.value.includes(one));
    const elsewhere = [...store.doneDrawn, ...others.flatMap(({ build }) => drawsOf(build))];
    return shopBuilds(shopped.value, store.minute, elsewhere);
  });
  /** What is in the tins, whatever is shopped for, and what all builds in hand will take of it. */
  const whole = computed(() =>
    builds.value.length > 0 ? shopBuilds(builds.value, store.minute, store.doneDrawn) : undefined,
  );
  const shelf = computed(
    () =>
      whole.value?.shelf ??
      (store.build
        ? shelfNow(store.build, passNeeds(store.build, store.view?.operations ?? []), store.elsewhere)
        : undefined),
  );
  const today = computed(() =>
    store.build ? toWallTime(Math.floor(store.now), store.build.timeZone).slice(0, 10) : '',
  );
  const ageOf = (tin: Parameters<typeof tinAge>[0] & { material: string }) => {
    const material = materials.known.get(tin.material);
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
  return { store, materials, builds, leftOut, shopped, list, whole, shelf, today, ageOf, change, when };
}
