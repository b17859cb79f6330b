<script setup lang="ts">
import { mdiClose } from '@mdi/js';

/** Takes one line out of a list; the label says which. */
defineProps<{ label: string }>();
</script>

<template>
  <v-btn :icon="mdiClose" variant="text" size="small" :aria-label="label" />
</template>
