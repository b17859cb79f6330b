<script setup lang="ts">
import { useBuild } from '../shared/build';

/** Says of a piece that its plan is still being made, or that it could not be made. */
const store = useBuild();
</script>

<template>
  <span v-if="store.planning" role="status" class="quiet">Being planned…</span>
  <span v-else role="status">
    ▲ It could not be planned.
    <v-btn size="small" variant="text" @click="store.replan()">Try again</v-btn>
  </span>
</template>
