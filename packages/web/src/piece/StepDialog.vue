<script setup lang="ts">
import {
  begunStepIds,
  idFromName,
  nth,
  placeOfStep,
  workWord,
  type Fault,
  type Piece,
  type Step,
} from '@fixatum/core';
import { computed, ref, watch } from 'vue';
import AppDialog from '../shared/AppDialog.vue';
import DialogFoot from '../shared/DialogFoot.vue';
import FaultList from '../shared/FaultList.vue';
import { faultsOf } from '../shared/api';
import { useBuild } from '../shared/build';
import { useMaterials } from '../shared/materials';
import { stepFromForm, stepToForm } from './stepForm';
import StepFields from './StepFields.vue';

/** Changes one step, or makes a new one at a place in the list. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{
  piece: Piece;
  step?: Step | undefined;
  /** Where a new one goes; to its place in the order of craft unless given. */
  at?: number | undefined;
  /** What kind a new one is to begin with. */
  kind?: Step['kind'] | undefined;
}>();
const store = useBuild();
const materials = useMaterials();
const form = ref(stepToForm());
const faults = ref<Fault[]>([]);
const saving = ref(false);
const seen = ref<string>();
const base = ref<Piece>(props.piece);

watch(open, (isOpen) => {
  if (!isOpen) return;
  faults.value = [];
  base.value = props.piece;
  seen.value = store.pieceEtags[props.piece.id];
  form.value = stepToForm(props.step);
  if (props.kind && !props.step) form.value.kind = props.kind;
  chosenAt.value = props.at ?? USUAL;
});

const isBegun = computed(
  () => props.step !== undefined && begunStepIds(store.theBuild, base.value.id).has(props.step.id),
);
/** A new step goes to its usual place unless another is chosen. */
const USUAL = -1;
const chosenAt = ref(USUAL);
const read = () =>
  stepFromForm(form.value, {
    old: props.step,
    taken: base.value.steps.map((step) => step.id),
    material: materials.known.get(form.value.material),
  });
const usualAt = computed(() => {
  const made = read();
  const step = made.ok ? made.value : { id: '', kind: form.value.kind };
  return placeOfStep(base.value, step, begunStepIds(store.theBuild, base.value.id));
});
const nameAt = (at: number) => {
  const before = base.value.steps[at - 1];
  return before ? `after ${at}, ${workWord(before)}` : 'first of all';
};
const placeItems = computed(() => [
  { value: USUAL, title: `Where it belongs: ${nameAt(usualAt.value)}` },
  ...Array.from({ length: base.value.steps.length + 1 }, (_, at) => ({
    value: at,
    title: at === 0 ? 'First of all' : `After ${at}, ${workWord(nth(base.value.steps, at - 1))}`,
  })),
]);

async function save(): Promise<void> {
  const made = read();
  faults.value = made.ok ? [] : made.faults;
  if (!made.ok) return;
  const step = made.value;
  const steps = [...base.value.steps];
  const at = steps.findIndex((one) => one.id === props.step?.id);
  const newAt = chosenAt.value === USUAL ? usualAt.value : chosenAt.value;
  steps.splice(at >= 0 ? at : newAt, at >= 0 ? 1 : 0, step);
  // What was put on is looked over before it is packed.
  const isLooked = steps.slice(steps.indexOf(step)).some(({ looksOver }) => looksOver === 'packing');
  if (at < 0 && step.kind === 'attach' && !isLooked) {
    const id = idFromName(
      'inspect',
      steps.map((one) => one.id),
    );
    steps.push({ id, kind: 'inspect', method: 'hand', looksOver: 'packing' });
  }
  saving.value = true;
  try {
    const said = `${workWord(step)}: saved`;
    if (await store.savePiece({ ...base.value, steps }, base.value, said, seen.value)) open.value = false;
  } catch (error) {
    faults.value = faultsOf(error);
  } finally {
    saving.value = false;
  }
}
</script>

<template>
  <AppDialog v-model="open" asks max-width="640" scrollable>
    <v-card>
      <v-card-text class="pa-6">
        <h2 class="mb-4">{{ step ? 'Change the step' : 'New step' }}</h2>
        <form id="step-form" novalidate class="form-grid" @submit.prevent="save">
          <v-select
            v-if="!step"
            v-model="chosenAt"
            class="wide"
            label="Its place in the work"
            :items="placeItems"
          />
          <p v-if="isBegun" class="wide small">
            Some of it is logged, and stays as it was laid; “Put right what was logged” changes that. What you
            change here is for what is still to do.
          </p>
          <StepFields v-model="form" :piece="piece" />
        </form>
      </v-card-text>
      <FaultList class="px-6 py-2" :faults="faults" :within="form" />
      <DialogFoot v-model="open" form="step-form" words="Save" :saving="saving" />
    </v-card>
  </AppDialog>
</template>
