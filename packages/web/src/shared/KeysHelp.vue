<script setup lang="ts">
import AppDialog from './AppDialog.vue';
import { useAppearance } from './appearance';

/** The keys there are; opened with `?`. */
const open = defineModel<boolean>({ required: true });
const appearance = useAppearance();
const keys: [string, string][] = [
  ['b', 'Bench: what to do now'],
  ['p', 'Pieces'],
  ['t', 'Plan: the time table'],
  ['m', 'Materials: figures, pairs and swatches'],
  ['k', 'Shelf: what is in which tin'],
  ['j', 'Journal: what happened'],
  ['w', 'Workshop: people, places, air, dates'],
  ['h', 'Techniques: how each kind of work is done'],
  ['/', 'Find what was done, in all builds'],
  ['s', 'Start what is next (on the Bench)'],
  ['d', 'Done: log what is under way (on the Bench)'],
  ['u or Ctrl+Z', 'Take the last change back'],
  ['r or Ctrl+Shift+Z', 'Do again what was taken back'],
  ['arrows, Enter', 'On the plan: from one coat or task to the next, and what it is'],
  ['Shift + arrows', 'On the plan: move a coat or task and pin it'],
  ['arrows, Enter', 'On a drawing: move, and set a point'],
  ['Del, c', 'On a drawing: take a point away, make it a curve'],
  ['?', 'This list'],
];
</script>

<template>
  <AppDialog v-model="open" max-width="860">
    <v-card class="pa-6">
      <h2 class="mb-4">Keys</h2>
      <dl>
        <template v-for="[key, meaning] in keys" :key="meaning">
          <dt>
            <kbd>{{ key }}</kbd>
          </dt>
          <dd>{{ meaning }}</dd>
        </template>
      </dl>
      <v-checkbox v-model="appearance.keys" class="mt-3" label="Single keys do this" />
      <v-btn class="mt-4" @click="open = false">Close</v-btn>
    </v-card>
  </AppDialog>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: auto 1fr auto 1fr;
  gap: 10px 20px;
}

kbd {
  border: 1px solid var(--line);
  border-bottom-width: 3px;
  border-radius: 3px;
  padding: 1px 8px;
  font-family: var(--body);
  white-space: nowrap;
}

@media (max-width: 760px) {
  dl {
    grid-template-columns: auto 1fr;
  }
}
</style>
