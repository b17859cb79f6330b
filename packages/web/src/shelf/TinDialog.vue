<script setup lang="ts">
import {
  isBoughtByColour,
  sayMl,
  tinDatesFault,
  usualContainersMl,
  type Fault,
  type Tin,
} from '@fixatum/core';
import { computed, reactive, ref, watch } from 'vue';
import AppDialog from '../shared/AppDialog.vue';
import ColourField from '../shared/ColourField.vue';
import DateField from '../shared/DateField.vue';
import DialogFoot from '../shared/DialogFoot.vue';
import FaultList from '../shared/FaultList.vue';
import NumberField from '../shared/NumberField.vue';
import { useShelf } from './useShelf';
import { withTins, type NewTin } from './tins';

/** A tin for the shelf: which, how large, how full; more if one likes. Or one that is there already, to be changed. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ at: number | undefined }>();
const { store, materials, change, today } = useShelf();
const faults = ref<Fault[]>([]);
const saving = ref(false);
const more = ref(false);

const old = props.at === undefined ? undefined : store.theBuild.stock?.[props.at];
const form = reactive({
  material: old?.material ?? '',
  colour: old?.colour ?? '',
  containerMl: old?.containerMl as number | undefined,
  remainingMl: old?.remainingMl as number | undefined,
  count: 1 as number | undefined,
  openedOn: old?.openedOn ?? '',
  bestBefore: old?.bestBefore ?? '',
  arrivesOn: old?.arrivesOn ?? '',
  lot: old?.lot ?? '',
  price: old?.price,
  keptIn: old?.keptIn ?? '',
});
const material = computed(() => materials.known.get(form.material));
const sizes = computed(() => (material.value ? usualContainersMl(material.value) : []));
watch(material, () => {
  if (!old && sizes.value[0] !== undefined) form.containerMl = sizes.value[0];
});
const materialItems = computed(() =>
  [...materials.known.values()].map((one) => ({ value: one.id, title: one.name })),
);

/** What of a tin the form does not ask for; what is emptied there goes. */
function keptOf(tin: Tin): Partial<Tin> {
  const kept: Partial<Tin> = { ...tin };
  for (const key of ['colour', 'openedOn', 'bestBefore', 'arrivesOn', 'lot', 'price', 'keptIn'] as const)
    delete kept[key];
  return kept;
}

async function save(): Promise<void> {
  const { count, remainingMl, ...rest } = form;
  if (form.material === '' || !form.containerMl) {
    faults.value = [
      {
        code: 'empty',
        path: [],
        message: form.material === '' ? 'Say what is in it.' : 'Say how much it holds when it is full.',
      },
    ];
    return;
  }
  const wrong = tinDatesFault(
    {
      ...(rest.openedOn ? { openedOn: rest.openedOn } : {}),
      ...(rest.arrivesOn ? { arrivesOn: rest.arrivesOn } : {}),
    },
    today.value,
  );
  if (wrong !== undefined) {
    faults.value = [{ code: 'dates', path: [], message: `The tin ${wrong}.` }];
    return;
  }
  const tin: NewTin = {
    material: form.material,
    containerMl: form.containerMl,
    ...(rest.colour ? { colour: rest.colour } : {}),
    ...(rest.openedOn ? { openedOn: rest.openedOn } : {}),
    ...(rest.bestBefore ? { bestBefore: rest.bestBefore } : {}),
    ...(rest.arrivesOn ? { arrivesOn: rest.arrivesOn } : {}),
    ...(rest.lot.trim() ? { lot: rest.lot.trim() } : {}),
    ...(rest.price === undefined ? {} : { price: rest.price }),
    ...(rest.keptIn ? { keptIn: rest.keptIn } : {}),
  };
  const build = store.theBuild;
  const stock: Tin[] = old
    ? (build.stock ?? []).map((one, n) =>
        n === props.at ? { ...keptOf(one), ...tin, remainingMl: one.remainingMl } : one,
      )
    : withTins(build, { ...tin, remainingMl }, count ?? 1, store.now);
  saving.value = true;
  faults.value = await change(
    { stock },
    props.at === undefined ? `On the shelf: ${material.value?.name}` : `Changed: ${material.value?.name}`,
  );
  saving.value = false;
  if (faults.value.length === 0) open.value = false;
}
</script>

<template>
  <AppDialog v-model="open" asks max-width="620" scrollable>
    <v-card>
      <v-card-text class="pa-6">
        <h2 class="mb-4">{{ at === undefined ? 'Add a tin' : 'Change the tin' }}</h2>
        <form id="tin" class="form-grid" novalidate @submit.prevent="save">
          <v-autocomplete v-model="form.material" class="wide" label="What is in it" :items="materialItems" />
          <div v-if="sizes.length > 0" class="wide sizes" role="group" aria-label="Usual sizes">
            <v-btn
              v-for="size in sizes"
              :key="size"
              size="small"
              :variant="form.containerMl === size ? 'flat' : 'outlined'"
              :aria-pressed="form.containerMl === size"
              @click="form.containerMl = size"
              >{{ sayMl(size) }}</v-btn
            >
          </div>
          <NumberField v-model="form.containerMl" label="Holds, when full" of="volumeMl" :min="1" />
          <NumberField
            v-if="at === undefined"
            v-model="form.remainingMl"
            label="Left in it, if not full"
            of="volumeMl"
            :min="0"
            clearable
          />
          <ColourField
            v-if="material && isBoughtByColour(material)"
            v-model="form.colour"
            label="Colour"
            placeholder="#8a6f3b"
            :usual="material.colour"
          />
          <NumberField
            v-if="at === undefined"
            v-model="form.count"
            label="How many of them"
            :min="1"
            :max="50"
            :step="1"
          />
          <DateField v-model="form.openedOn" label="Opened on" clearable />
          <button type="button" class="wide more" :aria-expanded="more" @click="more = !more">
            {{ more ? '▾' : '▸' }} More: best before, lot, price, on order, where it stands
          </button>
          <template v-if="more">
            <DateField v-model="form.bestBefore" label="Best before" clearable />
            <DateField v-model="form.arrivesOn" label="On order, here on" clearable />
            <v-text-field v-model="form.lot" label="Lot" maxlength="60" />
            <NumberField v-model="form.price" label="Price paid" :min="0" clearable />
            <v-select
              v-model="form.keptIn"
              label="Kept in"
              :items="[
                { value: '', title: 'not said' },
                ...store.theBuild.places.map((place) => ({ value: place.id, title: place.name })),
              ]"
            />
          </template>
        </form>
        <FaultList class="mt-3" :faults="faults" />
      </v-card-text>
      <DialogFoot
        v-model="open"
        form="tin"
        :saving="saving"
        :words="at === undefined ? 'Put it on the shelf' : 'Save'"
      />
    </v-card>
  </AppDialog>
</template>

<style scoped>
.sizes {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}

.more {
  text-align: left;
  min-height: 44px;
  font-weight: 600;
}
</style>
