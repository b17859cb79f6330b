<script setup lang="ts">
import {
  comesInColours,
  idFromName,
  isCatalogueId,
  pigmentIds,
  pigmentTable,
  type Fault,
  type Material,
  type OwnMaterial,
  type PigmentId,
  sayC,
} from '@fixatum/core';
import { reactive, ref, watch } from 'vue';
import AppDialog from '../shared/AppDialog.vue';
import { api, faultsOf } from '../shared/api';
import { useBuild } from '../shared/build';
import { useMaterials } from '../shared/materials';
import FaultList from '../shared/FaultList.vue';

/** Takes down what the label of one's own tin says where it differs from the typical figures. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ material: Material }>();
const emit = defineEmits<{ saved: [id: string] }>();
const store = useBuild();
const materials = useMaterials();

const fields = [
  { key: 'touch', label: 'Touch-dry', suffix: 'min' },
  { key: 'tape', label: 'Tape-safe', suffix: 'min' },
  { key: 'sand', label: 'Sandable', suffix: 'min' },
  { key: 'handle', label: 'Handle', suffix: 'min' },
  { key: 'pack', label: 'Packable', suffix: 'min' },
  { key: 'wear', label: 'Wearable', suffix: 'min' },
  { key: 'minC', label: 'Coldest', suffix: '°C' },
  { key: 'maxC', label: 'Hottest', suffix: '°C' },
  { key: 'maxRhPct', label: 'Dampest', suffix: '%' },
] as const;
const pigments = pigmentIds.map((value) => ({
  value,
  title: `${pigmentTable[value].name} (${pigmentTable[value].index})`,
}));
type Key = (typeof fields)[number]['key'];
interface TinForm {
  name: string;
  recoat: string;
  pigments: PigmentId[];
  numbers: Partial<Record<Key, number | string>>;
}
const form = reactive<TinForm>({ name: '', recoat: '', pigments: [], numbers: {} });
const faults = ref<Fault[]>([]);
const saving = ref(false);

watch(
  open,
  (isOpen) => {
    if (!isOpen) return;
    faults.value = [];
    const { material } = props;
    form.name = isCatalogueId(material.id) ? `My ${material.name.toLowerCase()}` : material.name;
    form.recoat = material.recoat ?? '';
    form.pigments = [...(material.pigments ?? [])];
    form.numbers = Object.fromEntries(fields.map(({ key }) => [key, material[key]]));
  },
  { immediate: true },
);

async function save(): Promise<void> {
  const { material } = props;
  const list = store.build?.materials ?? [];
  const old = list.find((tin) => tin.id === material.id);
  const own: OwnMaterial = {
    ...(old ?? { id: idFromName(form.name, materials.known.keys()), extends: material.id }),
    name: form.name.trim(),
  };
  // Only what differs from what it stands on is kept, so that the rest still says "typical".
  const base = materials.known.get(own.extends ?? '') ?? material;
  for (const { key } of fields) {
    const typed = form.numbers[key];
    const value = typed === '' || typed === undefined ? undefined : Number(typed);
    if (value === undefined || value === base[key]) delete own[key];
    else own[key] = value;
  }
  if (form.recoat.trim() === '' || form.recoat.trim() === base.recoat) delete own.recoat;
  else own.recoat = form.recoat.trim();
  // None named: its colour tells.
  if (form.pigments.length === 0) delete own.pigments;
  else own.pigments = form.pigments;
  saving.value = true;
  faults.value = [];
  try {
    const materials = old ? list.map((tin) => (tin.id === own.id ? own : tin)) : [...list, own];
    await store.attempt(
      () => api.patchBuild(store.theId, { materials }, store.etag),
      `Label figures kept: ${own.name}`,
    );
    open.value = false;
    emit('saved', own.id);
  } catch (error) {
    faults.value = faultsOf(error);
  } finally {
    saving.value = false;
  }
}
</script>

<template>
  <AppDialog v-model="open" asks max-width="620">
    <v-card class="pa-6">
      <h2 class="mb-1">What your label says</h2>
      <p class="quiet mb-4">
        Typical figures stand here; change what your tin says otherwise. Times are for one normal coat at
        {{ sayC(21) }} and 50 % humidity.
      </p>
      <form novalidate @submit.prevent="save">
        <v-text-field v-model="form.name" label="What you call this tin" maxlength="120" class="mb-3" />
        <v-text-field
          v-model="form.recoat"
          label="Next coat, minutes"
          hint="30- means from half an hour on; 15-60|2880- within the hour or after two days"
          persistent-hint
          class="mb-4"
        />
        <v-select
          v-if="comesInColours(material)"
          v-model="form.pigments"
          multiple
          chips
          closable-chips
          label="Pigments that its label names"
          hint="They say how it covers and tints; without them its colour does"
          persistent-hint
          class="mb-4"
          :items="pigments"
        />
        <div class="grid">
          <v-text-field
            v-for="field in fields"
            :key="field.key"
            v-model="form.numbers[field.key]"
            :label="field.label"
            :suffix="field.suffix"
            type="number"
            step="any"
          />
        </div>
        <FaultList :faults="faults" />
        <div class="d-flex ga-3 mt-5">
          <v-btn type="submit" variant="flat" color="primary" :loading="saving">Keep it</v-btn>
          <v-btn variant="text" @click="open = false">Not now</v-btn>
        </div>
      </form>
    </v-card>
  </AppDialog>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 12px;
}
</style>
