<script setup lang="ts">
import type { Build } from '@fixatum/core';
import { computed } from 'vue';
import JoinTable from './JoinTable.vue';
import type { useJoining } from './useJoining';

/** Which workshop a build that comes in is for, and what becomes of what it brings. */
const props = defineProps<{ build: Build; joining: ReturnType<typeof useJoining> }>();
const { workshops, chosenId, chosen, choices, isElsewhere, matches } = props.joining;

const OWN = '';
const target = computed({
  get: () => chosenId.value ?? OWN,
  set: (id) => (chosenId.value = id === OWN ? undefined : id),
});
const items = computed(() => [
  ...(workshops.value ?? []).map(({ id, workshop }) => ({ value: id, title: workshop.name })),
  { value: OWN, title: 'A workshop of its own' },
]);
</script>

<template>
  <p class="mb-4">
    The people, places and tins of a workshop serve all builds in it: an hour spent on one is not free for the
    others.
  </p>
  <p v-if="!workshops" role="status">Looking what is here…</p>
  <template v-else>
    <v-select v-model="target" :items="items" label="Workshop" class="mb-4" />
    <p v-if="isElsewhere" role="alert">
      Its dates are written in {{ build.timeZone }}, those of this workshop in
      {{ chosen?.workshop.timeZone }}. Choose another, or one of its own.
    </p>
    <JoinTable v-else-if="chosenId" v-model="choices" :matches="matches" />
    <p v-else>It brings its own people, places and tins, which have nothing to do with those here.</p>
  </template>
</template>
