<script setup lang="ts">
import { sayMeasure, type Piece } from '@fixatum/core';
import { computed, toRef } from 'vue';
import { useAppearance } from '../shared/appearance';
import OutlineDrawing from './OutlineDrawing.vue';
import { useZoneColours } from './zoneColours';

/** The drawing of a piece in the colours its zones come out in, with what follows from it. */
const props = defineProps<{ piece: Piece; height?: number }>();
const colours = useZoneColours(toRef(props, 'piece'));
const appearance = useAppearance();
const zones = computed(() =>
  props.piece.zones?.length
    ? props.piece.zones.map(({ id, name }) => ({ id, name, colour: colours(id) }))
    : [{ id: 'whole', name: props.piece.name, colour: colours('whole') }],
);
const say = (mm: number) => sayMeasure(Math.round(mm), 'lengthMm', appearance.units);
const words = computed(() => {
  const { openMm, seamMm = 0, grooveMm = 0 } = props.piece.lengths ?? {};
  return [
    sayMeasure(props.piece.faces.outer.areaCm2, 'areaCm2', appearance.units),
    ...(openMm === undefined ? [] : [`${say(openMm)} of open edge`]),
    ...(seamMm > 0 ? [`${say(seamMm)} of seam`] : []),
    ...(grooveMm > 0 ? [`${say(grooveMm)} of grooves`] : []),
  ].join(', ');
});
</script>

<template>
  <figure v-if="piece.drawing">
    <OutlineDrawing
      :drawing="piece.drawing"
      :zones="zones"
      :label="`${piece.name}: ${words}`"
      :height="height ?? 150"
    />
    <figcaption class="small">
      <span v-for="zone in zones.length > 1 ? zones : []" :key="zone.id" class="key"
        ><span class="swatch" :style="{ background: zone.colour }" /> {{ zone.name }}</span
      >
      <span class="quiet figures"
        >{{ words }}<template v-if="piece.drawing.pairs">; half of them mirrored</template></span
      >
    </figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}

figcaption {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  margin-top: 6px;
}

.key {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}

.swatch {
  width: 16px;
  height: 12px;
  border: 1px solid var(--line);
}
</style>
