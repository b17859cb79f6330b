<script setup lang="ts">
import type { Piece } from '@fixatum/core';
import { computed } from 'vue';
import { useBuild } from '../shared/build';

/** The units of a set side by side: how far each has come, and which are behind the others. */
const props = defineProps<{ piece: Piece }>();
const unit = defineModel<number>({ required: true });
const store = useBuild();

const units = computed(() => {
  const own = (store.view?.operations ?? []).filter(
    (operation) => operation.pieceId === props.piece.id && operation.status !== 'skipped',
  );
  const list = Array.from({ length: props.piece.quantity }, (_, n) => {
    const passes = own.filter((operation) => operation.unit === n + 1);
    return {
      number: n + 1,
      done: passes.filter((operation) => operation.status === 'done').length,
      total: passes.length,
    };
  });
  const furthest = Math.max(0, ...list.map((one) => one.done));
  return list.map((one) => ({ ...one, behind: furthest - one.done }));
});
</script>

<template>
  <div class="units" role="group" aria-label="Units">
    <button
      v-for="one in units"
      :key="one.number"
      :aria-pressed="unit === one.number"
      @click="unit = one.number"
    >
      <strong>{{ one.number }}</strong>
      <span class="bar" aria-hidden="true"
        ><span :style="{ width: `${one.total > 0 ? (100 * one.done) / one.total : 0}%` }"
      /></span>
      <span class="small figures"
        >{{ one.done }} of {{ one.total
        }}<template v-if="one.behind > 0">, {{ one.behind }} behind</template></span
      >
    </button>
  </div>
</template>

<style scoped>
.units {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-top: 12px;
}

button {
  display: grid;
  grid-template-columns: auto 44px auto;
  align-items: center;
  gap: 8px;
  min-height: 40px;
  padding: 4px 10px;
  border: 1px solid var(--line);
  border-radius: 3px;
}

button[aria-pressed='true'] {
  border-color: rgb(var(--v-theme-primary));
  box-shadow: inset 0 0 0 1px rgb(var(--v-theme-primary));
}

.bar {
  height: 6px;
  background: rgb(128 130 132 / 35%);
}

.bar span {
  display: block;
  height: 100%;
  background: rgb(var(--v-theme-primary));
}
</style>
