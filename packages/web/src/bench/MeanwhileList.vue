<script setup lang="ts">
import { sayWait, type PlannedOperation } from '@fixatum/core';
import { computed } from 'vue';
import { minutesOf, type BenchBatch } from './bench';
import { useBuild } from '../shared/build';
import { passWords, pieceNames } from '../shared/words';

/** While nothing is due, what could be done in the time there is. */
const props = defineProps<{ next: BenchBatch }>();
const store = useBuild();
const MOST_OFFERED = 3;
const LONGEST_GAP_MINUTES = 12 * 60;

const freeMinutes = computed(() => Math.floor(props.next.start - store.minute));
const meanwhile = computed(() => {
  const due = new Set(props.next.operations.map((operation) => operation.id));
  const groups = new Map<string, PlannedOperation[]>();
  for (const id of store.view?.doableNow ?? []) {
    const operation = store.operations.get(id);
    if (!operation || due.has(id)) continue;
    const key = `${operation.pieceId} ${operation.stepId} ${operation.coat} ${operation.face}`;
    groups.set(key, [...(groups.get(key) ?? []), operation]);
  }
  return [...groups.values()]
    .map((operations) => ({ operations, minutes: minutesOf(operations) }))
    .filter(({ minutes }) => minutes <= freeMinutes.value)
    .slice(0, MOST_OFFERED);
});
</script>

<template>
  <div v-if="meanwhile.length > 0 && freeMinutes <= LONGEST_GAP_MINUTES" class="meanwhile">
    <h2>{{ sayWait(freeMinutes) }} free</h2>
    <p class="quiet">This can be done now:</p>
    <ul>
      <li v-for="{ operations, minutes } in meanwhile" :key="operations[0]!.id">
        <span
          ><strong>{{ passWords(operations[0]!) }}</strong> {{ pieceNames(store.build, operations) }}
          <span class="quiet figures">{{ sayWait(minutes) }}</span></span
        >
        <v-btn size="large" :disabled="store.busy" @click="store.start(operations)">Start</v-btn>
      </li>
    </ul>
  </div>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  margin-top: 8px;
}

li {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  align-items: center;
  padding: 8px 0;
  border-top: 1px solid var(--line);
}
</style>
