<script setup lang="ts">
import {
  schools,
  shapeTable,
  sheenClasses,
  sheenWords,
  substrateKinds,
  substrateNames,
  substrateTable,
  surfaces,
  surfaceWords,
  sayCm2,
} from '@fixatum/core';
import { mdiChevronDown, mdiChevronRight } from '@mdi/js';
import { computed, ref } from 'vue';
import ColourField from '../shared/ColourField.vue';
import NumberField from '../shared/NumberField.vue';
import { useBuild } from '../shared/build';
import { useLooks } from '../shared/looks';
import BendsEditor from './BendsEditor.vue';
import { canHaveInner, outerAreaOf, type PieceForm } from './pieceForm';
import { lengthOf, shapeFields, type LengthField } from './shapeFields';
import ZonesEditor from './ZonesEditor.vue';
import { vFocusFirst } from '../shared/focusFirst';

/** The fields of a piece; a new one can be given a look at once, and shows the rest only when asked. */
const form = defineModel<PieceForm>({ required: true });
const props = defineProps<{ isNew: boolean }>();
const more = ref(!props.isNew);
const store = useBuild();
const looks = useLooks();

const fields = computed(() => {
  const { measure } = form.value;
  return measure === 'typed' || measure === 'drawn' || measure === 'polygon' ? [] : shapeFields[measure];
});
/** Round things are measured across, or round with a tape; what is kept is across. */
const round = ref(false);
const measuredAs = (mm: number | undefined, { isAcross }: LengthField) =>
  mm !== undefined && isAcross && round.value ? mm * Math.PI : mm;
const asMeasured = (mm: number | undefined, { isAcross }: LengthField) =>
  mm !== undefined && isAcross && round.value ? mm / Math.PI : mm;
const outerCm2 = computed(() => outerAreaOf(form.value));
const measures = [
  { value: 'typed', title: 'Type the area' },
  ...Object.entries(shapeTable).map(([value, { word }]) => ({ value, title: word })),
];
const substrates = substrateKinds.map((value) => ({ value, title: substrateNames[value] }));
const surfaceItems = [
  { value: '', title: 'not known' },
  ...surfaces.map((value) => ({ value, title: surfaceWords[value] })),
];
const sheens = [
  { value: '', title: 'any' },
  ...sheenClasses.map((value) => ({ value, title: sheenWords[value] })),
];
const events = computed(() => [
  { value: '', title: 'No date' },
  ...(store.build?.events ?? []).map((event) => ({ value: event.id, title: event.name })),
]);
const lookItems = computed(() => [
  { value: '', title: 'Choose later' },
  ...looks.all.map((look) => ({ value: look.id, title: look.name })),
]);
</script>

