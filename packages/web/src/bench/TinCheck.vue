<script setup lang="ts">
import { passNeeds, sayMl, shelfNow, tinsFor, toWallTime, type PlannedOperation } from '@fixatum/core';
import { computed } from 'vue';
import { useBuild } from '../shared/build';

/** What the passes at hand take, and whether the tin that is used first has it; else which one to have ready. */
const props = defineProps<{ passes: readonly PlannedOperation[] }>();
const store = useBuild();

const check = computed(() => {
  const build = store.build;
  const first = props.passes[0];
  if (!build || !first?.material) return undefined;
  const needs = passNeeds(build, store.view?.operations ?? []);
  const own = props.passes.flatMap(({ id }) => needs.get(id) ?? []);
  const ml = own.reduce((sum, need) => sum + need.ml, 0);
  if (ml < 0.05) return undefined;
  const today = toWallTime(Math.floor(store.now), build.timeZone).slice(0, 10);
  const tins = tinsFor(shelfNow(build, needs).tins, first.material.id, own[0]?.colour).filter(
    ({ tin, ml: left }) => left > 0 && (tin.arrivesOn === undefined || tin.arrivesOn <= today),
  );
  const [open] = tins;
  const all = tins.reduce((sum, one) => sum + one.ml, 0);
  return {
    ml,
    open: open?.ml,
    all,
    isKept: (build.stock ?? []).some(({ material }) => material === first.material?.id),
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
