<script setup lang="ts">
import {
  airAids,
  attachments,
  attachmentWords,
  cleanings,
  cleaningWords,
  filmGrades,
  filmWords,
  lookOvers,
  lookOverWords,
  methodOf,
  methods,
  methodWords,
  placementIds,
  placementWords,
  stepKinds,
  stepKindWords,
  textureKinds,
  textureWords,
  thinners,
  thinnerWords,
  usualPlacement,
  wantedEffects,
  wantedWords,
  type PaletteColour,
  type Piece,
  type Step,
} from '@fixatum/core';
import { computed, ref, watch } from 'vue';
import ColourField from '../shared/ColourField.vue';
import NumberField from '../shared/NumberField.vue';
import PaletteChips from '../shared/PaletteChips.vue';
import { useBuild } from '../shared/build';
import { useMaterials } from '../shared/materials';
import { asksFor, detailPlacement, fittedForm, kindAsksFor, type StepForm } from './stepForm';
import { vFocusFirst } from '../shared/focusFirst';

/** What is typed takes the place of what was chosen. */
const selectAll = (event: FocusEvent) => {
  if (event.target instanceof HTMLInputElement) event.target.select();
};

/** The fields of a step: those that go with its kind and its material. */
const form = defineModel<StepForm>({ required: true });
const props = defineProps<{ piece: Piece }>();
const store = useBuild();
const materials = useMaterials();

const material = computed(() => materials.known.get(form.value.material));
const asks = computed(() => asksFor(material.value));
const kindAsks = computed(() => kindAsksFor(form.value));
const usesHands = computed(() => !material.value);
/** What was changed along with the material or the method, as it could not stay. */
const fitted = ref<string[]>([]);
watch(
  () => [form.value.material, form.value.method, form.value.kind] as const,
  () => {
    const { change, said } = fittedForm(form.value, material.value, store.build?.places ?? []);
    if (said.length > 0) Object.assign(form.value, change);
    fitted.value = said.length > 0 ? said : fitted.value;
  },
);
/** A detail coat goes where the last one went, and says so. */
watch(
  () => form.value.kind,
  (kind) => {
    if (kind === 'detail' && form.value.placement === '')
      form.value.placement = detailPlacement(store.build?.pieces ?? []);
  },
);
const otherPieces = computed(() =>
  (store.build?.pieces ?? [])
    .filter(({ id }) => id !== props.piece.id)
    .map(({ id, name }) => ({ value: id, title: name })),
);
/** What is put on or joined is glued: those are offered, and what is chosen already. */
const isGlued = computed(() => form.value.kind === 'attach' || form.value.kind === 'join');
const materialItems = computed(() => [
  { value: '', title: isGlued.value ? 'no glue' : 'none' },
  ...[...materials.known.values()]
    .filter(({ id, role }) => !isGlued.value || role === 'bond' || id === form.value.material)
    .map((one) => ({ value: one.id, title: one.name })),
]);
const methodItems = computed(() => {
  const fitting = material.value ? material.value.methods : methods;
  const usual = methodWords[methodOf({ id: '', kind: form.value.kind }, material.value)];
  return [
    { value: '', title: `usual: ${usual}` },
    ...fitting.map((value) => ({ value, title: methodWords[value] })),
  ];
});
const words = (list: readonly string[], names?: Record<string, string>) =>
  list.map((value) => ({ value, title: names?.[value] ?? value.replace('-', ' ') }));
const placementItems = computed(() => {
  const step = { id: '', kind: form.value.kind };
  const usual = usualPlacement(
    step,
    material.value,
    methodOf({ ...step, method: form.value.method || undefined }, material.value),
  );
  return [
    { value: '', title: `usual: ${placementWords[usual]}` },
    ...placementIds.map((value) => ({ value, title: placementWords[value] })),
  ];
});
const placeItems = computed(() => [
  { value: '', title: 'usual place' },
  ...(store.build?.places ?? []).map((place) => ({ value: place.id, title: place.name })),
]);
/** What is written by hand follows no colour of the palette any more. */
const colour = computed({
  get: () => form.value.colour,
  set: (value) => {
    form.value.colour = value;
    form.value.palette = '';
  },
});
function takeColour({ id, colour: own }: PaletteColour): void {
  form.value.colour = own;
  form.value.palette = id;
}
const waitItems: { value: NonNullable<Step['waitFor']> | ''; title: string }[] = [
  { value: '', title: 'as soon as what is below takes it, unless waiting is ready sooner' },
  { value: 'night', title: 'a night after what it lands on' },
  { value: 'day', title: 'a day after what it lands on' },
  { value: 'through', title: 'coat by coat, each once what is below is dry through' },
  { value: 'cured', title: 'once all below is cured' },
];
</script>

