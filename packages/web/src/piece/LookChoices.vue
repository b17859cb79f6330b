<script setup lang="ts">
import { clears, schools, undercoatChoices, type Method } from '@fixatum/core';
import { computed } from 'vue';
import { usePhotoBox } from '../shared/photoBox';
import { valueOf } from '../shared/inputs';
import { useLooks } from '../shared/looks';
import { isSavedFinish, picksOf, schoolOf, type LookForm, type LookSlot } from './lookForm';

const box = usePhotoBox();

/** What is chosen for a piece: a look for each zone, the sealer, undercoat and clear, the tools at hand. */
const form = defineModel<LookForm>({ required: true });
const props = defineProps<{ slots: readonly LookSlot[] }>();
const looks = useLooks();

const picked = computed(() =>
  props.slots.flatMap((slot) => {
    const pick = form.value.byZone[slot.id];
    return pick ? [{ ...slot, pick }] : [];
  }),
);
const picks = computed(() => picksOf(form.value, props.slots, looks.byId));

const lookItems = computed(() => [
  { value: '', title: 'Choose a look', words: '' },
  ...looks.all.map((look) => ({
    value: look.id,
    title: look.name,
    // It is found by all of this.
    words: [look.about, ...look.tags, look.note ?? ''].join(' '),
  })),
]);
const finishes = computed(() => [
  { value: '', title: 'None: choose looks' },
  ...looks.all.filter(isSavedFinish).map((look) => ({ value: look.id, title: look.name })),
]);
const finish = computed(() => {
  const look = looks.byId(form.value.recipeId);
  return isSavedFinish(look) ? look : undefined;
});
const zoneItems = computed(() => [
  { value: '', title: 'nothing of it' },
  ...(finish.value?.recipe.zones ?? []).map(({ id, name }) => ({ value: id, title: name })),
]);
const sealerItems = computed(() => [
  { value: '', title: `By the look: ${schoolOf(picks.value[0]?.look.school ?? 'pva').name}` },
  ...schools.map((school) => ({ value: school.id, title: school.name })),
]);
const undercoatItems = [
  { value: '', title: 'By the look' },
  ...undercoatChoices.map((value) => ({ value, title: value === 'oxide' ? 'red-brown' : value })),
];
const clearItems = [{ value: '', title: 'By the look' }, ...clears.map((value) => ({ value, title: value }))];
const seamItems = [
  { value: '', title: 'closed already' },
  { value: 'hairline', title: 'hairlines: filler, sanded' },
  { value: 'gaps', title: 'gaps: flexible caulk' },
  { value: 'both', title: 'caulk, then filler' },
];
const lineItems = [
  { value: '', title: 'none, or there already' },
  { value: 'burned', title: 'burn them in' },
  { value: 'ground', title: 'grind them in' },
];
const toolItems: { value: Method; title: string }[] = [
  { value: 'brush', title: 'brushes' },
  { value: 'foam-brush', title: 'foam brush' },
  { value: 'sponge', title: 'sponge' },
  { value: 'airbrush', title: 'airbrush' },
  { value: 'aerosol', title: 'spray cans' },
];
</script>

<template>
  <div class="choose">
    <v-select
      v-if="finishes.length > 1"
      v-model="form.recipeId"
      :items="finishes"
      label="A finish you saved whole"
    />
    <template v-if="finish">
      <p class="small quiet">From {{ finish.recipe.from.name }}{{ finish.note ? `. ${finish.note}` : '' }}</p>
      <div v-if="finish.pictures.length > 0" class="pictures">
        <img
          v-for="picture in finish.pictures"
          :key="picture"
          :src="box.addressOf(picture)"
          :alt="finish.name"
        />
      </div>
      <template v-if="finish.recipe.zones.length > 0">
        <p><strong>Which zone is which</strong></p>
        <v-select
          v-for="slot in slots"
          :key="slot.id"
          v-model="form.recipeZones[slot.id]"
          :items="zoneItems"
          :label="`${slot.name} is painted as`"
        />
      </template>
    </template>
    <template v-else>
      <div v-for="slot in picked" :key="slot.id" class="pick">
        <v-autocomplete
          v-model="slot.pick.lookId"
          :items="lookItems"
          :filter-keys="['title', 'raw.words']"
          :label="slots.length > 1 ? slot.name : 'Look'"
          no-data-text="No look has that in its name, tags or note"
        />
        <label v-if="slot.pick.lookId" class="colour" :title="`Main colour of ${slot.name}`">
          <input
            type="color"
            :aria-label="`Main colour of ${slot.name}`"
            :value="slot.pick.colour || looks.byId(slot.pick.lookId)?.colour"
            @change="slot.pick.colour = valueOf($event)"
          />
        </label>
      </div>
      <p v-for="pick in picks" :key="pick.look.id + pick.zone" class="small quiet">
        {{ pick.look.name }}: {{ pick.look.about }}
      </p>
      <v-select v-model="form.sealer" label="Sealer" :items="sealerItems" />
      <div class="two">
        <v-select v-model="form.undercoat" label="Undercoat" :items="undercoatItems" />
        <v-select v-model="form.clear" label="Clear coat" :items="clearItems" />
      </div>
      <p class="mb-n2"><strong>At hand</strong></p>
      <div class="tools">
        <v-checkbox
          v-for="tool in toolItems"
          :key="tool.value"
          v-model="form.tools"
          :value="tool.value"
          :label="tool.title"
        />
      </div>
      <p><strong>First of all</strong></p>
      <div class="two">
        <v-select v-model="form.seams" label="Seams and gaps" :items="seamItems" />
        <v-select v-model="form.lines" label="Panel lines" :items="lineItems" />
      </div>
      <div>
        <v-checkbox v-model="form.wipe" label="Glue or marker to wipe off" />
        <v-checkbox v-model="form.straps" label="Straps or closures at the end" />
        <v-checkbox v-model="form.tryOn" label="Try it on before paint" />
        <v-checkbox v-model="form.lookOvers" label="Stops to look the work over" />
        <v-checkbox v-model="form.quicker" label="The quicker variant, without the extras" />
      </div>
    </template>
  </div>
</template>

<style scoped>
.choose {
  display: flex;
  flex-direction: column;
  gap: 12px;
}

.choose > * {
  flex: none;
}

.pick {
  display: flex;
  gap: 10px;
  align-items: center;
}

.colour input {
  width: 48px;
  height: 44px;
  padding: 0;
  border: 1px solid var(--line);
  background: none;
}

.pictures {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}

.pictures img {
  max-width: 100px;
  max-height: 75px;
}

.two {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 200px), 1fr));
  gap: 10px;
}

.tools {
  display: grid;
  grid-template-columns: 1fr 1fr;
}
</style>
