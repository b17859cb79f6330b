<script setup lang="ts">
import { computed } from 'vue';
import { useBuild } from '../shared/build';
import { percent } from '../shared/timeAxis';

/** The present, as a line that moves by itself: nothing else is drawn anew with it. */
const props = defineProps<{ from: number; until: number }>();
const store = useBuild();
const left = computed(() => percent(store.now, props.from, props.until));
</script>

<template>
  <div class="now" :style="{ left }" />
</template>

<style scoped>
.now {
  position: absolute;
  top: 0;
  bottom: 0;
  border-left: 2px solid rgb(var(--v-theme-primary));
  z-index: 3;
  pointer-events: none;
}
</style>
