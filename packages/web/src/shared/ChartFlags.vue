<script setup lang="ts">
import { sayMoment } from '@fixatum/core';
import { computed } from 'vue';
import { useBuild } from '../shared/build';
import { placeFlags, type ChartFlag } from './chartFlags';

/** The words of the hard lines, at the top, where those begin: the present and the dates. */
const props = defineProps<{ flags: readonly ChartFlag[]; from: number; until: number; widthPx: number }>();
const store = useBuild();
const placed = computed(() => {
  const { minute } = store;
  const isShown = minute >= props.from && minute <= props.until;
  return placeFlags(
    [...(isShown ? [{ key: 'now', word: 'now', at: minute }] : []), ...props.flags],
    (at) => (props.widthPx * (at - props.from)) / (props.until - props.from),
    props.widthPx,
  );
});
const rows = computed(() => Math.max(1, ...placed.value.map(({ row }) => row + 1)));
</script>

<template>
  <div class="flags" :style="{ height: `${rows * 22 + 4}px` }">
    <span
      v-for="flag in placed"
      :key="flag.key"
      class="flag"
      :class="{ before: flag.before, now: flag.key === 'now' }"
      :style="{ left: `${flag.px}px`, top: `${flag.row * 22}px` }"
      :title="`${flag.word}: ${sayMoment(flag.at, store.theView.timeZone)}`"
      >{{ flag.word }}</span
    >
  </div>
</template>

<style scoped>
.flags {
  position: relative;
}

.flag {
  position: absolute;
  padding: 0 5px;
  background: rgb(var(--v-theme-error));
  color: rgb(var(--v-theme-surface));
  line-height: 20px;
  white-space: nowrap;
}

.flag.before {
  transform: translateX(-100%);
}

.flag.now {
  background: rgb(var(--v-theme-primary));
}
</style>
