<script setup lang="ts">
import {
  airAids,
  attachments,
  facesOf,
  filmGrades,
  filmWords,
  idFromName,
  methodOf,
  methodWords,
  methods,
  stepKinds,
  stepKindWords,
  wantedEffects,
  type Face,
  type Piece,
  type Step,
} from '@fixatum/core';
import { computed, reactive, ref, watch } from 'vue';
import DialogFoot from '../shared/DialogFoot.vue';
import { useBuild } from '../shared/build';

/** Changes one step, or makes a new one at a place in the list. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ piece: Piece; step?: Step | undefined; at: number }>();
const store = useBuild();
const saving = ref(false);
const seen = ref<string>();
const base = ref<Piece>(props.piece);

const fresh = () => ({
  kind: 'base' as Step['kind'],
  material: '',
  method: '' as Step['method'] | '',
  coats: 1,
  film: 'normal' as NonNullable<Step['film']>,
  faces: ['outer'] as Face[],
  zones: [] as string[],
  place: '',
  colour: '',
  air: 'still' as NonNullable<Step['air']>,
  minutes: undefined as number | undefined,
  optional: false,
  trims: false,
  waitFor: '' as NonNullable<Step['waitFor']> | '',
  wanted: [] as NonNullable<Step['wanted']>,
  attaches: '' as NonNullable<Step['attaches']> | '',
  covers: '',
  dilution: '',
  pourMm: undefined as number | undefined,
  mixes: undefined as number | undefined,
  tintPct: undefined as number | undefined,
  note: '',
});
const form = reactive(fresh());

watch(open, (isOpen) => {
  if (!isOpen) return;
  base.value = props.piece;
  seen.value = store.pieceEtags[props.piece.id];
  Object.assign(form, fresh());
  const { step } = props;
  if (!step) return;
  const { covers, ...rest } = step;
  Object.assign(form, JSON.parse(JSON.stringify(rest)), {
    waitFor: step.waitFor ?? '',
    faces: [...facesOf(step)],
    zones: [...(step.zones ?? [])],
    covers: (covers ?? []).join(', '),
  });
});

const material = computed(() => store.materials.get(form.material));
const materialItems = computed(() => [
  { value: '', title: 'none' },
  ...[...store.materials.values()].map((one) => ({ value: one.id, title: one.name })),
]);
const methodItems = computed(() => {
  const fitting = material.value ? material.value.methods : methods;
  const usual = methodWords[methodOf({ id: '', kind: form.kind }, material.value)];
  return [
    { value: '', title: `usual: ${usual}` },
    ...fitting.map((value) => ({ value, title: methodWords[value] })),
  ];
});
const words = (list: readonly string[], names?: Record<string, string>) =>
  list.map((value) => ({ value, title: names?.[value] ?? value.replace('-', ' ') }));
const placeItems = computed(() => [
  { value: '', title: 'usual place' },
  ...(store.build?.places ?? []).map((place) => ({ value: place.id, title: place.name })),
]);
const isEpoxy = computed(() => material.value?.binder === 'epoxy');
const isMixed = computed(() => material.value?.potLife !== undefined);
const isSealer = computed(() => material.value?.role === 'seal');
const waitItems: { value: NonNullable<Step['waitFor']> | ''; title: string }[] = [
  { value: '', title: 'as soon as what is below takes it, unless waiting is ready sooner' },
  { value: 'through', title: 'coat by coat, each once what is below is dry through' },
  { value: 'cured', title: 'once all below is cured' },
];
const usesHands = computed(() => !material.value);

function drafted(): Step {
  const {
    material: _m,
    method: _me,
    coats: _c,
    film: _f,
    faces: _fa,
    zones: _z,
    place: _p,
    colour: _co,
    air: _a,
    minutes: _mi,
    optional: _o,
    trims: _t,
    waitFor: _wf,
    wanted: _w,
    attaches: _at,
    covers: _cv,
    dilution: _d,
    pourMm: _pm,
    mixes: _mx,
    tintPct: _tp,
    note: _n,
    ...kept
  } = props.step ?? ({} as Partial<Step>);
  const covers = form.covers
    .split(',')
    .map((name) => name.trim())
    .filter(Boolean);
  const isUsualFace = form.faces.length === 1 && form.faces[0] === 'outer';
  return {
    ...kept,
    id:
      props.step?.id ??
      idFromName(
        form.kind,
        props.piece.steps.map((step) => step.id),
      ),
    kind: form.kind,
    ...(form.material ? { material: form.material, coats: Number(form.coats), film: form.film } : {}),
    ...(form.method ? { method: form.method } : {}),
    ...(isUsualFace || form.faces.length === 0 ? {} : { faces: form.faces }),
    ...(form.zones.length > 0 ? { zones: form.zones } : {}),
    ...(form.place ? { place: form.place } : {}),
    ...(form.colour ? { colour: form.colour } : {}),
    ...(form.air === 'still' ? {} : { air: form.air }),
    ...(form.minutes ? { minutes: Number(form.minutes) } : {}),
    ...(form.optional ? { optional: true } : {}),
    ...(form.waitFor ? { waitFor: form.waitFor } : {}),
    ...(form.trims && form.kind === 'prep' ? { trims: true } : {}),
    ...(form.wanted.length > 0 ? { wanted: form.wanted } : {}),
    ...(form.attaches && form.kind === 'attach' ? { attaches: form.attaches } : {}),
    ...(covers.length > 0 ? { covers } : {}),
    ...(form.dilution ? { dilution: form.dilution } : {}),
    ...(isEpoxy.value && form.pourMm ? { pourMm: Number(form.pourMm) } : {}),
    ...(isMixed.value && Number(form.mixes) > 1 ? { mixes: Number(form.mixes) } : {}),
    ...(isSealer.value && form.tintPct ? { tintPct: Number(form.tintPct) } : {}),
    ...(form.note.trim() ? { note: form.note.trim() } : {}),
  };
}

async function save(): Promise<void> {
  saving.value = true;
  const step = drafted();
  const steps = [...base.value.steps];
  const at = props.step ? steps.findIndex((one) => one.id === props.step!.id) : -1;
  if (at >= 0) steps[at] = step;
  else steps.splice(props.at, 0, step);
  try {
    if (await store.saveSteps(base.value, steps, `${stepKindWords[step.kind]}: saved`, seen.value))
      open.value = false;
  } finally {
    saving.value = false;
  }
}
</script>

<template>
  <v-dialog v-model="open" max-width="640" scrollable>
    <v-card>
      <v-card-text class="pa-6">
        <h2 class="mb-4">{{ step ? 'Change the step' : 'New step' }}</h2>
        <form id="step-form" novalidate class="form-grid" @submit.prevent="save">
          <v-select
            v-model="form.kind"
            label="What is done"
            :items="words(stepKinds, stepKindWords)"
            autofocus
          />
          <v-autocomplete
            v-model="form.material"
            variant="outlined"
            density="comfortable"
            hide-details="auto"
            label="Material"
            :items="materialItems"
          />
          <v-select v-model="form.method" label="How" :items="methodItems" />
          <v-select v-model="form.place" label="Where" :items="placeItems" />
          <template v-if="!usesHands">
            <v-text-field v-model.number="form.coats" label="Coats" type="number" min="1" max="20" />
            <v-select v-model="form.film" label="Film" :items="words(filmGrades, filmWords)" />
            <v-text-field v-model="form.colour" label="Colour" placeholder="#8a6f3b" maxlength="7">
              <template #append-inner
                ><input
                  :value="/^#[0-9a-f]{6}$/i.test(form.colour) ? form.colour : material?.colour"
                  type="color"
                  aria-label="Pick a colour"
                  class="swatch"
                  @input="form.colour = ($event.target as HTMLInputElement).value"
              /></template>
            </v-text-field>
            <v-text-field v-model="form.dilution" label="Thinned" placeholder="1:6 paint to water" />
          </template>
          <v-select
            v-if="piece.faces.inner"
            v-model="form.faces"
            multiple
            label="Faces, in this order"
            :items="words(['inner', 'outer'])"
          />
          <v-select
            v-if="piece.zones"
            v-model="form.zones"
            multiple
            label="Zones; none means all"
            :items="piece.zones.map((zone) => ({ value: zone.id, title: zone.name }))"
          />
          <v-select
            v-if="form.kind === 'attach'"
            v-model="form.attaches"
            label="Puts on"
            :items="[{ value: '', title: 'something' }, ...words(attachments)]"
          />
          <v-text-field
            v-if="form.kind === 'mask' || form.kind === 'unmask'"
            v-model="form.covers"
            label="Covers, commas between"
          />
          <v-text-field
            v-model.number="form.minutes"
            label="Minutes of work, if you know better"
            type="number"
            min="1"
            max="1440"
            clearable
          />
          <v-text-field
            v-if="isEpoxy"
            v-model.number="form.pourMm"
            label="Poured how deep, if poured"
            suffix="mm"
            type="number"
            min="0"
            step="any"
            clearable
          />
          <v-text-field
            v-if="isMixed"
            v-model.number="form.mixes"
            label="Mixed in how many lots"
            type="number"
            min="1"
            max="20"
            clearable
          />
          <v-text-field
            v-if="isSealer"
            v-model.number="form.tintPct"
            label="Tinted with pigment"
            suffix="%"
            type="number"
            min="0"
            max="100"
            clearable
          />
          <v-select
            v-if="!usesHands"
            v-model="form.air"
            label="Air"
            :items="words(airAids, { still: 'still', fan: 'a fan', warm: 'warm air by hand' })"
          />
          <v-select
            v-if="!usesHands"
            v-model="form.wanted"
            multiple
            label="Wanted effects"
            :items="words(wantedEffects)"
          />
          <v-select
            v-if="!usesHands"
            v-model="form.waitFor"
            label="Goes on"
            :items="waitItems"
            class="wide"
          />
          <v-checkbox v-model="form.optional" label="Can be left out when time is short" class="wide" />
          <v-checkbox
            v-if="form.kind === 'prep'"
            v-model="form.trims"
            label="Cuts foam to fit"
            class="wide"
          />
          <v-textarea v-model="form.note" label="Note" rows="2" auto-grow maxlength="4000" class="wide" />
        </form>
      </v-card-text>
      <DialogFoot v-model="open" form="step-form" words="Save" :saving="saving" />
    </v-card>
  </v-dialog>
</template>

<style scoped>
.swatch {
  width: 34px;
  height: 28px;
  border: 0;
  padding: 0;
  background: none;
}
</style>
