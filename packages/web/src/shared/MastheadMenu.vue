<script setup lang="ts">
import { mdiClockOutline, mdiRuler, mdiThemeLightDark } from '@mdi/js';
import { computed, nextTick } from 'vue';
import type { UnitSystem } from '@fixatum/core';
import type { ClockChoice } from './deviceStyle';
import { api } from './api';
import { useAppearance } from './appearance';
import { useBuild } from './build';
import { useMe } from './me';

/** What hangs below the name of the build: other builds, what belongs to none of the screens, and how they look. */
defineProps<{
  /** The screen one is on, which another build opens at as well. */
  here: string;
}>();
const store = useBuild();
const appearance = useAppearance();
const me = useMe();
/** What has been said is said anew. */
const sayAnew = () => void nextTick(() => window.location.reload());
function goBy(clock: ClockChoice): void {
  appearance.clock = clock;
  sayAnew();
}
function measureIn(units: UnitSystem): void {
  appearance.units = units;
  sayAnew();
}
/** What is set for this device: each with its choices, the one that holds marked. */
const settings = computed(() => [
  {
    title: 'Light',
    icon: mdiThemeLightDark,
    choices: (
      [
        ['auto', 'Dim at the bench, else as the device'],
        ['paper', 'Paper everywhere'],
        ['workshop', 'Dim everywhere'],
      ] as const
    ).map(([value, words]) => ({
      words,
      isSet: appearance.light === value,
      set: () => (appearance.light = value),
    })),
  },
  {
    title: 'Measures',
    icon: mdiRuler,
    choices: (
      [
        ['metric', 'Millimetres, ml, °C'],
        ['imperial', 'Inches, fl oz, °F'],
      ] as const
    ).map(([value, words]) => ({
      words,
      isSet: appearance.units === value,
      set: () => measureIn(value),
    })),
  },
  {
    title: 'Clock',
    icon: mdiClockOutline,
    choices: (
      [
        ['auto', 'As the device'],
        ['24', '19:30'],
        ['12', '7:30 pm'],
      ] as const
    ).map(([value, words]) => ({ words, isSet: appearance.clock === value, set: () => goBy(value) })),
  },
]);
</script>

<template>
  <v-list density="comfortable" min-width="240">
    <v-list-item to="/" title="All builds" />
    <v-list-item
      v-for="one in store.beside"
      :key="one.id"
      :to="{ name: here, params: { build: one.id } }"
      :title="one.name"
      subtitle="in this workshop too"
    />
    <v-list-item :to="{ name: 'find' }" title="Find in all builds" />
    <v-list-item
      v-if="store.id"
      :to="{ name: 'techniques', params: { build: store.id } }"
      title="Techniques and words"
    />
    <v-list-item
      v-if="store.id && !me.isHelper"
      :to="{ name: 'shopping', params: { build: store.id } }"
      title="Shopping list"
    />
    <v-list-item v-if="store.id && !me.isHelper" :href="api.fileUrl(store.id)" title="Save as a build file" />
    <v-list-item
      v-if="store.id && !me.isHelper"
      :href="api.archiveUrl(store.id)"
      title="Save with photos and readings"
    />
    <template v-for="setting in settings" :key="setting.title">
      <v-divider />
      <v-list-subheader><v-icon :icon="setting.icon" size="16" /> {{ setting.title }}</v-list-subheader>
      <v-list-item
        v-for="choice in setting.choices"
        :key="choice.words"
        :title="choice.words"
        :active="choice.isSet"
        @click="choice.set()"
      />
    </template>
  </v-list>
</template>
