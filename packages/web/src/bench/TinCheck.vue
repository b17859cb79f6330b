<script setup lang="ts">
import { passNeeds, sayMl, shelfNow, tinsFor, toWallTime, type PlannedOperation } from '@fixatum/core';
import { computed } from 'vue';
import { useBuild } from '../shared/build';

/** What the passes at hand take, and whether the tin that is used first has it; else which one to have ready. */
const props = defineProps<{ passes: readonly PlannedOperation[] }>();
const store = useBuild();
const WORTH_SAYING_ML = 0.05;

// Each by itself, so that the clock alone works nothing out anew.
const needs = computed(() =>
  store.build ? passNeeds(store.build, store.view?.operations ?? []) : undefined,
);
const shelf = computed(() =>
  store.build && needs.value ? shelfNow(store.build, needs.value, store.elsewhere) : undefined,
);
const today = computed(() =>
  store.build ? toWallTime(Math.floor(store.now), store.build.timeZone).slice(0, 10) : '',
);
const check = computed(() => {
  const material = props.passes[0]?.material;
  if (!material || !needs.value || !shelf.value) return undefined;
  const own = props.passes.flatMap(({ id }) => needs.value?.get(id) ?? []);
  const ml = own.reduce((sum, need) => sum + need.ml, 0);
  if (ml < WORTH_SAYING_ML) return undefined;
  const tins = tinsFor(shelf.value.tins, material, own[0]?.colour).filter(
    ({ tin, ml: left }) => left > 0 && (tin.arrivesOn === undefined || tin.arrivesOn <= today.value),
  );
  return {
    ml,
    open: tins[0]?.ml,
    all: tins.reduce((sum, one) => sum + one.ml, 0),
    isKept: (store.build?.stock ?? []).some((tin) => tin.material === material.id),
  };
});
</script>

<template>
  <p
    v-if="check"
    class="tin small"
    :class="{ short: check.isKept && check.all < check.ml }"
    data-testid="tin-check"
  >
    Takes about {{ sayMl(check.ml) }}<template v-if="!check.isKept">.</template
    ><template v-else-if="check.open === undefined">. ▲ None is left on the shelf.</template
    ><template v-else-if="check.all < check.ml"
      >. ▲ There are only {{ sayMl(check.all) }} on the shelf.</template
    ><template v-else-if="check.open < check.ml"
      >; {{ sayMl(check.open) }} in the open one, have the next ready.</template
    ><template v-else>; {{ sayMl(check.open) }} in the tin.</template>
  </p>
</template>

<style scoped>
.tin {
  margin-top: 8px;
}

.short {
  font-weight: 600;
  color: rgb(var(--v-theme-warning));
}
</style>
