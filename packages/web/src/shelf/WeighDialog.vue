<script setup lang="ts">
import { sayMl, usualDensityGPerMl, type Fault, type TinLevel } from '@fixatum/core';
import { computed, reactive, ref } from 'vue';
import AppDialog from '../shared/AppDialog.vue';
import DialogFoot from '../shared/DialogFoot.vue';
import FaultList from '../shared/FaultList.vue';
import NumberField from '../shared/NumberField.vue';
import { mlOfWeight, withLevel } from './tins';
import { useShelf } from './useShelf';

/** Sets what is left in a tin: by eye, or from what it weighs. */
const props = defineProps<{ level: TinLevel }>();
const emit = defineEmits<{ close: [] }>();
const { store, materials, change } = useShelf();
const open = computed({ get: () => true, set: (is) => !is && emit('close') });
const material = computed(() => materials.known.get(props.level.tin.material));
const form = reactive({
  leftMl: undefined as number | undefined,
  grossG: undefined as number | undefined,
  emptyG: props.level.tin.emptyG,
  gPerMl: (material.value ? usualDensityGPerMl(material.value) : 1) as number | undefined,
});
const weighed = computed(() =>
  form.grossG !== undefined && form.emptyG !== undefined && form.gPerMl
    ? mlOfWeight(form.grossG, form.emptyG, form.gPerMl)
    : undefined,
);
const ml = computed(() => form.leftMl ?? weighed.value);
const faults = ref<Fault[]>([]);

async function save(): Promise<void> {
  const { tin, at } = props.level;
  const say = (message: string) => (faults.value = [{ code: 'level', path: [], message }]);
  if (ml.value === undefined) return void say('Say what is left, or what it weighs full of it and empty.');
  if (ml.value < 0) return void say('Less than nothing can not be left.');
  if (ml.value > tin.containerMl * 1.05)
    return void say(
      `That would be ${sayMl(ml.value)}, and it holds ${sayMl(tin.containerMl)}: look at the figures.`,
    );
  const made = withLevel(store.theBuild, props.level, ml.value, store.now);
  const stock = made.stock.map((one, n) =>
    n === at && form.emptyG !== undefined ? { ...one, emptyG: form.emptyG } : one,
  );
  faults.value = await change(
    { ...made, stock },
    `${sayMl(ml.value)} left: ${material.value?.name ?? tin.material}`,
  );
  if (faults.value.length === 0) emit('close');
}
</script>

<template>
  <AppDialog v-model="open" asks max-width="520">
    <v-card>
      <v-card-text class="pa-6">
        <h2 class="mb-1">What is left of {{ material?.name ?? level.tin.material }}</h2>
        <p class="quiet mb-4">
          Reckoned from the log: {{ sayMl(level.ml) }} of {{ sayMl(level.tin.containerMl) }}.
        </p>
        <form id="weigh" class="form-grid" novalidate @submit.prevent="save">
          <NumberField
            v-model="form.leftMl"
            class="wide"
            label="Left, by eye"
            of="volumeMl"
            :min="0"
            clearable
          />
          <p class="wide small quiet">Or weigh it:</p>
          <NumberField v-model="form.grossG" label="Weighs now" of="massG" :min="0" clearable />
          <NumberField v-model="form.emptyG" label="Empty it weighs" of="massG" :min="0" clearable />
          <NumberField
            v-model="form.gPerMl"
            label="A millilitre of it; the label wins"
            of="massG"
            :min="0.1"
          />
          <p v-if="weighed !== undefined" class="figures">= {{ sayMl(weighed) }}</p>
        </form>
        <FaultList class="mt-3" :faults="faults" />
      </v-card-text>
      <DialogFoot v-model="open" form="weigh" words="That is what is left" />
    </v-card>
  </AppDialog>
</template>