<template>
  <v-select v-model="form.kind" v-focus-first label="What is done" :items="words(stepKinds, stepKindWords)" />
  <v-autocomplete
    v-model="form.material"
    variant="outlined"
    density="comfortable"
    hide-details="auto"
    :label="isGlued ? 'Glued with' : 'Material'"
    :items="materialItems"
    @focus="selectAll"
  />
  <p v-if="fitted.length > 0" class="wide small" role="status">
    <strong v-for="line in fitted" :key="line">{{ line }} </strong>
  </p>
  <v-select
    v-if="kindAsks.parts"
    v-model="form.parts"
    multiple
    label="Joined with"
    :items="otherPieces"
    no-data-text="There is no other piece in this build"
    class="wide"
  />
  <v-select v-model="form.method" label="How" :items="methodItems" />
  <v-select v-model="form.place" label="Where" :items="placeItems" />
  <template v-if="!usesHands">
    <NumberField v-model="form.coats" label="Coats" :min="1" :max="20" :step="1" />
    <v-select v-model="form.film" label="Film" :items="words(filmGrades, filmWords)" />
    <ColourField v-model="colour" label="Colour" placeholder="#8a6f3b" :usual="material?.colour" />
    <PaletteChips
      v-if="store.build?.palette?.length"
      class="wide"
      :palette="store.build.palette"
      :chosen="form.palette"
      @choose="takeColour"
    />
    <v-select v-model="form.placement" label="Covers" :items="placementItems" />
    <NumberField
      v-model="form.coversPct"
      label="Share it covers, if you know better"
      suffix="%"
      :min="1"
      :max="100"
      clearable
    />
    <template v-if="asks.thinner">
      <v-select
        v-model="form.thinWith"
        label="Stirred in"
        :items="[{ value: '', title: 'nothing' }, ...words(thinners, thinnerWords)]"
      />
      <NumberField
        v-if="form.thinWith !== ''"
        v-model="form.thinPct"
        label="How much of it"
        suffix="% of the paint"
        :min="1"
        :max="1000"
        :step="1"
        clearable
      />
    </template>
    <v-text-field
      v-model="form.dilution"
      label="Mix, in your own words"
      placeholder="1:6 paint to water; the same with 3 drops of brown"
    />
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
    :items="[{ value: '', title: 'something' }, ...words(attachments, attachmentWords)]"
  />
  <v-select
    v-if="asks.bondArea || kindAsks.bareFor"
    v-model="form.bondArea"
    label="Holds on"
    :items="[
      { value: '', title: 'what lies there' },
      ...(piece.keepBare ?? []).map((value) => ({ value, title: `the bare ${value}` })),
    ]"
  />
  <template v-if="asks.bondArea || kindAsks.bareFor || kindAsks.along">
    <NumberField
      v-if="asks.bondArea || kindAsks.bareFor"
      v-model="form.fixings"
      label="Fixings: pins, studs, buckles"
      :min="1"
      :max="500"
      :step="1"
      clearable
    />
    <NumberField v-model="form.alongMm" label="Or along what length" of="lengthMm" :min="1" clearable />
    <NumberField
      v-if="asks.bondArea"
      v-model="form.bondCm2"
      label="Or over what area"
      of="areaCm2"
      :min="0.1"
      clearable
    />
  </template>
  <v-select
    v-if="kindAsks.texture"
    v-model="form.texture"
    label="How it gets in"
    :items="[{ value: '', title: 'as the tool does' }, ...words(textureKinds, textureWords)]"
  />
  <v-select
    v-if="kindAsks.cleans"
    v-model="form.cleans"
    label="Cleaned"
    :items="[{ value: '', title: 'not' }, ...words(cleanings, cleaningWords)]"
  />
  <v-select
    v-if="kindAsks.looksOver"
    v-model="form.looksOver"
    label="What is looked at"
    :items="[{ value: '', title: 'as your note says' }, ...words(lookOvers, lookOverWords)]"
  />
  <v-select
    v-if="piece.quantity > 1"
    v-model="form.units"
    multiple
    label="Which of the set; none means all"
    :items="
      Array.from({ length: piece.quantity }, (_, n) => ({
        value: n + 1,
        title: `${n + 1} of ${piece.quantity}`,
      }))
    "
  />
  <v-select
    v-if="form.kind === 'sand'"
    v-model="form.thinWith"
    label="Sanded"
    :items="[
      { value: '', title: 'dry' },
      { value: 'water', title: 'wet' },
    ]"
  />
  <v-text-field
    v-if="form.kind === 'mask' || form.kind === 'unmask'"
    v-model="form.covers"
    label="Covers, commas between"
  />
  <NumberField
    v-model="form.minutes"
    :label="piece.quantity > 1 ? 'Your own minutes, for all of them' : 'Your own minutes'"
    :min="1"
    :max="6000"
    :step="1"
    clearable
  />
  <NumberField
    v-if="asks.pour"
    v-model="form.pourMm"
    label="Laid how thick, if not as usual"
    of="lengthMm"
    :min="0"
    clearable
  />
  <NumberField
    v-if="asks.lots"
    v-model="form.mixes"
    label="Mixed in how many lots"
    :min="1"
    :max="20"
    :step="1"
    clearable
  />
  <NumberField
    v-if="asks.lots"
    v-model="form.reworkEveryMinutes"
    label="Worked over again every, until it stands"
    suffix="min"
    :min="1"
    :max="60"
    :step="1"
    clearable
  />
  <NumberField
    v-if="asks.tint"
    v-model="form.tintPct"
    label="Tinted with paint or pigment"
    suffix="%"
    :min="0"
    :max="100"
    :step="1"
    clearable
  />
  <v-select
    v-if="!usesHands"
    v-model="form.air"
    label="Air"
    :items="words(airAids, { still: 'still', fan: 'a fan', warm: 'warm air by hand' })"
  />
  <v-select
    v-model="form.wanted"
    multiple
    label="Wanted effects"
    :items="words(wantedEffects, wantedWords)"
  />
  <v-select v-if="!usesHands" v-model="form.waitFor" label="Goes on" :items="waitItems" class="wide" />
  <v-checkbox v-model="form.optional" label="Can be left out when time is short" class="wide" />
  <v-checkbox v-if="form.kind === 'prep'" v-model="form.trims" label="Cuts foam to fit" class="wide" />
  <v-checkbox
    v-if="kindAsks.spaced"
    v-model="form.spaced"
    label="Mounted with a gap, or on metal that takes up the heat"
    class="wide"
  />
  <v-textarea v-model="form.note" label="Note" rows="2" auto-grow maxlength="4000" class="wide" />
</template>
