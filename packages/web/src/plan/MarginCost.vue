<script setup lang="ts">
import { marginWords, type MarginOffers } from '@fixatum/core';
import { computed, onScopeDispose, shallowRef, watch } from 'vue';
import { openWorker, plain, type WorkerLink } from '../shared/offThread/workerLink';
import { useBuild } from '../shared/build';

/** How many sessions and set-ups the plan takes, and what fewer or more of them would do to what it has to spare. */
const store = useBuild();
const offers = shallowRef<MarginOffers>();
const lines = computed(() => (offers.value ? marginWords(offers.value) : []));
const view = computed(() => (store.planning ? undefined : store.view));
let link: WorkerLink | undefined;

function stop(): void {
  link?.end();
  link = undefined;
}
watch(
  () => view.value?.score,
  (score) => {
    stop();
    // What was said is of the plan before.
    offers.value = undefined;
    if (!score || !view.value || !store.build) return;
    const own = openWorker('what margin costs');
    link = own;
    const { now } = view.value;
    const request = { now, score, ...plain({ build: store.build, around: store.around }) };
    own
      .run((remote) => remote.margin(request))
      .then((answer) => {
        if (link === own) offers.value = answer;
      })
      // A line that is left out; the plan stands.
      .catch(() => {
        if (link === own) offers.value = undefined;
      })
      .finally(() => {
        if (link === own) stop();
      });
  },
  { immediate: true },
);
onScopeDispose(stop);
</script>

<template>
  <p v-if="store.theView.effort.planned > 0" class="small quiet figures">
    {{ store.theView.effort.planned }} sessions and set-ups; at least {{ store.theView.effort.atLeast }} are
    needed. {{ lines.join(' ') }}
  </p>
</template>

<style scoped>
p {
  margin-bottom: 24px;
}
</style>
