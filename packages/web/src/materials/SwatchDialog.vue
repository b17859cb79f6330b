<script setup lang="ts">
import AppDialog from '../shared/AppDialog.vue';
import NumberField from '../shared/NumberField.vue';
import {
  filmGrades,
  filmWords,
  idFromName,
  substrateKinds,
  substrateNames,
  swatchSteps,
  toWallTime,
  type Fault,
  type FilmGrade,
  type Swatch,
} from '@fixatum/core';
import { mdiPlus } from '@mdi/js';
import RemoveButton from '../shared/RemoveButton.vue';
import { computed, reactive, ref, watch } from 'vue';
import DateField from '../shared/DateField.vue';
import DialogFoot from '../shared/DialogFoot.vue';
import { api, faultsOf } from '../shared/api';
import { plain } from '../shared/offThread/workerLink';
import { useBuild } from '../shared/build';
import { useMaterials } from '../shared/materials';
import FaultList from '../shared/FaultList.vue';
import PhotoField from '../shared/PhotoField.vue';

/** Plans a swatch, or takes down what came of it. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ swatch?: Swatch | undefined; judging: boolean }>();
const store = useBuild();
const materials = useMaterials();
const faults = ref<Fault[]>([]);
const saving = ref(false);

/** Nothing yet, of what a swatch holds. */
const fresh: Partial<Swatch> = {};
interface CoatDraft {
  material: string;
  film: FilmGrade;
  onCured: boolean;
  onScuffed: boolean;
}
const coatDraft = (material = ''): CoatDraft => ({
  material,
  film: 'light',
  onCured: false,
  onScuffed: false,
});
interface SwatchForm {
  coats: CoatDraft[];
  substrate: Swatch['substrate'];
  bendRadiusMm: number | undefined;
  result: NonNullable<Swatch['result']> | '';
  judgedOn: string;
  photo: string | undefined;
  note: string;
}
const form = reactive<SwatchForm>({
  coats: [],
  substrate: 'eva-foam',
  bendRadiusMm: undefined,
  result: '',
  judgedOn: '',
  photo: undefined,
  note: '',
});

watch(
  open,
  (isOpen) => {
    if (!isOpen) return;
    faults.value = [];
    const { swatch } = props;
    const today = toWallTime(store.now, store.build?.timeZone ?? 'UTC').slice(0, 10);
    Object.assign(form, {
      coats: swatch
        ? swatch.coats.map((coat) => ({ ...coatDraft(), film: 'normal', ...plain(coat) }))
        : [coatDraft('pva-flex-primer'), coatDraft()],
      substrate: swatch?.substrate ?? 'eva-foam',
      bendRadiusMm: swatch?.bendRadiusMm,
      result: swatch?.result ?? '',
      judgedOn: swatch?.judgedOn ?? today,
      photo: swatch?.photo,
      note: swatch?.note ?? '',
    });
  },
  { immediate: true },
);

const materialItems = computed(() =>
  [...materials.known.values()].map((one) => ({ value: one.id, title: one.name })),
);
const filmItems = filmGrades.map((value) => ({ value, title: filmWords[value] }));
const substrateItems = substrateKinds.map((value) => ({ value, title: substrateNames[value] }));

function drafted(): Swatch {
  const { result: _r, judgedOn: _j, photo: _p, bendRadiusMm: _b, note: _n, ...kept } = props.swatch ?? fresh;
  const ids = (store.build?.swatches ?? []).map((one) => one.id);
  return {
    ...kept,
    id: props.swatch?.id ?? idFromName('swatch', ids),
    coats: form.coats
      .filter((coat) => coat.material !== '')
      .map((coat) => ({
        material: coat.material,
        film: coat.film,
        ...(coat.onCured ? { onCured: true } : {}),
        ...(coat.onScuffed ? { onScuffed: true } : {}),
      })),
    substrate: form.substrate,
    ...(form.bendRadiusMm ? { bendRadiusMm: Number(form.bendRadiusMm) } : {}),
    ...(form.result ? { result: form.result, judgedOn: form.judgedOn } : {}),
    ...(form.photo ? { photo: form.photo } : {}),
    ...(form.note.trim() ? { note: form.note.trim() } : {}),
  };
}
const lines = computed(() => swatchSteps(drafted(), materials.known));

