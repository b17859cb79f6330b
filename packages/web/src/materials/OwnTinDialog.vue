<script setup lang="ts">
import {
  binderFor,
  binderNamed,
  binders,
  comesInColours,
  hazardNamed,
  hazards,
  idFromName,
  isCatalogueId,
  methods,
  methodWords,
  pigmentIds,
  pigmentTable,
  type Fault,
  type Material,
  type Method,
  type OwnMaterial,
  type PigmentId,
  sayC,
} from '@fixatum/core';
import isEqual from 'fast-deep-equal';
import { computed, reactive, ref, watch } from 'vue';
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
const carriers: { value: Material['carrier']; title: string }[] = [
  { value: 'water', title: 'water' },
  { value: 'solvent', title: 'a solvent' },
  { value: 'none', title: 'nothing: it sets by itself' },
];
/** How hard a solvent attacks what lies below (docs/domain.md, "Compatibility"). */
const attacks = [
  { value: 0, title: 'not at all: water' },
  { value: 1, title: 'mildly: white spirit' },
  { value: 2, title: 'somewhat: alcohol, glycol ether' },
  { value: 3, title: 'hard: acetone, acetate, thinner' },
];
const methodItems = methods.map((value) => ({ value, title: methodWords[value] }));
/** What stands for a family that nobody can tell. */
const NOT_KNOWN = 'unknown';
const families = binders.map((value) => ({
  value: value as string,
  title: value === NOT_KNOWN ? 'I can not tell' : value,
}));
type Key = (typeof fields)[number]['key'];
interface TinForm {
  name: string;
  recoat: string;
  pigments: PigmentId[];
  binder: string;
  /** Which family it is most like, asked where its name tells none. */
  like: string | undefined;
  carrier: Material['carrier'];
  solvent: number;
  hazards: string[];
  methods: Method[];
  numbers: Partial<Record<Key, number | string>>;
}
const form = reactive<TinForm>({
  name: '',
  recoat: '',
  pigments: [],
  binder: '',
  like: undefined,
  carrier: 'water',
  solvent: 0,
  hazards: [],
  methods: [],
  numbers: {},
});
const typed = computed(() => form.binder.trim());
const isBinderKnown = computed(() => typed.value === NOT_KNOWN || binderNamed(typed.value) !== NOT_KNOWN);
/** What the binder is taken for, where that is another word than the one that stands there. */
const takenFor = computed(() => {
  if (typed.value === '' || !isBinderKnown.value) return '';
  const { role } = props.material;
  const family = binderFor({ binder: typed.value, role, solvent: form.solvent });
  return family === typed.value ? '' : `Taken as ${family}`;
});
const strange = computed(() => form.hazards.filter((word) => hazardNamed(word) === undefined));
const asked = ref(false);
const faults = ref<Fault[]>([]);
const saving = ref(false);

const kept = (id: string) => store.build?.materials?.find((tin) => tin.id === id);

watch(
  open,
  (isOpen) => {
    if (!isOpen) return;
    faults.value = [];
    const { material } = props;
    form.name = isCatalogueId(material.id) ? `My ${material.name.toLowerCase()}` : material.name;
    form.recoat = material.recoat ?? '';
    form.pigments = [...(material.pigments ?? [])];
    asked.value = false;
    Object.assign(form, {
      // As it was typed, not the family that it is taken for.
      binder: kept(material.id)?.binder ?? material.binder,
      like: undefined,
      carrier: material.carrier,
      solvent: material.solvent,
      hazards: [...material.hazards],
      methods: [...material.methods],
    });
    form.numbers = Object.fromEntries(fields.map(({ key }) => [key, material[key]]));
  },
  { immediate: true },
);

async function save(): Promise<void> {
  const { material } = props;
  // What no rule would know is asked about before it is kept.
  if (!isBinderKnown.value && form.like === undefined) {
    asked.value = true;
    return;
  }
  const list = store.build?.materials ?? [];
  const old = kept(material.id);
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
  const binder = isBinderKnown.value ? typed.value : (form.like ?? NOT_KNOWN);
  const { carrier, solvent } = form;
  const told = { binder, carrier, solvent, hazards: form.hazards, methods: form.methods };
  for (const [key, value] of Object.entries(told)) {
    if (isEqual(value, base[key as keyof typeof told])) delete own[key as keyof typeof told];
    else Object.assign(own, { [key]: value });
  }
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
          v-model="form.binder"
          label="What it is made of"
          maxlength="60"
          :hint="takenFor || 'As its label says: acrylic, alkyd, rubber, two-part epoxy'"
          persistent-hint
          class="mb-4"
          @update:model-value="form.like = undefined"
        />
        <v-select
          v-if="!isBinderKnown"
          v-model="form.like"
          class="mb-4"
          label="It is most like"
          :hint="`No rule here knows “${typed}”. What is it most like?`"
          persistent-hint
          :items="families"
          :error="asked && form.like === undefined"
          :error-messages="
            asked && form.like === undefined
              ? `No rule here knows “${typed}”: choose what it is most like`
              : []
          "
        />
        <div class="grid pairs mb-4">
          <v-select v-model="form.carrier" label="It is thinned with" :items="carriers" />
          <v-select v-model="form.solvent" label="It attacks what lies below" :items="attacks" />
        </div>
        <v-select
          v-model="form.methods"
          multiple
          chips
          closable-chips
          label="It can be laid with"
          :items="methodItems"
          class="mb-4"
        />
        <v-combobox
          v-model="form.hazards"
          multiple
          chips
          closable-chips
          label="Warnings on its label"
          :items="[...hazards]"
          :hint="
            strange.length > 0
              ? `No rule here knows “${strange.join('”, “')}”: it is kept as you wrote it. Where one of the list means the same, choose that too.`
              : 'What it gives off, and what it does to skin and lungs'
          "
          persistent-hint
          class="mb-4"
        />
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

.pairs {
  grid-template-columns: repeat(2, 1fr);
}
</style>
