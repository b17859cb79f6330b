<script setup lang="ts">
import RemoveButton from '../shared/RemoveButton.vue';
import type { BuildEvent } from '@fixatum/core';
import { mdiPlus } from '@mdi/js';
import MomentField from '../shared/MomentField.vue';
import { freshId } from './freshId';

/** What the build is called, when it begins, and the days it is packed and worn. */
const draft = defineModel<{ name: string; start: string; events: BuildEvent[] }>({ required: true });
</script>

<template>
  <section aria-labelledby="dates-title">
    <h2 id="dates-title">Dates</h2>
    <div class="pair">
      <v-text-field v-model="draft.name" label="Build" maxlength="120" />
      <MomentField v-model="draft.start" label="Nothing before" />
    </div>
    <div v-for="(event, at) in draft.events" :key="event.id" class="card">
      <div class="with-x">
        <v-text-field v-model="event.name" label="What for" maxlength="120" />
        <RemoveButton :label="`Remove ${event.name}`" @click="draft.events.splice(at, 1)" />
      </div>
      <div class="pair">
        <MomentField v-model="event.packAt" label="Packed by, if packed" usual-time="18:00" clearable />
        <MomentField v-model="event.wearAt" label="Worn on" />
      </div>
      <div class="checks">
        <v-checkbox v-model="event.hotCar" label="What is packed may stand in a hot car" />
        <v-checkbox v-model="event.inSun" label="Worn in the sun for hours" />
      </div>
    </div>
    <v-btn
      size="small"
      :prepend-icon="mdiPlus"
      @click="draft.events.push({ id: freshId('date', draft.events), name: 'A date', wearAt: draft.start })"
      >A date</v-btn
    >
  </section>
</template>

<style scoped>
section {
  margin-bottom: 32px;
}

section > h2 {
  margin-bottom: 10px;
}

.pair {
  display: grid;
  /* A date with its year, what picks and what clears it, and its time take so much. */
  grid-template-columns: repeat(auto-fit, minmax(min(330px, 100%), 1fr));
  gap: 10px;
  margin-bottom: 10px;
}

.card {
  padding: 12px 0 14px;
  border-top: 1px solid var(--line);
}

.checks {
  display: flex;
  flex-wrap: wrap;
  gap: 0 24px;
}

.with-x {
  display: grid;
  grid-template-columns: 1fr 44px;
  gap: 8px;
  align-items: center;
  margin-bottom: 10px;
}
</style>
