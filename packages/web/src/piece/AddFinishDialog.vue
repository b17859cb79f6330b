<script setup lang="ts">
import {
  addFinish,
  describeStep,
  finishes,
  workWord,
  usualTools,
  type Finish,
  type Piece,
} from '@fixatum/core';
import { computed, ref, watch } from 'vue';
import AppDialog from '../shared/AppDialog.vue';
import DialogFoot from '../shared/DialogFoot.vue';
import FieldText from '../shared/FieldText.vue';
import HowToButton from '../shared/HowToButton.vue';
import { useBuild } from '../shared/build';
import { useMaterials } from '../shared/materials';
import { valueOf } from '../shared/inputs';

/** Adds a ready way to wear, age or shade a piece to the steps that are there. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ piece: Piece }>();
const store = useBuild();
const materials = useMaterials();
const chosen = ref<Finish>();
const zones = ref<string[]>([]);
const colour = ref('');
const saving = ref(false);

watch(
  open,
  (isOpen) => {
    if (!isOpen) return;
    chosen.value = undefined;
    zones.value = (props.piece.zones ?? []).map(({ id }) => id);
  },
  { immediate: true },
);
watch(chosen, () => (colour.value = ''));

const usual = computed(() => chosen.value?.steps[0]?.colour);
const made = computed(() =>
  chosen.value
    ? addFinish(store.theBuild, props.piece, chosen.value, {
        zones: zones.value,
        tools: usualTools,
        ...(colour.value ? { colour: colour.value } : {}),
      })
    : undefined,
);
const fresh = computed(() => {
  const { steps = [], added = [] } = made.value ?? {};
  return steps.filter(({ id }) => added.includes(id));
});
/** The step that what is added goes before. */
const before = computed(() => {
  const { steps = [] } = made.value ?? {};
  const last = fresh.value.at(-1);
  return last && steps[steps.indexOf(last) + 1];
});
const isReady = computed(
  () => fresh.value.length > 0 && (zones.value.length > 0 || (props.piece.zones ?? []).length === 0),
);

async function add(): Promise<void> {
  if (!made.value || !chosen.value) return;
  saving.value = true;
  try {
    if (await store.saveSteps(props.piece, made.value.steps, `Added: ${chosen.value.name}`))
      open.value = false;
  } finally {
    saving.value = false;
  }
}
</script>

<template>
  <AppDialog v-model="open" asks max-width="900" scrollable>
    <v-card>
      <v-card-text class="pa-6">
        <h2>Add a finish to {{ piece.name }}</h2>
        <p class="quiet mb-4">
          It goes among the steps that are there, before the clear; you can change it afterwards.
        </p>
        <div class="columns">
          <ul aria-label="Finishes">
            <li v-for="one in finishes" :key="one.id">
              <label :class="{ on: chosen?.id === one.id }">
                <input v-model="chosen" type="radio" name="finish" :value="one" />
                <span
                  ><strong>{{ one.name }}</strong
                  ><span class="small quiet block">{{ one.about }}</span></span
                >
              </label>
            </li>
          </ul>
          <div v-if="chosen" class="chosen" aria-live="polite">
            <div class="how">
              <label v-if="usual" class="colour"
                >Colour
                <input
                  type="color"
                  :aria-label="`Colour of ${chosen.name}`"
                  :value="colour || usual"
                  @change="colour = valueOf($event)"
              /></label>
              <fieldset v-if="(piece.zones ?? []).length > 1">
                <legend class="small">On</legend>
                <v-checkbox
                  v-for="zone in piece.zones"
                  :key="zone.id"
                  v-model="zones"
                  :value="zone.id"
                  :label="zone.name"
                  density="compact"
                />
              </fieldset>
            </div>
            <p v-for="note in made?.notes" :key="note" class="small my-2"><FieldText :text="note" /></p>
            <ol>
              <li v-for="step in fresh" :key="step.id">
                <strong>{{ workWord(step) }}</strong>
                <HowToButton :step="step" :material="materials.known.get(step.material ?? '')" size="small" />
                <span class="small block">{{
                  describeStep(store.theBuild, piece, step, materials.known.get(step.material ?? ''))
                }}</span>
                <span v-if="step.note" class="small quiet block">{{ step.note }}</span>
              </li>
            </ol>
            <p v-if="before" class="small quiet mt-2">Before: {{ workWord(before) }}.</p>
          </div>
          <p v-else class="quiet">What it takes shows here once one is chosen.</p>
        </div>
      </v-card-text>
      <DialogFoot v-model="open" words="Add it" :disabled="!isReady" :saving="saving" @done="add" />
    </v-card>
  </AppDialog>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 28px;
}

/* The list is long: what is chosen stays in sight. */
.chosen {
  position: sticky;
  top: 0;
  align-self: start;
}

input[type='radio'] {
  accent-color: currentColor;
}

ul {
  list-style: none;
  padding: 0;
}

label {
  display: flex;
  gap: 10px;
  align-items: baseline;
  padding: 6px 8px;
  cursor: pointer;
}

label.on {
  outline: 2px solid currentColor;
}

.block {
  display: block;
}

ol {
  padding-left: 22px;
}

ol li {
  margin: 8px 0;
}

.how {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 24px;
}

.colour {
  align-items: center;
}

.colour input {
  width: 48px;
  height: 40px;
  padding: 0;
  border: 1px solid var(--line);
  background: none;
}

fieldset {
  border: 0;
  padding: 0;
}

@media (max-width: 700px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
