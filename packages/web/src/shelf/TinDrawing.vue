<script setup lang="ts">
import { computed } from 'vue';

/** A tin cut open: how full it stands. On order it is drawn in dashes. */
const props = defineProps<{ share: number; colour: string; isComing: boolean }>();
const HEIGHT = 64;
const filled = computed(() => Math.min(1, Math.max(0, props.share)) * (HEIGHT - 8));
</script>

<template>
  <svg viewBox="0 0 52 72" width="52" height="72" aria-hidden="true">
    <rect x="6" :y="68 - filled" width="40" :height="filled" :fill="colour" :opacity="isComing ? 0.35 : 1" />
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
