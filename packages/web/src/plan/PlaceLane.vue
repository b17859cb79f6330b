<script setup lang="ts">
import { sayMoment, type PlaceBand } from '@fixatum/core';
import { computed } from 'vue';
import { percent } from '../shared/timeAxis';

/** How full a rack is, as blocks, with the temperature of its place as a line, laid along time. */
const props = defineProps<{ band: PlaceBand; from: number; until: number; timeZone: string }>();

const blocks = computed(() =>
  props.band.rack.map((step, at) => {
    const to = props.band.rack[at + 1]?.from ?? props.until;
    const full = step.units >= props.band.slots;
    return {
      key: step.from,
      full,
      left: percent(step.from, props.from, props.until),
      width: `${(100 * (to - step.from)) / (props.until - props.from)}%`,
      height: `${Math.min(100, (100 * step.units) / Math.max(1, props.band.slots))}%`,
      title: `${sayMoment(step.from, props.timeZone)}: ${step.units} of ${props.band.slots} rack places taken${full ? ', full' : ''}`,
    };
  }),
);
const coldest = computed(() => Math.min(...props.band.air.map((one) => one.temperatureC)));
const hottest = computed(() => Math.max(...props.band.air.map((one) => one.temperatureC)));
const line = computed(() => {
  const range = Math.max(4, hottest.value - coldest.value);
  return props.band.air
    .map(({ at, temperatureC }) => {
      const x = (1000 * (at - props.from)) / (props.until - props.from);
      return `${x.toFixed(1)},${(26 - (20 * (temperatureC - coldest.value)) / range).toFixed(1)}`;
    })
    .join(' ');
});
</script>

<template>
  <div class="band" role="img" :aria-label="blocks.map((one) => one.title).join('; ')">
    <span
      v-for="block in blocks"
      :key="block.key"
      class="block"
      :class="{ full: block.full }"
      :style="{ left: block.left, width: block.width, height: block.height }"
      :title="block.title"
    />
    <svg viewBox="0 0 1000 30" preserveAspectRatio="none" aria-hidden="true">
      <polyline
        :points="line"
        fill="none"
        stroke="currentColor"
        vector-effect="non-scaling-stroke"
        stroke-width="1.2"
      />
    </svg>
  </div>
</template>

<style scoped>
.band {
  position: absolute;
  inset: 2px 0;
}

.block {
  position: absolute;
  bottom: 0;
  background: rgba(var(--v-theme-secondary), 0.45);
}

.block.full {
  background: repeating-linear-gradient(
    45deg,
    rgb(var(--v-theme-primary)) 0 3px,
    rgba(var(--v-theme-secondary), 0.45) 3px 6px
  );
}

svg {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  pointer-events: none;
}
</style>
