<script setup lang="ts">
import { type PlannedOperation, nth } from '@fixatum/core';
import { computed, ref } from 'vue';
import { useBuild } from '../shared/build';
import { passWords, pieceNames, unitName, zoneNames } from '../shared/words';

/** The pieces of a batch, each to be ticked or left out; units of a set together or one by one. */
const props = defineProps<{ passes: readonly PlannedOperation[] }>();
/** Ids of the passes that are left out. */
const left = defineModel<Set<string>>('left', { required: true });
const store = useBuild();
const first = computed(() => props.passes[0]);

/** Ticks or unticks some passes together. */
function toggle(operations: readonly PlannedOperation[]): void {
  const set = new Set(left.value);
  const all = operations.every((operation) => !set.has(operation.id));
  for (const operation of operations) {
    if (all) set.add(operation.id);
    else set.delete(operation.id);
  }
  left.value = set;
}
const apart = ref(new Set<string>());
function takeApart(key: string): void {
  const set = new Set(apart.value);
  if (!set.delete(key)) set.add(key);
  apart.value = set;
}

/** The passes of the big panel, units of a set together. */
const groups = computed(() => {
  const list: { key: string; name: string; detail: string; operations: PlannedOperation[] }[] = [];
  for (const operation of props.passes) {
    const key = [operation.pieceId, operation.stepId, operation.coat, operation.face].join(' ');
    const known = list.find((group) => group.key === key);
    if (known) known.operations.push(operation);
    else list.push({ key, name: '', detail: '', operations: [operation] });
  }
  for (const group of list) {
    const one = nth(group.operations, 0);
    group.name =
      group.operations.length === 1
        ? unitName(store.build, one.pieceId, one.unit)
        : pieceNames(store.build, group.operations);
    const differs =
      one.stepId !== first.value?.stepId || one.coat !== first.value.coat || one.face !== first.value.face;
    group.detail = [zoneNames(store.build, one), differs ? passWords(one) : ''].filter(Boolean).join(' · ');
  }
  return list;
});
</script>

<template>
  <ul class="units" aria-label="Pieces of this batch">
    <template v-for="group in groups" :key="group.key">
      <li class="unit">
        <label>
          <input
            type="checkbox"
            :checked="group.operations.every((one) => !left.has(one.id))"
            @change="toggle(group.operations)"
          />
          <span>
            <strong>{{ group.name }}</strong>
            <span v-if="group.detail" class="quiet"> · {{ group.detail }}</span>
          </span>
        </label>
        <button
          v-if="group.operations.length > 1"
          class="apart"
          :aria-expanded="apart.has(group.key)"
          @click="takeApart(group.key)"
        >
          {{ apart.has(group.key) ? 'together' : 'one by one' }}
        </button>
      </li>
      <template v-if="group.operations.length > 1 && apart.has(group.key)">
        <li v-for="operation in group.operations" :key="operation.id" class="unit single">
          <label>
            <input type="checkbox" :checked="!left.has(operation.id)" @change="toggle([operation])" />
            {{ unitName(store.build, operation.pieceId, operation.unit) }}
          </label>
        </li>
      </template>
    </template>
  </ul>
</template>

<style scoped>
.units {
  list-style: none;
  padding: 0;
  margin: 16px 0 0;
  max-height: 264px;
  overflow-y: auto;
}

.unit {
  display: flex;
  align-items: center;
  border-top: 1px solid var(--line);
}

.unit.single {
  padding-left: 38px;
}

.unit label {
  display: flex;
  flex: 1;
  gap: 14px;
  align-items: center;
  min-height: 48px;
  cursor: pointer;
}

.apart {
  min-height: 44px;
  padding: 0 8px;
  text-decoration: underline;
  color: var(--quiet);
}

.units input {
  width: 24px;
  height: 24px;
  flex: none;
  accent-color: rgb(var(--v-theme-primary));
}
</style>
