<script setup lang="ts">
import {
  failureCauses,
  failureTable,
  failureWords,
  filmGrades,
  filmWords,
  sayMoment,
  toEpochMinute,
  toWallTime,
  type FailureCause,
  type FilmGrade,
  type PlannedOperation,
} from '@fixatum/core';
import { computed, reactive, ref, watch } from 'vue';
import AppDialog from '../shared/AppDialog.vue';
import DialogFoot from '../shared/DialogFoot.vue';
import MomentField from '../shared/MomentField.vue';
import { logTornPull } from './lookOver';
import type { LogExtras } from '../shared/benchActs';
import { useBuild } from '../shared/build';
import { useMaterials } from '../shared/materials';
import PhotoField from '../shared/PhotoField.vue';

/** Logs passes that were not done as planned: another film, tin, place or time, or that failed; with photo and note. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ passes: PlannedOperation[] }>();
const store = useBuild();
const materials = useMaterials();
const problem = ref('');
/** A time that is still to come is asked about once. */
const sureOf = ref('');
interface DoneForm {
  film: FilmGrade | '';
  material: string;
  place: string;
  doneAt: string;
  failed: boolean;
  cause: FailureCause;
  photo: string | undefined;
  note: string;
}
const form = reactive<DoneForm>({
  film: '',
  material: '',
  place: '',
  doneAt: '',
  failed: false,
  cause: 'other',
  photo: undefined,
  note: '',
});
const causeItems = failureCauses.map((value) => ({ value, title: failureWords[value] }));
const first = computed(() => props.passes[0]);
/** Tape is pulled once: what it tore is put right, not pulled again. */
const isPull = computed(() => props.passes.every(({ kind }) => kind === 'unmask'));

watch(
  open,
  (isOpen) => {
    if (!isOpen || !first.value) return;
    problem.value = '';
    sureOf.value = '';
    Object.assign(form, {
      film: first.value.material ? first.value.film : '',
      material: first.value.material?.id ?? '',
      place: first.value.placeId,
      doneAt: toWallTime(Math.floor(store.now), store.theBuild.timeZone),
      failed: false,
      cause: 'other',
      photo: undefined,
      note: '',
    });
  },
  { immediate: true },
);

const materialItems = computed(() =>
  [...materials.known.values()]
    .filter((one) => one.role === first.value?.material?.role)
    .map((one) => ({ value: one.id, title: one.name })),
);
const filmItems = filmGrades.map((value) => ({ value, title: filmWords[value] }));
const placeItems = computed(() =>
  (store.build?.places ?? []).map((place) => ({ value: place.id, title: place.name })),
);

async function save(): Promise<void> {
  const operation = first.value;
  if (!operation) return;
  const { doneAt } = form;
  const at = toEpochMinute(doneAt, store.theBuild.timeZone);
  if (at === undefined) {
    problem.value = 'That time does not exist.';
    return;
  }
  if (at > store.now + 1 && sureOf.value !== doneAt) {
    sureOf.value = doneAt;
    problem.value = `${sayMoment(at, store.theBuild.timeZone)} is still to come. Log it again if that is right all the same.`;
    return;
  }
  const more: LogExtras = {
    doneAt,
    ...(form.film ? { film: form.film } : {}),
    ...(operation.material && form.material !== operation.material.id ? { material: form.material } : {}),
    ...(form.place !== operation.placeId && form.place !== '' ? { place: form.place } : {}),
    ...(form.failed && !isPull.value ? { outcome: 'failed' as const, cause: form.cause } : {}),
    ...(form.photo ? { photo: form.photo } : {}),
    ...(form.note.trim() ? { note: form.note.trim() } : {}),
  };
  const isTorn = form.failed && isPull.value;
  if (await (isTorn ? logTornPull(store, props.passes, more) : store.logDone(props.passes, more)))
    open.value = false;
}
</script>

<template>
  <AppDialog v-model="open" asks max-width="560" scrollable>
    <v-card>
      <v-card-text class="pa-6">
        <h2 class="mb-1">Not as planned</h2>
        <p class="quiet mb-4">Say what was different; the plan goes on from there.</p>
        <form id="not-as-planned" class="form-grid" novalidate @submit.prevent="save">
          <v-select v-if="first?.material" v-model="form.film" label="How thick" :items="filmItems" />
          <v-select v-if="first?.material" v-model="form.material" label="Which tin" :items="materialItems" />
          <v-select v-if="placeItems.length > 1" v-model="form.place" label="Where" :items="placeItems" />
          <MomentField v-model="form.doneAt" class="wide" label="Done on" />
          <v-checkbox
            v-model="form.failed"
            class="wide"
            :label="isPull ? 'It took paint along' : 'It failed, and is done again'"
            hide-details
          />
          <p v-if="form.failed && isPull" class="wide small quiet">
            The tape is off, so the pull is logged. Sanding the torn edge and touching up come next.
          </p>
          <v-select
            v-else-if="form.failed"
            v-model="form.cause"
            class="wide"
            label="What went wrong"
            :items="causeItems"
            :hint="failureTable[form.cause].first"
            persistent-hint
          />
          <PhotoField v-model="form.photo" class="wide" />
          <v-textarea v-model="form.note" class="wide" label="Note" rows="2" auto-grow maxlength="4000" />
        </form>
        <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      </v-card-text>
      <DialogFoot
        v-model="open"
        form="not-as-planned"
        large
        :words="form.failed && !isPull ? 'Log it as failed' : 'Log it'"
      />
    </v-card>
  </AppDialog>
</template>

<style scoped>
.problem {
  margin-top: 12px;
  color: rgb(var(--v-theme-error));
}
</style>
