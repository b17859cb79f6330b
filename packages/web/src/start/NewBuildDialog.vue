<script setup lang="ts">
import { BUILD_FORMAT, pathText, toEpochMinute, type Build, messageOf } from '@fixatum/core';
import { DateTime } from 'luxon';
import { computed, ref, watch } from 'vue';
import { api, ApiProblem } from '../shared/api';
import { useClock } from '../shared/clock';
import DateField from '../shared/DateField.vue';

/** Asks for the little a new build needs: a name, the day it is worn, and when there is time for it. */
const open = defineModel<boolean>({ required: true });
const emit = defineEmits<{ made: [id: string] }>();
const clock = useClock();

const timeZone = Intl.DateTimeFormat().resolvedOptions().timeZone;
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
    const today = DateTime.fromMillis(clock.now(timeZone) * 60_000, { zone: timeZone });
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
  const minute = toEpochMinute(wearAt, timeZone);
  if (minute === undefined) {
    problem.value = 'Choose the day it is worn.';
    return;
  }
  const now = DateTime.fromMillis(clock.now(timeZone) * 60_000, { zone: timeZone });
  if (minute <= clock.now(timeZone)) {
    problem.value = 'That day has passed; choose one to come.';
    return;
  }
  const build: Build = {
    format: BUILD_FORMAT,
    name: name.value.trim(),
    timeZone,
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
    const made = await api.createBuild(JSON.stringify(build));
    open.value = false;
    emit('made', made.id);
  } catch (error) {
    problem.value =
      error instanceof ApiProblem && error.faults.length > 0
        ? error.faults.map((fault) => `${pathText(fault.path)}: ${fault.message}`).join(' ')
        : messageOf(error);
  } finally {
    saving.value = false;
  }
}
</script>

<template>
  <v-dialog v-model="open" max-width="520">
    <v-card class="pa-6">
      <h2 class="mb-4">New build</h2>
      <form @submit.prevent="make">
        <v-text-field v-model="name" label="What is it called?" maxlength="120" autofocus class="mb-4" />
        <DateField v-model="wearDay" label="Worn on" class="mb-2" />
        <v-checkbox v-model="packed" label="Packed by 18:00 the day before" />
        <p class="mt-4 mb-1">When is there time for it?</p>
        <v-checkbox v-model="evenings" label="Weekday evenings, 19:00 to 22:00" />
        <v-checkbox v-model="weekends" label="Weekends, 10:00 to 18:00" />
        <p v-if="problem" class="problem mt-3" role="alert">{{ problem }}</p>
        <div class="d-flex ga-3 mt-5">
          <v-btn type="submit" variant="flat" color="primary" :loading="saving">Make it</v-btn>
          <v-btn variant="text" @click="open = false">Not now</v-btn>
        </div>
      </form>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.problem {
  color: rgb(var(--v-theme-error));
  font-weight: 600;
}
</style>
