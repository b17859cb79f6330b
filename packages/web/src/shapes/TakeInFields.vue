<script setup lang="ts">
import { substrateKinds, substrateNames } from '@fixatum/core';
import { computed, onMounted } from 'vue';
import { useBuild } from '../shared/build';
import { useLooks } from '../shared/looks';
import NumberField from '../shared/NumberField.vue';
import type { TakeInForm } from './takeInForm';

/** What is the same of all pieces that are taken in, and the look of each of their zones. */
const form = defineModel<TakeInForm>({ required: true });
defineProps<{
  /** Names of zones over all pieces; one for pieces of one finish. */
  zoneNames: readonly string[];
  /** The mesh tells how thick it is. */
  knowsThickness?: boolean;
}>();
const store = useBuild();
const looks = useLooks();
onMounted(() => void looks.load());
const substrates = substrateKinds.map((value) => ({ value, title: substrateNames[value] }));
const events = computed(() => [
  { value: '', title: 'No date' },
  ...(store.build?.events ?? []).map(({ id, name }) => ({ value: id, title: name })),
]);
const lookItems = computed(() => [
  { value: '', title: 'Choose later' },
  ...looks.all.map(({ id, name }) => ({ value: id, title: name })),
]);
</script>

<template>
  <div class="grid">
    <v-select v-model="form.kind" label="Made of" :items="substrates" />
    <NumberField v-if="!knowsThickness" v-model="form.thicknessMm" label="Thickness" of="lengthMm" />
    <v-select v-model="form.event" label="For" :items="events" />
    <v-checkbox v-model="form.inner" label="The inner face is sealed too" />
    <v-select
      v-for="name in zoneNames"
      :key="name"
      :model-value="form.looks[name] ?? ''"
      :label="zoneNames.length > 1 ? `Look of ${name}` : 'Look'"
      :items="lookItems"
      @update:model-value="form.looks[name] = $event"
    />
  </div>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
  gap: 12px;
  align-items: start;
}
</style>