<template>
  <div class="grid">
    <v-text-field v-model="form.name" v-focus-first class="span4" label="Name" maxlength="120" />
    <NumberField v-model="form.quantity" class="span2" label="How many" :min="1" :max="200" :step="1" />
    <v-select v-model="form.kind" class="span3" label="Made of" :items="substrates" />
    <NumberField v-model="form.thicknessMm" class="span3" label="Thickness" of="lengthMm" :min="0.1" />
    <p v-if="form.measure === 'drawn'" class="span3 area small">
      From its drawing; change it there, under More.
    </p>
    <v-select v-else v-model="form.measure" class="span3" label="Shape" :items="measures" />
    <NumberField
      v-if="form.measure === 'typed'"
      v-model="form.outerCm2"
      class="span3"
      label="Area of the outer face"
      of="areaCm2"
    />
    <p v-else class="span3 area figures" data-testid="area">
      <strong>{{ outerCm2 ? sayCm2(outerCm2) : '–' }}</strong> each
    </p>
    <NumberField
      v-for="field in fields"
      :key="field.key"
      class="span2"
      :model-value="measuredAs(lengthOf(form.values, field), field)"
      :label="field.isAcross && round ? `${field.label}, round it` : field.label"
      :of="field.of"
      :suffix="field.suffix"
      @update:model-value="form.values[field.key] = asMeasured($event, field)"
    />
    <v-checkbox
      v-if="fields.some(({ isAcross }) => isAcross)"
      v-model="round"
      class="span6"
      label="Measured round it, with a tape"
    />
    <v-text-field
      v-if="form.measure === 'polygon'"
      v-model="form.polygon"
      class="span6"
      label="Corners in mm, x,y with spaces between"
    />
    <v-select
      v-if="isNew && form.zones.length === 0"
      v-model="form.lookId"
      class="span6"
      label="Look"
      :items="lookItems"
      hint="Writes the whole list of steps; change anything later."
      persistent-hint
    />
  </div>
  <v-select
    v-if="isNew && (form.lookId || form.zones.some(({ lookId }) => lookId))"
    v-model="form.sealer"
    class="mt-4"
    label="Sealed with"
    :items="[
      { value: '', title: 'as the look says' },
      ...schools.map(({ id, name }) => ({ value: id, title: name })),
    ]"
  />
  <div class="checks">
    <v-checkbox v-if="canHaveInner(form)" v-model="form.inner" label="The inner face is sealed too" />
    <v-checkbox
      v-if="form.kind === 'eva-foam' || form.kind === 'craft-foam'"
      v-model="form.heatSealed"
      label="Already heat-sealed"
    />
  </div>
  <ZonesEditor
    v-model="form.zones"
    :looks="looks.all"
    :with-looks="isNew"
    :look-id="form.lookId"
    :drawn="form.measure === 'drawn'"
  />
  <button type="button" class="more" :aria-expanded="more" @click="more = !more">
    <v-icon :icon="more ? mdiChevronDown : mdiChevronRight" size="20" /> More: date, surface, detail, bends,
    areas to keep bare
  </button>
  <div v-if="more">
    <div class="grid mt-3">
      <v-select v-model="form.event" class="span3" label="For" :items="events" />
      <NumberField
        v-model="form.finestDetailMm"
        class="span3"
        label="Finest detail"
        of="lengthMm"
        :min="0"
        clearable
      />
      <v-select v-model="form.wantsSheen" class="span3" label="Sheen wanted" :items="sheens" />
      <NumberField
        v-if="form.inner && canHaveInner(form)"
        v-model="form.innerCm2"
        class="span3"
        label="Inner face, if it differs"
        of="areaCm2"
        clearable
      />
      <v-text-field
        v-model="form.keepBare"
        class="span6"
        label="Keep bare: tabs, closures, bond areas"
        hint="Commas between"
        persistent-hint
      />
      <v-select v-model="form.surface" class="span3" label="Its surface now" :items="surfaceItems" />
      <v-select
        v-model="form.over"
        class="span3"
        multiple
        label="Over, from outside in"
        :items="substrates"
      />
      <ColourField
        v-model="form.groundColour"
        class="span3"
        label="Its own colour"
        placeholder="#3c3d3f"
        usual="#5f6163"
      />
      <NumberField
        v-if="substrateTable[form.kind].isCloth"
        v-model="form.stretchPct"
        class="span3"
        label="Stretched when worn"
        suffix="%"
        :min="0"
        :max="500"
        clearable
      />
    </div>
    <div class="checks">
      <v-checkbox v-model="form.standing" label="Dries on a stand or a hook: both faces in one go" />
      <v-checkbox v-model="form.onSkin" label="Lies on bare skin" />
      <v-checkbox v-model="form.againstVinyl" label="Packed against soft vinyl or rubber" />
    </div>
    <BendsEditor v-model="form.flex" :thickness-mm="form.thicknessMm" />
    <v-textarea v-model="form.note" class="mt-4" label="Note" rows="2" auto-grow maxlength="4000" />
  </div>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: repeat(6, 1fr);
  gap: 14px 12px;
  align-items: start;
}

.span2 {
  grid-column: span 2;
}

.span3 {
  grid-column: span 3;
}

.span4 {
  grid-column: span 4;
}

.span6 {
  grid-column: span 6;
}

.area {
  align-self: center;
  font-size: 1.1rem;
}

.checks {
  display: flex;
  flex-wrap: wrap;
  gap: 0 24px;
  margin: 8px 0;
}

.more {
  display: flex;
  align-items: center;
  gap: 6px;
  width: 100%;
  min-height: 44px;
  margin-top: 10px;
  border-top: 1px solid var(--line);
  font-weight: 600;
  text-align: left;
}

@media (max-width: 640px) {
  .grid > * {
    grid-column: span 6;
  }
}
</style>
