<script setup lang="ts">
import {
  partedSet,
  sayWait,
  setsOf,
  workWord,
  type Build,
  type PlannedOperation,
  sayTimeOfDay,
} from '@fixatum/core';
import { computed } from 'vue';
import { useBuild } from './build';

import { pieceNames } from './words';

/** One batch as a line of a run sheet: when, what, on which pieces, for how long; and of which build, where that is another. */
const props = defineProps<{
  start: number;
  end: number;
  operations: PlannedOperation[];
  of?: { id: string; build: Build } | undefined;
}>();
const store = useBuild();
/** Of a set that is not done in one go: when the rest comes, and why. */
const parted = computed(() =>
  props.of
    ? undefined
    : partedSet(
        props.operations,
        store.theView.operations,
        setsOf(store.build?.pieces ?? []),
        store.theView.timeZone,
      ),
);
</script>

<template>
  <li class="batch-line">
    <span class="figures">{{ sayTimeOfDay(start, store.theView.timeZone) }}</span>
    <span
      class="chip"
      :style="{ background: operations[0]!.colour ?? operations[0]!.material?.colour ?? 'transparent' }"
      aria-hidden="true"
    />
    <span>
      <strong>{{ workWord(operations[0]!) }}</strong><template v-if="operations[0]!.material">
        · {{ operations[0]!.material.name }}</template
      >
      <span class="quiet pieces"
        ><router-link v-if="of" :to="{ name: 'bench', params: { build: of.id } }">{{
          of.build.name
        }}</router-link
        ><template v-if="of">: </template>{{ pieceNames(of?.build ?? store.build, operations)
        }}<template v-if="parted"> · {{ parted }}</template></span
      >
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
