<script setup lang="ts">
import { ringAreaCm2, ringMm, sayMeasure, type Piece } from '@fixatum/core';
import { useAppearance } from '../shared/appearance';
import NumberField from '../shared/NumberField.vue';
import type { OutlineRow } from './outlineRows';

/** The outlines of a template as a list: which are taken, as what, how many, and which belong together. */
const rows = defineModel<OutlineRow[]>({ required: true });
const props = defineProps<{
  /** They are for a piece that is there already, and need no names. */
  bare: boolean;
  /** The piece that a row becomes, where it does. */
  pieceOf: (row: OutlineRow) => Piece | undefined;
}>();
const appearance = useAppearance();
const hasParts = (row: OutlineRow) => rows.value.some(({ partOf }) => partOf === row.key);
const partItems = (row: OutlineRow) => [
  { value: '', title: 'a piece of its own' },
  ...rows.value
    .filter(({ key, partOf }) => key !== row.key && partOf === '')
    .map(({ key, name }) => ({ value: key, title: `part of ${name}` })),
];

/** What is told of a row: its area less its holes, how long it is all round, and what lies in it. */
function told(row: OutlineRow): string {
  const { outer, holes, grooves } = row.outline;
  const cm2 = ringAreaCm2(outer) - holes.reduce((sum, hole) => sum + ringAreaCm2(hole), 0);
  const zones = props.pieceOf(row)?.zones?.map(({ name, share }) => `${name} ${Math.round(share * 100)} %`);
  const counted = (count: number, one: string) =>
    count === 0 ? [] : [`${count} ${one}${count === 1 ? '' : 's'}`];
  const figures = [
    sayMeasure(Math.round(cm2), 'areaCm2', appearance.units),
    `${sayMeasure(Math.round(ringMm(outer)), 'lengthMm', appearance.units)} round`,
    ...counted(holes.length, 'hole'),
    ...counted(grooves.length, 'groove'),
  ].join(', ');
  return zones ? `${figures} · ${zones.join(', ')}` : figures;
}
</script>

<template>
  <div class="table" role="table" aria-label="Outlines">
    <div v-for="(row, at) in rows" :key="row.key" class="line" role="row" :class="{ off: !row.taken }">
      <v-checkbox
        v-model="row.taken"
        density="compact"
        :label="String(at + 1)"
        :aria-label="`Take ${row.name}`"
      />
      <template v-if="!bare">
        <v-text-field v-model="row.name" label="Name" density="compact" maxlength="120" />
        <NumberField v-model="row.count" label="How many" :min="1" :max="200" :step="1" density="compact" />
        <v-checkbox v-model="row.pairs" class="pairs" density="compact" label="half mirrored" />
        <v-select
          v-model="row.partOf"
          class="part-of"
          label="Is"
          density="compact"
          :items="partItems(row)"
          :disabled="hasParts(row)"
        />
        <NumberField
          v-if="hasParts(row)"
          v-model="row.seamMm"
          label="Glued along"
          of="lengthMm"
          density="compact"
        />
      </template>
      <span class="figures small told">{{ told(row) }}</span>
    </div>
  </div>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: 64px minmax(150px, 1.3fr) 104px 150px minmax(150px, 1fr) minmax(0, 2fr);
  gap: 10px;
  align-items: center;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}

.line.off {
  opacity: 0.55;
}

.told {
  grid-column: -2 / -1;
  line-height: 1.3;
}

@media (max-width: 900px) {
  .line {
    grid-template-columns: 64px 1fr 104px;
  }

  .pairs,
  .part-of,
  .told {
    grid-column: 1 / -1;
  }
}
</style>
