<script setup lang="ts">
import { mdiArrowDown, mdiArrowUp } from '@mdi/js';

/** Two small buttons that move one of a list up and down. */
defineProps<{ at: number; count: number; upLabel: string; downLabel: string }>();
defineEmits<{ move: [by: -1 | 1] }>();
</script>

<template>
  <v-btn
    :icon="mdiArrowUp"
    size="x-small"
    variant="text"
    :disabled="at === 0"
    :aria-label="upLabel"
    @click="$emit('move', -1)"
  />
  <v-btn
    :icon="mdiArrowDown"
    size="x-small"
    variant="text"
    :disabled="at === count - 1"
    :aria-label="downLabel"
    @click="$emit('move', 1)"
  />
</template>
