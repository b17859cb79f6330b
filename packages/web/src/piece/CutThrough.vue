<script setup lang="ts">
import { stackFigures, substrateNames, zoneIdsOf, type Face, type Piece, sayMm } from '@fixatum/core';
import { computed, ref } from 'vue';
import { useBuild } from '../shared/build';
import { useMaterials } from '../shared/materials';
import StrataCut from '../shared/StrataCut.vue';
import StackFiguresNote from './StackFiguresNote.vue';
import UnitStrip from './UnitStrip.vue';
import WhatIfPanel from './WhatIfPanel.vue';

/** The films on one unit and face of a piece, zone by zone, cut through. */
const props = defineProps<{ piece: Piece }>();
const store = useBuild();
const materials = useMaterials();
const unit = ref(1);
const face = ref<Face>('outer');
const asking = ref(false);

const cuts = computed(() => {
  const { piece } = props;
  const figures = stackFigures(piece, { materials: materials.known, build: store.build ?? {} });
  const cells = store.view?.strata[`${piece.id}/${unit.value}`] ?? {};
  return zoneIdsOf(piece).map((zoneId) => {
    const cell = `${face.value}:${zoneId}`;
    return {
      id: zoneId,
      name:
        piece.zones?.find((zone) => zone.id === zoneId)?.name ??
        (face.value === 'outer' ? 'Outer face' : 'Inner face'),
      coats: cells[cell] ?? [],
      figures: figures.find((one) => one.cell === cell && one.units.includes(unit.value)),
    };
  });
});
</script>

<template>
  <section aria-labelledby="stack-title">
    <div class="stack-head">
      <h2 id="stack-title">Cut through</h2>
      <div class="choices">
        <v-btn size="small" variant="text" @click="asking = true">What if?</v-btn>
        <v-btn-toggle v-if="piece.faces.inner" v-model="face" mandatory density="compact" variant="outlined">
          <v-btn value="outer">Outer</v-btn>
          <v-btn value="inner">Inner</v-btn>
        </v-btn-toggle>
      </div>
    </div>
    <UnitStrip v-if="piece.quantity > 1" v-model="unit" :piece="piece" />
    <div v-for="cut in cuts" :key="cut.id" class="cut">
      <h3>{{ cut.name }}</h3>
      <StrataCut
        :coats="cut.coats"
        :substrate="piece.substrate"
        :now="store.minute"
        :height="cuts.length > 1 ? 290 : 340"
      />
      <StackFiguresNote v-if="cut.figures && cut.figures.filmUm > 0" :figures="cut.figures" />
    </div>
    <p class="small quiet mt-3">
      {{ substrateNames[piece.substrate.kind] }}, {{ sayMm(piece.substrate.thicknessMm) }}. Films are to scale
      with each other; each is drawn a line thicker than it is, to be seen.
    </p>
  </section>
  <WhatIfPanel v-model="asking" :piece="piece" :face="face" />
</template>

<style scoped>
.stack-head {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
  min-height: 36px;
}

.choices {
  display: flex;
  gap: 12px;
  align-items: center;
}

.cut {
  margin-top: 16px;
}

.cut h3 {
  margin-bottom: 6px;
}
</style>
