<script setup lang="ts">
import { computed } from 'vue';
import { daysBetween } from '../shared/timeAxis';

/** The days over a ribbon, as many labels as there is room for. */
const props = withDefaults(defineProps<{ from: number; until: number; timeZone: string; every?: number }>(), {
  every: 0,
});
const days = computed(() => daysBetween(props.from, props.until, props.timeZone));
const every = computed(() => props.every || Math.ceil(days.value.length / 8));
const left = (minute: number) => `${(100 * (minute - props.from)) / (props.until - props.from)}%`;
</script>

<template>
  <div class="header figures">
    <template v-for="(day, at) in days" :key="day.from">
      <span v-if="day.from >= from && at % every === 0" class="day" :style="{ left: left(day.from) }"
        >{{ day.label }} {{ day.month }}</span
      >
    </template>
  </div>
</template>

<style scoped>
.header {
  position: relative;
  height: 1.4em;
  overflow: hidden;
}

.day {
  position: absolute;
  white-space: nowrap;
  padding-left: 4px;
  border-left: 1px solid rgb(var(--v-theme-secondary));
}
</style>
