<script setup lang="ts">
import { sayDayOf, sayMoment, sayTimeOfDay, type PlaceBand } from '@fixatum/core';
import { computed, ref } from 'vue';
import { percent } from '../shared/timeAxis';
import { fullRuns, takenAt, takenPath } from './rackBand';

/** How full a rack is, as an area, hatched where it is full, with the temperature of its place as a line, laid along time. */
const props = defineProps<{ band: PlaceBand; from: number; until: number; timeZone: string }>();

const area = computed(() =>
  takenPath(props.band, { from: props.from, until: props.until, wide: 1000, high: 30 }),
);
const when = (minute: number) => sayMoment(Math.round(minute), props.timeZone);
const isSameDay = (a: number, b: number) => sayDayOf(a, props.timeZone) === sayDayOf(b, props.timeZone);
const full = computed(() =>
  fullRuns(props.band, props.until).map(({ from, to }) => ({
    key: from,
    left: percent(from, props.from, props.until),
    width: `${(100 * (to - from)) / (props.until - props.from)}%`,
    words: `${when(from)} to ${isSameDay(from, to) ? sayTimeOfDay(to, props.timeZone) : when(to)}`,
  })),
);
/** More than these nobody listens to. */
const MOST_SAID = 6;
const spoken = computed(() => {
  const most = Math.ceil(Math.max(0, ...props.band.rack.map(({ taken }) => taken)));
  if (full.value.length === 0) return `never full: at most ${most} of ${props.band.slots} rack places taken`;
  const more = full.value.length - MOST_SAID;
  return `rack of ${props.band.slots} full ${full.value
    .slice(0, MOST_SAID)
    .map(({ words }) => words)
    .join('; ')}${more > 0 ? `, and ${more} times more` : ''}`;
});
/** What the pointer is on. */
const hint = ref('');
function tell({ clientX, currentTarget }: PointerEvent): void {
  const box = (currentTarget as Element).getBoundingClientRect();
  const minute = props.from + ((props.until - props.from) * (clientX - box.left)) / box.width;
  hint.value = `${when(minute)}: ${takenAt(props.band, minute)} of ${props.band.slots} rack places taken`;
}
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
  <div class="band" role="img" :aria-label="spoken" :title="hint" @pointermove="tell">
    <span v-for="run in full" :key="run.key" class="full" :style="{ left: run.left, width: run.width }" />
    <svg viewBox="0 0 1000 30" preserveAspectRatio="none" aria-hidden="true">
      <path :d="area" class="taken" />
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

.full {
  position: absolute;
  inset-block: 0;
  background: repeating-linear-gradient(
    45deg,
    rgb(var(--v-theme-primary)) 0 3px,
    rgba(var(--v-theme-secondary), 0.45) 3px 6px
  );
}

.taken {
  fill: rgba(var(--v-theme-secondary), 0.45);
}

svg {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  pointer-events: none;
}
</style>
