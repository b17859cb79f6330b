<script setup lang="ts">
import { pathText, type Fault } from '@fixatum/core';

/** Everything that is wrong with what was typed, each with where; nothing while all is well. */
defineProps<{ faults: readonly Fault[] }>();
</script>

<template>
  <ul v-if="faults.length > 0" class="faults" role="alert">
    <li v-for="(fault, at) in faults" :key="at">
      {{ fault.message }}
      <span v-if="fault.path.length > 0" class="quiet small">{{ pathText(fault.path) }}</span>
    </li>
  </ul>
</template>
