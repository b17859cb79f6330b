<script setup lang="ts">
import RemoveButton from '../shared/RemoveButton.vue';
import { mdiPlus } from '@mdi/js';
import NumberField from '../shared/NumberField.vue';
import { radiusOf, type BendDraft } from './pieceForm';

/** Where a piece bends, by radius or by the body it goes round. */
const bends = defineModel<BendDraft[]>({ required: true });
const props = defineProps<{ thicknessMm: number | undefined }>();
</script>

<template>
  <p class="mt-4 mb-1"><strong>Where it bends</strong></p>
  <div v-for="(bend, at) in bends" :key="at" class="bend">
    <v-text-field v-model="bend.name" label="Where" density="compact" />
    <NumberField
      v-model="bend.bodyDiameterMm"
      label="Round a body of"
      suffix="mm Ø"
      density="compact"
      @update:model-value="bend.bendRadiusMm = radiusOf(bend, props.thicknessMm)"
    />
    <NumberField v-model="bend.bendRadiusMm" label="Bend radius" suffix="mm" density="compact" />
    <RemoveButton :label="`Remove ${bend.name || 'this bend'}`" @click="bends.splice(at, 1)" />
  </div>
  <v-btn
    size="small"
    :prepend-icon="mdiPlus"
    @click="bends.push({ name: 'bend', bendRadiusMm: 60, bodyDiameterMm: undefined })"
    >A bend</v-btn
  >
</template>

<style scoped>
.bend {
  display: grid;
  grid-template-columns: 1.2fr 1fr 1fr 40px;
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
