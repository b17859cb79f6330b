<script setup lang="ts">
import {
  BUILD_FORMAT,
  climateZones,
  climateZoneTable,
  firstAvailability,
  firstPlaces,
  halfOf,
  inWorkshop,
  messageOf,
  toEpochMinute,
  type Build,
  type ClimateZone,
  type Half,
  type SprayPlace,
} from '@fixatum/core';
import { DateTime } from 'luxon';
import { computed, ref, watch } from 'vue';
import { faultPlace } from '../shared/faultPlace';
import AppDialog from '../shared/AppDialog.vue';
import { api, ApiProblem, type WorkshopSummary } from '../shared/api';
import { useClock } from '../shared/clock';
import DateField from '../shared/DateField.vue';
import { vFocusFirst } from '../shared/focusFirst';

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
const weekdays = ref(false);
/** A question that is skipped: what is usual is assumed, and said to be. */
const LATER = 'later';
const spray = ref<SprayPlace | typeof LATER>(LATER);
const climate = ref<ClimateZone | typeof LATER>(LATER);
const half = ref<Half>('north');
const sprayItems = [
  { value: LATER, title: 'Skip: outside is assumed' },
  { value: 'outside', title: 'Outside: a porch, balcony or yard' },
  { value: 'booth', title: 'Indoors, with extraction' },
  { value: 'nowhere', title: 'Nowhere: brushes only' },
];
const climateItems = [
  { value: LATER, title: 'Skip: mild is assumed' },
  ...climateZones.map((value) => ({ value, title: climateZoneTable[value].word })),
];
const halfItems = [
  { value: 'north', title: 'northern half' },
  { value: 'south', title: 'southern half' },
];
const problem = ref('');
const saving = ref(false);

watch(
  open,
  (isOpen) => {
    if (!isOpen) return;
    // Where most is made already.
    into.value = [...workshops].sort((a, b) => b.builds.length - a.builds.length)[0]?.id ?? NEW;
    const zone = timeZone.value;
    half.value = halfOf(zone, clock.now(zone));
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
        availability: firstAvailability({
          evenings: evenings.value,
          weekends: weekends.value,
          weekdays: weekdays.value,
        }),
      },
    ],
    places: firstPlaces(
      {
        outside: climate.value === LATER ? undefined : { zone: climate.value, half: half.value },
        spray: spray.value === LATER ? undefined : spray.value,
      },
      half.value,
    ),
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
        <v-text-field v-model="name" v-focus-first label="What is it called?" maxlength="120" class="mb-4" />
        <DateField v-model="wearDay" label="Worn on" class="mb-2" />
        <v-checkbox v-model="packed" label="Packed by 18:00 the day before" />
        <v-select v-if="workshops.length > 0" v-model="into" :items="items" label="Made in" class="mt-4" />
        <p v-if="chosen" class="mt-2 quiet">
          With {{ [...chosen.people, ...chosen.places].join(', ') }}, its shelf and all that was learned
          there.
        </p>
        <template v-else>
          <p class="mt-4 mb-1">When are you free?</p>
          <v-checkbox v-model="evenings" label="Weekday evenings, 19:00 to 22:00" />
          <v-checkbox v-model="weekends" label="Weekends, 10:00 to 18:00" />
          <v-checkbox v-model="weekdays" label="Weekdays in daytime, 9:00 to 17:00" />
          <v-select v-model="spray" :items="sprayItems" label="Where can you spray?" class="mt-4" />
          <div v-if="spray === 'outside' || spray === LATER" class="outside">
            <v-select v-model="climate" :items="climateItems" label="What is it like outside?" />
            <v-select v-model="half" :items="halfItems" label="Which half of the globe?" />
          </div>
          <p class="small quiet mt-1">
            Outside has the air and daylight of the month until you measure. All of this can be changed later,
            in the Workshop.
          </p>
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
.outside {
  display: grid;
  grid-template-columns: 1.4fr 1fr;
  gap: 10px;
  margin-top: 14px;
}

.problem {
  color: rgb(var(--v-theme-error));
  font-weight: 600;
}
</style>
