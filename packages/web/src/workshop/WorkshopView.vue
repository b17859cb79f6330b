<script setup lang="ts">
import {
  idFromName,
  weekdays,
  type Build,
  type BuildEvent,
  type Fault,
  type Person,
  type Place,
  type Weekday,
} from '@fixatum/core';
import { mdiClose, mdiPlus } from '@mdi/js';
import { computed, ref, watch } from 'vue';
import { api, ApiProblem, faultsOf } from '../shared/api';
import DateField from '../shared/DateField.vue';
import MomentField from '../shared/MomentField.vue';
import PlaceEditor from './PlaceEditor.vue';
import TimeField from '../shared/TimeField.vue';
import { plain } from '../shared/work/workerLink';
import { useBuild } from '../shared/build';
import FaultList from '../shared/FaultList.vue';

/** Who works when, where, in what air, and for which dates. */
const store = useBuild();
interface Draft {
  name: string;
  start: string;
  events: BuildEvent[];
  people: Person[];
  places: Place[];
  quiet: { on: boolean; from: string; to: string };
}
const draft = ref<Draft>();
const seen = ref<string>();
const faults = ref<Fault[]>([]);
const saving = ref(false);

function draftOf(build: Build): Draft {
  const { name, start, events, people, places, quiet } = plain(build);
  return {
    name,
    start,
    events,
    people,
    places,
    quiet: quiet ? { on: true, from: quiet.from, to: quiet.to } : { on: false, from: '21:00', to: '08:00' },
  };
}
const clean = ref('');
const changed = computed(() => draft.value !== undefined && JSON.stringify(draft.value) !== clean.value);
function reset(): void {
  if (!store.build) return;
  draft.value = draftOf(store.build);
  clean.value = JSON.stringify(draft.value);
  seen.value = store.etag;
  faults.value = [];
}
// What comes in from elsewhere is taken only while nothing is being typed here.
watch(
  () => store.build,
  () => {
    if (!changed.value) reset();
  },
  { immediate: true },
);

const dayWords: Record<Weekday, string> = {
  mon: 'Mon',
  tue: 'Tue',
  wed: 'Wed',
  thu: 'Thu',
  fri: 'Fri',
  sat: 'Sat',
  sun: 'Sun',
};
const fresh = (stem: string, list: { id: string }[]) =>
  idFromName(
    stem,
    list.map((one) => one.id),
  );
function toggleDay(days: Weekday[], day: Weekday): Weekday[] {
  const next = days.includes(day) ? days.filter((one) => one !== day) : [...days, day];
  return weekdays.filter((one) => next.includes(one));
}
function addDayOff(person: Person): void {
  person.exceptions = [...(person.exceptions ?? []), { date: draft.value!.start.slice(0, 10), windows: [] }];
}

async function save(): Promise<void> {
  const form = draft.value;
  if (!form) return;
  saving.value = true;
  faults.value = [];
  try {
    await store.attempt(
      () =>
        api.patchBuild(
          store.id!,
          {
            name: form.name.trim(),
            start: form.start,
            events: form.events.map((event) => ({
              ...event,
              packAt: event.packAt || undefined,
            })),
            people: form.people,
            places: form.places,
            quiet: form.quiet.on ? { from: form.quiet.from, to: form.quiet.to } : null,
          },
          seen.value,
        ),
      'Workshop saved',
    );
    reset();
    void store.loadReadings();
  } catch (error) {
    if (error instanceof ApiProblem && error.status === 412)
      faults.value = [
        {
          code: 'changed',
          path: [],
          message:
            'The build was changed elsewhere meanwhile. Press “Start over” to see it, or save again to keep yours.',
        },
      ];
    else faults.value = faultsOf(error);
    if (error instanceof ApiProblem && error.status === 412) seen.value = error.etag;
  } finally {
    saving.value = false;
  }
}
</script>

