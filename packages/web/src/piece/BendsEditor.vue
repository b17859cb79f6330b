<script setup lang="ts">
import RemoveButton from '../shared/RemoveButton.vue';
import { flexUses, flexUseTable } from '@fixatum/core';
import { mdiPlus } from '@mdi/js';
import { ref } from 'vue';
import NumberField from '../shared/NumberField.vue';
import { radiusOf, type BendDraft } from './pieceForm';

/** Where a piece bends, by radius or by the body it goes round. */
const bends = defineModel<BendDraft[]>({ required: true });
const props = defineProps<{ thicknessMm: number | undefined }>();
const useItems = flexUses.map((value) => ({ value, title: flexUseTable[value].word }));
/** A limb is measured round with a tape, a tube across. */
const round = ref(false);
function setBody(bend: BendDraft, mm: number | undefined): void {
  bend.bodyDiameterMm = mm !== undefined && round.value ? mm / Math.PI : mm;
  bend.bendRadiusMm = radiusOf(bend, props.thicknessMm);
}
</script>

<template>
  <p class="mt-4 mb-1"><strong>Where it bends</strong></p>
  <v-checkbox
    v-if="bends.length > 0"
    v-model="round"
    density="compact"
    label="Bodies are measured round, with a tape"
  />
  <div v-for="(bend, at) in bends" :key="at" class="bend">
    <v-text-field v-model="bend.name" label="Where" density="compact" />
    <NumberField
      :model-value="bend.bodyDiameterMm && (round ? bend.bodyDiameterMm * Math.PI : bend.bodyDiameterMm)"
      :label="round ? 'Round a body, its girth' : 'Round a body of'"
      of="lengthMm"
      :suffix="round ? undefined : 'Ø'"
      density="compact"
      @update:model-value="setBody(bend, $event)"
    />
    <NumberField v-model="bend.bendRadiusMm" label="Bend radius" of="lengthMm" density="compact" />
    <v-select v-model="bend.use" class="use" label="It" :items="useItems" density="compact" />
    <RemoveButton :label="`Remove ${bend.name || 'this bend'}`" @click="bends.splice(at, 1)" />
  </div>
  <v-btn
    size="small"
    :prepend-icon="mdiPlus"
    @click="bends.push({ name: 'bend', bendRadiusMm: 60, bodyDiameterMm: undefined, use: 'worn' })"
    >A bend</v-btn
  >
</template>

<style scoped>
.bend {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr 1.6fr 40px;
  gap: 8px;
  margin-bottom: 8px;
  align-items: center;
}

@media (max-width: 640px) {
  .bend {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