async function save(): Promise<void> {
  faults.value = [];
  if (props.judging && form.result === '') {
    faults.value = [{ code: 'result', path: [], message: 'Say whether it held or failed.' }];
    return;
  }
  const swatch = drafted();
  const list = store.build?.swatches ?? [];
  const swatches = props.swatch
    ? list.map((one) => (one.id === swatch.id ? swatch : one))
    : [...list, swatch];
  saving.value = true;
  try {
    await store.attempt(
      () => api.patchBuild(store.theId, { swatches }, store.etag),
      props.judging ? 'Swatch judged' : 'Swatch planned',
    );
    open.value = false;
  } catch (error) {
    faults.value = faultsOf(error);
  } finally {
    saving.value = false;
  }
}
</script>

<template>
  <AppDialog v-model="open" asks max-width="720" scrollable>
    <v-card>
      <v-card-text class="pa-6">
        <h2 class="mb-4">{{ judging ? 'How did the swatch come out?' : 'Plan a swatch' }}</h2>
        <form id="swatch-form" novalidate @submit.prevent="save">
          <template v-if="judging">
            <fieldset class="segmented mb-4" aria-label="Result">
              <button type="button" :aria-pressed="form.result === 'good'" @click="form.result = 'good'">
                ✓ It held
              </button>
              <button type="button" :aria-pressed="form.result === 'failed'" @click="form.result = 'failed'">
                ■ It failed
              </button>
            </fieldset>
            <DateField v-model="form.judgedOn" label="Judged on" class="mb-3" />
            <PhotoField v-model="form.photo" class="mb-3" />
          </template>
          <template v-else>
            <v-select v-model="form.substrate" label="Offcut of" :items="substrateItems" class="mb-3" />
            <p><strong>Coats, bottom first</strong></p>
            <div v-for="(coat, at) in form.coats" :key="at" class="coat">
              <v-autocomplete
                v-model="coat.material"
                variant="outlined"
                density="compact"
                hide-details="auto"
                :label="`Coat ${at + 1}`"
                :items="materialItems"
              />
              <v-select v-model="coat.film" density="compact" :label="`Film ${at + 1}`" :items="filmItems" />
              <span class="states">
                <v-checkbox v-if="at > 0" v-model="coat.onCured" density="compact" label="on cured" />
                <v-checkbox v-if="at > 0" v-model="coat.onScuffed" density="compact" label="scuffed" />
              </span>
              <RemoveButton :label="`Remove coat ${at + 1}`" @click="form.coats.splice(at, 1)" />
            </div>
            <v-btn size="small" :prepend-icon="mdiPlus" @click="form.coats.push(coatDraft())">A coat</v-btn>
            <NumberField
              v-model="form.bendRadiusMm"
              class="mt-4 mb-3"
              label="Bent round a radius of, if it will bend"
              of="lengthMm"
              clearable
            />
          </template>
          <v-textarea v-model="form.note" label="Note" rows="2" auto-grow maxlength="4000" />
          <section class="mt-4">
            <h3>{{ judging ? 'What was to be done' : 'What to do' }}</h3>
            <ol class="lines small">
              <li v-for="line in lines" :key="line">{{ line }}</li>
            </ol>
          </section>
        </form>
        <FaultList :faults="faults" />
      </v-card-text>
      <DialogFoot
        v-model="open"
        form="swatch-form"
        :words="judging ? 'Keep the result' : 'Keep the plan'"
        :saving="saving"
      />
    </v-card>
  </AppDialog>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
}

.coat {
  display: grid;
  grid-template-columns: 1fr 150px 210px 40px;
  gap: 8px;
  align-items: center;
  margin: 8px 0;
}

.states {
  display: flex;
}

.lines {
  padding-left: 22px;
  margin-top: 6px;
}

@media (max-width: 640px) {
  .coat {
    grid-template-columns: 1fr 40px;
  }
}
</style>
