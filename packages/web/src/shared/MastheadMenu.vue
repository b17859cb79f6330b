<script setup lang="ts">
import { mdiClockOutline, mdiRuler, mdiThemeLightDark } from '@mdi/js';
import { nextTick } from 'vue';
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
const lights = [
  { value: 'auto', title: 'Dim at the bench, else as the device' },
  { value: 'paper', title: 'Paper everywhere' },
  { value: 'workshop', title: 'Dim everywhere' },
] as const;
const clocks = [
  { value: 'auto', title: 'As the device' },
  { value: '24', title: '19:30' },
  { value: '12', title: '7:30 pm' },
] as const;
function goBy(clock: ClockChoice): void {
  appearance.clock = clock;
  // What has been said is said anew.
  void nextTick(() => window.location.reload());
}
const unitSystems = [
  { value: 'metric', title: 'Millimetres, ml, °C' },
  { value: 'imperial', title: 'Inches, fl oz, °F' },
] as const;
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
    <v-divider />
    <v-list-subheader><v-icon :icon="mdiThemeLightDark" size="16" /> Light</v-list-subheader>
    <v-list-item
      v-for="light in lights"
      :key="light.value"
      :title="light.title"
      :active="appearance.light === light.value"
      @click="appearance.light = light.value"
    />
    <v-divider />
    <v-list-subheader><v-icon :icon="mdiRuler" size="16" /> Fields measure in</v-list-subheader>
    <v-list-item
      v-for="system in unitSystems"
      :key="system.value"
      :title="system.title"
      :active="appearance.units === system.value"
      @click="appearance.units = system.value"
    />
    <v-divider />
    <v-list-subheader><v-icon :icon="mdiClockOutline" size="16" /> Clock</v-list-subheader>
    <v-list-item
      v-for="clock in clocks"
      :key="clock.value"
      :title="clock.title"
      :active="appearance.clock === clock.value"
      @click="goBy(clock.value)"
    />
  </v-list>
</template>
