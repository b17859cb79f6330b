<script setup lang="ts">
import { sayMoment, toEpochMinute, toWallTime, epochMinute, type Fault } from '@fixatum/core';
import { computed, ref } from 'vue';
import AppDialog from '../shared/AppDialog.vue';
import DialogFoot from '../shared/DialogFoot.vue';
import FaultList from '../shared/FaultList.vue';
import MomentField from '../shared/MomentField.vue';
import { useBuild } from '../shared/build';
import { passWords, pieceNames } from '../shared/words';
import { batchesOf, minutesOf, underwayOf, type BenchBatch } from './bench';

/** Logs what was done and not logged: several batches at once, in their order, each with its time. */
const open = defineModel<boolean>({ required: true });
const store = useBuild();
const SHOWN_AT_FIRST = 8;
const shown = ref(SHOWN_AT_FIRST);

/** What is under way and what comes next, in the order of the plan as it was when this was opened. */
const batches = ((): BenchBatch[] => {
  const view = store.theView;
  const begun = underwayOf(view);
  const now = Math.floor(store.now);
  const underway: BenchBatch[] =
    begun.length > 0
      ? [{ key: 'underway', start: now, end: now, session: undefined, operations: begun }]
      : [];
  return [...underway, ...batchesOf(view)];
})();

const ticked = ref<string[]>([]);
/** The times that were typed; those of the others follow. */
const typed = ref<Record<string, string>>({});
const faults = ref<Fault[]>([]);
const saving = ref(false);
const sureOf = ref('');

const chosen = computed(() => batches.filter(({ key }) => ticked.value.includes(key)));
/** When each was done: as typed, or as long after the one before as it takes; the last of them just now. */
const times = computed((): Record<string, string> => {
  const { timeZone } = store.theBuild;
  const wall = (minute: number) => toWallTime(Math.round(minute), timeZone);
  const all: Record<string, string> = {};
  const total = chosen.value.slice(1).reduce((sum, { operations }) => sum + minutesOf(operations), 0);
  let at = Math.floor(store.now) - total;
  for (const [n, { key, operations }] of chosen.value.entries()) {
    if (n > 0) at += minutesOf(operations);
    const own = typed.value[key];
    if (own !== undefined) {
      all[key] = own;
      at = toEpochMinute(own, timeZone) ?? at;
    } else all[key] = wall(at);
  }
  return all;
});

function faultsIn(): Fault[] {
  const { timeZone } = store.theBuild;
  const list: Fault[] = [];
  const say = (message: string) => list.push({ code: 'time', path: [], message });
  let before: { at: number; name: string } | undefined;
  for (const { key, operations } of chosen.value) {
    const [first] = operations;
    if (!first) continue;
    const name = `${passWords(first)}, ${pieceNames(store.build, operations)}`;
    const at = toEpochMinute(times.value[key] ?? '', timeZone);
    if (at === undefined) say(`${name}: that time does not exist.`);
    else {
      if (before && at < before.at) say(`${name} comes after ${before.name}, so it was not done before it.`);
      before = { at, name };
    }
  }
  return list;
}

async function save(): Promise<void> {
  if (chosen.value.length === 0) {
    faults.value = [{ code: 'none', path: [], message: 'Tick what was done.' }];
    return;
  }
  faults.value = faultsIn();
  if (faults.value.length > 0) return;
  const { timeZone } = store.theBuild;
  const late = chosen.value.map(({ operations, key }) => ({
    passes: operations,
    doneAt: times.value[key] ?? '',
  }));
  const last = Math.max(...late.map(({ doneAt }) => epochMinute(doneAt, timeZone)));
  const said = JSON.stringify(late.map(({ doneAt }) => doneAt));
  if (last > store.now + 1 && sureOf.value !== said) {
    sureOf.value = said;
    faults.value = [
      {
        code: 'future',
        path: [],
        message: `${sayMoment(last, timeZone)} is still to come. Log it again if that is right all the same.`,
      },
    ];
    return;
  }
  saving.value = true;
  if (await store.logLate(late)) open.value = false;
  saving.value = false;
}
</script>

<template>
  <AppDialog v-model="open" asks max-width="640" scrollable>
    <v-card>
      <v-card-text class="pa-6">
        <h2 class="mb-1">What was done and not logged?</h2>
        <p class="quiet mb-4">Tick it in order. The times follow each other; change those you know better.</p>
        <p v-if="batches.length === 0" class="quiet">Nothing is left to log.</p>
        <ul>
          <li v-for="batch in batches.slice(0, shown)" :key="batch.key" data-testid="forgotten">
            <v-checkbox v-model="ticked" :value="batch.key" density="compact" hide-details>
              <template #label
                ><span
                  ><strong>{{ passWords(batch.operations[0]!) }}</strong>
                  {{ pieceNames(store.build, batch.operations) }}</span
                ></template
              >
            </v-checkbox>
            <MomentField
              v-if="ticked.includes(batch.key)"
              class="when"
              :model-value="times[batch.key]"
              label="Done on"
              @update:model-value="(at) => (typed[batch.key] = at)"
            />
          </li>
        </ul>
        <v-btn v-if="batches.length > shown" variant="text" @click="shown += SHOWN_AT_FIRST">Show more</v-btn>
      </v-card-text>
      <FaultList class="px-6 py-2" :faults="faults" />
      <DialogFoot v-model="open" large words="Log it" :saving="saving" @done="save" />
    </v-card>
  </AppDialog>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
}

li {
  border-top: 1px solid var(--line);
  padding: 4px 0;
}

.when {
  max-width: 340px;
  margin: 4px 0 10px 34px;
}
</style>
