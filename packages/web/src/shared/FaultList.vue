<script setup lang="ts">
import type { Fault } from '@fixatum/core';
import { faultPlace } from './faultPlace';

/** Everything that is wrong with what was typed, each with where; nothing while all is well. */
defineProps<{
  faults: readonly Fault[];
  /** What the paths of the faults lead into, for the names in it. */
  within?: unknown;
}>();
</script>

<template>
  <ul v-if="faults.length > 0" class="faults" role="alert">
    <li v-for="(fault, at) in faults" :key="at">
      {{ fault.message }}
      <span v-if="fault.path.length > 0" class="quiet small">{{ faultPlace(fault.path, within) }}</span>
    </li>
  </ul>
</template>
