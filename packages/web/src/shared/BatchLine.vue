<script setup lang="ts">
import { sayWait, workWord, type PlannedOperation } from '@fixatum/core';
import { useBuild } from './build';
import { timeOfDay } from './timeAxis';
import { pieceNames } from './words';

/** One batch as a line of a run sheet: when, what, on which pieces, for how long. */
defineProps<{ start: number; end: number; operations: PlannedOperation[] }>();
const store = useBuild();
</script>

<template>
  <li class="batch-line">
    <span class="figures">{{ timeOfDay(start, store.theView.timeZone) }}</span>
    <span
      class="chip"
      :style="{ background: operations[0]!.colour ?? operations[0]!.material?.colour ?? 'transparent' }"
      aria-hidden="true"
    />
    <span>
      <strong>{{ workWord(operations[0]!) }}</strong><template v-if="operations[0]!.material">
        · {{ operations[0]!.material.name }}</template
      >
      <span class="quiet pieces">{{ pieceNames(store.build, operations) }}</span>
    </span>
    <span class="figures quiet small">{{ sayWait(end - start) }}</span>
  </li>
</template>

<style scoped>
.batch-line {
  display: grid;
  grid-template-columns: 52px 14px 1fr auto;
  gap: 12px;
  align-items: baseline;
  padding: 8px 0;
  border-top: 1px solid var(--line);
}

.chip {
  width: 14px;
  height: 14px;
  border-radius: 2px;
  border: 1px solid var(--line);
  align-self: center;
}

.pieces {
  display: block;
  font-size: 0.9rem;
}
</style>
