<script setup lang="ts">
import { BUILD_FORMAT, inWorkshop, toEpochMinute, type Build, messageOf } from '@fixatum/core';
import { DateTime } from 'luxon';
import { computed, ref, watch } from 'vue';
import { faultPlace } from '../shared/faultPlace';
import AppDialog from '../shared/AppDialog.vue';
import { api, ApiProblem, type WorkshopSummary } from '../shared/api';
import { useClock } from '../shared/clock';
import DateField from '../shared/DateField.vue';

/** Asks for the little a new build needs: a name and the day it is worn; and, where there is no workshop yet, when there is time for it. */
const open = defineModel<boolean>({ required: true });
const { workshops } = defineProps<{ workshops: WorkshopSummary[] }>();
const emit = defineEmits<{ made: [id: string] }>();
const clock = useClock();

/** The workshop it is made in; none for a new one. */
const NEW = '';
const into = ref(NEW);
const chosen = computed(() => workshops.find(({ id }) => id === into.value));
const items = computed(() => [
  ...workshops.map(({ id, name: title }) => ({ value: id, title })),
  { value: NEW, title: 'A new one' },
]);
const timeZone = computed(() => chosen.value?.timeZone ?? Intl.DateTimeFormat().resolvedOptions().timeZone);
const name = ref('');
const wearDay = ref('');
const packed = ref(true);
const evenings = ref(true);
const weekends = ref(true);
const problem = ref('');
const saving = ref(false);

watch(
  open,
  (isOpen) => {
    if (!isOpen) return;
    // Where most is made already.
    into.value = [...workshops].sort((a, b) => b.builds.length - a.builds.length)[0]?.id ?? NEW;
    const zone = timeZone.value;
    const today = DateTime.fromMillis(clock.now(zone) * 60_000, { zone });
    name.value = '';
    problem.value = '';
    wearDay.value = today.plus({ days: 21 }).toFormat('yyyy-MM-dd');
  },
  { immediate: true },
);

const dayBefore = computed(() => DateTime.fromISO(wearDay.value).minus({ days: 1 }).toFormat('yyyy-MM-dd'));

async function make(): Promise<void> {
  problem.value = '';
  if (name.value.trim() === '') {
    problem.value = 'Give the build a name, such as the costume’s.';
    return;
  }
  const wearAt = `${wearDay.value}T09:00`;
  const zone = timeZone.value;
  const minute = toEpochMinute(wearAt, zone);
  if (minute === undefined) {
    problem.value = 'Choose the day it is worn.';
    return;
  }
  const now = DateTime.fromMillis(clock.now(zone) * 60_000, { zone });
  if (minute <= clock.now(zone)) {
    problem.value = 'That day has passed; choose one to come.';
    return;
  }
  const build: Build = {
    format: BUILD_FORMAT,
    name: name.value.trim(),
    timeZone: zone,
    start: now.toFormat("yyyy-MM-dd'T'HH:mm"),
    events: [
      { id: 'day', name: 'The day', wearAt, ...(packed.value ? { packAt: `${dayBefore.value}T18:00` } : {}) },
    ],
    people: [
      {
        id: 'me',
        name: 'Me',
        availability: [
          ...(evenings.value
            ? [{ days: ['mon', 'tue', 'wed', 'thu', 'fri'] as const, from: '19:00', to: '22:00' }]
            : []),
          ...(weekends.value ? [{ days: ['sat', 'sun'] as const, from: '10:00', to: '18:00' }] : []),
        ].map((rule) => ({ ...rule, days: [...rule.days] })),
      },
    ],
    places: [
      {
        id: 'room',
        name: 'Room',
        ventilation: 'window',
        slots: 6,
        climate: { kind: 'constant', temperatureC: 20, humidityPct: 50 },
      },
      {
        id: 'outside',
        name: 'Outside',
        ventilation: 'outdoor',
        slots: 4,
        climate: { kind: 'constant', temperatureC: 18, humidityPct: 60 },
        hours: { from: '09:00', to: '19:00' },
      },
    ],
    pieces: [],
  };
  saving.value = true;
  try {
    const there = chosen.value && (await api.workshop(chosen.value.id));
    const made = there
      ? await api.createBuild(JSON.stringify(inWorkshop(build, there.workshop)), {
          id: there.id,
          version: there.version,
        })
      : await api.createBuild(JSON.stringify(build));
    open.value = false;
    emit('made', made.id);
  } catch (error) {
    problem.value =
      error instanceof ApiProblem && error.faults.length > 0
        ? error.faults.map(({ path, message }) => `${faultPlace(path, undefined)}: ${message}`).join(' ')
        : messageOf(error);
  } finally {
    saving.value = false;
  }
}
</script>

<template>
  <AppDialog v-model="open" asks max-width="520">
    <v-card class="pa-6">
      <h2 class="mb-4">New build</h2>
      <form @submit.prevent="make">
        <v-text-field v-model="name" label="What is it called?" maxlength="120" autofocus class="mb-4" />
        <DateField v-model="wearDay" label="Worn on" class="mb-2" />
        <v-checkbox v-model="packed" label="Packed by 18:00 the day before" />
        <v-select v-if="workshops.length > 0" v-model="into" :items="items" label="Made in" class="mt-4" />
        <p v-if="chosen" class="mt-2 quiet">
          With {{ [...chosen.people, ...chosen.places].join(', ') }}, its shelf and all that was learned
          there.
        </p>
        <template v-else>
          <p class="mt-4 mb-1">When is there time for it?</p>
          <v-checkbox v-model="evenings" label="Weekday evenings, 19:00 to 22:00" />
          <v-checkbox v-model="weekends" label="Weekends, 10:00 to 18:00" />
        </template>
        <p v-if="problem" class="problem mt-3" role="alert">{{ problem }}</p>
        <div class="d-flex ga-3 mt-5">
          <v-btn type="submit" variant="flat" color="primary" :loading="saving">Make it</v-btn>
          <v-btn variant="text" @click="open = false">Not now</v-btn>
        </div>
      </form>
    </v-card>
  </AppDialog>
</template>

<style scoped>
.problem {
  color: rgb(var(--v-theme-error));
  font-weight: 600;
}
</style>
