<script setup lang="ts">
import {
  compareLogged,
  editWords,
  epochMinute,
  filmGrades,
  filmWords,
  nth,
  sayMoment,
  stepAsLogged,
  toEpochMinute,
  toLoggedTime,
  type EntryChange,
  type Fault,
  type FilmGrade,
  type JournalEdit,
  type LogEntry,
} from '@fixatum/core';
import { mdiDeleteOutline } from '@mdi/js';
import { computed, reactive, ref, watch } from 'vue';
import AppDialog from '../shared/AppDialog.vue';
import DialogFoot from '../shared/DialogFoot.vue';
import FaultList from '../shared/FaultList.vue';
import MomentField from '../shared/MomentField.vue';
import NumberField from '../shared/NumberField.vue';
import PhotoField from '../shared/PhotoField.vue';
import { api, faultsOf } from '../shared/api';
import { useBuild } from '../shared/build';
import { useMaterials } from '../shared/materials';
import { unitName } from '../shared/words';

/** Puts right what was logged: of some entries together what they have in common, or takes some of them out. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ ids: readonly string[] }>();
const store = useBuild();
const materials = useMaterials();

const entries = computed((): LogEntry[] =>
  (store.build?.log ?? []).filter(({ id }) => props.ids.includes(id)),
);
const first = computed(() => [...entries.value].sort((a, b) => compareLogged(a.doneAt, b.doneAt))[0]);
const piece = computed(() => store.build?.pieces.find(({ id }) => id === first.value?.piece));
const step = computed(() => {
  const own = piece.value?.steps.find(({ id }) => id === first.value?.step);
  return own && first.value ? stepAsLogged(own, first.value, materials.known) : undefined;
});
const material = computed(() => materials.known.get(step.value?.material ?? ''));

interface EntryForm {
  doneAt: string;
  startedAt: string;
  unit: number;
  film: FilmGrade | '';
  material: string;
  place: string;
  temperatureC: number | undefined;
  humidityPct: number | undefined;
  failed: boolean;
  photo: string | undefined;
  note: string;
}
const formOf = (): EntryForm => ({
  doneAt: first.value?.doneAt ?? '',
  startedAt: first.value?.startedAt ?? '',
  unit: first.value?.unit ?? 1,
  film: material.value ? (step.value?.film ?? 'normal') : '',
  material: step.value?.material ?? '',
  place: step.value?.place ?? '',
  temperatureC: first.value?.temperatureC,
  humidityPct: first.value?.humidityPct,
  failed: first.value?.outcome === 'failed',
  photo: first.value?.photo,
  note: first.value?.note ?? '',
});
const form = reactive<EntryForm>(formOf());
let before = formOf();
/** Those that the change is for; the others stay as they are. */
const meant = ref<string[]>([]);
const faults = ref<Fault[]>([]);
const saving = ref(false);
/** A time that is still to come is asked about once. */
const sureOf = ref('');

watch(
  open,
  (isOpen) => {
    if (!isOpen) return;
    before = formOf();
    Object.assign(form, before);
    meant.value = [...props.ids];
    faults.value = [];
    sureOf.value = '';
  },
  { immediate: true },
);

const isOne = computed(() => entries.value.length === 1);
const units = computed(() => Array.from({ length: piece.value?.quantity ?? 1 }, (_, n) => n + 1));
const momentOf = (wall: string): string =>
  sayMoment(epochMinute(wall, store.theBuild.timeZone), store.theBuild.timeZone);
const sameMoment = computed(() => new Set(entries.value.map(({ doneAt }) => doneAt)).size < 2);
/** Which unit, and of a step with several coats at several times which coat and when. */
const nameOf = (entry: LogEntry) =>
  [
    unitName(store.build, entry.piece, entry.unit),
    ...((step.value?.coats ?? 1) > 1 ? [`coat ${entry.coat}`] : []),
    ...(entry.face === 'inner' ? ['inner face'] : []),
    ...(sameMoment.value ? [] : [momentOf(entry.doneAt)]),
  ].join(', ');
const materialItems = computed(() =>
  [...materials.known.values()]
    .filter(({ role }) => role === material.value?.role)
    .map(({ id, name }) => ({ value: id, title: name })),
);
const filmItems = filmGrades.map((value) => ({ value, title: filmWords[value] }));
const placeItems = computed(() => [
  ...(step.value?.place ? [] : [{ value: '', title: 'where it was planned' }]),
  ...(store.build?.places ?? []).map(({ id, name }) => ({ value: id, title: name })),
]);
const history = computed(() =>
  entries.value.flatMap((entry) =>
    (entry.edits ?? []).map((edit) => ({
      key: `${entry.id} ${edit.at}`,
      text: `${isOne.value ? '' : `${nameOf(entry)}: `}until ${momentOf(edit.at)}${edit.by ? ` (${edit.by})` : ''} it said ${editWords(edit, { build: store.theBuild, materials: materials.known })}`,
    })),
  ),
);

