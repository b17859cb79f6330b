<script setup lang="ts">
import { replaceKind, stepKindWords, type Piece, type StepKind, sure } from '@fixatum/core';
import { computed, ref, watch } from 'vue';
import AppDialog from '../shared/AppDialog.vue';
import DialogFoot from '../shared/DialogFoot.vue';
import { useBuild } from '../shared/build';

/** Picks other pieces to give them the same steps of some kinds. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ piece: Piece }>();
const store = useBuild();
const chosen = ref<string[]>([]);
const kinds = ref<StepKind[]>([]);
const working = ref(false);

watch(open, (isOpen) => {
  if (!isOpen) return;
  chosen.value = [];
  kinds.value = props.piece.steps.some((step) => step.kind === 'seal') ? ['seal'] : [];
});
const others = computed(() => (store.build?.pieces ?? []).filter((one) => one.id !== props.piece.id));
const kindsHere = computed(() => [...new Set(props.piece.steps.map((step) => step.kind))]);
const can = computed(() => chosen.value.length > 0 && kinds.value.length > 0);

async function apply(): Promise<void> {
  working.value = true;
  try {
    const wanted = new Set(kinds.value);
    const steps = props.piece.steps.filter((step) => wanted.has(step.kind));
    for (const id of chosen.value) {
      const other = sure(store.pieceOf(id), 'a piece that was ticked');
      if (!(await store.saveSteps(other, replaceKind(other, wanted, steps).steps, `Given to ${other.name}`)))
        return;
    }
    open.value = false;
  } finally {
    working.value = false;
  }
}
</script>

<template>
  <AppDialog v-model="open" max-width="560" scrollable>
    <v-card>
      <v-card-text class="pa-6">
        <h2 class="mb-3">Give steps of {{ piece.name }} to other pieces</h2>
        <p class="quiet mb-1">Which steps? They take the place of theirs of the same kind.</p>
        <div class="checks">
          <v-checkbox
            v-for="kind in kindsHere"
            :key="kind"
            v-model="kinds"
            :value="kind"
            :label="stepKindWords[kind]"
          />
        </div>
        <p class="quiet mt-3 mb-1">To which pieces?</p>
        <div class="checks">
          <v-checkbox
            v-for="other in others"
            :key="other.id"
            v-model="chosen"
            :value="other.id"
            :label="other.name"
          />
        </div>
        <p v-if="others.length === 0" class="quiet">There is no other piece in this build.</p>
      </v-card-text>
      <DialogFoot v-model="open" words="Give them" :disabled="!can" :saving="working" @done="apply" />
    </v-card>
  </AppDialog>
</template>

<style scoped>
.checks {
  display: grid;
  grid-template-columns: 1fr 1fr;
}
</style>
