<script setup lang="ts">
import type { Readiness } from '@fixatum/core';
import { readinessWords } from './words';

/** How a piece stands, as a shape and a word; the hue only helps. */
defineProps<{ readiness: Readiness }>();

const shapes: Record<Readiness, string> = {
  ready: 'M8 1a7 7 0 1 0 0 14A7 7 0 0 0 8 1Zm-1 10L4 8l1.2-1.2L7 8.6l4-4L12.2 5.800Z',
  'on-time': 'M8 1a7 7 0 1 0 0 14A7 7 0 0 0 8 1Zm0 2a5 5 0 1 1 0 10A5 5 0 0 1 8 3Z',
  tight: 'M8 1a7 7 0 1 0 0 14A7 7 0 0 0 8 1Zm0 2v10A5 5 0 0 1 8 3Z',
  late: 'M8 1 16 15H0Zm-1 5v4h2V6Zm0 5v2h2v-2Z',
  stuck:
    'M1 1h14v14H1Zm3.500 2L3 4.500 6.500 8 3 11.500 4.500 13 8 9.500 11.500 13 13 11.500 9.500 8 13 4.500 11.500 3 8 6.500Z',
  undated: 'M1 7h14v2H1Z',
  'no-steps': 'M1 7h3v2H1Zm5.500 0h3v2h-3ZM12 7h3v2h-3Z',
};
</script>

<template>
  <span class="mark" :class="readiness">
    <svg viewBox="0 0 16 16" width="14" height="14" aria-hidden="true">
      <path :d="shapes[readiness]" fill-rule="evenodd" />
    </svg>
    {{ readinessWords[readiness] }}
  </span>
</template>

<style scoped>
.mark {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  font-weight: 600;
  white-space: nowrap;
}

svg {
  fill: currentcolor;
  flex: none;
}

.ready,
.on-time {
  color: rgb(var(--v-theme-success));
}

.tight {
  color: rgb(var(--v-theme-warning));
}

.late,
.stuck {
  color: rgb(var(--v-theme-error));
}

.undated {
  color: rgb(var(--v-theme-secondary));
}
</style>