<template>
  <form v-if="store.build && draft" class="page" novalidate @submit.prevent="save">
    <h1>Workshop</h1>
    <div class="columns">
      <div>
        <section aria-labelledby="dates-title">
          <h2 id="dates-title">Dates</h2>
          <div class="pair">
            <v-text-field v-model="draft.name" label="Build" maxlength="120" />
            <MomentField v-model="draft.start" label="Nothing before" />
          </div>
          <div v-for="(event, at) in draft.events" :key="event.id" class="card">
            <div class="with-x">
              <v-text-field v-model="event.name" label="What for" maxlength="120" />
              <v-btn
                :icon="mdiClose"
                variant="text"
                :aria-label="`Remove ${event.name}`"
                @click="draft.events.splice(at, 1)"
              />
            </div>
            <div class="pair">
              <MomentField v-model="event.packAt" label="Packed by, if packed" usual-time="18:00" clearable />
              <MomentField v-model="event.wearAt" label="Worn on" />
            </div>
          </div>
          <v-btn
            size="small"
            :prepend-icon="mdiPlus"
            @click="
              draft.events.push({ id: fresh('date', draft.events), name: 'A date', wearAt: draft.start })
            "
            >A date</v-btn
          >
        </section>

        <section aria-labelledby="people-title">
          <h2 id="people-title">People</h2>
          <p v-if="draft.people.length === 0" class="quiet">
            Nobody works here yet, so nothing can be planned.
          </p>
          <div v-for="(person, at) in draft.people" :key="person.id" class="card">
            <div class="with-x">
              <v-text-field v-model="person.name" label="Name" maxlength="120" />
              <v-btn
                :icon="mdiClose"
                variant="text"
                :aria-label="`Remove ${person.name}`"
                @click="draft.people.splice(at, 1)"
              />
            </div>
            <div v-for="(rule, n) in person.availability" :key="n" class="rule">
              <div class="days" role="group" :aria-label="`Days of ${person.name}, line ${n + 1}`">
                <button
                  v-for="day in weekdays"
                  :key="day"
                  type="button"
                  :aria-pressed="rule.days.includes(day)"
                  @click="rule.days = toggleDay(rule.days, day)"
                >
                  {{ dayWords[day] }}
                </button>
              </div>
              <TimeField v-model="rule.from" label="From" density="compact" />
              <TimeField v-model="rule.to" label="To" density="compact" />
              <v-btn
                :icon="mdiClose"
                size="small"
                variant="text"
                :aria-label="`Remove line ${n + 1} of ${person.name}`"
                @click="person.availability.splice(n, 1)"
              />
            </div>
            <div v-for="(exception, n) in person.exceptions ?? []" :key="`x${n}`" class="rule day">
              <DateField v-model="exception.date" label="Only that day" density="compact" />
              <template v-if="exception.windows[0]">
                <TimeField v-model="exception.windows[0].from" label="From" density="compact" />
                <TimeField v-model="exception.windows[0].to" label="To" density="compact" />
              </template>
              <span v-else class="quiet off">no time at all</span>
              <v-btn
                size="small"
                variant="text"
                @click="exception.windows = exception.windows[0] ? [] : [{ from: '19:00', to: '22:00' }]"
                >{{ exception.windows[0] ? 'Day off' : 'Some hours' }}</v-btn
              >
              <v-btn
                :icon="mdiClose"
                size="small"
                variant="text"
                :aria-label="`Remove that day of ${person.name}`"
                @click="person.exceptions!.splice(n, 1)"
              />
            </div>
            <div class="foot">
              <v-btn
                size="small"
                :prepend-icon="mdiPlus"
                @click="person.availability.push({ days: ['sat'], from: '10:00', to: '18:00' })"
                >Hours</v-btn
              >
              <v-btn size="small" variant="text" @click="addDayOff(person)">A day that differs</v-btn>
            </div>
          </div>
          <v-btn
            size="small"
            :prepend-icon="mdiPlus"
            @click="
              draft.people.push({
                id: fresh('person', draft.people),
                name: 'Somebody',
                availability: [{ days: ['sat'], from: '10:00', to: '18:00' }],
              })
            "
            >A person</v-btn
          >
          <div class="quiet-hours">
            <v-checkbox v-model="draft.quiet.on" label="Quiet hours: no compressor, no sanding" />
            <template v-if="draft.quiet.on">
              <TimeField v-model="draft.quiet.from" label="From" density="compact" />
              <TimeField v-model="draft.quiet.to" label="To" density="compact" />
            </template>
          </div>
        </section>
      </div>

      <section aria-labelledby="places-title">
        <h2 id="places-title">Places and their air</h2>
        <PlaceEditor
          v-for="(place, at) in draft.places"
          :key="place.id"
          v-model="draft.places[at]!"
          :saved="!changed"
          @remove="draft.places.splice(at, 1)"
        />
        <v-btn
          size="small"
          :prepend-icon="mdiPlus"
          @click="
            draft.places.push({
              id: fresh('place', draft.places),
              name: 'A place',
              ventilation: 'window',
              slots: 4,
              climate: { kind: 'constant', temperatureC: 20, humidityPct: 50 },
            })
          "
          >A place</v-btn
        >
      </section>
    </div>
    <div class="save" :class="{ on: changed || faults.length > 0 }">
      <FaultList :faults="faults" :within="draft" />
      <v-btn type="submit" variant="flat" color="primary" size="large" :loading="saving" :disabled="!changed"
        >Save the workshop</v-btn
      >
      <v-btn variant="text" size="large" :disabled="!changed" @click="reset">Start over</v-btn>
    </div>
  </form>
  <div v-else class="page quiet">Opening the build…</div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 56px;
  margin-top: 12px;
}

