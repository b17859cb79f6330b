<script setup lang="ts">
import {
  colourDistance,
  mixedFrom,
  mixedHideUm,
  sayUm,
  type Ingredient,
  type MixRecipe,
} from '@fixatum/core';
import { computed, ref, watch } from 'vue';
import { offWords } from './roles';

/** A mix tried by hand: more or less of each tin, with what comes out beside what is wanted. */
const props = defineProps<{
  /** What it begins with. */
  parts: MixRecipe['parts'];
  /** What is wanted. */
  colour: string;
  labelOf: (part: Ingredient) => string;
}>();
defineEmits<{ keep: [parts: MixRecipe['parts']]; close: [] }>();
const tried = ref<MixRecipe['parts']>([]);
watch(
  () => props.parts,
  (parts) => (tried.value = parts.map((part) => ({ ...part }))),
  { immediate: true },
);
const triedColour = computed(() => {
  const parts = tried.value.filter((one) => one.parts > 0);
  return parts.length > 0 ? mixedFrom(parts) : undefined;
});
</script>

<template>
  <div class="try" data-testid="try">
    <h3>By hand</h3>
    <div class="pair wide" aria-hidden="true">
      <span :style="{ background: colour }" /><span :style="{ background: triedColour ?? 'transparent' }" />
    </div>
    <p class="small">
      Wanted on the left.
      <template v-if="triedColour"
        >What comes out on the right: {{ triedColour }}, {{ offWords(colourDistance(triedColour, colour))
        }}<template v-if="mixedHideUm(tried)">, hides at {{ sayUm(mixedHideUm(tried) ?? 0) }}</template
        >.</template
      >
    </p>
    <label v-for="(part, at) in tried" :key="at" class="slide"
      ><span><span class="chip small" :style="{ background: part.colour }" /> {{ labelOf(part) }}</span
      ><input
        v-model.number="part.parts"
        type="range"
        min="0"
        max="20"
        step="0.05"
        :aria-valuetext="`${part.parts} parts`"
      /><span class="figures">{{ Number(part.parts.toFixed(2)) }}</span></label
    >
    <div class="acts">
      <v-btn size="small" variant="outlined" :disabled="!triedColour" @click="$emit('keep', tried)"
        >Keep as a mix</v-btn
      >
      <v-btn size="small" variant="text" @click="$emit('close')">Close</v-btn>
    </div>
  </div>
</template>

<style scoped>
.pair.wide {
  height: 64px;
  margin: 8px 0;
}

.try {
  border-top: 1px solid var(--line);
  padding: 14px 0;
}

.slide {
  display: grid;
  grid-template-columns: 220px 1fr 56px;
  gap: 12px;
  align-items: center;
  min-height: 44px;
}

.slide input {
  accent-color: rgb(var(--v-theme-primary));
}

@media (max-width: 640px) {
  .slide {
    grid-template-columns: 1fr 56px;
  }

  .slide input {
    grid-row: 2;
    grid-column: 1 / -1;
  }
}
</style>
