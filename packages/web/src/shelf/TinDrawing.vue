<script setup lang="ts">
import { computed, useId } from 'vue';

/** A tin cut open: how full it stands, and hatched what the plan takes of that. On order it is drawn in dashes. */
const props = defineProps<{ share: number; taken: number; colour: string; isComing: boolean }>();
const HEIGHT = 64;
const INSIDE = HEIGHT - 8;
const within = (share: number) => Math.min(1, Math.max(0, share));
const filled = computed(() => within(props.share) * INSIDE);
const taken = computed(() => Math.min(filled.value, within(props.taken) * INSIDE));
const hatch = `hatch-${useId()}`;
</script>

<template>
  <svg viewBox="0 0 52 72" width="52" height="72" aria-hidden="true">
    <defs>
      <pattern :id="hatch" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width="3" height="6" class="line" />
      </pattern>
    </defs>
    <rect x="6" :y="68 - filled" width="40" :height="filled" :fill="colour" :opacity="isComing ? 0.35 : 1" />
    <rect
      v-if="taken > 0"
      x="6"
      :y="68 - filled"
      width="40"
      :height="taken"
      :fill="`url(#${hatch})`"
      data-testid="reserved"
    />
    <path
      d="M6 6 V68 H46 V6"
      fill="none"
      stroke="currentColor"
      stroke-width="2"
      :stroke-dasharray="isComing ? '4 4' : undefined"
    />
    <path d="M2 6 H50" stroke="currentColor" stroke-width="3" />
    <path
      v-for="mark in [0.25, 0.5, 0.75]"
      :key="mark"
      :d="`M40 ${68 - mark * 56} h6`"
      stroke="currentColor"
    />
  </svg>
</template>

<style scoped>
.line {
  fill: rgb(var(--v-theme-background));
  opacity: 0.6;
}
</style>
