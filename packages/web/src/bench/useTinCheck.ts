import { passNeeds, shelfNow, tinsFor, toWallTime, type PlannedOperation } from '@fixatum/core';
import { computed, type ComputedRef } from 'vue';
import { useBuild } from '../shared/build';

/** What some passes take, and what there is of it, ml. */
export interface TinCheck {
  ml: number;
  /** In the tin that is used first; undefined where none is there. */
  open: number | undefined;
  /** In all tins that serve. */
  all: number;
  /** Whether tins of this material are kept account of at all. */
  isKept: boolean;
  /** Tins are kept of it, and they hold less than it takes. */
  isShort: boolean;
}

const WORTH_SAYING_ML = 0.05;

/** What the passes at hand take out of their tin, and whether that has it; undefined for what takes nothing worth saying. */
export function useTinCheck(passes: () => readonly PlannedOperation[]): ComputedRef<TinCheck | undefined> {
  const store = useBuild();
  // Each by itself, so that the clock alone works nothing out.
  const needs = computed(() =>
    store.build ? passNeeds(store.build, store.view?.operations ?? []) : undefined,
  );
  const shelf = computed(() =>
    store.build && needs.value ? shelfNow(store.build, needs.value, store.elsewhere) : undefined,
  );
  const today = computed(() =>
    store.build ? toWallTime(Math.floor(store.now), store.build.timeZone).slice(0, 10) : '',
  );
  return computed(() => {
    const material = passes()[0]?.material;
    if (!material || !needs.value || !shelf.value) return undefined;
    const own = passes().flatMap(({ id }) => needs.value?.get(id) ?? []);
    const ml = own.reduce((sum, need) => sum + need.ml, 0);
    if (ml < WORTH_SAYING_ML) return undefined;
    const tins = tinsFor(shelf.value.tins, material, own[0]?.colour).filter(
      ({ tin, ml: left }) => left > 0 && (tin.arrivesOn === undefined || tin.arrivesOn <= today.value),
    );
    const all = tins.reduce((sum, one) => sum + one.ml, 0);
    const isKept = (store.build?.stock ?? []).some((tin) => tin.material === material.id);
    return { ml, open: tins[0]?.ml, all, isKept, isShort: isKept && all < ml };
  });
}