section {
  margin-bottom: 32px;
}

section > h2 {
  margin-bottom: 10px;
}

.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
  margin-bottom: 10px;
}

.card {
  padding: 12px 0 14px;
  border-top: 1px solid var(--line);
}

.with-x {
  display: grid;
  grid-template-columns: 1fr 44px;
  gap: 8px;
  align-items: center;
  margin-bottom: 10px;
}

.rule {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 128px 128px 40px;
  gap: 8px;
  align-items: center;
  margin-bottom: 8px;
}

.rule.day {
  grid-template-columns: 160px 1fr 1fr auto 40px;
}

.off {
  grid-column: span 2;
}

.days {
  display: flex;
}

.days button {
  flex: 1;
  min-width: 0;
  min-height: 40px;
  border: 1px solid var(--line);
  margin-left: -1px;
  font-size: 0.9rem;
}

.days button[aria-pressed='true'] {
  background: rgb(var(--v-theme-primary));
  color: rgb(var(--v-theme-on-primary));
}

.foot {
  display: flex;
  gap: 10px;
}

.quiet-hours {
  display: grid;
  grid-template-columns: 1fr 128px 128px;
  gap: 8px;
  align-items: center;
  margin-top: 16px;
}

.save {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  padding: 14px 0;
  border-top: 1px solid var(--line);
}

.save.on {
  position: sticky;
  bottom: 0;
  background: rgb(var(--v-theme-background));
  z-index: 5;
}

.faults {
  width: 100%;
  padding: 8px 14px 8px 26px;
  border-left: 4px solid rgb(var(--v-theme-error));
}

@media (max-width: 1000px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
    gap: 0;
  }

  .save.on {
    bottom: 56px;
  }
}

@media (max-width: 640px) {
  .pair {
    grid-template-columns: minmax(0, 1fr);
  }

  .rule {
    grid-template-columns: 1fr 1fr 40px;
  }

  .rule.day {
    grid-template-columns: 1fr 1fr auto 40px;
  }

  .rule.day > :first-child {
    grid-column: 1 / -1;
  }

  .days {
    grid-column: 1 / -1;
  }
}
</style>
