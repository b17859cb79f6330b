<script setup lang="ts">
import { workWord, type Fault, type Piece, type Step } from '@fixatum/core';
import { ref, watch } from 'vue';
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
const props = defineProps<{ piece: Piece; step?: Step | undefined; at: number }>();
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
});

async function save(): Promise<void> {
  const read = stepFromForm(form.value, {
    old: props.step,
    taken: base.value.steps.map((step) => step.id),
    material: materials.known.get(form.value.material),
  });
  faults.value = read.ok ? [] : read.faults;
  if (!read.ok) return;
  const step = read.value;
  const steps = [...base.value.steps];
  const at = steps.findIndex((one) => one.id === props.step?.id);
  steps.splice(at >= 0 ? at : props.at, at >= 0 ? 1 : 0, step);
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
          <StepFields v-model="form" :piece="piece" />
        </form>
      </v-card-text>
      <FaultList class="px-6 py-2" :faults="faults" :within="form" />
      <DialogFoot v-model="open" form="step-form" words="Save" :saving="saving" />
    </v-card>
  </AppDialog>
</template>