/** What of the form differs from how it opened; only that is put on the entries. */
function changeMade(): EntryChange {
  const set: EntryChange = {};
  const differs = (key: keyof EntryForm) => form[key] !== before[key];
  if (differs('doneAt')) set.doneAt = form.doneAt;
  if (differs('startedAt')) set.startedAt = form.startedAt === '' ? null : form.startedAt;
  if (differs('unit')) set.unit = form.unit;
  if (differs('film') && form.film !== '') set.film = form.film;
  if (differs('material')) set.material = form.material;
  if (differs('place')) set.place = form.place === '' ? null : form.place;
  if (differs('temperatureC')) set.temperatureC = form.temperatureC ?? null;
  if (differs('humidityPct')) set.humidityPct = form.humidityPct ?? null;
  if (differs('failed')) set.outcome = form.failed ? 'failed' : null;
  if (differs('photo')) set.photo = form.photo ?? null;
  if (differs('note')) set.note = form.note.trim() === '' ? null : form.note.trim();
  return set;
}

async function send(edit: JournalEdit, said: string): Promise<void> {
  saving.value = true;
  faults.value = [];
  try {
    if (await store.attempt(() => api.editJournal(store.theId, edit, store.etag), said)) open.value = false;
  } catch (error) {
    faults.value = faultsOf(error);
  } finally {
    saving.value = false;
  }
}

async function save(): Promise<void> {
  const set = changeMade();
  if (meant.value.length === 0) {
    faults.value = [{ code: 'none', path: [], message: 'Tick at least one that it is about.' }];
    return;
  }
  if (Object.keys(set).length === 0) {
    open.value = false;
    return;
  }
  const at = toEpochMinute(form.doneAt.slice(0, 16), store.theBuild.timeZone);
  if (at === undefined) {
    faults.value = [{ code: 'time', path: ['doneAt'], message: 'That time does not exist.' }];
    return;
  }
  if (at > store.now + 1 && sureOf.value !== form.doneAt) {
    sureOf.value = form.doneAt;
    faults.value = [
      {
        code: 'future',
        path: ['doneAt'],
        message: `${sayMoment(at, store.theBuild.timeZone)} is still to come. Save again if it is right all the same.`,
      },
    ];
    return;
  }
  const { doneAt: _doneAt, ...rest } = set;
  const { timeZone } = store.theBuild;
  const by = set.doneAt === undefined ? 0 : at - epochMinute(before.doneAt, timeZone);
  // What was done one after the other stays so: all of it is moved by as much as the first.
  const setOf = ({ doneAt }: LogEntry): EntryChange =>
    by === 0 || sameMoment.value
      ? set
      : { ...rest, doneAt: toLoggedTime(epochMinute(doneAt, timeZone) + by, timeZone) };
  const chosen = entries.value.filter(({ id }) => meant.value.includes(id));
  await send(
    { entries: chosen.map((entry) => ({ id: entry.id, set: setOf(entry) })) },
    'Put right in the journal',
  );
}

const takeOut = () => send({ remove: [...meant.value] }, `Taken out of the journal: ${meant.value.length}`);
</script>

<template>
  <AppDialog v-model="open" asks max-width="600" scrollable>
    <v-card v-if="first">
      <v-card-text class="pa-6">
        <h2 class="mb-1">Put right what was logged</h2>
        <p class="quiet mb-4">
          {{ isOne ? nameOf(nth(entries, 0)) : `${entries.length} of a batch` }}. The plan, the tins and the
          findings follow.
        </p>
        <form id="entry-form" class="form-grid" novalidate @submit.prevent="save">
          <fieldset v-if="!isOne" class="wide units">
            <legend class="small">It is about</legend>
            <v-checkbox
              v-for="entry in entries"
              :key="entry.id"
              v-model="meant"
              :value="entry.id"
              :label="nameOf(entry)"
              density="compact"
              hide-details
            />
          </fieldset>
          <v-select
            v-else-if="units.length > 1"
            v-model="form.unit"
            label="Which of the set"
            :items="units.map((value) => ({ value, title: `${value} of ${units.length}` }))"
          />
          <MomentField
            v-model="form.doneAt"
            class="wide"
            :label="sameMoment ? 'Done on' : 'The first done on'"
          />
          <MomentField v-if="sameMoment" v-model="form.startedAt" class="wide" label="Begun on" clearable />
          <v-select v-if="material" v-model="form.film" label="How thick" :items="filmItems" />
          <v-select v-if="material" v-model="form.material" label="Which tin" :items="materialItems" />
          <v-select v-if="placeItems.length > 1" v-model="form.place" label="Where" :items="placeItems" />
          <NumberField v-model="form.temperatureC" label="Temperature there" of="temperatureC" />
          <NumberField v-model="form.humidityPct" label="Humidity there" suffix="%" :min="0" :max="100" />
          <v-checkbox v-model="form.failed" class="wide" label="It failed, and is done again" hide-details />
          <PhotoField v-model="form.photo" class="wide" />
          <v-textarea v-model="form.note" class="wide" label="Note" rows="2" auto-grow maxlength="4000" />
        </form>
        <ul v-if="history.length > 0" class="small quiet mt-4" aria-label="What it said before">
          <li v-for="line in history" :key="line.key">{{ line.text }}</li>
        </ul>
      </v-card-text>
      <FaultList class="px-6 py-2" :faults="faults" :within="form" />
      <DialogFoot v-model="open" form="entry-form" words="Save" :saving="saving">
        <v-spacer />
        <v-btn
          variant="text"
          :prepend-icon="mdiDeleteOutline"
          :disabled="meant.length === 0 || saving"
          @click="takeOut"
          >{{ isOne ? 'It was not done: take it out' : `Take ${meant.length} out` }}</v-btn
        >
      </DialogFoot>
    </v-card>
  </AppDialog>
</template>

<style scoped>
.units {
  border: 0;
  padding: 0;
}
</style>
