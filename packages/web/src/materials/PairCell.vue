<script setup lang="ts">
import type { PairVerdict } from '@fixatum/core';
import { computed } from 'vue';
import { verdictMarks } from './pairMarks';

/** One verdict on the board; dim where another is looked for, empty until it has come. */
const props = defineProps<{
  verdict: PairVerdict | undefined;
  /** "paint over sealer" */
  names: string;
  only: PairVerdict['verdict'] | '';
}>();
defineEmits<{ choose: [verdict: PairVerdict] }>();
const tested = computed(() => props.verdict?.findings.some((finding) => finding.evidence) ?? false);
</script>

<template>
  <button
    v-if="verdict"
    class="verdict"
    :class="[verdict.verdict, { dim: only !== '' && verdict.verdict !== only }]"
    :aria-label="`${names}: ${verdict.verdict}`"
    @click="$emit('choose', verdict)"
  >
    {{ verdictMarks[verdict.verdict] }}<span v-if="tested" title="your own swatch speaks here"> ✎</span>
  </button>
</template>

<style scoped>
.verdict {
  width: 100%;
  min-height: 38px;
  padding: 0 10px;
  text-align: left;
  white-space: nowrap;
}

.verdict:hover {
  background: rgb(var(--v-theme-surface-variant));
}

.stop {
  color: rgb(var(--v-theme-error));
  font-weight: 700;
}

.risk {
  color: rgb(var(--v-theme-warning));
  font-weight: 600;
}

.dim {
  opacity: 0.45;
}

.note {
  color: rgb(var(--v-theme-secondary));
}

.fine {
  color: rgb(var(--v-theme-success));
}
</style>
