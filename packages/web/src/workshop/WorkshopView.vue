<script setup lang="ts">
import {
  toolCount,
  toolTable,
  tools,
  type Build,
  type BuildEvent,
  type Fault,
  type Person,
  type Place,
  type Tool,
} from '@fixatum/core';
import { mdiPlus } from '@mdi/js';
import { computed, ref, watch } from 'vue';
import { api, ApiProblem, faultsOf } from '../shared/api';
import BackupsPanel from './BackupsPanel.vue';
import OfBuildPanel from './OfBuildPanel.vue';
import WorkshopHead from './WorkshopHead.vue';
import DatesEditor from './DatesEditor.vue';
import DevicesPanel from './DevicesPanel.vue';
import PeopleEditor from './PeopleEditor.vue';
import PlaceEditor from './PlaceEditor.vue';
import { freshId } from './freshId';
import NumberField from '../shared/NumberField.vue';
import TimeField from '../shared/TimeField.vue';
import { plain } from '../shared/offThread/workerLink';
import { useBuild } from '../shared/build';
import { useHeld } from '../shared/unsaved';
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
  tools: Record<Tool, number | undefined>;
}
const draft = ref<Draft>();
const seen = ref<string>();
const faults = ref<Fault[]>([]);
const saving = ref(false);

function draftOf(build: Build): Draft {
  const { name, start, events, people, places, quiet, tools: counts } = plain(build);
  return {
    name,
    start,
    events,
    people,
    places,
    quiet: quiet ? { on: true, from: quiet.from, to: quiet.to } : { on: false, from: '21:00', to: '08:00' },
    tools: { airbrush: toolCount(counts, 'airbrush'), 'heat-gun': toolCount(counts, 'heat-gun') },
  };
}
const clean = ref('');
const changed = computed(() => draft.value !== undefined && JSON.stringify(draft.value) !== clean.value);
useHeld(changed);
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

async function save(): Promise<void> {
  const form = draft.value;
  if (!form) return;
  saving.value = true;
  faults.value = [];
  try {
    await store.attempt(
      () =>
        api.patchBuild(
          store.theId,
          {
            name: form.name.trim(),
            start: form.start,
            events: form.events.map((event) => ({
              ...event,
              packAt: event.packAt || undefined,
            })),
            people: form.people,
            places: form.places,
            tools: form.tools,
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
    <WorkshopHead />
    <div class="columns">
      <div>
        <PeopleEditor v-model="draft.people" :from="draft.start.slice(0, 10)" />
        <div class="quiet-hours">
          <v-checkbox v-model="draft.quiet.on" label="Quiet hours: no compressor, no sanding" />
          <template v-if="draft.quiet.on">
            <TimeField v-model="draft.quiet.from" label="From" density="compact" />
            <TimeField v-model="draft.quiet.to" label="To" density="compact" />
          </template>
        </div>
        <section v-if="draft.people.length > 1" aria-labelledby="tools-title" class="tools">
          <h2 id="tools-title">Tools</h2>
          <p class="quiet">Each is in one pair of hands at a time.</p>
          <div class="counts">
            <NumberField
              v-for="tool in tools"
              :key="tool"
              v-model="draft.tools[tool]"
              :label="toolTable[tool].label"
              :min="1"
              :max="20"
              :step="1"
            />
          </div>
        </section>
        <DatesEditor v-model="draft" />
        <OfBuildPanel />
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
              id: freshId('place', draft.places),
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
    <div class="columns">
      <DevicesPanel />
      <BackupsPanel />
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

.quiet-hours {
  display: grid;
  grid-template-columns: 1fr 128px 128px;
  gap: 8px;
  align-items: center;
  margin: 16px 0 32px;
}

.tools .counts {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
  margin-top: 8px;
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

@media (max-width: 1220px) {
  .quiet-hours {
    grid-template-columns: 1fr 1fr;
  }

  .quiet-hours > :first-child {
    grid-column: 1 / -1;
  }
}
</style>
